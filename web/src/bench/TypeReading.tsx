import type { JudgedTest, Parsed } from '@hestian/core'
import { clock, parseQuantity, typedAsk } from '@hestian/core'
import { useEffect, useRef, useState } from 'react'
import { Input, Label, TextField } from 'react-aria-components'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { useKeptText } from '../job/useKeptText'
import { Button } from '../ui/Button'
import { Typed } from './parts'

/** The time, each second, while a test is read by eye. */
function useNow_ms(): number {
  const [now_ms, setNow] = useState(() => Date.now())
  useEffect(() => {
    const ticking = setInterval(() => setNow(Date.now()), 1000)
    return () => clearInterval(ticking)
  }, [])
  return now_ms
}

/**
 * What a test read by eye waits for, on this clock: it asks at the right minute, and a phone in the
 * hand shakes.
 */
export function EyeClock({ test }: { readonly test: JudgedTest }) {
  const { asks, left_s } = typedAsk(test.run, useNow_ms())
  const isDue = asks === 'read-start' || asks === 'read-end'
  const shaken = useRef(false)
  useEffect(() => {
    if (isDue && !shaken.current) navigator.vibrate?.([200, 100, 200])
    shaken.current = isDue
  }, [isDue])
  const late = left_s < -5 ? `, ${clock(-left_s)} late: read it all the same` : ''
  return (
    <>
      {asks === 'settle' && (
        <>
          <b>Settling.</b> Read the gauge in <b role="timer">{clock(left_s)}</b>.
        </>
      )}
      {asks === 'read-start' && (
        <>
          <b>Read the gauge now:</b> this is the start{late}.
        </>
      )}
      {asks === 'hold' && (
        <>
          <b>Holding.</b> Read it again in <b role="timer">{clock(left_s)}</b>.
        </>
      )}
      {asks === 'read-end' && (
        <>
          <b>Read the gauge now:</b> this is the end{late}.
        </>
      )}
    </>
  )
}

/** What a typed text was understood as, or what is wrong with it. */
const readAs = (parsed: Parsed): string =>
  parsed.outcome === 'understood' ? `Understood: ${parsed.echo}` : parsed.says

const siOf = (parsed: Parsed | undefined): number | undefined =>
  parsed?.outcome === 'understood' ? parsed.si : undefined

interface FieldProps {
  readonly label: string
  readonly text: string
  readonly onText: (text: string) => void
  readonly placeholder: string
  readonly says: string
}

function Field({ label, text, onText, placeholder, says }: FieldProps) {
  return (
    <TextField value={text} onChange={onText}>
      <Label>{label}</Label>
      <Input placeholder={placeholder} autoComplete="off" />
      <small>{says}</small>
    </TextField>
  )
}

/** What the gauge shows: one figure, or the two legs of a U-gauge, which add. */
function useGaugeText(isU: boolean, testId: string) {
  const { solution } = useDesign()
  const { show } = useReadBy()
  const [left, setLeft] = useKeptText(`reading:${testId}`)
  const [right, setRight] = useKeptText(`reading-right:${testId}`)
  const texts = [left, right] as const
  const unit = show.unit('gas-pressure')
  const parsed = texts.map((text) =>
    text.trim() === ''
      ? undefined
      : parseQuantity(text, 'gas-pressure', solution.practice.units['gas-pressure']),
  )
  const [one, other] = parsed.map(siOf)
  const says = (at: 0 | 1): string => {
    const mine = parsed[at]
    if (mine) return readAs(mine)
    return isU && parsed[1 - at]
      ? 'One leg alone is not the pressure. Read this one too.'
      : `A bare number is ${unit}.`
  }
  const single = isU || one === undefined ? undefined : one
  const both = isU && one !== undefined && other !== undefined ? one + other : single
  return {
    gauge_Pa: both,
    clear: () => {
      setLeft('')
      setRight('')
    },
    fields: (isU
      ? (['Left leg, from its zero', 'Right leg, from its zero'] as const)
      : (['The gauge reads'] as const)
    ).map((label, i) => {
      const at = i as 0 | 1
      return (
        <Field
          key={label}
          label={label}
          text={texts[at]}
          onText={at === 0 ? setLeft : setRight}
          placeholder={unit}
          says={says(at)}
        />
      )
    }),
  }
}

/**
 * Minutes since pumping as they were typed: nothing is now, and what is no such time is not taken.
 */
const minutesOf = (text: string): number | 'now' | undefined => {
  if (text.trim() === '') return 'now'
  const minutes = Number(text.replace(',', '.'))
  return minutes >= 0 && minutes < 1500 ? minutes : undefined
}

/** A reading taken by eye. Time is that of pressing the button. */
export function TypeReading({ test }: { readonly test: JudgedTest }) {
  const { solution } = useDesign()
  const { typeSample } = useJobActions()
  const { show } = useReadBy()
  const { plan, settleFrom_ms } = test.run
  const { gauge_Pa, clear, fields } = useGaugeText(plan.gauge.kind === 'water-gauge', test.testId)
  const [warmth, setWarmth] = useKeptText(`reading-warmth:${test.testId}`)
  const [minutes, setMinutes] = useKeptText(`reading-minutes:${test.testId}`)
  const temp =
    warmth.trim() === ''
      ? undefined
      : parseQuantity(warmth, 'temperature', solution.practice.units.temperature)
  const after = minutesOf(minutes)
  const isReady =
    gauge_Pa !== undefined &&
    after !== undefined &&
    (temp === undefined || siOf(temp) !== undefined)
  const record = (gauge_Pa: number) => {
    const temp_K = siOf(temp)
    const at_ms =
      after === 'now' || after === undefined
        ? Date.now()
        : settleFrom_ms + Math.round(after * 60_000)
    const sample = { at_ms, gauge_Pa, ...(temp_K === undefined ? {} : { temp_K }) }
    if (!typeSample(test.testId, sample)) return
    clear()
    setMinutes('')
  }
  const inMinutes = (seconds: number) => (seconds / 60).toFixed(0)
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        if (isReady) record(gauge_Pa)
      }}
    >
      <Typed>
        {fields}
        <Field
          label="Temperature by the pipe"
          text={warmth}
          onText={setWarmth}
          placeholder={show.unit('temperature')}
          says={temp ? readAs(temp) : 'Left out, the figures assume a change.'}
        />
        <Field
          label="Minutes since pumping"
          text={minutes}
          onText={setMinutes}
          placeholder="now"
          says={
            after === undefined
              ? 'Minutes, from 0 to 1500.'
              : `Empty means now. Read at the start of the test (${inMinutes(plan.stabilise_s)} min) and at its end (${inMinutes(plan.stabilise_s + plan.test_s)} min).`
          }
        />
      </Typed>
      {isReady ? (
        <Button type="submit" look="go">
          Record {show(gauge_Pa, 'gas-pressure')}
        </Button>
      ) : (
        <Button look="wait" isDisabled>
          Record: waits for a reading
        </Button>
      )}
    </form>
  )
}
