import type { JobDocument, JobFile } from '@hestian/core'
import { judge, practices, showIn, solve, summaryOf, word, writeOut } from '@hestian/core'

/** Where in an answer a number is none, if anywhere. */
export function nonFinite(
  value: unknown,
  path = '',
  seen = new Set<unknown>(),
): string | undefined {
  if (typeof value === 'number') return Number.isFinite(value) ? undefined : `${path} is ${value}`
  if (typeof value !== 'object' || value === null || seen.has(value)) return undefined
  seen.add(value)
  for (const [key, part] of Object.entries(value)) {
    const found = nonFinite(part, `${path}.${key}`, seen)
    if (found) return found
  }
  return undefined
}

/**
 * What goes wrong when a document is solved, judged, worded, worked out and summed up; undefined
 * where nothing does.
 */
export function whatBreaks(document: JobDocument, file: JobFile): string | undefined {
  try {
    const solution = solve(document)
    const { practice: _, ...answers } = solution
    const hole = nonFinite(answers)
    if (hole) return `solution${hole}`
    const judgement = judge(solution, { entries: file.records, samples: file.samples })
    const judged = nonFinite(judgement)
    if (judged) return `judgement${judged}`
    const practice = practices[document.practice]
    const show = showIn(practice.units)
    for (const finding of solution.findings) {
      const { head, why } = word(finding, practice, show)
      const broken = /NaN|undefined|Infinity|\[object|\{\w+\}/.exec(`${head} ${why}`)
      if (broken) return `${finding.id} says ${head}: ${why}`
    }
    for (const sheet of Object.values(solution))
      if (typeof sheet === 'object' && sheet !== null && 'workings' in sheet)
        for (const working of (sheet.workings as () => Parameters<typeof writeOut>[0][])()) {
          const hollow = nonFinite(working.figures)
          if (hollow) return `working ${working.title}${hollow}`
          const { put, result } = writeOut(working, show)
          if (/NaN|undefined|Infinity/.test(put + result))
            return `working ${working.title}: ${put} = ${result}`
        }
    summaryOf({ ...file, document })
    return undefined
  } catch (error) {
    return error instanceof Error
      ? (error.stack ?? error.message).split('\n').slice(0, 5).join(' | ')
      : String(error)
  }
}
