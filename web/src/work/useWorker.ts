import { useCallback, useEffect, useRef, useState } from 'react'
import type { Answered, Asked } from './asked'
import { startWorker } from './startWorker'

export type Work<K extends Answered['kind']> =
  | { readonly state: 'idle' }
  | {
      readonly state: 'working'
      readonly share: number
      readonly before?: Extract<Answered, { kind: K }>
    }
  | { readonly state: 'done'; readonly answer: Extract<Answered, { kind: K }> }
  | { readonly state: 'broken' }

/** What it answered last: while it works on the next, that of before. */
export function lastAnswer<K extends Answered['kind']>(
  work: Work<K>,
): Extract<Answered, { kind: K }> | undefined {
  if (work.state === 'done') return work.answer
  return work.state === 'working' ? work.before : undefined
}

/**
 * Runs one question at a time in a worker of its own; a new question or `cancel` ends the one under
 * way.
 */
export function useWorker<K extends 'leans' | 'draws' | 'cycle' | 'change'>(
  kind: K,
): {
  readonly work: Work<K>
  readonly ask: (question: Extract<Asked, { kind: K }>) => void
  readonly cancel: () => void
} {
  const [work, setWork] = useState<Work<K>>({ state: 'idle' })
  const worker = useRef<Worker | undefined>(undefined)
  const end = useCallback(() => {
    worker.current?.terminate()
    worker.current = undefined
  }, [])
  useEffect(() => end, [end])
  const ask = useCallback(
    (question: Extract<Asked, { kind: K }>) => {
      end()
      const mine = startWorker()
      worker.current = mine
      setWork((last) => ({
        state: 'working',
        share: 0,
        ...(last.state === 'done' ? { before: last.answer } : {}),
      }))
      mine.onmessage = ({ data }: MessageEvent<Answered>) => {
        if (data.kind === 'progress')
          setWork((last) => (last.state === 'working' ? { ...last, share: data.share } : last))
        else if (data.kind === kind) {
          setWork({ state: 'done', answer: data as Extract<Answered, { kind: K }> })
          end()
        }
      }
      mine.onerror = () => {
        setWork({ state: 'broken' })
        end()
      }
      mine.postMessage(question)
    },
    [end, kind],
  )
  const cancel = useCallback(() => {
    end()
    setWork((last) =>
      last.state === 'working' && last.before
        ? { state: 'done', answer: last.before }
        : { state: 'idle' },
    )
  }, [end])
  return { work, ask, cancel }
}
