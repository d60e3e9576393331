import type { GasAnswer, SizeBeside, Show } from '@hestian/core'
import { sizesBeside } from '@hestian/core'
import { useMemo } from 'react'
import { useDesign, useJobActions, useOnceShown, useReadBy } from '../job/JobContext'
import { SizesFrame } from '../network/SizesFrame'
import { Button } from '../ui/Button'
import { Mark } from '../ui/icons'

/**
 * The selected length in the sizes next to its own: what each would lose on the way to the
 * appliance that is worst off.
 */
export function IfThisSize({ answer, id }: { readonly answer: GasAnswer; readonly id: string }) {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const pipe = answer.pipes.find((one) => one.id === id)
  const put = useOnceShown((size: string) => {
    const index = draft.document.gas.segments.findIndex((segment) => segment.id === id)
    if (index >= 0) edit([{ path: ['gas', 'segments', index, 'size'], value: size }])
  })
  const rows = useMemo(() => sizesBeside(answer, id), [answer, id])
  if (!pipe) return null
  return (
    <SizesFrame>
      <h3>
        {pipe.segment.name} <small>selected</small>
      </h3>
      <p>If this length were</p>
      <ol>
        {rows.map((row) => {
          const { size, worst_Pa, current } = row
          const says = refusal(row, show)
          return (
            <li key={size.name} data-current={current || undefined}>
              <b>{size.name}</b>
              <div>
                <span className="tnum">{show(worst_Pa, 'gas-pressure')} to the worst off</span>
                <em data-over={says !== undefined || undefined}>
                  {says ?? (current ? 'Pass: as drawn' : 'Pass')}
                </em>
                {!current && (
                  <Button look="text" onPress={() => put(size.name)}>
                    Use it
                  </Button>
                )}
              </div>
              <Mark kind={says ? 'stop' : 'pass'} />
            </li>
          )
        })}
      </ol>
    </SizesFrame>
  )
}

function refusal({ over_Pa, tableRefuses_m3_s }: SizeBeside, show: Show): string | undefined {
  if (over_Pa > 0) return `Stop: ${show(over_Pa, 'gas-pressure')} over`
  return tableRefuses_m3_s === undefined
    ? undefined
    : `Stop: the table lets it carry ${show(tableRefuses_m3_s, 'gas-flow')}`
}
