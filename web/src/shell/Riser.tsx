import type { Judgement, SheetId, StageId } from '@hestian/core'
import { useLayoutEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import styled, { css } from 'styled-components'
import { stageNames } from './stages'
import { phone } from '../ui/phone'

interface RiserProps {
  readonly judgement: Judgement
  readonly jobId: string
  readonly current: StageId
}

const pipe = { x: 22, half: 9 }

/**
 * Fittings around (22, 0), as outlines that go solid. From the foot up: foot, tee, union, gauge,
 * lever valve, coupling, air vent.
 */
const fittings: Readonly<Record<StageId, string>> = {
  survey: 'M9 -14H35V-6H38V14H6V-6H9ZM9 -1H35M9 6H35',
  design: 'M8 -16H36V-10H40V10H36V16H8V10H12V-10H8Z',
  plan: 'M8 -15H36V-9H40V9H36V15H8V9H4V-9H8ZM14 -15V15M30 -15V15',
  test: 'M9 -17H35V-12H33V12H35V17H9V12H11V-12H9Z',
  commission: 'M6 -13H38L6 13H38ZM22 0H2M2 -6V0',
  handover: 'M8 -16H36V16H8ZM8 -9H36M8 9H36M8 0H36',
  aftercare: 'M10 14V-10L14 -16H30L34 -10V14ZM17 -16V-21H27V-16M10 8H34',
}

function howFar({ of, sheets, checked, steps }: Judgement['stages'][number]): string {
  if (of === 0) return sheets.length === 0 ? 'nothing yet' : 'not asked'
  if (checked === of) return 'checked'
  if (steps) return `${steps.done} of ${steps.of} done`
  return checked === 0 ? 'not begun' : `${checked} of ${of} checked`
}

/**
 * The riser: seven stages bottom to top, filled with what is checked. Visiting a stage never fills
 * it.
 */
export function Riser({ judgement, jobId, current }: RiserProps) {
  const ref = useRef<HTMLElement>(null)
  const [height, setHeight] = useState(600)
  useLayoutEffect(() => {
    const element = ref.current
    if (!element) return
    const observer = new ResizeObserver(() => setHeight(element.clientHeight))
    observer.observe(element)
    return () => observer.disconnect()
  }, [])
  const { stages } = judgement
  const step = (height - 96) / (stages.length - 0.4)
  const y = (index: number) => height - 46 - index * step
  const level = levelOf(stages, y, height)
  return (
    <Frame ref={ref} aria-label="Stages">
      <Tower width="152" height={height} aria-hidden>
        <g>
          <path
            d={`M${pipe.x - pipe.half} ${height}V${y(6) + 12}M${pipe.x + pipe.half} ${height}V${y(6) + 12}`}
            stroke="var(--rule)"
            strokeWidth="1.5"
            fill="none"
          />
          <Level
            x={pipe.x - pipe.half}
            width={pipe.half * 2}
            y={level}
            height={Math.max(0, height - level)}
          />
          <path d={`M${pipe.x + 5} ${height}V${level + 4}`} stroke="var(--ink-3)" strokeWidth="1" />
          <path
            d={`M4 ${level}H39M39 ${level}l7 -3.5v7Z`}
            stroke="var(--ink)"
            strokeWidth="1.5"
            fill="var(--ink)"
          />
          {stages.map((stage, i) => {
            const here = stage.id === current
            const solid = stage.of > 0 && stage.checked === stage.of && y(i) >= level
            if (stage.of === 0)
              return stage.id === 'aftercare' ? (
                <path
                  key={stage.id}
                  transform={`translate(0 ${y(i)})`}
                  d={fittings[stage.id]}
                  fill="var(--paper)"
                  stroke="var(--rule)"
                  strokeWidth="1.5"
                />
              ) : null
            return (
              <g key={stage.id} transform={`translate(0 ${y(i)})`}>
                {here && (
                  <path
                    d="M36 -6H136M36 6H136M132 -10H140V10H132Z"
                    stroke="var(--ink)"
                    strokeWidth="1.8"
                    fill={solid ? 'var(--ink)' : 'var(--paper)'}
                  />
                )}
                {here && <rect x="133" y="-10" width="7" height="20" fill="var(--ink)" />}
                <path
                  d={fittings[stage.id]}
                  fill={solid ? 'var(--ink)' : 'var(--paper)'}
                  stroke={here || solid ? 'var(--ink)' : 'var(--rule)'}
                  strokeWidth={here ? 2.2 : 1.5}
                  strokeLinejoin="miter"
                />
                {solid && <path d="M12 -4H32M12 4H32" stroke="var(--paper)" strokeWidth="1" />}
                {stage.id === 'test' && (
                  <g>
                    <circle
                      cx="22"
                      cy="0"
                      r="8"
                      fill="var(--paper)"
                      stroke="var(--ink)"
                      strokeWidth="1.5"
                    />
                    <path d="M22 0l4 -5" stroke="var(--ink)" strokeWidth="1.8" />
                  </g>
                )}
              </g>
            )
          })}
        </g>
      </Tower>
      {stages.map((stage, i) => {
        const here = stage.id === current
        const first: SheetId | undefined =
          stage.sheets.find((id) => judgement.sheets[id].state !== 'invited') ?? stage.sheets[0]
        const label = (
          <>
            <b>{stageNames[stage.id]}</b>
            <span>{howFar(stage)}</span>
          </>
        )
        return first ? (
          <Stage
            key={stage.id}
            to={`/jobs/${jobId}/${first}`}
            data-here={here || undefined}
            aria-current={here ? 'step' : undefined}
            style={{ top: y(i) - (here ? 38 : 21) }}
          >
            {label}
          </Stage>
        ) : (
          <PlainStage key={stage.id} style={{ top: y(i) - 21 }}>
            {label}
          </PlainStage>
        )
      })}
    </Frame>
  )
}

/**
 * Height of the level: up to the first stage that is not all checked, and into the length below its
 * fitting by its share.
 */
function levelOf(
  stages: Judgement['stages'],
  y: (index: number) => number,
  height: number,
): number {
  const open = stages.findIndex((stage) => stage.of > 0 && stage.checked < stage.of)
  if (open < 0) return y(stages.length - 1) + 14
  const stage = stages[open]
  const from = open === 0 ? height : y(open - 1) - 30
  const to = y(open) + 18
  return from - (from - to) * (stage?.share ?? 0)
}

const Tower = styled.svg`
  > g {
    transform: translateX(12px);
  }
  ${phone} {
    > g {
      transform: none;
    }
  }
`
const Level = styled.rect`
  fill: var(--ink);
  transition:
    y 400ms ease-out,
    height 400ms ease-out;
`
const Frame = styled.nav`
  position: relative;
  width: 152px;
  min-height: 0;
  overflow: hidden;
  border-right: 0.8px solid var(--hair);
  ${phone} {
    width: 44px;
  }
`
const stageLook = css`
  position: absolute;
  left: 62px;
  right: 2px;
  display: grid;
  text-decoration: none;
  padding: 2px 0;
  min-height: 42px;
  b {
    font: 650 var(--plain)/20px var(--head);
    font-stretch: 90%;
    color: var(--ink-3);
  }
  span {
    font: 400 var(--note)/18px var(--head);
    font-stretch: 89%;
    color: var(--ink-3);
  }
  &[data-here] {
    min-height: 76px;
    align-content: space-between;
    b {
      color: var(--ink);
    }
  }
  &:hover b {
    text-decoration: underline;
  }
  ${phone} {
    left: 0;
    width: 44px;
    right: auto;
    min-height: 48px;
    b,
    span {
      position: absolute;
      width: 1px;
      height: 1px;
      overflow: hidden;
      clip-path: inset(50%);
      white-space: nowrap;
    }
    &:focus-visible b {
      position: absolute;
      clip-path: none;
      width: auto;
      height: auto;
      left: 46px;
      top: 10px;
      background: var(--sheet);
      padding: 4px 8px;
      z-index: 5;
    }
  }
`
const Stage = styled(Link)`
  ${stageLook}
`
/** A stage with nothing built yet is plain pipe. */
const PlainStage = styled.span`
  ${stageLook} b {
    font-weight: 450;
  }
`
