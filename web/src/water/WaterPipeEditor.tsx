import type { WaterEnd, WaterSegment } from '@hestian/core'
import { PipeEditor } from '../network/PipeEditor'
import { useDesign, useJobActions } from '../job/JobContext'
import { usePipes } from '../network/usePipes'
import { Choice } from '../ui/Choice'
import { InlineCount } from '../ui/fields'
import { QuantityRow } from '../ui/QuantityRow'
import { knownOf } from '../ui/quantity'

const none = 'none'
const fixedEnds = {
  heater: 'The heater, hot from here on',
  'make-up': 'The make-up of the heating',
} as const

function endId(end: WaterEnd | null): string {
  if (end === null) return none
  return end.kind === 'outlet' ? `outlet:${end.outletId}` : end.kind
}

/**
 * One water pipe: where it leaves from, how long, how much it rises, its fittings, material and
 * size, and what it ends at.
 */
export function WaterPipeEditor({
  id,
  onGone,
}: {
  readonly id: string
  readonly onGone: () => void
}) {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const pipes = usePipes('water')
  const { segments } = draft.document.water
  const index = segments.findIndex((segment) => segment.id === id)
  const segment = segments[index]
  if (!segment) return null
  const at = (key: keyof WaterSegment) => ['water', 'segments', index, key]
  const outlets = draft.document.hotWater?.outlets ?? []
  const place = `water.segments.${index}`
  const endFor = (next: string): WaterEnd | null => {
    if (next === 'heater' || next === 'make-up') return { kind: next }
    if (!next.startsWith('outlet:')) return null
    const outletId = next.slice('outlet:'.length)
    const there = outlets.find((outlet) => outlet.id === outletId)?.count ?? 1
    const count = segment.end?.kind === 'outlet' ? segment.end.count : Math.max(1, there)
    return { kind: 'outlet', outletId, count }
  }
  return (
    <PipeEditor
      pipes={pipes}
      id={id}
      onGone={onGone}
      bends="Bends"
      endsAt={
        <Choice
          labelled
          label="Ends at"
          value={endId(segment.end)}
          options={[
            { id: none, text: 'A branch' },
            ...outlets.map((outlet) => ({ id: `outlet:${outlet.id}`, text: outlet.name })),
            ...Object.entries(fixedEnds).map(([key, text]) => ({ id: key, text })),
          ]}
          onChoose={(next) => edit([{ path: at('end'), value: endFor(next) }])}
        />
      }
      counts={
        segment.end?.kind === 'outlet' && (
          <InlineCount
            labelled
            label="How many"
            value={segment.end.count}
            onCommit={(count) =>
              segment.end?.kind === 'outlet' &&
              edit([{ path: at('end'), value: { ...segment.end, count: Math.max(1, count) } }])
            }
          />
        )
      }
      figures={
        <>
          <QuantityRow
            label="Far end higher by"
            place={`${place}.rise`}
            measure="elevation"
            value={segment.rise_m}
            how="Tape"
            empty="level"
            why="Lower is negative. What it rises the pressure falls, by the weight of the water."
            onUse={(entry) => edit([{ path: at('rise_m'), value: knownOf(entry) }])}
            onClear={() => edit([{ path: at('rise_m'), value: null }])}
          />
          <QuantityRow
            label="A part on the way loses"
            place={`${place}.part`}
            measure="water-pressure"
            value={segment.partDrop_Pa}
            how="Maker’s sheet"
            empty="no part"
            why="A meter, a check valve, a strainer: what its maker states at a flow."
            onUse={(entry) => edit([{ path: at('partDrop_Pa'), value: knownOf(entry) }])}
            onClear={() => edit([{ path: at('partDrop_Pa'), value: null }])}
          />
          {segment.partDrop_Pa && (
            <QuantityRow
              label="at a flow of"
              place={`${place}.partFlow`}
              measure="water-flow"
              value={segment.partFlow_m3_s}
              how="Maker’s sheet"
              onUse={(entry) => edit([{ path: at('partFlow_m3_s'), value: knownOf(entry) }])}
              onClear={() => edit([{ path: at('partFlow_m3_s'), value: null }])}
            />
          )}
        </>
      }
    />
  )
}
