import type { JudgedGasTest, JudgedTest } from '@hestian/core'
import type { ReactNode } from 'react'
import { useEffect, useState } from 'react'
import { HoldPoints } from '../job/HoldPoints'
import { useDesign, useStanding } from '../job/JobContext'
import { CheckSheet } from '../shell/CheckSheet'
import { Answer, VerdictLine } from '../ui/Answer'
import { late } from '../ui/late'
import { SheetPage } from '../ui/SheetPage'
import { GasTestList } from './GasTestList'
import { PastTests } from './PastTests'
import { Prepare } from './Prepare'
import { RunningTest } from './RunningTest'
import { TestLog } from './TestLog'

const TestVerdict = late(async () => (await import('./TestVerdict')).TestVerdict)

/** The test bench of the gas pipes: which tests there are; prepare, run, verdict, repair, again. */
export function TightnessPage() {
  const { solution } = useDesign()
  const { judgement } = useStanding()
  const [chosen, setChosen] = useState<string>()
  const [again, setAgain] = useState<string>()
  const sheet = solution.tightness
  const { tests, gasTests } = judgement
  const shown = shownTest(gasTests, tests, chosen)
  const running = runningTest(tests, gasTests, shown)
  const last = running ?? shown?.last
  useTopOf(last)
  if (!sheet.applies)
    return (
      <SheetPage sheet="tightness">
        <Answer>
          Nothing to test: <b>{sheet.because}</b>
        </Answer>
        <CheckSheet sheet="tightness" />
      </SheetPage>
    )
  const choose = (id: string) => {
    setChosen(id)
    document.getElementById('sheet')?.scrollTo(0, 0)
  }
  const others: ReactNode = gasTests.length > 1 && (
    <GasTestList tests={gasTests} shown={shown?.id ?? ''} onShow={choose} />
  )
  if (running)
    return (
      <SheetPage sheet="tightness" findings={[]} margin={<TestLog test={running} />}>
        <RunningTest test={running} key={running.testId} />
        {others}
        <PastTests tests={tests.filter((test) => test !== running)} />
      </SheetPage>
    )
  if (!shown)
    return (
      <SheetPage sheet="tightness">
        <Answer>
          The test waits for <b>the gas supply.</b>
        </Answer>
        <VerdictLine>
          Its volume decides how small a leak the gauge can show. Design it first.
        </VerdictLine>
        <PastTests tests={tests} />
      </SheetPage>
    )
  const ended = shown.last && again !== shown.last.testId ? shown.last : undefined
  return ended ? (
    <Ended
      test={ended}
      shown={shown}
      others={others}
      onAgain={() => setAgain(ended.testId)}
      onShow={choose}
    />
  ) : (
    <SheetPage sheet="tightness">
      <Prepare test={shown.test} key={shown.id} before={waitsOn(shown, gasTests)} />
      {others}
      <HoldPoints />
      <PastTests tests={tests} />
    </SheetPage>
  )
}

/** A test that begins or ends puts another page here: its answer is at the top. */
function useTopOf(last: JudgedTest | undefined): void {
  const [testId, ended] = [last?.testId, last?.ended]
  useEffect(() => {
    document.getElementById('sheet')?.scrollTo(0, 0)
  }, [testId, ended])
}

/** A test that is over: its verdict, and what is next. */
function Ended({
  test,
  shown,
  others,
  onAgain,
  onShow,
}: {
  readonly test: JudgedTest
  readonly shown: JudgedGasTest
  readonly others: ReactNode
  readonly onAgain: () => void
  readonly onShow: (id: string) => void
}) {
  const { tests, gasTests } = useStanding().judgement
  const next = gasTests.find(
    ({ id, asked, state }) => id !== shown.id && asked && state !== 'passed',
  )
  return (
    <SheetPage sheet="tightness" findings={[]} margin={<TestLog test={test} />}>
      <TestVerdict
        test={test}
        gasTest={shown}
        onAgain={onAgain}
        next={next && { name: next.name, onPress: () => onShow(next.id) }}
      />
      {others}
      <HoldPoints />
      <CheckSheet sheet="tightness" />
      <PastTests tests={tests.filter((one) => one !== test)} />
    </SheetPage>
  )
}

/**
 * A test that is under way: of what is shown, or one that stands for nothing on this job any more
 * and must not be lost from sight.
 */
function runningTest(
  tests: readonly JudgedTest[],
  gasTests: readonly JudgedGasTest[],
  shown: JudgedGasTest | undefined,
): JudgedTest | undefined {
  if (shown?.last && !shown.last.ended) return shown.last
  return tests.findLast((test) => !test.ended && !gasTests.some(({ last }) => last === test))
}

/** The test that was chosen; else what was tested last, else the first that is asked. */
function shownTest(
  gasTests: readonly JudgedGasTest[],
  tests: readonly JudgedTest[],
  chosen: string | undefined,
): JudgedGasTest | undefined {
  const byId = gasTests.find(({ id }) => id === chosen)
  if (byId) return byId
  const running = gasTests.findLast(({ last }) => last && !last.ended)
  if (running) return running
  const latest = gasTests.find(({ last }) => last && last === tests.at(-1))
  return latest ?? gasTests.find(({ asked, state }) => asked && state !== 'passed') ?? gasTests[0]
}

/** Names of what has to pass before. */
const waitsOn = ({ test }: JudgedGasTest, all: readonly JudgedGasTest[]): readonly string[] =>
  all
    .filter(({ id, state }) => test.after.includes(id) && !['passed', 'test-point'].includes(state))
    .map(({ name }) => name)
