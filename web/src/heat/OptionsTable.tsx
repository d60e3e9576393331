import type {
  HeatAnswer,
  HeatOption,
  Lasting,
  Measure,
  OptionAnswer,
  OptionKind,
} from '@hestian/core'
import {
  applianceFromOption,
  blankOption,
  clock,
  optionFindings,
  optionKinds,
  word,
} from '@hestian/core'
import type { ReactNode } from 'react'
import { Suspense, useState } from 'react'
import styled from 'styled-components'
import { ChartRoom, OptionsChart } from './lateCharts'
import { newId } from '../api/client'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Choice, InlineCount, InlineText } from '../ui/fields'
import { Mark } from '../ui/icons'
import { knownOf, QuantityCell, rowId } from '../ui/QuantityRow'
import { NotesHere } from '../ui/SheetPage'
import { phone } from '../ui/phone'

const kindWords: Readonly<Record<OptionKind, string>> = {
  combination: 'Heats as it runs',
  'storage-heater': 'Storage heater',
  'system-cylinder': 'Boiler with cylinder',
  cascade: 'Several in cascade',
}
type Figure =
  | 'input_W'
  | 'hotWater_W'
  | 'heating_W'
  | 'leastOutput_W'
  | 'store_m3'
  | 'coil_W'
  | 'standingLoss_W'
  | 'leastFlow_m3_s'

const figures: readonly {
  readonly key: Figure
  readonly label: string
  readonly measure: Measure
  readonly why: string
  readonly on: (option: HeatOption) => boolean
}[] = [
  {
    key: 'input_W',
    label: 'Gas input, gross',
    measure: 'power',
    why: 'Decides the pipe and whether the meter passes it.',
    on: () => true,
  },
  {
    key: 'hotWater_W',
    label: 'Hot water output',
    measure: 'power',
    why: 'What can reach the water.',
    on: () => true,
  },
  {
    key: 'heating_W',
    label: 'Heating output',
    measure: 'power',
    why: 'Held against the heat of the building.',
    on: (option) => option.kind !== 'storage-heater',
  },
  {
    key: 'leastOutput_W',
    label: 'Minimum output',
    measure: 'power',
    why: 'Above the mild day’s heat it starts and stops.',
    on: (option) => option.kind !== 'storage-heater',
  },
  {
    key: 'store_m3',
    label: 'Store',
    measure: 'small-volume',
    why: 'What can be drawn faster than it is heated.',
    on: (option) => option.kind !== 'combination',
  },
  {
    key: 'coil_W',
    label: 'Coil rating',
    measure: 'power',
    why: 'More than this does not get into the store.',
    on: (option) => option.kind === 'system-cylinder' || option.kind === 'cascade',
  },
  {
    key: 'standingLoss_W',
    label: 'Standing loss',
    measure: 'small-power',
    why: 'Paid for day and night.',
    on: (option) => option.kind !== 'combination',
  },
  {
    key: 'leastFlow_m3_s',
    label: 'Minimum flow',
    measure: 'water-flow',
    why: 'A trickle below it stays cold.',
    on: (option) => option.kind === 'combination' || option.kind === 'cascade',
  },
]

/**
 * Two to five ways side by side: what their plates say, what follows on the coldest water, what
 * each would violate. One is chosen, with a reason.
 */
export function OptionsTable({ answer }: { readonly answer: HeatAnswer }) {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { options } = draft.document.heat
  const add = (kind: OptionKind) =>
    edit([
      {
        path: ['heat', 'options', options.length],
        value: blankOption({ id: newId(), name: kindWords[kind], kind }),
      },
    ])
  return (
    <section id={rowId('heat.options')} data-place="heat.options">
      <SectionHead>
        Side by side<small>on the coldest water</small>
      </SectionHead>
      {options.length === 0 && (
        <Prose>
          Two to five ways of making the heat and the hot water: their plates go in, what follows
          stands below them.
        </Prose>
      )}
      {options.length > 0 && <Table answer={answer} />}
      {answer.options.some((one) => one.comparison) && (
        <Suspense fallback={<ChartRoom />}>
          <OptionsChart answer={answer} />
        </Suspense>
      )}
      {options.length < 5 && (
        <Add>
          <Choice
            labelled
            label="Set another beside it"
            value={null}
            options={optionKinds.map((id) => ({ id, text: kindWords[id] }))}
            onChoose={add}
          />
        </Add>
      )}
      <Choosing answer={answer} />
      <NotesHere place="heat.options" />
    </section>
  )
}

function Table({ answer }: { readonly answer: HeatAnswer }) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { options } = draft.document.heat
  const hot = draft.document.hotWater !== null
  const chosenId = draft.document.heat.chosen?.optionId
  const row = (
    label: string,
    cell: (one: OptionAnswer, index: number) => ReactNode,
    kind?: 'result' | 'strong',
  ) => (
    <tr key={label} data-kind={kind}>
      <th scope="row">{label}</th>
      {answer.options.map((one, i) => (
        <td key={one.option.id} data-chosen={one.option.id === chosenId || undefined}>
          {cell(one, i)}
        </td>
      ))}
    </tr>
  )
  const head = (text: string) => (
    <tr key={text} data-kind="head">
      <th scope="rowgroup" colSpan={answer.options.length + 1}>
        {text}
      </th>
    </tr>
  )
  const of = (
    one: OptionAnswer,
    then: (
      comparison: NonNullable<OptionAnswer['comparison']>,
      known: NonNullable<OptionAnswer['figures']>,
    ) => ReactNode,
  ) => (one.comparison && one.figures ? then(one.comparison, one.figures) : <i>waits</i>)
  const lasts = (lasting: Lasting) =>
    lasting === 'as-long-as-wanted' ? (
      <b>as long as wanted</b>
    ) : (
      <>
        <b>{clock(lasting.least_s)}</b> to {clock(lasting.most_s)}
      </>
    )
  return (
    <Scroll tabIndex={0} role="region" aria-label="Options side by side">
      <table>
        <thead>
          <tr>
            <td />
            {options.map((option, i) => (
              <th
                key={option.id}
                scope="col"
                data-chosen={option.id === chosenId || undefined}
                data-place={`heat.options.${i}`}
                id={rowId(`heat.options.${i}`)}
              >
                <InlineText
                  lines
                  label={`Name of option ${i + 1}`}
                  required
                  value={option.name}
                  maxLength={120}
                  onCommit={(name) =>
                    edit([{ path: ['heat', 'options', i, 'name'], value: name.trim() }])
                  }
                />
                <small>
                  {kindWords[option.kind]}
                  {option.id === chosenId ? ', chosen' : ''}
                </small>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {hot &&
            row(
              'Mixed flow it keeps up',
              (one) => of(one, (c) => <b>{show(c.mixed_m3_s, 'water-flow')}</b>),
              'strong',
            )}
          {hot &&
            answer.conditions?.warmTemp_K !== undefined &&
            row(
              'The same in summer',
              (one) =>
                of(one, (c) =>
                  c.mixedSummer_m3_s === undefined ? '' : show(c.mixedSummer_m3_s, 'water-flow'),
                ),
              'result',
            )}
          {hot &&
            row(
              `Hot, at ${show(answer.storeTemp_K, 'temperature')}`,
              (one) => of(one, (c) => show(c.hot_m3_s, 'water-flow')),
              'result',
            )}
          {hot &&
            row(
              'What is wanted at once lasts',
              (one) =>
                of(one, (c, f) =>
                  answer.wanted_m3_s === 0 ? (
                    <i>no outlets yet</i>
                  ) : f.store_m3 === 0 && c.draw !== 'as-long-as-wanted' ? (
                    'it does not keep up'
                  ) : (
                    lasts(c.draw)
                  ),
                ),
              'result',
            )}
          {hot &&
            row(
              'Two showers last',
              (one) =>
                of(one, (c, f) =>
                  f.store_m3 === 0 && c.twoShowers !== 'as-long-as-wanted'
                    ? 'it does not keep up'
                    : lasts(c.twoShowers),
                ),
              'strong',
            )}
          {row(
            'Speaks against it',
            (one, i) => {
              const found = optionFindings(draft.document, answer, one, i)
              return found.length === 0 ? (
                one.figures ? (
                  'nothing found'
                ) : (
                  <i>waits for {one.missing.join(', ')}</i>
                )
              ) : (
                <ul>
                  {found.map((finding) => (
                    <li key={finding.id}>
                      <Mark kind={finding.severity} size={15} />{' '}
                      {word(finding, solution.practice, show).head}
                    </li>
                  ))}
                </ul>
              )
            },
            'result',
          )}
          {hot &&
            row(
              'Reheat from cold, by hand',
              (one) =>
                of(one, (c) =>
                  c.reheat_s === undefined ? (
                    <i>no store</i>
                  ) : (
                    <>
                      <b>{clock(c.reheat_s)}</b> <small>the {c.limitedBy} limits</small>
                    </>
                  ),
                ),
              'result',
            )}
          {hot &&
            row(
              'Reheat, simulated',
              (one) =>
                of(one, (c) =>
                  c.simulatedReheat ? (
                    <>
                      <b>{clock(c.simulatedReheat.took_s)}</b>{' '}
                      <small>top {show(c.simulatedReheat.top_K, 'temperature')}</small>
                    </>
                  ) : (
                    <i>{c.reheat_s === undefined ? 'no store' : 'not in a day'}</i>
                  ),
                ),
              'result',
            )}
          {hot &&
            row(
              'Standing loss a day',
              (one) =>
                of(one, (c) =>
                  c.standing_J_day === 0 ? (
                    <i>none</i>
                  ) : (
                    `${(c.standing_J_day / 3.6e6).toFixed(1)} kWh`
                  ),
                ),
              'result',
            )}
          {row(
            'Gas, everything burning',
            (one) => (one.figures ? show(one.gas_m3_s, 'gas-flow') : <i>waits</i>),
            'result',
          )}
          {row(
            'Gas pipe to it',
            (one) =>
              one.gasPipe ?? (
                <i>{draft.document.survey.gasDistance_m ? 'waits' : 'distance not taped'}</i>
              ),
            'result',
          )}
          {hot && row('Cold pipe to it', (one) => one.coldPipe ?? <i>waits</i>, 'result')}
          {hot &&
            row(
              'The main delivers',
              () =>
                answer.main_m3_s === undefined ? (
                  <i>not run yet</i>
                ) : (
                  show(answer.main_m3_s, 'water-flow')
                ),
              'result',
            )}
          {row(
            'Starts and stops below',
            (one) =>
              one.figures && answer.load_W > 0 && one.figures.leastOutput_W > 0 ? (
                <>{show(one.figures.leastOutput_W / answer.load_W, 'ratio', 0)} of the heat</>
              ) : (
                <i>{answer.load_W > 0 ? 'not known' : 'no heating'}</i>
              ),
            'result',
          )}
          {head('From the plates')}
          {options.some((option) => option.kind === 'cascade') &&
            row('How many', ({ option }, i) =>
              option.kind === 'cascade' ? (
                <InlineCount
                  label={`How many of ${option.name}`}
                  value={option.units}
                  onCommit={(units) =>
                    edit([
                      {
                        path: ['heat', 'options', i, 'units'],
                        value: Math.min(8, Math.max(1, units)),
                      },
                    ])
                  }
                />
              ) : (
                '1'
              ),
            )}
          {figures
            .filter((figure) => options.some(figure.on))
            .map((figure) =>
              row(figure.label, ({ option }, i) =>
                figure.on(option) ? (
                  <QuantityCell
                    label={`${figure.label} of ${option.name}`}
                    place={`heat.options.${i}.${figure.key}`}
                    measure={figure.measure}
                    value={option[figure.key]}
                    why={figure.why}
                    onUse={(entry) =>
                      edit([{ path: ['heat', 'options', i, figure.key], value: knownOf(entry) }])
                    }
                    onClear={() =>
                      edit([{ path: ['heat', 'options', i, figure.key], value: null }])
                    }
                  />
                ) : (
                  <i>none</i>
                ),
              ),
            )}
          {row('Space', ({ option }, i) => (
            <InlineText
              lines
              label={`Space of ${option.name}`}
              value={option.space}
              maxLength={200}
              onCommit={(space) => edit([{ path: ['heat', 'options', i, 'space'], value: space }])}
            />
          ))}
          {row('Out of the table', ({ option }) => (
            <Button
              look="text"
              aria-label={`Remove ${option.name}`}
              onPress={() =>
                edit([
                  {
                    path: ['heat', 'options'],
                    value: options.filter((one) => one.id !== option.id),
                  },
                  ...(option.id === chosenId ? [{ path: ['heat', 'chosen'], value: null }] : []),
                ])
              }
            >
              Remove
            </Button>
          ))}
        </tbody>
      </table>
    </Scroll>
  )
}

/**
 * The choice and its reason; what was chosen can go to the rating plates without being typed again.
 */
function Choosing({ answer }: { readonly answer: HeatAnswer }) {
  const { draft } = useDesign()
  const { edit, record } = useJobActions()
  const { heat, appliances } = draft.document
  const [picked, setPicked] = useState<string>()
  const [says, setSays] = useState<string>()
  const optionId = picked ?? heat.chosen?.optionId
  const take = (because: string) => {
    const option = heat.options.find((one) => one.id === optionId)
    if (!option) return setSays('Choose one of them first.')
    if (because.trim().length < 3)
      return setSays('Say why, in a few words: it is read again in eight years.')
    setSays(undefined)
    if (
      !record({
        kind: 'chosen-option',
        optionId: option.id,
        name: option.name.slice(0, 200),
        because: because.trim().slice(0, 400),
      })
    )
      return
    edit([
      {
        path: ['heat', 'chosen'],
        value: { optionId: option.id, because: because.trim().slice(0, 400) },
      },
    ])
    setPicked(undefined)
  }
  if (heat.options.length === 0) return null
  const fitted = answer.chosen && applianceFromOption(answer.chosen.option, appliances)
  return (
    <Chosen data-place="heat.chosen" id={rowId('heat.chosen')}>
      <Choice
        labelled
        label="Chosen"
        value={optionId ?? null}
        options={heat.options.map((option) => ({ id: option.id, text: option.name }))}
        onChoose={setPicked}
      />
      <InlineText
        key={optionId}
        lines
        labelled
        label="Because"
        value={picked && picked !== heat.chosen?.optionId ? '' : (heat.chosen?.because ?? '')}
        maxLength={400}
        onCommit={take}
      />
      {says && <p role="alert">{says}</p>}
      {picked && picked !== heat.chosen?.optionId && <p>Not chosen yet: it takes a reason.</p>}
      {fitted && fitted.length > 0 && (
        <Button
          onPress={() =>
            edit(
              fitted.map((appliance, i) => ({
                path: ['appliances', appliances.length + i],
                value: { ...appliance, id: newId() },
              })),
            )
          }
        >
          Put it on the rating plates
        </Button>
      )}
    </Chosen>
  )
}

const Scroll = styled.div`
  overflow-x: auto;
  margin: 8px 0;
  outline-offset: -3px;
  table {
    border-collapse: collapse;
    min-width: 100%;
    font-size: var(--small);
    line-height: 19px;
  }
  th,
  td {
    text-align: left;
    vertical-align: middle;
    padding: 5px 10px;
    border-bottom: 0.8px solid var(--hair);
  }
  thead th {
    vertical-align: bottom;
    border-bottom: 1.5px solid var(--ink);
    min-width: 200px;
    max-width: 260px;
    small {
      font: 400 var(--note)/18px var(--text);
      color: var(--ink-3);
      display: block;
      padding-left: 4px;
    }
    textarea {
      font: 650 var(--lead)/20px var(--head);
      border-bottom: 0;
    }
  }
  thead td {
    border-bottom: 1.5px solid var(--ink);
  }
  tbody th {
    font-weight: 400;
    color: var(--ink-2);
    position: sticky;
    left: 0;
    background: var(--paper);
    width: 190px;
    min-width: 150px;
  }
  tr[data-kind='strong'] td {
    font-size: var(--plain);
  }
  tr[data-kind='head'] th {
    font: 650 var(--small)/20px var(--head);
    color: var(--ink);
    padding-top: 14px;
    border-bottom: 1.5px solid var(--ink);
  }
  tr[data-kind='result'] td,
  tr[data-kind='strong'] td {
    padding-left: 14px;
  }
  td b {
    font-weight: 650;
  }
  td i {
    font-style: normal;
    color: var(--pencil);
    font-size: var(--note);
  }
  small {
    font-size: var(--note);
    color: var(--ink-3);
  }
  [data-chosen] {
    background: var(--select);
  }
  li {
    display: flex;
    gap: 6px;
    font-size: var(--note);
    line-height: 17px;
    padding: 2px 0;
    svg {
      flex: none;
      margin-top: 1px;
    }
  }
  td ul {
    max-width: 230px;
  }
  ${phone} {
    tbody th {
      min-width: 104px;
      width: 104px;
      font-size: var(--note);
      line-height: 17px;
      padding-left: 0;
    }
    thead th {
      min-width: 168px;
    }
    th,
    td {
      padding: 5px 6px;
    }
  }
`
const Add = styled.div`
  max-width: 320px;
  margin: 10px 0;
`
const Chosen = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.6fr);
  gap: 12px 24px;
  padding: 12px 0 16px;
  align-items: end;
  p {
    grid-column: 1 / -1;
    font-size: var(--small);
    color: var(--look);
  }
  button {
    justify-self: start;
  }
  ${phone} {
    grid-template-columns: 1fr;
  }
`
