import { heatingCycle, leansOn, simulateDraws } from '@hestian/core'
import type { Answered, Asked } from './asked'

/** Heavy computation, off the page. A page that wants no answer any more ends the worker. */
addEventListener('message', ({ data }: MessageEvent<Asked>) => {
  const answer = (message: Answered) => postMessage(message)
  if (data.kind === 'leans')
    return answer({
      kind: 'leans',
      leanings: data.sheets.flatMap((sheet, i) =>
        leansOn(data.document, sheet, (share) =>
          answer({ kind: 'progress', share: (i + share) / data.sheets.length }),
        ),
      ),
    })
  if (data.kind === 'cycle')
    return answer({
      kind: 'cycle',
      trace: heatingCycle(data.plan, (share) => answer({ kind: 'progress', share })),
    })
  answer({
    kind: 'draws',
    results: data.models.map((model, i) =>
      simulateDraws(model, (share) =>
        answer({ kind: 'progress', share: (i + share) / data.models.length }),
      ),
    ),
  })
})
