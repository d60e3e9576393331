import type { DischargeMaterial, DischargePiece, DischargeSize, ReliefAnswer } from '@hestian/core'
import {
  counted,
  dischargeElevation,
  dischargeEnds,
  dischargeMaterials,
  dischargeSizes,
  drawingSvg,
  materialFacts,
} from '@hestian/core'
import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { newId } from '../api/client'
import { Grid } from '../ui/LadderView'
import { capital, known } from '../ui/numbers'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { DrawingView } from '../ui/DrawingView'
import { Adds, Drop } from '../ui/Drop'
import { Choice } from '../ui/Choice'
import { QuantityCell } from '../ui/QuantityRow'
import { saveFile } from '../ui/saveFile'
import { Acts, Cell, Row, Table } from '../ui/Table'
import { Worked } from '../ui/Worked'
import { useNarrow } from '../ui/useNarrow'

type Pipe = Extract<DischargePiece, { kind: 'pipe' }>
const runWords: Readonly<Record<Pipe['runs'], string>> = {
  down: 'straight down',
  falling: 'along, falling',
  level: 'along, level',
  up: 'up',
}
const endWords: Readonly<Record<(typeof dischargeEnds)[number], string>> = {
  drain: 'over a drain',
  outside: 'outside, to the ground',
  floor: 'over the floor',
  pan: 'into the pan',
  'crawl-space': 'in a crawl space',
  bucket: 'in a bucket',
}
const yesNo = [
  { id: 'yes' as const, text: 'yes' },
  { id: 'no' as const, text: 'no' },
]

const none: NonNullable<ReliefAnswer['discharge']>['faults'] = []

/**
 * The discharge pipe: drawn from the side with every fault where it is, and its pieces in the way
 * of the water.
 */
export function DischargeRun({
  answer,
  index,
}: {
  readonly answer: ReliefAnswer
  readonly index: number
}) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const narrow = useNarrow()
  const [selected, setSelected] = useState<number>()
  const { valve, discharge } = answer
  const run = valve.discharge
  const faults = discharge?.faults ?? none
  const drawing = useMemo(
    () =>
      dischargeElevation(
        run,
        faults,
        show,
        narrow ? { width: 340, height: 300 } : { width: 780, height: 320 },
        selected,
      ),
    [run, faults, show, narrow, selected],
  )
  const at = (...path: readonly (string | number)[]) => ['reliefs', index, 'discharge', ...path]
  const put = (pieces: readonly DischargePiece[]) => edit([{ path: at('pieces'), value: pieces }])
  const change = (i: number, piece: DischargePiece) =>
    put(run.pieces.map((one, n) => (n === i ? piece : one)))
  const metric = solution.practice.units.length === 'm'
  const last = [...run.pieces].reverse().find((piece): piece is Pipe => piece.kind === 'pipe')
  const pipe = (runs: Pipe['runs']): Pipe => ({
    id: newId(),
    kind: 'pipe',
    material: 'copper',
    size: last?.size ?? (metric ? '22 mm' : '3/4'),
    length_m: null,
    runs,
  })
  const swap = (i: number, j: number) => {
    const next = [...run.pieces]
    const [a, b] = [next[i], next[j]]
    if (a && b) {
      next[i] = b
      next[j] = a
    }
    put(next)
  }
  const words = {
    pipe: 'Pipe',
    bend: 'Bend',
    tundish: solution.practice.words.airGap,
    valve: 'Valve',
    trap: 'Trap',
  } as const
  const others = draft.document.reliefs.filter(
    (one, i) => i !== index && one.discharge.pieces.length > 0,
  )
  return (
    <>
      <SectionHead>
        Its discharge, from the side
        <small>lengths to scale, falls drawn steeper than they are</small>
      </SectionHead>
      {run.pieces.length > 0 && (
        <Grid>
          <DrawingView
            drawing={drawing}
            {...(selected === undefined ? {} : { selected: String(selected) })}
            onPick={(id) => setSelected(Number(id))}
          />
        </Grid>
      )}
      {run.pieces.length > 0 && (
        <Button
          look="text"
          onPress={() => saveFile('discharge.svg', 'image/svg+xml', drawingSvg(drawing))}
        >
          Save the drawing
        </Button>
      )}
      <Sizes answer={answer} />
      <Table
        label={`Discharge of ${valve.name}`}
        columns="112px minmax(0, 1.2fr) 106px 96px minmax(0, 1fr) 88px"
        heads={['Piece', 'Material', 'Size', '>Length', 'Runs', '']}
      >
        {run.pieces.map((piece, i) => (
          <Row key={piece.id} place={`reliefs.${index}.discharge.${i}`}>
            <Cell head="Piece">
              <Name
                type="button"
                aria-pressed={selected === i}
                onClick={() => setSelected(selected === i ? undefined : i)}
              >
                {i + 1} {capital(words[piece.kind])}
              </Name>
            </Cell>
            <PieceCells
              piece={piece}
              number={i + 1}
              path={at('pieces', i, 'length_m')}
              onChange={(next) => change(i, next)}
            />
            <Acts>
              <Button
                look="text"
                aria-label={`Piece ${i + 1} earlier`}
                isDisabled={i === 0}
                onPress={() => swap(i, i - 1)}
              >
                ↑
              </Button>
              <Button
                look="text"
                aria-label={`Piece ${i + 1} later`}
                isDisabled={i === run.pieces.length - 1}
                onPress={() => swap(i, i + 1)}
              >
                ↓
              </Button>
              <Drop
                name={`piece ${i + 1}`}
                onPress={() => {
                  setSelected(undefined)
                  put(run.pieces.filter((one) => one.id !== piece.id))
                }}
              />
            </Acts>
          </Row>
        ))}
      </Table>
      <Adds>
        <Button look="text" onPress={() => put([...run.pieces, pipe('down')])}>
          Add pipe down
        </Button>
        <Button look="text" onPress={() => put([...run.pieces, pipe('falling')])}>
          Add pipe along
        </Button>
        <Button look="text" onPress={() => put([...run.pieces, { id: newId(), kind: 'bend' }])}>
          Add a bend
        </Button>
        <Button
          look="text"
          onPress={() => put([...run.pieces, { id: newId(), kind: 'tundish', visible: null }])}
        >
          Add {/^[aeiou]/.test(words.tundish) ? 'an' : 'a'} {words.tundish}
        </Button>
        <Button look="text" onPress={() => put([...run.pieces, { id: newId(), kind: 'valve' }])}>
          Add a valve that is there
        </Button>
        {run.pieces.length === 0 && others[0] && (
          <Button
            look="text"
            onPress={() =>
              edit([
                {
                  path: at(),
                  value: {
                    ...others[0]?.discharge,
                    pieces:
                      others[0]?.discharge.pieces.map((piece) => ({ ...piece, id: newId() })) ?? [],
                  },
                },
              ])
            }
          >
            Begin as {others[0].name}
          </Button>
        )}
      </Adds>
      <Table
        label={`End of the discharge of ${valve.name}`}
        columns="minmax(0, 1.2fr) 110px minmax(0, 1fr) 88px 88px 88px"
        heads={['It ends', '>Height', 'End of the pipe', 'In sight', 'Safe', 'Freezes']}
      >
        <Row place={`reliefs.${index}.discharge.end`}>
          <Cell head="It ends">
            <Choice
              label={`Where the discharge of ${valve.name} ends`}
              value={run.end}
              options={dischargeEnds.map((id) => ({ id, text: endWords[id] }))}
              onChoose={(end) => edit([{ path: at('end'), value: end }])}
            />
          </Cell>
          <Cell head="Height" end>
            <QuantityCell
              label={`Height of the end of ${valve.name}`}
              measure="length"
              {...known(run.endHeight_m, at('endHeight_m'), edit)}
            />
          </Cell>
          <Cell head="End of the pipe">
            <Choice
              label={`End of the pipe of ${valve.name}`}
              value={run.endThread}
              options={[
                { id: 'plain' as const, text: 'plain' },
                { id: 'threaded' as const, text: 'threaded' },
                { id: 'capped' as const, text: 'plugged or capped' },
              ]}
              onChoose={(end) => edit([{ path: at('endThread'), value: end }])}
            />
          </Cell>
          <Cell head="In sight">
            <Choice
              label={`End of ${valve.name} in sight`}
              value={run.endVisible}
              options={yesNo}
              onChoose={(value) => edit([{ path: at('endVisible'), value }])}
            />
          </Cell>
          <Cell head="Safe">
            <Choice
              label={`End of ${valve.name} where nobody is scalded`}
              value={run.endSafe}
              options={yesNo}
              onChoose={(value) => edit([{ path: at('endSafe'), value }])}
            />
          </Cell>
          <Cell head="Freezes">
            <Choice
              label={`End of ${valve.name} can freeze`}
              value={run.endFreezes}
              options={yesNo}
              onChoose={(value) => edit([{ path: at('endFreezes'), value }])}
            />
          </Cell>
        </Row>
      </Table>
    </>
  )
}

/** What is asked of one piece; a bend, a valve and a trap are asked nothing more. */
function PieceCells({
  piece,
  number,
  path,
  onChange,
}: {
  readonly piece: DischargePiece
  readonly number: number
  readonly path: readonly (string | number)[]
  readonly onChange: (piece: DischargePiece) => void
}) {
  const { edit } = useJobActions()
  if (piece.kind === 'pipe')
    return (
      <>
        <Cell head="Material">
          <Choice<DischargeMaterial>
            label={`Material of piece ${number}`}
            value={piece.material}
            options={dischargeMaterials.map((id) => ({
              id,
              text: materialFacts[id].label,
            }))}
            onChoose={(material) => onChange({ ...piece, material })}
          />
        </Cell>
        <Cell head="Size">
          <Choice<DischargeSize>
            label={`Size of piece ${number}`}
            value={piece.size}
            options={dischargeSizes.map((id) => ({ id, text: id }))}
            onChoose={(size) => onChange({ ...piece, size })}
          />
        </Cell>
        <Cell head="Length" end>
          <QuantityCell
            label={`Length of piece ${number}`}
            measure="length"
            {...known(piece.length_m, path, edit)}
          />
        </Cell>
        <Cell head="Runs">
          <Choice<Pipe['runs']>
            label={`How piece ${number} runs`}
            value={piece.runs}
            options={(Object.keys(runWords) as Pipe['runs'][]).map((id) => ({
              id,
              text: runWords[id],
            }))}
            onChoose={(runs) => onChange({ ...piece, runs })}
          />
        </Cell>
      </>
    )
  return (
    <>
      {piece.kind === 'tundish' ? (
        <Cell head="In sight">
          <Choice
            label={`Piece ${number} in sight`}
            value={piece.visible}
            options={[
              { id: 'yes' as const, text: 'in sight' },
              { id: 'no' as const, text: 'hidden' },
            ]}
            onChoose={(visible) => onChange({ ...piece, visible })}
          />
        </Cell>
      ) : (
        <Cell head="" />
      )}
      <Cell head="" />
      <Cell head="" />
      <Cell head="" />
    </>
  )
}

/** What the practice's table lets the pipe after the tundish have, beside what it has. */
function ByTable({
  table,
  name,
}: {
  readonly table: NonNullable<ReliefAnswer['discharge']>['table']
  readonly name: string
}) {
  const { show } = useReadBy()
  if (!table) return ': the table speaks of the pipe after a tundish.'
  if (table.permitted_m === undefined) return ': this size is not in the table for such an outlet.'
  const would_mm = table.would && Math.round(table.would.outsideDiameter_m * 1000)
  return (
    <>
      : {show(table.straight_m, 'length', 2)} with {counted(table.bends, 'bend')} of the{' '}
      <Worked of={`Length the table lets the pipe after the tundish of ${name} have`}>
        {show(table.permitted_m, 'length', 2)}
      </Worked>{' '}
      the table allows
      {would_mm !== undefined && `; it would take ${would_mm} mm`}. As remembered: check the current
      edition.
    </>
  )
}

/** The size by the practice's table and by computed pressure, beside each other. */
function Sizes({ answer: { discharge, valve } }: { readonly answer: ReliefAnswer }) {
  const { solution } = useDesign()
  const { show } = useReadBy()
  if (!discharge || valve.discharge.pieces.length === 0) return null
  const { table, back, carries } = discharge
  const full = solution.practice.relief.discharge.table === 'full-size'
  return (
    <Beside>
      <p>
        <b>By the practice</b>
        {full ? (
          `: never smaller than the valve's outlet, ${valve.outlet ?? 'not read'}.`
        ) : (
          <ByTable table={table} name={valve.name} />
        )}
      </p>
      <p>
        <b>By computation</b>:{' '}
        {back ? (
          <>
            <Worked of={`Back pressure behind ${valve.name}`}>
              {show(back.back_Pa, 'water-pressure')}
            </Worked>{' '}
            builds up behind the valve with all it carries, of the{' '}
            {show(back.allowed_Pa, 'water-pressure')} allowed
            {back.sonic ? '; the steam nears the speed of sound, where this figure is too low' : ''}
            .{' '}
          </>
        ) : (
          <>it lets out cold water as it grows; no steam is reckoned with. </>
        )}
        {carries && (
          <>
            After the gap{' '}
            <Worked of={`What runs off after the tundish of ${valve.name}`}>
              {show(carries.carries_m3_s, 'water-flow')}
            </Worked>{' '}
            runs off by its own fall; {show(carries.wanted_m3_s, 'water-flow')} comes.
          </>
        )}
      </p>
    </Beside>
  )
}

const Beside = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 24px;
  padding: 6px 0;
  font-size: var(--small);
  line-height: 20px;
  color: var(--ink-2);
  b {
    color: var(--ink);
  }
  @media (max-width: 860px) {
    grid-template-columns: minmax(0, 1fr);
    gap: 6px;
  }
`
const Name = styled.button`
  border: 0;
  background: none;
  padding: 4px 0;
  min-height: 32px;
  cursor: pointer;
  font: 450 var(--plain)/20px var(--text);
  text-align: left;
  &:hover,
  &[aria-pressed='true'] {
    background: var(--select);
    font-weight: 650;
  }
  @media (pointer: coarse) {
    min-height: 48px;
  }
`
