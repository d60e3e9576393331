import type { GasTest, GaugeState, Instrument } from '@hestian/core'
import { calibrationSays, parseQuantity } from '@hestian/core'
import type { ReactNode } from 'react'
import { useState } from 'react'
import { Input, Label, Radio, TextField } from 'react-aria-components'
import { Link } from 'react-router'
import styled from 'styled-components'
import { useGauges, useInstruments } from '../api/queries'
import { useDesign, useReadBy } from '../job/JobContext'
import { useKeptText } from '../job/useKeptText'
import { SectionHead } from '../ui/Answer'
import { today } from '../ui/dates'
import { Choice } from '../ui/Choice'
import { late } from '../ui/late'
import type { Log } from './log'
import { samplesOf } from './log'
import { Plant } from './Plant'
import { Typed, Ways } from './parts'

const LogFile = late(async () => (await import('./LogFile')).LogFile)

/** What an eye sees on a water gauge, Pa. */
const uGauge_Pa = 25
const unlisted = 'none'
const logged = 'logged'
const byHand = ['digital', 'water-gauge', logged]

const isPressureGauge = ({ kind, retired }: Instrument): boolean =>
  !retired && (kind === 'digital' || kind === 'water-gauge')

/** Which gauge is chosen, and what is typed of it. */
function useChosen() {
  const { solution } = useDesign()
  const gauges = (useGauges({ when: true }).data ?? []).filter(({ streams }) => streams)
  const listed = (useInstruments().data ?? []).filter(isPressureGauge)
  const [chosen, setChosen] = useState<string>()
  const [liveIs, setLiveIs] = useState(unlisted)
  const [instrument, setInstrument] = useKeptText('reader-instrument')
  const [resolution, setResolution] = useKeptText('reader-resolution')
  const [log, setLog] = useState<Log>()
  const picked = chosen ?? liveId(gauges[0])
  const parsed = parseQuantity(
    resolution || solution.practice.tightness.usualStep,
    'gas-pressure',
    solution.practice.units['gas-pressure'],
  )
  return {
    ...{ gauges, listed, picked, setChosen, parsed },
    ...{ liveIs, setLiveIs, instrument, setInstrument, resolution, setResolution, log, setLog },
    live: gauges.find((one) => liveId(one) === picked),
    own: listed.find(({ id }) => id === picked),
    isLive: picked.startsWith(livePrefix),
  }
}
type Chosen = ReturnType<typeof useChosen>

/** What a test is read with, as it is sent, and what that still waits for. */
interface Reader {
  readonly how: () => object
  readonly waits: string | undefined
  /** What beginning is called. */
  readonly begins: string
  readonly fields: ReactNode
}

/**
 * Chooses what reads a test: a gauge that is heard, one of the firm's list, or any other by hand.
 */
export function useReader({ plan }: GasTest): Reader {
  const { show } = useReadBy()
  const chosen = useChosen()
  const step_Pa = stepOf(chosen)
  return {
    how: () => sentAs(chosen, step_Pa),
    waits: waitsFor({
      isUnread: chosen.picked === logged && logOf(chosen).length < 2,
      isSilent: chosen.isLive && chosen.live?.state !== 'live',
      step_Pa,
      allowed: { si: plan.perceptible_Pa, told: show(plan.perceptible_Pa, 'gas-pressure') },
    }),
    begins: chosen.picked === logged ? 'Read the test from the file' : 'Begin: let it settle',
    fields: <ReaderFields plan={plan} chosen={chosen} />,
  }
}

const logOf = ({ log }: Chosen) => (log ? samplesOf(log) : [])

function sentAs(chosen: Chosen, step_Pa: number | undefined): object {
  if (chosen.isLive) return streamed(chosen)
  const { picked, log, instrument } = chosen
  if (picked !== logged) return typed(chosen, step_Pa)
  const samples = logOf(chosen)
  return {
    reading: 'logged',
    resolution_Pa: step_Pa ?? uGauge_Pa,
    instrument: instrument || `Logger, ${log?.name ?? ''}`.slice(0, 200),
    from_ms: samples[0]?.at_ms ?? 0,
    samples,
  }
}

const streamed = ({ live, liveIs }: Chosen) => ({
  reading: 'streamed',
  gaugeId: live?.id ?? 'none',
  ...(liveIs === unlisted ? {} : { instrumentId: liveIs }),
})

function typed({ own, picked, instrument }: Chosen, step_Pa: number | undefined) {
  const isWater = (own?.kind ?? picked) === 'water-gauge'
  return {
    reading: 'typed',
    kind: isWater ? 'water-gauge' : 'digital',
    resolution_Pa: step_Pa ?? uGauge_Pa,
    instrument: instrument || (isWater ? 'Water gauge' : 'Digital gauge'),
    from_ms: Date.now(),
    ...(own ? { instrumentId: own.id } : {}),
  }
}

/**
 * The smallest step it shows, Pa: of a live gauge as it says, of a water gauge by eye, of a listed
 * one by its sheet, of another as typed.
 */
function stepOf({ isLive, live, own, picked, parsed }: Chosen): number | undefined {
  if (isLive) return live?.resolution_Pa
  if ((own?.kind ?? picked) === 'water-gauge') return uGauge_Pa
  if (own) return own.step_Pa ?? undefined
  return parsed.outcome === 'understood' && parsed.si > 0 ? parsed.si : undefined
}

function ReaderFields({
  plan,
  chosen,
}: {
  readonly plan: GasTest['plan']
  readonly chosen: Chosen
}) {
  const { show } = useReadBy()
  const { gauges, listed, picked, live, isLive } = chosen
  return (
    <>
      <SectionHead>What reads it</SectionHead>
      <Ways value={picked} onChange={chosen.setChosen} aria-label="What reads it">
        {gauges.length === 0 && <Radio value={liveId(undefined)}>Gauge: silent</Radio>}
        {gauges.map((one) => (
          <Radio key={one.id} value={liveId(one)}>
            {one.name}:{' '}
            {one.state === 'live'
              ? `live, to ${show(one.resolution_Pa, 'gas-pressure')}`
              : 'silent'}
          </Radio>
        ))}
        {listed.map((one) => (
          <Radio key={one.id} value={one.id}>
            {one.name}
            {one.serial ? `, no. ${one.serial}` : ''}, typed by hand:{' '}
            {calibrationSays(one.calibratedUntil, today())}
          </Radio>
        ))}
        <Radio value="digital">Digital gauge, typed by hand</Radio>
        <Radio value="water-gauge">Water gauge, typed by hand</Radio>
        <Radio value={logged}>A logger’s file (CSV)</Radio>
      </Ways>
      {live && <Plant gauge={live} testGauge_Pa={plan.testGauge_Pa} volume_m3={plan.volume_m3} />}
      {isLive && listed.length > 0 && (
        <Choice
          labelled
          label="On the firm’s list it is"
          value={chosen.liveIs}
          options={[
            { id: unlisted, text: 'not on the list' },
            ...listed.map(({ id, name, serial }) => ({ id, text: `${name} ${serial}`.trim() })),
          ]}
          onChoose={chosen.setLiveIs}
        />
      )}
      {byHand.includes(picked) && <AnyGauge chosen={chosen} />}
      {picked === logged && <LogFile log={chosen.log} onLog={chosen.setLog} />}
      <Listed>
        <Link to="/gauges">The firm’s gauges</Link>: on the list a gauge brings its number and its
        calibration to the certificate.
      </Listed>
    </>
  )
}

/** A gauge that is on no list: its name, and how fine it is. */
function AnyGauge({ chosen }: { readonly chosen: Chosen }) {
  const { solution } = useDesign()
  const { picked, instrument, resolution, parsed } = chosen
  return (
    <Typed>
      <TextField value={instrument} onChange={chosen.setInstrument} maxLength={200}>
        <Label>Instrument and its number</Label>
        <Input />
      </TextField>
      {picked !== 'water-gauge' && (
        <TextField value={resolution} onChange={chosen.setResolution}>
          <Label>Smallest step it shows</Label>
          <Input placeholder={solution.practice.tightness.usualStep} />
          <small>
            {parsed.outcome === 'understood' ? `Understood: ${parsed.echo}` : parsed.says}
          </small>
        </TextField>
      )}
    </Typed>
  )
}

const livePrefix = 'live:'
const liveId = (gauge: GaugeState | undefined): string => `${livePrefix}${gauge?.id ?? ''}`

/** What stands before the pump, in words; undefined where nothing does. */
function waitsFor({
  isUnread,
  isSilent,
  step_Pa,
  allowed,
}: {
  readonly isUnread: boolean
  readonly isSilent: boolean
  readonly step_Pa: number | undefined
  /** The movement that the rule counts as none: a gauge must show as much. */
  readonly allowed: { readonly si: number; readonly told: string }
}): string | undefined {
  if (isUnread) return 'a file with readings'
  if (isSilent) return 'the gauge'
  if (step_Pa === undefined) return 'a resolution'
  return step_Pa > allowed.si * (1 + 1e-6)
    ? `a gauge with steps of ${allowed.told} or less: the rule asks to see that much`
    : undefined
}

const Listed = styled.p`
  margin-top: 10px;
  font-size: var(--small);
  color: var(--ink-2);
`
