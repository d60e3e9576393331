import { meterNode, outlineOf } from '@hestian/core'
import type { KeyboardEvent } from 'react'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useJob } from '../job/JobContext'
import { Button } from '../ui/Button'
import { usePlacesNoted } from '../ui/SheetPage'
import { Empty, Grid, Head, Keys, Scroll } from './outlineLook'
import type { Editing, RowFigures } from './PipeRow'
import { Line, Placed } from './PipeRow'
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
  const { frozen, show } = useJob()
  const noted = usePlacesNoted()
  const places = useMemo(() => outlineOf(segments), [segments])
  const [sort, setSort] = useState<{ readonly column: number; readonly down: boolean }>()
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
  const current = shown.some((one) => one.branch.id === selected) ? selected : shown[0]?.branch.id
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
    if (
      editing ||
      event.ctrlKey ||
      event.metaKey ||
      event.altKey ||
      current === undefined ||
      !(event.target as HTMLElement).matches('[data-pipe]')
    )
      return
    const at = shown.findIndex((one) => one.branch.id === current)
    const { from } = shown[at]?.branch ?? { from: meterNode }
    const next: Record<string, () => void> = {
      ArrowDown: () => go(shown[at + 1]?.branch.id),
      ArrowUp: () => go(shown[at - 1]?.branch.id),
      Home: () => go(shown[0]?.branch.id),
      End: () => go(shown.at(-1)?.branch.id),
      ArrowLeft: () => go(from === meterNode ? undefined : from),
      ArrowRight: () => go(places.find((one) => one.branch.from === current)?.branch.id),
      Enter: () => begin(current),
      Escape: () => setWorking(false),
      F2: () => !frozen && setEditing({ id: current, what: 'name' }),
      ' ': () => onSelect(selected === current ? undefined : current),
      Delete: () => {
        if (!frozen) {
          wanted.current = shown[at + 1]?.branch.id ?? shown[at - 1]?.branch.id
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
    if (act) {
      event.preventDefault()
      return act()
    }
    if (frozen || event.key.length !== 1) return
    event.preventDefault()
    setEditing({ id: current, what: /[\d.,]/.test(event.key) ? 'length' : 'name', text: event.key })
  }
  return (
    <Scroll>
      <Grid
        ref={frame}
        role="treegrid"
        aria-label="Pipes"
        aria-rowcount={shown.length + 1}
        onKeyDown={onKeyDown}
        onBlur={(event) => {
          if (!event.currentTarget.contains(event.relatedTarget)) setWorking(false)
        }}
        style={{
          ['--columns' as string]: `minmax(190px, 1.7fr) 78px repeat(${heads.length}, minmax(62px, 0.7fr))`,
        }}
      >
        <Head role="row">
          <span role="columnheader">
            Pipe{' '}
            {sort && (
              <button type="button" onClick={() => setSort(undefined)}>
                as they run
              </button>
            )}
          </span>
          <span role="columnheader">Length</span>
          {heads.map(([head, unit], i) => (
            <span
              role="columnheader"
              key={head}
              aria-sort={sort?.column === i ? (sort.down ? 'descending' : 'ascending') : 'none'}
            >
              <button
                type="button"
                onClick={() =>
                  setSort((last) =>
                    last?.column !== i
                      ? { column: i, down: true }
                      : last.down
                        ? { column: i, down: false }
                        : undefined,
                  )
                }
              >
                {head}
                {sort?.column === i ? (sort.down ? ' ▾' : ' ▴') : ''}
              </button>{' '}
              <i>{unit}</i>
            </span>
          ))}
        </Head>
        {shown.map(({ branch, depth, reached }, i) => (
          <Placed
            key={branch.id}
            branch={branch}
            place={figures.get(branch.id)?.place}
            far={isFar(branch.id)}
          >
            <Line
              branch={branch}
              index={i + 2}
              depth={sort ? 0 : Math.min(depth, 8)}
              reached={reached}
              figures={figures.get(branch.id)}
              noted={noted.has(figures.get(branch.id)?.place ?? '')}
              length={branch.length_m ? show.figure(branch.length_m.value, 'length') : '?'}
              lengthTyped={
                editing?.id === branch.id && branch.length_m
                  ? show(branch.length_m.value, 'length')
                  : ''
              }
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
            <kbd>Tab</kbd> a branch beside, a letter names it, a figure is its length,{' '}
            <kbd>Del</kbd> takes it out, <kbd>Esc</kbd> and Tab to leave.
          </span>
        </Keys>
      )}
    </Scroll>
  )
}
