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

const isHere = ['127.0.0.1', 'localhost', '::1'].includes(host)

try {
  const { http, people, firstCode, takeUp } = await buildApp({
    dataFolder,
    log: process.stdout,
    gauges,
    ...(process.env.HESTIAN_OFFICE ? { office: process.env.HESTIAN_OFFICE } : {}),
    ...(process.env.HESTIAN_MAIL
      ? {
          mail: {
            address: process.env.HESTIAN_MAIL,
            from: process.env.HESTIAN_MAIL_FROM ?? 'hestian@localhost',
          },
        }
      : {}),
    demo: isHere && process.env.HESTIAN_DEMO === '1',
    hosts: [...listed('HESTIAN_HOSTS'), host],
    proxies: listed('HESTIAN_PROXIES'),
    webFolder: resolve(import.meta.dirname, '../../web/dist'),
    startWorkers: (folder) => startPool(resolve(import.meta.dirname, '../dist/worker.mjs'), folder),
  })
  if (!isHere)
    console.warn(
      `Listening on ${host}: without HTTPS in front of it, passwords cross the network as they are typed.`,
    )
  await http.listen({ port, host })
  console.log(`Hestian is listening on http://${host}:${port}`)
  if (process.env.HESTIAN_DEMO !== '1' && (await people.hasNobody()))
    console.log(
      `Nobody can sign in yet. The first owner: http://${host}:${port}/first#${firstCode}`,
    )
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.once(signal, () => void http.close().then(() => process.exit(0)))
  await takeUp()
} catch (error) {
  if (!(error instanceof UnusableFolder)) throw error
  console.error(`hestian: ${error.message}`)
  // 78 is a setting that is wrong: starting again by itself does not help.
  process.exit(78)
}
