import type { HeatAnswer } from '@hestian/core'
import { durationWords } from '@hestian/core'
import { Link } from 'react-router'
import { useJob } from '../job/JobContext'
import { ProveSheet } from '../shell/ProveSheet'
import { LeansOn } from '../design/LeansOn'
import { Answer, Prose, VerdictLine } from '../ui/Answer'
import { rowId } from '../ui/QuantityRow'
import { SheetPage } from '../ui/SheetPage'
import { VerdictChip } from '../ui/VerdictChip'
import { WorkingsFold } from '../ui/WorkingsFold'
import { Demand } from './Demand'
import { DrawOff } from './DrawOff'
import { OptionsTable } from './OptionsTable'
import { OutputSetting } from './OutputSetting'
import { StorageTemperature } from './StorageTemperature'

/** What heat and hot water are wanted, what could give them, and which it is to be. */
export function HeatPage() {
  const { solution, state } = useJob()
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
        <ProveSheet sheet="heat" />
      </SheetPage>
    )
  return (
    <SheetPage sheet="heat">
      {sheet.answer && <Head answer={sheet.answer} />}
      {sheet.answer && <OptionsTable answer={sheet.answer} />}
      <Demand />
      {sheet.answer && solution.document.hotWater && <DrawOff answer={sheet.answer} />}
      {sheet.answer && solution.document.hotWater && <StorageTemperature answer={sheet.answer} />}
      {sheet.answer && <OutputSetting answer={sheet.answer} />}
      <LeansOn sheet="heat" />
      <ProveSheet sheet="heat" />
      <WorkingsFold workings={sheet.workings} />
    </SheetPage>
  )
}

function Head({ answer }: { readonly answer: HeatAnswer }) {
  const { judgement, show } = useJob()
  const { chosen, wanted_m3_s, load_W } = answer
  const { findings, missing } = judgement.sheets.heat
  const stop = findings.find((finding) => finding.severity === 'stop')
  const fixes = findings.filter((finding) => finding.severity === 'fix')
  const comparison = chosen?.comparison
  const two = comparison?.twoShowers
  return (
    <>
      <Answer>
        {!chosen ? (
          answer.options.length === 0 ? (
            <>
              What will make the heat? <b>Set two ways side by side.</b>
            </>
          ) : (
            <>
              <b>
                {answer.options.length} {answer.options.length === 1 ? 'way' : 'ways'}
              </b>{' '}
              compared, <b>none chosen yet.</b>
            </>
          )
        ) : comparison ? (
          <>
            <b>{chosen.option.name}</b> keeps up <b>{show(comparison.mixed_m3_s, 'water-flow')}</b>
            {two === undefined ? (
              ''
            ) : two !== 'as-long-as-wanted' ? (
              <>
                ; two showers run <b>{durationWords(Math.round(two.least_s / 60) * 60)}</b>.
              </>
            ) : (
              <>
                ; two showers run <b>as long as they like.</b>
              </>
            )}
          </>
        ) : chosen.missing.length > 0 ? (
          <>
            <b>{chosen.option.name}</b> is chosen; its plate is <b>not whole yet.</b>
          </>
        ) : (
          <>
            <b>{chosen.option.name}</b> for <b>{show(load_W, 'power')}</b> of heat.
          </>
        )}
      </Answer>
      <VerdictLine>
        <VerdictChip
          verdict={
            stop ? 'stop' : missing.length > 0 ? 'not-yet' : fixes.length > 0 ? 'fix' : 'pass'
          }
          word={
            stop
              ? 'Stop'
              : missing.length > 0
                ? 'Not yet'
                : fixes.length > 0
                  ? 'Look again'
                  : 'Pass'
          }
          {...(fixes[0] ? { href: `#${rowId(fixes[0].place)}` } : {})}
        />
        <span>
          {missing.length > 0 ? (
            missing
              .slice(0, 3)
              .map((gap) => gap.what)
              .join('; ')
          ) : (
            <>
              {wanted_m3_s > 0 && (
                <>
                  <b>{show(wanted_m3_s, 'water-flow')}</b> wanted at once from the coldest water
                  {answer.conditions ? (
                    <> of {show(answer.conditions.coldTemp_K, 'temperature')}</>
                  ) : null}
                  .{' '}
                </>
              )}
              {load_W > 0 && (
                <>
                  <b>{show(load_W, 'power')}</b> of heat
                  {answer.estimated_W > 0 ? ', part of it an estimate' : ''}.
                </>
              )}
            </>
          )}
        </span>
      </VerdictLine>
    </>
  )
}
