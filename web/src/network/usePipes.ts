import type { GasSegment, Known, WaterSegment } from '@hestian/core'
import { blankGasSegment, blankWaterSegment } from '@hestian/core'
import { useLayoutEffect, useMemo, useRef } from 'react'
import { newId } from '../api/client'
import { useDesign, useJobActions } from '../job/JobContext'

export type Network = 'gas' | 'water'
type Segment = GasSegment | WaterSegment

/** The pipes of a tree, and what one does to them, whatever flows in them. */
export interface Pipes {
  readonly segments: readonly Segment[]
  readonly ops: PipeOps
}

export interface PipeOps {
  readonly network: Network
  /** Where the tree begins, in words. */
  readonly source: string
  /** Adds a pipe that leaves from the end of another, or from the source; gives its id. */
  readonly add: (from: string) => string
  /** Takes a pipe out; what left from its end then leaves from where it left. */
  readonly remove: (id: string) => void
  readonly rename: (id: string, name: string) => void
  readonly setLength: (id: string, length_m: Known) => void
}

export function usePipes(network: Network): Pipes {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { segments } = draft.document[network]
  const material =
    network === 'gas' ? solution.practice.gas.material : solution.practice.water.material
  // What is done goes by the pipes as they are when it is done; the handles stay the same, so that
  // rows need not be drawn again.
  const latest = useRef({ segments, edit, material })
  useLayoutEffect(() => {
    latest.current = { segments, edit, material }
  })
  const ops = useMemo(() => {
    const path = [network, 'segments']
    const source = network === 'gas' ? 'The meter' : 'The main'
    const write = (id: string, key: string, value: unknown) => {
      const at = latest.current.segments.findIndex((segment) => segment.id === id)
      if (at >= 0) latest.current.edit([{ path: [...path, at, key], value }])
    }
    return {
      network,
      source,
      add: (from: string) => {
        const { segments, material } = latest.current
        const id = newId().slice(0, 12)
        const start = segments.find((segment) => segment.id === from)
        const base = start ? `After ${start.name}`.slice(0, 110) : `From ${source.toLowerCase()}`
        const taken = new Set(segments.map((segment) => segment.name))
        let name = base
        for (let more = 2; taken.has(name); more++) name = `${base} ${more}`
        // A new pipe is laid like the one it leaves.
        const fresh = { id, name, from, material: start?.material ?? material }
        latest.current.edit([
          {
            path: [...path, segments.length],
            value: network === 'gas' ? blankGasSegment(fresh) : blankWaterSegment(fresh),
          },
        ])
        return id
      },
      remove: (id: string) => {
        const { segments } = latest.current
        const gone = segments.find((segment) => segment.id === id)
        if (gone)
          latest.current.edit([
            {
              path,
              value: segments
                .filter((segment) => segment.id !== id)
                .map((segment) =>
                  segment.from === id ? { ...segment, from: gone.from } : segment,
                ),
            },
          ])
      },
      rename: (id: string, name: string) => write(id, 'name', name.slice(0, 120)),
      setLength: (id: string, length_m: Known) => write(id, 'length_m', length_m),
    }
  }, [network])
  return { segments, ops }
}
