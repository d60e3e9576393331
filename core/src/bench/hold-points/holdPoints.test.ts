import { kestrelWeir } from '../../../../demo/src/documents'
import type { HoldPoint } from '../../job/document'
import type { JobRecord } from '../../job/records'
import { practices } from '../../practice/practices'
import { judgeHandTests } from '../by-hand/judged'
import { holdable, judgeHoldPoints } from './holdPoints'

const uk = practices['uk-ireland']
const gas = (state: 'passed' | 'changed' | 'not-made') => [
  { id: 'tightness', name: 'Tightness', state },
]
const flow = (running_Pa: number): JobRecord => ({
  ...{ id: 'read-0001', at: '2026-11-20T10:00:00Z', by: 'A. Fitter' },
  body: {
    kind: 'measured',
    ...{ reading: 'water-flow', target: '', typed: {}, confirmed: [], instrument: '' },
    values: { static_Pa: 4e5, running_Pa, flow_m3_s: 2e-4 },
  },
})
const point = (test: string): HoldPoint => ({ id: 'hold-1', name: 'the boards go down', test })
const stateOf = (test: string, gasTests = gas('not-made'), entries: JobRecord[] = []) => {
  const job = { ...kestrelWeir(), holdPoints: [point(test)] }
  const [judged] = judgeHoldPoints(job, holdable(gasTests, judgeHandTests(job, uk, entries)))
  return judged?.state
}

test.each([
  ['a gas test that was not made', 'tightness', gas('not-made'), [], 'open'],
  ['one whose pipes were changed', 'tightness', gas('changed'), [], 'open'],
  ['one that passed', 'tightness', gas('passed'), [], 'passed'],
  ['a test by hand that was not made', 'water-flow', gas('passed'), [], 'open'],
  ['one that failed', 'water-flow', gas('passed'), [flow(1e4)], 'open'],
  ['one that passed by hand', 'water-flow', gas('not-made'), [flow(2e5)], 'passed'],
  ['one that is not on this job', 'tightness/stage-9', gas('passed'), [], 'unknown'],
] as const)('work that waits for %s', (_, test, gasTests, entries, state) =>
  expect(stateOf(test, [...gasTests], [...entries])).toBe(state),
)

test('work can wait for what is made once, not for what is read burner by burner', () => {
  const ids = holdable(gas('passed'), judgeHandTests(kestrelWeir(), uk, [])).map(({ id }) => id)
  expect(ids).toContain('water-test-metal')
  expect(ids).toContain('tightness')
  expect(ids).not.toContain('gas-pressure')
})
