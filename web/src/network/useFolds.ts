import { useCallback, useMemo, useState } from 'react'
import { usePrinting } from '../ui/usePrinting'

interface Place {
  readonly branch: { readonly id: string }
  readonly depth: number
}
type Ids = ReadonlySet<string>
const none: Ids = new Set()

/**
 * What branches off at the end of each pipe of an outline, everything behind it counted: the rows
 * that follow and stand farther in. Pipes that nothing branches off from are not in it.
 */
export function branchesOff(places: readonly Place[]): ReadonlyMap<string, readonly string[]> {
  const off = new Map<string, string[]>()
  const above: Place[] = []
  for (const place of places) {
    while ((above.at(-1)?.depth ?? -1) >= place.depth) above.pop()
    for (const { branch } of above) {
      const mine = off.get(branch.id)
      if (mine) mine.push(place.branch.id)
      else off.set(branch.id, [place.branch.id])
    }
    above.push(place)
  }
  return off
}

export interface Folds {
  /** What branches off at each pipe. */
  readonly off: ReadonlyMap<string, readonly string[]>
  readonly folded: Ids
  /** The pipes that are folded away. */
  readonly hidden: Ids
  readonly fold: (id: string) => void
  readonly unfold: (id: string) => void
  /** Unfolds whatever a pipe is folded away in. */
  readonly reveal: (id: string) => void
  readonly foldAll: () => void
  readonly unfoldAll: () => void
}

/** Branches folded away in an outline; all of them are there while it is sorted or printed. */
export function useFolds(places: readonly Place[], flat: boolean): Folds {
  const [kept, setKept] = useState<Ids>(none)
  const printing = usePrinting()
  const off = useMemo(() => branchesOff(places), [places])
  const folded = flat || printing ? none : kept
  const hidden = useMemo(
    () => new Set([...folded].flatMap((id) => off.get(id) ?? [])),
    [folded, off],
  )
  const unless = useCallback(
    (isOpen: (id: string) => boolean) =>
      setKept((before) => {
        const after = new Set([...before].filter((id) => !isOpen(id)))
        return after.size === before.size ? before : after
      }),
    [],
  )
  return {
    ...{ off, folded, hidden },
    fold: useCallback((id) => setKept((before) => new Set([...before, id])), []),
    unfold: useCallback((id) => unless((one) => one === id), [unless]),
    reveal: useCallback(
      (id) => unless((one) => off.get(one)?.includes(id) ?? false),
      [off, unless],
    ),
    foldAll: useCallback(() => setKept(new Set(off.keys())), [off]),
    unfoldAll: useCallback(() => setKept(none), []),
  }
}
