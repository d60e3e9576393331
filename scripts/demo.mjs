import { createHash } from 'node:crypto'
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  writeFileSync,
} from 'node:fs'
import { createServer } from 'node:net'
import { join, resolve } from 'node:path'
import { answers, ensureBuilt, ensureInstalled, root, say, start, stop } from './setup.mjs'

const port = Number(process.env.PORT ?? 4180)
const host = process.env.HOST ?? '127.0.0.1'
const data = resolve(process.env.HESTIAN_DATA ?? join(root, 'data/demo'))
const mark = join(data, 'demo.json')
const gaugePort = Number(process.env.GAUGE_PORT ?? port + 1)
const sitePort = Number(process.env.SITE_PORT ?? gaugePort + 1)
/** A water logger, a manometer at a burner, an analyser. */
const sitePorts = [sitePort, sitePort + 1, sitePort + 2]
const officePort = Number(process.env.OFFICE_PORT ?? sitePort + 3)
const mailPort = Number(process.env.MAIL_PORT ?? sitePort + 4)
if (!(port > 0 && port < 65535))
  stop(`PORT is ${process.env.PORT}; it must be a whole number from 1 to 65534.`)

if (!['127.0.0.1', 'localhost', '::1'].includes(host))
  stop(
    `HOST is ${host}; the demo's people come in without a password, so it listens on this machine alone. For a phone, run the server itself and invite people: docs/operations.md.`,
  )

const free = (wanted, at) =>
  new Promise((done) => {
    const trial = createServer()
    trial.once('error', () => done(false))
    trial.listen(wanted, at, () => trial.close(() => done(true)))
  })
for (const [what, name, wanted, at] of [
  ['the address', 'PORT', port, host],
  ['the simulated manometer', 'GAUGE_PORT', gaugePort, '127.0.0.1'],
  ...sitePorts.map((one) => ['the simulated site', 'SITE_PORT', one, '127.0.0.1']),
  ['the simulated registration office', 'OFFICE_PORT', officePort, '127.0.0.1'],
  ['the simulated mailbox', 'MAIL_PORT', mailPort, '127.0.0.1'],
])
  if (!(await free(wanted, at)))
    stop(
      `port ${wanted} for ${what} is taken, perhaps by a demo that still runs. End that, or set ${name} to another.`,
    )

const filled = existsSync(data) && readdirSync(data).length > 0
if (filled && !existsSync(mark))
  stop(
    `${data} holds other data, and the demo never writes over it. Set HESTIAN_DATA to an empty folder, or start that data with: npm run dev`,
  )

await ensureInstalled()
ensureBuilt()
mkdirSync(data, { recursive: true })
if (!filled) writeFileSync(mark, JSON.stringify({ made: 'by npm run demo', seeded: false }))

// The firm's people and their tickets: jobs bring names along, never tickets.
copyFileSync(join(root, 'demo/people.json'), join(data, 'people.json'))

const tsx = ['--import', 'tsx']
say('starting the simulated manometer and the server …')
start(
  'simulated manometer',
  [...tsx, 'stand-ins/gauge/main.ts'],
  { GAUGE_PORT: String(gaugePort) },
  { lasting: true, quiet: true },
)
start(
  'simulated site',
  [...tsx, 'stand-ins/site/main.ts'],
  { SITE_PORT: String(sitePort) },
  { lasting: true, quiet: true },
)
start(
  'simulated registration office',
  [...tsx, 'stand-ins/office/main.ts'],
  { OFFICE_PORT: String(officePort) },
  { lasting: true, quiet: true },
)
start(
  'simulated mailbox',
  [...tsx, 'stand-ins/mailbox/main.ts'],
  { MAIL_PORT: String(mailPort), MAIL_FOLDER: join(data, 'mailbox') },
  { lasting: true, quiet: true },
)
start(
  'server',
  // Its port as a word of the command line tells it from the server of another demo.
  ['--enable-source-maps', 'server/dist/server.mjs', `port=${port}`],
  {
    PORT: String(port),
    HOST: host,
    HESTIAN_DATA: data,
    HESTIAN_DEMO: '1',
    HESTIAN_OFFICE: `http://127.0.0.1:${officePort}`,
    HESTIAN_MAIL: `smtp://127.0.0.1:${mailPort}`,
    HESTIAN_MAIL_FROM: 'heating@demo.example',
    HESTIAN_GAUGE: [gaugePort, ...sitePorts].map((one) => `127.0.0.1:${one}`).join(),
  },
  { lasting: true, quiet: true },
)
const address = `http://${host.includes(':') ? `[${host}]` : host === '0.0.0.0' ? '127.0.0.1' : host}:${port}`
// Passkeys go by a name: browsers make none for an address in figures.
const told = ['127.0.0.1', '0.0.0.0', '::1'].includes(host) ? `http://localhost:${port}` : address
await answers(`${address}/api/health`)

if (!JSON.parse(readFileSync(mark, 'utf8')).seeded) {
  say('loading the demo jobs …')
  const came = await fetch(`${address}/api/session/demo`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ personId: 'maren-oduya' }),
  })
  if (!came.ok) stop(`the demo's owner was refused: ${await came.text()}`)
  const [cookie] = (came.headers.get('set-cookie') ?? '').split(';')
  for (const name of readdirSync(join(root, 'demo/evidence')).sort()) {
    const bytes = readFileSync(join(root, 'demo/evidence', name))
    const response = await fetch(
      `${address}/api/evidence/${createHash('sha256').update(bytes).digest('hex')}`,
      {
        method: 'PUT',
        headers: {
          cookie,
          'content-type': name.endsWith('.pdf') ? 'application/pdf' : 'image/png',
        },
        body: bytes,
      },
    )
    if (!response.ok) stop(`demo/evidence/${name} was refused: ${await response.text()}`)
  }
  for (const instrument of JSON.parse(readFileSync(join(root, 'demo/instruments.json'), 'utf8'))) {
    const response = await fetch(`${address}/api/instruments/${instrument.id}`, {
      method: 'PUT',
      headers: { cookie, 'content-type': 'application/json' },
      body: JSON.stringify(instrument),
    })
    if (!response.ok) stop(`the gauge ${instrument.name} was refused: ${await response.text()}`)
  }
  for (const name of readdirSync(join(root, 'demo/jobs')).sort()) {
    const response = await fetch(`${address}/api/import`, {
      method: 'POST',
      headers: { cookie, 'content-type': 'application/json' },
      body: readFileSync(join(root, 'demo/jobs', name)),
    })
    if (!response.ok && response.status !== 409)
      stop(`demo/jobs/${name} was refused: ${await response.text()}`)
  }
  writeFileSync(mark, JSON.stringify({ made: 'by npm run demo', seeded: true }))
} else say('the demo jobs are there from last time.')

say(`open ${told}`)
say('Ctrl-C ends everything.')
