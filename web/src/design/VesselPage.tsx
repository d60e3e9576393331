import type { VesselAnswer } from '@hestian/core'
import { drawingSvg, pressureLadder } from '@hestian/core'
import { useMemo } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { useJob } from '../job/JobContext'
import { ProveSheet } from '../shell/ProveSheet'
import { Answer, Prose, SectionHead, VerdictLine } from '../ui/Answer'
import { Button } from '../ui/Button'
import { DrawingView } from '../ui/DrawingView'
import { Choice } from '../ui/fields'
import { saveFile } from '../ui/saveFile'
import { Ledger, QuantityRow, rowId } from '../ui/QuantityRow'
import { NotesHere, SheetPage } from '../ui/SheetPage'
import { VerdictChip } from '../ui/VerdictChip'
import { WorkingsFold } from '../ui/WorkingsFold'
import { SurveyRow } from '../survey/SurveyRow'
import { siteFields, waterFields } from '@hestian/core'
import { ContentList } from './ContentList'
import { Sensitivity } from './Sensitivity'

export function VesselPage() {
  const { solution, state } = useJob()
  const sheet = solution.vessel
  if (!sheet.applies) return <SheetPage sheet="D1"><Answer>No heating vessel: <b>{sheet.because}</b></Answer><Prose>If there is one after all, say so on <Link to={`/jobs/${state.id}/S3`}>Rating plates</Link>.</Prose><ProveSheet sheet="D1" /></SheetPage>
  const { answer } = sheet
  return (
    <SheetPage sheet="D1">
      {answer ? <Head answer={answer} /> : <NotYet />}
      <Columns>
        {answer && <Ladder answer={answer} />}
        <div>
          <Inputs />
          {answer && <Sensitivity answer={answer} />}
        </div>
      </Columns>
      <ContentList />
      {answer && <OtherMethod answer={answer} />}
      <ProveSheet sheet="D1" />
      <WorkingsFold workings={sheet.workings} />
    </SheetPage>
  )
}

function Head({ answer }: { readonly answer: VesselAnswer }) {
  const { solution, show, judgement } = useJob()
  const { words } = solution.practice
  const { need, fitted_m3, fillGauge_Pa, forecast, goodFor_m3, inputs } = answer
  const findings = judgement.sheets.D1.findings
  const stop = findings.find((finding) => finding.severity === 'stop')
  const fixes = findings.filter((finding) => finding.severity === 'fix').length
  const none = fitted_m3 === 0
  return (
    <>
      <Answer>
        {none ? <>The <b>built-in {words.vessel}</b> is enough, charged to </> : <><b>{show(fitted_m3, 'small-volume', fitted_m3 * 1000 >= 100 || Number.isInteger(Math.round(fitted_m3 * 1e6) / 1000) ? 0 : undefined)}</b> {words.vessel}, charged to </>}
        <b>{show(need.chargeGauge_Pa, 'water-pressure')}</b> before filling, filled to <b>{show(fillGauge_Pa, 'water-pressure')}</b> cold.
      </Answer>
      <VerdictLine>
        <VerdictChip verdict={stop ? 'stop' : 'pass'} word={stop ? 'Stop' : 'Pass'} {...(stop ? { href: `#${rowId(stop.place)}` } : {})} />
        <span>
          {need.needed_m3 > 0 && <><b>{show(need.neededNew_m3, 'small-volume')}</b> needed{answer.builtIn ? ' beside the built-in one' : ''}, good for up to <b>{show(goodFor_m3, 'volume')}</b> of water. </>}
          {forecast.outcome === 'settles' && <>Hot, <b>{show(forecast.hotGauge_Pa, 'water-pressure')}</b> of the {show(inputs.reliefSetGauge_Pa, 'water-pressure')} the {words.reliefValve} holds. </>}
          {fixes > 0 && !stop && <>{fixes === 1 ? 'One thing is' : `${fixes} things are`} to fix before handover.</>}
        </span>
      </VerdictLine>
    </>
  )
}

function NotYet() {
  const { judgement } = useJob()
  const { missing, findings } = judgement.sheets.D1
  const stop = findings.find((finding) => finding.severity === 'stop')
  return (
    <>
      <Answer>{stop ? <>No vessel can be sized: <b>see the stop.</b></> : <>The vessel waits for <b>{missing.length === 1 ? 'one answer' : `${missing.length} answers`}.</b></>}</Answer>
      <VerdictLine><VerdictChip verdict={stop ? 'stop' : 'not-yet'} word={stop ? 'Stop' : 'Not yet'} /><span>{missing.map((gap) => gap.what).join('; ')}</span></VerdictLine>
    </>
  )
}

function Ladder({ answer }: { readonly answer: VesselAnswer }) {
  const { solution, show, draft } = useJob()
  const delivered = draft.document.heating?.deliveredChargeGauge_Pa?.value
  const drawing = useMemo(() => pressureLadder(answer, solution.practice, show, { width: 366, height: 372 }, delivered), [answer, solution.practice, show, delivered])
  return (
    <figure>
      <SectionHead>Pressure ladder<small>{show.unit('water-pressure')} gauge, at the fill point</small></SectionHead>
      <Grid><DrawingView drawing={drawing} /></Grid>
      <Button look="text" onPress={() => saveFile('pressure-ladder.svg', 'image/svg+xml', drawingSvg(drawing))}>Save the drawing</Button>
    </figure>
  )
}

/** Everything that decides the vessel, each with where it came from. */
function Inputs() {
  const { draft, edit, solution, show } = useJob()
  const { heating } = draft.document
  if (!heating) return null
  const { practice, vessel } = solution
  const answer = vessel.applies ? vessel.answer : undefined
  const content_m3 = answer?.content.total_m3
  const known = (key: 'reliefSetGauge_Pa' | 'deliveredChargeGauge_Pa' | 'fillGauge_Pa') => ({
    value: heating[key], place: `heating.${key}`, measure: 'water-pressure' as const,
    onUse: ({ si, basis, from }: { si: number; basis: 'measured' | 'read' | 'assumed'; from: string }) => edit([{ path: ['heating', key], value: { value: si, basis, from } }]),
    onClear: () => edit([{ path: ['heating', key], value: null }]),
  })
  const sizes = practice.vessel.sizes_m3.map((size) => ({ id: String(size), text: show(size, 'small-volume') }))
  const shownFields = [...siteFields, ...waterFields].filter((field) => ['topEmitterHeight_m', 'fillTemp_K', 'maxFlowTemp_K', 'highLimitTemp_K'].includes(field.key))
  return (
    <>
      <SectionHead>Inputs<small>ink: known, pencil: assumed</small></SectionHead>
      <Ledger>
        <li><SumRow data-place="heating.content" id={rowId('heating.content')} href="#water-content"><span>System water</span><b className="tnum" data-pencil={answer && answer.content.assumed_m3 > 0 ? true : undefined}>{content_m3 === undefined ? '?' : show.figure(content_m3, 'volume')}</b><i>{show.unit('volume')}</i><small>{content_m3 === undefined ? 'list it below' : 'listed below'}</small></SumRow><NotesHere place="heating.content" /></li>
        {shownFields.map((field) => <SurveyRow key={field.key} field={field} />)}
        <QuantityRow label={`${capital(practice.words.reliefValve)} lifts at`} {...known('reliefSetGauge_Pa')} how="Valve tag" why="The hot pressure must stay under it by the method's margin; it must not be above the weakest part." empty={`assumed ${show(practice.vessel.reliefUsualGauge_Pa, 'water-pressure')}`} />
        <QuantityRow label="Charge as delivered" {...known('deliveredChargeGauge_Pa')} how="Label" why="Vessels arrive charged to something; it is set to the design before filling." />
        <QuantityRow label="Cold fill set by hand" {...known('fillGauge_Pa')} why="Left out, the computed fill is used." empty="computed" />
        <li><SizeRow data-place="heating.vesselSize_m3" id={rowId('heating.vesselSize_m3')}><span>Size fitted</span><Choice label="Size fitted" value={heating.vesselSize_m3 === null ? 'choose' : String(heating.vesselSize_m3)} options={[{ id: 'choose', text: answer && heating.vesselSize_m3 === null ? `Chosen for me: ${answer.fitted_m3 === 0 ? 'none' : show(answer.fitted_m3, 'small-volume')}` : 'Choose for me' }, ...sizes]} onChoose={(id) => edit([{ path: ['heating', 'vesselSize_m3'], value: id === 'choose' ? null : Number(id) }])} /></SizeRow><NotesHere place="heating.vesselSize_m3" /></li>
      </Ledger>
    </>
  )
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

function OtherMethod({ answer }: { readonly answer: VesselAnswer }) {
  const { show, solution } = useJob()
  const { other, need, inputs } = answer
  const mine = inputs.method === 'en12828' ? 'EN 12828' : 'the handbook method'
  const theirs = other.method === 'en12828' ? 'EN 12828' : 'the handbook method (densities, pipe expansion, fill equal to charge)'
  return (
    <Beside>
      <SectionHead>The other method beside it</SectionHead>
      <p>{capital(mine)} asks for <b>{show(need.needed_m3, 'small-volume')}</b> in all. {capital(theirs)} asks for <b>{other.needed_m3 === undefined ? 'a size it cannot give: its pressures leave no room' : show(other.needed_m3, 'small-volume')}</b>. {inputs.method === 'en12828'
        ? 'EN 12828 keeps a water reserve and rounds its expansion table; the handbook takes real densities, takes off what the pipe grows, and keeps no reserve.'
        : 'The handbook fills to the charge and keeps no reserve; EN 12828 adds a water reserve, which weighs heavily on a small system.'} {other.table_m3 !== undefined && <>The sealed-system table gives {show(other.table_m3, 'small-volume')} (as remembered).</>}</p>
      <p>{solution.practice.vesselRuleNote}</p>
    </Beside>
  )
}

const Columns = styled.div` display: grid; grid-template-columns: 366px minmax(0, 1fr); gap: 16px; align-items: start; @media (max-width: 860px) { grid-template-columns: minmax(0, 1fr); } `
const Grid = styled.div` background: repeating-linear-gradient(0deg, color-mix(in srgb, var(--hair) 45%, transparent) 0 0.8px, transparent 0.8px 15px), repeating-linear-gradient(90deg, color-mix(in srgb, var(--hair) 45%, transparent) 0 0.8px, transparent 0.8px 15px); `
const rowLook = ` display: grid; align-items: center; gap: 8px; min-height: 35px; border-bottom: 0.8px solid var(--hair); text-decoration: none; `
const SumRow = styled.a`
  ${rowLook} grid-template-columns: minmax(0, 1fr) 64px 38px minmax(96px, 0.62fr);
  b { justify-self: end; font: 650 19px/22px var(--text); border-bottom: 2px solid var(--ink); } b[data-pencil] { color: var(--pencil); border-bottom-style: dashed; border-color: var(--pencil); font-weight: 450; } i { font-style: normal; font-size: 15px; color: var(--ink-2); } small { font-size: 14px; color: var(--ink-3); }
  &:hover { background: var(--select); }
  @media (max-width: 720px) { grid-template-columns: minmax(0, 1fr) auto 52px; min-height: 48px; small { grid-column: 1 / -1; margin-top: -6px; } }
`
const SizeRow = styled.div` ${rowLook} grid-template-columns: minmax(0, 1fr) minmax(0, 250px); `
const Beside = styled.section` margin-top: 12px; p { color: var(--ink-2); max-width: 72ch; margin-top: 6px; } b { color: var(--ink); } `
