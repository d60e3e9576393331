import type { CircuitAnswer, Heating, Show, ZoneAnswer } from '@hestian/core'
import { newId } from '../api/client'
import { known } from '../ui/numbers'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { SmallToggle } from '../ui/SmallToggle'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Adds, Drop } from '../ui/Drop'
import { Choice } from '../ui/Choice'
import { InlineText } from '../ui/fields'
import { QuantityCell } from '../ui/QuantityRow'
import { NotesHere } from '../ui/SheetPage'
import { Acts, Cell, Figure, Row, Table } from '../ui/Table'

type HeatingZone = Heating['zones'][number]

/** What its balancing valve takes and the setting at which it does; the index zone has none. */
function throttled(zone: ZoneAnswer, show: Show): string {
  if (zone.isIndex) return 'index'
  if (zone.zone.alone) return 'alone'
  if (zone.setting_m3_s === undefined) return 'open'
  const surplus = show.figure(zone.surplus_Pa, 'water-pressure')
  return `${surplus}, Kv ${(zone.setting_m3_s * 3600).toFixed(1)}`
}

/**
 * What is fed and balanced together: its heat, its flow, what it loses, and what its balancing
 * valve is set to.
 */
export function Zones({ answer }: { readonly answer: CircuitAnswer | undefined }) {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { heating, heat } = draft.document
  if (!heating) return null
  const { zones } = heating
  const spare = heat.zones.filter((zone) => !zones.some((one) => one.heatZoneId === zone.id))
  const add = (name: string, heatZoneId: string | null, n: number) => ({
    path: ['heating', 'zones', zones.length + n],
    value: { id: newId(), name, heatZoneId, load_W: null, difference_K: null, alone: false },
  })
  return (
    <section data-place="heating.zones">
      <SectionHead>
        Zones<small>flow from heat and the difference of flow and return</small>
      </SectionHead>
      <NotesHere place="heating.zones" />
      {zones.length > 0 && (
        <Table
          label="Zones"
          columns="minmax(0, 1.3fr) minmax(0, 1fr) 96px 92px 78px 78px 112px 32px"
          heads={[
            'Zone',
            'Heat from',
            '>Heat',
            '>Difference',
            `>Flow ${show.unit('water-flow')}`,
            `>Loss ${show.unit('water-pressure')}`,
            '>Throttle',
            '',
          ]}
        >
          {zones.map((zone, i) => (
            <ZoneRow
              key={zone.id}
              zone={zone}
              index={i}
              solved={answer?.zones.find((one) => one.zone.id === zone.id)}
            />
          ))}
        </Table>
      )}
      <Adds>
        {spare.length > 0 && (
          <Button
            look="text"
            onPress={() => edit(spare.map((zone, n) => add(zone.name, zone.id, n)))}
          >
            Take the {spare.length === 1 ? 'zone' : `${spare.length} zones`} of the heat page
          </Button>
        )}
        <Button look="text" onPress={() => edit([add('New zone', null, 0)])}>
          Add a zone
        </Button>
      </Adds>
    </section>
  )
}

interface ZoneRowProps {
  readonly zone: HeatingZone
  readonly index: number
  readonly solved: ZoneAnswer | undefined
}

function ZoneRow({ zone, index, solved }: ZoneRowProps) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { heat, heating } = draft.document
  const { zones = [] } = heating ?? {}
  const at = (key: string) => ['heating', 'zones', index, key]
  const linked = heat.zones.some((one) => one.id === zone.heatZoneId)
  return (
    <Row place={`heating.zones.${index}`}>
      <Cell head="Zone">
        <InlineText
          label={`Zone ${index + 1}`}
          required
          value={zone.name}
          maxLength={120}
          onCommit={(name) => edit([{ path: at('name'), value: name.trim() }])}
        />
        <SmallToggle
          isSelected={zone.alone}
          onChange={(alone) => edit([{ path: at('alone'), value: alone }])}
        >
          <i />
          fed alone
        </SmallToggle>
      </Cell>
      <Cell head="Heat from">
        <Choice
          label={`Heat of ${zone.name} from`}
          value={linked ? (zone.heatZoneId ?? '') : 'typed'}
          options={[
            { id: 'typed', text: 'typed here' },
            ...heat.zones.map((one) => ({ id: one.id, text: one.name })),
          ]}
          onChoose={(id) =>
            edit([
              { path: at('heatZoneId'), value: id === 'typed' ? null : id },
              ...(id === 'typed' ? [] : [{ path: at('load_W'), value: null }]),
            ])
          }
        />
      </Cell>
      <HeatCell zone={zone} index={index} linked={linked} load_W={solved?.load_W} />
      <Cell head="Difference" end>
        <QuantityCell
          label={`Flow less return of ${zone.name}`}
          measure="temperature-difference"
          {...known(
            zone.difference_K ?? {
              value: solution.practice.circuit.difference_K,
              basis: 'assumed',
              from: 'Usual',
            },
            at('difference_K'),
            edit,
          )}
        />
      </Cell>
      <Figure head="Flow" of={`Flow of ${zone.name}`}>
        {solved ? show.figure(solved.flow_m3_s, 'water-flow') : ''}
      </Figure>
      <Figure head="Loss" of={`Loss of ${zone.name}`}>
        {solved ? show.figure(solved.loss_Pa, 'water-pressure') : ''}
      </Figure>
      <Figure
        head="Throttle"
        {...(solved?.setting_m3_s === undefined ? {} : { of: `Balancing ${zone.name}` })}
      >
        {solved ? throttled(solved, show) : ''}
      </Figure>
      <Acts>
        <Drop
          name={zone.name}
          onPress={() =>
            edit([{ path: ['heating', 'zones'], value: zones.filter(({ id }) => id !== zone.id) }])
          }
        />
      </Acts>
    </Row>
  )
}

/** Its heat: computed with the zone it is linked to, typed where it is not. */
function HeatCell({
  zone,
  index,
  linked,
  load_W,
}: {
  readonly zone: HeatingZone
  readonly index: number
  readonly linked: boolean
  readonly load_W: number | undefined
}) {
  const { edit } = useJobActions()
  const { show } = useReadBy()
  if (linked && !zone.load_W)
    return <Figure head="Heat">{load_W === undefined ? '' : show(load_W, 'power')}</Figure>
  return (
    <Cell head="Heat" end>
      <QuantityCell
        label={`Heat of ${zone.name}`}
        measure="power"
        {...known(zone.load_W, ['heating', 'zones', index, 'load_W'], edit)}
      />
    </Cell>
  )
}
