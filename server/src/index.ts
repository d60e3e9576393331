import { resolve } from 'node:path'
import { buildApp } from './app/app'
import { UnusableFolder } from './db/unusableFolder'
import { startPool } from './workers/pool'

const port = Number(process.env.PORT ?? 4180)
const host = process.env.HOST ?? '127.0.0.1'
const dataFolder = resolve(process.env.HESTIAN_DATA ?? 'data')
const listed = (name: string): string[] => (process.env[name] ?? '').split(/[\s,]+/).filter(Boolean)
/** Gauges as `host:port`, several by commas. */
const gauges = (process.env.HESTIAN_GAUGE ?? '127.0.0.1:4181').split(',').map((address, i) => {
  const [gaugeHost = '127.0.0.1', gaugePort = '4181'] = address.split(':')
  return {
    id: i === 0 ? 'manometer' : `manometer-${i + 1}`,
    name: 'Manometer',
    host: gaugeHost,
    port: Number(gaugePort),
  }
})

try {
  const { http, takeUp } = await buildApp({
    dataFolder,
    log: process.stdout,
    gauges,
    ...(process.env.HESTIAN_OFFICE ? { office: process.env.HESTIAN_OFFICE } : {}),
    hosts: [...listed('HESTIAN_HOSTS'), host],
    proxies: listed('HESTIAN_PROXIES'),
    webFolder: resolve(import.meta.dirname, '../../web/dist'),
    startWorkers: (folder) => startPool(resolve(import.meta.dirname, '../dist/worker.mjs'), folder),
  })
  if (!['127.0.0.1', 'localhost', '::1'].includes(host))
    console.warn(
      `Listening on ${host}: anyone who can reach this machine can open it, and there are no passwords. Put it behind the firm's own HTTPS.`,
    )
  await http.listen({ port, host })
  console.log(`Hestian is listening on http://${host}:${port}`)
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.once(signal, () => void http.close().then(() => process.exit(0)))
  await takeUp()
} catch (error) {
  if (!(error instanceof UnusableFolder)) throw error
  console.error(`hestian: ${error.message}`)
  // 78 is a setting that is wrong: starting again by itself does not help.
  process.exit(78)
}
