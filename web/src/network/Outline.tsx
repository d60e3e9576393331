import { meterNode, outlineOf } from '@hestian/core'
import type { KeyboardEvent } from 'react'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useReadBy, useStanding } from '../job/JobContext'
import { useSteady } from '../job/useSteady'
import { Button } from '../ui/Button'
import { usePlacesNoted } from '../ui/SheetPage'
import { Empty, Grid, Keys, Scroll } from './outlineLook'
import type { Sort } from './OutlineHead'
import { OutlineHead } from './OutlineHead'
import type { Editing, RowFigures } from './PipeRow'
import { Line, Placed } from './PipeRow'
import type { Folds } from './useFolds'
import { useFolds } from './useFolds'
import { useNear } from './useNear'
import type { Pipes } from './usePipes'

interface OutlineProps {
  readonly pipes: Pipes
  readonly heads: readonly (readonly [string, string])[]
  readonly figures: ReadonlyMap<string, RowFigures>
  readonly selected: string | undefined
  readonly onSelect: (id: string | undefined) => void
  readonly note: string
}

/**
 * The pipes as an outline one works with the keyboard: arrows go along the pipes, Enter begins the
 * next one, Tab a branch beside, letters name it, figures give its length. The list is one stop for
 * Tab until one has worked in it; Escape makes it one again.
 */
export function Outline({
  pipes: { segments, ops },
  heads,
  figures,
  selected,
  onSelect,
  note,
}: OutlineProps) {
  const { frozen } = useStanding()
  const { show } = useReadBy()
  const noted = usePlacesNoted()
  const places = useMemo(() => outlineOf(segments), [segments])
  const [sort, setSort] = useState<Sort>()
  const [editing, setEditing] = useState<Editing>()
  const [working, setWorking] = useState(false)
  const frame = useRef<HTMLDivElement>(null)
  const wanted = useRef<string | undefined>(undefined)
  const shown = useMemo(() => {
    if (!sort) return places
    const value = (id: string) => figures.get(id)?.values[sort.column] ?? -Infinity
    return [...places].sort((a, b) => {
      const [x, y] = [value(a.branch.id), value(b.branch.id)]
      return (
        (sort.down ? -1 : 1) *
        (typeof x === 'number' && typeof y === 'number'
          ? x - y
          : String(x).localeCompare(String(y), undefined, { numeric: true }))
      )
    })
  }, [places, sort, figures])
  const folds = useFolds(places, sort !== undefined)
  const { hidden, reveal } = folds
  const visible = useMemo(
    () => shown.filter(({ branch }) => !hidden.has(branch.id)),
    [shown, hidden],
  )
  useSelectedShown(selected, folds)
  const isShown = visible.some((one) => one.branch.id === selected)
  const current = isShown ? selected : visible[0]?.branch.id
  const choose = (id: string) => {
    onSelect(id)
    wanted.current = id
  }
  const holds = (id: string) => folds.off.get(id)?.includes(selected ?? '') ?? false
  const onFold = (id: string, open: boolean) => {
    if (open) return folds.unfold(id)
    folds.fold(id)
    // What was chosen is not lost from sight: the pipe it branches off from is chosen for it.
    if (holds(id)) choose(id)
  }
  const onFoldAll = () => {
    folds.foldAll()
    const holder = places.find(({ branch }) => holds(branch.id))
    if (holder) choose(holder.branch.id)
  }
  const steady = useSteady({ onFold })
  const done = useCallback((id: string, next?: Editing['what']) => {
    wanted.current = id
    setEditing(next ? { id, what: next } : undefined)
  }, [])
  // Who went on to something else keeps it: nothing opens here, nothing is focused.
  const left = useCallback((id: string, what: Editing['what']) => {
    setEditing((now) => (now?.id === id && now.what === what ? undefined : now))
  }, [])
  const near = useNear(
    frame,
    useMemo(() => shown.map(({ branch }) => branch.id), [shown]),
  )
  const isFar = (id: string) =>
    near !== undefined && !near.has(id) && id !== current && id !== editing?.id
  const rowOf = useMemo(
    () => new Map(visible.map(({ branch }, i) => [branch.id, i + 2])),
    [visible],
  )
  const lengths = useMemo(
    () => new Map(segments.map(({ id, length_m }) => [id, length_m])),
    [segments],
  )
  const foldedIn = (id: string) => {
    const inside = folds.off.get(id) ?? []
    const open = inside.filter((one) => !lengths.get(one)).length
    const marked = inside.filter((one) => noted.has(figures.get(one)?.place ?? '')).length
    return [
      `${inside.length} folded`,
      ...(open > 0 ? [`${open} without a length`] : []),
      ...(marked > 0 ? [`${marked} with notes`] : []),
    ].join(', ')
  }
  /** Whether what branches off at a pipe is shown, and what of it is not. */
  const foldOf = (id: string) => {
    const isFoldable = !sort && folds.off.size > 0
    if (sort || !folds.off.has(id)) return { isFoldable, isOpen: undefined, folds: '' }
    const isOpen = !folds.folded.has(id)
    return { isFoldable, isOpen, folds: isOpen ? '' : foldedIn(id) }
  }
  const row = (id: string | undefined) =>
    id === undefined
      ? null
      : (frame.current?.querySelector<HTMLElement>(`[data-pipe="${CSS.escape(id)}"]`) ?? null)
  useEffect(() => {
    if (wanted.current && !editing) {
      row(wanted.current)?.focus()
      wanted.current = undefined
    }
  })
  const go = (id: string | undefined) => {
    if (id === undefined) return
    setWorking(true)
    onSelect(id)
    // One that is far away is drawn first, and focused then.
    wanted.current = id
    row(id)?.focus()
  }
  const begin = (from: string) => {
    if (frozen) return
    setWorking(true)
    const id = ops.add(from)
    onSelect(id)
    setEditing({ id, what: 'name' })
  }
  const onKeyDown = (event: KeyboardEvent) => {
    if (editing || current === undefined || !isForTheList(event)) return
    const at = visible.findIndex((one) => one.branch.id === current)
    const { from } = visible[at]?.branch ?? { from: meterNode }
    const mayFold = !sort && folds.off.has(current)
    const next: Record<string, () => void> = {
      ArrowDown: () => go(visible[at + 1]?.branch.id),
      ArrowUp: () => go(visible[at - 1]?.branch.id),
      Home: () => go(visible[0]?.branch.id),
      End: () => go(visible.at(-1)?.branch.id),
      ArrowLeft: () => {
        if (!event.shiftKey) go(from === meterNode ? undefined : from)
        else if (mayFold) onFold(current, false)
      },
      ArrowRight: () => {
        if (folds.folded.has(current)) onFold(current, true)
        else go(places.find((one) => one.branch.from === current)?.branch.id)
      },
      Enter: () => begin(current),
      Escape: () => setWorking(false),
      F2: () => !frozen && setEditing({ id: current, what: 'name' }),
      ' ': () => onSelect(selected === current ? undefined : current),
      Delete: () => {
        if (!frozen) {
          wanted.current = visible[at + 1]?.branch.id ?? visible[at - 1]?.branch.id
          onSelect(wanted.current)
          ops.remove(current)
        }
      },
    }
    // Shift and Tab always leave; Tab alone branches only while one is working here.
    if (event.key === 'Tab') {
      if (!working || event.shiftKey || frozen) return setWorking(false)
      event.preventDefault()
      return begin(from)
    }
    const act = next[event.key]
    if (!act && (frozen || event.key.length !== 1)) return
    event.preventDefault()
    if (act) act()
    else setEditing({ id: current, what: whatBegins(event.key), text: event.key })
  }
  return (
    <Scroll>
      <Grid
        ref={frame}
        role="treegrid"
        aria-label="Pipes"
        aria-rowcount={visible.length + 1}
        onKeyDown={onKeyDown}
        onBlur={(event) => {
          if (!event.currentTarget.contains(event.relatedTarget)) setWorking(false)
        }}
        style={{
          ['--columns' as string]: `minmax(190px, 1.7fr) 78px repeat(${heads.length}, minmax(62px, 0.7fr))`,
        }}
      >
        <OutlineHead
          heads={heads}
          sort={sort}
          onSort={setSort}
          folds={folds}
          onFoldAll={onFoldAll}
        />
        {shown.map(({ branch, depth, reached }) => (
          <Placed
            key={branch.id}
            branch={branch}
            place={figures.get(branch.id)?.place}
            far={isFar(branch.id)}
            hidden={hidden.has(branch.id)}
            onFound={reveal}
          >
            <Line
              {...foldOf(branch.id)}
              branch={branch}
              index={rowOf.get(branch.id) ?? 0}
              onFold={steady.onFold}
              depth={sort ? 0 : Math.min(depth, 8)}
              reached={reached}
              figures={figures.get(branch.id)}
              noted={noted.has(figures.get(branch.id)?.place ?? '')}
              length={branch.length_m ? show.figure(branch.length_m.value, 'length') : '?'}
              lengthTyped={branch.length_m ? show(branch.length_m.value, 'length') : ''}
              frozen={frozen}
              columns={heads.length}
              selected={branch.id === selected}
              stop={branch.id === current}
              onSelect={onSelect}
              ops={ops}
              editing={editing?.id === branch.id ? editing : undefined}
              setEditing={setEditing}
              done={done}
              left={left}
            />
          </Placed>
        ))}
      </Grid>
      {places.length === 0 && (
        <Empty>
          Nothing is drawn yet.{' '}
          <Button onPress={() => begin(meterNode)}>Begin at {ops.source.toLowerCase()}</Button>
        </Empty>
      )}
      <small>{note}</small>
      {!frozen && places.length > 0 && (
        <Keys>
          <Button onPress={() => current !== undefined && begin(current)}>
            Next pipe after {shown.find((one) => one.branch.id === current)?.branch.name ?? 'it'}
          </Button>
          <Button onPress={() => begin(meterNode)}>Another from {ops.source.toLowerCase()}</Button>
          <span>
            In the list: <kbd>↑</kbd> <kbd>↓</kbd> along the pipes, <kbd>Enter</kbd> the next pipe,{' '}
            <kbd>Tab</kbd> a branch beside, <kbd>Shift</kbd> <kbd>←</kbd> folds what branches off,{' '}
            <kbd>→</kbd> shows it, a letter names it, a figure is its length, <kbd>Del</kbd> takes
            it out, <kbd>Esc</kbd> and Tab to leave.
          </span>
        </Keys>
      )}
    </Scroll>
  )
}

const isForTheList = (event: KeyboardEvent): boolean =>
  !event.ctrlKey &&
  !event.metaKey &&
  !event.altKey &&
  (event.target as HTMLElement).matches('[data-pipe]')

/** A figure begins a length, anything else a name. */
const whatBegins = (key: string) => (/[\d.,]/.test(key) ? 'length' : 'name')

/** Whoever chose a pipe elsewhere, in the drawing or by a link, sees it. */
function useSelectedShown(selected: string | undefined, { hidden, reveal }: Folds): void {
  const last = useRef(selected)
  useEffect(() => {
    if (selected !== last.current && selected !== undefined && hidden.has(selected))
      reveal(selected)
    last.current = selected
  }, [selected, hidden, reveal])
}
