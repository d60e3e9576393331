import fc from 'fast-check'
import { SampleSchema } from '@hestian/core'
import { readLine } from './gaugeLines'

test('a greeting and a sample are understood', () => {
  expect(
    readLine('HELLO protocol=1 name=Bench_gauge simulated=yes resolution_Pa=1 interval_ms=1000'),
  ).toEqual({
    kind: 'hello',
    greeting: { name: 'Bench gauge', simulated: true, resolution_Pa: 1 },
  })
  expect(readLine('S t_ms=1000 gauge_Pa=2010 temp_K=288.15 battery=0.9')).toEqual({
    kind: 'sample',
    sample: { at_ms: 1000, gauge_Pa: 2010, temp_K: 288.15 },
  })
  expect(readLine('S t_ms=1000 gauge_Pa=-3').kind).toBe('sample')
  expect(readLine('ERR no such command').kind).toBe('answer')
})
test.each([
  `HELLO name=${'x'.repeat(300)} resolution_Pa=10`,
  'HELLO resolution_Pa=abc',
  'HELLO resolution_Pa=0',
  'S t_ms=1000.5 gauge_Pa=1',
  'S t_ms=5e12 gauge_Pa=1',
  'S t_ms=1000 gauge_Pa=1 temp_K=0',
  'S t_ms=1000 gauge_Pa=NaN',
  'S t_ms=1000 gauge_Pa=1e9',
  'S gauge_Pa=1',
  'S t_ms= gauge_Pa=1',
  'GET / HTTP/1.1',
])('%s is nonsense, not a row', (line) => expect(readLine(line).kind).toBe('nonsense'))
test('whatever a gauge sends, what comes out of it could be stored', () =>
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string(),
        fc
          .tuple(fc.string(), fc.string(), fc.string())
          .map(([t, p, k]) => `S t_ms=${t} gauge_Pa=${p} temp_K=${k}`),
        fc
          .tuple(fc.double(), fc.double(), fc.double())
          .map(([t, p, k]) => `S t_ms=${t} gauge_Pa=${p} temp_K=${k}`),
      ),
      (line) => {
        const read = readLine(line)
        if (read.kind === 'sample') expect(SampleSchema.safeParse(read.sample).success).toBe(true)
      },
    ),
  ))
