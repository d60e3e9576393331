import type { CircuitAnswer, Heating, MaterialName } from '@hestian/core'
import { materials, materialsOffered } from '@hestian/core'
import { newId } from '../api/client'
import { known } from '../ui/numbers'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Adds, Drop } from '../ui/Drop'
import { Choice } from '../ui/Choice'
import { InlineCount, InlineText } from '../ui/fields'
import { QuantityCell } from '../ui/QuantityRow'
import { Acts, Cell, Figure, Row, Table } from '../ui/Table'
import { atOneOf, inZone, pipePlaces, placeOf } from './places'

type HeatingPipe = Heating['pipes'][number]

/** Pipes of the circuit: in what size, how long, how fast, and what they lose. */
export function Pipes({ answer }: { readonly answer: CircuitAnswer | undefined }) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { heating } = draft.document
  if (!heating) return null
  const { pipes } = heating
  const steel = solution.practice.gas.material === 'steel-schedule-40'
  return (
    <section>
      <SectionHead>
        Pipes<small>length: flow and return together; longest way: what the pump sees</small>
      </SectionHead>
      {pipes.length > 0 && (
        <Table
          label="Pipes"
          columns="minmax(0, 1.2fr) minmax(0, 1fr) 128px 76px 76px 64px 46px 56px 32px"
          heads={[
            'Pipe',
            'Carries',
            'Size',
            '>Length',
            '>Way',
            '>Bends',
            `>${show.unit('velocity')}`,
            `>${show.unit('water-pressure')}`,
            '',
          ]}
        >
          {pipes.map((pipe, i) => (
            <PipeRow
              key={pipe.id}
              pipe={pipe}
              index={i}
              solved={answer?.pipes.find((one) => one.pipe.id === pipe.id)}
            />
          ))}
        </Table>
      )}
      <Adds>
        <Button
          look="text"
          onPress={() =>
            edit([
              {
                path: ['heating', 'pipes', pipes.length],
                value: {
                  id: newId(),
                  name: 'New pipe',
                  material: steel ? 'copper-type-k' : 'copper-en1057',
                  size: null,
                  length_m: null,
                  run_m: null,
                  bends: 0,
                  zoneId: null,
                  carries: 'all',
                },
              },
            ])
          }
        >
          Add a pipe
        </Button>
      </Adds>
    </section>
  )
}

interface PipeRowProps {
  readonly pipe: HeatingPipe
  readonly index: number
  readonly solved: CircuitAnswer['pipes'][number] | undefined
}

function PipeRow({ pipe, index, solved }: PipeRowProps) {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { pipes = [], zones = [] } = draft.document.heating ?? {}
  const at = (key: string) => ['heating', 'pipes', index, key]
  const worked = solved ? `${pipe.name}, ${solved.size.name}` : ''
  return (
    <Row place={`heating.pipes.${index}`}>
      <Cell head="Pipe">
        <InlineText
          label={`Pipe ${index + 1}`}
          required
          lines
          value={pipe.name}
          maxLength={120}
          onCommit={(name) => edit([{ path: at('name'), value: name.trim() }])}
        />
      </Cell>
      <Cell head="Carries">
        <Choice
          label={`What ${pipe.name} carries`}
          value={
            pipe.zoneId !== null && pipe.carries !== 'all'
              ? atOneOf(pipe.zoneId)
              : inZone(pipe.zoneId)
          }
          options={pipePlaces(zones)}
          onChoose={(id) => {
            const { zoneId, carries } = placeOf(id)
            edit([
              { path: at('zoneId'), value: zoneId },
              { path: at('carries'), value: carries },
            ])
          }}
        />
      </Cell>
      <Cell head="Size">
        <Made pipe={pipe} index={index} chosen={solved?.chosen ? solved.size.name : undefined} />
      </Cell>
      <Cell head="Length" end>
        <QuantityCell
          label={`Length of ${pipe.name}`}
          measure="length"
          {...known(pipe.length_m, at('length_m'), edit)}
        />
      </Cell>
      <Cell head="Longest way" end>
        <QuantityCell
          label={`Longest way through ${pipe.name}`}
          measure="length"
          {...known(wayOf(pipe), at('run_m'), edit)}
        />
      </Cell>
      <Cell head="Bends" end>
        <InlineCount
          label={`Bends of ${pipe.name}`}
          value={pipe.bends}
          onCommit={(bends) => edit([{ path: at('bends'), value: bends }])}
        />
      </Cell>
      <Figure head="Speed" of={worked}>
        {solved ? show.figure(solved.velocity_m_s, 'velocity', 2) : ''}
      </Figure>
      <Figure head="Loss" of={worked}>
        {solved ? show.figure(solved.loss_Pa, 'water-pressure', 3) : ''}
      </Figure>
      <Acts>
        <Drop
          name={pipe.name}
          onPress={() =>
            edit([{ path: ['heating', 'pipes'], value: pipes.filter(({ id }) => id !== pipe.id) }])
          }
        />
      </Acts>
    </Row>
  )
}

/** The longest way through it, where that was not typed: all of it. */
const wayOf = ({ run_m, length_m }: HeatingPipe): HeatingPipe['run_m'] =>
  run_m ?? (length_m && { value: length_m.value, basis: 'assumed', from: 'All of it' })

/** What it is made of and its size, chosen for me or by hand. */
function Made({
  pipe,
  index,
  chosen,
}: {
  readonly pipe: HeatingPipe
  readonly index: number
  /** The size that was chosen for it, where one was. */
  readonly chosen: string | undefined
}) {
  const { solution } = useDesign()
  const { edit } = useJobActions()
  const at = (key: string) => ['heating', 'pipes', index, key]
  return (
    <>
      <Choice<MaterialName>
        label={`Material of ${pipe.name}`}
        value={pipe.material}
        options={materialsOffered(solution.practice, 'heating', pipe.material).map((id) => ({
          id,
          text: materials[id].label,
        }))}
        onChoose={(material) =>
          edit([
            { path: at('material'), value: material },
            { path: at('size'), value: null },
          ])
        }
      />
      <Choice
        label={`Size of ${pipe.name}`}
        value={pipe.size ?? 'choose'}
        options={[
          {
            id: 'choose',
            text: chosen === undefined ? 'for me' : `for me: ${chosen}`,
          },
          ...materials[pipe.material].sizes.map((size) => ({
            id: size.name as string,
            text: size.name as string,
          })),
        ]}
        onChoose={(size) => edit([{ path: at('size'), value: size === 'choose' ? null : size }])}
      />
    </>
  )
}
