import { rangeOf } from '@hestian/core'
import type { RefObject } from 'react'
import { useRef, useState } from 'react'
import { Button as AriaButton } from 'react-aria-components'
import styled from 'styled-components'
import { useReadBy } from '../job/JobContext'
import { Beside, LateQuantityEditor } from './lateEditor'
import { NotesHere } from './SheetPage'
import { phone } from './phone'
import type { QuantityProps } from './quantity'
import { basisWords, rowId } from './quantity'

/**
 * A row of the ledger: label, value on its ink or pencil rule, unit, where it came from. Pressed
 * whole, it opens its editor.
 */
export function QuantityRow(props: QuantityProps) {
  const { label, place, measure, value, why, empty } = props
  const { show } = useReadBy()
  const trigger = useRef<HTMLButtonElement>(null)
  const [isOpen, setOpen] = useState(false)
  const pencil = value === null || value.basis === 'assumed'
  const span = value?.basis === 'assumed' ? rangeOf(value, measure) : undefined
  const from =
    value === null
      ? (empty ?? 'not looked at yet')
      : [
          span
            ? `assumed ${show.figure(span[0], measure)} to ${show.figure(span[1], measure)}`
            : basisWords[value.basis],
          value.from,
        ]
          .filter(Boolean)
          .join(', ')
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
        <span>{label}</span>
        <Value data-pencil={pencil || undefined} className="tnum">
          {value === null ? '?' : show.figure(value.value, measure)}
        </Value>
        <i>{show.unit(measure)}</i>
        <small title={`${from}. ${why ?? ''}`}>{from}</small>
      </Row>
      {isOpen && <Editing {...props} trigger={trigger} close={() => setOpen(false)} />}
      <NotesHere place={place} />
    </li>
  )
}

/** A value in a table cell, edited the same way. */
export function QuantityCell(props: QuantityProps) {
  const { label, place, measure, value } = props
  const { show } = useReadBy()
  const trigger = useRef<HTMLButtonElement>(null)
  const [isOpen, setOpen] = useState(false)
  const pencil = value === null || value.basis === 'assumed'
  return (
    <>
      <CellButton
        ref={trigger}
        aria-haspopup="dialog"
        aria-expanded={isOpen}
        onPress={() => setOpen(true)}
        aria-label={`${label}: ${value === null ? `? ${show.unit(measure)}, not known` : `${show.figure(value.value, measure)} ${show.unit(measure)}`}${pencil && value ? ', assumed' : ''}`}
        id={rowId(place)}
      >
        <Value data-pencil={pencil || undefined} className="tnum">
          {value === null ? '?' : show.figure(value.value, measure)}
        </Value>{' '}
        <i>{show.unit(measure)}</i>
      </CellButton>
      {isOpen && <Editing {...props} trigger={trigger} close={() => setOpen(false)} />}
    </>
  )
}

interface EditingProps extends QuantityProps {
  readonly trigger: RefObject<HTMLButtonElement | null>
  readonly close: () => void
}

const Editing = ({ trigger, ...props }: EditingProps) => (
  <Beside label={props.label} trigger={trigger} onClose={props.close}>
    <LateQuantityEditor {...props} />
  </Beside>
)

const Row = styled(AriaButton)`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 64px 50px minmax(96px, 0.62fr);
  align-items: center;
  gap: 8px;
  width: calc(100% + 12px);
  min-height: 35px;
  margin: 0 -6px;
  padding: 3px 6px;
  background: none;
  border: 0;
  border-bottom: 0.8px solid var(--hair);
  text-align: left;
  cursor: pointer;
  > i {
    font-style: normal;
    font-size: var(--small);
    white-space: nowrap;
    color: var(--ink-2);
  }
  > small {
    font-size: var(--note);
    line-height: 17px;
    color: var(--ink-3);
    overflow-wrap: anywhere;
  }
  &[data-hovered] {
    background: var(--select);
  }
  &[data-focus-visible] {
    outline-offset: -3px;
  }
  @media (pointer: coarse) {
    min-height: 48px;
  }
  ${phone} {
    grid-template-columns: minmax(0, 1fr) auto 56px;
    min-height: 48px;
    > small {
      grid-column: 1 / -1;
      margin-top: -6px;
    }
  }
`

const Value = styled.b`
  color: var(--ink);
  justify-self: end;
  font: 650 19px/22px var(--text);
  border-bottom: 2px solid var(--ink);
  padding: 0 1px;
  min-width: 24px;
  text-align: right;
  &[data-pencil] {
    color: var(--pencil);
    border-bottom: 2px dashed var(--pencil);
    font-weight: 450;
  }
`

const CellButton = styled(AriaButton)`
  background: none;
  border: 0;
  padding: 4px 2px;
  cursor: pointer;
  white-space: nowrap;
  min-height: 30px;
  text-align: right;
  b {
    font-size: var(--plain);
    line-height: 19px;
  }
  i {
    font-style: normal;
    font-size: var(--note);
    color: var(--ink-2);
  }
  &[data-hovered] {
    background: var(--select);
  }
  @media (pointer: coarse) {
    min-height: 48px;
  }
`

export const Ledger = styled.ul`
  display: grid;
`
