import type { HeatAnswer, JobDocument, Lasting, OptionAnswer, Practice, Show } from '@hestian/core'
import { clock } from '@hestian/core'
import type { ReactNode } from 'react'
import { useDesign, useWords } from '../job/JobContext'
import { Mark } from '../ui/icons'

/** What a row of the table is made from. */
export interface Compared {
  readonly document: JobDocument
  readonly practice: Practice
  readonly answer: HeatAnswer
  readonly show: Show
}

export interface ResultRow {
  readonly label: string | ((of: Compared) => string)
  readonly kind: 'result' | 'strong'
  /** A row of hot water stands only where there is some. */
  readonly applies: (of: Compared) => boolean
  readonly cell: (one: OptionAnswer, of: Compared, index: number) => ReactNode
}

type Comparison = NonNullable<OptionAnswer['comparison']>
type Figures = NonNullable<OptionAnswer['figures']>

const always = () => true
const hotWater = ({ document }: Compared) => document.hotWater !== null

/** A cell that stands once the option can be compared. */
const compared =
  (then: (comparison: Comparison, of: Compared, figures: Figures) => ReactNode) =>
  ({ comparison, figures }: OptionAnswer, of: Compared) =>
    comparison && figures ? then(comparison, of, figures) : <i>waits</i>

function lasts(lasting: Lasting, { store_m3 }: Figures): ReactNode {
  if (lasting === 'as-long-as-wanted') return <b>as long as wanted</b>
  if (store_m3 === 0) return 'it does not keep up'
  return (
    <>
      <b>{clock(lasting.least_s)}</b> to {clock(lasting.most_s)}
    </>
  )
}

function SpeaksAgainst({ one, index }: { readonly one: OptionAnswer; readonly index: number }) {
  const found = useDesign().inWords.options[index] ?? []
  const words = useWords()
  if (found.length > 0)
    return (
      <ul>
        {found.map((finding) => (
          <li key={finding.id}>
            <Mark kind={finding.severity} size={15} /> {words(finding).head}
          </li>
        ))}
      </ul>
    )
  return one.figures ? 'nothing found' : <i>waits for {one.missing.join(', ')}</i>
}

function reheatByHand({ reheat_s, limitedBy }: Comparison): ReactNode {
  if (reheat_s === undefined) return <i>no store</i>
  return (
    <>
      <b>{clock(reheat_s)}</b> <small>the {limitedBy} limits</small>
    </>
  )
}

function reheatSimulated({ simulatedReheat, reheat_s }: Comparison, { show }: Compared): ReactNode {
  if (!simulatedReheat) return <i>{reheat_s === undefined ? 'no store' : 'not in a day'}</i>
  return (
    <>
      <b>{clock(simulatedReheat.took_s)}</b>{' '}
      <small>top {show(simulatedReheat.top_K, 'temperature')}</small>
    </>
  )
}

function cycling({ figures }: OptionAnswer, { answer: { load_W }, show }: Compared): ReactNode {
  if (load_W === 0) return <i>no heating</i>
  if (!figures || figures.leastOutput_W === 0) return <i>not known</i>
  return <>{show(figures.leastOutput_W / load_W, 'ratio', 0)} of the heat</>
}

/** What follows from the plates on the coldest water, row by row. */
export const resultRows: readonly ResultRow[] = [
  {
    label: 'Mixed flow it keeps up',
    kind: 'strong',
    applies: hotWater,
    cell: compared((c, { show }) => <b>{show(c.mixed_m3_s, 'water-flow')}</b>),
  },
  {
    label: 'The same in summer',
    kind: 'result',
    applies: (of) => hotWater(of) && of.answer.conditions?.warmTemp_K !== undefined,
    cell: compared((c, { show }) =>
      c.mixedSummer_m3_s === undefined ? '' : show(c.mixedSummer_m3_s, 'water-flow'),
    ),
  },
  {
    label: ({ answer, show }) => `Hot, at ${show(answer.storeTemp_K, 'temperature')}`,
    kind: 'result',
    applies: hotWater,
    cell: compared((c, { show }) => show(c.hot_m3_s, 'water-flow')),
  },
  {
    label: 'What is wanted at once lasts',
    kind: 'result',
    applies: hotWater,
    cell: compared((c, { answer }, figures) =>
      answer.wanted_m3_s === 0 ? <i>no outlets yet</i> : lasts(c.draw, figures),
    ),
  },
  {
    label: 'Two showers last',
    kind: 'strong',
    applies: hotWater,
    cell: compared((c, _of, figures) => lasts(c.twoShowers, figures)),
  },
  {
    label: 'Speaks against it',
    kind: 'result',
    applies: always,
    cell: (one, _, index) => <SpeaksAgainst one={one} index={index} />,
  },
  {
    label: 'Reheat from cold, by hand',
    kind: 'result',
    applies: hotWater,
    cell: compared(reheatByHand),
  },
  {
    label: 'Reheat, simulated',
    kind: 'result',
    applies: hotWater,
    cell: compared(reheatSimulated),
  },
  {
    label: 'Standing loss a day',
    kind: 'result',
    applies: hotWater,
    cell: compared((c) =>
      c.standing_J_day === 0 ? <i>none</i> : `${(c.standing_J_day / 3.6e6).toFixed(1)} kWh`,
    ),
  },
  {
    label: 'Gas, everything burning',
    kind: 'result',
    applies: always,
    cell: (one, { show }) => (one.figures ? show(one.gas_m3_s, 'gas-flow') : <i>waits</i>),
  },
  {
    label: 'Gas pipe to it',
    kind: 'result',
    applies: always,
    cell: (one, { document }) =>
      one.gasPipe ?? <i>{document.survey.gasDistance_m ? 'waits' : 'distance not taped'}</i>,
  },
  {
    label: 'Cold pipe to it',
    kind: 'result',
    applies: hotWater,
    cell: (one) => one.coldPipe ?? <i>waits</i>,
  },
  {
    label: 'The main delivers',
    kind: 'result',
    applies: hotWater,
    cell: (_one, { answer, show }) =>
      answer.main_m3_s === undefined ? <i>not run yet</i> : show(answer.main_m3_s, 'water-flow'),
  },
  { label: 'Starts and stops below', kind: 'result', applies: always, cell: cycling },
]
