import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuilt, ensureChromium, ensureDriver, ensurePackages, root, say } from './setup.mjs'

ensurePackages()
ensureChromium()
// What follows, up to the first test, needs no database.
const driver = ensureDriver()
const results = join(root, 'test-results')
mkdirSync(results, { recursive: true })
const bin = (path) => join(root, 'node_modules', path)
const counts = { passed: 0, failed: 0 }
const run = (name, args, env = {}) => {
  say(`${name} …`)
  return (
    spawnSync(process.execPath, args, {
      cwd: root,
      stdio: 'inherit',
      env: { ...process.env, ...env },
    }).status === 0
  )
}
/**
 * A runner without counts of its own is one check. They run beside each other; each prints when it
 * ends.
 */
const check = (name, args) =>
  new Promise((done) => {
    say(`${name} …`)
    const child = spawn(process.execPath, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] })
    const printed = []
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (data) => printed.push(data))
    child.on('close', (code) => {
      counts[code === 0 ? 'passed' : 'failed']++
      if (printed.length > 0) console.log(Buffer.concat(printed).toString())
      done()
    })
  })
const readJson = (path) => (existsSync(path) ? JSON.parse(readFileSync(path, 'utf8')) : undefined)

await Promise.all([
  driver,
  check('types', [bin('typescript/bin/tsc'), '-p', 'tsconfig.json', '--noEmit']),
  check('lint', [bin('eslint/bin/eslint.js'), '.']),
  check('dead code and undeclared packages', [
    bin('knip/bin/knip.js'),
    '--no-progress',
    '--no-config-hints',
  ]),
  check('licences', ['scripts/licences.mjs']),
  check('formatting', [bin('prettier/bin/prettier.cjs'), '--check', '--log-level', 'warn', '.']),
])
ensureBuilt()

const unitFile = join(results, 'unit.json')
rmSync(unitFile, { force: true })
const unitOk = run('unit and API tests', [
  bin('jest/bin/jest.js'),
  '--maxWorkers=2',
  '--json',
  `--outputFile=${unitFile}`,
])
const unit = readJson(unitFile)
counts.passed += unit?.numPassedTests ?? 0
counts.failed += unit ? unit.numFailedTests + unit.numRuntimeErrorTestSuites : 1
if (!unitOk && unit && unit.numFailedTests + unit.numRuntimeErrorTestSuites === 0) counts.failed++

/** Half of the journeys on a demo of its own, beside the other half: a journey mostly waits. */
const journeysOf = (half, number) =>
  new Promise((done) => {
    const file = join(results, `journeys-${half}.json`)
    const data = join(results, `journey-data-${half}`)
    rmSync(file, { force: true })
    rmSync(data, { recursive: true, force: true })
    say(`journeys in the browser, ${half} half …`)
    const child = spawn(
      process.execPath,
      [
        bin('@playwright/test/cli.js'),
        ...['test', '--config', 'e2e/playwright.config.ts', `--project=${half}`],
      ],
      {
        cwd: root,
        stdio: 'inherit',
        env: {
          ...process.env,
          E2E_DATA: data,
          E2E_PORT: `${4280 + 10 * number}`,
          E2E_RESULTS: file,
        },
      },
    )
    child.on('close', (code) => {
      const stats = readJson(file)?.stats
      counts.passed += stats ? stats.expected + stats.flaky : 0
      counts.failed += stats ? stats.unexpected : 1
      if (code !== 0 && stats?.unexpected === 0) counts.failed++
      done(stats?.flaky ?? 0)
    })
  })
// Everything was built above: two demos find it built.
const flaky = (await Promise.all([journeysOf('first', 1), journeysOf('second', 2)])).reduce(
  (sum, one) => sum + one,
  0,
)

if (flaky > 0) say(`${flaky} journeys passed only when tried again: see above which.`)
console.log(`${counts.passed} passed, ${counts.failed} failed`)
process.exit(counts.failed > 0 ? 1 : 0)
