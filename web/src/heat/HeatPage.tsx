import { SheetHead } from '../ui/SheetHead'
import { Link } from 'react-router'
import { useDesign, useStanding } from '../job/JobContext'
import { CheckSheet } from '../shell/CheckSheet'
import { LeansOn } from '../job/LeansOn'
import { Answer, Prose } from '../ui/Answer'
import { SheetPage } from '../ui/SheetPage'
import { WorkingsFold } from '../ui/WorkingsFold'
import { Demand } from './Demand'
import { DrawOff } from './DrawOff'
import { OptionsTable } from './OptionsTable'
import { OutputSetting } from './OutputSetting'
import { StorageTemperature } from './StorageTemperature'

/** What heat and hot water are wanted, what could give them, and which it is to be. */
export function HeatPage() {
  const { solution } = useDesign()
  const { state } = useStanding()
  const sheet = solution.heat
  if (!sheet.applies)
    return (
      <SheetPage sheet="heat">
        <Answer>
          No heat and no hot water: <b>{sheet.because}</b>
        </Answer>
        <Prose>
          Where there is either, say so on{' '}
          <Link to={`/jobs/${state.id}/plates`}>Rating plates</Link>.
        </Prose>
        <CheckSheet sheet="heat" />
      </SheetPage>
    )
  return (
    <SheetPage sheet="heat">
      <SheetHead sheet="heat" />
      {sheet.answer && <OptionsTable answer={sheet.answer} />}
      <Demand />
      {sheet.answer && solution.document.hotWater && <DrawOff answer={sheet.answer} />}
      {sheet.answer && solution.document.hotWater && <StorageTemperature answer={sheet.answer} />}
      {sheet.answer && <OutputSetting answer={sheet.answer} />}
      <LeansOn sheet="heat" />
      <CheckSheet sheet="heat" />
      <WorkingsFold workings={sheet.workings} />
    </SheetPage>
  )
}
