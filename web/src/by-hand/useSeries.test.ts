import type { GaugeState } from '@hestian/core'
import { heardFrom } from './useSeries'

const gauge = (name: string, state: 'live' | 'silent' = 'live'): GaugeState => ({
  ...{ id: name, name, state, simulated: true, resolution_Pa: 10 },
  ...{ reads: ['gauge_Pa'], streams: false, values: { gauge_Pa: 2000 } },
})
const of = (gauges: readonly GaugeState[], from: string) =>
  heardFrom(gauges, 'gauge_Pa', from)?.name

test('readings over time are of the instrument the test is read with, never of another', () => {
  const two = [gauge('Bench'), gauge('Inlet')]
  expect(of(two, 'Inlet')).toBe('Inlet')
  expect(of(two, '')).toBeUndefined()
  expect(of([gauge('Bench')], '')).toBe('Bench')
  expect(of([gauge('Bench', 'silent'), gauge('Inlet')], '')).toBe('Inlet')
  expect(of([gauge('Bench', 'silent')], 'Bench')).toBeUndefined()
  expect(heardFrom(two, 'o2', 'Inlet')).toBeUndefined()
})
