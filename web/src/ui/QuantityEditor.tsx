import type { Measure, SiteBasis } from '@hestian/core'
import { rangeOf } from '@hestian/core'
import { useId } from 'react'
import { FieldError, Input, Label, Radio, RadioGroup, Text, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useReadBy } from '../job/JobContext'
import { Button } from './Button'
import { Photos } from './Photos'
import type { Entry, QuantityProps } from './quantity'
import type { EntryInHand } from './useEntry'
import { useEntry } from './useEntry'

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

const fromLabels: Readonly<Record<SiteBasis, string>> = {
  measured: 'With what',
  read: 'From where',
  assumed: 'Why this value',
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
      <TextField data-from value={hand.from} onChange={hand.setFrom} maxLength={200}>
        <Label>{fromLabels[hand.basis]}</Label>
        <Input aria-describedby={hint} />
      </TextField>
    </>
  )
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
  [data-from] input {
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
