import type { GasSegment, MaterialName } from '@hestian/core'
import { blankGasSegment, burnsGas, materialNames, materials, pathTo } from '@hestian/core'
import styled from 'styled-components'
import { newId } from '../api/client'
import { useJob } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Choice, InlineCount, InlineText } from '../ui/fields'
import { knownOf, Ledger, QuantityRow } from '../ui/QuantityRow'

const none = 'none'

/** Adds a pipe after another, or from the meter; gives its id. */
export function useAddSegment(): (from: string) => string {
  const { draft, edit, solution } = useJob()
  return (from) => {
    const { segments } = draft.document.gas
    const id = newId().slice(0, 12)
    const start = segments.find((segment) => segment.id === from)?.name
    edit([{ path: ['gas', 'segments', segments.length], value: blankGasSegment({ id, name: start ? `After ${start}`.slice(0, 120) : 'From the meter', from, material: solution.practice.gas.material }) }])
    return id
  }
}

/** One pipe: where it leaves from, how long, its fittings, material and size, and what it ends at. */
export function SegmentEditor({ id, onGone }: { readonly id: string; readonly onGone: () => void }) {
  const { draft, edit } = useJob()
  const { segments } = draft.document.gas
  const index = segments.findIndex((segment) => segment.id === id)
  const segment = segments[index]
  if (!segment) return null
  const at = (key: keyof GasSegment) => ['gas', 'segments', index, key]
  const burners = draft.document.appliances.filter((appliance) => burnsGas(appliance.kind))
  const elsewhere = segments.filter((other) => !pathTo(segments, other.id).some((step) => step.id === id))
  const remove = () => {
    edit([{ path: ['gas', 'segments'], value: segments.filter((other) => other.id !== id).map((other) => (other.from === id ? { ...other, from: segment.from } : other)) }])
    onGone()
  }
  return (
    <Panel aria-label={`Pipe: ${segment.name}`}>
      <SectionHead>{segment.name}<small><Button look="text" onPress={remove}>Remove this pipe</Button></small></SectionHead>
      <Grid>
        <InlineText labelled required label="Name" value={segment.name} maxLength={120} onCommit={(name) => edit([{ path: at('name'), value: name.trim() }])} />
        <Choice labelled label="Leaves from" value={segment.from} options={[{ id: 'meter', text: 'The meter' }, ...elsewhere.map((other) => ({ id: other.id, text: `End of ${other.name}` }))]} onChoose={(from) => edit([{ path: at('from'), value: from }])} />
        <Choice labelled label="Ends at" value={segment.applianceId ?? none} options={[{ id: none, text: 'A branch' }, ...burners.map((appliance) => ({ id: appliance.id, text: appliance.name }))]} onChoose={(next) => edit([{ path: at('applianceId'), value: next === none ? null : next }])} />
        <Choice<MaterialName> labelled label="Material" value={segment.material} options={materialNames.map((name) => ({ id: name, text: materials[name].label }))} onChoose={(material) => edit([{ path: at('material'), value: material }, { path: at('size'), value: null }])} />
        <Choice labelled label="Size" value={segment.size ?? none} options={[{ id: none, text: 'Choose for me' }, ...materials[segment.material].sizes.map((size) => ({ id: size.name as string, text: size.name as string }))]} onChoose={(size) => edit([{ path: at('size'), value: size === none ? null : size }])} />
        <Two><InlineCount labelled label="Elbows" value={segment.elbows} onCommit={(elbows) => edit([{ path: at('elbows'), value: elbows }])} /><InlineCount labelled label="Tees, branch" value={segment.branchTees} onCommit={(tees) => edit([{ path: at('branchTees'), value: tees }])} /></Two>
      </Grid>
      <Ledger><QuantityRow label="Length of pipe" place={`gas.segments.${index}.length`} measure="length" value={segment.length_m} how="Tape" why="Fittings are added to it by the method." onUse={(entry) => edit([{ path: at('length_m'), value: knownOf(entry) }])} onClear={() => edit([{ path: at('length_m'), value: null }])} /></Ledger>
    </Panel>
  )
}

const Panel = styled.section` margin: 4px -14px 8px -24px; padding: 4px 14px 12px 24px; background: color-mix(in srgb, var(--select) 45%, var(--paper)); @media (max-width: 720px) { margin: 4px -14px 8px -12px; padding: 4px 14px 12px 12px; } `
const Grid = styled.div` display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 10px 20px; margin: 8px 0; @media (max-width: 720px) { grid-template-columns: 1fr; } `
const Two = styled.div` display: flex; gap: 20px; `
