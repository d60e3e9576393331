import type { CircuitAnswer } from '@hestian/core'
import { drawingSvg, pumpCurveDrawing } from '@hestian/core'
import { useMemo } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { Grid } from '../design/LadderView'
import { capital } from '../design/numbers'
import { LeansOn } from '../design/LeansOn'
import { useJob } from '../job/JobContext'
import { ProveSheet } from '../shell/ProveSheet'
import { Answer, Prose, SectionHead, VerdictLine } from '../ui/Answer'
import { Button } from '../ui/Button'
import { DrawingView } from '../ui/DrawingView'
import { rowId } from '../ui/QuantityRow'
import { saveFile } from '../ui/saveFile'
import { SheetPage } from '../ui/SheetPage'
import { VerdictChip } from '../ui/VerdictChip'
import { Worked } from '../ui/Worked'
import { WorkingsFold } from '../ui/WorkingsFold'
import { CircuitInputs } from './CircuitInputs'
import { Emitters } from './Emitters'
import { Parts } from './CircuitParts'
import { Pipes } from './Pipes'
import { WaterContent } from './WaterContent'
import { Zones } from './Zones'

/** Zones, emitters and pipes: how much flows, which way is the worst, what drives it, and how much water it holds. */
export function CircuitPage() {
  const { solution, state } = useJob()
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
        <ProveSheet sheet="circuit" />
      </SheetPage>
    )
  const { answer } = sheet
  return (
    <SheetPage sheet="circuit">
      <Head answer={answer} />
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
      <ProveSheet sheet="circuit" />
      <WorkingsFold workings={sheet.workings} />
    </SheetPage>
  )
}

function Head({ answer }: { readonly answer: CircuitAnswer | undefined }) {
  const { judgement, show } = useJob()
  const { findings, missing } = judgement.sheets.circuit
  const stop = findings.find((finding) => finding.severity === 'stop')
  const fixes = findings.filter((finding) => finding.severity === 'fix')
  const first = stop ?? fixes[0]
  return (
    <>
      <Answer>
        {!answer ? (
          <>
            The circuit waits for{' '}
            <b>{missing.length === 1 ? 'one answer' : `${missing.length} answers`}.</b>
          </>
        ) : (
          <>
            <b>
              <Worked
                of={answer.index.zone.alone ? `Flow of ${answer.index.zone.name}` : 'together_m3_s'}
              >
                {show(answer.flow_m3_s, 'water-flow')}
              </Worked>
            </b>{' '}
            against{' '}
            <b>
              <Worked of="duty_Pa">{show(answer.index.loss_Pa, 'water-pressure')}</Worked>
            </b>
            :{' '}
            {answer.pump ? (
              <>
                {answer.pumpChosen ? 'a ' : ''}
                <b>{answer.pump.id === 'own' ? 'this pump' : answer.pump.label}</b>
                {answer.pumpChosen ? ' pump' : ''} does.
              </>
            ) : (
              <b>no pump of the list does.</b>
            )}
          </>
        )}
      </Answer>
      <VerdictLine>
        <VerdictChip
          verdict={stop ? 'stop' : !answer ? 'not-yet' : fixes.length > 0 ? 'fix' : 'pass'}
          word={stop ? 'Stop' : !answer ? 'Not yet' : fixes.length > 0 ? 'Look again' : 'Pass'}
          {...(first ? { href: `#${rowId(first.place)}` } : {})}
        />
        <span>
          {answer ? (
            <>
              The index circuit is <b>{answer.index.zone.name}</b>
              {answer.index.zone.alone ? ', fed alone' : ''}. The circuit holds{' '}
              <b>
                <Worked of="system_m3">{show(answer.content.total_m3, 'volume')}</Worked>
              </b>
              {answer.content.between_m3[1] > answer.content.between_m3[0] * 1.02 ? (
                <>
                  , between {show.figure(answer.content.between_m3[0], 'volume')} and{' '}
                  {show(answer.content.between_m3[1], 'volume')}
                </>
              ) : null}
              .
            </>
          ) : (
            missing
              .slice(0, 4)
              .map((gap) => gap.what)
              .join('; ')
          )}
        </span>
      </VerdictLine>
    </>
  )
}

function Pump({ answer }: { readonly answer: CircuitAnswer }) {
  const { solution, show } = useJob()
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
