import type { WaterAnswer } from '@hestian/core'
import { waterSizesBeside } from '@hestian/core'
import { useMemo } from 'react'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { SizesFrame } from '../network/SizesFrame'
import { Button } from '../ui/Button'
import { Mark } from '../ui/icons'

/**
 * The selected pipe in the sizes next to its own: how fast it would run, and what would be left at
 * the outlet that is worst off.
 */
export function SizesHere({ answer, id }: { readonly answer: WaterAnswer; readonly id: string }) {
  const { solution } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { practice } = solution
  const pipe = answer.pipes.find((one) => one.id === id)
  const rows = useMemo(() => waterSizesBeside(answer, practice, id), [answer, practice, id])
  if (!pipe) return null
  const path = [
    ...pipe.place.split('.').map((key) => (/^\d+$/.test(key) ? Number(key) : key)),
    'size',
  ]
  return (
    <SizesFrame>
      <h3>
        {pipe.segment.name} <small>selected</small>
      </h3>
      <p>If this length were</p>
      <ol>
        {rows.map(({ size, current, velocity_m_s, leftGauge_Pa, tooFast, short }) => (
          <li key={size.name} data-current={current || undefined}>
            <b>{size.name}</b>
            <div>
              <span className="tnum">
                {show(velocity_m_s, 'velocity')}
                {leftGauge_Pa === undefined
                  ? ''
                  : `, ${show(leftGauge_Pa, 'water-pressure')} at the worst off`}
              </span>
              <em data-over={tooFast || short || undefined}>
                {short
                  ? 'Stop: too little is left'
                  : tooFast
                    ? 'Too fast'
                    : current
                      ? 'Pass: as drawn'
                      : 'Pass'}
              </em>
              {!current && (
                <Button look="text" onPress={() => edit([{ path, value: size.name }])}>
                  Use it
                </Button>
              )}
            </div>
            <Mark kind={short ? 'stop' : tooFast ? 'fix' : 'pass'} />
          </li>
        ))}
      </ol>
      {!pipe.chosen && (
        <p>
          Chosen by hand.{' '}
          <Button look="text" onPress={() => edit([{ path, value: null }])}>
            Let Hestian choose
          </Button>
        </p>
      )}
    </SizesFrame>
  )
}
