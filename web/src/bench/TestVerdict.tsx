import type { JudgedTest } from '@hestian/core'
import { allowance_Pa, durationWords, tightnessTrace } from '@hestian/core'
import { useMemo, useState } from 'react'
import { Input, Label, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useJob } from '../job/JobContext'
import { Answer, SectionHead, VerdictLine } from '../ui/Answer'
import { Button } from '../ui/Button'
import { dayTime } from '../ui/dates'
import { DrawingView } from '../ui/DrawingView'
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
  const limit = allowance_Pa(run.plan)
  const p = (si: number) => show(si, 'gas-pressure')
  return (
    <>
      <Answer>
        {verdict.outcome === 'passed' ? (
          <>
            The pipe is <b>tight</b> as far as this test can see.
          </>
        ) : verdict.outcome === 'failed' ? (
          <>
            It <b>lost {figures ? p(figures.fall_Pa) : 'pressure'}</b> in{' '}
            {durationWords(figures?.duration_s ?? run.plan.test_s)}.
          </>
        ) : (
          <>
            The test <b>cannot tell.</b>
          </>
        )}
      </Answer>
      <VerdictLine>
        <VerdictChip verdict={chips[verdict.outcome]} word={words[verdict.outcome]} />
        <span>
          {verdict.outcome === 'cannot-tell'
            ? verdict.wouldTell
            : figures && (
                <>
                  Moved <b>{p(figures.fall_Pa)}</b> of the <b>{p(limit)}</b> that counts as none
                  {figures.tempChange_K !== undefined && (
                    <>
                      ; the pipe changed {figures.tempChange_K.toFixed(2)} K, worth{' '}
                      {p(Math.abs(figures.thermal_Pa ?? 0))}
                    </>
                  )}
                  .
                  {verdict.outcome === 'failed' && (
                    <>
                      {' '}
                      That is a leak of <b>{show(figures.leak_m3_s, 'leak-flow')}</b> of air.
                    </>
                  )}
                </>
              )}
        </span>
      </VerdictLine>
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
              <dd>{p(limit)}</dd>
            </div>
            <div>
              <dt>Smallest leak it could see</dt>
              <dd>{show(figures.smallestLeak_m3_s, 'leak-flow')}</dd>
            </div>
            <div>
              <dt>Largest that may stay hidden</dt>
              <dd>{show(run.plan.permittedLeak_m3_s, 'leak-flow')}</dd>
            </div>
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
