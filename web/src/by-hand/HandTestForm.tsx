import type {
  Ask,
  Given,
  JudgedHandTest,
  Parsed,
  RecordBody,
  HandTest,
  Instrument,
  UnitSet,
} from '@hestian/core'
import {
  atOf,
  calibrationSays,
  foundOf,
  inWords,
  madeOnNow,
  parseAsk,
  unanswered,
} from '@hestian/core'
import { useState } from 'react'
import { Checkbox } from 'react-aria-components'
import styled from 'styled-components'
import { useGauges, useInstruments } from '../api/queries'
import { useJob } from '../job/JobContext'
import { useKeptText } from '../job/useKeptText'
import { Button } from '../ui/Button'
import { Choice } from '../ui/fields'
import { DoneForm } from '../ui/DoneRow'
import { Mark } from '../ui/icons'
import { phone } from '../ui/phone'
import { FigureField, TypedField } from './FigureField'
import { FoundView } from './FoundView'
import { SimulatedSite } from './SimulatedSite'

type Texts = Readonly<Record<string, string>>

/** What is typed of a reading, as text by the key of its ask; it survives a reload until it is recorded. */
function useTexts(what: string): readonly [Texts, (texts: Texts) => void] {
  const [kept, setKept] = useKeptText(what)
  return [
    kept === '' ? {} : (JSON.parse(kept) as Texts),
    (texts) => setKept(Object.keys(texts).length === 0 ? '' : JSON.stringify(texts)),
  ]
}

/** One reading typed in, with what it would come to before it is recorded. */
export function HandTestForm({
  reading: { kind, target },
  onDone,
}: {
  readonly reading: JudgedHandTest
  readonly onDone: () => void
}) {
  const { solution, record, show } = useJob()
  const { document, practice } = solution
  const gauges = useGauges({ when: true }).data ?? []
  const [texts, setTexts] = useTexts(`by-hand:${kind.id}:${target.id}`)
  const [confirmed, setConfirmed] = useState<readonly string[]>([])
  const appliance = document.appliances.find(({ id }) => id === target.id)
  const parsed = parsedOf(kind, texts, practice.units)
  const given: Given = Object.fromEntries(
    [...parsed].flatMap(([key, one]) => (one.outcome === 'understood' ? [[key, one.si]] : [])),
  )
  const at = atOf(document, practice, appliance)
  const found = foundOf(kind, given, at, show)
  const on = madeOnNow(kind, at)
  const waits = waitsFor(kind, parsed, given, found.outcome === 'failed' ? undefined : confirmed)
  const send = () => {
    const typed = Object.fromEntries(
      Object.keys(given).map((key) => [key, (texts[key] ?? '').slice(0, 80)]),
    )
    const body = {
      kind: 'measured' as const,
      reading: kind.id,
      target: target.id,
      values: given as Record<string, number>,
      typed,
      confirmed: [...confirmed],
      instrument: (texts.instrument ?? '').trim().slice(0, 200),
      ...(on === undefined ? {} : { on }),
    } satisfies RecordBody
    if (record(body) === undefined) return
    for (const off of kind.leavesOff?.(at) ?? []) record(off)
    setTexts({})
    onDone()
  }
  return (
    <Wide
      aria-label={kind.name}
      onSubmit={(event) => {
        event.preventDefault()
        if (!waits) send()
      }}
    >
      <SimulatedSite kind={kind} gauges={gauges} />
      <Fields>
        {kind.asks.map((ask) => {
          const given = {
            text: texts[ask.key] ?? '',
            onText: (text: string) => setTexts({ ...texts, [ask.key]: text }),
          }
          const label = inWords(ask.label, practice.words)
          return 'choices' in ask ? (
            <SeenField key={ask.key} label={label} choices={ask.choices} {...given} />
          ) : (
            <FigureField
              key={ask.key}
              ask={ask}
              label={`${label}, ${show.unit(ask.measure)}`}
              hint={ask.optional}
              parsed={parsed.get(ask.key)}
              gauges={gauges}
              startedAt={texts[clockOf(ask)] ?? ''}
              onStart={(at) => setTexts({ ...texts, [clockOf(ask)]: at })}
              onStop={(text) => setTexts({ ...texts, [ask.key]: text, [clockOf(ask)]: '' })}
              onTake={(text, from) =>
                setTexts({ ...texts, [ask.key]: text, instrument: texts.instrument || from })
              }
              {...given}
            />
          )
        })}
        <TypedField
          label="Instrument and its number"
          hint="It stands on the paper."
          text={texts.instrument ?? ''}
          parsed={undefined}
          onText={(text) => setTexts({ ...texts, instrument: text })}
        />
        <ListedGauge onChoose={(text) => setTexts({ ...texts, instrument: text })} />
      </Fields>
      {kind.confirms.map(({ id, says }) => (
        <Confirm
          key={id}
          isSelected={confirmed.includes(id)}
          onChange={(on) =>
            setConfirmed(on ? [...confirmed, id] : confirmed.filter((one) => one !== id))
          }
        >
          <Mark kind={confirmed.includes(id) ? 'pass' : 'not-yet'} size={20} />
          {inWords(says, practice.words)}
        </Confirm>
      ))}
      {unanswered(kind, given).length === 0 && <FoundView found={found} />}
      <div>
        <Button type="submit" look={waits ? 'wait' : 'go'} isDisabled={waits !== undefined}>
          {waits ? `Record it: waits for ${waits}` : 'Record it'}
        </Button>
        <Button look="text" onPress={onDone}>
          Not now
        </Button>
      </div>
    </Wide>
  )
}

const parsedOf = ({ asks }: HandTest, texts: Texts, units: UnitSet): ReadonlyMap<string, Parsed> =>
  new Map(
    asks.flatMap((ask): [string, Parsed][] => {
      const text = (texts[ask.key] ?? '').trim()
      return text === '' ? [] : [[ask.key, parseAsk(ask, text, units)]]
    }),
  )

/** What a reading waits for before it can be recorded, in words. A failure waits for nothing that is to be confirmed. */
function waitsFor(
  kind: HandTest,
  parsed: ReadonlyMap<string, Parsed>,
  given: Given,
  confirmed: readonly string[] | undefined,
): string | undefined {
  const open = unanswered(kind, given).length
  if ([...parsed.values()].some(({ outcome }) => outcome !== 'understood'))
    return 'a figure that is not understood'
  if (open > 0) return open === 1 ? 'one figure' : `${open} figures`
  if (!confirmed) return undefined
  const left = kind.confirms.filter(({ id }) => !confirmed.includes(id)).length
  if (left === 0) return undefined
  return left === 1 ? 'one thing to confirm' : `${left} things to confirm`
}

/** A gauge of the firm: its number and how its calibration stands today go with the reading. */
function ListedGauge({ onChoose }: { readonly onChoose: (text: string) => void }) {
  const listed = (useInstruments().data ?? []).filter(({ retired }) => !retired)
  if (listed.length === 0) return null
  const said = ({ name, serial, calibratedUntil }: Instrument): string =>
    [name, serial && `no. ${serial}`, calibrationSays(calibratedUntil, new Date().toISOString())]
      .filter(Boolean)
      .join(', ')
      .slice(0, 200)
  return (
    <Choice
      labelled
      label="or one of the firm’s"
      value={null}
      options={listed.map((one) => ({ id: said(one), text: said(one) }))}
      onChoose={onChoose}
    />
  )
}

/** Where the start of an ask's clock is kept, beside what is typed. */
const clockOf = ({ key }: Ask): string => `clock:${key}`

/** What is seen, one of several. */
function SeenField({
  label,
  choices,
  text,
  onText,
}: {
  readonly label: string
  readonly choices: readonly string[]
  readonly text: string
  readonly onText: (text: string) => void
}) {
  return (
    <Choice
      labelled
      label={label}
      value={text === '' ? null : text}
      options={choices.map((id) => ({ id, text: id }))}
      onChoose={onText}
    />
  )
}

const Confirm = styled(Checkbox)`
  && {
    display: flex;
    gap: 10px;
    align-items: center;
    min-height: 40px;
    cursor: pointer;
    color: var(--ink);
    font-size: var(--plain);
  }
  > svg {
    flex: none;
  }
  &[data-focus-visible] {
    outline: 3px solid var(--ink);
  }
`
const Fields = styled.div`
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 12px 28px;
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`
const Wide = styled(DoneForm)`
  max-width: 720px;
`
