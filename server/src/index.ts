import { resolve } from 'node:path'
import { buildApp } from './app/app'

const port = Number(process.env.PORT ?? 4180)
const host = process.env.HOST ?? '127.0.0.1'
const dataFolder = resolve(process.env.HESTIAN_DATA ?? 'data')
const [gaugeHost = '127.0.0.1', gaugePort = '4181'] = (process.env.HESTIAN_GAUGE ?? '')
  .split(':')
  .filter(Boolean)

const { http } = await buildApp({
  dataFolder,
  log: true,
  gauges: [{ id: 'manometer', name: 'Manometer', host: gaugeHost, port: Number(gaugePort) }],
  webFolder: resolve(import.meta.dirname, '../../web/dist'),
})

if (!['127.0.0.1', 'localhost', '::1'].includes(host))
  console.warn(
    `Listening on ${host}: anyone who can reach this machine can open it, and there are no passwords. Put it behind the firm's own HTTPS.`,
  )
await http.listen({ port, host })
console.log(`Hestian is listening on http://${host}:${port}`)

for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => void http.close().then(() => process.exit(0)))
