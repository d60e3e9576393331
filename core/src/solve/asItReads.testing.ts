import { juniperRidge, kestrelWeir, saltbushFerry } from '../../../demo/src/documents'
import type { Drawing } from '../answer/drawing'
import { answerOf } from '../answer/sheet'
import { textOf } from '../answer/sentence'
import { drawingSvg } from '../answer/svg'
import { writeOut } from '../answer/working'
import type { JobDocument } from '../job/document'
import { practiceNames } from '../practice/practiceNames'
import { practices } from '../practice/practices'
import { pumpCurveDrawing } from '../sheets/circuit/pumpCurve'
import { gasTree } from '../sheets/gas/gasTree'
import { scaldCurveDrawing } from '../sheets/heat/scaldCurve'
import { mainCurveDrawing } from '../sheets/readings/mainCurve'
import { dischargeElevation } from '../sheets/relief/dischargeElevation'
import { storeLadder } from '../sheets/safety/storeLadder'
import { pressureLadder } from '../sheets/vessel/pressureLadder'
import { asDesigned, pressureView } from '../sheets/vessel/pressureModel'
import { pressureTemperature } from '../sheets/vessel/pressureTemperature'
import { waterTree } from '../sheets/water/waterTree'
import type { Show } from '../units/format'
import { showIn } from '../units/format'
import { change, oneValue, several } from './findingCases.testing'
import { house, twoPounds } from './house.testing'
import { judge } from './judge'
import { sheetNames } from './sheetIds'
import { solvedSpecs } from './sheets'
import type { Solution } from './solve'
import { solve } from './solve'
import { word } from './wording'

/*
 * The design half as it reads: every finding in a job that has it, in the practice's own words, and for a handful of jobs what each sheet
 * answers, works out and draws. It is written out (npm run generate), compared by a test, and read aloud when it changes.
 */

const jobs: readonly (readonly [string, JobDocument])[] = [
  ['Kestrel Weir', kestrelWeir()],
  ['Juniper Ridge', juniperRidge()],
  ['Saltbush Ferry', saltbushFerry()],
  ...practiceNames.map((name) => [`A house in ${practices[name].label}`, house(name)] as const),
  ['Two stages of gas', twoPounds()],
]
const plain = (text: string): string => text.replace(/[\u00a0\u202f]/g, ' ')
const showOf = ({ practice }: Solution): Show => showIn(practice.units)

/** One finding in the job that shows it. */
export function findingsAsTheyRead(): readonly string[] {
  const rows = [
    ...oneValue.map(([id, job, path, shows]) => [id, change(job, { [path]: shows })] as const),
    ...several.map(([id, job, shows]) => [id, change(job, shows)] as const),
  ]
  return rows.map(([id, job]) => {
    const solution = solve(job)
    const finding = solution.findings.find((one) => one.id === id)
    if (!finding) return `- **${id}**: not found`
    const { head, why } = word(finding, solution.practice, showOf(solution))
    return `- **${id}** (${finding.severity}, ${solution.practice.label}): ${plain(head)} *${plain(why)}*`
  })
}

/** Every sheet of a job: its head, what it lacks, what it found, its arithmetic. */
function sheetsAsTheyRead(solution: Solution): readonly string[] {
  const { practice } = solution
  const show = showOf(solution)
  return solvedSpecs.flatMap((spec) => {
    const sheet = solution[spec.id]
    if (!sheet.applies) return [`### ${sheetNames[spec.id]}`, '', plain(sheet.because), '']
    const said = spec.says?.(answerOf<unknown>(sheet), {
      missing: sheet.missing,
      practice,
      show,
      fixes: sheet.findings.filter((one) => one.severity === 'fix').length,
      wrong: sheet.findings.filter((one) => one.severity !== 'note').length,
    })
    return [
      `### ${sheetNames[spec.id]}`,
      '',
      ...(said ? [plain(`${textOf(said.head)} ${textOf(said.beside)}`), ''] : []),
      ...sheet.missing.map(({ what }) => `- missing: ${plain(what)}`),
      ...sheet.findings.map((one) => {
        const { head, why } = word(one, practice, show)
        return `- ${one.severity}: ${plain(head)} *${plain(why)}*`
      }),
      ...sheet.workings().map((working) => {
        const { put, result } = writeOut(working, show)
        return `- ${plain(working.title)}: ${working.formula} = ${plain(put)} = ${plain(result)} (${working.source.says})`
      }),
      '',
    ]
  })
}

/** What can be drawn of a job, at the sizes of the page and of print. */
export function drawingsOf(solution: Solution): readonly (readonly [string, Drawing])[] {
  const { practice, document } = solution
  const { units } = practice
  const show = showOf(solution)
  const gas = answerOf(solution.gas)
  const water = answerOf(solution.water)
  const vessel = answerOf(solution.vessel)
  const circuit = answerOf(solution.circuit)
  const safety = answerOf(solution.safety)
  const relief = answerOf(solution.relief)
  const readings = answerOf(solution.readings)
  const heat = answerOf(solution.heat)
  const size = { width: 366, height: 330 }
  return [
    ...(gas ? [366, 820].map((w) => [`gas ${w}`, gasTree(gas, show, w)] as const) : []),
    ...(water ? [366, 820].map((w) => [`water ${w}`, waterTree(water, show, w)] as const) : []),
    ...(vessel
      ? ([
          ['vessel ladder', pressureLadder(vessel, practice, show, size, 1e5)],
          [
            'vessel curve',
            pressureTemperature(pressureView(vessel, asDesigned), show, units, size),
          ],
        ] as const)
      : []),
    ...(circuit ? [['pump', pumpCurveDrawing(circuit, show, units, size)] as const] : []),
    ...(safety ? [['store ladder', storeLadder(safety, practice, show, size)] as const] : []),
    ...(relief?.valves ?? [])
      .filter(({ valve }) => valve.discharge.pieces.length > 0)
      .map(
        (one) =>
          [
            `discharge of ${one.valve.name}`,
            dischargeElevation(one.valve.discharge, one.discharge?.faults ?? [], show, {
              width: 780,
              height: 260,
            }),
          ] as const,
      ),
    ...(readings?.curve
      ? [
          [
            'main',
            mainCurveDrawing(readings.curve, { points: readings.points }, show, units, size),
          ] as const,
        ]
      : []),
    ...(heat && document.hotWater
      ? [
          [
            'scald',
            scaldCurveDrawing(
              {
                store_K: heat.storeTemp_K,
                safe_K: practice.hotWater.safeOutletTemp_K,
                hygiene_K: 333.15,
              },
              show,
              units,
              size,
            ),
          ] as const,
        ]
      : []),
  ]
}

const bySheet = (solution: Solution): readonly string[] => {
  const { sheets, stages, missing } = judge(solution, { entries: [], samples: {} })
  return [
    ...Object.entries(sheets).map(([id, { state }]) => `- ${id}: ${state}`),
    ...stages.map(({ id, ...rest }) => `- stage ${id}: ${JSON.stringify(rest)}`),
    `- still missing for a signature: ${missing.map(({ what }) => plain(what)).join('; ')}`,
  ]
}

export const asItReads = (): string =>
  [
    '# The design half as it reads',
    '',
    'Generated by scripts/generate.ts; do not edit. Read it aloud when it changes.',
    '',
    '## Every finding, in a job that has it',
    '',
    ...findingsAsTheyRead(),
    '',
    ...jobs.flatMap(([name, document]) => {
      const solution = solve(document)
      return [`## ${name}`, '', ...bySheet(solution), '', ...sheetsAsTheyRead(solution)]
    }),
  ].join('\n')

/** Every drawing as SVG text, by job and name. */
export const drawingsAsTheyStand = (): Readonly<Record<string, string>> =>
  Object.fromEntries(
    jobs.flatMap(([name, document]) =>
      drawingsOf(solve(document)).map(([what, drawing]) => [
        `${name}: ${what}`,
        drawingSvg(drawing),
      ]),
    ),
  )
