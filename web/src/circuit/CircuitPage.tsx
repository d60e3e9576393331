import { SheetHead } from '../ui/SheetHead'
import type { CircuitAnswer } from '@hestian/core'
import { drawingSvg, pumpCurveDrawing } from '@hestian/core'
import { useMemo } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { Grid } from '../ui/LadderView'
import { capital } from '../ui/numbers'
import { LeansOn } from '../job/LeansOn'
import { useDesign, useReadBy, useStanding } from '../job/JobContext'
import { CheckSheet } from '../shell/CheckSheet'
import { Answer, Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { DrawingView } from '../ui/DrawingView'
import { saveFile } from '../ui/saveFile'
import { SheetPage } from '../ui/SheetPage'
import { WorkingsFold } from '../ui/WorkingsFold'
import { CircuitInputs } from './CircuitInputs'
import { Emitters } from './Emitters'
import { Parts } from './CircuitParts'
import { Pipes } from './Pipes'
import { WaterContent } from './WaterContent'
import { Zones } from './Zones'

/**
 * Zones, emitters and pipes: how much flows, which way is the worst, what drives it, and how much
 * water it holds.
 */
export function CircuitPage() {
  const { solution } = useDesign()
  const { state } = useStanding()
  const sheet = solution.circuit
  if (!sheet.applies)
    return (
      <SheetPage sheet="circuit">
        <Answer>
          No heating circuit: <b>{sheet.because}</b>
        </Answer>
        <Prose>
          If there is one after all, say so on{' '}
          <Link to={`/jobs/${state.id}/plates`}>Rating plates</Link>.
        </Prose>
        <CheckSheet sheet="circuit" />
      </SheetPage>
    )
  const { answer } = sheet
  return (
    <SheetPage sheet="circuit">
      <SheetHead sheet="circuit" />
      <Columns>
        {answer && <Pump answer={answer} />}
        <CircuitInputs />
      </Columns>
      <Zones answer={answer} />
      <Emitters answer={answer} />
      <Pipes answer={answer} />
      <Parts answer={answer} />
      {answer && <WaterContent answer={answer} />}
      {answer && <LeansOn sheet="circuit" />}
      <CheckSheet sheet="circuit" />
      <WorkingsFold workings={sheet.workings} />
    </SheetPage>
  )
}

function Pump({ answer }: { readonly answer: CircuitAnswer }) {
  const { solution } = useDesign()
  const { show } = useReadBy()
  const { units } = solution.practice
  const drawing = useMemo(
    () => pumpCurveDrawing(answer, show, units, { width: 366, height: 264 }),
    [answer, show, units],
  )
  return (
    <figure>
      <SectionHead>
        {capital(solution.practice.words.pump)} and circuit<small>diamond: at full speed</small>
      </SectionHead>
      <Grid>
        <DrawingView drawing={drawing} />
      </Grid>
      <Button
        look="text"
        onPress={() => saveFile('pump-and-circuit.svg', 'image/svg+xml', drawingSvg(drawing))}
      >
        Save the drawing
      </Button>
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
