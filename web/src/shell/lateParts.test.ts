import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'

const web = join(__dirname, '..')

/**
 * Parts that a file fetches late, as paths from `web/src`; what `late` declares is fetched ahead by
 * that.
 */
function lateOf(file: string): string[] {
  const text = readFileSync(file, 'utf8').replace(/\blate\(\s*async \(\) => .*/g, '')
  return [...text.matchAll(/import\('([^']+)'\)/g)].map(([, named = '']) =>
    named.startsWith('.') ? relative(web, join(dirname(file), named)) : named,
  )
}

/** Shown where no job is open, or of no use without the server. */
const online = [
  ...['shell/JobShell', 'shell/NewVersion', 'instruments/InstrumentsPage', 'ui/Kit'],
  ...['backups/BackupsPage', 'people/PeoplePage', 'people/SignInPage', 'people/InvitationPage'],
  ...['people/HeldPage', 'people/GuestPage', 'jobs/RowMenu', 'jobs/DeletedJobs'],
  '@simplewebauthn/browser',
  // Read with every answer of a job: here as soon as one is open.
  'api/jobAnswers',
]

test('whatever a page of a job fetches late is fetched ahead, for where there is no signal', () => {
  const files = readdirSync(web, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name) && !/test/.test(name))
    .map((name) => join(web, name))
  const ahead = new Set(
    ['shell/lateParts.ts', 'shell/pages.ts'].flatMap((name) => lateOf(join(web, name))),
  )
  const late = new Set(files.flatMap(lateOf))
  expect(late.size).toBeGreaterThan(30)
  expect([...late].filter((part) => !ahead.has(part) && !online.includes(part))).toEqual([])
  expect(online.filter((part) => !late.has(part))).toEqual([])
})
