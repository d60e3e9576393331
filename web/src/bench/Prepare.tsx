import type { GasTest, Instrument, Preparation } from '@hestian/core'
import { calibrationSays, durationWords, parseQuantity, smellOfGas } from '@hestian/core'
import { useState } from 'react'
import { Checkbox, Input, Label, Radio, RadioGroup, TextField } from 'react-aria-components'
import { Link } from 'react-router'
import styled from 'styled-components'
import { newId } from '../api/client'
import { useGauges, useInstruments } from '../api/queries'
import { useJob } from '../job/JobContext'
import { Answer, SectionHead, VerdictLine } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Choice } from '../ui/fields'
import { Mark } from '../ui/icons'
import { Plant } from './Plant'
import { phone } from '../ui/phone'

/** A live gauge, one typed by hand, or one of the firm's list by its id. */
type How = string

/** Before the pump: what is disconnected and capped, what is shut, the cautions, and what reads the pressure. */
export function Prepare({
  test,
  before,
}: {
  readonly test: GasTest
  /** Tests that have to pass first, by name. */
  readonly before: readonly string[]
}) {
  const { show, solution, act } = useJob()
  const gauges = useGauges({ when: true })
  const listed = (useInstruments().data ?? []).filter(isPressureGauge)
  const [done, setDone] = useState<readonly string[]>([])
  const [how, setHow] = useState<How>('streamed')
  const [resolution, setResolution] = useState('')
  const [instrument, setInstrument] = useState('')
  const [liveIs, setLiveIs] = useState(unlisted)
  const [sending, setSending] = useState(false)
  const { plan, preparations, confirms } = test
  const gauge = gauges.data?.[0]
  const parsed = parseQuantity(
    resolution || solution.practice.tightness.usualStep,
    'gas-pressure',
    solution.practice.units['gas-pressure'],
  )
  const resolution_Pa = parsed.outcome === 'understood' && parsed.si > 0 ? parsed.si : undefined
  const open = [...preparations, ...confirms].filter((one) => !done.includes(one.id))
  const off = preparations.map((one) => ({
    name: one.name,
    state: one.action === 'shut' ? ('shut' as const) : ('disconnected' as const),
    because: test.kind === 'tightness' ? 'gas tightness test' : test.name,
  }))
  const own = listed.find(({ id }) => id === how)
  const ownStep_Pa = own?.kind === 'water-gauge' ? uGauge_Pa : own?.step_Pa
  const step_Pa = own
    ? (ownStep_Pa ?? undefined)
    : { streamed: gauge?.resolution_Pa, digital: resolution_Pa, 'water-gauge': uGauge_Pa }[how]
  const waits = waitsFor({
    before,
    open: open.length,
    isSilent: how === 'streamed' && gauge?.state !== 'live',
    step_Pa,
    allowed: { si: plan.perceptible_Pa, told: show(plan.perceptible_Pa, 'gas-pressure') },
  })
  const begin = async () => {
    setSending(true)
    const isWater = (own?.kind ?? how) === 'water-gauge'
    const typed = {
      reading: 'typed',
      kind: isWater ? 'water-gauge' : 'digital',
      resolution_Pa: step_Pa ?? uGauge_Pa,
      instrument: instrument || (isWater ? 'Water gauge' : 'Digital gauge'),
      from_ms: Date.now(),
      ...(own ? { instrumentId: own.id } : {}),
    }
    const streamed = {
      reading: 'streamed',
      gaugeId: gauge?.id ?? 'none',
      ...(liveIs === unlisted ? {} : { instrumentId: liveIs }),
    }
    await act('/tests', {
      testId: newId(),
      test: test.id,
      how: how === 'streamed' ? streamed : typed,
      prepared: [...done],
      off,
    })
    setSending(false)
  }
  return (
    <>
      <Answer>
        {test.name === 'Tightness' ? 'Pump' : `${test.name}: pump`} to{' '}
        <b>{show(plan.testGauge_Pa, 'gas-pressure')}</b>, settle{' '}
        <b>{durationWords(plan.stabilise_s)}</b>, hold <b>{durationWords(plan.test_s)}</b>.
      </Answer>
      <VerdictLine>
        <span>
          Air or inert gas only, never oxygen. By the rule a fall past{' '}
          <b>{show(plan.perceptible_Pa, 'gas-pressure')}</b> fails; no leak over{' '}
          <b>{show(plan.permittedLeak_m3_s, 'leak-flow')}</b> may stay hidden in{' '}
          <b>{show(plan.volume_m3, 'small-volume')}</b> of pipe. {plan.methodSource.says}.{' '}
          {plan.permittedLeakSource.basis === 'assumed'
            ? 'The permitted leak is an assumed setting.'
            : ''}
        </span>
      </VerdictLine>
      <Cautions>
        <p>
          <Mark kind="stop" size={18} />{' '}
          <span>
            <b>Over-pressure.</b> Every part has a maximum test pressure. What is rated below{' '}
            {show(plan.testGauge_Pa, 'gas-pressure')} is disconnected and its pipe capped, not only
            shut off. Let it down before opening.
          </span>
        </p>
        <p>
          <Mark kind="fix" size={18} />{' '}
          <span>
            <b>Smell of gas:</b> {smellOfGas(solution.practice)} Never look for a leak with a flame.
          </span>
        </p>
      </Cautions>
      <SectionHead>
        Out of the way first<small>each goes on the off strip</small>
      </SectionHead>
      <List>
        {preparations.map((one) => (
          <li key={one.id}>
            <Check
              isSelected={done.includes(one.id)}
              onChange={(on) =>
                setDone(on ? [...done, one.id] : done.filter((id) => id !== one.id))
              }
            >
              <Mark kind={done.includes(one.id) ? 'pass' : 'not-yet'} size={22} />
              <span>
                <b>{one.name}</b> {one.action === 'shut' ? 'shut off' : 'disconnected, pipe capped'}
              </span>
              <small>{reason(one, (si) => show(si, 'gas-pressure'))}</small>
            </Check>
          </li>
        ))}
      </List>
      {confirms.length > 0 && (
        <>
          <SectionHead>Looked at first</SectionHead>
          <List>
            {confirms.map(({ id, says }) => (
              <li key={id}>
                <Check
                  isSelected={done.includes(id)}
                  onChange={(on) => setDone(on ? [...done, id] : done.filter((one) => one !== id))}
                >
                  <Mark kind={done.includes(id) ? 'pass' : 'not-yet'} size={22} />
                  <Said>{says}</Said>
                </Check>
              </li>
            ))}
          </List>
        </>
      )}
      <SectionHead>What reads it</SectionHead>
      <Ways value={how} onChange={setHow} aria-label="What reads it">
        <Radio value="streamed">
          {gauge ? gauge.name : 'Gauge'}:{' '}
          {gauge?.state === 'live'
            ? `live, to ${show(gauge.resolution_Pa, 'gas-pressure')}`
            : 'silent'}
        </Radio>
        {listed.map((one) => (
          <Radio key={one.id} value={one.id}>
            {one.name}
            {one.serial ? `, no. ${one.serial}` : ''}, typed by hand:{' '}
            {calibrationSays(one.calibratedUntil, new Date().toISOString())}
          </Radio>
        ))}
        <Radio value="digital">Digital gauge, typed by hand</Radio>
        <Radio value="water-gauge">Water gauge, typed by hand</Radio>
      </Ways>
      {how === 'streamed' && gauge && (
        <Plant gauge={gauge} testGauge_Pa={plan.testGauge_Pa} volume_m3={plan.volume_m3} />
      )}
      {how === 'streamed' && listed.length > 0 && (
        <Choice
          labelled
          label="On the firm’s list it is"
          value={liveIs}
          options={[
            { id: unlisted, text: 'not on the list' },
            ...listed.map(({ id, name, serial }) => ({ id, text: `${name} ${serial}`.trim() })),
          ]}
          onChoose={setLiveIs}
        />
      )}
      {(how === 'digital' || how === 'water-gauge') && (
        <Typed>
          <TextField value={instrument} onChange={setInstrument} maxLength={200}>
            <Label>Instrument and its number</Label>
            <Input />
          </TextField>
          {how === 'digital' && (
            <TextField value={resolution} onChange={setResolution}>
              <Label>Smallest step it shows</Label>
              <Input placeholder={solution.practice.tightness.usualStep} />
              <small>
                {parsed.outcome === 'understood' ? `Understood: ${parsed.echo}` : parsed.says}
              </small>
            </TextField>
          )}
        </Typed>
      )}
      <Listed>
        <Link to="/gauges">The firm’s gauges</Link>: on the list a gauge brings its number and its
        calibration to the certificate.
      </Listed>
      <Go>
        {waits === undefined ? (
          <Button look="go" isDisabled={sending} onPress={() => void begin()}>
            Begin: let it settle
          </Button>
        ) : (
          <Button look="wait" isDisabled>
            Begin: waits for {waits}
          </Button>
        )}
        <span>{solution.practice.tightness.beforehand}</span>
      </Go>
    </>
  )
}

const unlisted = 'none'
const isPressureGauge = ({ kind, retired }: Instrument): boolean =>
  !retired && (kind === 'digital' || kind === 'water-gauge')

/** What an eye sees on a water gauge, Pa. */
const uGauge_Pa = 25

/** What stands before the pump, in words; undefined where nothing does. */
function waitsFor({
  before,
  open,
  isSilent,
  step_Pa,
  allowed,
}: {
  readonly before: readonly string[]
  readonly open: number
  readonly isSilent: boolean
  readonly step_Pa: number | undefined
  /** The movement that the rule counts as none: a gauge must show as much. */
  readonly allowed: { readonly si: number; readonly told: string }
}): string | undefined {
  if (before.length > 0) return before.join(' and ').toLowerCase()
  if (open > 0) return `${open === 1 ? 'one thing' : `${open} things`} to prepare`
  if (isSilent) return 'the gauge'
  if (step_Pa === undefined) return 'a resolution'
  return step_Pa > allowed.si * (1 + 1e-6)
    ? `a gauge with steps of ${allowed.told} or less: the rule asks to see that much`
    : undefined
}

function reason({ because, limitGauge_Pa = 0 }: Preparation, show: (si: number) => string): string {
  if (because === 'boundary') return 'stands the pressure; bounds the test'
  if (because === 'strength') return 'nothing but pipe is tested for strength'
  return because === 'limit-unknown'
    ? 'maximum test pressure not known, so it is taken off'
    : `rated ${show(limitGauge_Pa)}, below the test`
}

const Cautions = styled.div`
  display: grid;
  gap: 8px;
  margin: 6px 0 12px;
  max-width: 82ch;
  p {
    display: flex;
    gap: 10px;
    font-size: var(--small);
    line-height: 20px;
    color: var(--ink-2);
  }
  b {
    color: var(--ink);
  }
  svg {
    flex: none;
  }
`
const List = styled.ul`
  margin-bottom: 12px;
  li {
    border-bottom: 0.8px solid var(--hair);
  }
`
const Check = styled(Checkbox)`
  display: grid;
  grid-template-columns: 24px minmax(0, 1fr) minmax(0, 0.8fr);
  gap: 12px;
  align-items: center;
  min-height: 48px;
  cursor: pointer;
  font-size: var(--lead);
  small {
    font-size: var(--small);
    color: var(--ink-3);
  }
  &[data-hovered] {
    background: var(--select);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--ink);
  }
  ${phone} {
    grid-template-columns: 24px 1fr;
    small {
      grid-column: 2;
    }
    padding: 6px 0;
  }
`
const Listed = styled.p`
  margin-top: 10px;
  font-size: var(--small);
  color: var(--ink-2);
`
const Said = styled.span`
  grid-column: 2 / -1;
`
const Ways = styled(RadioGroup)`
  display: grid;
  label {
    display: flex;
    gap: 10px;
    align-items: center;
    min-height: 44px;
    cursor: pointer;
    border-bottom: 0.8px solid var(--hair);
  }
  label::before {
    content: '';
    width: 16px;
    height: 16px;
    border: 1.8px solid var(--ink);
    border-radius: 50%;
  }
  label[data-selected] {
    font-weight: 650;
  }
  label[data-selected]::before {
    background: radial-gradient(var(--ink) 0 4.5px, transparent 5px);
  }
  label[data-focus-visible] {
    outline: 3px solid var(--ink);
  }
`
export const Typed = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
  margin: 12px 0;
  label {
    display: block;
    font-size: var(--small);
    color: var(--ink-2);
  }
  input {
    width: 100%;
    min-height: 44px;
    background: transparent;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    font-size: var(--large);
    padding: 4px;
  }
  small {
    font-size: var(--note);
    color: var(--ink-3);
  }
  ${phone} {
    grid-template-columns: 1fr;
  }
`
const Go = styled.div`
  display: flex;
  gap: 16px;
  align-items: center;
  margin: 16px 0;
  flex-wrap: wrap;
  span {
    font-size: var(--note);
    color: var(--ink-3);
    flex: 1;
    min-width: 200px;
  }
`
