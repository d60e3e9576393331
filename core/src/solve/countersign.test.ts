import { demoJobs } from '../../../demo/src/index'
import type { JobFile } from '../contract/api'
import type { Person } from '../practice/tickets'
import { lead, Site } from './onSite.testing'
import type { Signing } from './signing'
import { countersignStep, signStep, skipStep, undoStep } from './signing'

const young: Person = { id: 'young', name: 'Young Person', role: 'apprentice', tickets: [] }
const boss: Person = { ...lead, role: 'lead', name: 'Lead Person' }

/** A job at its first step that asks for no ticket and no reading. */
function site(): { readonly at: Site; readonly stepId: string } {
  const at = new Site((demoJobs()['kestrel-weir'] as JobFile).document)
  for (let next = at.now(); next; next = at.now()) {
    if (!next.step.ticket && !next.step.reading && next.progress.state === 'now') {
      for (const { guard, holds } of next.progress.guards) if (!holds) at.hold(next.step, guard)
      return { at, stepId: next.step.id }
    }
    at.do(next)
  }
  throw new Error('no step without a ticket')
}
const takeAs = (at: Site, person: Person, signing: Signing) => {
  if (!signing.ok) throw new Error(signing.says)
  for (const body of signing.bodies) at.add(body, { by: person.id })
}
const nextInSequence = (at: Site, stepId: string) => {
  const { steps } = at
    .judge()
    .work.sequences.find(({ steps: all }) => all.some(({ step }) => step.id === stepId)) ?? {
    steps: [],
  }
  return steps[steps.findIndex(({ step }) => step.id === stepId) + 1]
}

test('an apprentice’s step waits: it is not done, and nothing after it is reached', () => {
  const { at, stepId } = site()
  const before = at.judge().work.sequences.reduce((sum, one) => sum + one.done, 0)
  takeAs(at, young, signStep(at.judge(), stepId, young))
  expect(at.step(stepId).progress).toMatchObject({ state: 'done', by: 'young', awaits: true })
  expect(at.judge().work.sequences.reduce((sum, one) => sum + one.done, 0)).toBe(before)
  const next = nextInSequence(at, stepId)
  expect(next?.progress.state).toBe('after')
  expect(signStep(at.judge(), next?.step.id ?? '', boss)).toMatchObject({ code: 'not-yet' })
  const waiting = at.judge().sheets.steps.missing.map(({ what }) => what)
  expect(waiting.join(' ')).toMatch(/an apprentice signed it, and it waits for a countersign/)
})
test('countersigned by a lead it is done, once, and what comes after is reached', () => {
  const { at, stepId } = site()
  takeAs(at, young, signStep(at.judge(), stepId, young))
  takeAs(at, boss, countersignStep(at.judge(), stepId, boss))
  expect(at.step(stepId).progress).toMatchObject({ by: 'young', countersigned: { by: 'lead' } })
  expect(at.step(stepId).progress).not.toHaveProperty('awaits')
  expect(nextInSequence(at, stepId)?.progress.state).toBe('now')
  expect(countersignStep(at.judge(), stepId, boss)).toEqual({ ok: true, bodies: [] })
})
test('nobody stands up for themselves, nor an apprentice for another, nor for what is not signed', () => {
  const { at, stepId } = site()
  expect(countersignStep(at.judge(), stepId, boss)).toMatchObject({ code: 'no-such-step' })
  takeAs(at, young, signStep(at.judge(), stepId, young))
  for (const person of [
    young,
    { ...young, id: 'other' },
    { ...boss, id: 'young' },
    { ...boss, role: 'office' },
  ])
    expect(countersignStep(at.judge(), stepId, person)).toMatchObject({ code: 'may-not' })
})
test('taken back and signed again it waits again: the countersign was for the other record', () => {
  const { at, stepId } = site()
  takeAs(at, young, signStep(at.judge(), stepId, young))
  takeAs(at, boss, countersignStep(at.judge(), stepId, boss))
  const undone = undoStep(at.judge(), stepId, boss, 'done too early')
  if (!undone.ok) throw new Error(undone.says)
  at.add(undone.bodies[0] as never, undone.undoing)
  for (const { guard, holds } of guards(at, stepId))
    if (!holds) at.hold(at.step(stepId).step, guard)
  takeAs(at, young, signStep(at.judge(), stepId, young))
  expect(at.step(stepId).progress).toMatchObject({ awaits: true })
})
test('an offered sequence that an apprentice began is asked for from then on', () => {
  const { document } = demoJobs()['kestrel-weir'] as JobFile
  // Pipework restored leaves it to whoever is there which of its sequences are done.
  const at = new Site({
    ...document,
    work: { ...document.work, kinds: ['pipework-restored'] },
  } as never)
  const offered = at.judge().work.sequences.find(({ waits }) => waits)
  expect(offered).toBeDefined()
  const stepId = offered?.steps[0]?.step.id ?? ''
  takeAs(at, young, skipStep(at.judge(), stepId, { ...young, tickets: lead.tickets }, 'not today'))
  const waiting = at.judge().sheets.steps.missing.map(({ what }) => what)
  expect(waiting.join(' ')).toMatch(/it waits for a countersign/)
})
test('a step an apprentice passes over waits too', () => {
  const { at, stepId } = site()
  takeAs(at, young, skipStep(at.judge(), stepId, young, 'nothing to see here'))
  expect(at.step(stepId).progress).toMatchObject({ state: 'skipped', awaits: true })
})
test('a step that asks for a ticket is no apprentice’s, and a lead without it does not countersign', () => {
  const { at } = site()
  const ticketed = at
    .judge()
    .work.sequences.flatMap(({ steps }) => steps)
    .find(({ step, progress }) => step.ticket && progress.state === 'now')
  if (ticketed)
    expect(signStep(at.judge(), ticketed.step.id, young)).toMatchObject({ code: 'ticket-missing' })
  const done = at
    .judge()
    .work.sequences.flatMap(({ steps }) => steps)
    .find(({ step, progress }) => step.ticket && progress.state === 'done')
  expect(done).toBeDefined()
  expect(
    countersignStep(at.judge(), done?.step.id ?? '', { ...boss, id: 'two', tickets: [] }),
  ).toMatchObject({ code: 'ticket-missing' })
})

const guards = (at: Site, stepId: string) => {
  const { progress } = at.step(stepId)
  return 'guards' in progress ? progress.guards : []
}
