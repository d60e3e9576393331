import { demoJobs } from '../../demo/src/index'
import { whatBreaks } from './isTotal'
import { largestDocument } from './largestDocument'
import { mutateDocument, seeded } from './mutateDocument'
import type { Trial } from './trial'

/** Longer than this for one document is counted as hung, ms. */
const patience_ms = 2000

/**
 * Mutated documents, and the fullest that the schema allows, go through solve, judge, workings and
 * summary.
 */
export const mutatedDocuments = (times: number): Trial => ({
  name: `${times} mutated documents`,
  run: async (seed) => {
    const random = seeded(seed)
    const files = Object.values(demoJobs())
    const says: string[] = []
    let [thrown, hung, slowest_ms] = [0, 0, 0]
    const look = (document: Parameters<typeof whatBreaks>[0], file: (typeof files)[number]) => {
      const began = performance.now()
      const broke = whatBreaks(document, file)
      const took_ms = performance.now() - began
      slowest_ms = Math.max(slowest_ms, took_ms)
      if (took_ms > patience_ms) hung++
      if (!broke) return
      thrown++
      says.push(broke.slice(0, 300))
    }
    for (const file of files) look(largestDocument(file.document), file)
    for (let i = 0; i < times; i++) {
      const file = files[i % files.length] as (typeof files)[number]
      look(mutateDocument(file.document, random), file)
    }
    const beside = `slowest ${Math.round(slowest_ms)} ms`
    return {
      tried: `${times} documents`,
      lost: 0,
      doubled: 0,
      thrown,
      hung,
      beside,
      says: says.slice(0, 5),
    }
  },
})
