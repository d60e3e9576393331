import { answerOf } from '../answer/sheet'
import type { Piece } from '../answer/sentence'
import { textOf } from '../answer/sentence'
import type { JobDocument } from '../job/document'
import { applyEdits } from '../job/edits'
import { juniperRidge, kestrelWeir, saltbushFerry } from '../../../demo/src/documents'
import { house } from '../solve/house.testing'
import type { SolvedSheetId } from '../solve/sheets'
import { solvedSpec, solvedSpecs } from '../solve/sheets'
import { solve } from '../solve/solve'
import { showIn } from '../units/format'

const headed = solvedSpecs.filter((spec) => spec.says).map(({ id }) => id)

// Figures keep to their units with a space that does not break.
const text = (pieces: readonly Piece[]) => textOf(pieces).replace(/[\u00a0\u202f]/g, ' ')

const read = (job: JobDocument, id: SolvedSheetId) => {
  const solution = solve(job)
  const sheet = solution[id]
  const findings = sheet.applies ? sheet.findings : []
  const said = solvedSpec(id).says?.(answerOf<unknown>(sheet), {
    missing: sheet.applies ? sheet.missing : [],
    practice: solution.practice,
    show: showIn(solution.practice.units),
    fixes: findings.filter((one) => one.severity === 'fix').length,
    wrong: findings.filter((one) => one.severity !== 'note').length,
  })
  return (
    said && {
      head: text(said.head),
      beside: text(said.beside),
      parts: [...said.head, ...said.beside],
    }
  )
}

test.each([
  [
    kestrelWeir(),
    'vessel',
    /^\d+ L vessel, charged to [\d.]+ bar before filling, filled to [\d.]+ bar cold\.$/,
  ],
  [juniperRidge(), 'vessel', /psi before filling, filled to [\d.]+ psi cold\.$/],
  [kestrelWeir(), 'gas', /^\d+ mm to the system boiler; [\d.]+ mbar of the [\d.]+ mbar allowed\.$/],
  [kestrelWeir(), 'water', /^[\d.]+ bar left at .*, (hot|cold); [\d.]+ bar wanted\.$/],
  [kestrelWeir(), 'circuit', /^[\d.]+ L\/min against [\d.]+ bar: Generic pump [A-D] does\.$/],
  [kestrelWeir(), 'heat', /^45 kW with 300.* keeps up [\d.]+ L\/min; two showers run .*\.$/],
  [kestrelWeir(), 'relief', /^3 relief valves/],
  [
    saltbushFerry(),
    'safety',
    /charged to [\d.]+ kPa\.$|^No .* for the hot water; [\d.]+ kPa at the heater\.$/,
  ],
] as const)('%# is headed as an installer would say it', (job, id, head) => {
  expect(read(job, id)?.head).toMatch(head)
})

test('nothing hollow stands in any head, and every figure that opens a working has one', () => {
  for (const job of [
    kestrelWeir(),
    juniperRidge(),
    saltbushFerry(),
    house(),
    house('north-america'),
  ])
    for (const id of headed) {
      const sheet = solve(job)[id]
      if (!sheet.applies) continue
      const said = read(job, id)
      expect(`${said?.head} ${said?.beside}`).not.toMatch(/undefined|NaN|\[object|\s\s|\s\./)
      const workings = sheet.workings()
      for (const part of said?.parts ?? [])
        if (typeof part !== 'string' && part.of !== undefined && sheet.answer)
          expect([
            id,
            part.of,
            workings.some((one) => one.title === part.of || one.result === part.of),
          ]).toEqual([id, part.of, true])
    }
})

test('a sheet that waits says for how many answers, and for which', () => {
  const waiting = applyEdits(house(), [
    { path: ['survey', 'fillTemp_K'], value: null },
    { path: ['survey', 'maxFlowTemp_K'], value: null },
  ])
  expect(read(waiting, 'vessel')?.head).toBe('The vessel waits for 2 answers.')
  expect(read(waiting, 'vessel')?.beside).toMatch(/; /)
  const one = applyEdits(house(), [{ path: ['survey', 'fillTemp_K'], value: null }])
  expect(read(one, 'vessel')?.head).toBe('The vessel waits for one answer.')
})

test('what is to fix is counted in words', () => {
  const open = applyEdits(house(), [{ path: ['gas', 'bonded'], value: 'no' }])
  expect(read(open, 'gas')?.beside).toMatch(/One thing is to fix before handover\.$/)
})
