import type { CircuitAnswer, EmitterType } from '@hestian/core'
import { emitterTypes, genericEmitters } from '@hestian/core'
import { newId } from '../api/client'
import { capital, known } from '../ui/numbers'
import { useDesign, useJobActions } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Adds, Drop } from '../ui/Drop'
import { Choice, InlineCount, InlineText } from '../ui/fields'
import { QuantityCell } from '../ui/QuantityRow'
import { NotesHere } from '../ui/SheetPage'
import { Acts, Cell, Row, Table } from '../ui/Table'

/** What gives the heat: type, how many, what each gives and holds. */
export function Emitters({ answer }: { readonly answer: CircuitAnswer | undefined }) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { heating } = draft.document
  if (!heating) return null
  const { emitters, zones } = heating
  const at = (i: number, key: string) => ['heating', 'emitters', i, key]
  const partOf = (name: string) => answer?.content.parts.find((part) => part.name === name)
  return (
    <section data-place="heating.emitters">
      <SectionHead>
        {capital(solution.practice.words.emitter)}s and other emitters
        <small>no water given: the type says, in pencil</small>
      </SectionHead>
      <NotesHere place="heating.emitters" />
      {emitters.length > 0 && (
        <Table
          label="Emitters"
          columns="minmax(0, 1.5fr) minmax(0, 1fr) minmax(0, 1.1fr) 64px 100px 100px 32px"
          heads={['Emitter', 'Zone', 'Type', '>Count', '>Each gives', '>Each holds', '']}
        >
          {emitters.map((emitter, i) => {
            const generic = emitter.waterEach_m3 === null ? partOf(emitter.name) : undefined
            return (
              <Row key={emitter.id} place={`heating.emitters.${i}`}>
                <Cell head="Emitter">
                  <InlineText
                    label={`Emitter ${i + 1}`}
                    required
                    value={emitter.name}
                    maxLength={120}
                    onCommit={(name) => edit([{ path: at(i, 'name'), value: name.trim() }])}
                  />
                </Cell>
                <Cell head="Zone">
                  <Choice
                    label={`Zone of ${emitter.name}`}
                    value={emitter.zoneId}
                    options={zones.map((zone) => ({ id: zone.id, text: zone.name }))}
                    onChoose={(zoneId) => edit([{ path: at(i, 'zoneId'), value: zoneId }])}
                  />
                </Cell>
                <Cell head="Type">
                  <Choice<EmitterType>
                    label={`Type of ${emitter.name}`}
                    value={emitter.type}
                    options={emitterTypes.map((id) => ({ id, text: genericEmitters[id].label }))}
                    onChoose={(type) => edit([{ path: at(i, 'type'), value: type }])}
                  />
                </Cell>
                <Cell head="Count" end>
                  <InlineCount
                    label={`How many of ${emitter.name}`}
                    value={emitter.count}
                    onCommit={(count) => edit([{ path: at(i, 'count'), value: count }])}
                  />
                </Cell>
                <Cell head="Each gives" end>
                  <QuantityCell
                    label={`Heat of each of ${emitter.name}`}
                    measure="power"
                    {...known(emitter.loadEach_W, at(i, 'loadEach_W'), edit)}
                  />
                </Cell>
                <Cell head="Each holds" end>
                  <QuantityCell
                    label={`Water in each of ${emitter.name}`}
                    measure="small-volume"
                    {...known(
                      generic && emitter.count > 0
                        ? {
                            value: generic.water_m3 / emitter.count,
                            basis: 'assumed',
                            from: 'By its type',
                          }
                        : emitter.waterEach_m3,
                      at(i, 'waterEach_m3'),
                      edit,
                    )}
                  />
                </Cell>
                <Acts>
                  <Drop
                    name={emitter.name}
                    onPress={() =>
                      edit([
                        {
                          path: ['heating', 'emitters'],
                          value: emitters.filter((one) => one.id !== emitter.id),
                        },
                      ])
                    }
                  />
                </Acts>
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
              ...(zones.length === 0
                ? [
                    {
                      path: ['heating', 'zones', 0],
                      value: {
                        id: 'zone-1',
                        name: 'Whole house',
                        heatZoneId:
                          draft.document.heat.zones.length === 1
                            ? (draft.document.heat.zones[0]?.id ?? null)
                            : null,
                        load_W: null,
                        difference_K: null,
                        alone: false,
                      },
                    },
                  ]
                : []),
              {
                path: ['heating', 'emitters', emitters.length],
                value: {
                  id: newId(),
                  name: `New ${solution.practice.words.emitter}s`,
                  zoneId: zones[0]?.id ?? 'zone-1',
                  type: null,
                  count: 1,
                  loadEach_W: null,
                  waterEach_m3: null,
                },
              },
            ])
          }
        >
          Add emitters
        </Button>
      </Adds>
    </section>
  )
}
