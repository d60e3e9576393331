import { same } from '../job/merge'
import type { Practice } from '../practice/practice'
import type { SequenceOf } from './sequences'
import { sequenceOf } from './sequences'
import type { Sequence } from './step'

/** Something as it is, and what was asked of it so far, by name. */
interface Watched<T> {
  readonly seen: T
  readonly asked: ReadonlyMap<PropertyKey, unknown>
}

function watched<T extends object>(of: T): Watched<T> {
  const asked = new Map<PropertyKey, unknown>()
  const seen = new Proxy(of, {
    get: (target, name) => {
      const value: unknown = Reflect.get(target, name)
      asked.set(name, value)
      return value
    },
    has: (target, name) => {
      asked.set(name, Reflect.get(target, name))
      return Reflect.has(target, name)
    },
  })
  return { seen, asked }
}

const isAsItWas = <T extends object>({ asked }: Watched<T>, now: T): boolean =>
  [...asked].every(([name, value]) => same(value, Reflect.get(now, name)))

/**
 * Makes sequences as {@link sequenceOf} does, and makes one again only when something that it asked
 * of the job is another than before. For one job that is being typed in: a sequence is plain data,
 * so that what it was made from is all that it can ever say.
 */
export function keptSequences(): SequenceOf {
  const memory = new Map<
    string,
    {
      readonly practice: Practice
      readonly document: Watched<Parameters<SequenceOf>[2]['document']>
      readonly targets: Watched<Parameters<SequenceOf>[2]['targets']>
      readonly sequence: Sequence
    }
  >()
  return (spec, at, job) => {
    const key = `${spec.id}.${at}`
    const known = memory.get(key)
    if (
      known?.practice === job.practice &&
      isAsItWas(known.document, job.document) &&
      isAsItWas(known.targets, job.targets)
    )
      return known.sequence
    const document = watched(job.document)
    const targets = watched(job.targets)
    const { practice } = job
    const sequence = sequenceOf(spec, at, {
      practice,
      document: document.seen,
      targets: targets.seen,
    })
    memory.set(key, { practice, document, targets, sequence })
    return sequence
  }
}
