import type { JobState, StageId } from '@hestian/core'
import { judge, practices, solve } from '@hestian/core'
import { useQueryClient } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { Input, Label, SearchField } from 'react-aria-components'
import { Link, useNavigate } from 'react-router'
import styled from 'styled-components'
import { z } from 'zod'
import { ApiError, call } from '../api/client'
import { useBoard } from '../api/queries'
import { WhoIsWorking } from '../job/WhoContext'
import { stageNames } from '../shell/stages'
import { ThemeSwitch } from '../shell/ThemeSwitch'
import { Button } from '../ui/Button'
import { Logo, Mark } from '../ui/icons'
import { NewJobForm } from './NewJobForm'

/** Every job with its stage, what holds it, and what is off on its site. */
export function Board() {
  const { data, isPending, error } = useBoard()
  const [search, setSearch] = useState('')
  const [making, setMaking] = useState(false)
  const rows = useMemo(() => (data ?? []).map(summary), [data])
  const wanted = search.trim().toLowerCase()
  const shown = rows.filter((row) => [row.state.document.site.name, row.state.document.site.address, row.state.number, row.stageName].some((text) => text.toLowerCase().includes(wanted)))
  const off = rows.filter((row) => row.off > 0).length
  return (
    <Page>
      <Top><Link to="/" aria-label="Hestian, all jobs"><Logo size={30} /><b>Hestian</b></Link><i /><WhoIsWorking /><ThemeSwitch /></Top>
      <main>
        <h1>{isPending ? <>Fetching the jobs …</> : error && !data ? <>The server does not answer; <b>trying again.</b></> : rows.length === 0 ? <>No jobs yet. <b>Start one.</b></> : <><b>{rows.length} {rows.length === 1 ? 'job' : 'jobs'}</b>{off > 0 ? <>, <b>{off}</b> with something off on site.</> : <>, nothing off on any site.</>}</>}</h1>
        <Tools>
          <Find value={search} onChange={setSearch}><Label>Find</Label><Input placeholder="name, address, number or stage" /></Find>
          {!making && <Button look="go" onPress={() => setMaking(true)}>New job</Button>}
          <ImportJob />
        </Tools>
        {making && <NewJobForm onClose={() => setMaking(false)} />}
        <List aria-label="Jobs">
          {shown.map((row) => (
            <li key={row.state.id}>
              <Row to={`/jobs/${row.state.id}/${row.sheet}`}>
                <Level aria-hidden>{row.shares.map((share, i) => <span key={i} data-share={share === 1 ? 'all' : share > 0 ? 'some' : undefined} data-here={row.stage === stageOrder[i] || undefined} />)}</Level>
                <span><strong>{row.state.document.site.name}</strong><small>{row.state.document.site.address || 'no address yet'}; {practices[row.state.document.practice].label}</small></span>
                <span><b>{row.stageName}</b><small>{row.next}</small></span>
                <span>{row.stops > 0 && <em data-kind="stop"><Mark kind="stop" size={17} />{row.stops} to stop for</em>}{row.fixes > 0 && <em data-kind="fix"><Mark kind="fix" size={17} />{row.fixes} to fix</em>}{row.stops + row.fixes === 0 && <small>no open findings</small>}</span>
                <span>{row.off > 0 ? <Tagged>{row.off} off on site</Tagged> : <small>nothing off</small>}</span>
                <span className="tnum"><small>job</small> {row.state.number}{row.state.frozen ? <small> rev. {row.state.frozen}</small> : null}</span>
              </Row>
            </li>
          ))}
        </List>
        {!isPending && rows.length > 0 && shown.length === 0 && <p>No job matches “{search}”. <Button look="text" onPress={() => setSearch('')}>Show all</Button></p>}
      </main>
    </Page>
  )
}

const stageOrder: readonly StageId[] = ['survey', 'design', 'prove', 'commission', 'handover']

function summary(state: JobState) {
  const solution = solve(state.document)
  const judgement = judge(solution, { entries: state.records, samples: state.samples })
  const stages = judgement.stages.filter((stage) => stage.of > 0)
  const open = stages.find((stage) => stage.proven < stage.of)
  const stage: StageId = open?.id ?? 'handover'
  const sheet = open?.sheets.find((id) => !['proven', 'does-not-apply'].includes(judgement.sheets[id].state)) ?? 'H1'
  const now = judgement.steps.find((one) => one.progress.state === 'now')
  const waiting = judgement.sheets[sheet]
  const next = !open ? 'handed over' : stage === 'commission' && now ? `next: step ${now.number}, ${now.step.short.toLowerCase()}` : waiting.state === 'ready' ? `${waiting.name} is ready to prove` : waiting.state === 'stop' ? `${waiting.name} has a stop` : `next: ${waiting.missing[0]?.what ?? waiting.name}`
  return {
    state, stage, sheet, next, stageName: open ? stageNames[stage] : 'Done', off: judgement.off.length, shares: stageOrder.map((id) => { const one = stages.find((candidate) => candidate.id === id); return one?.share ?? 0 }),
    stops: solution.findings.filter((finding) => finding.severity === 'stop').length, fixes: solution.findings.filter((finding) => finding.severity === 'fix').length,
  }
}

/** Takes in an exported job. */
function ImportJob() {
  const client = useQueryClient()
  const navigate = useNavigate()
  const [says, setSays] = useState<string>()
  const take = async (file: File | undefined) => {
    if (!file) return
    if (file.size > 64 * 1024 * 1024) return setSays(`${file.name} is larger than the 64 MB that a job file may be.`)
    try {
      const { id } = await call('POST', '/import', z.object({ id: z.string() }), parse(await file.text()))
      await client.invalidateQueries({ queryKey: ['board'] })
      void navigate(`/jobs/${id}`)
    } catch (error) {
      setSays(error instanceof ApiError ? error.message : 'That file could not be read.')
    }
  }
  return <Take><span>Import a job file</span><input type="file" accept=".json,application/json" onChange={(event) => { void take(event.target.files?.[0]); event.target.value = '' }} /><small role="alert">{says}</small></Take>
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    throw new ApiError('not-a-job-file', 'This is not a job exported from Hestian: it is not JSON. Nothing was changed.')
  }
}

const Page = styled.div`
  min-height: 100dvh; main { padding: 24px 40px 60px; max-width: 1280px; margin: 0 auto; } h1 { font: 450 43px/46px var(--head); font-stretch: 94%; color: var(--ink-2); b { color: var(--ink); font-weight: 700; } }
  @media (max-width: 720px) { main { padding: 16px 14px 40px; } h1 { font-size: 30px; line-height: 33px; } }
`
const Top = styled.header` display: flex; align-items: center; min-height: 52px; border-bottom: 0.8px solid var(--hair); padding: 0 12px 0 38px; a { display: flex; gap: 12px; align-items: center; text-decoration: none; font: 650 25px/30px var(--head); } i { flex: 1; } @media (max-width: 720px) { padding: 0 0 0 14px; a b { display: none; } [aria-label='Theme'] { padding: 0 10px; } } `
const Tools = styled.div` display: flex; gap: 20px; align-items: flex-end; margin: 22px 0 18px; flex-wrap: wrap; > button { min-width: 150px; } `
const Find = styled(SearchField)` flex: 1; min-width: 220px; label { display: block; font-size: 15px; color: var(--ink-2); } input { width: 100%; min-height: 48px; border: 0; border-bottom: 1.5px solid var(--ink); background: transparent; font-size: 18px; padding: 4px; border-radius: 0; } `
const Take = styled.label` position: relative; cursor: pointer; padding: 12px 0; > span { color: var(--ember-ink); font-weight: 650; text-decoration: underline; text-decoration-thickness: 2px; text-underline-offset: 3px; } input { position: absolute; opacity: 0; inset: 0; width: 100%; cursor: pointer; } &:focus-within { outline: 3px solid var(--ink); } small { display: block; color: var(--stop); font-size: 15px; max-width: 340px; } `
const List = styled.ul` border-top: 1.5px solid var(--ink); `
const Row = styled(Link)`
  display: grid; grid-template-columns: 46px minmax(0, 2.2fr) minmax(0, 1.6fr) minmax(0, 1.1fr) 130px 84px; gap: 16px; align-items: center; min-height: 78px; padding: 10px 4px; border-bottom: 0.8px solid var(--hair); text-decoration: none;
  &:hover { background: var(--select); } strong { font: 650 20px/24px var(--head); display: block; } b { font: 650 17px/20px var(--head); display: block; } small { font-size: 14px; line-height: 18px; color: var(--ink-3); } em { display: flex; gap: 7px; align-items: center; font-style: normal; font-weight: 650; font-size: 15px; } em[data-kind='stop'] { color: var(--stop); } em[data-kind='fix'] { color: var(--look); }
  @media (max-width: 900px) { grid-template-columns: 32px minmax(0, 1fr); gap: 6px 12px; > span { grid-column: 2; } > span:first-of-type { grid-row: auto; } }
`
const Level = styled.span` display: flex; flex-direction: column-reverse; gap: 2px; width: 22px; span { height: 10px; border: 1.3px solid var(--rule); } span[data-share='all'] { background: var(--ink); border-color: var(--ink); } span[data-share='some'] { background: linear-gradient(0deg, var(--ink) 50%, transparent 50%); } span[data-here] { border-color: var(--ink); margin-right: -8px; } @media (max-width: 900px) { && { grid-column: 1; grid-row: 1 / span 3; align-self: start; padding-top: 6px; } } `
const Tagged = styled.span` display: inline-block; background: var(--off-bg); color: var(--off-fg); padding: 5px 12px 5px 18px; font: 650 15px/18px var(--head); clip-path: polygon(9px 0, 100% 0, 100% 100%, 9px 100%, 0 calc(100% - 9px), 0 9px); white-space: nowrap; `
