import type { Drawing, Ink, Shape } from '@hestian/core'
import { verdictIcons } from '@hestian/core'
import styled from 'styled-components'

interface DrawingViewProps {
  readonly drawing: Drawing
  readonly selected?: string
  readonly onPick?: (id: string) => void
}

/** Shows one of core's drawings in the colours of the page. What can be picked takes clicks and the keyboard. */
export function DrawingView({ drawing, selected, onPick }: DrawingViewProps) {
  const { width, height, title, shapes } = drawing
  return (
    <Frame viewBox={`0 0 ${width} ${height}`} width={width} height={height} role={onPick ? 'group' : 'img'} aria-label={title} style={{ maxWidth: '100%', height: 'auto' }}>
      {shapes.map((shape, i) => <Drawn key={i} shape={shape} selected={selected} onPick={onPick} />)}
    </Frame>
  )
}

const colour = (ink: Ink | undefined) => (ink ? `var(--${ink})` : undefined)

function Drawn({ shape, selected, onPick }: { readonly shape: Shape; readonly selected?: string; readonly onPick?: (id: string) => void }) {
  switch (shape.kind) {
    case 'line':
      return <line x1={shape.from[0]} y1={shape.from[1]} x2={shape.to[0]} y2={shape.to[1]} stroke={colour(shape.ink)} strokeWidth={shape.width} strokeDasharray={shape.dash} />
    case 'path':
      return <path d={shape.d} fill={colour(shape.fill) ?? 'none'} stroke={colour(shape.ink)} strokeWidth={shape.width} strokeDasharray={shape.dash} />
    case 'rect':
      return <rect x={shape.at[0]} y={shape.at[1]} width={Math.max(0, shape.size[0])} height={Math.max(0, shape.size[1])} fill={colour(shape.fill) ?? 'none'} stroke={colour(shape.ink)} strokeWidth={shape.width} strokeDasharray={shape.dash} />
    case 'text':
      return (
        <text x={shape.at[0]} y={shape.at[1]} fontSize={shape.size} textAnchor={shape.anchor} fill={colour(shape.ink ?? 'ink')} xmlSpace="preserve">
          {shape.spans.map((span, i) => <tspan key={i} fontWeight={span.bold ? 650 : 400} fill={colour(span.ink)}>{span.text}</tspan>)}
        </text>
      )
    case 'icon': {
      const { ink, body, mark, hollow } = verdictIcons[shape.icon]
      return (
        <g transform={`translate(${shape.at[0]} ${shape.at[1]}) scale(${shape.size / 20})`}>
          <path d={body} fill={hollow ? 'none' : colour(ink)} stroke={hollow ? colour(ink) : undefined} strokeWidth={1.7} />
          <path d={mark} fill="none" stroke={hollow ? colour(ink) : 'var(--paper)'} strokeWidth={2.2} />
        </g>
      )
    }
    case 'pick': {
      const inner = (texts: boolean) => shape.shapes.map((part, i) => ((part.kind === 'text') === texts ? <Drawn key={i} shape={part} /> : null))
      if (!onPick) return <g>{inner(false)}{inner(true)}</g>
      const pick = () => onPick(shape.id)
      return (
        <>
        <Pick role="button" tabIndex={0} aria-label={shape.label} aria-pressed={selected === shape.id} onClick={pick} onKeyDown={(event) => { if (event.key === 'Enter' || event.key === ' ') { event.preventDefault(); pick() } }}>
          {inner(false)}
          {shape.shapes.map((part, i) => (part.kind === 'path' && !part.fill ? <path key={i} d={part.d} fill="none" stroke="transparent" strokeWidth={36} pointerEvents="stroke" /> : null))}
        </Pick>
        {/* Its name says what these say; outside it they are not read twice. */}
        <g aria-hidden pointerEvents="none">{inner(true)}</g>
        </>
      )
    }
  }
}

const Frame = styled.svg`
  display: block;
  font-family: var(--text);
  font-feature-settings: 'tnum';
`
const Pick = styled.g`
  cursor: pointer;
  &:focus-visible { outline: 3px solid var(--ink); }
`
