import type { Evidence, Known, Measure, SiteBasis } from '@hestian/core'
import { parseQuantity, rangeOf } from '@hestian/core'
import { useId, useState } from 'react'
import {
  Button as AriaButton,
  Dialog,
  DialogTrigger,
  FieldError,
  Input,
  Label,
  Popover,
  Radio,
  RadioGroup,
  Text,
  TextField,
} from 'react-aria-components'
import styled from 'styled-components'
import { useDesign, useReadBy } from '../job/JobContext'
import { Button } from './Button'
import { Photos } from './Photos'
import { NotesHere } from './SheetPage'
import { phone } from './phone'

export interface Entry {
  readonly si: number
  readonly typed: string
  readonly basis: SiteBasis
  readonly from: string
  /** Range of an assumption, SI. */
  readonly between?: readonly [number, number]
  readonly photos: readonly Evidence[]
}

/** An entry as the document holds it. */
export const knownOf = ({ si, basis, from, between }: Entry, recordId?: string): Known => ({
  value: si,
  basis,
  from,
  ...(recordId ? { recordId } : {}),
  ...(basis === 'assumed' && between ? { between: [between[0], between[1]] } : {}),
})

export interface QuantityProps {
  readonly label: string
  readonly place: string
  readonly measure: Measure
  readonly value: Known
  readonly onUse: (entry: Entry) => void
  readonly onClear?: () => void
  /** Keeps a reading without writing it into the design. */
  readonly onRecordOnly?: (entry: Entry) => void
  readonly why?: string
  readonly how?: string
  /** A photograph may be taken with the reading. */
  readonly photos?: boolean
  /** What stands in place of a value that is not there yet. */
  readonly empty?: string
}

/**
 * A row of the ledger: label, value on its ink or pencil rule, unit, where it came from. Pressed
 * whole, it opens its editor.
 */
export function QuantityRow(props: QuantityProps) {
  const { label, place, measure, value, why, empty } = props
  const { show } = useReadBy()
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
      <DialogTrigger>
        <Row data-place={place} id={rowId(place)}>
          <span>{label}</span>
          <Value data-pencil={pencil || undefined} className="tnum">
            {value === null ? '?' : show.figure(value.value, measure)}
          </Value>
          <i>{show.unit(measure)}</i>
          <small title={`${from}. ${why ?? ''}`}>{from}</small>
        </Row>
        <Pop placement="bottom end" offset={2}>
          <Dialog aria-label={label}>
            {({ close }) => <QuantityEditor {...props} close={close} />}
          </Dialog>
        </Pop>
      </DialogTrigger>
      <NotesHere place={place} />
    </li>
  )
}

export const rowId = (place: string) => `row-${place}`
export const basisWords: Readonly<Record<SiteBasis, string>> = {
  measured: 'measured',
  read: 'read',
  assumed: 'assumed',
}

/** A value in a table cell, edited the same way. */
export function QuantityCell(props: QuantityProps) {
  const { label, place, measure, value } = props
  const { show } = useReadBy()
  const pencil = value === null || value.basis === 'assumed'
  return (
    <DialogTrigger>
      <CellButton
        aria-label={`${label}: ${value === null ? `? ${show.unit(measure)}, not known` : `${show.figure(value.value, measure)} ${show.unit(measure)}`}${pencil && value ? ', assumed' : ''}`}
        id={rowId(place)}
      >
        <Value data-pencil={pencil || undefined} className="tnum">
          {value === null ? '?' : show.figure(value.value, measure)}
        </Value>{' '}
        <i>{show.unit(measure)}</i>
      </CellButton>
      <Pop placement="bottom end" offset={2}>
        <Dialog aria-label={label}>
          {({ close }) => <QuantityEditor {...props} close={close} />}
        </Dialog>
      </Pop>
    </DialogTrigger>
  )
}

/** What was typed and not used yet survives a reload of the page. */
function useTyped(
  key: string,
  initial: string,
): readonly [string, (text: string) => void, () => void] {
  const stored = `typed:${location.pathname}:${key}`
  const [text, setText] = useState(() => {
    try {
      return sessionStorage.getItem(stored) ?? initial
    } catch {
      return initial
    }
  })
  const write = (next: string) => {
    setText(next)
    try {
      if (next === initial) sessionStorage.removeItem(stored)
      else sessionStorage.setItem(stored, next.slice(0, 4000))
    } catch {
      /* kept in memory only */
    }
  }
  return [
    text,
    write,
    () => {
      try {
        sessionStorage.removeItem(stored)
      } catch {
        /* nothing was stored */
      }
    },
  ]
}

const fromLabels: Readonly<Record<SiteBasis, string>> = {
  measured: 'With what',
  read: 'From where',
  assumed: 'Why this value',
}

/** What is wrong with the ends of an assumption's range; both left out is a range too. */
function rangeRefused(
  ends: readonly (ReturnType<typeof parseQuantity> | undefined)[],
): string | undefined {
  if (ends.every((end) => end === undefined)) return undefined
  const [from, to] = ends
  if (from?.outcome !== 'understood' || to?.outcome !== 'understood')
    return 'Give both ends, each with its unit, or leave both out.'
  return from.si > to.si ? 'The lower end comes first.' : undefined
}

interface RangeFieldProps {
  readonly range: readonly [string, string]
  readonly onChange: (range: readonly [string, string]) => void
  /** What was assumed, SI: the usual range about it stands where none is typed. */
  readonly si: number | undefined
  readonly measure: Measure
  readonly says: string | undefined
}

function RangeField({ range, onChange, si, measure, says }: RangeFieldProps) {
  const { show } = useReadBy()
  const usual =
    si === undefined ? undefined : rangeOf({ value: si, basis: 'assumed', from: '' }, measure)
  return (
    <Between>
      <span>Between</span>
      <input
        aria-label="Lowest it may be"
        value={range[0]}
        placeholder={usual ? show(usual[0], measure) : ''}
        onChange={(event) => onChange([event.target.value, range[1]])}
      />
      <span>and</span>
      <input
        aria-label="Highest it may be"
        value={range[1]}
        placeholder={usual ? show(usual[1], measure) : ''}
        onChange={(event) => onChange([range[0], event.target.value])}
      />
      {says && <small role="alert">{says}</small>}
    </Between>
  )
}

/** What is typed into the editor of a quantity, and what is made of it. */
function useEntry({
  place,
  measure,
  value,
  how,
}: Pick<QuantityProps, 'place' | 'measure' | 'value' | 'how'>) {
  const { solution } = useDesign()
  const { show } = useReadBy()
  const text = (si: number) => show(si, measure)
  const [typed, setTyped, forget] = useTyped(place, value === null ? '' : text(value.value))
  const [basis, setBasis] = useState<SiteBasis>(value?.basis ?? 'measured')
  const [from, setFrom] = useState(value?.from ?? how ?? '')
  const [confirmed, setConfirmed] = useState<string>()
  const [tried, setTried] = useState(false)
  const [range, setRange] = useState<readonly [string, string]>(
    value?.between ? [text(value.between[0]), text(value.between[1])] : ['', ''],
  )
  const [photos, setPhotos] = useState<readonly Evidence[]>([])
  const units = solution.practice.units[measure]
  const ends = range.map((end) =>
    end.trim() === '' ? undefined : parseQuantity(end, measure, units),
  )
  const between = ends.flatMap((end) => (end?.outcome === 'understood' ? [end.si] : []))
  const rangeSays = basis === 'assumed' ? rangeRefused(ends) : undefined
  const parsed = parseQuantity(typed, measure, units)
  const understood = parsed.outcome === 'understood' ? parsed : undefined
  const asks = confirmed === typed ? undefined : understood?.question
  /** What it comes to; undefined while something about it is not settled, which is then said. */
  const entry = (): Entry | undefined => {
    setTried(true)
    if (!understood || asks || rangeSays) return undefined
    const [low, high] = between
    return {
      si: understood.si,
      typed: typed.slice(0, 80),
      basis,
      from: from.slice(0, 200),
      photos,
      ...(low !== undefined && high !== undefined ? { between: [low, high] } : {}),
    }
  }
  return {
    typed,
    type: setTyped,
    forget,
    basis,
    setBasis,
    from,
    setFrom,
    range,
    setRange,
    rangeSays,
    photos,
    setPhotos,
    parsed,
    si: understood?.si,
    /** A question about a value that hardly anybody means; gone once it is confirmed. */
    asks,
    confirm: () => setConfirmed(typed),
    error: errorOf(parsed, tried || typed.length > 0),
    entry,
  }
}

type EntryInHand = ReturnType<typeof useEntry>

function errorOf(parsed: ReturnType<typeof parseQuantity>, touched: boolean): string | undefined {
  if (parsed.outcome === 'ambiguous') return parsed.says
  return parsed.outcome === 'refused' && touched ? parsed.says : undefined
}

/** The editor by itself, for a page that asks one thing at a time. */
export function QuantityEditor({
  label,
  place,
  measure,
  value,
  onUse,
  onClear,
  onRecordOnly,
  why,
  how,
  photos: withPhotos,
  close,
}: QuantityProps & { readonly close: () => void }) {
  const hint = useId()
  const hand = useEntry({ place, measure, value, ...(how === undefined ? {} : { how }) })
  const end = () => {
    hand.forget()
    close()
  }
  const finish = (then: (entry: Entry) => void) => {
    const entry = hand.entry()
    if (!entry) return
    then(entry)
    end()
  }
  const seen = hand.basis !== 'assumed'
  return (
    <Editor
      onSubmit={(event) => {
        event.preventDefault()
        finish(onUse)
      }}
    >
      <TypedField label={label} measure={measure} hand={hand} />
      <HowKnown hand={hand} hint={hint} />
      {!seen && (
        <RangeField
          range={hand.range}
          onChange={hand.setRange}
          si={hand.si}
          measure={measure}
          says={hand.rangeSays}
        />
      )}
      {withPhotos && seen && (
        <Photos
          label="Photograph of the reading"
          photos={hand.photos}
          onChange={hand.setPhotos}
          most={4}
        />
      )}
      {why && <p id={hint}>{why}</p>}
      <Actions>
        <Button type="submit" look="go">
          Use it
        </Button>
        {onRecordOnly && seen && <Button onPress={() => finish(onRecordOnly)}>Record only</Button>}
        {onClear && value !== null && (
          <Button
            look="text"
            onPress={() => {
              onClear()
              end()
            }}
          >
            Take it out
          </Button>
        )}
      </Actions>
    </Editor>
  )
}

/** The value as it is typed, with what was understood of it, and what has to be settled first. */
function TypedField({
  label,
  measure,
  hand: { typed, type, error, parsed, asks, confirm },
}: {
  readonly label: string
  readonly measure: Measure
  readonly hand: EntryInHand
}) {
  const { show } = useReadBy()
  return (
    <>
      <TextField
        value={typed}
        onChange={type}
        isInvalid={error !== undefined}
        autoFocus
        validationBehavior="aria"
      >
        <Label>{label}</Label>
        <Input
          placeholder={show.unit(measure)}
          inputMode="text"
          autoComplete="off"
          onFocus={(event) => event.currentTarget.select()}
        />
        {error === undefined && (
          <Text slot="description">
            {parsed.outcome === 'understood'
              ? `Understood: ${parsed.echo}`
              : 'Any unit, comma or point: 12 psi, 0,83 bar, 7 in wc, 24 ft, 120 F.'}
          </Text>
        )}
        <FieldError>{error}</FieldError>
      </TextField>
      {parsed.outcome === 'ambiguous' && (
        <Choices>
          {parsed.readings.map(({ text }) => (
            <Button key={text} onPress={() => type(text.replace(',', ''))}>
              {text}
            </Button>
          ))}
        </Choices>
      )}
      {asks && (
        <Question role="alert">
          <span>{asks}</span>
          <Button onPress={confirm}>Yes, keep it</Button>
        </Question>
      )}
    </>
  )
}

function HowKnown({ hand, hint }: { readonly hand: EntryInHand; readonly hint: string }) {
  return (
    <>
      <RadioGroup
        value={hand.basis}
        onChange={(next) => hand.setBasis(next as SiteBasis)}
        orientation="horizontal"
      >
        <Label>How is it known?</Label>
        <div>
          <Radio value="measured">Measured</Radio>
          <Radio value="read">Read</Radio>
          <Radio value="assumed">Assumed</Radio>
        </div>
      </RadioGroup>
      <TextField value={hand.from} onChange={hand.setFrom} maxLength={200}>
        <Label>{fromLabels[hand.basis]}</Label>
        <Input aria-describedby={hint} />
      </TextField>
    </>
  )
}

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
const Pop = styled(Popover)`
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  width: min(420px, calc(100vw - 16px));
  padding: 16px;
  max-height: 90vh;
  overflow: auto;
`
const Editor = styled.form`
  display: grid;
  gap: 12px;
  label {
    display: block;
    font: 650 var(--small)/20px var(--head);
    margin-bottom: 4px;
  }
  input:focus-visible {
    outline-offset: -1px;
  }
  input:not([type='radio']) {
    width: 100%;
    min-height: 48px;
    font: 650 var(--head-2)/28px var(--text);
    background: var(--paper);
    border: 0;
    border-bottom: 2px solid var(--ink);
    padding: 4px 8px;
  }
  [role='radiogroup'] > div {
    display: flex;
    gap: 4px;
  }
  [role='radiogroup'] + * input {
    font-size: var(--plain);
    font-weight: 400;
    min-height: 40px;
  }
  [role='radiogroup'] label {
    border: 1.5px solid var(--rule);
    padding: 10px 12px;
    flex: 1;
    text-align: center;
    cursor: pointer;
    font-weight: 450;
  }
  [role='radiogroup'] label[data-selected] {
    border-color: var(--ink);
    background: var(--select);
    font-weight: 650;
  }
  [slot='description'] {
    display: block;
    color: var(--ink-2);
    font-size: var(--small);
    margin-top: 4px;
    min-height: 20px;
  }
  [slot='errorMessage'],
  .react-aria-FieldError {
    display: block;
    color: var(--stop);
    font-size: var(--small);
    line-height: 19px;
    margin-top: 4px;
    overflow-wrap: anywhere;
  }
  p {
    font-size: var(--note);
    line-height: 18px;
    color: var(--ink-3);
  }
`
const Between = styled.div`
  display: grid;
  grid-template-columns: auto 1fr auto 1fr;
  gap: 8px;
  align-items: center;
  font-size: var(--small);
  color: var(--ink-2);
  && input {
    font-size: var(--plain);
    font-weight: 400;
    min-height: 40px;
    border-bottom: 2px dashed var(--pencil);
    min-width: 0;
  }
  small {
    grid-column: 1 / -1;
    color: var(--stop);
    font-size: var(--small);
  }
`
const Choices = styled.div`
  display: flex;
  gap: 8px;
`
const Question = styled.div`
  display: grid;
  gap: 8px;
  background: var(--look-wash);
  padding: 10px;
  font-size: var(--small);
  line-height: 19px;
`
/** In sight wherever the editor is longer than the room there is for it. */
const Actions = styled.div`
  position: sticky;
  bottom: -16px;
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
  margin: 0 -16px -16px;
  padding: 8px 16px 16px;
  background: var(--sheet);
`

export const Ledger = styled.ul`
  display: grid;
`
export { Pop as EditorPopover }
