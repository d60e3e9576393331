import fc from 'fast-check'
import { SampleSchema } from '@hestian/core'
import { readLine } from './gaugeLines'

test('a greeting and a sample are understood', () => {
  expect(
    readLine('HELLO protocol=1 name=Bench_gauge simulated=yes resolution_Pa=1 interval_ms=1000'),
  ).toEqual({
    kind: 'hello',
    greeting: {
      name: 'Bench gauge',
      simulated: true,
      resolution_Pa: 1,
      reads: ['gauge_Pa', 'temp_K'],
      streams: true,
    },
  })
  expect(readLine('S t_ms=1000 gauge_Pa=2010 temp_K=288.15 battery=0.9')).toEqual({
    kind: 'sample',
    sample: { at_ms: 1000, gauge_Pa: 2010, temp_K: 288.15 },
  })
  expect(readLine('S t_ms=1000 gauge_Pa=-3').kind).toBe('sample')
  expect(readLine('S t_ms=1000 gauge_Pa=9 baro_Pa=101300')).toMatchObject({
    sample: { baro_Pa: 101300 },
  })
  expect(readLine('ERR no such command').kind).toBe('answer')
})
test('an analyser says what it reads, and how it stands now', () => {
  expect(readLine('HELLO protocol=1 name=Analyser reads=o2,co,laughter')).toMatchObject({
    kind: 'hello',
    greeting: { reads: ['o2', 'co'], streams: false },
  })
  expect(readLine('V o2=0.043 co=0.000012 flue_K=341.5 laughter=9')).toEqual({
    kind: 'values',
    values: { o2: 0.043, co: 0.000012, flue_K: 341.5 },
  })
})
test.each(['V', 'V laughter=9', 'V o2=1.2', 'V o2=', 'V co=-0.1', 'V flue_K=20', 'V o2=x'])(
  '%s is nonsense, and nothing is taken from it',
  (line) => expect(readLine(line).kind).toBe('nonsense'),
)
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
