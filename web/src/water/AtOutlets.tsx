import { memo } from 'react'
import type { WaterAnswer } from '@hestian/core'
import { durationWords } from '@hestian/core'
import { useDesign, useReadBy } from '../job/JobContext'
import { Prose, SectionHead } from '../ui/Answer'
import { Cell, Figure, Row, RowHead, Table } from '../ui/Table'
import type { Running } from './OpenOutlets'

/**
 * What each outlet gets: pressure, flow, the wait for hot water, and how even hot and cold are at
 * its mixer.
 */
export const AtOutlets = memo(function AtOutlets({
  answer,
  real,
}: {
  readonly answer: WaterAnswer
  readonly real: Running | undefined
}) {
  const { solution } = useDesign()
  const { show } = useReadBy()
  const waits = new Map(answer.waits.map((wait) => [wait.pipe.id, wait]))
  const mixers = new Map(answer.mixers.map((mixer) => [mixer.outlet.id, mixer]))
  const ends = answer.pipes.filter((pipe) => pipe.end)
  return (
    <section>
      <SectionHead>
        At the outlets
        <small>{real ? 'with those open that are open above' : 'with what is designed for'}</small>
      </SectionHead>
      <Table
        label="At the outlets"
        columns="minmax(0, 1.4fr) 60px 92px 110px 100px minmax(0, 1fr)"
        heads={['Outlet', 'Side', '>Left', '>Draws', '>Wait', 'Mixer']}
      >
        {ends.map((pipe) => {
          const { end } = pipe
          if (!end) return null
          const wait = waits.get(pipe.id)
          const mixer = mixers.get(end.outlet.id)
          const drawn_m3_s = real
            ? real.answer.given.get(pipe.id)?.flow_m3_s
            : end.each_m3_s * end.count
          return (
            <Row key={pipe.id} place={`at.${pipe.id}`}>
              <RowHead head="Outlet">
                {end.count > 1 ? `${end.count} × ` : ''}
                {end.outlet.name}
              </RowHead>
              <Cell head="Side">{pipe.side}</Cell>
              <Figure head="Left">
                {show(
                  real?.answer.states.get(pipe.id)?.farGauge_Pa ?? pipe.farGauge_Pa,
                  'water-pressure',
                )}
              </Figure>
              <Figure head="Draws">
                {drawn_m3_s === undefined ? 'shut' : show(drawn_m3_s, 'water-flow')}
              </Figure>
              <Figure head="Wait" of={wait ? `Wait at ${end.outlet.name}` : undefined}>
                {wait ? durationWords(wait.wait_s) : ''}
              </Figure>
              <Cell head="Mixer">
                {mixer && pipe.side === 'hot'
                  ? `hot ${show.figure(mixer.hot.farGauge_Pa, 'water-pressure')}, cold ${show(mixer.cold.farGauge_Pa, 'water-pressure')}`
                  : ''}
              </Cell>
            </Row>
          )
        })}
      </Table>
      <Prose>
        Hot and cold part a mixed flow by temperature: {show(answer.hotTemp_K, 'temperature')} from
        the store, {show(answer.coldTemp_K, 'temperature')} from the main at its coldest. The wait
        is the water standing between the heater{answer.loop ? ', or the loop,' : ''} and the
        outlet, run off at its hot flow; up to {solution.practice.water.waitMost_s} s is borne. By
        Hazen–Williams the way to the index outlet would lose{' '}
        <b>
          {show(
            answer.pipes
              .filter((pipe) => answer.indexRun.includes(pipe.id))
              .reduce((sum, pipe) => sum + pipe.hazenWilliams_Pa, 0),
            'water-pressure',
          )}
        </b>{' '}
        in its pipes and bends.
      </Prose>
    </section>
  )
})
