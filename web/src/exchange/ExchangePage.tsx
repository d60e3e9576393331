import type { ExchangeAnswer, JobDocument, Known, Measure, Part } from '@hestian/core'
import {
  causeStays,
  causeWords,
  exchangedParts,
  exchangedWords,
  beginExchange,
  inWords,
  isRelief,
  weepCauses,
  pointNames,
} from '@hestian/core'
import { Link } from 'react-router'
import styled from 'styled-components'
import { newId } from '../api/client'
import { useDesign, useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { MakerRow } from '../job/MakerRow'
import { CheckSheet } from '../shell/CheckSheet'
import { Answer, Prose, SectionHead, VerdictLine } from '../ui/Answer'
import { ChoiceRow, yesNo } from '../ui/ChoiceRow'
import { Choice } from '../ui/Choice'
import { InlineText } from '../ui/fields'
import { Mark } from '../ui/icons'
import { Ledger, QuantityRow } from '../ui/QuantityRow'
import { knownOf } from '../ui/quantity'
import { SheetHead } from '../ui/SheetHead'
import { SheetPage } from '../ui/SheetPage'
import { WorkingsFold } from '../ui/WorkingsFold'
import { phone } from '../ui/phone'

/**
 * One safety part exchanged: the plant, the old one, the new one, and why the old one let water
 * out.
 */
export function ExchangePage() {
  const { solution } = useDesign()
  const { state } = useStanding()
  const sheet = solution.exchange
  if (!sheet.applies)
    return (
      <SheetPage sheet="exchange">
        <Answer>
          No safety part is <b>exchanged one for one.</b>
        </Answer>
        <Prose>
          If one is, say so on <Link to={`/jobs/${state.id}/work`}>Work</Link>.
        </Prose>
        <CheckSheet sheet="exchange" />
      </SheetPage>
    )
  if (!sheet.answer) return <WhichPart />
  return (
    <SheetPage sheet="exchange">
      <SheetHead sheet="exchange" />
      <Match answer={sheet.answer} />
      <Questions answer={sheet.answer} />
      <CheckSheet sheet="exchange" />
      <WorkingsFold workings={sheet.workings} />
    </SheetPage>
  )
}

function WhichPart() {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { words } = solution.practice
  return (
    <SheetPage sheet="exchange">
      <Answer>
        Which part is <b>exchanged?</b>
      </Answer>
      <VerdictLine>
        <span>The plant it guards, the old part and the new one get a row each.</span>
      </VerdictLine>
      <Which data-place="work.exchange">
        <Choice
          labelled
          label="Safety part"
          value={null}
          options={exchangedParts.map((id) => ({ id, text: inWords(exchangedWords[id], words) }))}
          onChoose={(id) => edit(beginExchange(draft.document, id, words, newId))}
        />
      </Which>
      <CheckSheet sheet="exchange" />
    </SheetPage>
  )
}

/** The match as a table: the plant asks, the old had, the new has. */
function Match({ answer: { points, plant, old, fresh } }: { readonly answer: ExchangeAnswer }) {
  const { show } = useReadBy()
  return (
    <Table data-place="work.exchange.match">
      <thead>
        <tr>
          <th scope="col">Match</th>
          <th scope="col">{plant.name} asks</th>
          <th scope="col">{old.name}</th>
          <th scope="col">{fresh.name}</th>
        </tr>
      </thead>
      <tbody>
        {points.map((point) => (
          <tr key={point.id}>
            <th scope="row">{pointNames[point.id]}</th>
            <td>
              {point.asks
                ? `${point.asks.way === 'most' ? 'at most' : 'at least'} ${show(point.asks.value, point.measure)}`
                : '–'}
            </td>
            <td>{point.old === undefined ? '?' : show(point.old, point.measure)}</td>
            <td>
              <span>
                <b>{point.fresh === undefined ? '?' : show(point.fresh, point.measure)}</b>
                <Mark size={17} {...fitMark(point.fits)} />
                {point.like === false && <small>not as the old one</small>}
              </span>
            </td>
          </tr>
        ))}
      </tbody>
    </Table>
  )
}

function fitMark(fits: boolean | undefined) {
  if (fits === undefined) return { kind: 'not-yet', label: 'not known' } as const
  return fits
    ? ({ kind: 'pass', label: 'fits the plant' } as const)
    : ({ kind: 'stop', label: 'does not fit the plant' } as const)
}

const connections = [
  { id: 'same', text: 'Same size and thread' },
  { id: 'larger', text: 'Larger' },
  { id: 'adapted', text: 'Adapted, full size' },
  { id: 'smaller', text: 'Smaller, or narrowed' },
] as const
const betweens = [
  { id: 'nothing', text: 'Nothing' },
  { id: 'lockable', text: 'Service valve, locked open' },
  { id: 'plain-valve', text: 'A valve that shuts' },
] as const

interface Ask {
  readonly label: string
  /** As findings name it. */
  readonly place: string
  readonly path: readonly (string | number)[]
  readonly measure: Measure
  readonly value: Known
  readonly how: string
  readonly why: string
}

const indexOf = (rows: readonly { readonly id: string }[], id: string) =>
  rows.findIndex((one) => one.id === id)

/** What of the plant is asked, by what is exchanged. */
function plantAsks({ exchange, plant }: ExchangeAnswer, document: JobDocument): readonly Ask[] {
  const at = indexOf(document.appliances, plant.id)
  const relief: readonly Ask[] = [
    {
      label: 'Maximum working pressure',
      place: 'work.exchange.plant.max',
      path: ['appliances', at, 'maxWorkingGauge_Pa'],
      measure: 'water-pressure',
      value: plant.maxWorkingGauge_Pa,
      how: 'Plate',
      why: 'The new valve may not be set above it. The plate decides, not the old valve.',
    },
    {
      label: `Heat input (${plant.inputSaid})`,
      place: 'work.exchange.plant.input',
      path: ['appliances', at, 'input_W'],
      measure: 'power',
      value: plant.input_W,
      how: 'Plate',
      why: 'The new valve has to carry all of it.',
    },
    {
      label: 'Stands below the valve by',
      place: 'work.exchange.plantBelow_m',
      path: ['work', 'exchange', 'plantBelow_m'],
      measure: 'height',
      value: exchange.plantBelow_m,
      how: 'Tape',
      why: 'The water between them comes on top of the set pressure. A plant above its valve: less than 0.',
    },
  ]
  return isRelief(exchange)
    ? relief
    : [
        {
          label: 'Set pressure of the relief behind it',
          place: 'work.exchange.reliefGauge_Pa',
          path: ['work', 'exchange', 'reliefGauge_Pa'],
          measure: 'water-pressure',
          value: exchange.reliefGauge_Pa,
          how: 'Tag',
          why: 'The new part has to stand it, or stay well below it.',
        },
      ]
}

/** What is read from the tag of the old part or of the new one. */
function tagAsks(
  { exchange }: ExchangeAnswer,
  document: JobDocument,
  part: Part,
  side: 'old' | 'new',
): readonly Ask[] {
  const at = indexOf(document.parts, part.id)
  const row = (
    key: 'setGauge_Pa' | 'openTemp_K' | 'capacity_W' | 'volume_m3' | 'chargeGauge_Pa',
    place: string,
    label: string,
    measure: Measure,
    why: string,
  ): Ask => ({
    label,
    place: `work.exchange.${side}.${place}`,
    path: ['parts', at, key],
    measure,
    value: part[key],
    how: 'Tag',
    why,
  })
  const set = row(
    'setGauge_Pa',
    'set',
    'Set pressure',
    'water-pressure',
    'Held against the plate, then against the other.',
  )
  const capacity = row(
    'capacity_W',
    'capacity',
    'Capacity',
    'power',
    'Stamped on the tag; held against the heat input.',
  )
  switch (exchange.part) {
    case 'relief-valve':
      return [set, capacity]
    case 'temperature-pressure-valve':
      return [
        set,
        row('openTemp_K', 'openTemp', 'Opens at', 'temperature', 'Before the water can boil.'),
        capacity,
      ]
    case 'expansion-vessel':
      return [
        row('volume_m3', 'volume', 'Volume', 'small-volume', 'What it can take in.'),
        ...(side === 'new'
          ? [
              {
                label: 'Maximum working pressure',
                place: 'work.exchange.new.working',
                path: ['work', 'exchange', 'newMaxWorkingGauge_Pa'],
                measure: 'water-pressure' as const,
                value: exchange.newMaxWorkingGauge_Pa,
                how: 'Label',
                why: 'It has to stand what the relief opens at.',
              },
              row(
                'chargeGauge_Pa',
                'charge',
                'Charge, gauged',
                'water-pressure',
                'Factory charge leaks in store.',
              ),
            ]
          : []),
      ]
    case 'reducing-valve':
    case 'inlet-group':
      return [set]
  }
}

function Questions({ answer }: { readonly answer: ExchangeAnswer }) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { document } = draft
  const { exchange, plant, old, fresh } = answer
  const { words } = solution.practice
  const at = (key: string) => ['work', 'exchange', key]
  const relief = isRelief(exchange)
  const sides = [
    { head: plant.name, aside: 'its plate comes first', asks: plantAsks(answer, document) },
    {
      head: old.name,
      aside: 'the tag that comes off',
      asks: tagAsks(answer, document, old, 'old'),
    },
    {
      head: fresh.name,
      aside: 'the tag that stays on',
      asks: tagAsks(answer, document, fresh, 'new'),
    },
  ]
  return (
    <>
      {sides.map(({ head, aside, asks }, i) => (
        <section key={aside}>
          <SectionHead>
            {head}
            <small>{aside}</small>
          </SectionHead>
          <Ledger>
            {asks.map(({ path, ...ask }) => (
              <QuantityRow
                key={ask.place}
                {...ask}
                empty="needed"
                onUse={(entry) => edit([{ path, value: knownOf(entry) }])}
                onClear={() => edit([{ path, value: null }])}
              />
            ))}
            {i === 2 && (
              <>
                <ChoiceRow
                  label="Connection"
                  place="work.exchange.connection"
                  why="What is narrowed loses its capacity."
                  value={exchange.connection}
                  options={connections}
                  onChoose={(id) => edit([{ path: at('connection'), value: id }])}
                />
                {(relief || exchange.part === 'expansion-vessel') && (
                  <ChoiceRow
                    label={`Between ${fresh.name} and ${plant.name}`}
                    place="work.exchange.between"
                    why="Shut once and forgotten, the plant has no protection."
                    value={exchange.between}
                    options={betweens}
                    onChoose={(id) => edit([{ path: at('between'), value: id }])}
                  />
                )}
                {relief && (
                  <ChoiceRow
                    label="Discharge ends in sight and scalds nobody"
                    place="work.exchange.endSafe"
                    why="What comes out is near the boil."
                    value={exchange.endSafe}
                    options={yesNo}
                    onChoose={(id) => edit([{ path: at('endSafe'), value: id }])}
                  />
                )}
              </>
            )}
          </Ledger>
        </section>
      ))}
      {relief && <Weeping answer={answer} />}
      <SectionHead>
        For the register and the guarantee<small>not asked: fill what you want to find again</small>
      </SectionHead>
      {[
        { of: plant, list: 'appliances', at: indexOf(document.appliances, plant.id) },
        { of: fresh, list: 'parts', at: indexOf(document.parts, fresh.id) },
      ].map(({ of, list, at }) => (
        <MakerRow
          key={of.id}
          of={of.name}
          path={[list, at, 'maker']}
          maker={of.maker}
          yearElsewhere
        />
      ))}
      {exchange.part === 'expansion-vessel' && (
        <Prose>
          Whether its size is right at all is worked out on the sheet of the {words.vessel}; this
          work leaves it open.
        </Prose>
      )}
    </>
  )
}

/** Why it let water out: a valve that is exchanged alone weeps again. */
function Weeping({ answer: { exchange, old } }: { readonly answer: ExchangeAnswer }) {
  const { solution } = useDesign()
  const { edit } = useJobActions()
  const { words } = solution.practice
  const at = (key: string) => ['work', 'exchange', key]
  return (
    <section>
      <SectionHead>
        Why it let water out<small>the valve is seldom the cause</small>
      </SectionHead>
      <Ledger>
        <ChoiceRow
          label={`${old.name} let water out because`}
          place="work.exchange.cause"
          why="What is not put right makes the new one weep too."
          value={exchange.cause}
          options={weepCauses.map((id) => ({ id, text: inWords(causeWords[id], words) }))}
          onChoose={(id) => edit([{ path: at('cause'), value: id }])}
        />
        {causeStays(exchange) && (
          <ChoiceRow
            label="And that is put right"
            place="work.exchange.causeDone"
            why="If not, it is to fix before handover."
            value={exchange.causeDone}
            options={yesNo}
            onChoose={(id) => edit([{ path: at('causeDone'), value: id }])}
          />
        )}
      </Ledger>
      {exchange.cause !== null && (
        <span data-place="work.exchange.causeSays">
          <InlineText
            labelled
            label={
              exchange.cause === 'not-found' ? 'What was looked at' : 'What was seen, if you like'
            }
            value={exchange.causeSays}
            maxLength={300}
            onCommit={(says) => edit([{ path: at('causeSays'), value: says }])}
          />
        </span>
      )}
    </section>
  )
}

const Which = styled.div`
  max-width: 420px;
  margin: 10px 0;
`
const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  margin: 4px 0 14px;
  font-feature-settings: 'tnum';
  th,
  td {
    text-align: left;
    padding: 7px 10px 7px 0;
    border-bottom: 0.8px solid var(--hair);
    font-weight: 400;
    vertical-align: top;
  }
  thead th {
    font: 650 var(--small)/20px var(--head);
    border-bottom: 1.5px solid var(--ink);
  }
  tbody th {
    color: var(--ink-2);
  }
  td span {
    display: flex;
    gap: 8px;
    align-items: center;
    flex-wrap: wrap;
  }
  small {
    color: var(--look);
    font-size: var(--note);
  }
  ${phone} {
    font-size: var(--small);
    tr {
      display: grid;
      grid-template-columns: 1.15fr 1fr 1.25fr;
      column-gap: 8px;
      border-bottom: 0.8px solid var(--hair);
    }
    th,
    td {
      padding-right: 0;
      border: 0;
    }
    thead th:first-child {
      display: none;
    }
    tbody th {
      grid-column: 1 / -1;
      padding-bottom: 0;
    }
  }
`
