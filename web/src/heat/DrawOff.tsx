import type { DrawOffModel, DrawOffResult, HeatAnswer, OptionAnswer } from '@hestian/core'
import { clock, drawModelOf, durationWords, usableTemp_K } from '@hestian/core'
import { Suspense, useEffect, useMemo, useState } from 'react'
import styled from 'styled-components'
import { useDesign, useReadBy } from '../job/JobContext'
import { Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Mark } from '../ui/icons'
import type { Work } from '../work/useWorker'
import { lastAnswer, useWorker } from '../work/useWorker'
import { ChartRoom, DayChart } from './lateCharts'
import { Scenario } from './Scenario'

const layers = ['20', '30', '60', '120'] as const
const pause_ms = 500

/** The day's draws run through every option, second by second, in a worker. */
export function DrawOff({ answer }: { readonly answer: HeatAnswer }) {
  const { draft } = useDesign()
  const { document } = draft
  const [nodes, setNodes] = useState<(typeof layers)[number]>('30')
  const { work, ask, cancel } = useWorker('draws')
  const asked = useMemo(
    () =>
      answer.options.flatMap((one) => {
        const model = drawModelOf(document, answer, one, Number(nodes))
        return model ? [{ one, model }] : []
      }),
    [document, answer, nodes],
  )
  const key = JSON.stringify(asked.map(({ model }) => model))
  const ready = asked.length > 0 && (document.hotWater?.scenario.length ?? 0) > 0
  useEffect(() => {
    if (!ready) return
    const timer = setTimeout(
      () => ask({ kind: 'draws', models: asked.map(({ model }) => model) }),
      pause_ms,
    )
    return () => clearTimeout(timer)
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key says everything of the models: a new object with the same figures asks nothing new
  }, [ask, key, ready])
  const done = lastAnswer(work)
  const results =
    done && done.results.length === asked.length
      ? asked.map(({ one, model }, i) => ({ one, model, result: done.results[i] as DrawOffResult }))
      : undefined
  return (
    <section aria-label="A day's draws">
      <SectionHead>
        A day’s draws<small>every second, {nodes} layers</small>
      </SectionHead>
      <Scenario />
      {!ready && (
        <Prose>
          With outlets, a pattern and an option whose figures are known, the day is run here: what
          comes out of each tap, when it turns cool, how hot the top gets.
        </Prose>
      )}
      {ready && (
        <Bar role="status">
          <Running
            work={work}
            run={() => ask({ kind: 'draws', models: asked.map(({ model }) => model) })}
            stop={cancel}
          />
          <Choice
            label="Layers of the store"
            value={nodes}
            options={layers.map((id) => ({ id, text: `${id} layers` }))}
            onChoose={setNodes}
          />
        </Bar>
      )}
      {results && (
        <Suspense fallback={<ChartRoom />}>
          <DayChart results={results} outlets={document.hotWater?.outlets ?? []} />
        </Suspense>
      )}
      {results && <Outcome results={results} answer={answer} />}
    </section>
  )
}

/** How far the day is run. */
function Running({
  work,
  run,
  stop,
}: {
  readonly work: Work<'draws'>
  readonly run: () => void
  readonly stop: () => void
}) {
  switch (work.state) {
    case 'working':
      return (
        <>
          <progress value={work.share} max={1} aria-label="Running the day" />
          <span>Running the day …</span>
          <Button look="text" onPress={stop}>
            Stop
          </Button>
        </>
      )
    case 'broken':
      return (
        <span>
          It could not be run here.{' '}
          <Button look="text" onPress={run}>
            Try again
          </Button>
        </span>
      )
    case 'idle':
      return (
        <Button look="text" onPress={run}>
          Run the day
        </Button>
      )
    case 'done':
      return (
        <span>
          Run. Energy in and out differ by{' '}
          {Math.max(...work.answer.results.map((result) => result.balanceError)).toExponential(0)}{' '}
          of the whole.
        </span>
      )
  }
}

function Outcome({
  results,
  answer,
}: {
  readonly results: readonly {
    readonly one: OptionAnswer
    readonly model: DrawOffModel
    readonly result: DrawOffResult
  }[]
  readonly answer: HeatAnswer
}) {
  const { draft, solution } = useDesign()
  const { show } = useReadBy()
  const names = new Map(
    (draft.document.hotWater?.outlets ?? []).map((outlet) => [outlet.id, outlet.name]),
  )
  const limit_K = solution.practice.hotWater.safeOutletTemp_K
  return (
    <List>
      {results.map(({ one, result, model }) => {
        const cool = result.outlets.filter((outlet) => outlet.fellAt_s !== undefined)
        const longest = result.reheats.reduce((most, reheat) => Math.max(most, reheat.took_s), 0)
        const stored = one.figures && one.figures.store_m3 > 0
        return (
          <li key={one.option.id}>
            <h4>
              <Mark kind={cool.length > 0 ? 'fix' : 'pass'} size={18} />
              {one.option.name}
            </h4>
            <p>
              {cool.length === 0 ? (
                <>Every tap stays above {show(usableTemp_K, 'temperature')} all day.</>
              ) : (
                cool.map((outlet) => (
                  <span key={outlet.id}>
                    <b>{names.get(outlet.id)}</b> falls below {show(usableTemp_K, 'temperature')} at{' '}
                    <b>{hour(outlet.fellAt_s ?? 0)}</b>, down to{' '}
                    {show(outlet.coldest_K ?? 0, 'temperature')}; {clock(outlet.ranUsable_s)} of{' '}
                    {clock(outlet.ran_s)} were usable.{' '}
                  </span>
                ))
              )}
            </p>
            {result.outlets
              .filter((outlet) => outlet.leastFlowRatio < 0.999)
              .map((outlet) => (
                <p key={`flow-${outlet.id}`}>
                  The main leaves <b>{names.get(outlet.id)}</b>{' '}
                  {show(
                    outlet.leastFlowRatio *
                      (model.outlets.find((one) => one.id === outlet.id)?.flow_m3_s ?? 0),
                    'water-flow',
                  )}{' '}
                  of its{' '}
                  {show(
                    model.outlets.find((one) => one.id === outlet.id)?.flow_m3_s ?? 0,
                    'water-flow',
                  )}{' '}
                  each while everything runs.
                </p>
              ))}
            {stored && (
              <p>
                Top at most <b>{show(result.hottestTop_K, 'temperature')}</b>
                {result.hottestTop_K > answer.storeTemp_K + 10 ? (
                  <>
                    ,{' '}
                    <em>
                      {show(result.hottestTop_K - answer.storeTemp_K, 'temperature-difference')}{' '}
                      over its setting: lower the flow temperature or take a larger store
                    </em>
                  </>
                ) : (
                  ''
                )}
                {result.hottestTop_K > limit_K ? (
                  <>
                    ; past the {show(limit_K, 'temperature')} a tap may run at, so it is mixed down
                  </>
                ) : (
                  ''
                )}
                . {result.reheats.length} {result.reheats.length === 1 ? 'reheat' : 'reheats'}
                {longest > 0 ? (
                  <>
                    , the longest <b>{clock(longest)}</b>
                  </>
                ) : (
                  ''
                )}
                .
                {result.heatingWaits_s > 0 && (
                  <> The heating waits {durationWords(result.heatingWaits_s)} in the day.</>
                )}
                {result.energy.loop_J > 0 && (
                  <> The return loop takes {(result.energy.loop_J / 3.6e6).toFixed(1)} kWh.</>
                )}
              </p>
            )}
          </li>
        )
      })}
    </List>
  )
}

const hour = (seconds: number) =>
  `${String(Math.floor(seconds / 3600)).padStart(2, '0')}:${String(Math.floor((seconds % 3600) / 60)).padStart(2, '0')}`

const Bar = styled.div`
  display: flex;
  gap: 16px;
  align-items: center;
  flex-wrap: wrap;
  min-height: 48px;
  color: var(--ink-2);
  font-size: var(--small);
  progress {
    width: 180px;
    height: 10px;
    accent-color: var(--ink);
  }
  > div:last-child {
    margin-left: auto;
    width: 140px;
  }
`
const List = styled.ul`
  li {
    padding: 8px 0;
    border-bottom: 0.8px solid var(--hair);
  }
  h4 {
    display: flex;
    gap: 8px;
    align-items: center;
    font: 650 var(--plain)/22px var(--head);
    margin: 0;
  }
  p {
    color: var(--ink-2);
    font-size: var(--small);
    line-height: 20px;
    padding-left: 26px;
  }
  b {
    color: var(--ink);
  }
  em {
    font-style: normal;
    color: var(--look);
    font-weight: 650;
  }
`
