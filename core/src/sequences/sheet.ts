import type { Missing } from '../answer/sheet'
import type { RecordedSpec, RecordedStep } from '../sheets/sheetSpec'

/** The order of work, step by step. */
export const stepsSpec: RecordedSpec<'steps', Record<never, never>> = {
  id: 'steps',
  name: 'Fill, vent, start',
  stage: 'commission',
  wordings: {},
  judge: (_document, _practice, { steps }) => {
    const done = steps.filter((step) => step.done).length
    return {
      sheet:
        steps.length === 0
          ? { applies: false, because: 'No appliance on this job is filled and started.' }
          : {
              applies: true,
              answer: done,
              missing: stepsMissing(steps),
              findings: [],
              workings: () => [],
            },
      after: 'vessel',
      restsOn: `/${done}`,
    }
  },
}

const stepsMissing = (steps: readonly RecordedStep[]): readonly Missing[] => [
  ...steps
    .filter((step) => !step.done)
    .map(({ id, number, short }) => ({ place: id, what: `Step ${number}: ${short}` })),
  ...steps
    .filter((step) => step.outside)
    .map(({ id, number }) => ({
      place: id,
      what: `Step ${number}: the reading is outside its limit`,
    })),
]
