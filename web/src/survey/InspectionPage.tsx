import type { InspectionItem, InspectionVerdict } from '@hestian/core'
import { inspectionItems, inspectionWords } from '@hestian/core'
import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { useDesign, useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { CheckSheet } from '../shell/CheckSheet'
import { Answer, Prose, SectionHead, VerdictLine } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Mark } from '../ui/icons'
import { Thumb } from '../ui/Photos'
import { Contents } from '../ui/Contents'
import { NotesHere, SheetPage } from '../ui/SheetPage'
import { VerdictChip } from '../ui/VerdictChip'
import { InspectForm } from './InspectForm'
import { Toggle } from '../ui/Toggle'
import { Snags } from '../job/Snags'
import { phone } from '../ui/phone'

const marks: Readonly<Record<InspectionVerdict, 'pass' | 'fix' | 'stop' | 'not-yet'>> = {
  sound: 'pass',
  'look-again': 'fix',
  unsafe: 'stop',
  'not-inspected': 'not-yet',
}

/** What is there already, walked as an inspection. */
export function InspectionPage() {
  const { draft, solution } = useDesign()
  const { judgement, state } = useStanding()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { inspecting } = draft.document.survey
  const items = useMemo(
    () => inspectionItems(draft.document, solution.practice, show),
    [draft.document, solution.practice, show],
  )
  const [open, setOpen] = useState<string>()
  const count = (verdict: InspectionVerdict) =>
    items.filter((item) => judgement.inspected[item.id]?.body.verdict === verdict).length
  const done = items.filter((item) => judgement.inspected[item.id]).length
  const toggle = (
    <Toggle
      isSelected={inspecting}
      onChange={(on) => edit([{ path: ['survey', 'inspecting'], value: on }])}
    >
      <i />
      Something stands here already, and is inspected
    </Toggle>
  )
  if (!inspecting)
    return (
      <SheetPage sheet="inspection">
        <Answer>
          Nothing here is <b>inspected.</b>
        </Answer>
        <Prose>
          When an installation is there already, its facts are walked one by one, each held against
          its limit, with a photograph or a reason why it was not inspected.
        </Prose>
        {toggle}
        <Snags />
      </SheetPage>
    )
  const unsafe = count('unsafe')
  const areas = [...new Set(items.map((item) => item.area))]
  const next = items.find((item) => !judgement.inspected[item.id])
  return (
    <SheetPage sheet="inspection">
      <Answer>
        {unsafe > 0 ? (
          <>
            <b>{unsafe}</b> unsafe,{' '}
          </>
        ) : null}
        <b>
          {done} of {items.length}
        </b>{' '}
        inspected
        {count('look-again') > 0 && (
          <>
            , <b>{count('look-again')}</b> to look at again
          </>
        )}
        .
      </Answer>
      <VerdictLine>
        {verdictOf(unsafe, done < items.length)}
        <span>
          {count('not-inspected')} not inspected, each with its reason.{' '}
          <Report href={`/api/jobs/${state.id}/inspection.pdf`} target="_blank" rel="noreferrer">
            Print the report
          </Report>
        </span>
      </VerdictLine>
      <Contents />
      {areas.map((area) => (
        <section key={area}>
          <SectionHead>{area}</SectionHead>
          <ul>
            {items
              .filter((item) => item.area === area)
              .map((item) => (
                <Item
                  key={item.id}
                  item={item}
                  open={open === item.id}
                  toggle={() => setOpen(open === item.id ? undefined : item.id)}
                  next={next?.id === item.id}
                />
              ))}
          </ul>
        </section>
      ))}
      <Snags />
      {toggle}
      <CheckSheet sheet="inspection" />
    </SheetPage>
  )
}

function verdictOf(unsafe: number, more: boolean) {
  if (unsafe > 0) return <VerdictChip verdict="stop" word="Stop" />
  if (more) return <VerdictChip verdict="not-yet" word="Not yet" />
  return <VerdictChip verdict="pass" word="Walked" />
}

function Item({
  item,
  open,
  toggle,
  next,
}: {
  readonly item: InspectionItem
  readonly open: boolean
  readonly toggle: () => void
  readonly next: boolean
}) {
  const { judgement } = useStanding()
  const { nameOf, dates } = useReadBy()
  const seen = judgement.inspected[item.id]
  const unseen = next ? 'now' : 'not-yet'
  const ask = seen ? 'Again' : 'Inspect'
  return (
    <Row data-place={`inspection.${item.id}`} id={`row-inspection.${item.id}`}>
      <div>
        <Mark
          kind={seen ? marks[seen.body.verdict] : unseen}
          size={19}
          label={seen ? inspectionWords[seen.body.verdict] : 'not inspected yet'}
        />
        <span>
          <b>{item.name}</b>
          <small>Held against: {item.limit}</small>
          {item.found && <small>Survey: {item.found}</small>}
        </span>
        <span>
          {seen ? (
            <>
              <strong>{inspectionWords[seen.body.verdict]}</strong>
              {seen.body.because && <small>because {seen.body.because}</small>}
              {seen.body.note && seen.body.note !== item.found && <small>{seen.body.note}</small>}
              <small>
                {nameOf(seen.by)}, {dates.dayTime(seen.at)}
              </small>
            </>
          ) : (
            <small>not inspected yet</small>
          )}
          {seen?.body.photos?.map((photo) => (
            <Thumb key={photo.hash} photo={photo} />
          ))}
        </span>
        <Button look="text" onPress={toggle} aria-expanded={open}>
          {open ? 'Close' : ask}
        </Button>
      </div>
      {open && <InspectForm item={item} done={toggle} />}
      <NotesHere place={`inspection.${item.id}`} />
    </Row>
  )
}

const Report = styled.a`
  color: var(--ember-ink);
  font-weight: 650;
  text-decoration-thickness: 2px;
  text-underline-offset: 3px;
  white-space: nowrap;
`
const Row = styled.li`
  border-bottom: 0.8px solid var(--hair);
  padding: 6px 0;
  > div:first-child {
    display: grid;
    grid-template-columns: 22px minmax(0, 1.3fr) minmax(0, 1fr) 64px;
    gap: 10px;
    align-items: start;
    svg {
      margin-top: 2px;
    }
  }
  b {
    font-weight: 450;
    display: block;
  }
  strong {
    font-weight: 650;
    display: block;
  }
  small {
    display: block;
    font-size: var(--note);
    line-height: 18px;
    color: var(--ink-3);
  }
  ${phone} {
    > div:first-child {
      grid-template-columns: 22px minmax(0, 1fr) auto;
      > span:nth-of-type(2) {
        grid-column: 2;
      }
    }
  }
`
