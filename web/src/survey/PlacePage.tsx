import type { Finding } from '@hestian/core'
import { askedOf, placeFields } from '@hestian/core'
import { useDesign, useStanding } from '../job/JobContext'
import { CheckSheet } from '../shell/CheckSheet'
import { Answer, SectionHead, VerdictLine } from '../ui/Answer'
import { Ledger } from '../ui/QuantityRow'
import { Contents } from '../ui/Contents'
import { SheetPage } from '../ui/SheetPage'
import { VerdictChip } from '../ui/VerdictChip'
import { DraughtTrial } from './DraughtTrial'
import { LookRow } from './LookRow'
import { SurveyRow } from '../job/SurveyRow'

const sections = [
  { id: 'place', name: 'Location and hazards' },
  { id: 'air', name: 'Air and flue' },
  { id: 'services', name: 'Drains and power' },
] as const

interface Counted {
  readonly open: number
  readonly fixes: number
}
const things = (n: number) => (n === 1 ? 'thing is' : 'things are')

function Said({ stops, open, fixes }: Counted & { readonly stops: boolean }) {
  if (stops)
    return (
      <>
        Something here <b>stops the work.</b>
      </>
    )
  if (open > 0)
    return (
      <>
        <b>{open}</b> {things(open)} <b>not looked at yet.</b>
      </>
    )
  if (fixes > 0)
    return (
      <>
        The place is seen; <b>{fixes}</b> {things(fixes)} to put right.
      </>
    )
  return (
    <>
      The place is seen, and <b>it will do.</b>
    </>
  )
}

function Verdict({ stop, open, fixes }: Counted & { readonly stop: Finding | undefined }) {
  if (stop) return <VerdictChip verdict="stop" word="Stop" href={`#row-${stop.place}`} />
  if (open > 0) return <VerdictChip verdict="not-yet" word="Not yet" />
  if (fixes > 0) return <VerdictChip verdict="fix" word="Look again" />
  return <VerdictChip verdict="pass" word="Pass" />
}

/** Where it stands, what breathes there, where its water goes. */
export function PlacePage() {
  const { draft } = useDesign()
  const { judgement } = useStanding()
  const { document } = draft
  const { looked } = document.survey
  const sheet = judgement.sheets.place
  const stop = sheet.findings.find((finding) => finding.severity === 'stop')
  const fixes = sheet.findings.filter((finding) => finding.severity === 'fix').length
  const open = sheet.missing.length
  const asks = looked.openFlued?.answer === 'yes' || document.survey.draught !== null
  return (
    <SheetPage sheet="place">
      <Answer>
        <Said stops={stop !== undefined} open={open} fixes={fixes} />
      </Answer>
      <VerdictLine>
        <Verdict stop={stop} open={open} fixes={fixes} />
        <span>Not looked at yet is not the same as no. Every answer says what it decides.</span>
      </VerdictLine>
      <Contents />
      {sections.map(({ id, name }) => (
        <section key={id}>
          <SectionHead>{name}</SectionHead>
          <Ledger>
            {askedOf(document, id).map((question) => (
              <LookRow key={question.key} question={question} />
            ))}
            {id === 'place' &&
              looked.location?.answer === 'garage' &&
              placeFields.map((field) => <SurveyRow key={field.key} field={field} />)}
          </Ledger>
          {id === 'air' && asks && <DraughtTrial />}
        </section>
      ))}
      <CheckSheet sheet="place" />
    </SheetPage>
  )
}
