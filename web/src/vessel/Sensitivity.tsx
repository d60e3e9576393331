import type { SensitivityBar, VesselAnswer } from '@hestian/core'
import styled from 'styled-components'
import { useDesign, useReadBy } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { phone } from '../ui/phone'

const rowHeight = 22
const width = 320

/**
 * What decides the answer: one bar per input, widest first, against what is needed and what is
 * fitted.
 */
export function Sensitivity({ answer }: { readonly answer: VesselAnswer }) {
  const { solution } = useDesign()
  const { show } = useReadBy()
  const { need, fitted_m3, sensitivity, builtIn } = answer
  const units = solution.practice.units
  const half = (figure: number) =>
    units.temperature === 'F' ? `${Math.round(figure * 1.8)} °F` : `${figure} K`
  const names: Record<SensitivityBar['input'], string> = {
    relief: 'Relief one step lower',
    temperature: `Hottest water ± ${half(5)}`,
    content: 'System water ± 10 %',
    height: `Emitter height ± ${show(1, 'length')}`,
    'fill-temperature': `Fill temperature ± ${half(5)}`,
  }
  const ends = sensitivity
    .flatMap((bar) => [bar.low_m3, bar.high_m3])
    .filter((value): value is number => value !== undefined)
  const most = (Math.max(fitted_m3, need.neededNew_m3) || Math.max(...ends)) * 1.35
  const least = Math.max(0, Math.min(need.neededNew_m3, ...ends) * 0.96)
  const x = (value_m3: number) =>
    (width * (Math.min(most, value_m3) - least)) / Math.max(1e-9, most - least)
  const figure = (value_m3: number) => show.figure(value_m3, 'small-volume')
  return (
    <>
      <SectionHead>
        What decides it
        <small>
          {builtIn && fitted_m3 === 0
            ? `the built-in ${show(builtIn.volume_m3, 'small-volume')} ${need.neededNew_m3 > 0 ? `lacks ${show(need.neededNew_m3, 'small-volume')}` : 'is enough'}`
            : `${figure(need.neededNew_m3)} needed, ${show(fitted_m3, 'small-volume')} fitted`}
        </small>
      </SectionHead>
      <List>
        {sensitivity.map((bar) => {
          const low = bar.low_m3 ?? need.neededNew_m3
          const cut = bar.high_m3 === undefined || bar.high_m3 > most
          const high = Math.min(bar.high_m3 ?? most, most)
          const past = Math.max(low, Math.min(fitted_m3, high))
          const over = bar.high_m3 === undefined || bar.high_m3 > fitted_m3 * (1 + 1e-9)
          return (
            <li key={bar.input}>
              <span>{names[bar.input]}</span>
              <svg viewBox={`0 0 ${width} ${rowHeight}`} preserveAspectRatio="none" aria-hidden>
                <path
                  d={`M${x(need.neededNew_m3)} 0V${rowHeight}`}
                  stroke="var(--ink)"
                  strokeWidth="1.5"
                />
                <path
                  d={`M${x(fitted_m3)} 0V${rowHeight}`}
                  stroke="var(--ink)"
                  strokeWidth="1.5"
                  strokeDasharray="4 3"
                />
                <rect
                  x={x(low)}
                  y="6"
                  width={Math.max(1, x(past) - x(low))}
                  height="10"
                  fill="var(--ink-2)"
                />
                {over && (
                  <rect
                    x={x(past)}
                    y="6"
                    width={Math.max(0, x(high) - x(past))}
                    height="10"
                    fill="var(--stop)"
                  />
                )}
                {cut && (
                  <path
                    d={`M${x(high) - 12} 18l6 -14M${x(high) - 7} 18l6 -14`}
                    stroke="var(--paper)"
                    strokeWidth="3"
                  />
                )}
              </svg>
              <b data-over={over || undefined} className="tnum">
                {bar.high_m3 === undefined ? 'no room' : figure(bar.high_m3)}
              </b>
            </li>
          )
        })}
      </List>
    </>
  )
}

const List = styled.ol`
  padding: 4px 0 8px;
  li {
    display: grid;
    grid-template-columns: 176px minmax(0, 1fr) 52px;
    gap: 8px;
    align-items: center;
    font-size: var(--small);
    height: ${rowHeight}px;
  }
  svg {
    width: 100%;
    height: ${rowHeight}px;
  }
  b {
    font-weight: 450;
    text-align: right;
  }
  b[data-over] {
    color: var(--stop);
    font-weight: 650;
  }
  ${phone} {
    li {
      grid-template-columns: 150px minmax(0, 1fr) 54px;
    }
  }
`
