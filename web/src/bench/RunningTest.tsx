import type { JudgedTest } from '@hestian/core'
import { clock, ruleSees_m3_s, tenthKelvin_Pa, tightnessTrace } from '@hestian/core'
import { useMemo } from 'react'
import styled from 'styled-components'
import { useAwake, useRunningTest } from '../sync/runningTest'
import { useGauges } from '../api/queries'
import { useDesign, useReadBy } from '../job/JobContext'
import { DrawingView } from '../ui/DrawingView'
import { Mark } from '../ui/icons'
import { Plant } from './Plant'
import { EyeClock, TypeReading } from './TypeReading'
import { phone } from '../ui/phone'

/** A test under way: what it reads, how long is left, the trace, and what it can and cannot see. */
export function RunningTest({ test }: { readonly test: JudgedTest }) {
  const { show } = useReadBy()
  const { run, verdict } = test
  const gauges = useGauges({ when: test.begun.reading === 'streamed' })
  const gauge = gauges.data?.find((one) => one.id === test.begun.gaugeId)
  const latest = run.samples[run.samples.length - 1]
  const running = verdict.outcome === 'running' ? verdict : undefined
  useRunningTest(running !== undefined)
  useAwake(running !== undefined)
  const drawing = useMemo(
    () => tightnessTrace(run, show, { width: 810, height: 250 }, test.notes),
    [run, show, test.notes],
  )
  const live = test.begun.reading === 'typed' ? 'typed' : 'live'
  const silent = test.begun.reading === 'streamed' && gauge?.state === 'silent'
  return (
    <>
      <Statement role="status">
        <What test={test} />
      </Statement>
      <Top>
        <Reading aria-label="Pressure now" data-silent={silent || undefined}>
          <strong className="tnum">
            {latest
              ? show.figure(
                  latest.gauge_Pa,
                  'gas-pressure',
                  show.unit('gas-pressure') === 'mbar' ? 1 : 2,
                )
              : '–'}
          </strong>
          <span>
            <i data-silent={silent || undefined} />
            {silent ? 'gauge silent' : live}
            <b>{show.unit('gas-pressure')}</b>
          </span>
        </Reading>
        <Countdown>
          {test.begun.reading === 'streamed' && <Left running={running} test_s={run.plan.test_s} />}
          <p>
            {latest?.temp_K === undefined ? (
              'No temperature: the rule needs none; the figures then mostly cannot tell.'
            ) : (
              <>
                Pipe <b>{show(latest.temp_K, 'temperature', 1)}</b>
                {running?.soFar?.tempChange_K !== undefined && (
                  <>
                    , {show(Math.abs(running.soFar.tempChange_K), 'temperature-difference', 2)}{' '}
                    {running.soFar.tempChange_K < 0 ? 'cooler' : 'warmer'}: worth{' '}
                    <b>{show(Math.abs(running.soFar.thermal_Pa ?? 0), 'gas-pressure')}</b>
                  </>
                )}
                .
              </>
            )}
          </p>
        </Countdown>
      </Top>
      {test.begun.reading === 'typed' && <TypeReading test={test} />}
      <Trace role="region" tabIndex={0} aria-label="Strip chart">
        <DrawingView drawing={drawing} />
      </Trace>
      <Sees test={test} />
      {gauge && (
        <Plant gauge={gauge} testGauge_Pa={run.plan.testGauge_Pa} volume_m3={run.plan.volume_m3} />
      )}
    </>
  )
}

/** How long it still settles or runs, by the gauge's clock. */
function Left({
  running,
  test_s,
}: {
  readonly running: Extract<JudgedTest['verdict'], { outcome: 'running' }> | undefined
  readonly test_s: number
}) {
  return (
    <>
      <small>
        {running?.phase === 'stabilising' ? 'left to settle' : `left of the ${clock(test_s)} test`}
      </small>
      <strong className="tnum" role="timer">
        {clock(running?.left_s ?? 0)}
      </strong>
    </>
  )
}

/** What happens now: a gauge that streams tells it, one read by eye is asked for at the minute. */
function What({ test }: { readonly test: JudgedTest }) {
  if (test.begun.reading === 'streamed') return <Now test={test} />
  if (test.verdict.outcome === 'running') return <EyeClock test={test} />
  return (
    <>
      <b>Both readings are in.</b> The verdict is recorded as soon as the server has them.
    </>
  )
}

/** What happens now, in a line. */
function Now({ test }: { readonly test: JudgedTest }) {
  const { show } = useReadBy()
  const { verdict, run } = test
  const limit_Pa = run.plan.perceptible_Pa
  const running = verdict.outcome === 'running' ? verdict : undefined
  const fell = running?.soFar?.fall_Pa
  if (verdict.outcome === 'failed')
    return (
      <>
        <b>It would not hold:</b> it lost pressure while it settled, twice. End the test and look
        for the leak.
      </>
    )
  if (running?.phase === 'stabilising')
    return (
      <>
        <b>Settling.</b> Pumped air cools to the pipe; the test begins by itself.
      </>
    )
  if (running?.phase === 'unsettled')
    return (
      <>
        <b>Not settled.</b> It lost more than filling explains, or still falls: pump up and let it
        settle once more.
      </>
    )
  if (fell === undefined)
    return (
      <>
        <b>Waiting</b> for a reading.
      </>
    )
  return (
    <>
      <b>{fell > limit_Pa ? 'Falling.' : 'Holding.'}</b> {fell >= 0 ? 'Down' : 'Up'}{' '}
      <b>{show.figure(Math.abs(fell), 'gas-pressure')}</b> of the{' '}
      <b>{show(limit_Pa, 'gas-pressure')}</b> it may move.
    </>
  )
}

function Sees({ test }: { readonly test: JudgedTest }) {
  const { solution } = useDesign()
  const { show } = useReadBy()
  const { plan } = test.run
  const smallest = ruleSees_m3_s(plan)
  const resolves = smallest <= plan.permittedLeak_m3_s * (1 + 1e-6)
  return (
    <Three>
      <section>
        <h3>It can see</h3>
        <p>
          A steady leak of <b>{show(smallest, 'leak-flow')}</b> of air or more, anywhere in the{' '}
          {show(plan.volume_m3, 'small-volume')} under test.{' '}
          {resolves ? (
            <>The largest that may stay hidden is {show(plan.permittedLeak_m3_s, 'leak-flow')}.</>
          ) : (
            <b>
              That is coarser than the {show(plan.permittedLeak_m3_s, 'leak-flow')} that may stay
              hidden.
            </b>
          )}
        </p>
      </section>
      <section>
        <h3>It cannot see</h3>
        <p>
          Anything past what was shut or capped, smaller leaks, a joint that opens only when hot, or
          a change of the barometer. Soap every joint; the test screw last.
        </p>
      </section>
      <NoVerdict>
        <Mark kind="not-yet" size={26} />
        <div>
          <h3>No verdict yet</h3>
          <p>
            At the end it reads itself, twice. By the rule a fall past{' '}
            <b>{show(plan.perceptible_Pa, 'gas-pressure')}</b> fails. By the figures temperature is
            taken out: {show(0.1, 'temperature-difference', 1)} is worth{' '}
            <b>{show(tenthKelvin_Pa(plan), 'gas-pressure')}</b> here.
          </p>
        </div>
      </NoVerdict>
      <span className="unseen">{solution.practice.label}</span>
    </Three>
  )
}

const Statement = styled.h2`
  font: 450 32px/38px var(--head);
  font-stretch: 94%;
  color: var(--ink-2);
  b {
    color: var(--ink);
    font-weight: 700;
  }
  ${phone} {
    font-size: var(--head-2);
    line-height: 28px;
  }
`
const Top = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 280px;
  gap: 20px;
  align-items: center;
  @media (max-width: 900px) {
    grid-template-columns: 1fr;
    gap: 4px;
  }
`
const Reading = styled.div`
  display: flex;
  align-items: flex-end;
  gap: 14px;
  color: var(--pencil);
  strong {
    font: 600 172px/160px var(--head);
    font-stretch: 92%;
    letter-spacing: -0.03em;
    color: var(--ink);
  }
  &[data-silent] strong {
    color: var(--pencil);
  }
  span {
    display: grid;
    padding-bottom: 18px;
    font-size: var(--small);
    color: var(--ink-2);
    grid-template-columns: auto 1fr;
    gap: 0 8px;
    align-items: center;
  }
  b {
    grid-column: 1 / -1;
    font: 650 var(--head-1)/30px var(--head);
    color: var(--ink);
  }
  i {
    width: 10px;
    height: 10px;
    border-radius: 50%;
    background: var(--gas);
  }
  i[data-silent] {
    background: none;
    border: 1.5px solid var(--stop);
  }
  @media (max-width: 1180px) {
    strong {
      font-size: 120px;
      line-height: 116px;
    }
  }
  ${phone} {
    strong {
      font-size: 88px;
      line-height: 88px;
    }
    span {
      padding-bottom: 8px;
    }
  }
`
const Countdown = styled.div`
  small {
    font-size: var(--small);
    color: var(--ink-2);
  }
  strong {
    display: block;
    font: 600 72px/74px var(--head);
    font-stretch: 92%;
  }
  p {
    border-top: 1.2px solid var(--rule);
    padding-top: 6px;
    font-size: var(--small);
    line-height: 20px;
    color: var(--ink-2);
  }
  b {
    color: var(--ink);
  }
  ${phone} {
    display: grid;
    grid-template-columns: 1fr auto;
    align-items: center;
    strong {
      font-size: 44px;
      line-height: 48px;
      grid-row: 1;
      grid-column: 2;
    }
    p {
      grid-column: 1 / -1;
    }
  }
`
export const Trace = styled.div`
  margin: 8px 0;
  overflow-x: auto;
  outline-offset: -3px;
  ${phone} {
    svg {
      width: 640px;
      max-width: none !important;
    }
  }
`
const Three = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 22px;
  margin: 6px 0 12px;
  font-size: var(--small);
  line-height: 20px;
  color: var(--ink-2);
  h3 {
    font: 650 var(--plain)/25px var(--head);
    color: var(--ink);
  }
  section h3 {
    border-bottom: 1.5px solid var(--rule);
    margin-bottom: 4px;
  }
  b {
    color: var(--ink);
  }
  @media (max-width: 900px) {
    grid-template-columns: 1fr;
    gap: 10px;
  }
`
const NoVerdict = styled.div`
  border: 1.5px dashed var(--rule);
  padding: 10px 12px;
  display: flex;
  gap: 12px;
  svg {
    flex: none;
  }
`
