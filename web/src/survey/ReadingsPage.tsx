import type { Finding, ReadingsAnswer } from '@hestian/core'
import { askedOf, burnsGas, closingName, gasFields, waterFields, aOrAn } from '@hestian/core'
import { useState } from 'react'
import styled from 'styled-components'
import { useDesign, useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { CheckSheet } from '../shell/CheckSheet'
import { Answer, Prose, SectionHead, VerdictLine } from '../ui/Answer'
import { Choice } from '../ui/Choice'
import { InlineText } from '../ui/fields'
import { Ledger } from '../ui/QuantityRow'
import { Contents } from '../ui/Contents'
import { SheetPage } from '../ui/SheetPage'
import { VerdictChip } from '../ui/VerdictChip'
import { WorkingsFold } from '../ui/WorkingsFold'
import { LookRow } from './LookRow'
import { MainRun } from './MainRun'
import { SurveyRow } from '../job/SurveyRow'
import { ReadingsLog } from './ReadingsLog'
import { phone } from '../ui/phone'

const loads = [
  { id: 'full', text: 'Everything burning' },
  { id: 'part', text: 'Part of the load' },
  { id: 'not-stated', text: 'Not stated' },
] as const
const fuels = [
  { id: 'natural-gas', text: 'Natural gas' },
  { id: 'propane', text: 'Propane' },
] as const
const heatingOnly = ['fillTemp_K', 'maxFlowTemp_K', 'highLimitTemp_K']

const hotWaterOnly = ['incomingColdestTemp_K', 'incomingWarmestTemp_K', 'hardness_kg_m3']

export function ReadingsPage() {
  const { draft, solution } = useDesign()
  const { judgement } = useStanding()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { survey, heating, appliances, hotWater } = draft.document
  const answer = solution.readings.applies ? solution.readings.answer : undefined
  const gas = appliances.length === 0 || appliances.some((appliance) => burnsGas(appliance.kind))
  const findings = [
    ...judgement.sheets.readings.findings,
    ...judgement.sheets.gas.findings.filter((finding) => finding.place.startsWith('survey.gas')),
  ]
  const stop = findings.find((finding) => finding.severity === 'stop')
  return (
    <SheetPage sheet="readings" findings={findings}>
      <Answer>
        <Given gas={gas} />
      </Answer>
      <VerdictLine>
        <Verdict stop={stop} />
      </VerdictLine>
      <Contents />
      <SectionHead>
        Water<small>all pressures gauge</small>
      </SectionHead>
      <Ledger>
        {waterFields
          .filter(
            (field) =>
              (heating || !heatingOnly.includes(field.key)) &&
              (hotWater || appliances.length === 0 || !hotWaterOnly.includes(field.key)),
          )
          .map((field) => (
            <SurveyRow key={field.key} field={field} />
          ))}
      </Ledger>
      {heating && <SizeOn />}
      <MainRun />
      <SectionHead>
        Fittings on the main<small>{answer ? closingWords[answer.closing.system] : ''}</small>
      </SectionHead>
      <Ledger>
        {askedOf(draft.document, 'main').map((question) => (
          <LookRow key={question.key} question={question} />
        ))}
      </Ledger>
      {answer && (
        <Prose data-place="survey.closing">
          {closingSays(answer.closing, aOrAn(solution.practice.words.vessel))}
        </Prose>
      )}
      {gas && (
        <>
          <SectionHead>Gas</SectionHead>
          <Pair>
            <Choice
              labelled
              label="Fuel"
              value={survey.fuel}
              options={fuels}
              onChoose={(fuel) => edit([{ path: ['survey', 'fuel'], value: fuel }])}
            />
            <Choice
              labelled
              label="Working pressure was read with"
              value={survey.gasLoad}
              options={loads}
              onChoose={(load) => edit([{ path: ['survey', 'gasLoad'], value: load }])}
            />
          </Pair>
          <Ledger>
            {gasFields.map((field) => (
              <SurveyRow key={field.key} field={field} />
            ))}
            {askedOf(draft.document, 'gas').map((question) => (
              <LookRow key={question.key} question={question} />
            ))}
          </Ledger>
          {!survey.gasWorkingGauge_Pa && (
            <Prose>
              Not read yet: the design starts from{' '}
              {show(solution.practice.gas.assumedWorking_Pa[survey.fuel], 'gas-pressure')}, in
              pencil.
            </Prose>
          )}
        </>
      )}
      <ReadingsLog />
      <CheckSheet sheet="readings" />
      {solution.readings.applies && <WorkingsFold workings={solution.readings.workings} />}
    </SheetPage>
  )
}

const closingWords = { closed: 'closed', open: 'open', 'cannot-tell': 'cannot tell yet' } as const

function closingSays(closing: ReadingsAnswer['closing'], vessel: string): string {
  switch (closing.system) {
    case 'closed':
      return `Closed by the ${closing.by.map(closingName).join(' and the ')}: heated water cannot go back, so the hot water gets ${vessel} of its own.`
    case 'open':
      return 'Open: nothing keeps expanding water from going back into the main, and the water company says so too.'
    case 'cannot-tell':
      return `Cannot tell yet. Still to look at: ${closing.lookAt.map(closingName).join(', ')}. Until then it is designed as closed.`
  }
}

/** What main and gas give, as far as they are read. */
function Given({ gas }: { readonly gas: boolean }) {
  const { draft, solution } = useDesign()
  const { show } = useReadBy()
  const { coldMainStaticGauge_Pa: main, gasWorkingGauge_Pa: working } = draft.document.survey
  const heat = solution.heat.applies ? solution.heat.answer : undefined
  if (!main && !working)
    return (
      <>
        What does the place give? <b>Read it</b>, with the gauge that is in your hand.
      </>
    )
  const unread = gas ? 'gas is not read yet.' : 'no gas here.'
  return (
    <>
      {main ? (
        <>
          Water stands at <b>{show(main.value, 'water-pressure')}</b>
        </>
      ) : (
        'Water is not read yet'
      )}
      {main && heat?.main_m3_s !== undefined && (
        <>
          {' '}
          and gives <b>{show(heat.main_m3_s, 'water-flow')}</b> at the top
        </>
      )}
      ;{' '}
      {working ? (
        <>
          gas works at <b>{show(working.value, 'gas-pressure')}</b>.
        </>
      ) : (
        unread
      )}
    </>
  )
}

function Verdict({ stop }: { readonly stop: Finding | undefined }) {
  const { solution } = useDesign()
  const { show } = useReadBy()
  const answer = solution.readings.applies ? solution.readings.answer : undefined
  const drop = answer?.staticToWorking_Pa
  const limit = solution.practice.gas.staticToWorkingLimit_Pa
  if (stop)
    return (
      <>
        <VerdictChip verdict="stop" word="Stop" href={`#row-${stop.place}`} />{' '}
        <span>Everything else waits.</span>
      </>
    )
  if (drop === undefined || drop < 0)
    return <span>Every field takes any unit. It shows what it understood before you use it.</span>
  return (
    <>
      <VerdictChip
        verdict={drop <= limit ? 'pass' : 'fix'}
        word={drop <= limit ? 'Pass' : 'Look again'}
      />{' '}
      <span>
        Gas, static to working, falls <b>{show(drop, 'gas-pressure')}</b>; past{' '}
        {show(limit, 'gas-pressure')} it is the pipe or the regulator. Common practice, no source.
      </span>
    </>
  )
}

/** The vessel is sized on the higher of flow and limit unless the installer says why not. */
function SizeOn() {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { sizeOn } = draft.document.survey
  const [asking, setAsking] = useState(false)
  const onFlow = sizeOn.on === 'flow'
  return (
    <Pair>
      <Choice
        labelled
        label="The vessel is sized on"
        value={onFlow || asking ? 'flow' : 'higher'}
        options={[
          { id: 'higher', text: 'The higher of flow and limit' },
          { id: 'flow', text: 'The flow temperature, because …' },
        ]}
        onChoose={(on) => {
          setAsking(on === 'flow')
          if (on === 'higher') edit([{ path: ['survey', 'sizeOn'], value: { on: 'higher' } }])
        }}
      />
      {(onFlow || asking) && (
        <InlineText
          labelled
          label="Why not on the limit"
          value={sizeOn.on === 'flow' ? sizeOn.because : ''}
          maxLength={300}
          onCommit={(because) => {
            if (because.trim().length >= 3)
              edit([{ path: ['survey', 'sizeOn'], value: { on: 'flow', because: because.trim() } }])
          }}
        />
      )}
    </Pair>
  )
}

const Pair = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px 24px;
  margin: 10px 0;
  ${phone} {
    grid-template-columns: 1fr;
  }
`
