import { practiceNames, practices, siteFields } from '@hestian/core'
import { Switch } from 'react-aria-components'
import styled from 'styled-components'
import { useJob } from '../job/JobContext'
import { ProveSheet } from '../shell/ProveSheet'
import { Answer, Prose, SectionHead, VerdictLine } from '../ui/Answer'
import { Choice, InlineText } from '../ui/fields'
import { Ledger } from '../ui/QuantityRow'
import { SheetPage } from '../ui/SheetPage'
import { SurveyRow } from './SurveyRow'

export function SitePage() {
  const { draft, edit, solution, show, judgement } = useJob()
  const { site, survey, practice } = draft.document
  const atmosphere = solution.site.applies ? solution.site.answer?.atmosphere_Pa : undefined
  return (
    <SheetPage sheet="S1" findings={[...judgement.sheets.D1.findings, ...judgement.sheets.D2.findings].filter((finding) => siteFields.some((field) => finding.place === `survey.${field.key}`))}>
      <Answer>{survey.elevation_m
        ? <><b>{site.name}</b> stands at <b>{show(survey.elevation_m.value, 'elevation')}</b>{atmosphere !== undefined && <>, under <b>{show(atmosphere, 'water-pressure')}</b> of air.</>}</>
        : <>How high does <b>{site.name}</b> stand, and who is it for?</>}</Answer>
      <VerdictLine>{solution.practice.label}. {solution.practice.vesselRuleNote}</VerdictLine>
      <SectionHead>Place</SectionHead>
      <Fields>
        <InlineText labelled required label="Name of the job" value={site.name} maxLength={120} onCommit={(name) => edit([{ path: ['site', 'name'], value: name.trim() }])} />
        <span data-place="site.address"><InlineText labelled label="Address" value={site.address} maxLength={300} onCommit={(address) => edit([{ path: ['site', 'address'], value: address }])} /></span>
        <Choice labelled label="Practice" value={practice} options={practiceNames.map((id) => ({ id, text: practices[id].label }))} onChoose={(id) => edit([{ path: ['practice'], value: id }])} />
        <InlineText labelled label="Notes" value={site.notes} maxLength={2000} onCommit={(notes) => edit([{ path: ['site', 'notes'], value: notes }])} />
      </Fields>
      <Toggle isSelected={site.seismic} onChange={(seismic) => edit([{ path: ['site', 'seismic'], value: seismic }])}><i />The ground shakes here: straps at the upper and lower third, flexible connectors</Toggle>
      <SectionHead>Heights<small>ink: known, pencil: assumed</small></SectionHead>
      <Ledger>{siteFields.filter((field) => field.key !== 'topEmitterHeight_m' || draft.document.heating).map((field) => <SurveyRow key={field.key} field={field} />)}</Ledger>
      {!draft.document.heating && <Prose>No heating circuit on this job, so no emitter height. Rating plates is where one is added.</Prose>}
      <ProveSheet sheet="S1" />
    </SheetPage>
  )
}

const Fields = styled.div` display: grid; grid-template-columns: 1fr 1fr; gap: 12px 24px; margin: 10px 0; @media (max-width: 720px) { grid-template-columns: 1fr; } `
export const Toggle = styled(Switch)`
  display: flex; gap: 12px; align-items: center; min-height: 44px; cursor: pointer; font-size: 16px; margin-bottom: 8px;
  i { flex: none; width: 44px; height: 22px; border: 1.8px solid var(--ink); position: relative; background: var(--paper); }
  i::after { content: ''; position: absolute; top: 2px; left: 2px; width: 16px; height: 14px; background: var(--rule); transition: left 120ms ease-out; }
  &[data-selected] i { background: var(--ink); } &[data-selected] i::after { left: 22px; background: var(--paper); }
  &[data-focus-visible] { outline: 3px solid var(--ink); }
`
