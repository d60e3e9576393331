import { SheetHead } from '../ui/SheetHead'
import type { VesselAnswer } from '@hestian/core'
import { ladderOf, siteFields, waterFields } from '@hestian/core'
import { useMemo } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { LeansOn } from '../job/LeansOn'
import { useDesign, useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { CheckSheet } from '../shell/CheckSheet'
import { Answer, Prose, SectionHead } from '../ui/Answer'
import { Choice } from '../ui/Choice'
import { Ledger, QuantityRow } from '../ui/QuantityRow'
import { rowId } from '../ui/quantity'
import { late } from '../ui/late'
import { NotesHere, SheetPage } from '../ui/SheetPage'
import { WorkingsFold } from '../ui/WorkingsFold'
import { SurveyRow } from '../job/SurveyRow'
import { ChargeFirst } from './ChargeFirst'
import { LadderView } from '../ui/LadderView'
import { capital, known } from '../ui/numbers'
import { VesselPosition } from './VesselPosition'
import { WeakParts } from './WeakParts'
import { Sensitivity } from './Sensitivity'
import { phone } from '../ui/phone'

const PressureCurve = late(
  async () => (await import('./PressureCurve')).PressureCurve,
  <CurveRoom />,
)

export function VesselPage() {
  const { solution } = useDesign()
  const { state } = useStanding()
  const sheet = solution.vessel
  if (!sheet.applies)
    return (
      <SheetPage sheet="vessel">
        <Answer>
          No heating vessel: <b>{sheet.because}</b>
        </Answer>
        <Prose>
          If there is one after all, say so on{' '}
          <Link to={`/jobs/${state.id}/plates`}>Rating plates</Link>.
        </Prose>
        <CheckSheet sheet="vessel" />
      </SheetPage>
    )
  const { answer } = sheet
  return (
    <SheetPage sheet="vessel">
      <SheetHead sheet="vessel" />
      <Columns>
        {answer && (
          <div>
            <Ladder answer={answer} />
            <Sensitivity answer={answer} />
          </div>
        )}
        <div>
          <Inputs />
        </div>
      </Columns>
      {answer && <ChargeFirst answer={answer} />}
      {answer && <PressureCurve answer={answer} />}
      <VesselPosition answer={answer} />
      <WeakParts />
      {answer && <OtherMethod answer={answer} />}
      <LeansOn sheet="vessel" />
      <CheckSheet sheet="vessel" />
      <WorkingsFold workings={sheet.workings} />
    </SheetPage>
  )
}

/** What moving a rung writes: settings only, relief valves to a size that is sold. */
function Ladder({ answer }: { readonly answer: VesselAnswer }) {
  const { solution, draft } = useDesign()
  const { show } = useReadBy()
  const { practice } = solution
  const delivered = draft.document.heating?.deliveredChargeGauge_Pa?.value
  const ladder = useMemo(() => ladderOf(answer, practice, delivered), [answer, practice, delivered])
  const chosen = (value: number) => ({ value, basis: 'read' as const, from: 'Set on the ladder' })
  return (
    <figure>
      <SectionHead>
        Pressure ladder
        <small>
          {show.unit('water-pressure')} gauge,{' '}
          {answer.vesselHead_Pa > 0 ? 'at the vessel' : 'at the fill point'}
        </small>
      </SectionHead>
      <LadderView
        ladder={ladder}
        file="pressure-ladder.svg"
        height={372}
        edits={(rung, gauge_Pa) => {
          if (rung === 'charge')
            return [{ path: ['heating', 'chargeGauge_Pa'], value: chosen(gauge_Pa) }]
          if (rung === 'cold-fill')
            return [
              { path: ['heating', 'fillGauge_Pa'], value: chosen(gauge_Pa + answer.vesselHead_Pa) },
            ]
          if (rung !== 'relief') return undefined
          const step = [...practice.vessel.reliefSteps_Pa].sort(
            (one, other) => Math.abs(one - gauge_Pa) - Math.abs(other - gauge_Pa),
          )[0]
          return step === undefined
            ? undefined
            : [{ path: ['heating', 'reliefSetGauge_Pa'], value: chosen(step) }]
        }}
      />
    </figure>
  )
}

/** Everything that decides the vessel, each with where it came from. */
function Inputs() {
  const { draft, solution } = useDesign()
  const { state } = useStanding()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { heating } = draft.document
  if (!heating) return null
  const { practice, vessel } = solution
  const answer = vessel.applies ? vessel.answer : undefined
  const content_m3 = answer?.content.total_m3
  const at = (
    key:
      | 'reliefSetGauge_Pa'
      | 'deliveredChargeGauge_Pa'
      | 'fillGauge_Pa'
      | 'chargeGauge_Pa'
      | 'feedSetGauge_Pa'
      | 'vesselMaxWorkingGauge_Pa'
      | 'vesselHeight_m'
      | 'reliefHeight_m'
      | 'vesselAcceptance',
  ) => known(heating[key], ['heating', key], edit)
  const pressure = { measure: 'water-pressure' as const }
  const sizes = practice.vessel.sizes_m3.map((size) => ({
    id: String(size),
    text: show(size, 'small-volume'),
  }))
  const shownFields = [...siteFields, ...waterFields].filter((field) =>
    ['topEmitterHeight_m', 'fillTemp_K', 'maxFlowTemp_K', 'highLimitTemp_K'].includes(field.key),
  )
  return (
    <>
      <SectionHead>
        Inputs<small>ink: known, pencil: assumed</small>
      </SectionHead>
      <Ledger>
        <li>
          <SumRow
            data-place="heating.content"
            id={rowId('heating.content')}
            to={`/jobs/${state.id}/circuit`}
          >
            <span>System water</span>
            <b
              className="tnum"
              data-pencil={answer && answer.content.assumed_m3 > 0 ? true : undefined}
            >
              {content_m3 === undefined ? '?' : show.figure(content_m3, 'volume')}
            </b>
            <i>{show.unit('volume')}</i>
            <small>
              {content_m3 === undefined ? 'list it on Heating circuit' : 'from Heating circuit'}
            </small>
          </SumRow>
          <NotesHere place="heating.content" />
        </li>
        {shownFields.map((field) => (
          <SurveyRow key={field.key} field={field} />
        ))}
        <QuantityRow
          label={`${capital(practice.words.reliefValve)}, set pressure`}
          {...pressure}
          {...at('reliefSetGauge_Pa')}
          how="Valve tag"
          why="The hot pressure must stay under it by the method's margin; it must not be above the weakest part."
          empty={`assumed ${show(practice.vessel.reliefUsualGauge_Pa, 'water-pressure')}`}
        />
        <QuantityRow
          label="Charge as delivered"
          {...pressure}
          {...at('deliveredChargeGauge_Pa')}
          how="Label"
          why="Vessels arrive charged to something; it is set to the design before filling."
        />
        <QuantityRow
          label={`${capital(practice.words.fillDevice)} comes set to`}
          {...pressure}
          {...at('feedSetGauge_Pa')}
          how="Cap of the valve"
          why="A preset suits some heights and not others."
          empty={
            practice.vessel.factoryFillGauge_Pa === undefined
              ? 'filled by hand'
              : `${show(practice.vessel.factoryFillGauge_Pa, 'water-pressure')} usual`
          }
        />
        <QuantityRow
          label="Charge set by hand"
          {...pressure}
          {...at('chargeGauge_Pa')}
          why="Left out, the computed charge is used."
          empty="computed"
        />
        <QuantityRow
          label="Cold fill set by hand"
          {...pressure}
          {...at('fillGauge_Pa')}
          why="Left out, the computed fill is used."
          empty="computed"
        />
        <QuantityRow
          label="Vessel above the fill point"
          measure="length"
          {...at('vesselHeight_m')}
          how="Tape"
          why="The higher it stands, the less charge it needs."
          empty="at the fill point"
        />
        <QuantityRow
          label={`${capital(practice.words.reliefValve)} above the fill point`}
          measure="length"
          {...at('reliefHeight_m')}
          how="Tape"
          why="Below the vessel it sees more pressure than the vessel does, and lifts sooner."
          empty="at the fill point"
        />
        <QuantityRow
          label="Maximum working pressure"
          {...pressure}
          {...at('vesselMaxWorkingGauge_Pa')}
          how="Label"
          why="The relief may not be set above it."
        />
        <QuantityRow
          label="Vessel may be filled to"
          measure="ratio"
          {...at('vesselAcceptance')}
          how="Maker's sheet"
          why="A diaphragm is made to stretch only so far."
          empty="no limit given"
        />
        <li>
          <SizeRow data-place="heating.vesselSize_m3" id={rowId('heating.vesselSize_m3')}>
            <span>Size fitted</span>
            <Choice
              label="Size fitted"
              value={heating.vesselSize_m3 === null ? 'choose' : String(heating.vesselSize_m3)}
              options={[
                {
                  id: 'choose',
                  text:
                    answer && heating.vesselSize_m3 === null
                      ? `Chosen for me: ${answer.fitted_m3 === 0 ? 'none' : show(answer.fitted_m3, 'small-volume')}`
                      : 'Choose for me',
                },
                ...sizes,
              ]}
              onChoose={(id) =>
                edit([
                  {
                    path: ['heating', 'vesselSize_m3'],
                    value: id === 'choose' ? null : Number(id),
                  },
                ])
              }
            />
          </SizeRow>
          <NotesHere place="heating.vesselSize_m3" />
        </li>
      </Ledger>
    </>
  )
}

function OtherMethod({ answer }: { readonly answer: VesselAnswer }) {
  const { solution } = useDesign()
  const { show } = useReadBy()
  const { other, need, inputs } = answer
  const mine = inputs.method === 'en12828' ? 'EN 12828' : 'the handbook method'
  const theirs =
    other.method === 'en12828'
      ? 'EN 12828'
      : 'the handbook method (densities, pipe expansion, fill equal to charge)'
  return (
    <Beside>
      <SectionHead>The other method beside it</SectionHead>
      <p>
        {capital(mine)} asks for <b>{show(need.needed_m3, 'small-volume')}</b> in all.{' '}
        {capital(theirs)} asks for{' '}
        <b>
          {other.needed_m3 === undefined
            ? 'a size it cannot give: its pressures leave no room'
            : show(other.needed_m3, 'small-volume')}
        </b>
        .{' '}
        {inputs.method === 'en12828'
          ? 'EN 12828 keeps a water reserve and rounds its expansion table; the handbook takes real densities, takes off what the pipe grows, and keeps no reserve.'
          : 'The handbook fills to the charge and keeps no reserve; EN 12828 adds a water reserve, which weighs heavily on a small system.'}{' '}
        {other.table_m3 !== undefined && (
          <>The sealed-system table gives {show(other.table_m3, 'small-volume')} (as remembered).</>
        )}
      </p>
      <p>{solution.practice.vesselRuleNote}</p>
    </Beside>
  )
}

const Columns = styled.div`
  display: grid;
  grid-template-columns: 366px minmax(0, 1fr);
  gap: 16px;
  align-items: start;
  @media (max-width: 860px) {
    grid-template-columns: minmax(0, 1fr);
  }
`
const rowLook = ` display: grid; align-items: center; gap: 8px; min-height: 35px; border-bottom: 0.8px solid var(--hair); text-decoration: none; `
const SumRow = styled(Link)`
  ${rowLook} grid-template-columns: minmax(0, 1fr) 64px 50px minmax(96px, 0.62fr);
  b {
    justify-self: end;
    font: 650 19px/22px var(--text);
    border-bottom: 2px solid var(--ink);
  }
  b[data-pencil] {
    color: var(--pencil);
    border-bottom-style: dashed;
    border-color: var(--pencil);
    font-weight: 450;
  }
  i {
    font-style: normal;
    font-size: var(--small);
    color: var(--ink-2);
  }
  small {
    font-size: var(--note);
    color: var(--ink-3);
  }
  &:hover {
    background: var(--select);
  }
  ${phone} {
    grid-template-columns: minmax(0, 1fr) auto 52px;
    min-height: 48px;
    small {
      grid-column: 1 / -1;
      margin-top: -6px;
    }
  }
`
const SizeRow = styled.div`
  ${rowLook} grid-template-columns: minmax(0, 1fr) minmax(0, 250px);
`
const Beside = styled.section`
  margin-top: 12px;
  p {
    color: var(--ink-2);
    max-width: 72ch;
    margin-top: 6px;
  }
  b {
    color: var(--ink);
  }
`

function CurveRoom() {
  return <Room />
}
const Room = styled.div`
  min-height: 420px;
`
