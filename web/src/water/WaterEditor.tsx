import type { MaterialName, WaterEnd, WaterSegment } from '@hestian/core'
import { beyondOf, materials, materialsFor } from '@hestian/core'
import { PipeGrid, PipePair, PipePanel } from '../design/SegmentEditor'
import { useJob } from '../job/JobContext'
import { usePipes } from '../network/usePipes'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Choice, InlineCount, InlineText } from '../ui/fields'
import { knownOf, Ledger, QuantityRow } from '../ui/QuantityRow'

const none = 'none'
const fixedEnds = {
  heater: 'The heater, hot from here on',
  'make-up': 'The make-up of the heating',
} as const

/** One water pipe: where it leaves from, how long, how much it rises, its fittings, material and size, and what it ends at. */
export function WaterEditor({ id, onGone }: { readonly id: string; readonly onGone: () => void }) {
  const { draft, edit } = useJob()
  const { ops } = usePipes('water')
  const { segments } = draft.document.water
  const index = segments.findIndex((segment) => segment.id === id)
  const segment = segments[index]
  if (!segment) return null
  const at = (key: keyof WaterSegment) => ['water', 'segments', index, key]
  const outlets = draft.document.hotWater?.outlets ?? []
  const beyond = beyondOf(segments, id)
  const elsewhere = segments.filter((other) => !beyond.has(other.id))
  const place = `water.segments.${index}`
  const endId =
    segment.end === null
      ? none
      : segment.end.kind === 'outlet'
        ? `outlet:${segment.end.outletId}`
        : segment.end.kind
  const endFor = (next: string): WaterEnd | null =>
    next === 'heater' || next === 'make-up'
      ? { kind: next }
      : next.startsWith('outlet:')
        ? {
            kind: 'outlet',
            outletId: next.slice(7),
            count:
              segment.end?.kind === 'outlet'
                ? segment.end.count
                : Math.max(1, outlets.find((outlet) => outlet.id === next.slice(7))?.count ?? 1),
          }
        : null
  return (
    <PipePanel aria-label={`Pipe: ${segment.name}`}>
      <SectionHead>
        {segment.name}
        <small>
          <Button
            look="text"
            onPress={() => {
              ops.remove(id)
              onGone()
            }}
          >
            Remove this pipe
          </Button>
        </small>
      </SectionHead>
      <PipeGrid>
        <InlineText
          labelled
          required
          label="Name"
          value={segment.name}
          maxLength={120}
          onCommit={(name) => edit([{ path: at('name'), value: name.trim() }])}
        />
        <Choice
          labelled
          label="Leaves from"
          value={segment.from}
          options={[
            { id: 'meter', text: 'The main' },
            ...elsewhere.map((other) => ({ id: other.id, text: `End of ${other.name}` })),
          ]}
          onChoose={(from) => edit([{ path: at('from'), value: from }])}
        />
        <Choice
          labelled
          label="Ends at"
          value={endId}
          options={[
            { id: none, text: 'A branch' },
            ...outlets.map((outlet) => ({ id: `outlet:${outlet.id}`, text: outlet.name })),
            ...Object.entries(fixedEnds).map(([key, text]) => ({ id: key, text })),
          ]}
          onChoose={(next) => edit([{ path: at('end'), value: endFor(next) }])}
        />
        <Choice<MaterialName>
          labelled
          label="Material"
          value={segment.material}
          options={materialsFor('water').map((name) => ({ id: name, text: materials[name].label }))}
          onChoose={(material) =>
            edit([
              { path: at('material'), value: material },
              { path: at('size'), value: null },
            ])
          }
        />
        <Choice
          labelled
          label="Size"
          value={segment.size ?? none}
          options={[
            { id: none, text: 'Choose for me' },
            ...materials[segment.material].sizes.map((size) => ({
              id: size.name as string,
              text: size.name as string,
            })),
          ]}
          onChoose={(size) => edit([{ path: at('size'), value: size === none ? null : size }])}
        />
        <PipePair>
          <InlineCount
            labelled
            label="Bends"
            value={segment.elbows}
            onCommit={(elbows) => edit([{ path: at('elbows'), value: elbows }])}
          />
          <InlineCount
            labelled
            label="Tees, branch"
            value={segment.branchTees}
            onCommit={(tees) => edit([{ path: at('branchTees'), value: tees }])}
          />
          {segment.end?.kind === 'outlet' && (
            <InlineCount
              labelled
              label="How many"
              value={segment.end.count}
              onCommit={(count) =>
                segment.end?.kind === 'outlet' &&
                edit([{ path: at('end'), value: { ...segment.end, count: Math.max(1, count) } }])
              }
            />
          )}
        </PipePair>
      </PipeGrid>
      <Ledger>
        <QuantityRow
          label="Length of pipe"
          place={`${place}.length`}
          measure="length"
          value={segment.length_m}
          how="Tape"
          onUse={(entry) => edit([{ path: at('length_m'), value: knownOf(entry) }])}
          onClear={() => edit([{ path: at('length_m'), value: null }])}
        />
        <QuantityRow
          label="Its far end lies higher by"
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
      </Ledger>
    </PipePanel>
  )
}
