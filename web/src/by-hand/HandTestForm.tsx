import type { Instrument, JudgedHandTest } from '@hestian/core'
import { calibrationSays, inWords, unanswered } from '@hestian/core'
import { Checkbox } from 'react-aria-components'
import styled from 'styled-components'
import { useInstruments } from '../api/queries'
import { useDesign, useReadBy } from '../job/JobContext'
import { Button } from '../ui/Button'
import { today } from '../ui/dates'
import { Choice } from '../ui/Choice'
import { DoneForm } from '../ui/DoneRow'
import { Mark } from '../ui/icons'
import { phone } from '../ui/phone'
import { FigureField, TypedField } from './FigureField'
import { FoundView } from './FoundView'
import { SimulatedSite } from './SimulatedSite'
import { Strip } from './Strip'
import { clockOf, useHandTest } from './useHandTest'

/** One reading typed in, with what it would come to before it is recorded. */
export function HandTestForm({
  reading,
  onDone,
}: {
  readonly reading: JudgedHandTest
  readonly onDone: () => void
}) {
  const { solution } = useDesign()
  const { show } = useReadBy()
  const { practice } = solution
  const typing = useHandTest(reading, onDone)
  const { kind, gauges, texts, setTexts, parsed, found, given, waits, series, confirmed } = typing
  const { setConfirmed, send } = typing
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
              onStart={(at) => setTexts({ ...texts, [clockOf(ask)]: at, series: '' })}
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
      <Strip kind={kind} series={series} />
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

/** A gauge of the firm: its number and how its calibration stands today go with the reading. */
function ListedGauge({ onChoose }: { readonly onChoose: (text: string) => void }) {
  const listed = (useInstruments().data ?? []).filter(({ retired }) => !retired)
  if (listed.length === 0) return null
  const said = ({ name, serial, calibratedUntil }: Instrument): string =>
    [name, serial && `no. ${serial}`, calibrationSays(calibratedUntil, today())]
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
