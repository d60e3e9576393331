import { inWords } from '../../job/questions'
import { schoolNames, schools, sideOf } from '../../practice/schools'
import type { School } from '../../practice/schools'
import type { Show } from '../../units/format'
import type { Judgement } from '../judge'
import type { Solution } from '../solve'
import { assumedValues } from '../leansOn'
import { word } from '../wording'

/** Something that is otherwise than usual, wanted or measured, and what was said to it. */
export interface Deviation {
  readonly group:
    'School chosen' | 'Note' | 'Passed over' | 'Outside its limits' | 'Not done' | 'Assumed'
  readonly what: string
  readonly because: string
}

/** All of a job that an heir of it should not take for granted. */
export function deviationsOf(
  solution: Solution,
  judgement: Judgement,
  show: Show,
): readonly Deviation[] {
  const { practice } = solution
  const all = [
    ...chosenSchools(solution),
    ...notes(solution, judgement, show),
    ...ofSteps(judgement, show),
    ...judgement.leaving.flatMap(({ says, answered }): Deviation[] =>
      answered?.body.answer === 'not-done'
        ? [{ group: 'Not done', what: says, because: answered.body.says }]
        : [],
    ),
    ...assumedValues(solution.document).map(({ name, measure, known }): Deviation => ({
      group: 'Assumed',
      what: `${name}: ${show(known.value, measure)}`,
      because: known.from,
    })),
  ]
  return all.map(({ group, what, because }) => ({
    group,
    what: inWords(what, practice.words),
    // What somebody wrote stays as it was written.
    because: group === 'School chosen' ? inWords(because, practice.words) : because,
  }))
}

/** Schools in which this job does not do as the place does. */
const chosenSchools = ({ document }: Solution): readonly Deviation[] =>
  schoolNames.flatMap((name) => {
    const school: School = schools[name]
    const side = sideOf(name, document.practice, document.schools)
    if (side === school.usual[document.practice]) return []
    return [
      {
        group: 'School chosen',
        what: `${school.label}: ${school[side].says}`,
        because: school[side].because,
      },
    ]
  })

const notes = ({ practice }: Solution, { sheets }: Judgement, show: Show): readonly Deviation[] =>
  Object.values(sheets)
    .filter(({ state }) => state !== 'does-not-apply')
    .flatMap(({ findings }) => findings)
    .map((finding) => {
      const { head, why } = word(finding, practice, show)
      return { group: 'Note', what: head, because: why }
    })

const ofSteps = ({ work }: Judgement, show: Show): readonly Deviation[] =>
  work.sequences
    .flatMap(({ steps }) => steps)
    .flatMap(({ step, progress }): Deviation[] => {
      if (progress.state === 'skipped')
        return [{ group: 'Passed over', what: step.short, because: progress.because }]
      if (progress.state !== 'done' || progress.within !== false || !step.reading) return []
      const { cause, action } = progress.body
      const read = progress.si === undefined ? '' : `: ${show(progress.si, step.reading.measure)}`
      return [
        {
          group: 'Outside its limits',
          what: `${step.short}${read}`,
          because: cause === undefined ? 'nothing was said to it' : `${cause}: ${action ?? ''}`,
        },
      ]
    })
