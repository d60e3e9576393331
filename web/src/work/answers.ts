import { heatingCycle, leansOn, practiceChange, simulateDraws } from '@hestian/core'
import { answering } from './answering'
import type { Answered, Asked } from './asked'

/** Answers what a worker is asked, one question after another. */
export function answers(): (asked: Asked, answer: (message: Answered) => void) => void {
  const solved = answering()
  return (asked, answer) => {
    const shareOf = (i: number, of: readonly unknown[]) => (share: number) =>
      answer({ kind: 'progress', share: (i + share) / of.length })
    switch (asked.kind) {
      case 'solve':
        return answer({ kind: 'solved', job: solved(asked.job) })
      case 'change':
        return answer({ kind: 'change', change: practiceChange(asked.document, asked.to) })
      case 'leans': {
        const { document, sheets } = asked
        const leanings = sheets.flatMap((sheet, i) => leansOn(document, sheet, shareOf(i, sheets)))
        return answer({ kind: 'leans', leanings })
      }
      case 'cycle':
        return answer({ kind: 'cycle', trace: heatingCycle(asked.plan, shareOf(0, [asked])) })
      case 'draws': {
        const { models } = asked
        const results = models.map((model, i) => simulateDraws(model, shareOf(i, models)))
        return answer({ kind: 'draws', results })
      }
    }
  }
}
