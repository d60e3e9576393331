import type { JudgedGasTest, JudgedTest, TightnessVerdict } from '@hestian/core'
import { durationWords, figuresSentence, ruleSentence, tightnessTrace } from '@hestian/core'
import { useMemo } from 'react'
import styled from 'styled-components'
import { useReadBy } from '../job/JobContext'
import { Answer, VerdictLine } from '../ui/Answer'
import { DrawingView } from '../ui/DrawingView'
import { Mark } from '../ui/icons'
import { VerdictChip } from '../ui/VerdictChip'
import { AfterTest } from './AfterTest'
import { Trace } from './RunningTest'
import { TestFigures } from './TestFigures'
import { phone } from '../ui/phone'

const words = {
  passed: 'Passed',
  failed: 'Failed',
  'cannot-tell': 'Cannot tell',
  running: 'Running',
} as const
const chips = { passed: 'pass', failed: 'stop', 'cannot-tell': 'fix', running: 'not-yet' } as const

/** A finished test: the verdict with its reason and figures, and the way on from it. */
export function TestVerdict({
  test,
  gasTest,
  onAgain,
  next,
}: {
  readonly test: JudgedTest
  /** The test of the job it was; undefined where the job asks for no such test any more. */
  readonly gasTest: JudgedGasTest | undefined
  readonly onAgain: () => void
  readonly next: { readonly name: string; readonly onPress: () => void } | undefined
}) {
  const { show, nameOf, dates } = useReadBy()
  const { verdict, run, repaired } = test
  const name = test.begun.name === 'Tightness' ? undefined : test.begun.name
  const drawing = useMemo(
    () => tightnessTrace(run, show, { width: 810, height: 240 }, test.notes),
    [run, show, test.notes],
  )
  const figures = verdict.outcome === 'running' ? verdict.soFar : verdict.figures
  const p = (si: number) => show(si, 'gas-pressure')
  return (
    <>
      <Answer>
        {verdict.outcome === 'passed' ? (
          <Passed gasTest={gasTest} />
        ) : (
          <Told verdict={verdict} fell={figures && p(figures.fall_Pa)} plan={run.plan} />
        )}
      </Answer>
      <VerdictLine>
        <VerdictChip {...chipOf(verdict, gasTest)} />
        <span>
          {name && <b>{name}. </b>}
          {verdict.outcome === 'passed'
            ? 'The rule passed it, and the figures do not speak against it.'
            : 'It clears nothing.'}
          {verdict.outcome === 'passed' && gasTest && gasTest.state !== 'passed'
            ? ' It clears nothing yet.'
            : ''}
        </span>
      </VerdictLine>
      {verdict.outcome !== 'running' && (
        <Two>
          <Statement
            by="By the rule"
            outcome={verdict.rule.outcome}
            says={ruleSentence(verdict.rule, figures, run.plan, show)}
          />
          <Statement
            by="By the figures"
            outcome={verdict.byFigures.outcome}
            says={figuresSentence(verdict.byFigures, run.plan, show)}
          />
        </Two>
      )}
      <Trace role="region" tabIndex={0} aria-label="Strip chart">
        <DrawingView drawing={drawing} />
      </Trace>
      <TestFigures test={test} />
      {repaired && (
        <p>
          <b>Repaired:</b> {repaired.what} ({nameOf(repaired.by)}, {dates.dayTime(repaired.at)})
        </p>
      )}
      <AfterTest test={test} gasTest={gasTest} onAgain={onAgain} next={next} />
    </>
  )
}

/** A test that passed: what that is worth, on the pipes as they are now. */
function Passed({ gasTest }: { readonly gasTest: JudgedGasTest | undefined }) {
  switch (gasTest?.state) {
    case 'changed':
      return (
        <>
          The pipes were <b>changed since it passed:</b> test them as they are now.
        </>
      )
    case 'bubbles':
      return (
        <>
          It held, but <b>a joint bubbles:</b> that is a leak.
        </>
      )
    case 'repaired':
      return (
        <>
          Something was <b>repaired since it passed:</b> test it again.
        </>
      )
    case 'test-point':
      return (
        <>
          {kept(gasTest)}; last comes <b>the test point.</b>
        </>
      )
    default:
      return <>{kept(gasTest)} as far as this test can see.</>
  }
}

/** What it means that a kind of test passed. */
function kept(gasTest: JudgedGasTest | undefined) {
  if (gasTest?.test.kind === 'strength')
    return (
      <>
        The pipe <b>stood the pressure</b>
      </>
    )
  if (gasTest?.test.kind === 'existing')
    return (
      <>
        It fell <b>no more than is permitted</b>
      </>
    )
  return (
    <>
      The pipe is <b>tight</b>
    </>
  )
}

function chipOf(
  { outcome }: TightnessVerdict,
  gasTest: JudgedGasTest | undefined,
): { readonly verdict: 'pass' | 'stop' | 'fix' | 'not-yet'; readonly word: string } {
  if (outcome !== 'passed' || !gasTest) return { verdict: chips[outcome], word: words[outcome] }
  if (gasTest.state === 'bubbles') return { verdict: 'stop', word: 'It leaks' }
  if (gasTest.state === 'test-point') return { verdict: 'not-yet', word: 'One step left' }
  return gasTest.state === 'passed'
    ? { verdict: 'pass', word: words.passed }
    : { verdict: 'fix', word: 'Test again' }
}

/** The answer in a line: what happened, whichever statement says it. */
function Told({
  verdict,
  fell,
  plan,
}: {
  readonly verdict: TightnessVerdict
  readonly fell: string | undefined
  readonly plan: JudgedTest['run']['plan']
}) {
  if (verdict.outcome !== 'failed')
    return (
      <>
        The test <b>cannot tell.</b>
      </>
    )
  if (verdict.rule.outcome === 'passed')
    return (
      <>
        The rule passes it, but the figures show <b>a leak above the permitted one.</b>
      </>
    )
  if (verdict.rule.because === 'would-not-hold')
    return (
      <>
        It <b>would not hold:</b> it lost pressure while it settled, twice.
      </>
    )
  const duration_s = verdict.figures?.duration_s ?? plan.test_s
  return (
    <>
      It <b>lost {fell ?? 'pressure'}</b> in {durationWords(duration_s)}.
    </>
  )
}

/** One of the two statements, with its mark. */
function Statement({
  by,
  outcome,
  says,
}: {
  readonly by: string
  readonly outcome: 'passed' | 'failed' | 'cannot-tell'
  readonly says: string
}) {
  return (
    <section>
      <h3>
        <Mark kind={chips[outcome]} size={18} label={words[outcome]} /> {by}:{' '}
        {words[outcome].toLowerCase()}
      </h3>
      <p>{says}</p>
    </section>
  )
}

const Two = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 28px;
  margin: 12px 0;
  section {
    border-top: 1.5px solid var(--ink);
    padding: 8px 0;
  }
  h3 {
    display: flex;
    gap: 8px;
    align-items: center;
    font-size: var(--plain);
    font-weight: 700;
  }
  p {
    font-size: var(--small);
    color: var(--ink-2);
  }
  ${phone} {
    grid-template-columns: 1fr;
  }
`
