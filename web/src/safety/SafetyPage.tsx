import { SheetHead } from '../ui/SheetHead'
import type { SafetyAnswer } from '@hestian/core'
import { storeLadderOf } from '@hestian/core'
import { useMemo } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { LadderView } from '../ui/LadderView'
import { LeansOn } from '../job/LeansOn'
import { useDesign, useReadBy, useStanding } from '../job/JobContext'
import { CheckSheet } from '../shell/CheckSheet'
import { Answer, Prose, SectionHead } from '../ui/Answer'
import { SheetPage } from '../ui/SheetPage'
import { WorkingsFold } from '../ui/WorkingsFold'
import { CutOuts } from './CutOuts'
import { InletGroup } from './InletGroup'
import { SafetyInputs } from './SafetyInputs'

/**
 * What keeps a store of hot water from bursting: where its water goes when it grows, what holds the
 * pressure, what cuts the heat.
 */
export function SafetyPage() {
  const { solution } = useDesign()
  const { state } = useStanding()
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
        <CheckSheet sheet="safety" />
      </SheetPage>
    )
  const { answer } = sheet
  return (
    <SheetPage sheet="safety">
      <SheetHead sheet="safety" />
      <Columns>
        {answer && <StoreLadder answer={answer} />}
        <SafetyInputs answer={answer} />
      </Columns>
      {(!answer || answer.stores) && <InletGroup />}
      {(!answer || answer.stores) && <CutOuts />}
      <LeansOn sheet="safety" />
      <CheckSheet sheet="safety" />
      <WorkingsFold workings={sheet.workings} />
    </SheetPage>
  )
}

function StoreLadder({ answer }: { readonly answer: SafetyAnswer }) {
  const { solution } = useDesign()
  const { show } = useReadBy()
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
