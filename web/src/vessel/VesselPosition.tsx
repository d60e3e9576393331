import type { Heating, VesselAnswer } from '@hestian/core'
import { ChoiceRow, yesNo } from '../ui/ChoiceRow'
import { Ledger } from '../ui/QuantityRow'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Choice } from '../ui/Choice'
import { NotesHere } from '../ui/SheetPage'
import { Cell, Row, RowHead, Table } from '../ui/Table'

type Position = Heating['position']
type Question = {
  readonly [K in keyof Position]: {
    readonly key: K
    readonly label: string
    readonly options: readonly { readonly id: NonNullable<Position[K]>; readonly text: string }[]
  }
}[keyof Position]

export const betweenOptions = [
  { id: 'nothing', text: 'nothing that shuts' },
  { id: 'lockable', text: 'a valve that locks open' },
  { id: 'plain-valve', text: 'a plain valve' },
  { id: 'zone-valve', text: 'a zone valve' },
] as const

const questions = (pump: string): readonly Question[] => [
  {
    key: 'side',
    label: `Side of the ${pump}`,
    options: [
      { id: 'suction', text: `before the ${pump}, suction side` },
      { id: 'delivery', text: `after the ${pump}, delivery side` },
    ],
  },
  {
    key: 'between',
    label: 'Between it and the boiler',
    options: betweenOptions,
  },
  {
    key: 'from',
    label: 'Connected',
    options: [
      { id: 'below', text: 'from below' },
      { id: 'above', text: 'from above' },
    ],
  },
  {
    key: 'carriedBy',
    label: 'Carried by',
    options: [
      { id: 'bracket', text: 'a bracket' },
      { id: 'floor', text: 'the floor' },
      { id: 'pipe', text: 'its pipe' },
    ],
  },
]

/**
 * How and where the vessel is connected: where the pressure does not change, what could shut it
 * off, what carries it full.
 */
export function VesselPosition({ answer }: { readonly answer: VesselAnswer | undefined }) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { heating } = draft.document
  if (!heating) return null
  const { words, units } = solution.practice
  const sold =
    answer && units['small-volume'] === 'usGal'
      ? ` (${show(answer.fitted_m3, 'small-volume')})`
      : ''
  return (
    <section data-place="heating.position">
      <SectionHead>
        How it is connected
        <small>
          {answer && answer.fitted_m3 > 0
            ? `full of water it weighs about ${Math.round(answer.fitted_m3 * 1000)} kg more${sold}`
            : ''}
        </small>
      </SectionHead>
      <NotesHere place="heating.position" />
      <Table
        label="How the vessel is connected"
        columns="minmax(0, 1fr) minmax(0, 1fr)"
        heads={['', '']}
      >
        {(answer?.fitted_m3 === 0 ? [] : questions(words.pump)).map(({ key, label, options }) => (
          <Row key={key} place={`heating.position.${key}`}>
            <RowHead head="">{label}</RowHead>
            <Cell head="">
              <Choice<string>
                label={label}
                value={heating.position[key]}
                options={options}
                onChoose={(id) => edit([{ path: ['heating', 'position', key], value: id }])}
              />
            </Cell>
          </Row>
        ))}
      </Table>
      <Ledger>
        <ChoiceRow
          label="The circuit is"
          place="heating.system"
          why="A circuit that is open to the air is not designed here."
          value={heating.system}
          options={[
            { id: 'sealed', text: 'sealed' },
            { id: 'open-vented', text: 'open, with a feed and expansion tank' },
          ]}
          onChoose={(id) => edit([{ path: ['heating', 'system'], value: id }])}
        />
        <ChoiceRow
          label={`Between the ${words.pump} and the ${words.vessel} the water passes the boiler`}
          place="heating.boilerAfterPump"
          why={`It then sees the head of the ${words.pump} on top of the pressure.`}
          value={heating.boilerAfterPump}
          options={yesNo}
          onChoose={(id) => edit([{ path: ['heating', 'boilerAfterPump'], value: id }])}
        />
      </Ledger>
    </section>
  )
}
