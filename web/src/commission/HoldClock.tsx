import { useEffect, useState } from 'react'
import styled from 'styled-components'
import { useKeptText } from '../job/useKeptText'
import { useAwake } from '../sync/runningTest'
import { Button } from '../ui/Button'

/** Minutes and seconds, never decimals of a minute. */
const clockWords = (seconds: number): string => {
  const whole = Math.max(0, Math.ceil(seconds))
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}

/**
 * Keeps the time of a step that is held; it goes on over a reload, and the screen stays awake
 * meanwhile.
 */
export function HoldClock({
  stepId,
  hold_s,
}: {
  readonly stepId: string
  readonly hold_s: number
}) {
  const [begun, setBegun] = useKeptText(`hold:${stepId}`)
  const now_ms = useSecond(begun !== '')
  const left_s = begun === '' ? undefined : hold_s - (now_ms - Number(begun)) / 1000
  const isRunning = left_s !== undefined && left_s > 0
  useAwake(isRunning)
  if (left_s === undefined)
    return (
      <Frame>
        <Button onPress={() => setBegun(String(Date.now()))}>
          Begin its time: {clockWords(hold_s)}
        </Button>
      </Frame>
    )
  return (
    <Frame>
      <b
        role="timer"
        aria-label={isRunning ? 'Time left' : 'Time over by'}
        data-over={!isRunning || undefined}
      >
        {isRunning ? clockWords(left_s) : `over by ${clockWords(-left_s)}`}
      </b>
      <Button look="text" onPress={() => setBegun('')}>
        Begin it anew
      </Button>
    </Frame>
  )
}

/** The time, once a second while something runs. */
function useSecond(running: boolean): number {
  const [now_ms, setNow] = useState(() => Date.now())
  useEffect(() => {
    if (!running) return
    setNow(Date.now())
    const timer = setInterval(() => setNow(Date.now()), 1000)
    return () => clearInterval(timer)
  }, [running])
  return now_ms
}

const Frame = styled.div`
  display: flex;
  gap: 20px;
  align-items: center;
  margin-top: 12px;
  b {
    font: 700 44px/48px var(--head);
    font-feature-settings: 'tnum';
  }
  b[data-over] {
    color: var(--pass);
  }
`
