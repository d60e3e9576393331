import type { CircuitAnswer, CircuitPart } from '@hestian/core'
import { circuitPartKinds } from '@hestian/core'
import { newId } from '../api/client'
import { known } from '../ui/numbers'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Adds, Drop } from '../ui/Drop'
import { Choice } from '../ui/Choice'
import { InlineText } from '../ui/fields'
import { QuantityCell } from '../ui/QuantityRow'
import { rowId } from '../ui/quantity'
import { NotesHere } from '../ui/SheetPage'
import { Acts, Cell, Figure, Row, Table } from '../ui/Table'
import { inZone, placeOf, zonePlaces } from './places'

type Kind = CircuitPart['kind']
const kindWords: Readonly<Record<Kind, string>> = {
  boiler: 'Boiler',
  'low-loss-header': 'Low-loss header',
  buffer: 'Buffer',
  filter: 'Filter',
  separator: 'Separator',
  'zone-valve': 'Zone valve',
  coil: 'Coil',
  other: 'Other',
}

/** What most circuits have one of. */
const usualParts = ['boiler', 'filter', 'separator', 'low-loss-header'] as const

/** Boiler, header, filter, separator, valves: what each loses at a flow, and what it holds. */
export function Parts({ answer }: { readonly answer: CircuitAnswer | undefined }) {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { heating } = draft.document
  if (!heating) return null
  const { parts } = heating
  const add = (kind: Kind, name: string) =>
    edit([
      {
        path: ['heating', 'parts', parts.length],
        value: {
          ...{ id: newId(), name, kind, zoneId: null },
          ...{ drop_Pa: null, atFlow_m3_s: null, water_m3: null },
        } satisfies CircuitPart,
      },
    ])
  return (
    <section data-place="heating.parts" id={rowId('heating.parts')}>
      <SectionHead>
        Boiler, header, filter, valves<small>the maker gives a loss at a flow</small>
      </SectionHead>
      <NotesHere place="heating.parts" />
      {parts.length > 0 && (
        <Table
          label="Parts in the flow"
          columns="minmax(0, 1.3fr) minmax(0, 1fr) minmax(0, 1fr) 92px 92px 82px 74px 32px"
          heads={[
            'Part',
            'Kind',
            'Stands in',
            '>Loses',
            '>At',
            '>Holds',
            `>Here, ${show.unit('water-pressure')}`,
            '',
          ]}
        >
          {parts.map((part, i) => (
            <PartRow
              key={part.id}
              part={part}
              index={i}
              solved={answer?.parts.find((one) => one.part.id === part.id)}
            />
          ))}
        </Table>
      )}
      <Adds>
        {usualParts
          .filter((kind) => !parts.some((part) => part.kind === kind))
          .map((kind) => (
            <Button key={kind} look="text" onPress={() => add(kind, kindWords[kind])}>
              Add a {kindWords[kind].toLowerCase()}
            </Button>
          ))}
        <Button look="text" onPress={() => add('other', 'New part')}>
          Add another part
        </Button>
      </Adds>
    </section>
  )
}

interface PartRowProps {
  readonly part: CircuitPart
  readonly index: number
  readonly solved: CircuitAnswer['parts'][number] | undefined
}

function PartRow({ part, index, solved }: PartRowProps) {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { parts = [], zones = [] } = draft.document.heating ?? {}
  const at = (key: string) => ['heating', 'parts', index, key]
  return (
    <Row place={`heating.parts.${index}`}>
      <Cell head="Part">
        <InlineText
          label={`Part ${index + 1} in the flow`}
          required
          value={part.name}
          maxLength={120}
          onCommit={(name) => edit([{ path: at('name'), value: name.trim() }])}
        />
      </Cell>
      <Cell head="Kind">
        <Choice<Kind>
          label={`Kind of ${part.name}`}
          value={part.kind}
          options={circuitPartKinds.map((id) => ({ id, text: kindWords[id] }))}
          onChoose={(kind) => edit([{ path: at('kind'), value: kind }])}
        />
      </Cell>
      <Cell head="Stands in">
        <Choice
          label={`Where ${part.name} stands`}
          value={inZone(part.zoneId)}
          options={zonePlaces(zones)}
          onChoose={(id) => edit([{ path: at('zoneId'), value: placeOf(id).zoneId }])}
        />
      </Cell>
      <Cell head="Loses" end>
        <QuantityCell
          label={`Loss of ${part.name}`}
          measure="water-pressure"
          {...known(part.drop_Pa, at('drop_Pa'), edit)}
        />
      </Cell>
      <Cell head="At" end>
        <QuantityCell
          label={`Flow at which ${part.name} loses it`}
          measure="water-flow"
          {...known(part.atFlow_m3_s, at('atFlow_m3_s'), edit)}
        />
      </Cell>
      <Cell head="Holds" end>
        <QuantityCell
          label={`Water in ${part.name}`}
          measure="small-volume"
          {...known(part.water_m3, at('water_m3'), edit)}
        />
      </Cell>
      <Figure head="Here" of={part.name}>
        {solved ? (
          <span data-pencil={solved.assumed || undefined}>
            {show.figure(solved.loss_Pa, 'water-pressure', 3)}
          </span>
        ) : (
          ''
        )}
      </Figure>
      <Acts>
        <Drop
          name={part.name}
          onPress={() =>
            edit([
              {
                path: ['heating', 'parts'],
                value: parts.filter((one) => one.id !== part.id),
              },
            ])
          }
        />
      </Acts>
    </Row>
  )
}
