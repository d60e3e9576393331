import type { ChildProcess } from 'node:child_process'
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import type { Sample } from '@hestian/core'
import { GaugeLink } from './gaugeLink'

const root = join(__dirname, '../../..')
const port = 4871
let bridge: ChildProcess
let gauge: GaugeLink

beforeAll(() => {
  const args = ['stand-ins/bridge/main.ts', 'stand-ins/bridge/example.csv', String(port)]
  bridge = spawn(process.execPath, ['--import', 'tsx', ...args], { cwd: root, stdio: 'ignore' })
  gauge = new GaugeLink({ id: 'file', name: 'File', host: '127.0.0.1', port })
})
afterAll(() => {
  gauge.close()
  bridge.kill()
})

test('the example bridge is heard as a gauge, and sends again what was missed', async () => {
  const heard: Sample[] = []
  const next = () => new Promise<void>((done) => gauge.once('sample', () => done()))
  gauge.on('sample', (sample) => heard.push(sample))
  await next()
  expect(gauge.state()).toMatchObject({
    name: 'Replayed file',
    state: 'live',
    simulated: false,
    resolution_Pa: 10,
  })
  const [first] = heard
  expect(first).toMatchObject({ gauge_Pa: 2030, temp_K: 288.15 })
  const before = heard.length
  gauge.replayFrom((first?.at_ms ?? 0) - 1)
  await next()
  expect(heard.slice(before)[0]).toEqual(first)
}, 20_000)
