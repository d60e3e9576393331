import type { VesselAnswer, WhatIf } from '@hestian/core'
import {
  asDesigned,
  cycleOf,
  cycleTraceDrawing,
  drawingSvg,
  isAsDesigned,
  pressureTemperature,
  pressureView,
} from '@hestian/core'
import { useEffect, useMemo, useState } from 'react'
import { Label, Slider, SliderOutput, SliderThumb, SliderTrack } from 'react-aria-components'
import styled from 'styled-components'
import { useDesign, useReadBy } from '../job/JobContext'
import { Toggle } from '../ui/Toggle'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { DrawingView } from '../ui/DrawingView'
import { saveFile } from '../ui/saveFile'
import { useNarrow } from '../ui/useNarrow'
import { lastAnswer, useWorker } from '../work/useWorker'
import { Grid } from '../ui/LadderView'
import { capital } from '../ui/numbers'

const pause_ms = 400

/** What the pressure does as the water warms, as designed and with something wrong. */
export function PressureCurve({ answer }: { readonly answer: VesselAnswer }) {
  const { solution, draft } = useDesign()
  const { show } = useReadBy()
  const { units, words } = solution.practice
  const narrow = useNarrow()
  const [whatIf, setWhatIf] = useState<WhatIf>(asDesigned)
  const view = useMemo(() => pressureView(answer, whatIf), [answer, whatIf])
  const drawing = useMemo(
    () => pressureTemperature(view, show, units, { width: narrow ? 318 : 520, height: 300 }),
    [view, show, units, narrow],
  )
  const main_Pa = draft.document.survey.coldMainStaticGauge_Pa?.value ?? 4e5
  const same = isAsDesigned(whatIf)
  const set = (change: Partial<WhatIf>) => setWhatIf((before) => ({ ...before, ...change }))
  const hot =
    view.reliefOpens_K === undefined ? show(view.hotGauge_Pa, 'water-pressure') : undefined
  const methodEnd = view.method[view.method.length - 1]?.gauge_Pa ?? 0
  return (
    <section aria-label="Pressure against temperature">
      <SectionHead>
        Pressure against temperature
        <small>gas law and density of the water; dotted: by the method’s own expansion</small>
      </SectionHead>
      <Columns>
        <figure>
          <Grid>
            <DrawingView drawing={drawing} />
          </Grid>
          <Button
            look="text"
            onPress={() =>
              saveFile('pressure-temperature.svg', 'image/svg+xml', drawingSvg(drawing))
            }
          >
            Save the drawing
          </Button>
        </figure>
        <div>
          <Says role="status">
            {view.reliefOpens_K !== undefined ? (
              <>
                The {words.reliefValve} opens at <b>{show(view.reliefOpens_K, 'temperature')}</b>.
              </>
            ) : (
              <>
                Hot, <b>{hot}</b>
                {same ? (
                  <>; the method’s own expansion says {show(methodEnd, 'water-pressure')}.</>
                ) : (
                  '.'
                )}
              </>
            )}
          </Says>
          <WhatIfSlider
            label="Charge lost"
            value={whatIf.chargeLost_Pa}
            most={answer.need.chargeGauge_Pa}
            says={show(whatIf.chargeLost_Pa, 'water-pressure')}
            onChange={(chargeLost_Pa) => set({ chargeLost_Pa })}
          />
          <WhatIfSlider
            label="Full of water behind a torn diaphragm"
            value={whatIf.waterloggedRatio}
            most={1}
            says={show(whatIf.waterloggedRatio, 'ratio', 0)}
            onChange={(waterloggedRatio) => set({ waterloggedRatio })}
          />
          <WhatIfSlider
            label="Filled higher"
            value={whatIf.higherFill_Pa}
            most={1e5}
            says={show(whatIf.higherFill_Pa, 'water-pressure')}
            onChange={(higherFill_Pa) => set({ higherFill_Pa })}
          />
          <WhatIfSlider
            label="Air left in the system"
            value={whatIf.trappedAir_m3}
            most={answer.inputs.system_m3 * 0.05}
            says={show(whatIf.trappedAir_m3, 'small-volume')}
            onChange={(trappedAir_m3) => set({ trappedAir_m3 })}
          />
          <WhatIfSlider
            label={`Cold water creeping past the ${words.fillDevice}`}
            value={whatIf.creep_m3_s}
            most={5e-7}
            says={`${(whatIf.creep_m3_s * 3.6e6).toFixed(1)} L an hour`}
            onChange={(creep_m3_s) => set({ creep_m3_s })}
          />
          <Toggle isSelected={whatIf.isolated} onChange={(isolated) => set({ isolated })}>
            <i />
            {capital(words.vessel)} shut off
          </Toggle>
          {!same && (
            <Button look="text" onPress={() => setWhatIf(asDesigned)}>
              Back to the design
            </Button>
          )}
        </div>
      </Columns>
      <Nights answer={answer} whatIf={whatIf} main_Pa={main_Pa} narrow={narrow} />
    </section>
  )
}

/** The same circuit through three heating cycles, run in a worker. */
function Nights({
  answer,
  whatIf,
  main_Pa,
  narrow,
}: {
  readonly answer: VesselAnswer
  readonly whatIf: WhatIf
  readonly main_Pa: number
  readonly narrow: boolean
}) {
  const { solution } = useDesign()
  const { show } = useReadBy()
  const { work, ask, cancel } = useWorker('cycle')
  const plan = useMemo(() => cycleOf(answer, whatIf, main_Pa), [answer, whatIf, main_Pa])
  useEffect(() => {
    const timer = setTimeout(() => ask({ kind: 'cycle', plan }), pause_ms)
    return () => clearTimeout(timer)
  }, [ask, plan])
  const trace = lastAnswer(work)?.trace
  const drawing = useMemo(
    () =>
      trace &&
      cycleTraceDrawing(trace, plan.reliefSetGauge_Pa, show, solution.practice.units, {
        width: narrow ? 318 : 780,
        height: 200,
      }),
    [trace, plan.reliefSetGauge_Pa, show, solution.practice.units, narrow],
  )
  return (
    <figure>
      <SectionHead>
        Three heatings, one after the other
        <small>
          {work.state === 'working' ? 'running …' : 'warmed, held an hour, cooled over four'}
        </small>
      </SectionHead>
      {work.state === 'working' && (
        <Bar>
          <progress value={work.share} max={1} aria-label="Running three heating cycles" />
          <Button look="text" onPress={cancel}>
            Stop
          </Button>
        </Bar>
      )}
      {work.state === 'broken' && (
        <Bar>
          It could not be run here.{' '}
          <Button look="text" onPress={() => ask({ kind: 'cycle', plan })}>
            Try again
          </Button>
        </Bar>
      )}
      {drawing && (
        <Grid>
          <DrawingView drawing={drawing} />
        </Grid>
      )}
      {trace && (
        <Says>
          {trace.openings === 0 ? (
            'The relief stays dry.'
          ) : (
            <>
              The relief opens <b>{trace.openings === 1 ? 'once' : `${trace.openings} times`}</b>{' '}
              and lets out {show(trace.relieved_m3, 'small-volume')}.
            </>
          )}{' '}
          Cold again it stands at{' '}
          <b>{show(trace.samples[trace.samples.length - 1]?.gauge_Pa ?? 0, 'water-pressure')}</b>
          {trace.lowestGauge_Pa < answer.need.staticHead_Pa ? (
            <>
              , at the lowest {show(Math.max(0, trace.lowestGauge_Pa), 'water-pressure')}: the
              highest point draws air.
            </>
          ) : (
            '.'
          )}
        </Says>
      )}
    </figure>
  )
}

interface WhatIfSliderProps {
  readonly label: string
  readonly value: number
  readonly most: number
  readonly says: string
  readonly onChange: (value: number) => void
}

const WhatIfSlider = ({ label, value, most, says, onChange }: WhatIfSliderProps) => (
  <Sliding
    value={value}
    minValue={0}
    maxValue={most}
    step={most / 40}
    onChange={(next) => onChange(Array.isArray(next) ? (next[0] ?? 0) : next)}
  >
    <Label>{label}</Label>
    <SliderOutput className="tnum">{says}</SliderOutput>
    <SliderTrack>
      <SliderThumb aria-valuetext={says} />
    </SliderTrack>
  </Sliding>
)

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.45fr) minmax(230px, 1fr);
  gap: 18px;
  align-items: start;
  padding-top: 6px;
  @media (max-width: 860px) {
    grid-template-columns: minmax(0, 1fr);
  }
`
const Says = styled.p`
  color: var(--ink-2);
  padding: 2px 0 6px;
  b {
    color: var(--ink);
  }
`
const Bar = styled.div`
  display: flex;
  gap: 12px;
  align-items: center;
  min-height: 40px;
  color: var(--ink-2);
  progress {
    accent-color: var(--ink);
    height: 10px;
  }
`
const Sliding = styled(Slider)`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  column-gap: 14px;
  font-size: var(--small);
  line-height: 20px;
  padding: 2px 0;
  label {
    color: var(--ink-2);
  }
  output {
    color: var(--ink);
  }
  .react-aria-SliderTrack {
    grid-column: 1 / -1;
    height: 26px;
    position: relative;
    &::before {
      content: '';
      position: absolute;
      left: 0;
      right: 0;
      top: 12px;
      height: 2px;
      background: var(--rule);
    }
  }
  .react-aria-SliderThumb {
    width: 16px;
    height: 22px;
    top: 13px;
    background: var(--paper);
    border: 2px solid var(--ink);
    cursor: grab;
    &[data-dragging] {
      background: var(--select);
    }
    &[data-focus-visible] {
      outline: 3px solid var(--ink);
      outline-offset: 2px;
    }
  }
  @media (pointer: coarse) {
    .react-aria-SliderTrack {
      height: 44px;
      &::before {
        top: 21px;
      }
    }
    .react-aria-SliderThumb {
      width: 26px;
      height: 32px;
      top: 22px;
    }
  }
`
