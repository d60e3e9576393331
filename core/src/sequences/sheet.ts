import type { Missing } from '../answer/sheet'
import type { RecordedSequence, RecordedSpec } from '../sheets/sheetSpec'

/** The work on the plant, step by step, in as many sequences as it has. */
export const stepsSpec: RecordedSpec<'steps', Record<never, never>> = {
  id: 'steps',
  name: 'Steps on site',
  stage: 'commission',
  wordings: {},
  judge: (document, _practice, { sequences }) => {
    const done = sequences.reduce((sum, one) => sum + one.done, 0)
    return {
      sheet:
        sequences.length === 0
          ? { applies: false, because: nothing(document.work.kinds) }
          : {
              applies: true,
              answer: done,
              missing: sequencesMissing(sequences),
              findings: [],
              workings: () => [],
            },
      after: 'vessel',
      restsOn: `/${done}`,
    }
  },
}

const nothing = (kinds: readonly string[]): string =>
  kinds.includes('burner-part-exchanged')
    ? 'Put the appliance on Rating plates: its steps follow from it.'
    : 'No appliance on this job is filled and started.'

function sequencesMissing(all: readonly RecordedSequence[]): readonly Missing[] {
  if (all.every(({ waits }) => waits))
    return [
      {
        place: all[0]?.id ?? '',
        what: `Begin what is done here: ${all.map(({ name }) => name).join(', or ')}`,
      },
    ]
  return all.filter(({ waits }) => !waits).flatMap(openIn)
}

const openIn = ({ id, name, done, of, next, outside }: RecordedSequence): readonly Missing[] => [
  ...(next
    ? [
        {
          place: id,
          what: `${name}: ${done} of ${of} done, next ${next.short.toLowerCase()}`,
        },
      ]
    : []),
  ...outside.map(({ number, short }) => ({
    place: id,
    what: `${name}, step ${number} (${short.toLowerCase()}): the reading is outside its limit`,
  })),
]
