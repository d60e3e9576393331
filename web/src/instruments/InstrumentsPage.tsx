import type { Instrument } from '@hestian/core'
import { calibrationOn } from '@hestian/core'
import { useState } from 'react'
import { useInstruments } from '../api/queries'
import { Button } from '../ui/Button'
import { today } from '../ui/dates'
import { DoneHead, DoneRow } from '../ui/DoneRow'
import { FirmHead, FirmPage } from '../ui/FirmPage'
import { Mark } from '../ui/icons'
import { InstrumentForm } from './InstrumentForm'
import { instrumentSays } from './instrumentSays'

/**
 * The gauges of the firm: what each shows, and until when its calibration holds. A certificate
 * names the one that read.
 */
export function InstrumentsPage() {
  const { data, isPending, error } = useInstruments()
  const [open, setOpen] = useState<string>()
  const day = today()
  const all = data ?? []
  const used = all.filter(({ retired }) => !retired)
  const standing = (stands: ReturnType<typeof calibrationOn>) =>
    used.filter(({ calibratedUntil }) => calibrationOn(calibratedUntil, day) === stands).length
  return (
    <FirmPage>
      <h1>
        {headOf({
          ...{ isPending, isAway: error !== null && !data, used: used.length },
          ...{ expired: standing('expired'), unknown: standing('none') },
        })}
      </h1>
      <p>
        A test names the gauge that read it, with its number and until when its calibration held.
        One that has run out is no hindrance: the certificate says so.
      </p>
      <FirmHead>
        Gauges<small>retired ones stay: certificates name them</small>
      </FirmHead>
      <ul aria-label="Gauges">
        {all.map((one) => (
          <Row
            key={one.id}
            instrument={one}
            today={day}
            isOpen={open === one.id}
            onOpen={() => setOpen(one.id)}
            onDone={() => setOpen(undefined)}
          />
        ))}
      </ul>
      {open === 'new' ? (
        <InstrumentForm onDone={() => setOpen(undefined)} />
      ) : (
        <Button look={data?.length === 0 ? 'go' : 'line'} onPress={() => setOpen('new')}>
          Add a gauge
        </Button>
      )}
    </FirmPage>
  )
}

function headOf({
  isPending,
  isAway,
  used,
  expired,
  unknown,
}: {
  readonly isPending: boolean
  readonly isAway: boolean
  readonly used: number
  readonly expired: number
  /** Of so many nobody has written down until when the calibration holds. */
  readonly unknown: number
}) {
  if (isAway) return 'The server does not answer; trying again.'
  if (isPending) return 'Fetching the gauges …'
  if (used === 0)
    return (
      <>
        No gauge on the list. <b>Add the first.</b>
      </>
    )
  const gauges = `${used} ${used === 1 ? 'gauge' : 'gauges'}`
  const more = unknown > 0 && (
    <>
      ; of <b>{unknown}</b> no calibration is on file
    </>
  )
  if (expired > 0)
    return (
      <>
        <b>{expired}</b> of {gauges} past {expired === 1 ? 'its' : 'their'} calibration{more}.
      </>
    )
  return (
    <>
      <b>{gauges}</b>
      {more || ', every calibration on file holds'}.
    </>
  )
}

interface RowProps {
  readonly instrument: Instrument
  readonly today: string
  readonly isOpen: boolean
  readonly onOpen: () => void
  readonly onDone: () => void
}

const marks = { none: 'note', expired: 'fix', valid: 'pass' } as const

function Row({ instrument, today, isOpen, onOpen, onDone }: RowProps) {
  const { name, calibratedUntil, retired } = instrument
  return (
    <DoneRow data-open={isOpen || undefined}>
      <Mark kind={retired ? 'not-yet' : marks[calibrationOn(calibratedUntil, today)]} size={22} />
      <div>
        <DoneHead>
          <b>{name}</b>
          {!isOpen && (
            <Button look="text" aria-label={`Change: ${name}`} onPress={onOpen}>
              Change
            </Button>
          )}
        </DoneHead>
        <small>{instrumentSays(instrument, today)}</small>
        {isOpen && <InstrumentForm instrument={instrument} onDone={onDone} />}
      </div>
    </DoneRow>
  )
}
