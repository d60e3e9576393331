import type { Drawing, Ink, Shape, Slide } from '@hestian/core'
import type { PointerEvent } from 'react'
import { useRef } from 'react'
import { verdictIcons } from '@hestian/core'
import styled from 'styled-components'
import { useOnceShown } from '../job/JobContext'

interface DrawingViewProps {
  readonly drawing: Drawing
  readonly selected?: string
  readonly onPick?: (id: string) => void
  /** A part that may be moved along its scale was moved; `done` when it was let go. */
  readonly onSlide?: (id: string, value: number, done: boolean) => void
}

/**
 * Shows one of core's drawings in the colours of the page. What can be picked takes clicks and the
 * keyboard.
 */
export function DrawingView({ drawing, selected, onPick, onSlide }: DrawingViewProps) {
  const { width, height, title, shapes } = drawing
  return (
    <Frame
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      role={onPick || onSlide ? 'group' : 'img'}
      aria-label={title}
      style={{ maxWidth: '100%', height: 'auto' }}
    >
      {/* What is held keeps to its own shape, wherever it comes in the list as it moves. */}
      {shapes.map((shape, i) => (
        <Drawn
          key={shape.kind === 'pick' ? `pick ${shape.id}` : i}
          shape={shape}
          selected={selected}
          onPick={onPick}
          onSlide={onSlide}
        />
      ))}
    </Frame>
  )
}

const colour = (ink: Ink | undefined) => (ink ? `var(--${ink})` : undefined)

interface DrawnProps {
  readonly shape: Shape
  readonly selected?: string
  readonly onPick?: (id: string) => void
  readonly onSlide?: DrawingViewProps['onSlide']
}

function Drawn({ shape, selected, onPick, onSlide }: DrawnProps) {
  switch (shape.kind) {
    case 'line':
      return (
        <line
          x1={shape.from[0]}
          y1={shape.from[1]}
          x2={shape.to[0]}
          y2={shape.to[1]}
          stroke={colour(shape.ink)}
          strokeWidth={shape.width}
          strokeDasharray={shape.dash}
        />
      )
    case 'path':
      return (
        <path
          d={shape.d}
          fill={colour(shape.fill) ?? 'none'}
          stroke={colour(shape.ink)}
          strokeWidth={shape.width}
          strokeDasharray={shape.dash}
        />
      )
    case 'rect':
      return (
        <rect
          x={shape.at[0]}
          y={shape.at[1]}
          width={Math.max(0, shape.size[0])}
          height={Math.max(0, shape.size[1])}
          fill={colour(shape.fill) ?? 'none'}
          stroke={colour(shape.ink)}
          strokeWidth={shape.width}
          strokeDasharray={shape.dash}
        />
      )
    case 'text':
      return (
        <text
          x={shape.at[0]}
          y={shape.at[1]}
          fontSize={shape.size}
          textAnchor={shape.anchor}
          fill={colour(shape.ink ?? 'ink')}
          xmlSpace="preserve"
        >
          {shape.spans.map((span, i) => (
            <tspan key={i} fontWeight={span.bold ? 650 : 400} fill={colour(span.ink)}>
              {span.text}
            </tspan>
          ))}
        </text>
      )
    case 'icon': {
      const { ink, body, mark, hollow } = verdictIcons[shape.icon]
      return (
        <g transform={`translate(${shape.at[0]} ${shape.at[1]}) scale(${shape.size / 20})`}>
          <path
            d={body}
            fill={hollow ? 'none' : colour(ink)}
            stroke={hollow ? colour(ink) : undefined}
            strokeWidth={1.7}
          />
          <path
            d={mark}
            fill="none"
            stroke={hollow ? colour(ink) : 'var(--paper)'}
            strokeWidth={2.2}
          />
        </g>
      )
    }
    case 'pick': {
      const inner = (texts: boolean) =>
        shape.shapes.map((part, i) =>
          (part.kind === 'text') === texts ? <Drawn key={i} shape={part} /> : null,
        )
      if (shape.slide && onSlide)
        return (
          <Sliding
            slide={shape.slide}
            label={shape.label}
            says={shape.says ?? ''}
            onSlide={(value, done) => onSlide(shape.id, value, done)}
          >
            {inner(false)}
            {inner(true)}
          </Sliding>
        )
      if (!onPick)
        return (
          <g>
            {inner(false)}
            {inner(true)}
          </g>
        )
      const pick = () => onPick(shape.id)
      return (
        <>
          <Pick
            role="button"
            tabIndex={0}
            aria-label={shape.label}
            aria-pressed={selected === shape.id}
            onClick={pick}
            onKeyDown={(event) => {
              if (event.key === 'Enter' || event.key === ' ') {
                event.preventDefault()
                pick()
              }
            }}
          >
            {inner(false)}
            {shape.shapes.map((part, i) =>
              part.kind === 'path' && !part.fill ? (
                <path
                  key={i}
                  d={part.d}
                  fill="none"
                  stroke="transparent"
                  strokeWidth={36}
                  pointerEvents="stroke"
                />
              ) : null,
            )}
          </Pick>
          {/* Its name says what these say; outside it they are not read twice. */}
          <g aria-hidden pointerEvents="none">
            {inner(true)}
          </g>
        </>
      )
    }
  }
}

const onStep = ({ least, most, step }: Slide, value: number) =>
  Math.min(most, Math.max(least, Math.round(value / step) * step))

/** A rung that is moved by dragging it, or by the arrow keys. */
function Sliding({
  slide,
  label,
  says,
  onSlide,
  children,
}: {
  readonly slide: Slide
  readonly label: string
  readonly says: string
  readonly onSlide: (value: number, done: boolean) => void
  readonly children: React.ReactNode
}) {
  const from = useRef<{ readonly y: number; readonly value: number; readonly scale: number }>(
    undefined,
  )
  const valueAt = (event: PointerEvent<SVGGElement>) =>
    from.current
      ? onStep(
          slide,
          from.current.value -
            (event.clientY - from.current.y) / from.current.scale / slide.perUnit,
        )
      : slide.value
  const byKey: Record<string, number> = {
    ArrowUp: 1,
    ArrowRight: 1,
    ArrowDown: -1,
    ArrowLeft: -1,
    PageUp: 10,
    PageDown: -10,
  }
  const step = useOnceShown((by: number) =>
    onSlide(onStep(slide, slide.value + by * slide.step), true),
  )
  return (
    <Grip
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-orientation="vertical"
      aria-valuemin={slide.least}
      aria-valuemax={slide.most}
      aria-valuenow={slide.value}
      aria-valuetext={says}
      onPointerDown={(event) => {
        const svg = event.currentTarget.ownerSVGElement
        from.current = {
          y: event.clientY,
          value: slide.value,
          scale: svg ? svg.getBoundingClientRect().height / svg.viewBox.baseVal.height : 1,
        }
        event.currentTarget.setPointerCapture(event.pointerId)
      }}
      onPointerMove={(event) => {
        if (from.current) onSlide(valueAt(event), false)
      }}
      onPointerUp={(event) => {
        if (from.current) {
          const value = valueAt(event)
          from.current = undefined
          onSlide(value, true)
        }
      }}
      onPointerCancel={() => {
        if (from.current) {
          const { value } = from.current
          from.current = undefined
          onSlide(value, true)
        }
      }}
      onKeyDown={(event) => {
        const by = byKey[event.key]
        if (by === undefined) return
        event.preventDefault()
        step(by)
      }}
    >
      {children}
    </Grip>
  )
}

const Grip = styled.g`
  cursor: ns-resize;
  touch-action: none;
  text {
    user-select: none;
  }
  &:focus-visible {
    outline: 3px solid var(--ink);
  }
`
const Frame = styled.svg`
  display: block;
  font-family: var(--text);
  font-feature-settings: 'tnum';
`
const Pick = styled.g`
  cursor: pointer;
  &:focus-visible {
    outline: 3px solid var(--ink);
  }
`
