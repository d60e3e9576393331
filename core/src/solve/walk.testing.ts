import type { JudgedHandTest } from '../bench/by-hand/judged'
import { handTests } from '../bench/by-hand/kinds'
import { targetsOf } from '../bench/by-hand/spec'
import type { JobDocument } from '../job/document'
import type { JobRecord, RecordBody } from '../job/records'
import type { Changes, ThingId, ThingKind } from '../sequences/plant'
import { thingKinds } from '../sequences/plant'
import type { Sequences } from '../sequences/sequences'
import { stepIndex } from '../sequences/state'
import type { Judgement } from './judge'
import type { JudgedWork } from './judgeSteps'
import { changesBy, judgeWork } from './judgeSteps'
import type { OffItem } from './offStrip'
import { lead } from './onSite.testing'
import { confirmGuard, putBack, signStep, skipStep, undoStep } from './signing'
import type { Signing, Undoing } from './signing'
import { solve } from './solve'
import { stillOff } from './offStrip'

/**
 * Somebody walks a job in any order that is allowed, on a plant that stands as chance has it and
 * that nobody has looked at. What would hurt is told by plain rules of its own, which know the
 * plant as it is and nothing of guards or of what was recorded.
 */

type Truth = ReadonlyMap<string, string>

/**
 * What must never be brought about, told from the plant as it is. Separate from the hazards of the
 * engine on purpose.
 */
const harm: Readonly<
  Record<string, (has: (thing: string, value: string) => boolean, of: string) => boolean>
> = {
  'dry start': (has, of) => has(`supply.${of}`, 'on') && !has(`water.${of}`, 'vented'),
  'dry fire': (has, of) => has(`flame.${of}`, 'lit') && !has(`water.${of}`, 'vented'),
  'pressure without its relief': (has, of) =>
    has(`pressure.${of}`, 'under') && !has(`relief.${of}`, 'in-place'),
  'full main pressure on a shut boiler': (has, of) =>
    has(`lever.${of}`, 'over') && !has(`outlet.${of}`, 'open'),
  'heated with the link on': (has, of) => has(`heat.${of}`, 'hot') && has(`link.${of}`, 'linked'),
  'open under pressure': (has, of) => has(`part.${of}`, 'out') && has(`pressure.${of}`, 'under'),
  'open and live': (has, of) => has(`part.${of}`, 'out') && has(`supply.${of}`, 'on'),
  'flame on a pipe that is not proved': (has, of) =>
    has(`flame.${of}`, 'lit') && !has(`proof.${of}`, 'proved'),
  'flame on a pipe full of air': (has, of) =>
    has(`flame.${of}`, 'lit') && !has(`purged.${of}`, 'gas'),
  'cut without a bond': (has, of) => has(`joint.${of}`, 'apart') && !has(`bond.${of}`, 'on'),
  'cut with gas on': (has, of) => has(`joint.${of}`, 'apart') && has(`gas.${of}`, 'on'),
  'drawn while it is dosed': (has, of) => has(`heat.${of}`, 'hot') && has(`dosed.${of}`, 'high'),
}
/** Which of them a plant can come to: things that a job has nothing of are never in the way. */
const needs: Readonly<Record<string, readonly ThingKind[]>> = {
  'dry start': ['supply', 'water'],
  'dry fire': ['flame', 'water'],
  'pressure without its relief': ['pressure', 'relief'],
  'full main pressure on a shut boiler': ['lever', 'outlet'],
  'heated with the link on': ['heat', 'link'],
  'open under pressure': ['part', 'pressure'],
  'open and live': ['part', 'supply'],
  'flame on a pipe that is not proved': ['flame', 'proof'],
  'flame on a pipe full of air': ['flame', 'purged'],
  'cut without a bond': ['joint', 'bond'],
  'cut with gas on': ['joint', 'gas'],
  'drawn while it is dosed': ['heat', 'dosed'],
}
/** Handling a wire is a matter of the moment it is handled. */
const wireLive = 'a wire handled live'

/** How things stand when nothing was forgotten. */
const atRest: Readonly<Partial<Record<ThingKind, string>>> = {
  lever: 'automatic',
  link: 'off',
  latch: 'automatic',
  outlet: 'shut',
  joint: 'made',
  bond: 'off',
  part: 'in',
  wire: 'whole',
}

/** Draws numbers from 0 to 1 from a seed: mulberry32. */
export function dice(seed: number): () => number {
  let a = seed >>> 0
  return () => {
    a = (a + 0x6d2b79f5) >>> 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

const kindOf = (thing: string): ThingKind => thing.slice(0, thing.indexOf('.')) as ThingKind
const ofThing = (thing: string): string => thing.slice(thing.indexOf('.') + 1)

/** Every thing that any step of a job touches. */
function thingsOf({ list, hazards }: Sequences): readonly ThingId[] {
  const steps = list.flatMap((one) => one.steps)
  return [
    ...new Set([
      ...steps.flatMap((step) => Object.keys(changesBy(step))),
      ...steps.flatMap(({ guards }) =>
        guards.flatMap((guard) => (guard.kind === 'seen' ? Object.keys(guard.sets ?? {}) : [])),
      ),
      ...hazards.flatMap(({ when }) => when.map(({ thing }) => thing)),
    ]),
  ] as ThingId[]
}

export interface Walked {
  /** What went wrong, with the step that did it. */
  readonly harmed: readonly string[]
  readonly actions: number
  /** Every step was signed and the strip is empty. */
  readonly finished: boolean
  /** Of a finished walk: what still stands another way than it should. */
  readonly forgotten: readonly string[]
}

/** One walk through a job. */
export class Walk {
  private readonly records: JobRecord[] = []
  private readonly passed = new Set<string>()
  private readonly truth: Map<string, string>
  private readonly harmed: string[] = []
  private readonly kinds: ReadonlyMap<string, ReadonlySet<ThingKind>>
  private gasTight = false
  private skips = 0
  private work: JudgedWork
  private off: readonly OffItem[] = []

  constructor(
    private readonly document: JobDocument,
    private readonly sequences: Sequences,
    private readonly roll: () => number,
  ) {
    const things = thingsOf(sequences)
    this.truth = new Map(
      things.map((thing) => [thing, this.any(Object.keys(thingKinds[kindOf(thing)].values))]),
    )
    const kinds = new Map<string, Set<ThingKind>>()
    for (const thing of things)
      kinds.set(ofThing(thing), (kinds.get(ofThing(thing)) ?? new Set()).add(kindOf(thing)))
    this.kinds = kinds
    for (const proof of sequences.proofs) this.truth.set(proof, 'open')
    this.work = this.judge()
  }

  /** Acts until nothing is allowed any more, or so many times. */
  run(most: number): Walked {
    let actions = 0
    let idle = 0
    while (actions < most && idle < 60) {
      if (this.act()) {
        actions++
        idle = 0
      } else idle++
    }
    const finished =
      this.skips === 0 &&
      this.off.length === 0 &&
      this.work.sequences.every(({ done, steps }) => done === steps.length)
    return { harmed: this.harmed, actions, finished, forgotten: finished ? this.forgotten() : [] }
  }

  private any<T>(all: readonly T[]): T {
    return all[Math.floor(this.roll() * all.length)] as T
  }

  private judge(): JudgedWork {
    this.off = stillOff(this.records)
    return judgeWork(this.sequences, {
      document: this.document,
      entries: this.records,
      off: this.off,
      gasTight: this.gasTight,
      handTests: this.handTests(),
    })
  }

  private handTests(): readonly JudgedHandTest[] {
    return [...this.passed].map((named) => {
      const [id, target = ''] = named.split('@')
      const kind = handTests.find((one) => one.id === id)
      const found = { outcome: 'passed', says: '', figures: [] } as const
      return {
        kind,
        target: { id: target, name: target },
        before: 0,
        last: { recordId: '', at: '', by: '', given: {}, instrument: '', found, isOutdated: false },
      } as unknown as JudgedHandTest
    })
  }

  private judgement(): Judgement {
    const nothing = { list: { findings: [] } }
    return {
      work: this.work,
      off: this.off,
      sheets: nothing,
    } as unknown as Judgement
  }

  /** One thing that somebody may try; gives whether it was allowed. */
  private act(): boolean {
    const roll = this.roll()
    if (roll < 0.02) return this.skipOne()
    if (roll < 0.03) return this.undoOne()
    if (roll < 0.07 && this.off.length > 0) return this.back(this.any(this.off))
    return this.goOn()
  }

  private openSteps() {
    return this.work.sequences.flatMap(({ steps }) =>
      steps.filter(({ progress }) => progress.state === 'now'),
    )
  }

  private goOn(): boolean {
    const open = this.openSteps()
    if (open.length === 0) return false
    const { step, progress } = this.any(open)
    if (progress.state !== 'now') return false
    const [first] = progress.openGuards
    if (!first) {
      const { reading } = step
      const si =
        reading &&
        Math.min(
          reading.most ?? Infinity,
          reading.target ?? reading.least ?? Math.min(1, reading.most ?? 1),
        )
      const given = si === undefined ? {} : { reading: { si, typed: '' } }
      return this.take(signStep(this.judgement(), step.id, lead, given), changesBy(step), step.id)
    }
    // Any of them is tried, also out of its order.
    const { guard } = this.roll() < 0.15 ? this.any(progress.openGuards) : first
    switch (guard.kind) {
      case 'seen':
        return this.take(
          confirmGuard(this.judgement(), step.id, guard.id),
          guard.sets ?? {},
          `${step.id}/${guard.id}`,
        )
      case 'put-back': {
        const to = first.leadsTo
        const item = to?.kind === 'off' ? this.off.find(({ id }) => id === to.offId) : undefined
        return item ? this.back(item) : false
      }
      case 'hand-test':
        return this.passTest(guard.test.split('|')[0] ?? '', guard.target)
      case 'gas-tight':
        return this.testGas()
      case 'stands':
        return false
    }
  }

  private back(item: OffItem): boolean {
    const thing = stepIndex(this.sequences).lefts.get(item.body.stepId ?? '')?.left.thing
    return this.take(
      putBack(this.judgement(), item.id),
      thing ? { [thing.id]: thing.back } : {},
      `put back ${item.body.name}`,
    )
  }

  private skipOne(): boolean {
    const open = this.openSteps()
    if (open.length === 0) return false
    const done = this.take(
      skipStep(this.judgement(), this.any(open).step.id, lead, 'not here'),
      {},
      'skipped',
    )
    if (done) this.skips++
    return done
  }

  private undoOne(): boolean {
    const done = this.work.sequences.flatMap(({ steps }) =>
      steps.filter(({ progress }) => progress.state === 'done'),
    )
    if (done.length === 0) return false
    const signing = undoStep(this.judgement(), this.any(done).step.id, lead, 'by mistake')
    return this.take(signing, {}, 'undone', signing.undoing)
  }

  private passTest(test: string, target: string): boolean {
    const kind = handTests.find(({ id }) => id === test)
    const here = kind && targetsOf(kind, this.document).some((one) => (one?.id ?? '') === target)
    if (!here || this.passed.has(`${test}@${target}`)) return false
    this.passed.add(`${test}@${target}`)
    this.work = this.judge()
    return true
  }

  /** The bench proves what is whole: nobody pumps up an open pipe. */
  private testGas(): boolean {
    const isOpen = [...this.truth].some(
      ([thing, value]) =>
        kindOf(thing) === 'joint' && value === 'apart' && this.work.plant.known.has(thing),
    )
    if (isOpen) return false
    this.gasTight = true
    for (const proof of this.sequences.proofs) this.truth.set(proof, 'proved')
    this.add({ kind: 'test-ended', testId: 'test-0000', early: false })
    this.work = this.judge()
    return true
  }

  private add(body: RecordBody, undoing?: Undoing): void {
    const id = `walk-${String(this.records.length).padStart(5, '0')}`
    this.records.push({ id, at: '2026-11-20T10:00:00.000Z', by: lead.id, body, ...undoing })
  }

  /** Records what was allowed, changes the plant as it is, and looks whether that hurt. */
  private take(signing: Signing, changes: Changes, what: string, undoing?: Undoing): boolean {
    if (!signing.ok || signing.bodies.length === 0) return false
    for (const body of signing.bodies) this.add(body, undoing)
    const before = this.wrong(this.truth)
    const wires = Object.keys(changes).filter((thing) => kindOf(thing) === 'wire')
    for (const wire of wires)
      if (this.truth.get(`supply.${ofThing(wire)}`) === 'on')
        this.harmed.push(`${what}: ${wireLive}`)
    for (const [thing, value] of Object.entries(changes))
      if (value !== undefined) this.truth.set(thing, value)
    for (const [name, of] of this.wrong(this.truth))
      if (!before.some(([was, at]) => was === name && at === of))
        this.harmed.push(`${what}: ${name} of ${of}`)
    this.work = this.judge()
    return true
  }

  private wrong(truth: Truth): readonly (readonly [string, string])[] {
    const has = (thing: string, value: string) => truth.get(thing) === value
    return [...this.kinds].flatMap(([of, kinds]) =>
      Object.entries(harm).flatMap(([name, bad]): readonly (readonly [string, string])[] =>
        (needs[name] ?? []).every((kind) => kinds.has(kind)) && bad(has, of) ? [[name, of]] : [],
      ),
    )
  }

  private forgotten(): readonly string[] {
    const touched = new Set(
      this.sequences.list.flatMap(({ steps }) =>
        steps.flatMap((step) => Object.keys(changesBy(step))),
      ),
    )
    return [...this.truth]
      .filter(([thing, value]) => touched.has(thing) && (atRest[kindOf(thing)] ?? value) !== value)
      .map(([thing, value]) => `${thing} is ${value}`)
  }
}

/** So many walks over jobs, from a seed. */
export function walks(
  jobs: Readonly<Record<string, JobDocument>>,
  how: {
    readonly count: number
    readonly seed: number
    readonly actions: number
    readonly without?: string
    /** No more walks once that harm is done. */
    readonly until?: string
  },
): {
  readonly harmed: readonly string[]
  readonly forgotten: readonly string[]
  readonly finished: number
  readonly actions: number
} {
  const roll = dice(how.seed)
  const all = Object.entries(jobs).map(([name, document]) => {
    const { sequences } = solve(document)
    const hazards = sequences.hazards.filter(
      ({ id }) => how.without === undefined || !id.startsWith(how.without),
    )
    return { name, document, sequences: { ...sequences, hazards } }
  })
  const harmed: string[] = []
  const forgotten: string[] = []
  let finished = 0
  let actions = 0
  for (let i = 0; i < how.count; i++) {
    const job = all[i % all.length]
    if (!job) throw new RangeError('no job to walk')
    const walked = new Walk(job.document, job.sequences, roll).run(how.actions)
    actions += walked.actions
    if (walked.finished) finished++
    harmed.push(...walked.harmed.map((one) => `${job.name}: ${one}`))
    if (how.until !== undefined && harmed.some((one) => one.includes(how.until ?? ''))) break
    forgotten.push(...walked.forgotten.map((one) => `${job.name}: ${one}`))
  }
  return { harmed, forgotten, finished, actions }
}
