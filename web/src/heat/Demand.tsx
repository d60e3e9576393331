import type { Outlet, OutletKind, Simultaneous, Zone } from '@hestian/core'
import { ageWords, buildingAges, outletFlow_m3_s, outletKinds, zoneLoad_W } from '@hestian/core'
import styled from 'styled-components'
import { newId } from '../api/client'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { Drop } from '../ui/Drop'
import { Schools } from '../job/Schools'
import { Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { InlineCount, InlineText, RowGrid, Rows } from '../ui/fields'
import { QuantityCell } from '../ui/QuantityRow'
import { knownOf, rowId } from '../ui/quantity'
import { NotesHere } from '../ui/SheetPage'

const kindWords: Readonly<Record<OutletKind, string>> = {
  shower: 'Shower',
  bath: 'Bath',
  washbasin: 'Basin',
  'kitchen-sink': 'Kitchen sink',
  'garden-tap': 'Garden tap',
  wc: 'WC',
  'washing-machine': 'Washing machine',
  dishwasher: 'Dishwasher',
}
const tempered = [
  { id: 'yes', text: 'Mixed down' },
  { id: 'no', text: 'Not mixed' },
  { id: 'refused', text: 'Mixing refused' },
] as const

/** The heat of each zone and the outlets that draw hot water. */
export function Demand() {
  const { draft, solution } = useDesign()
  const { show } = useReadBy()
  const { heating, hotWater, heat } = draft.document
  const answer = solution.heat.applies ? solution.heat.answer : undefined
  return (
    <>
      {(heating || heat.zones.length > 0) && <Zones />}
      {hotWater && (
        <>
          <Outlets outlets={hotWater.outlets} />
          {answer?.simultaneous && answer.simultaneous.by !== 'not-covered' && (
            <Prose>
              At once: <b>{show(answer.simultaneous.flow_m3_s, 'water-flow')}</b>,{' '}
              {foundFrom(answer.simultaneous)}.{' '}
              {answer.simultaneous.by === 'scenario'
                ? ''
                : `${solution.practice.hotWater.demandSource.says}.`}
            </Prose>
          )}
          <Schools only={['simultaneousUse']} title="How much runs at once" />
        </>
      )}
    </>
  )
}

function foundFrom(found: Exclude<Simultaneous, { readonly by: 'not-covered' }>): string {
  switch (found.by) {
    case 'scenario':
      return 'the most that runs together in the pattern below'
    case 'hunter':
      return `from ${Math.round(found.units * 10) / 10} fixture units`
    case 'loading-units':
      return `from ${found.units} loading units`
  }
}

function Zones() {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { zones } = draft.document.heat
  const at = (i: number, ...rest: string[]) => ['heat', 'zones', i, ...rest]
  const total_W = zones.reduce((sum, zone) => sum + zoneLoad_W(zone), 0)
  return (
    <section data-place="heat.zones">
      <SectionHead>
        Heat by zone or room<small>{total_W > 0 ? `${show(total_W, 'power')} in all` : ''}</small>
      </SectionHead>
      <Rows>
        {zones.map((zone, i) => (
          <li key={zone.id}>
            <RowGrid
              as="div"
              $columns="minmax(0, 1.3fr) 140px minmax(0, 1.5fr) 84px 32px"
              data-place={`heat.zones.${i}`}
              id={rowId(`heat.zones.${i}`)}
            >
              <InlineText
                label={`Zone ${i + 1}`}
                required
                value={zone.name}
                maxLength={120}
                onCommit={(name) => edit([{ path: at(i, 'name'), value: name.trim() }])}
              />
              <Choice
                label={`How the heat of ${zone.name} is known`}
                value={zone.heat.by}
                options={[
                  { id: 'typed', text: 'Loss sheet' },
                  { id: 'estimate', text: 'Estimate' },
                ]}
                onChoose={(by) =>
                  edit([
                    {
                      path: at(i, 'heat'),
                      value:
                        by === 'typed'
                          ? { by, load_W: null }
                          : { by, area_m2: null, age: '1976-1995' },
                    },
                  ])
                }
              />
              {zone.heat.by === 'typed' ? (
                <QuantityCell
                  label={`Heat of ${zone.name}`}
                  place={`heat.zones.${i}.load`}
                  measure="power"
                  value={zone.heat.load_W}
                  onUse={(entry) =>
                    edit([{ path: at(i, 'heat', 'load_W'), value: knownOf(entry) }])
                  }
                />
              ) : (
                <Estimate zone={zone} index={i} />
              )}
              <Sum data-pencil={zone.heat.by === 'estimate' || undefined} className="tnum">
                {zoneLoad_W(zone) > 0 ? show(zoneLoad_W(zone), 'power') : ''}
              </Sum>
              <Drop
                name={zone.name}
                onPress={() =>
                  edit([
                    { path: ['heat', 'zones'], value: zones.filter((one) => one.id !== zone.id) },
                  ])
                }
              />
            </RowGrid>
            <NotesHere place={`heat.zones.${i}`} />
          </li>
        ))}
      </Rows>
      <Button
        look="text"
        onPress={() =>
          edit([
            {
              path: ['heat', 'zones', zones.length],
              value: {
                id: newId(),
                name: zones.length === 0 ? 'Whole building' : 'New zone',
                heat: { by: 'typed', load_W: null },
              } satisfies Zone,
            },
          ])
        }
      >
        Add a zone or room
      </Button>
    </section>
  )
}

function Estimate({ zone, index }: { readonly zone: Zone; readonly index: number }) {
  const { edit } = useJobActions()
  if (zone.heat.by !== 'estimate') return null
  return (
    <Pair>
      <QuantityCell
        label={`Area of ${zone.name}`}
        place={`heat.zones.${index}.area`}
        measure="area"
        value={zone.heat.area_m2}
        onUse={(entry) =>
          edit([{ path: ['heat', 'zones', index, 'heat', 'area_m2'], value: knownOf(entry) }])
        }
      />
      <Choice
        label={`Age of ${zone.name}`}
        value={zone.heat.age}
        options={buildingAges.map((age) => ({ id: age, text: `built ${ageWords[age]}` }))}
        onChoose={(age) => edit([{ path: ['heat', 'zones', index, 'heat', 'age'], value: age }])}
      />
    </Pair>
  )
}

function Outlets({ outlets }: { readonly outlets: readonly Outlet[] }) {
  const { edit } = useJobActions()
  const add = (kind: OutletKind) =>
    edit([
      {
        path: ['hotWater', 'outlets', outlets.length],
        value: {
          id: newId(),
          name: kindWords[kind],
          kind,
          count: 1,
          flow_m3_s: null,
          temp_K: null,
          tempered: null,
        } satisfies Outlet,
      },
    ])
  return (
    <section data-place="hotWater.outlets">
      <SectionHead>
        Hot water outlets<small>mixed flow with the tap open</small>
      </SectionHead>
      <Rows>
        {outlets.map((outlet, i) => (
          <OutletRow key={outlet.id} outlet={outlet} index={i} />
        ))}
      </Rows>
      <Add>
        <Choice
          label="Add an outlet"
          labelled
          value={null}
          options={outletKinds.map((id) => ({ id, text: kindWords[id] }))}
          onChoose={add}
        />
      </Add>
      {outlets.some((outlet) => !outlet.flow_m3_s) && (
        <Prose>
          A flow in pencil is the usual one of its kind; a cup under the tap replaces it.
        </Prose>
      )}
    </section>
  )
}

function OutletRow({ outlet, index }: { readonly outlet: Outlet; readonly index: number }) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { outlets = [], scenario = [] } = draft.document.hotWater ?? {}
  const at = (key: string) => ['hotWater', 'outlets', index, key]
  return (
    <li>
      <RowGrid
        as="div"
        $columns="minmax(0, 1.2fr) 128px 58px 112px 96px 142px 32px"
        data-place={`hotWater.outlets.${index}`}
        id={rowId(`hotWater.outlets.${index}`)}
      >
        <InlineText
          label={`Outlet ${index + 1}`}
          required
          value={outlet.name}
          maxLength={120}
          onCommit={(name) => edit([{ path: at('name'), value: name.trim() }])}
        />
        <Choice
          label={`Kind of ${outlet.name}`}
          value={outlet.kind}
          options={outletKinds.map((id) => ({ id, text: kindWords[id] }))}
          onChoose={(kind) => edit([{ path: at('kind'), value: kind }])}
        />
        <InlineCount
          label={`How many of ${outlet.name}`}
          value={outlet.count}
          onCommit={(count) => edit([{ path: at('count'), value: count }])}
        />
        <QuantityCell
          label={`Flow at ${outlet.name}`}
          place={`hotWater.outlets.${index}.flow`}
          measure="water-flow"
          value={
            outlet.flow_m3_s ?? {
              value: outletFlow_m3_s(outlet),
              basis: 'assumed',
              from: 'Usual for its kind',
            }
          }
          onUse={(entry) => edit([{ path: at('flow_m3_s'), value: knownOf(entry) }])}
          {...(outlet.flow_m3_s
            ? { onClear: () => edit([{ path: at('flow_m3_s'), value: null }]) }
            : {})}
        />
        <QuantityCell
          label={`Temperature wanted at ${outlet.name}`}
          place={`hotWater.outlets.${index}.temp`}
          measure="temperature"
          value={
            outlet.temp_K ?? {
              value: solution.practice.hotWater.mixedTemp_K,
              basis: 'assumed',
              from: 'Usual',
            }
          }
          onUse={(entry) => edit([{ path: at('temp_K'), value: knownOf(entry) }])}
          onClear={() => edit([{ path: at('temp_K'), value: null }])}
        />
        <Choice
          label={`Whether ${outlet.name} is mixed down`}
          value={outlet.tempered}
          options={tempered}
          onChoose={(value) => edit([{ path: at('tempered'), value }])}
        />
        <Drop
          name={outlet.name}
          onPress={() =>
            edit([
              {
                path: ['hotWater', 'outlets'],
                value: outlets.filter((one) => one.id !== outlet.id),
              },
              {
                path: ['hotWater', 'scenario'],
                value: scenario.filter((draw) => draw.outletId !== outlet.id),
              },
            ])
          }
        />
      </RowGrid>
      <NotesHere place={`hotWater.outlets.${index}`} />
    </li>
  )
}

const Sum = styled.span`
  text-align: right;
  font-weight: 650;
  &[data-pencil] {
    color: var(--pencil);
    font-weight: 450;
  }
`
const Pair = styled.div`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 12px;
  align-items: center;
`
const Add = styled.div`
  max-width: 260px;
  margin: 8px 0;
`
