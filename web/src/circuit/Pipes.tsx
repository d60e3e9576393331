import type { CircuitAnswer, MaterialName } from '@hestian/core'
import { materials, materialsOffered } from '@hestian/core'
import { newId } from '../api/client'
import { known } from '../ui/numbers'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Adds, Drop } from '../ui/Drop'
import { Choice, InlineCount, InlineText } from '../ui/fields'
import { QuantityCell } from '../ui/QuantityRow'
import { Cell, Figure, Row, Table } from '../ui/Table'
import { atOneOf, inZone, pipePlaces, placeOf } from './places'

/** Pipes of the circuit: in what size, how long, how fast, and what they lose. */
export function Pipes({ answer }: { readonly answer: CircuitAnswer | undefined }) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { heating } = draft.document
  if (!heating) return null
  const { pipes, zones } = heating
  const at = (i: number, key: string) => ['heating', 'pipes', i, key]
  const steel = solution.practice.gas.material === 'steel-schedule-40'
  const places = pipePlaces(zones)
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
          {pipes.map((pipe, i) => {
            const solved = answer?.pipes.find((one) => one.pipe.id === pipe.id)
            return (
              <Row key={pipe.id} place={`heating.pipes.${i}`}>
                <Cell head="Pipe">
                  <InlineText
                    label={`Pipe ${i + 1}`}
                    required
                    lines
                    value={pipe.name}
                    maxLength={120}
                    onCommit={(name) => edit([{ path: at(i, 'name'), value: name.trim() }])}
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
                    options={places}
                    onChoose={(id) => {
                      const { zoneId, carries } = placeOf(id)
                      edit([
                        { path: at(i, 'zoneId'), value: zoneId },
                        { path: at(i, 'carries'), value: carries },
                      ])
                    }}
                  />
                </Cell>
                <Cell head="Size">
                  <Choice<MaterialName>
                    label={`Material of ${pipe.name}`}
                    value={pipe.material}
                    options={materialsOffered(solution.practice, 'heating', pipe.material).map(
                      (id) => ({
                        id,
                        text: materials[id].label,
                      }),
                    )}
                    onChoose={(material) =>
                      edit([
                        { path: at(i, 'material'), value: material },
                        { path: at(i, 'size'), value: null },
                      ])
                    }
                  />
                  <Choice
                    label={`Size of ${pipe.name}`}
                    value={pipe.size ?? 'choose'}
                    options={[
                      {
                        id: 'choose',
                        text: solved?.chosen ? `for me: ${solved.size.name}` : 'for me',
                      },
                      ...materials[pipe.material].sizes.map((size) => ({
                        id: size.name as string,
                        text: size.name as string,
                      })),
                    ]}
                    onChoose={(size) =>
                      edit([{ path: at(i, 'size'), value: size === 'choose' ? null : size }])
                    }
                  />
                </Cell>
                <Cell head="Length" end>
                  <QuantityCell
                    label={`Length of ${pipe.name}`}
                    measure="length"
                    {...known(pipe.length_m, at(i, 'length_m'), edit)}
                  />
                </Cell>
                <Cell head="Longest way" end>
                  <QuantityCell
                    label={`Longest way through ${pipe.name}`}
                    measure="length"
                    {...known(
                      pipe.run_m ??
                        (pipe.length_m
                          ? {
                              ...pipe.length_m,
                              basis: 'assumed',
                              from: 'All of it',
                              between: undefined,
                            }
                          : null),
                      at(i, 'run_m'),
                      edit,
                    )}
                  />
                </Cell>
                <Cell head="Bends" end>
                  <InlineCount
                    label={`Bends of ${pipe.name}`}
                    value={pipe.bends}
                    onCommit={(bends) => edit([{ path: at(i, 'bends'), value: bends }])}
                  />
                </Cell>
                <Figure head="Speed" of={solved ? `${pipe.name}, ${solved.size.name}` : ''}>
                  {solved ? show.figure(solved.velocity_m_s, 'velocity', 2) : ''}
                </Figure>
                <Figure head="Loss" of={solved ? `${pipe.name}, ${solved.size.name}` : ''}>
                  {solved ? show.figure(solved.loss_Pa, 'water-pressure', 3) : ''}
                </Figure>
                <Drop
                  name={pipe.name}
                  onPress={() =>
                    edit([
                      {
                        path: ['heating', 'pipes'],
                        value: pipes.filter((one) => one.id !== pipe.id),
                      },
                    ])
                  }
                />
              </Row>
            )
          })}
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
