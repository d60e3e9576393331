import type { GasAnswer, PipeSize } from '@hestian/core'
import { materials, pipeDrop_Pa, tableFlow_m3_s } from '@hestian/core'
import { useMemo } from 'react'
import styled from 'styled-components'
import { useJob } from '../job/JobContext'
import { Button } from '../ui/Button'
import { Mark } from '../ui/icons'

/** The selected length in the sizes next to its own: what each would lose on the way to the appliance that is worst off. */
export function IfThisSize({ answer, id }: { readonly answer: GasAnswer; readonly id: string }) {
  const { show, edit, draft } = useJob()
  const pipe = answer.pipes.find((one) => one.id === id)
  const rows = useMemo(() => {
    if (!pipe) return []
    const sizes: readonly PipeSize[] = materials[pipe.pipe.material].sizes
    const at = sizes.findIndex((size) => size.name === pipe.pipe.size.name)
    const beyond = answer.pipes.filter((one) => one.appliance && reaches(answer, one.id, id))
    return sizes.slice(Math.max(0, at - 1), at + 2).map((size) => {
      const change_Pa = pipeDrop_Pa(pipe.pipe, size, pipe.flow_m3_s, answer.conditions) - pipe.drop_Pa
      const worst_Pa = Math.max(0, ...beyond.map((one) => one.dropTo_Pa)) + change_Pa
      const over_Pa = Math.max(...beyond.map((one) => Math.max(one.dropTo_Pa + change_Pa - answer.allowance_Pa, (one.appliance?.minInletGauge_Pa?.value ?? -Infinity) - (one.farGauge_Pa - change_Pa))), -Infinity)
      const table_m3_s = answer.tableLength_m === undefined || size.outsideDiameter_m === undefined ? undefined : tableFlow_m3_s({ outsideDiameter_m: size.outsideDiameter_m, length_m: answer.tableLength_m })
      const says = over_Pa > 0 ? `Stop: ${show(over_Pa, 'gas-pressure')} over` : table_m3_s !== undefined && table_m3_s < pipe.flow_m3_s ? `Stop: the table lets it carry ${show(table_m3_s, 'gas-flow')}` : undefined
      return { size, worst_Pa, says, current: size.name === pipe.pipe.size.name }
    })
  }, [answer, id, pipe, show])
  if (!pipe) return null
  const index = draft.document.gas.segments.indexOf(pipe.segment)
  return (
    <Frame>
      <h3>{pipe.segment.name} <small>selected</small></h3>
      <p>If this length were</p>
      <ol>
        {rows.map(({ size, worst_Pa, says, current }) => (
          <li key={size.name} data-current={current || undefined}>
            <b>{size.name}</b>
            <div><span className="tnum">{show(worst_Pa, 'gas-pressure')} to the worst off</span><em data-over={says !== undefined || undefined}>{says ?? (current ? 'Pass: as drawn' : 'Pass')}</em>{!current && <Button look="text" onPress={() => edit([{ path: ['gas', 'segments', index, 'size'], value: size.name }])}>Use it</Button>}</div>
            <Mark kind={says ? 'stop' : 'pass'} />
          </li>
        ))}
      </ol>
    </Frame>
  )
}

/** Whether the way to a node goes through a pipe. */
function reaches(answer: GasAnswer, node: string, through: string): boolean {
  const pipe = answer.pipes.find((one) => one.id === node)
  return pipe !== undefined && (pipe.id === through || reaches(answer, pipe.segment.from, through))
}

const Frame = styled.section`
  padding-bottom: 12px;
  h3 { font: 650 20px/24px var(--head); small { font: 400 15px/20px var(--text); color: var(--ink-3); } } p { font-size: 15px; color: var(--ink-2); }
  li { display: grid; grid-template-columns: 78px 1fr 22px; gap: 6px; align-items: center; padding: 8px 6px; border-bottom: 0.8px solid var(--hair); margin: 0 -6px; b { font: 650 22px/26px var(--head); } div { display: grid; font-size: 15px; line-height: 19px; } em { font-style: normal; font-weight: 650; color: var(--pass); } em[data-over] { color: var(--stop); } }
  li[data-current] { background: var(--select); border-top: 1.5px solid var(--ink); border-bottom: 1.5px solid var(--ink); }
`
