import type { Missing } from '../answer/sheet'
import { sources } from '../answer/sources'
import type { RecordedSequence, RecordedSpec } from '../sheets/sheetSpec'
import type { StepFinding } from './wording'
import { stepWordings } from './wording'

/** The work on the plant, step by step, in as many sequences as it has. */
export const stepsSpec: RecordedSpec<'steps', typeof stepWordings> = {
  id: 'steps',
  wordings: stepWordings,
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
              findings: sequences.flatMap(passedOver),
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

const openIn = ({
  id,
  name,
  done,
  of,
  next,
  outside,
  awaiting,
}: RecordedSequence): readonly Missing[] => [
  ...(next
    ? [
        {
          place: id,
          what: `${name}: ${done} of ${of} done, next ${next.short.toLowerCase()}`,
        },
      ]
    : []),
  ...awaiting.map(({ number, short }) => ({
    place: id,
    what: `${name}, step ${number} (${short.toLowerCase()}): an apprentice signed it, and it waits for a countersign`,
  })),
  ...outside.map(({ number, short }) => ({
    place: id,
    what: `${name}, step ${number} (${short.toLowerCase()}): the reading is outside its limit`,
  })),
]

/**
 * What was passed over: to fix where the plant is not known to stand as it left it, else a note.
 */
const passedOver = ({ name, skipped }: RecordedSequence): readonly StepFinding[] =>
  skipped.map(({ id, short, because, leavesUnknown }) => ({
    id: leavesUnknown ? 'step-left-unknown' : 'step-passed-over',
    severity: leavesUnknown ? 'fix' : 'note',
    place: `steps.${id}`,
    names: [`${name}, ${short.toLowerCase()}`, because],
    source: sources.trade,
  }))
