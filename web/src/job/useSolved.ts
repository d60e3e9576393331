import {
  startTransition,
  useCallback,
  useEffect,
  useLayoutEffect,
  useReducer,
  useRef,
  useState,
} from 'react'
import type { JobAnswer, Question } from '../work/handed'
import type { Heard } from '../work/solving'
import { solvingHere } from '../work/solving'

export interface Following {
  /** What the job came to when it was last heard of; undefined until it first is. */
  readonly answer: JobAnswer | undefined
  /**
   * Does something once the figures are those of what was typed: at once where they are, so that
   * nothing is done to what is shown no more.
   */
  readonly onceShown: (act: () => void) => void
  /** The figures shown are of before, and have been for longer than one does not notice. */
  readonly isLate: boolean
}

/** Figures that follow sooner are not said to be late. */
const noticed_ms = 500

/**
 * The job as it is typed, solved and judged off the page: what was typed shows first, its figures
 * follow. Throws what went wrong there.
 */
export function useSolved(question: Question): Following {
  const [heard, setHeard] = useState<Heard>()
  const asked = useRef<Question>(undefined)
  const shown = useRef<Question>(undefined)
  const waiting = useRef<readonly (() => void)[]>([])
  useLayoutEffect(() => {
    asked.current = question
    solvingHere.ask(question, (now) => startTransition(() => setHeard(now)))
  }, [question])
  const [late, setLate] = useState<Question>()
  useEffect(() => {
    const timer = setTimeout(() => setLate(question), noticed_ms)
    return () => clearTimeout(timer)
  }, [question])
  // After what stands in the job, which is drawn with it. One act at a turn: what it changes is
  // drawn, or waited for, before the next.
  const [turn, nextTurn] = useReducer((turns: number) => turns + 1, 0)
  useEffect(() => {
    shown.current = heard?.of
    const [act, ...later] = waiting.current
    if (!act || shown.current !== asked.current) return
    waiting.current = later
    act()
    if (later.length > 0) nextTurn()
  }, [heard, turn])
  // Who leaves the job meanwhile has done it all the same.
  useEffect(() => () => waiting.current.forEach((act) => act()), [])
  const onceShown = useCallback((act: () => void) => {
    if (shown.current === asked.current && waiting.current.length === 0) act()
    else waiting.current = [...waiting.current, act]
  }, [])
  if (heard && 'failed' in heard) throw heard.failed
  return { answer: heard, onceShown, isLate: late === question && heard?.of !== question }
}
