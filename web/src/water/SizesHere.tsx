import type { WaterAnswer } from '@hestian/core'
import { waterSizesBeside } from '@hestian/core'
import { useMemo } from 'react'
import { useDesign, useJobActions, useOnceShown, useReadBy } from '../job/JobContext'
import { SizesFrame } from '../network/SizesFrame'
import { Button } from '../ui/Button'
import { Mark } from '../ui/icons'

const pathOf = (place: string): readonly (string | number)[] => [
  ...place.split('.').map((key) => (/^\d+$/.test(key) ? Number(key) : key)),
  'size',
]

/**
 * The selected pipe in the sizes next to its own: how fast it would run, and what would be left at
 * the outlet that is worst off.
 */
export function SizesHere({ answer, id }: { readonly answer: WaterAnswer; readonly id: string }) {
  const { solution } = useDesign()
  const { edit } = useJobActions()
  const { practice } = solution
  const pipe = answer.pipes.find((one) => one.id === id)
  const rows = useMemo(() => waterSizesBeside(answer, practice, id), [answer, practice, id])
  const put = useOnceShown((size: string | null) => {
    if (pipe) edit([{ path: pathOf(pipe.place), value: size }])
  })
  if (!pipe) return null
  return (
    <SizesFrame>
      <h3>
        {pipe.segment.name} <small>selected</small>
      </h3>
      <p>If this length were</p>
      <ol>
        {rows.map((row) => (
          <SizeRow key={row.size.name} row={row} onUse={() => put(row.size.name)} />
        ))}
      </ol>
      {!pipe.chosen && (
        <p>
          Chosen by hand.{' '}
          <Button look="text" onPress={() => put(null)}>
            Let Hestian choose
          </Button>
        </p>
      )}
    </SizesFrame>
  )
}

type SizeBeside = ReturnType<typeof waterSizesBeside>[number]

function SizeRow({ row, onUse }: { readonly row: SizeBeside; readonly onUse: () => void }) {
  const { show } = useReadBy()
  const { size, current, velocity_m_s, leftGauge_Pa, tooFast, short } = row
  const { kind, says } = verdictOf(row)
  return (
    <li data-current={current || undefined}>
      <b>{size.name}</b>
      <div>
        <span className="tnum">
          {show(velocity_m_s, 'velocity')}
          {leftGauge_Pa === undefined
            ? ''
            : `, ${show(leftGauge_Pa, 'water-pressure')} at the worst off`}
        </span>
        <em data-over={tooFast || short || undefined}>{says}</em>
        {!current && (
          <Button look="text" onPress={onUse}>
            Use it
          </Button>
        )}
      </div>
      <Mark kind={kind} />
    </li>
  )
}

function verdictOf({ short, tooFast, current }: SizeBeside) {
  if (short) return { kind: 'stop', says: 'Stop: too little is left' } as const
  if (tooFast) return { kind: 'fix', says: 'Too fast' } as const
  return { kind: 'pass', says: current ? 'Pass: as drawn' : 'Pass' } as const
}
