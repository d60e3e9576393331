import type { JudgedTest, TightnessVerdict } from '@hestian/core'
import {
  durationWords,
  figuresSentence,
  ruleSees_m3_s,
  ruleSentence,
  tightnessTrace,
} from '@hestian/core'
import { useMemo, useState } from 'react'
import { Input, Label, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useJob } from '../job/JobContext'
import { Answer, SectionHead, VerdictLine } from '../ui/Answer'
import { Button } from '../ui/Button'
import { dayTime } from '../ui/dates'
import { DrawingView } from '../ui/DrawingView'
import { Mark } from '../ui/icons'
import { VerdictChip } from '../ui/VerdictChip'
import { Trace } from './RunningTest'
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
  onAgain,
}: {
  readonly test: JudgedTest
  readonly onAgain: () => void
}) {
  const { show, nameOf, act } = useJob()
  const [what, setWhat] = useState('')
  const { verdict, run, repaired } = test
  const drawing = useMemo(
    () => tightnessTrace(run, show, { width: 810, height: 240 }, test.notes),
    [run, show, test.notes],
  )
  const figures = verdict.outcome === 'running' ? verdict.soFar : verdict.figures
  const p = (si: number) => show(si, 'gas-pressure')
  return (
    <>
      <Answer>
        <Told verdict={verdict} fell={figures && p(figures.fall_Pa)} plan={run.plan} />
      </Answer>
      <VerdictLine>
        <VerdictChip verdict={chips[verdict.outcome]} word={words[verdict.outcome]} />
        <span>
          {verdict.outcome === 'passed'
            ? 'The rule passed it, and the figures do not speak against it.'
            : 'It clears nothing.'}
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
      {figures && (
        <Figures>
          <SectionHead>
            Figures
            <small>
              {dayTime(test.at)}, {nameOf(test.by)}
            </small>
          </SectionHead>
          <dl>
            <div>
              <dt>At the start</dt>
              <dd>{p(figures.start_Pa)}</dd>
            </div>
            <div>
              <dt>At the end</dt>
              <dd>{p(figures.end_Pa)}</dd>
            </div>
            <div>
              <dt>Counts as no movement</dt>
              <dd>{p(run.plan.perceptible_Pa)}</dd>
            </div>
            <div>
              <dt>A leak that would move it so</dt>
              <dd>{show(ruleSees_m3_s(run.plan), 'leak-flow')}</dd>
            </div>
            <div>
              <dt>Largest that may stay hidden</dt>
              <dd>{show(run.plan.permittedLeak_m3_s, 'leak-flow')}</dd>
            </div>
            {figures.tempChange_K !== undefined && (
              <div>
                <dt>The pipe changed</dt>
                <dd>{show(figures.tempChange_K, 'temperature-difference', 2)}</dd>
              </div>
            )}
            <div>
              <dt>Longest gap between readings</dt>
              <dd>{durationWords(figures.longestGap_s)}</dd>
            </div>
          </dl>
          <small>
            {run.plan.methodSource.says}. Permitted leak: {run.plan.permittedLeakSource.says}.
          </small>
        </Figures>
      )}
      {repaired && (
        <p>
          <b>Repaired:</b> {repaired.what} ({nameOf(repaired.by)}, {dayTime(repaired.at)})
        </p>
      )}
      <Next
        onSubmit={(event) => {
          event.preventDefault()
          if (what.trim().length >= 3)
            void act(`/tests/${test.testId}/repair`, { what: what.trim() })
        }}
      >
        {verdict.outcome === 'failed' && !repaired ? (
          <>
            <TextField value={what} onChange={setWhat} maxLength={400}>
              <Label>Repaired: what was done</Label>
              <Input placeholder="olive at joint 7 remade, soaped: dry" />
            </TextField>
            <Button
              type="submit"
              look={what.trim().length >= 3 ? 'go' : 'wait'}
              isDisabled={what.trim().length < 3}
            >
              {what.trim().length >= 3
                ? 'Record the repair'
                : 'Record the repair: say what was done'}
            </Button>
          </>
        ) : verdict.outcome !== 'passed' ? (
          <Button look="go" onPress={onAgain}>
            Test again
          </Button>
        ) : (
          <Button look="text" onPress={onAgain}>
            Test again
          </Button>
        )}
      </Next>
    </>
  )
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
  if (verdict.outcome === 'passed')
    return (
      <>
        The pipe is <b>tight</b> as far as this test can see.
      </>
    )
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
const Figures = styled.section`
  dl {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0 28px;
  }
  dl div {
    display: flex;
    justify-content: space-between;
    border-bottom: 0.8px solid var(--hair);
    min-height: 32px;
    align-items: center;
    font-size: var(--small);
  }
  dd {
    font-weight: 650;
    font-feature-settings: 'tnum';
  }
  > small {
    font-size: var(--note);
    color: var(--ink-3);
  }
  ${phone} {
    dl {
      grid-template-columns: 1fr;
    }
  }
`
const Next = styled.form`
  display: flex;
  gap: 16px;
  align-items: flex-end;
  margin-top: 14px;
  flex-wrap: wrap;
  > div {
    flex: 1;
    min-width: 240px;
  }
  label {
    display: block;
    font-size: var(--small);
    color: var(--ink-2);
  }
  input {
    width: 100%;
    min-height: 48px;
    background: transparent;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    padding: 4px;
    font-size: var(--large);
  }
`
