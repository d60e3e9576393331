import type { AskFigure, GaugeState, Parsed } from '@hestian/core'
import { clock } from '@hestian/core'
import { useEffect, useState } from 'react'
import { FieldError, Input, Label, Text, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useDesign, useReadBy } from '../job/JobContext'
import { useAwake } from '../sync/runningTest'
import { Button } from '../ui/Button'

interface FieldProps {
  readonly label: string
  readonly hint: string | undefined
  readonly text: string
  readonly parsed: Parsed | undefined
  readonly onText: (text: string) => void
}

/** A line to type a figure or a name on, with what was understood. */
export function TypedField({ label, hint, text, parsed, onText }: FieldProps) {
  const error =
    parsed?.outcome === 'refused' || parsed?.outcome === 'ambiguous' ? parsed.says : undefined
  return (
    <TextField
      value={text}
      onChange={onText}
      isInvalid={error !== undefined}
      validationBehavior="aria"
      maxLength={200}
    >
      <Label>{label}</Label>
      <Input autoComplete="off" />
      {error === undefined && <Text slot="description">{described(parsed, hint)}</Text>}
      <FieldError>{error}</FieldError>
    </TextField>
  )
}

function described(parsed: Parsed | undefined, hint: string | undefined): string {
  if (parsed?.outcome === 'understood')
    return `Understood: ${parsed.echo}${parsed.question ? '. Unusual: is the unit right?' : ''}`
  // A line that is there before its text is, so that nothing moves while one types.
  return hint ? `May be left out. ${hint}` : '\u00a0'
}

interface FigureFieldProps extends FieldProps {
  readonly ask: AskFigure
  readonly gauges: readonly GaugeState[]
  /** When its clock was started, as it is kept over a reload; empty while it stands still. */
  readonly startedAt: string
  readonly onStart: (startedAt: string) => void
  /** What it counted, as one types it. */
  readonly onStop: (text: string) => void
  readonly onTake: (text: string, from: string) => void
}

/** A figure that is typed, taken from an instrument that is heard, or kept by Hestian's clock. */
export function FigureField(props: FigureFieldProps) {
  const { ask, gauges, onTake } = props
  return (
    <div>
      <TypedField {...props} />
      {ask.live && gauges.map((gauge) => <Take key={gauge.id} {...{ ask, gauge, onTake }} />)}
      {ask.clock && <Clock {...props} />}
    </div>
  )
}

/** One press takes what an instrument shows now. */
function Take({
  ask,
  gauge: { state, values, name },
  onTake,
}: Pick<FigureFieldProps, 'ask' | 'onTake'> & { readonly gauge: GaugeState }) {
  const { show } = useReadBy()
  const si = ask.live && values[ask.live]
  if (state !== 'live' || si === undefined) return null
  const told = show(si, ask.measure).replaceAll(/[\u00a0\u2009\u202f]/g, ' ')
  return (
    <Line>
      <Button look="text" onPress={() => onTake(told, name)} aria-label={`Take ${told}, ${name}`}>
        Take {told}
      </Button>
      <small>{name}</small>
    </Line>
  )
}

/** Time since the clock was started, counted here each second. */
function useElapsed_s(startedAt: string): number | undefined {
  const [now_ms, setNow] = useState(() => Date.now())
  useEffect(() => {
    if (startedAt === '') return
    setNow(Date.now())
    const ticking = setInterval(() => setNow(Date.now()), 1000)
    return () => clearInterval(ticking)
  }, [startedAt])
  return startedAt === '' ? undefined : Math.max(0, (now_ms - Number(startedAt)) / 1000)
}

/**
 * A clock that Hestian keeps, over a reload too: started, stopped, and what it counted taken as the
 * time.
 */
function Clock({ ask, startedAt, onStart, onStop }: FigureFieldProps) {
  const { solution } = useDesign()
  const elapsed_s = useElapsed_s(startedAt)
  useAwake(elapsed_s !== undefined)
  if (elapsed_s === undefined)
    return (
      <Line>
        <Button look="text" onPress={() => onStart(String(Date.now()))}>
          Start the clock
        </Button>
      </Line>
    )
  const asked_s = ask.clock?.(solution.practice)
  const left_s = asked_s === undefined ? undefined : asked_s - elapsed_s
  return (
    <Line data-due={(left_s !== undefined && left_s <= 0) || undefined}>
      <b role="timer">{clock(elapsed_s)}</b>
      <Button look="text" onPress={() => onStop(asTyped(elapsed_s))}>
        Stop and take it
      </Button>
      <small>{left_s !== undefined && saidLeft(left_s)}</small>
    </Line>
  )
}

const saidLeft = (left_s: number): string =>
  left_s > 0 ? `${clock(left_s)} to go` : 'Its time is over: read it.'

/** A time as one types it: short ones in seconds, long ones in minutes. */
const asTyped = (elapsed_s: number): string =>
  elapsed_s < 600 ? `${Math.round(elapsed_s)} s` : `${(elapsed_s / 60).toFixed(1)} min`

const Line = styled.div`
  display: flex;
  gap: 6px 14px;
  align-items: baseline;
  flex-wrap: wrap;
  b {
    font: 650 var(--lead)/24px var(--head);
    font-feature-settings: 'tnum';
  }
  small {
    font-size: var(--note);
    color: var(--ink-3);
  }
  &[data-due] b,
  &[data-due] small {
    color: var(--look);
  }
`
