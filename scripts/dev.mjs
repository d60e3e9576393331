import { join, resolve } from 'node:path'
import { ensureBuilt, ensureInstalled, root, say, start } from './setup.mjs'

const port = Number(process.env.PORT ?? 4180)
const data = resolve(process.env.HESTIAN_DATA ?? join(root, 'data/dev'))
await ensureInstalled()
ensureBuilt()
await (await import('./buildServer.mjs')).watchServer()
const tsx = ['--import', 'tsx']
start(
  'simulated manometer',
  [...tsx, 'stand-ins/gauge/main.ts'],
  { GAUGE_PORT: String(port + 1) },
  { lasting: true },
)
start(
  'server',
  ['--watch', '--enable-source-maps', 'server/dist/server.mjs'],
  { PORT: String(port), HESTIAN_DATA: data, HESTIAN_GAUGE: `127.0.0.1:${port + 1}` },
  { lasting: true },
)
start(
  'interface',
  [join(root, 'node_modules/vite/bin/vite.js'), 'web', '--config', 'web/vite.config.ts'],
  { PORT: String(port) },
  { lasting: true },
)
say('the interface, rebuilt as you type: http://localhost:5180')
