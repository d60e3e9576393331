import type { ReliefAnswer, ReliefValve, ValveOutlet } from '@hestian/core'
import { genericValves, sizeAsSold, valveOutlets, valveYear } from '@hestian/core'
import styled from 'styled-components'
import { known } from '../ui/numbers'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { Makers } from '../job/MakerRow'
import { SectionHead } from '../ui/Answer'
import { Drop } from '../ui/Drop'
import { Choice } from '../ui/Choice'
import { InlineText } from '../ui/fields'
import { Mark } from '../ui/icons'
import { QuantityCell } from '../ui/QuantityRow'
import { rowId } from '../ui/quantity'
import { NotesHere } from '../ui/SheetPage'
import { Acts, Cell, Figure, Row, RowHead, Table } from '../ui/Table'
import { Worked } from '../ui/Worked'
import { DischargeRun } from './DischargeRun'
import { phone } from '../ui/phone'

/** As much as it has to carry, but for rounding. */
const justEnough = 1.000001
const enough = { kind: 'pass', label: 'enough' } as const
const tooLittle = { kind: 'stop', label: 'too little' } as const

/**
 * One relief valve: its facts, the parts behind it, its capacity against what is put in, and its
 * discharge.
 */
export function Valve({
  answer,
  index,
}: {
  readonly answer: ReliefAnswer
  readonly index: number
}) {
  const { draft } = useDesign()
  const { show } = useReadBy()
  const { valve, setGauge_Pa, openTemp_K, parts, weakest, protects_W, together_W } = answer
  const place = `reliefs.${index}`
  const made = valveYear(valve, draft.document)
  const share =
    protects_W !== undefined && together_W !== undefined && together_W > 0
      ? protects_W / together_W
      : undefined
  return (
    <section aria-label={valve.name}>
      <SectionHead>
        {valve.name}
        <small>
          lifts at {show(setGauge_Pa, 'water-pressure')}
          {openTemp_K === undefined ? '' : `, opens at ${show(openTemp_K, 'temperature')}`}
          {made === undefined ? '' : `, made ${made}`}
        </small>
      </SectionHead>
      <Facts answer={answer} index={index} />
      <Looked valve={valve} index={index} />
      <Makers of={[{ of: valve.name, path: ['reliefs', index, 'maker'], maker: valve.maker }]} />
      <Held>
        <div>
          <h4>
            Capacity
            {share === undefined ? (
              ''
            ) : (
              <Mark {...(share > justEnough ? tooLittle : enough)} size={18} />
            )}
          </h4>
          <Capacity answer={answer} share={share} />
        </div>
        <div>
          <h4>Weakest part behind it</h4>
          <Table
            label={`Parts behind ${valve.name}`}
            columns="minmax(0, 1fr) 110px"
            heads={['Part', '>Stands']}
          >
            {parts.map((part, i) => (
              <Row key={i} place={`${place}.parts.${part.name}`}>
                <RowHead head="Part">
                  {part.name}
                  {part === weakest ? ', the weakest' : ''}
                </RowHead>
                <Figure head="Stands">
                  {part.limitGauge_Pa === undefined ? (
                    <span data-pencil>not read</span>
                  ) : (
                    show(part.limitGauge_Pa, 'water-pressure')
                  )}
                </Figure>
              </Row>
            ))}
            <Row place={`${place}.set`}>
              <RowHead head="Part">
                <b>This valve lifts at</b>
              </RowHead>
              <Figure head="Stands">{show(setGauge_Pa, 'water-pressure')}</Figure>
            </Row>
          </Table>
        </div>
      </Held>
      <DischargeRun answer={answer} index={index} />
      <span data-place={`reliefs.${index}.discharge`} id={rowId(`reliefs.${index}.discharge`)} />
      <NotesHere place={`reliefs.${index}.discharge`} />
    </section>
  )
}

function Facts({ answer, index }: { readonly answer: ReliefAnswer; readonly index: number }) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { practice } = solution
  const { valve } = answer
  const at = (key: string) => ['reliefs', index, key]
  const gone = draft.document.parts.filter(
    (part) => part.kind === 'relief-valve' || part.kind === 'temperature-pressure-valve',
  )
  return (
    <Table
      label={`Facts of ${valve.name}`}
      columns="minmax(0, 1.5fr) 120px 110px 130px minmax(0, 1fr) 32px"
      heads={['Valve', 'Generic size', 'Outlet', '>Carries', 'Takes the place of', '']}
    >
      <Row place={`reliefs.${index}`}>
        <Cell head="Valve">
          <InlineText
            label={`Name of relief valve ${index + 1}`}
            required
            value={valve.name}
            maxLength={120}
            onCommit={(name) => edit([{ path: at('name'), value: name.trim() }])}
          />
        </Cell>
        <Cell head="Generic size">
          <Choice
            label={`Generic size of ${valve.name}`}
            value={valve.size ?? 'tag'}
            options={[
              { id: 'tag', text: 'by its tag' },
              ...genericValves.map((one) => ({ id: one.id, text: sizeAsSold(practice, one.id) })),
            ]}
            onChoose={(id) => {
              const size = genericValves.find((one) => one.id === id)
              edit([
                { path: at('size'), value: size?.id ?? null },
                ...(size ? [{ path: at('outlet'), value: size.outlet }] : []),
              ])
            }}
          />
        </Cell>
        <Cell head="Outlet">
          <Choice<ValveOutlet>
            label={`Outlet of ${valve.name}`}
            value={valve.outlet}
            options={valveOutlets.map((id) => ({ id, text: sizeAsSold(practice, id) }))}
            onChoose={(outlet) => edit([{ path: at('outlet'), value: outlet }])}
          />
        </Cell>
        <Cell head="Carries" end>
          <QuantityCell
            label={`Capacity of ${valve.name}`}
            measure="power"
            {...known(
              valve.capacity_W ??
                (answer.capacity_W === undefined
                  ? null
                  : { value: answer.capacity_W, basis: 'assumed', from: 'Generic size' }),
              at('capacity_W'),
              edit,
            )}
          />
        </Cell>
        <Cell head="Takes the place of">
          <Choice
            label={`What ${valve.name} takes the place of`}
            value={valve.replacesId ?? 'none'}
            options={[
              { id: 'none', text: 'nothing' },
              ...gone.map((part) => ({ id: part.id, text: part.name })),
            ]}
            onChoose={(id) => edit([{ path: at('replacesId'), value: id === 'none' ? null : id }])}
          />
        </Cell>
        <Acts>
          <Drop
            name={valve.name}
            onPress={() =>
              edit([
                {
                  path: ['reliefs'],
                  value: draft.document.reliefs.filter((one) => one.id !== valve.id),
                },
              ])
            }
          />
        </Acts>
      </Row>
    </Table>
  )
}

/** What is seen of it where it stands. */
function Looked({ valve, index }: { readonly valve: ReliefValve; readonly index: number }) {
  const { edit } = useJobActions()
  const choose = <K extends keyof ReliefValve>(
    key: K,
    label: string,
    options: readonly {
      readonly id: NonNullable<ReliefValve[K]> & string
      readonly text: string
    }[],
  ) => (
    <Choice<string>
      label={`${label}: ${valve.name}`}
      value={valve[key] as string | null}
      options={options}
      onChoose={(id) => edit([{ path: ['reliefs', index, key], value: id }])}
    />
  )
  return (
    <Looks>
      {valve.guards === 'temperature' && (
        <label>
          Probe{' '}
          {choose('probe', 'Probe', [
            { id: 'in-hottest', text: 'in the hottest water' },
            { id: 'elsewhere', text: 'elsewhere' },
          ])}
        </label>
      )}
      <label>
        Lever{' '}
        {choose('lever', 'Lever', [
          { id: 'clear', text: 'can be lifted' },
          { id: 'blocked', text: 'cannot be lifted' },
        ])}
      </label>
      <label>
        Valve before it{' '}
        {choose('valveBetween', 'Valve before it', [
          { id: 'no', text: 'none' },
          { id: 'yes', text: 'there is one' },
        ])}
      </label>
    </Looks>
  )
}

/** What it carries of what is put into the water it guards. */
function Capacity({
  answer,
  share,
}: {
  readonly answer: ReliefAnswer
  readonly share: number | undefined
}) {
  const { show } = useReadBy()
  const { protects_W, together_W, by, protectsName } = answer
  if (protects_W === undefined)
    return (
      <p>
        The {by} of {protectsName} is not read.
      </p>
    )
  if (together_W === undefined)
    return (
      <p>
        It has to carry <b>{show(protects_W, 'power')}</b>, the {by} of {protectsName}. Read its
        tag, or take a generic size.
      </p>
    )
  return (
    <>
      <Bar role="img" aria-label={`${show(protects_W, 'power')} of ${show(together_W, 'power')}`}>
        <i
          style={{ width: `${Math.min(100, 100 * (share ?? 0))}%` }}
          data-over={(share ?? 0) > justEnough || undefined}
        />
      </Bar>
      <Carried answer={answer} protects_W={protects_W} together_W={together_W} />
    </>
  )
}

function Carried({
  answer: { valve, by, protectsName, capacityFrom, steam_kg_s, tableInlet_m, would },
  protects_W,
  together_W,
}: {
  readonly answer: ReliefAnswer
  readonly protects_W: number
  readonly together_W: number
}) {
  const { practice } = useDesign().solution
  const { show } = useReadBy()
  const carries = show(together_W, 'power')
  return (
    <p>
      <b>
        <Worked of={`Steam ${valve.name} may have to carry`}>{show(protects_W, 'power')}</Worked>
      </b>
      , the {by} of {protectsName}, of the{' '}
      <b>
        {capacityFrom === 'generic' ? (
          <Worked of={`Capacity of ${valve.name}, generic`}>{carries}</Worked>
        ) : (
          carries
        )}
      </b>{' '}
      it carries
      {steam_kg_s === undefined
        ? ''
        : `: ${(steam_kg_s * 3600).toFixed(0)} kg of steam an hour`}.{' '}
      {tableInlet_m !== undefined && (
        <>
          The selection table asks {sizeAsSold(practice, `DN${Math.round(tableInlet_m * 1000)}`)}{' '}
          (as remembered).{' '}
        </>
      )}
      {would && <>By the equation a generic {sizeAsSold(practice, would.id)} does.</>}
    </p>
  )
}

const Looks = styled.div`
  display: flex;
  gap: 24px;
  flex-wrap: wrap;
  padding: 4px 0;
  label {
    display: grid;
    grid-template-columns: auto 170px;
    gap: 10px;
    align-items: center;
    color: var(--ink-2);
  }
  ${phone} {
    label {
      grid-template-columns: 110px minmax(0, 1fr);
      width: 100%;
    }
  }
`
const Held = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 24px;
  padding: 6px 0;
  h4 {
    font: 650 var(--small)/22px var(--head);
    display: flex;
    gap: 8px;
    align-items: center;
    margin: 0;
  }
  p {
    color: var(--ink-2);
    font-size: var(--small);
    line-height: 20px;
  }
  b {
    color: var(--ink);
  }
  [data-pencil] {
    color: var(--pencil);
  }
  @media (max-width: 860px) {
    grid-template-columns: minmax(0, 1fr);
    gap: 10px;
  }
`
const Bar = styled.div`
  height: 14px;
  border: 1.5px solid var(--ink);
  margin: 6px 0;
  i {
    display: block;
    height: 100%;
    background: var(--ink-2);
  }
  i[data-over] {
    background: var(--stop);
  }
`
