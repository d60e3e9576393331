import type { CircuitAnswer, EmitterType, Heating, Known, Zone } from '@hestian/core'
import { emitterTypes, genericEmitters } from '@hestian/core'
import { newId } from '../api/client'
import { capital, known } from '../ui/numbers'
import { useDesign, useJobActions } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Adds, Drop } from '../ui/Drop'
import { Choice } from '../ui/Choice'
import { InlineCount, InlineText } from '../ui/fields'
import { QuantityCell } from '../ui/QuantityRow'
import { NotesHere } from '../ui/SheetPage'
import { Acts, Cell, Row, Table } from '../ui/Table'

type Emitter = Heating['emitters'][number]

/** The zone that emitters stand in where there is none yet: it takes its heat from the only one there is. */
const wholeHouse = (heatZones: readonly Zone[]): Heating['zones'][number] => ({
  ...{ id: 'zone-1', name: 'Whole house', load_W: null, difference_K: null, alone: false },
  heatZoneId: heatZones.length === 1 ? (heatZones[0]?.id ?? null) : null,
})

/** What gives the heat: type, how many, what each gives and holds. */
export function Emitters({ answer }: { readonly answer: CircuitAnswer | undefined }) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { heating } = draft.document
  if (!heating) return null
  const { emitters, zones } = heating
  const [zone] = zones
  const first = zone ?? wholeHouse(draft.document.heat.zones)
  const add = () =>
    edit([
      ...(zone ? [] : [{ path: ['heating', 'zones', 0], value: first }]),
      {
        path: ['heating', 'emitters', emitters.length],
        value: {
          ...{ id: newId(), name: `New ${solution.practice.words.emitter}s`, zoneId: first.id },
          ...{ type: null, count: 1, loadEach_W: null, waterEach_m3: null },
        } satisfies Emitter,
      },
    ])
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
          {emitters.map((emitter, i) => (
            <EmitterRow
              key={emitter.id}
              emitter={emitter}
              index={i}
              solved={answer?.content.parts.find(({ of }) => of === `emitters.${emitter.id}`)}
            />
          ))}
        </Table>
      )}
      <Adds>
        <Button look="text" onPress={add}>
          Add emitters
        </Button>
      </Adds>
    </section>
  )
}

interface EmitterRowProps {
  readonly emitter: Emitter
  readonly index: number
  /** The water in all of it, as it was found. */
  readonly solved: CircuitAnswer['content']['parts'][number] | undefined
}

function EmitterRow({ emitter, index, solved }: EmitterRowProps) {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { emitters = [], zones = [] } = draft.document.heating ?? {}
  const at = (key: string) => ['heating', 'emitters', index, key]
  const holds = emitter.waterEach_m3 ?? byItsType(emitter, solved?.water_m3)
  return (
    <Row place={`heating.emitters.${index}`}>
      <Cell head="Emitter">
        <InlineText
          label={`Emitter ${index + 1}`}
          required
          value={emitter.name}
          maxLength={120}
          onCommit={(name) => edit([{ path: at('name'), value: name.trim() }])}
        />
      </Cell>
      <Cell head="Zone">
        <Choice
          label={`Zone of ${emitter.name}`}
          value={emitter.zoneId}
          options={zones.map((zone) => ({ id: zone.id, text: zone.name }))}
          onChoose={(zoneId) => edit([{ path: at('zoneId'), value: zoneId }])}
        />
      </Cell>
      <Cell head="Type">
        <Choice<EmitterType>
          label={`Type of ${emitter.name}`}
          value={emitter.type}
          options={emitterTypes.map((id) => ({ id, text: genericEmitters[id].label }))}
          onChoose={(type) => edit([{ path: at('type'), value: type }])}
        />
      </Cell>
      <Cell head="Count" end>
        <InlineCount
          label={`How many of ${emitter.name}`}
          value={emitter.count}
          onCommit={(count) => edit([{ path: at('count'), value: count }])}
        />
      </Cell>
      <Cell head="Each gives" end>
        <QuantityCell
          label={`Heat of each of ${emitter.name}`}
          measure="power"
          {...known(emitter.loadEach_W, at('loadEach_W'), edit)}
        />
      </Cell>
      <Cell head="Each holds" end>
        <QuantityCell
          label={`Water in each of ${emitter.name}`}
          measure="small-volume"
          {...known(holds, at('waterEach_m3'), edit)}
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
}

/** What each holds by its type, where nobody said otherwise. */
const byItsType = ({ count }: Emitter, water_m3: number | undefined): Known =>
  water_m3 === undefined || count === 0
    ? null
    : { value: water_m3 / count, basis: 'assumed', from: 'By its type' }
