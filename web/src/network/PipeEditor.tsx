import type { MaterialName } from '@hestian/core'
import { beyondOf, materials, materialsOffered } from '@hestian/core'
import type { ReactNode } from 'react'
import styled from 'styled-components'
import { useDesign, useJobActions } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { InlineCount, InlineText } from '../ui/fields'
import { Ledger, QuantityRow } from '../ui/QuantityRow'
import { knownOf } from '../ui/quantity'
import type { Pipes } from './usePipes'
import { phone } from '../ui/phone'

interface PipeEditorProps {
  readonly pipes: Pipes
  readonly id: string
  readonly onGone: () => void
  /** What its bends are called here. */
  readonly bends: string
  readonly endsAt: ReactNode
  /** Beside the counts of its fittings. */
  readonly counts?: ReactNode
  /** Further choices, and further figures under its length. */
  readonly choices?: ReactNode
  readonly figures?: ReactNode
  readonly lengthWhy?: string
  readonly children?: ReactNode
}

const chosenForMe = 'none'

/**
 * One pipe of a tree, whatever flows in it: where it leaves from, its length, fittings, material
 * and size; what it ends at is its own page's.
 */
export function PipeEditor({ pipes, id, onGone, ...shown }: PipeEditorProps) {
  const { solution } = useDesign()
  const { edit } = useJobActions()
  const { segments, ops } = pipes
  const index = segments.findIndex((segment) => segment.id === id)
  const segment = segments[index]
  if (!segment) return null
  const at = (key: keyof typeof segment) => [ops.network, 'segments', index, key]
  const write = (key: keyof typeof segment, value: unknown) => edit([{ path: at(key), value }])
  const beyond = beyondOf(segments, id)
  const elsewhere = segments.filter((other) => !beyond.has(other.id))
  const remove = () => {
    ops.remove(id)
    onGone()
  }
  return (
    <Panel aria-label={`Pipe: ${segment.name}`}>
      <SectionHead>
        {segment.name}
        <small>
          <Button look="text" onPress={remove}>
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
          onCommit={(name) => write('name', name.trim())}
        />
        <Choice
          labelled
          label="Leaves from"
          value={segment.from}
          options={[
            { id: 'meter', text: ops.source },
            ...elsewhere.map((other) => ({ id: other.id, text: `End of ${other.name}` })),
          ]}
          onChoose={(from) => write('from', from)}
        />
        {shown.endsAt}
        <Choice<MaterialName>
          labelled
          label="Material"
          value={segment.material}
          options={materialsOffered(solution.practice, ops.network, segment.material).map(
            (name) => ({
              id: name,
              text: materials[name].label,
            }),
          )}
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
          value={segment.size ?? chosenForMe}
          options={[
            { id: chosenForMe, text: 'Choose for me' },
            ...materials[segment.material].sizes.map(({ name }) => ({
              id: name as string,
              text: name as string,
            })),
          ]}
          onChoose={(size) => write('size', size === chosenForMe ? null : size)}
        />
        <Pair>
          <InlineCount
            labelled
            label={shown.bends}
            value={segment.elbows}
            onCommit={(elbows) => write('elbows', elbows)}
          />
          <InlineCount
            labelled
            label="Tees, branch"
            value={segment.branchTees}
            onCommit={(tees) => write('branchTees', tees)}
          />
          {shown.counts}
        </Pair>
        {shown.choices}
      </PipeGrid>
      <Ledger>
        <QuantityRow
          label="Length of pipe"
          place={`${ops.network}.segments.${index}.length`}
          measure="length"
          value={segment.length_m}
          how="Tape"
          {...(shown.lengthWhy ? { why: shown.lengthWhy } : {})}
          onUse={(entry) => write('length_m', knownOf(entry))}
          onClear={() => write('length_m', null)}
        />
        {shown.figures}
      </Ledger>
      {shown.children}
    </Panel>
  )
}

const Panel = styled.section`
  margin: 4px -14px 8px -24px;
  padding: 4px 14px 12px 24px;
  background: color-mix(in srgb, var(--select) 45%, var(--paper));
  ${phone} {
    margin: 4px -14px 8px -12px;
    padding: 4px 14px 12px 12px;
  }
`
export const PipeGrid = styled.div`
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 10px 20px;
  margin: 8px 0;
  ${phone} {
    grid-template-columns: 1fr;
  }
`
const Pair = styled.div`
  display: flex;
  gap: 20px;
`
