import type { Loop, LoopReturn, MaterialName, WaterAnswer } from '@hestian/core'
import {
  blankLoop,
  materials,
  materialsOffered,
  usualAirTemp_K,
  usualLoopDrop_K,
} from '@hestian/core'
import { newId } from '../api/client'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { capital } from '../ui/numbers'
import { Adds, Drop } from '../ui/Drop'
import { Choice } from '../ui/Choice'
import { InlineText } from '../ui/fields'
import { Ledger, QuantityCell, QuantityRow } from '../ui/QuantityRow'
import { knownOf } from '../ui/quantity'
import { Acts, Cell, Figure, Row, Table } from '../ui/Table'
import { Worked } from '../ui/Worked'

/**
 * Hot water that goes round: what it loses, bare and lagged, the flow that holds its drop, its
 * pump, and how its ways are balanced.
 */
export function SecondaryReturn({ answer }: { readonly answer: WaterAnswer }) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { loop: written, segments } = draft.document.water
  const hot = answer.pipes.filter((pipe) => pipe.side === 'hot')
  const { loop } = answer
  const set = (change: Partial<Loop>) =>
    edit([{ path: ['water', 'loop'], value: { ...(written ?? blankLoop), ...change } }])
  const farthest =
    hot.filter((pipe) => pipe.end).sort((a, b) => b.pipe.length_m - a.pipe.length_m)[0] ?? hot[0]
  if (hot.length === 0) return null
  const add = () =>
    farthest &&
    set({
      returns: [
        ...(written?.returns ?? []),
        {
          id: newId().slice(0, 12),
          name: `Return from ${farthest.segment.name}`.slice(0, 120),
          at: farthest.segment.from === 'meter' ? farthest.id : farthest.segment.from,
          length_m: null,
          material: solution.practice.water.material,
          size: null,
        },
      ],
    })
  const at = (i: number, key: keyof LoopReturn) => ['water', 'loop', 'returns', i, key]
  return (
    <section data-place="water.loop">
      <SectionHead>
        Secondary return
        <small>
          {loop ? <>{show(loop.answer.loss_W, 'small-power')} lost, day and night</> : 'none drawn'}
        </small>
      </SectionHead>
      {loop && (
        <Prose>
          The pump goes round with{' '}
          <b>
            <Worked of="loopFlow_m3_s">{show(loop.answer.flow_m3_s, 'water-flow')}</Worked>
          </b>{' '}
          against <b>{show(loop.pumpHead_Pa, 'water-pressure')}</b>, and the water comes back at{' '}
          <b>{show(loop.answer.backTemp_K, 'temperature')}</b>. Bare it would lose{' '}
          {show(loop.bareLoss_W, 'small-power')},{' '}
          {show.perLength(loop.barePerMetre_W, 'small-power')} of its widest pipe
          {loop.lagging_m > 0 ? (
            <>
              ; with {solution.practice.words.lagging}{' '}
              {show.perLength(loop.laggedPerMetre_W, 'small-power')}
            </>
          ) : (
            ''
          )}
          .
        </Prose>
      )}
      {written && written.returns.length > 0 && (
        <>
          <Table
            label="Returns"
            columns="minmax(0, 1.2fr) minmax(0, 1.2fr) 84px 150px 84px 84px 92px 34px"
            heads={[
              'Return',
              'Begins at the end of',
              '>Length',
              'Pipe',
              '>Flow',
              '>Speed',
              '>Valve takes',
              '',
            ]}
          >
            {written.returns.map((back, i) => {
              const solved = loop?.returns.find((one) => one.back.id === back.id)
              return (
                <Row key={back.id} place={`water.loop.returns.${i}`}>
                  <Cell head="Return">
                    <InlineText
                      label="Name of the return"
                      required
                      value={back.name}
                      maxLength={120}
                      onCommit={(name) => edit([{ path: at(i, 'name'), value: name.trim() }])}
                    />
                  </Cell>
                  <Cell head="Begins at the end of">
                    <Choice
                      label={`Where ${back.name} begins`}
                      value={back.at}
                      options={hot.map((pipe) => ({ id: pipe.id, text: pipe.segment.name }))}
                      onChoose={(next) => edit([{ path: at(i, 'at'), value: next }])}
                    />
                  </Cell>
                  <Cell head="Length" end>
                    <QuantityCell
                      label={`Length of ${back.name}`}
                      place={`water.loop.returns.${i}.length`}
                      measure="length"
                      value={back.length_m}
                      onUse={(entry) => edit([{ path: at(i, 'length_m'), value: knownOf(entry) }])}
                      onClear={() => edit([{ path: at(i, 'length_m'), value: null }])}
                    />
                  </Cell>
                  <Cell head="Pipe">
                    <Choice<MaterialName>
                      label={`Material of ${back.name}`}
                      value={back.material}
                      options={materialsOffered(solution.practice, 'water', back.material).map(
                        (name) => ({
                          id: name,
                          text: materials[name].label,
                        }),
                      )}
                      onChoose={(material) =>
                        edit([
                          { path: at(i, 'material'), value: material },
                          { path: at(i, 'size'), value: null },
                        ])
                      }
                    />
                    <Choice
                      label={`Size of ${back.name}`}
                      value={back.size ?? 'choose'}
                      options={[
                        {
                          id: 'choose',
                          text: solved?.chosen ? `for me: ${solved.size.name}` : 'for me',
                        },
                        ...materials[back.material].sizes.map((size) => ({
                          id: size.name as string,
                          text: size.name as string,
                        })),
                      ]}
                      onChoose={(size) =>
                        edit([{ path: at(i, 'size'), value: size === 'choose' ? null : size }])
                      }
                    />
                  </Cell>
                  <Figure head="Flow">{solved && show(solved.flow_m3_s, 'water-flow')}</Figure>
                  <Figure head="Speed">{solved && show(solved.velocity_m_s, 'velocity')}</Figure>
                  <Figure head="Valve takes">
                    {solved &&
                      (solved.setting_m3_s === undefined
                        ? 'index'
                        : show(solved.surplus_Pa, 'water-pressure'))}
                  </Figure>
                  <Acts>
                    <Drop
                      name={back.name}
                      onPress={() =>
                        set({ returns: written.returns.filter((one) => one.id !== back.id) })
                      }
                    />
                  </Acts>
                </Row>
              )
            })}
          </Table>
          <Ledger>
            <QuantityRow
              label={`${capital(solution.practice.words.lagging)}, thickness`}
              place="water.loop.lagging"
              measure="bore"
              value={written.lagging_m}
              how="Maker’s sheet"
              empty="not settled: bare"
              why="Foam of 0.035 W/(m K). Over the whole length, out and back."
              onUse={(entry) => set({ lagging_m: knownOf(entry) })}
              onClear={() => set({ lagging_m: null })}
            />
            <QuantityRow
              label="Air around the pipes"
              place="water.loop.air"
              measure="temperature"
              value={written.airTemp_K}
              how="Thermometer"
              empty={`${show(usualAirTemp_K, 'temperature')} taken`}
              onUse={(entry) => set({ airTemp_K: knownOf(entry) })}
              onClear={() => set({ airTemp_K: null })}
            />
            <QuantityRow
              label="It may come back cooler by"
              place="water.loop.drop"
              measure="temperature-difference"
              value={written.drop_K}
              how="Setting"
              empty={`${show(usualLoopDrop_K, 'temperature-difference')} taken`}
              onUse={(entry) => set({ drop_K: knownOf(entry) })}
              onClear={() => set({ drop_K: null })}
            />
          </Ledger>
        </>
      )}
      {segments.length > 0 && (
        <Adds>
          <Button look="text" onPress={add}>
            {written && written.returns.length > 0 ? 'Another return' : 'Draw a secondary return'}
          </Button>
          {written && written.returns.length === 0 && (
            <Button look="text" onPress={() => edit([{ path: ['water', 'loop'], value: null }])}>
              No return here
            </Button>
          )}
        </Adds>
      )}
    </section>
  )
}
