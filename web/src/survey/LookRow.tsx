import type { LookKey, LookQuestion } from '@hestian/core'
import { answerText, inWords, ofKind } from '@hestian/core'
import { useRef, useState } from 'react'
import { Button as AriaButton } from 'react-aria-components'
import styled from 'styled-components'
import { useDesign, useReadBy, useStanding } from '../job/JobContext'
import { Beside } from '../ui/lateEditor'
import { rowId } from '../ui/quantity'
import { NotesHere } from '../ui/SheetPage'
import { LookForm } from './LookForm'
import { phone } from '../ui/phone'

/**
 * A row of the survey that is answered by looking: the answer in ink, or in pencil while it is only
 * assumed.
 */
export function LookRow({
  question,
}: {
  readonly question: LookQuestion & { readonly key: LookKey }
}) {
  const { draft, solution } = useDesign()
  const { state } = useStanding()
  const { nameOf, dates } = useReadBy()
  const trigger = useRef<HTMLButtonElement>(null)
  const [isOpen, setOpen] = useState(false)
  const place = `survey.looked.${question.key}`
  const seen = draft.document.survey.looked[question.key]
  const record = ofKind(state.records, 'looked').findLast((one) => one.id === seen?.recordId)
  const name = inWords(question.label, solution.practice.words)
  const from = seen?.from.toLowerCase() ?? 'not looked at yet'
  const by = record && seen ? `, ${nameOf(record.by)}, ${dates.dayTime(record.at)}` : ''
  return (
    <li>
      <Row
        ref={trigger}
        data-place={place}
        id={rowId(place)}
        aria-haspopup="dialog"
        aria-expanded={isOpen}
        onPress={() => setOpen(true)}
      >
        <span>{name}</span>
        <b data-pencil={!seen || seen.basis === 'assumed' || undefined}>
          {seen ? answerText(question.key, seen.answer) : '?'}
        </b>
        <small title={seen?.note ?? ''}>
          {from}
          {by}
          {seen?.note ? `: ${seen.note}` : ''}
          {record?.body.photos
            ? `, ${record.body.photos.length} photo${record.body.photos.length > 1 ? 's' : ''}`
            : ''}
        </small>
      </Row>
      {isOpen && (
        <Beside label={name} trigger={trigger} onClose={() => setOpen(false)}>
          <LookForm question={question} done={() => setOpen(false)} />
        </Beside>
      )}
      <NotesHere place={place} />
    </li>
  )
}

const Row = styled(AriaButton)`
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 0.75fr) minmax(0, 0.8fr);
  gap: 12px;
  align-items: center;
  width: 100%;
  min-height: 35px;
  padding: 3px 0;
  background: none;
  border: 0;
  border-bottom: 0.8px solid var(--hair);
  text-align: left;
  cursor: pointer;
  b {
    justify-self: start;
    font: 650 var(--plain)/21px var(--text);
    border-bottom: 2px solid var(--ink);
  }
  b[data-pencil] {
    color: var(--pencil);
    border-bottom: 2px dashed var(--pencil);
    font-weight: 450;
  }
  small {
    font-size: var(--note);
    line-height: 17px;
    color: var(--ink-3);
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  &[data-hovered] {
    background: var(--select);
  }
  @media (pointer: coarse) {
    min-height: 48px;
  }
  ${phone} {
    grid-template-columns: minmax(0, 1fr) auto;
    min-height: 48px;
    small {
      grid-column: 1 / -1;
      margin-top: -4px;
    }
  }
`
