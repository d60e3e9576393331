import type { Instrument } from '@hestian/core'
import { instrumentKinds, parseQuantity } from '@hestian/core'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Input, Label, Text, TextField } from 'react-aria-components'
import { z } from 'zod'
import { ApiError, call, newId } from '../api/client'
import { Button } from '../ui/Button'
import { DoneForm } from '../ui/DoneRow'
import { Choice } from '../ui/Choice'
import { kindWords } from './instrumentSays'

const kinds = instrumentKinds.map((id) => ({ id, text: kindWords[id] }))

interface Typed {
  readonly name: string
  readonly serial: string
  readonly kind: Instrument['kind']
  readonly step: string
  readonly most: string
  readonly accuracy: string
  readonly until: string
  readonly retired: boolean
}

const inMbar = (pressure_Pa: number | null): string =>
  pressure_Pa ? `${pressure_Pa / 100} mbar` : ''

const blank: Typed = {
  name: '',
  serial: '',
  kind: 'digital',
  step: '',
  most: '',
  accuracy: '',
  until: '',
  retired: false,
}

const typedOf = (instrument: Instrument | undefined): Typed =>
  instrument
    ? {
        name: instrument.name,
        serial: instrument.serial,
        kind: instrument.kind,
        step: inMbar(instrument.step_Pa),
        most: inMbar(instrument.most_Pa),
        accuracy: instrument.accuracy,
        until: instrument.calibratedUntil ?? '',
        retired: instrument.retired,
      }
    : blank

/** What a pressure was understood as; null for nothing typed, a sentence for what is none. */
function pressureOf(text: string): { readonly si: number | null } | { readonly says: string } {
  if (text.trim() === '') return { si: null }
  const parsed = parseQuantity(text, 'gas-pressure', 'mbar')
  if (parsed.outcome !== 'understood') return { says: parsed.says }
  return parsed.si > 0 ? { si: parsed.si } : { says: 'More than nothing.' }
}

/** What is typed as the gauge it is, or the first thing wrong with it. */
function readInstrument(id: string, typed: Typed): Instrument | string {
  const [step, most] = [pressureOf(typed.step), pressureOf(typed.most)]
  if (typed.name.trim() === '') return 'The gauge needs a name.'
  if ('says' in step) return `Smallest step: ${step.says}`
  if ('says' in most) return `The most it reads: ${most.says}`
  if (step.si !== null && most.si !== null && step.si >= most.si)
    return 'The smallest step must be less than the most it reads.'
  if (typed.until !== '' && !z.iso.date().safeParse(typed.until).success)
    return 'Calibrated until: a day, as in 2027-03-01.'
  return {
    id,
    name: typed.name.trim(),
    serial: typed.serial.trim(),
    kind: typed.kind,
    step_Pa: step.si,
    most_Pa: most.si,
    accuracy: typed.accuracy.trim(),
    calibratedUntil: typed.until || null,
    retired: typed.retired,
  }
}

/** A gauge as it is added to the firm's list, or changed on it. */
export function InstrumentForm({
  instrument,
  onDone,
}: {
  readonly instrument?: Instrument
  readonly onDone: () => void
}) {
  const client = useQueryClient()
  const [id] = useState(() => instrument?.id ?? newId())
  const [typed, setTyped] = useState(() => typedOf(instrument))
  const [says, setSays] = useState<string>()
  const set = (change: Partial<Typed>) => setTyped((before) => ({ ...before, ...change }))
  const keep = async () => {
    const read = readInstrument(id, typed)
    if (typeof read === 'string') return setSays(read)
    try {
      await call('PUT', `/instruments/${id}`, z.unknown(), read)
      await client.invalidateQueries({ queryKey: ['instruments'] })
      onDone()
    } catch (error) {
      setSays(error instanceof ApiError ? error.message : 'It was not kept. Try again.')
    }
  }
  const field = (label: string, key: Exclude<keyof Typed, 'kind' | 'retired'>, hint?: string) => (
    <TextField
      value={typed[key]}
      onChange={(text) => set({ [key]: text })}
      maxLength={key === 'serial' ? 60 : 80}
    >
      <Label>{label}</Label>
      <Input autoComplete="off" />
      {hint && <Text slot="description">{hint}</Text>}
    </TextField>
  )
  return (
    <DoneForm
      aria-label={instrument ? `Change ${instrument.name}` : 'Add a gauge'}
      onSubmit={(event) => {
        event.preventDefault()
        void keep()
      }}
    >
      {field('What it is called', 'name')}
      {field('Its number', 'serial', 'As engraved or stuck on it.')}
      <Choice
        labelled
        label="Kind"
        value={typed.kind}
        options={kinds}
        onChoose={(kind) => set({ kind })}
      />
      {field(
        'Smallest step it shows',
        'step',
        'A bare number is mbar. Left out for what reads no pressure.',
      )}
      {field('The most it reads', 'most')}
      {field('Accuracy, as its sheet says', 'accuracy')}
      {field('Calibrated until', 'until', 'A day, as in 2027-03-01. Left out: none on file.')}
      {instrument && (
        <Choice
          labelled
          label="In use"
          value={typed.retired ? 'no' : 'yes'}
          options={
            [
              { id: 'yes', text: 'Offered for tests' },
              { id: 'no', text: 'Retired' },
            ] as const
          }
          onChoose={(next) => set({ retired: next === 'no' })}
        />
      )}
      {says && <p role="alert">{says}</p>}
      <div>
        <Button type="submit" look="go">
          Keep it
        </Button>{' '}
        <Button look="text" onPress={onDone}>
          Leave it
        </Button>
      </div>
    </DoneForm>
  )
}
