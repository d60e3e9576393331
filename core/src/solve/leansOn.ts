import type { JobDocument } from '../job/document'
import { applyEdits } from '../job/edits'
import { plateFields, surveyFields } from '../job/fields'
import type { Known } from '../job/known'
import type { Measure } from '../units/measure'
import { rangeOf } from '../job/guess'
import { ranges } from '../units/measure'
import type { Solution } from './solve'
import { solve } from './solve'
import type { Sheet } from '../answer/sheet'
import type { SolvedSheetId } from './sheets'
import { solvedSpecs } from './sheets'

/**
 * An assumed value that an answer rests on, and how far it may move before the answer changes. SI.
 */
export interface Leaning {
  readonly path: readonly (string | number)[]
  readonly name: string
  readonly measure: Measure
  readonly value: number
  /** The range the assumption carries. */
  readonly between: readonly [number, number]
  /** The answer stays as it is from here … */
  readonly from: number
  /** … to here. The ends of what was searched where it never changes. */
  readonly to: number
  /** Whether it stays the same over the whole range of the assumption. */
  readonly holds: boolean
}

/** A sheet whose answer leans on assumed values: one that says what is bought. */
export type LeaningSheet = SolvedSheetId

interface Place {
  readonly path: readonly (string | number)[]
  readonly name: string
  readonly measure: Measure
  readonly known: NonNullable<Known>
}

/** Every assumed value of a document with its name and measure. */
export function assumedValues(document: JobDocument): readonly Place[] {
  const { survey, appliances, heating, gas, water, heat, hotWater } = document
  const place = (
    path: readonly (string | number)[],
    name: string,
    measure: Measure,
    known: Known,
  ): Place[] => (known?.basis === 'assumed' ? [{ path, name, measure, known }] : [])
  return [
    ...surveyFields.flatMap((field) =>
      place(['survey', field.key], field.label, field.measure, survey[field.key]),
    ),
    ...appliances.flatMap((appliance, i) =>
      plateFields
        .filter((field) => field.kinds.includes(appliance.kind))
        .flatMap((field) =>
          place(
            ['appliances', i, field.key],
            `${field.label} of ${appliance.name}`,
            field.measure,
            appliance[field.key],
          ),
        ),
    ),
    ...(heating
      ? [
          ...heating.emitters.flatMap((emitter, i) =>
            place(
              ['heating', 'emitters', i, 'waterEach_m3'],
              `Water in each of ${emitter.name}`,
              'small-volume',
              emitter.waterEach_m3,
            ),
          ),
          ...heating.pipes.flatMap((pipe, i) =>
            place(
              ['heating', 'pipes', i, 'length_m'],
              `Length of ${pipe.name}`,
              'length',
              pipe.length_m,
            ),
          ),
          ...heating.zones.flatMap((zone, i) =>
            place(['heating', 'zones', i, 'load_W'], `Heat of ${zone.name}`, 'power', zone.load_W),
          ),
          ...heating.emitters.flatMap((emitter, i) =>
            place(
              ['heating', 'emitters', i, 'loadEach_W'],
              `Heat of each of ${emitter.name}`,
              'power',
              emitter.loadEach_W,
            ),
          ),
          ...heating.pipes.flatMap((pipe, i) =>
            place(
              ['heating', 'pipes', i, 'run_m'],
              `Longest way through ${pipe.name}`,
              'length',
              pipe.run_m,
            ),
          ),
          ...heating.parts.flatMap((part, i) => [
            ...place(
              ['heating', 'parts', i, 'drop_Pa'],
              `Loss of ${part.name}`,
              'water-pressure',
              part.drop_Pa,
            ),
            ...place(
              ['heating', 'parts', i, 'water_m3'],
              `Water in ${part.name}`,
              'small-volume',
              part.water_m3,
            ),
          ]),
          ...place(
            ['heating', 'reliefSetGauge_Pa'],
            'Relief setting',
            'water-pressure',
            heating.reliefSetGauge_Pa,
          ),
        ]
      : []),
    ...gas.segments.flatMap((segment, i) =>
      place(
        ['gas', 'segments', i, 'length_m'],
        `Length of ${segment.name}`,
        'length',
        segment.length_m,
      ),
    ),
    ...water.segments.flatMap((segment, i) => [
      ...place(
        ['water', 'segments', i, 'length_m'],
        `Length of ${segment.name}`,
        'length',
        segment.length_m,
      ),
      ...place(
        ['water', 'segments', i, 'rise_m'],
        `Rise of ${segment.name}`,
        'elevation',
        segment.rise_m,
      ),
    ]),
    ...heat.zones.flatMap((zone, i) =>
      zone.heat.by === 'typed'
        ? place(
            ['heat', 'zones', i, 'heat', 'load_W'],
            `Heat of ${zone.name}`,
            'power',
            zone.heat.load_W,
          )
        : place(
            ['heat', 'zones', i, 'heat', 'area_m2'],
            `Area of ${zone.name}`,
            'area',
            zone.heat.area_m2,
          ),
    ),
    ...(hotWater
      ? hotWater.outlets.flatMap((outlet, i) =>
          place(
            ['hotWater', 'outlets', i, 'flow_m3_s'],
            `Flow at ${outlet.name}`,
            'water-flow',
            outlet.flow_m3_s,
          ),
        )
      : []),
    ...heat.options.flatMap((option, i) =>
      (
        [
          ['hotWater_W', 'Hot water output', 'power'],
          ['store_m3', 'Store', 'small-volume'],
          ['coil_W', 'Coil rating', 'power'],
          ['heating_W', 'Heating output', 'power'],
          ['input_W', 'Input', 'power'],
        ] as const
      ).flatMap(([key, label, measure]) =>
        place(['heat', 'options', i, key], `${label} of ${option.name}`, measure, option[key]),
      ),
    ),
  ]
}

/** What an answer is, short enough to compare: whether it stands, and what is bought. */
function answerKey(solution: Solution, id: SolvedSheetId): string {
  const sheet: Sheet<unknown> = solution[id]
  if (!sheet.applies || sheet.answer === undefined) return 'none'
  const stands = sheet.findings.some((finding) => finding.severity === 'stop') ? 'stop' : 'go'
  return `${stands} ${solvedSpecs.find((spec) => spec.id === id)?.key?.(sheet) ?? ''}`
}

/** Halvings of the search: to a thousandth of the way. */
const halvings = 11

/**
 * The assumed values a sheet's answer rests on, each with the span in which the answer stays the
 * same: every one is moved alone, out to three times its own range. Those that change nothing there
 * are left out. Solves the job some tens of times for each: not for every keystroke. `progress`
 * hears how far it is, 0 to 1.
 */
export function leansOn(
  document: JobDocument,
  sheet: LeaningSheet,
  progress?: (share: number) => void,
): readonly Leaning[] {
  const now = answerKey(solve(document), sheet)
  if (now === 'none') return []
  const assumed = assumedValues(document)
  return assumed.flatMap(({ path, name, measure, known }, i): Leaning[] => {
    progress?.(i / assumed.length)
    const between = rangeOf(known, measure)
    const { hard } = ranges[measure]
    const same = (value: number) =>
      answerKey(solve(applyEdits(document, [{ path: [...path, 'value'], value }])), sheet) === now
    const edge = (far: number): number => {
      const end = Math.min(hard[1], Math.max(hard[0], far))
      if (same(end)) return end
      let [good, bad] = [known.value, end]
      for (let i = 0; i < halvings; i++) {
        const middle = (good + bad) / 2
        if (same(middle)) good = middle
        else bad = middle
      }
      return good
    }
    const [least, most] = [
      known.value - 3 * Math.max(known.value - between[0], 0),
      known.value + 3 * Math.max(between[1] - known.value, 0),
    ]
    const [from, to] = [edge(least), edge(most)]
    const free = from <= Math.max(hard[0], least) + 1e-12 && to >= Math.min(hard[1], most) - 1e-12
    return free
      ? []
      : [
          {
            path,
            name,
            measure,
            value: known.value,
            between,
            from,
            to,
            holds: from <= between[0] * (1 + 1e-9) + 1e-12 && to >= between[1] * (1 - 1e-9) - 1e-12,
          },
        ]
  })
}
