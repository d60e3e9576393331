import type { JudgedHandTest } from '@hestian/core'
import { handTestName, handTestPlace, judgeHandTests, setAside } from '@hestian/core'
import { useDeferredValue, useEffect, useMemo, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import styled from 'styled-components'
import { HoldPoints } from '../job/HoldPoints'
import { useDesign, useReadBy, useStanding } from '../job/JobContext'
import { CheckSheet } from '../shell/CheckSheet'
import { Answer, SectionHead, VerdictLine } from '../ui/Answer'
import { Button } from '../ui/Button'
import { DoneHead, DoneRow } from '../ui/DoneRow'
import { Mark } from '../ui/icons'
import { SheetPage } from '../ui/SheetPage'
import { VerdictChip } from '../ui/VerdictChip'
import { FoundView, marks } from './FoundView'
import { HandTestForm } from './HandTestForm'
import { Strip } from './Strip'

/**
 * What is tested with a gauge and a clock in hand: pipes with water, each burner, the worst outlet;
 * the figures that follow stand beside each.
 */
export function HandTestsPage() {
  const { solution } = useDesign()
  const { state } = useStanding()
  const { show } = useReadBy()
  const [params] = useSearchParams()
  const [open, setOpen] = useState<string | undefined>(params.get('open') ?? undefined)
  const from = params.get('from')
  useShown(params.get('open'))
  const readings = useMemo(
    () => judgeHandTests(solution.document, solution.practice, state.records, show),
    [solution.document, solution.practice, state.records, show],
  )
  const targets = [...new Map(readings.map(({ target }) => [target.id, target])).values()]
  return (
    <SheetPage sheet="by-hand">
      <Head readings={readings.filter(({ kind, last }) => !kind.offered || last)} />
      {from && (
        <BackToStep
          to={`/jobs/${state.id}/steps?${new URLSearchParams({ step: from }).toString()}`}
        >
          Back to the step that waits for it
        </BackToStep>
      )}
      {targets.map((target) => (
        <section key={target.id}>
          <SectionHead>{target.name || 'Pipes and outlets'}</SectionHead>
          <ul>
            {readings
              .filter((one) => one.target.id === target.id)
              .map((one) => (
                <Reading
                  key={one.kind.id}
                  reading={one}
                  isOpen={open === handTestPlace(one)}
                  onOpen={() => setOpen(handTestPlace(one))}
                  onDone={() => setOpen(undefined)}
                />
              ))}
          </ul>
        </section>
      ))}
      <HoldPoints />
      <Aside />
      <CheckSheet sheet="by-hand" />
    </SheetPage>
  )
}

/** Brings the test that a step asked for into sight. */
function useShown(place: string | null): void {
  // Drawn with what a sheet draws after its answer.
  const isThere = useDeferredValue(true, false)
  useEffect(() => {
    if (place === null || !isThere) return
    document.querySelector(`[data-place="${CSS.escape(place)}"]`)?.scrollIntoView()
  }, [place, isThere])
}

/** What was tested at an appliance that is no longer here. */
function Aside() {
  const { solution } = useDesign()
  const { state } = useStanding()
  const { nameOf, dates } = useReadBy()
  const aside = setAside(solution.document, solution.practice, state.records)
  if (aside.length === 0) return null
  return (
    <section>
      <SectionHead>
        Of what is no longer here<small>kept, held against nothing</small>
      </SectionHead>
      <ul>
        {aside.map(({ recordId, name, typed, at, by }) => (
          <DoneRow key={recordId}>
            <Mark kind="note" size={22} />
            <div>
              <b>{name}</b>
              <small>
                {typed.join(', ')}. {nameOf(by)}, {dates.dayTime(at)}
              </small>
            </div>
          </DoneRow>
        ))}
      </ul>
    </section>
  )
}

function Head({ readings }: { readonly readings: readonly JudgedHandTest[] }) {
  const { solution } = useDesign()
  const wrong = readings.filter(({ last }) => last?.found.outcome === 'failed')
  const stop = wrong.find(({ last }) => last?.found.severity === 'stop')
  const done = readings.filter(({ last }) => last).length
  const unclear = readings.some(({ last }) => last?.found.outcome === 'cannot-tell')
  if (stop)
    return (
      <>
        <Answer>
          <b>Off until it is put right:</b> {handTestName(stop, solution.practice)}.
        </Answer>
        <VerdictLine>
          <VerdictChip verdict="stop" word="Stop" />
          <span>{stop.last?.found.says}</span>
        </VerdictLine>
      </>
    )
  const all = done === readings.length && !unclear
  return (
    <>
      <Answer>
        {wrong.length > 0 ? (
          <>
            <b>{wrong.length} to put right</b>; {done} of {readings.length} read.
          </>
        ) : (
          <>
            <b>
              {done} of {readings.length}
            </b>{' '}
            read.
          </>
        )}
      </Answer>
      <VerdictLine>
        <VerdictChip {...chipOf(wrong.length > 0, all)} />
        <span>
          Type what the instrument shows, in any unit. The last reading counts, earlier ones stay.
        </span>
      </VerdictLine>
    </>
  )
}

function chipOf(isWrong: boolean, isDone: boolean) {
  if (isWrong) return { verdict: 'fix', word: 'Look again' } as const
  return isDone
    ? ({ verdict: 'pass', word: 'Read' } as const)
    : ({ verdict: 'not-yet', word: 'Not yet' } as const)
}

interface ReadingProps {
  readonly reading: JudgedHandTest
  readonly isOpen: boolean
  readonly onOpen: () => void
  readonly onDone: () => void
}

function Reading({ reading, isOpen, onOpen, onDone }: ReadingProps) {
  const { solution } = useDesign()
  const { frozen } = useStanding()
  const { kind, last } = reading
  const name = handTestName({ kind, target: { id: '', name: '' } }, solution.practice)
  return (
    <DoneRow data-place={handTestPlace(reading)} data-open={isOpen || undefined}>
      <Mark kind={last ? marks[last.found.outcome] : 'not-yet'} size={22} />
      <div>
        <DoneHead>
          <b>{name}</b>
          {!isOpen && !frozen && (
            <Button
              look="text"
              onPress={onOpen}
              aria-label={`${last ? 'Read again' : 'Read'}: ${handTestName(reading, solution.practice)}`}
            >
              {last ? 'Again' : 'Read'}
            </Button>
          )}
        </DoneHead>
        {!isOpen && <LastRead reading={reading} />}
        {isOpen && !frozen && (
          <>
            <p>{kind.why}</p>
            <HandTestForm reading={reading} onDone={onDone} />
          </>
        )}
      </div>
    </DoneRow>
  )
}

/** What was read last, what it comes to, and who read it. */
function LastRead({ reading: { kind, last, before } }: { readonly reading: JudgedHandTest }) {
  const { state } = useStanding()
  const { nameOf, dates } = useReadBy()
  if (!last) return kind.offered ? <small>Where it is called for.</small> : null
  return (
    <>
      <FoundView found={last.found} />
      {last.series && <Strip kind={kind} series={last.series} />}
      <small>
        {last.instrument && `${last.instrument}. `}
        {nameOf(last.by)}, {dates.dayTime(last.at)}
        {before > 0 && `; read ${before === 1 ? 'once' : `${before} times`} before`}
        {', '}
        <a
          href={`/api/jobs/${state.id}/hand-tests/${last.recordId}/certificate.pdf`}
          target="_blank"
          rel="noreferrer"
        >
          certificate (PDF)
        </a>
      </small>
    </>
  )
}

const BackToStep = styled(Link)`
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  color: var(--ember-ink);
  font: 650 var(--plain)/20px var(--text);
  text-decoration: underline;
  text-decoration-thickness: 2px;
  text-underline-offset: 3px;
`
