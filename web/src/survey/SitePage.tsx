import {
  buildings,
  buildingWords,
  onlyZone,
  siteFields,
  utilities,
  zonesOf,
  zoneWords,
} from '@hestian/core'
import { Link } from 'react-router'
import styled from 'styled-components'
import { useDesign, useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { CheckSheet } from '../shell/CheckSheet'
import { Answer, Prose, SectionHead, VerdictLine } from '../ui/Answer'
import { Button } from '../ui/Button'
import { yesNo } from '../ui/ChoiceRow'
import { Choice } from '../ui/Choice'
import { InlineText } from '../ui/fields'
import { Photos } from '../ui/Photos'
import { Ledger } from '../ui/QuantityRow'
import { Contents } from '../ui/Contents'
import { today } from '../ui/dates'
import { Day } from '../ui/LateDay'
import { SheetPage } from '../ui/SheetPage'
import { PracticeChoice } from './PracticeChoice'
import { Schools } from '../job/Schools'
import { SupplyRow } from './SupplyRow'
import { SurveyRow } from '../job/SurveyRow'
import { phone } from '../ui/phone'

export function SitePage() {
  const { draft, solution } = useDesign()
  const { judgement, state } = useStanding()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { site, survey, heating, hotWater } = draft.document
  const atmosphere = solution.site.applies ? solution.site.answer?.atmosphere_Pa : undefined
  const asked = siteFields.filter(
    (field) =>
      (field.key !== 'topEmitterHeight_m' || heating) &&
      (field.key !== 'topOutletHeight_m' || hotWater),
  )
  const here = (findings: typeof solution.findings) =>
    findings.filter((finding) =>
      siteFields.some((field) => finding.place === `survey.${field.key}`),
    )
  return (
    <SheetPage
      sheet="site"
      findings={[
        ...judgement.sheets.site.findings,
        ...here(judgement.sheets.vessel.findings),
        ...here(judgement.sheets.gas.findings),
      ]}
    >
      <Answer>
        {survey.elevation_m ? (
          <>
            <b>{site.name}</b> stands at <b>{show(survey.elevation_m.value, 'elevation')}</b>
            {atmosphere !== undefined && (
              <>
                , under <b>{show(atmosphere, 'water-pressure')}</b> of air.
              </>
            )}
          </>
        ) : (
          <>
            How high does <b>{site.name}</b> stand, and who is it for?
          </>
        )}
      </Answer>
      <VerdictLine>
        <span>
          {solution.practice.label}. With a phone in hand,{' '}
          <Walk to={`/jobs/${state.id}/walk`}>walk the house</Walk> instead: one question at a time,
          with or without a signal.
        </span>
      </VerdictLine>
      <Contents />
      <SectionHead>Place</SectionHead>
      <Fields>
        <InlineText
          labelled
          required
          label="Name of the job"
          value={site.name}
          maxLength={120}
          onCommit={(name) => edit([{ path: ['site', 'name'], value: name.trim() }])}
        />
        <span data-place="site.address">
          <InlineText
            labelled
            label="Address"
            value={site.address}
            maxLength={300}
            onCommit={(address) => edit([{ path: ['site', 'address'], value: address }])}
          />
        </span>
        <PracticeChoice />
        <span data-place="site.building">
          <Choice
            labelled
            label="The building is"
            value={site.building}
            options={buildings.map((id) => ({ id, text: buildingWords[id] }))}
            onChoose={(id) => edit([{ path: ['site', 'building'], value: id }])}
          />
        </span>
        {solution.practice.hotWater.olderConsent && (
          <span data-place="site.olderConsent">
            <Choice
              labelled
              label={solution.practice.hotWater.olderConsent.asks}
              value={site.olderConsent}
              options={yesNo}
              onChoose={(id) => edit([{ path: ['site', 'olderConsent'], value: id }])}
            />
          </span>
        )}
        <span data-place="site.timeZone">
          <Choice
            labelled
            label="Clock of the site"
            value={site.timeZone ?? onlyZone(draft.document.practice) ?? null}
            options={zonesOf(draft.document.practice).map((id) => ({ id, text: zoneWords(id) }))}
            onChoose={(id) => edit([{ path: ['site', 'timeZone'], value: id }])}
          />
        </span>
        <InlineText
          labelled
          label="Notes"
          value={site.notes}
          maxLength={2000}
          onCommit={(notes) => edit([{ path: ['site', 'notes'], value: notes }])}
        />
        <Visit data-place="survey.visitedOn">
          <Day
            label="Day of the visit"
            value={survey.visitedOn}
            onChange={(day) => edit([{ path: ['survey', 'visitedOn'], value: day }])}
          />
          {survey.visitedOn === null && (
            <Button
              look="text"
              onPress={() => edit([{ path: ['survey', 'visitedOn'], value: today() }])}
            >
              Today
            </Button>
          )}
        </Visit>
      </Fields>
      <SectionHead>
        Connected<small>what is not live yet blocks named steps</small>
      </SectionHead>
      <ul>
        {utilities.map((utility) => (
          <SupplyRow key={utility} utility={utility} />
        ))}
      </ul>
      <SectionHead>
        Heights<small>ink: known, pencil: assumed</small>
      </SectionHead>
      <Ledger>
        {asked.map((field) => (
          <SurveyRow key={field.key} field={field} />
        ))}
      </Ledger>
      {!heating && !hotWater && (
        <Prose>
          No heating circuit and no hot water on this job yet. Rating plates is where they are
          added.
        </Prose>
      )}
      <Schools />
      <SectionHead>Photographs of the place</SectionHead>
      <Photos
        label="Photograph the place"
        photos={survey.placePhotos}
        onChange={(photos) => edit([{ path: ['survey', 'placePhotos'], value: [...photos] }])}
      />
      <CheckSheet sheet="site" />
    </SheetPage>
  )
}

const Walk = styled(Link)`
  color: var(--ember-ink);
  font-weight: 650;
  text-decoration-thickness: 2px;
  text-underline-offset: 3px;
`
const Visit = styled.div`
  display: flex;
  gap: 14px;
  align-items: center;
  > div:first-child {
    display: grid;
    gap: 2px;
  }
`
const Fields = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px 24px;
  margin: 10px 0;
  ${phone} {
    grid-template-columns: 1fr;
  }
`
