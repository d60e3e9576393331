import { useEffect, useState } from 'react'
import { useJob } from '../job/JobContext'
import { CheckSheet } from '../shell/CheckSheet'
import { Answer, VerdictLine } from '../ui/Answer'
import { SheetPage } from '../ui/SheetPage'
import { PastTests } from './PastTests'
import { Prepare } from './Prepare'
import { RunningTest } from './RunningTest'
import { TestLog } from './TestLog'
import { TestVerdict } from './TestVerdict'

/** The test bench: prepare, run, verdict, repair, again. */
export function TightnessPage() {
  const { solution, judgement } = useJob()
  const [again, setAgain] = useState<string>()
  const sheet = solution.tightness
  const last = judgement.tests[judgement.tests.length - 1]
  // A test that begins or ends puts another page here: its answer is at the top.
  useEffect(() => {
    document.getElementById('sheet')?.scrollTo(0, 0)
  }, [last?.testId, last?.ended])
  if (!sheet.applies)
    return (
      <SheetPage sheet="tightness">
        <Answer>
          Nothing to test: <b>{sheet.because}</b>
        </Answer>
        <CheckSheet sheet="tightness" />
      </SheetPage>
    )
  if (!sheet.answer)
    return (
      <SheetPage sheet="tightness">
        <Answer>
          The test waits for <b>the gas supply.</b>
        </Answer>
        <VerdictLine>
          Its volume decides how small a leak the gauge can show. Design it first.
        </VerdictLine>
      </SheetPage>
    )
  const running = last && !last.ended ? last : undefined
  if (running)
    return (
      <SheetPage sheet="tightness" findings={[]} margin={<TestLog test={running} />}>
        <RunningTest test={running} />
        <PastTests tests={judgement.tests.slice(0, -1)} />
      </SheetPage>
    )
  if (last && again !== last.testId) {
    return (
      <SheetPage sheet="tightness" findings={[]} margin={<TestLog test={last} />}>
        <TestVerdict test={last} onAgain={() => setAgain(last.testId)} />
        <CheckSheet sheet="tightness" />
        <PastTests tests={judgement.tests.slice(0, -1)} />
      </SheetPage>
    )
  }
  return (
    <SheetPage sheet="tightness">
      <Prepare design={sheet.answer} />
      <PastTests tests={judgement.tests} />
    </SheetPage>
  )
}
