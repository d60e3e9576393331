import type { SafetyAnswer } from '@hestian/core'
import { storeLadderOf } from '@hestian/core'
import { useMemo } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { LadderView } from '../design/LadderView'
import { LeansOn } from '../design/LeansOn'
import { useJob } from '../job/JobContext'
import { ProveSheet } from '../shell/ProveSheet'
import { Answer, Prose, SectionHead, VerdictLine } from '../ui/Answer'
import { rowId } from '../ui/QuantityRow'
import { SheetPage } from '../ui/SheetPage'
import { VerdictChip } from '../ui/VerdictChip'
import { Worked } from '../ui/Worked'
import { WorkingsFold } from '../ui/WorkingsFold'
import { CutOuts } from './CutOuts'
import { InletGroup } from './InletGroup'
import { SafetyInputs } from './SafetyInputs'

/** What keeps a store of hot water from bursting: where its water goes when it grows, what holds the pressure, what cuts the heat. */
export function SafetyPage() {
  const { solution, state } = useJob()
  const sheet = solution.safety
  if (!sheet.applies)
    return (
      <SheetPage sheet="safety">
        <Answer>
          No store to protect: <b>{sheet.because}</b>
        </Answer>
        <Prose>
          Where there is one, say so on <Link to={`/jobs/${state.id}/plates`}>Rating plates</Link>.
        </Prose>
        <ProveSheet sheet="safety" />
      </SheetPage>
    )
  const { answer } = sheet
  return (
    <SheetPage sheet="safety">
      <Head answer={answer} />
      <Columns>
        {answer && <StoreLadder answer={answer} />}
        <SafetyInputs answer={answer} />
      </Columns>
      {(!answer || answer.stores) && <InletGroup />}
      {(!answer || answer.stores) && <CutOuts />}
      <LeansOn sheet="safety" />
      <ProveSheet sheet="safety" />
      <WorkingsFold workings={sheet.workings} />
    </SheetPage>
  )
}

function Head({ answer }: { readonly answer: SafetyAnswer | undefined }) {
  const { judgement, show, solution } = useJob()
  const { words } = solution.practice
  const { findings, missing } = judgement.sheets.safety
  const stop = findings.find((finding) => finding.severity === 'stop')
  const fix = findings.find((finding) => finding.severity === 'fix')
  const first = stop ?? fix
  const open = answer?.closed.system
  return (
    <>
      <Answer>
        {!answer ? (
          <>
            The store waits for{' '}
            <b>{missing.length === 1 ? 'one answer' : `${missing.length} answers`}.</b>
          </>
        ) : !answer.vesselWanted ? (
          <>
            <b>No {words.vessel}</b> for the hot water;{' '}
            {answer.reducedGauge_Pa > 0 ? (
              <>
                <b>
                  <Worked of="supplyGauge_Pa">
                    {show(answer.reducedGauge_Pa, 'water-pressure')}
                  </Worked>
                </b>{' '}
                at the heater.
              </>
            ) : null}
          </>
        ) : answer.needed_m3 === undefined ? (
          <>
            No {words.vessel} of any size does: <b>see the stop.</b>
          </>
        ) : (
          <>
            <b>
              {show(
                answer.fitted_m3,
                'small-volume',
                solution.practice.units['small-volume'] === 'L' ? 0 : undefined,
              )}
            </b>{' '}
            {words.vessel} on the cold feed, charged to{' '}
            <b>
              <Worked of="supplyGauge_Pa">{show(answer.chargeGauge_Pa, 'water-pressure')}</Worked>
            </b>
            .
          </>
        )}
      </Answer>
      <VerdictLine>
        <VerdictChip
          verdict={stop ? 'stop' : missing.length > 0 ? 'not-yet' : fix ? 'fix' : 'pass'}
          word={stop ? 'Stop' : missing.length > 0 ? 'Not yet' : fix ? 'Look again' : 'Pass'}
          {...(first ? { href: `#${rowId(first.place)}` } : {})}
        />
        <span>
          {missing.length > 0
            ? missing.map((gap) => gap.what).join('; ')
            : answer && (
                <>
                  The system is{' '}
                  <b>
                    {open === 'cannot-tell' ? 'taken as closed until somebody has looked' : open}
                  </b>
                  .{' '}
                  {answer.vesselWanted && answer.needed_m3 !== undefined && (
                    <>
                      <Worked of="expansion_m3">{show(answer.expansion_m3, 'small-volume')}</Worked>{' '}
                      grows each time it heats;{' '}
                      <b>
                        <Worked of="needed_m3">{show(answer.needed_m3, 'small-volume')}</Worked>
                      </b>{' '}
                      needed.{' '}
                    </>
                  )}
                  {answer.forecast?.outcome === 'settles' && (
                    <>
                      Hot,{' '}
                      <b>
                        <Worked of="hotGauge_Pa">
                          {show(answer.forecast.hotGauge_Pa, 'water-pressure')}
                        </Worked>
                      </b>{' '}
                      of{' '}
                      <Worked of="maxGauge_Pa">{show(answer.maxGauge_Pa, 'water-pressure')}</Worked>
                      .
                    </>
                  )}
                </>
              )}
        </span>
      </VerdictLine>
    </>
  )
}

function StoreLadder({ answer }: { readonly answer: SafetyAnswer }) {
  const { solution, show } = useJob()
  const { practice } = solution
  const ladder = useMemo(() => storeLadderOf(answer, practice), [answer, practice])
  const keys: Record<string, string> = {
    supply: 'reducingGauge_Pa',
    charge: 'vesselChargeGauge_Pa',
    temperature: 'temperatureReliefGauge_Pa',
    expansion: 'expansionReliefGauge_Pa',
  }
  return (
    <figure>
      <SectionHead>
        Pressure ladder<small>{show.unit('water-pressure')} gauge, at the store</small>
      </SectionHead>
      <LadderView
        ladder={ladder}
        file="hot-water-ladder.svg"
        height={340}
        edits={(rung, gauge_Pa) => {
          const key = keys[rung]
          return key === undefined
            ? undefined
            : [
                {
                  path: ['hotWater', 'safety', key],
                  value: { value: gauge_Pa, basis: 'read', from: 'Set on the ladder' },
                },
              ]
        }}
      />
    </figure>
  )
}

const Columns = styled.div`
  display: grid;
  grid-template-columns: 366px minmax(0, 1fr);
  gap: 16px;
  align-items: start;
  &:has(> :only-child) {
    grid-template-columns: minmax(0, 1fr);
  }
  @media (max-width: 860px) {
    grid-template-columns: minmax(0, 1fr);
  }
`
