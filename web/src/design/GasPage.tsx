import type { GasAnswer } from '@hestian/core'
import { drawingSvg, gasTree, gasWithOn } from '@hestian/core'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { GasMethods } from './GasMethods'
import { GasOn } from './GasOn'
import { LeansOn } from './LeansOn'
import { useJob } from '../job/JobContext'
import { ProveSheet } from '../shell/ProveSheet'
import { Answer, Prose, VerdictLine } from '../ui/Answer'
import { Button } from '../ui/Button'
import { DrawingView } from '../ui/DrawingView'
import { rowId } from '../ui/QuantityRow'
import { saveFile } from '../ui/saveFile'
import { NotesHere, SheetPage } from '../ui/SheetPage'
import { VerdictChip } from '../ui/VerdictChip'
import { WorkingsFold } from '../ui/WorkingsFold'
import { SegmentTable } from './SegmentTable'
import { SegmentEditor, useAddSegment } from './SegmentEditor'
import { IfThisSize } from './IfThisSize'

export function GasPage() {
  const { solution, draft, judgement } = useJob()
  const [selected, setSelected] = useState<string>()
  const [off, setOff] = useState<ReadonlySet<string>>(new Set())
  const sheet = solution.gas
  if (!sheet.applies) return <SheetPage sheet="gas"><Answer>No gas supply: <b>{sheet.because}</b></Answer><ProveSheet sheet="gas" /></SheetPage>
  const { segments } = draft.document.gas
  const chosen = segments.some((segment) => segment.id === selected) ? selected : undefined
  const burners = sheet.answer?.pipes.flatMap((pipe) => (pipe.appliance && pipe.pipe.load_W > 0 ? [pipe.appliance.id] : [])) ?? []
  const on = new Set(burners.filter((id) => !off.has(id)))
  const shown = sheet.answer && (on.size === burners.length ? sheet.answer : gasWithOn(sheet.answer, on))
  const toggle = (id: string) => setSelected(id === chosen ? undefined : id)
  return (
    <SheetPage sheet="gas" margin={sheet.answer && (chosen ? <IfThisSize answer={sheet.answer} id={chosen} /> : <Hint>Press a pipe, in the drawing or the table, to change it and to see the sizes next to it.</Hint>)}>
      {sheet.answer ? <Head answer={sheet.answer} /> : (
        <>
          <Answer>The pipe waits for <b>{judgement.sheets.gas.missing.length === 1 ? 'one answer' : `${judgement.sheets.gas.missing.length} answers`}.</b></Answer>
          <VerdictLine><VerdictChip verdict="not-yet" word="Not yet" /><span>{sheet.missing.map((gap) => gap.what).join('; ')}</span></VerdictLine>
        </>
      )}
      {shown && burners.length > 1 && <GasOn answer={shown} on={on} onChange={(next) => setOff(new Set(burners.filter((id) => !next.has(id))))} />}
      {shown && <Diagram answer={shown} selected={chosen} onPick={toggle} />}
      {shown ? <Table answer={shown} selected={chosen} onPick={toggle} /> : <Outline selected={chosen} onPick={toggle} />}
      <Adds chosen={chosen} onAdded={setSelected} />
      <SegmentTable />
      {chosen && <SegmentEditor key={chosen} id={chosen} onGone={() => setSelected(undefined)} />}
      <Prose><b>Smell of gas:</b> no flame, no switches, phone or doorbell inside; shut the meter valve only if it is safe on the way out; open windows and leave; call {solution.practice.words.gasEmergency} from outside.</Prose>
      {sheet.answer && <GasMethods answer={sheet.answer} />}
      <LeansOn sheet="gas" />
      <ProveSheet sheet="gas" />
      <WorkingsFold workings={sheet.workings} />
    </SheetPage>
  )
}

function Head({ answer }: { readonly answer: GasAnswer }) {
  const { show, judgement, state } = useJob()
  const { index, indexAllowed_Pa, pipes, total_m3_s } = answer
  const findings = judgement.sheets.gas.findings
  const stop = findings.find((finding) => finding.severity === 'stop')
  const fixes = findings.filter((finding) => finding.severity === 'fix').length
  const spare = Math.min(...pipes.filter((pipe) => pipe.appliance && pipe.id !== index.id).map((pipe) => answer.allowance_Pa - pipe.dropTo_Pa))
  return (
    <>
      <Answer><b>{index.pipe.size.name}</b> to the {lower(index.appliance?.name ?? 'last appliance')}; <b>{show(index.dropTo_Pa, 'gas-pressure')}</b> of the <b>{show(indexAllowed_Pa, 'gas-pressure')}</b> allowed.</Answer>
      <VerdictLine>
        <VerdictChip verdict={stop ? 'stop' : 'pass'} word={stop ? 'Stop' : 'Pass'} {...(stop ? { href: `#${rowId(stop.place)}` } : {})} />
        <span>Everything at full rate draws <b>{show(total_m3_s, 'gas-flow')}</b>, starting from {answer.meterAssumed ? 'an assumed ' : ''}<b>{show(answer.conditions.meterGauge_Pa, 'gas-pressure')}</b> <Link to={`/jobs/${state.id}/readings`}>at the meter</Link>.{Number.isFinite(spare) && <> The others have <b>{show(spare, 'gas-pressure')}</b> or more to spare.</>} {fixes > 0 && !stop && <>{fixes === 1 ? 'One thing is' : `${fixes} things are`} to fix before handover.</>}</span>
      </VerdictLine>
    </>
  )
}

const lower = (text: string) => (/^[A-Z][a-z]/.test(text) ? text.charAt(0).toLowerCase() + text.slice(1) : text)

interface PickProps { readonly selected: string | undefined; readonly onPick: (id: string) => void }

function Diagram({ answer, selected, onPick }: PickProps & { readonly answer: GasAnswer }) {
  const { show } = useJob()
  const drawing = useMemo(() => gasTree(answer, show, 820, selected), [answer, show, selected])
  return (
    <Quad tabIndex={0} aria-label="Pipe tree and pressure, scrolls sideways on a small screen" role="region">
      <DrawingView drawing={drawing} selected={selected} onPick={onPick} />
      <Button look="text" onPress={() => saveFile('gas-supply.svg', 'image/svg+xml', drawingSvg(drawing))}>Save the drawing</Button>
    </Quad>
  )
}

function Table({ answer, selected, onPick }: PickProps & { readonly answer: GasAnswer }) {
  const { show, draft, solution } = useJob()
  const heads: [string, string][] = [['Pipe', ''], ['Run + fittings', show.unit('length')], ['Flow', show.unit('gas-flow')], ['Speed', show.unit('velocity')], ['Drop', show.unit('gas-pressure')], ['Far end', show.unit('gas-pressure')]]
  return (
    <Scroll role="region" aria-label="Pipes" tabIndex={0}>
      <table>
        <thead><tr><th scope="col">Segment</th>{heads.map(([head, unit]) => <th scope="col" key={head}>{head} <i>{unit}</i></th>)}</tr></thead>
        <tbody>
          {answer.pipes.map((pipe) => {
            const length_m = pipe.segment.length_m?.value ?? 0
            const place = `gas.segments.${draft.document.gas.segments.indexOf(pipe.segment)}`
            return (
              <tr key={pipe.id} data-selected={pipe.id === selected || undefined} data-place={place} id={rowId(place)} onClick={() => onPick(pipe.id)}>
                <th scope="row"><button type="button" aria-pressed={pipe.id === selected} onClick={(event) => { event.stopPropagation(); onPick(pipe.id) }}>{pipe.segment.name}</button>{pipe.id === answer.index.id && <em>index</em>}</th>
                <td>{pipe.pipe.size.name}{pipe.chosen && <i title="chosen by Hestian"> chosen</i>}</td>
                <td><span data-pencil={pipe.segment.length_m?.basis === 'assumed' || undefined}>{show.figure(length_m, 'length')}</span> + {show.figure(pipe.effective_m - length_m, 'length')}</td>
                <td>{show.figure(pipe.flow_m3_s, 'gas-flow')}</td><td>{show.figure(pipe.velocity_m_s, 'velocity')}</td><td><b>{show.figure(pipe.drop_Pa, 'gas-pressure')}</b></td><td><b>{show.figure(pipe.farGauge_Pa, 'gas-pressure')}</b></td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {answer.pipes.map((pipe) => <NotesHere key={pipe.id} place={`gas.segments.${draft.document.gas.segments.indexOf(pipe.segment)}`} />)}
      <small>{solution.practice.gas.tableCheck ? 'Calculated by Darcy–Weisbach; the BS 6891 table (as remembered) is the second verdict and the stricter wins.' : 'Pressures gauge, everything burning.'}</small>
    </Scroll>
  )
}

/** Segments while nothing can be computed yet. */
function Outline({ selected, onPick }: PickProps) {
  const { draft, show } = useJob()
  return <Plain data-place="gas.segments">{draft.document.gas.segments.map((segment, i) => <li key={segment.id} data-place={`gas.segments.${i}`}><button type="button" aria-pressed={segment.id === selected} onClick={() => onPick(segment.id)}>{segment.name}</button> <span>{segment.length_m ? show(segment.length_m.value, 'length') : 'no length yet'}</span></li>)}</Plain>
}

function Adds({ chosen, onAdded }: { readonly chosen: string | undefined; readonly onAdded: (id: string) => void }) {
  const { draft } = useJob()
  const add = useAddSegment()
  const from = draft.document.gas.segments.find((segment) => segment.id === chosen)
  return (
    <Bar>
      {from && !from.applianceId && <Button onPress={() => onAdded(add(from.id))}>Add a pipe after {from.name}</Button>}
      <Button onPress={() => onAdded(add('meter'))}>Add a pipe from the meter</Button>
    </Bar>
  )
}

const Hint = styled.p` font-size: 15px; line-height: 20px; color: var(--ink-3); padding-bottom: 8px; `
const Quad = styled.div`
  margin: 4px -14px 0 -24px; padding: 0 14px 6px 24px; overflow-x: auto; outline-offset: -3px;
  background: repeating-linear-gradient(0deg, color-mix(in srgb, var(--hair) 45%, transparent) 0 0.8px, transparent 0.8px 15px), repeating-linear-gradient(90deg, color-mix(in srgb, var(--hair) 45%, transparent) 0 0.8px, transparent 0.8px 15px);
  @media (max-width: 720px) { margin: 4px -14px 0 -12px; padding: 0 14px 6px 12px; svg { max-width: none !important; width: 720px; } }
`
const Scroll = styled.div`
  background: var(--sheet); margin: 0 -14px 0 -24px; padding: 6px 14px 8px 24px; border-top: 1.2px solid var(--rule); overflow-x: auto; outline-offset: -3px;
  table { border-collapse: collapse; width: 100%; font-size: 15.5px; } th, td { text-align: right; padding: 4px 8px; height: 30px; white-space: nowrap; } th:first-child { text-align: left; padding-left: 6px; }
  thead th { font: 650 15px/20px var(--head); border-bottom: 1.5px solid var(--ink); } thead i { font: 400 14px/20px var(--text); color: var(--ink-3); } i { font-style: normal; color: var(--ink-3); font-size: 14px; }
  tbody tr { border-bottom: 0.8px solid var(--hair); cursor: pointer; } tbody tr:hover { background: var(--sunk); } tbody tr[data-selected] { background: var(--select); box-shadow: inset 4px 0 0 var(--ink); }
  tbody th { font-weight: 400; } tr[data-selected] th { font-weight: 650; } tbody th button { background: none; border: 0; padding: 4px 4px; cursor: pointer; font: inherit; text-align: left; min-height: 28px; }
  em { font-style: normal; font-size: 14px; border: 1px solid var(--rule); border-radius: 2px; padding: 0 6px; color: var(--ink-2); margin-left: 8px; }
  [data-pencil] { color: var(--pencil); border-bottom: 1.5px dashed var(--pencil); } small { font-size: 14px; color: var(--ink-3); display: block; padding-top: 4px; }
  @media (pointer: coarse) { th, td { height: 48px; } tbody th button { min-height: 48px; } }
`
const Plain = styled.ul` li { display: flex; gap: 16px; align-items: center; border-bottom: 0.8px solid var(--hair); min-height: 40px; } button { background: none; border: 0; text-decoration: underline; cursor: pointer; min-height: 40px; } button[aria-pressed='true'] { font-weight: 650; } span { color: var(--pencil); } `
const Bar = styled.div` display: flex; gap: 12px; flex-wrap: wrap; padding: 12px 0; `
