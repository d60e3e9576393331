import type { InletKind, InletPart } from '@hestian/core'
import { inletKinds, inletWords, inWords, usualInlet } from '@hestian/core'
import { Fragment } from 'react'
import styled from 'styled-components'
import { newId } from '../api/client'
import { useDesign, useJobActions } from '../job/JobContext'
import { Makers } from '../job/MakerRow'
import { SmallToggle } from '../ui/SmallToggle'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Adds, Drop } from '../ui/Drop'
import { Choice } from '../ui/Choice'
import { rowId } from '../ui/quantity'
import { NotesHere } from '../ui/SheetPage'
import { phone } from '../ui/phone'

/**
 * The cold feed of the store in the way of the water: what comes after what, and which way its
 * arrow points.
 */
export function InletGroup() {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { hotWater } = draft.document
  if (!hotWater) return null
  const { inlet, balancedCold } = hotWater.safety
  const { words } = solution.practice
  const say = (kind: InletKind) => inWords(inletWords[kind], words)
  const put = (next: typeof inlet) => edit([{ path: ['hotWater', 'safety', 'inlet'], value: next }])
  const swap = (i: number, j: number) => {
    const next = [...inlet]
    const [a, b] = [next[i], next[j]]
    if (a && b) {
      next[i] = b
      next[j] = a
    }
    put(next)
  }
  return (
    <section data-place="hotWater.safety.inlet" id={rowId('hotWater.safety.inlet')}>
      <SectionHead>
        Inlet group<small>from the main on the left to the store</small>
      </SectionHead>
      <NotesHere place="hotWater.safety.inlet" />
      {inlet.length > 0 && (
        <Line aria-label="Inlet group, in the way of the water">
          {inlet.map((piece, i) => (
            <Fragment key={piece.id}>
              <li>
                <b>{say(piece.kind)}</b>
                {piece.kind !== 'store' && (
                  <SmallToggle
                    isSelected={piece.reversed}
                    onChange={(reversed) =>
                      put(inlet.map((one, at) => (at === i ? { ...one, reversed } : one)))
                    }
                  >
                    <i />
                    arrow against the flow
                  </SmallToggle>
                )}
                <span>
                  <Button
                    look="text"
                    aria-label={`${say(piece.kind)}: nearer the main`}
                    isDisabled={i === 0}
                    onPress={() => swap(i, i - 1)}
                  >
                    ←
                  </Button>
                  <Button
                    look="text"
                    aria-label={`${say(piece.kind)}: nearer the store`}
                    isDisabled={i === inlet.length - 1}
                    onPress={() => swap(i, i + 1)}
                  >
                    →
                  </Button>
                  <Drop
                    name={say(piece.kind)}
                    onPress={() => put(inlet.filter((one) => one.id !== piece.id))}
                  />
                </span>
              </li>
            </Fragment>
          ))}
        </Line>
      )}
      <InletMakers inlet={inlet} say={say} />
      <Adds>
        {inlet.length === 0 && (
          <Button
            look="text"
            onPress={() =>
              put(usualInlet.map((kind) => ({ id: newId(), kind, reversed: false, maker: null })))
            }
          >
            Begin with the usual order
          </Button>
        )}
        <Add>
          <Choice
            labelled
            label="Add a part"
            value={null}
            options={inletKinds.map((id) => ({ id, text: say(id) }))}
            onChoose={(kind) =>
              put([
                ...inlet.filter((piece) => piece.kind !== 'store'),
                { id: newId(), kind, reversed: false, maker: null },
                ...inlet.filter((piece) => piece.kind === 'store'),
              ])
            }
          />
        </Add>
      </Adds>
      <Balanced
        data-place="hotWater.safety.balancedCold"
        id={rowId('hotWater.safety.balancedCold')}
      >
        <span>Cold for mixers is taken</span>
        <Choice
          label="Cold for mixers is taken"
          value={balancedCold}
          options={[
            { id: 'after-reducing', text: 'after the reducing valve' },
            { id: 'before-reducing', text: 'before it, from the main' },
            { id: 'no-mixers', text: 'there are no mixers' },
          ]}
          onChoose={(side) => edit([{ path: ['hotWater', 'safety', 'balancedCold'], value: side }])}
        />
      </Balanced>
      <NotesHere place="hotWater.safety.balancedCold" />
    </section>
  )
}

/** Parts of the group that are registered or exchanged by their number. */
const numbered: readonly InletKind[] = [
  'reducing-valve',
  'expansion-relief',
  'vessel',
  'check-valve',
]

function InletMakers({
  inlet,
  say,
}: {
  readonly inlet: readonly InletPart[]
  readonly say: (kind: InletKind) => string
}) {
  return (
    <Makers
      of={inlet.flatMap((piece, i) =>
        numbered.includes(piece.kind)
          ? [
              {
                of: say(piece.kind),
                path: ['hotWater', 'safety', 'inlet', i, 'maker'],
                maker: piece.maker,
              },
            ]
          : [],
      )}
    />
  )
}

const Line = styled.ol`
  display: flex;
  flex-wrap: wrap;
  gap: 12px 0;
  padding: 12px 0 4px;
  counter-reset: piece;
  li {
    border-top: 4px solid var(--cold);
    padding: 8px 14px 4px 0;
    min-width: 138px;
    max-width: 190px;
    font-size: var(--small);
    position: relative;
    display: grid;
    align-content: space-between;
    gap: 2px;
  }
  li::before {
    content: '';
    position: absolute;
    top: -10px;
    left: 0;
    width: 10px;
    height: 16px;
    background: var(--paper);
    border: 2px solid var(--ink);
  }
  li:last-child::before {
    height: 26px;
    width: 16px;
    top: -15px;
  }
  b {
    font-weight: 650;
    line-height: 19px;
  }
  span {
    display: flex;
    gap: 14px;
    align-items: center;
  }
  ${phone} {
    flex-direction: column;
    li {
      max-width: none;
      border-top: 0;
      border-left: 4px solid var(--cold);
      padding: 4px 0 8px 16px;
    }
    li::before {
      top: 8px;
      left: -9px;
      width: 14px;
      height: 10px;
    }
    li:last-child::before {
      top: 8px;
      width: 22px;
      height: 14px;
    }
  }
`
const Add = styled.div`
  width: 240px;
`
const Balanced = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 250px);
  align-items: center;
  min-height: 40px;
  border-bottom: 0.8px solid var(--hair);
  gap: 8px;
`
