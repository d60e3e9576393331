import { Evidence } from './known'

/**
 * Every photograph and paper that something names, each once: a document, a record, a whole job
 * file.
 */
export function evidenceNamed(whole: unknown): readonly Evidence[] {
  const found = new Map<string, Evidence>()
  const look = (value: unknown): void => {
    if (typeof value !== 'object' || value === null) return
    if ('hash' in value) {
      const read = Evidence.safeParse(value)
      if (read.success) found.set(read.data.hash, read.data)
    }
    for (const part of Object.values(value)) look(part)
  }
  look(whole)
  return [...found.values()]
}
