import { meterNode, outlineOf, parseQuantity } from '@hestian/core'
import type { KeyboardEvent, ReactNode } from 'react'
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import styled from 'styled-components'
import { useJob } from '../job/JobContext'
import { Button } from '../ui/Button'
import { rowId } from '../ui/QuantityRow'
import { NotesHere, usePlacesNoted } from '../ui/SheetPage'
import { useNear } from './useNear'
import type { PipeOps, Pipes } from './usePipes'
import { phone } from '../ui/phone'

/** What a row shows beside its name and length, column by column. */
export interface RowFigures {
  readonly place: string
  readonly cells: readonly string[]
  /** For sorting, one per column. */
  readonly values: readonly (number | string)[]
  readonly tag?: string
  /** The first cell was chosen by Hestian. */
  readonly chosen?: boolean
  /** Nothing can be said of it yet. */
  readonly waits?: boolean
}

interface OutlineProps {
  readonly pipes: Pipes
  readonly heads: readonly (readonly [string, string])[]
  readonly figures: ReadonlyMap<string, RowFigures>
  readonly selected: string | undefined
  readonly onSelect: (id: string | undefined) => void
  readonly note: string
}

interface Editing {
  readonly id: string
  readonly what: 'name' | 'length'
  readonly text?: string
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

/**
 * Where a row stands. Of one that is far from what is looked at only the place is drawn, for links
 * and marks, and the name, for who searches the page.
 */
const Placed = ({
  branch: { id, name },
  place,
  far,
  children,
}: {
  readonly branch: Pipes['segments'][number]
  readonly place: string | undefined
  readonly far: boolean
  readonly children: ReactNode
}) => (
  <div
    role="presentation"
    data-row={id}
    {...(far && place !== undefined ? { 'data-place': place, id: rowId(place) } : {})}
  >
    {far ? <Far aria-hidden>{name}</Far> : children}
  </div>
)

interface LineProps {
  readonly branch: Pipes['segments'][number]
  /** Which row of the grid it is; the head is the first. */
  readonly index: number
  readonly depth: number
  readonly reached: boolean
  readonly figures: RowFigures | undefined
  /** Something is said of it, to stand under it on a narrow page. */
  readonly noted: boolean
  readonly length: string
  readonly lengthTyped: string
  readonly frozen: boolean
  readonly columns: number
  readonly selected: boolean
  readonly stop: boolean
  readonly onSelect: (id: string | undefined) => void
  readonly ops: PipeOps
  readonly editing: Editing | undefined
  readonly setEditing: (editing: Editing | undefined) => void
  readonly done: (id: string, next?: Editing['what']) => void
  /** What was typed stands, and one is somewhere else. */
  readonly left: (id: string, what: Editing['what']) => void
}

// Only rows whose figures changed are drawn again: they are handed over as texts and nothing here
// looks at the whole job.
const Line = memo(
  function Line({
    branch,
    index,
    depth,
    reached,
    figures,
    noted,
    length,
    lengthTyped,
    frozen,
    columns,
    selected,
    stop,
    onSelect,
    ops,
    editing,
    setEditing,
    done,
    left,
  }: LineProps) {
    const { id, name, length_m } = branch
    const [says, setSays] = useState<string>()
    const rename = (text: string) => {
      if (text.trim() !== '' && text.trim() !== name) ops.rename(id, text.trim())
    }
    return (
      <>
        <Row
          role="row"
          aria-rowindex={index}
          aria-level={depth + 1}
          aria-selected={selected}
          tabIndex={stop ? 0 : -1}
          data-pipe={id}
          data-selected={selected || undefined}
          data-place={figures?.place}
          id={figures ? rowId(figures.place) : undefined}
          onClick={() => onSelect(selected ? undefined : id)}
        >
          <span
            role="rowheader"
            style={{ paddingLeft: depth * 16 }}
            data-depth={depth > 0 || undefined}
            onDoubleClick={() => !frozen && setEditing({ id, what: 'name' })}
          >
            {editing?.what === 'name' ? (
              <NameInput
                name={editing.text ?? name}
                fresh={editing.text !== undefined}
                onUse={(text) => {
                  rename(text)
                  done(id, length_m === null ? 'length' : undefined)
                }}
                onLeft={(text) => {
                  rename(text)
                  left(id, 'name')
                }}
                onEscape={() => done(id)}
              />
            ) : (
              <>
                {name}
                {figures?.tag && <em>{figures.tag}</em>}
                {!reached && <em>leads nowhere</em>}
              </>
            )}
          </span>
          <span role="gridcell" onDoubleClick={() => !frozen && setEditing({ id, what: 'length' })}>
            {editing?.what === 'length' ? (
              <LengthInput
                id={id}
                text={editing.text ?? lengthTyped}
                fresh={editing.text !== undefined}
                ops={ops}
                done={done}
                left={left}
                says={says}
                onSays={setSays}
              />
            ) : (
              <b data-pencil={length_m === null || length_m.basis === 'assumed' || undefined}>
                {length}
              </b>
            )}
          </span>
          {Array.from({ length: columns }, (_, i) => (
            <span role="gridcell" key={i} data-chosen={(i === 0 && figures?.chosen) || undefined}>
              {figures?.cells[i] ?? ''}
            </span>
          ))}
        </Row>
        {says && editing?.what === 'length' && (
          <div role="row">
            <Says role="gridcell">
              <span role="alert">{says}</span>
            </Says>
          </div>
        )}
        {noted && figures && <Notes place={figures.place} />}
      </>
    )
  },
  (a, b) =>
    sameBranch(a.branch, b.branch) &&
    a.index === b.index &&
    a.depth === b.depth &&
    a.reached === b.reached &&
    a.selected === b.selected &&
    a.stop === b.stop &&
    a.editing === b.editing &&
    a.length === b.length &&
    a.noted === b.noted &&
    a.frozen === b.frozen &&
    a.columns === b.columns &&
    sameFigures(a.figures, b.figures),
)

// A row shows of its pipe the name and whether the length is known; the rest comes as texts.
const sameBranch = (a: LineProps['branch'], b: LineProps['branch']) =>
  a === b ||
  (a.id === b.id &&
    a.name === b.name &&
    a.from === b.from &&
    a.length_m?.basis === b.length_m?.basis)
const sameFigures = (a: RowFigures | undefined, b: RowFigures | undefined) =>
  a === b ||
  (a?.place === b?.place &&
    a?.tag === b?.tag &&
    a?.chosen === b?.chosen &&
    a?.cells.join('|') === b?.cells.join('|'))

const Notes = ({ place }: { readonly place: string }) => (
  <div role="row">
    <div role="gridcell">
      <NotesHere place={place} />
    </div>
  </div>
)

function NameInput({
  name,
  fresh,
  onUse,
  onLeft,
  onEscape,
}: {
  readonly name: string
  readonly fresh: boolean
  readonly onUse: (text: string) => void
  readonly onLeft: (text: string) => void
  readonly onEscape: () => void
}) {
  const [text, setText] = useState(name)
  return (
    <input
      aria-label="Name of the pipe"
      autoFocus
      value={text}
      maxLength={120}
      onFocus={(event) => {
        if (!fresh) event.currentTarget.select()
      }}
      onChange={(event) => setText(event.target.value)}
      onClick={(event) => event.stopPropagation()}
      onBlur={() => onLeft(text)}
      onKeyDown={(event) => {
        event.stopPropagation()
        if (event.key === 'Enter' || event.key === 'Tab') {
          event.preventDefault()
          onUse(text)
        } else if (event.key === 'Escape') onEscape()
      }}
    />
  )
}

interface LengthInputProps {
  readonly id: string
  readonly text: string
  readonly fresh: boolean
  readonly ops: PipeOps
  readonly done: (id: string) => void
  readonly left: LineProps['left']
  readonly says: string | undefined
  readonly onSays: (says: string | undefined) => void
}

/**
 * A length as one types it; what cannot be understood gets its sentence under the row and stays.
 */
function LengthInput(props: LengthInputProps) {
  const { id, text: first, fresh, ops, done, left, says, onSays } = props
  const { solution } = useJob()
  const [text, setText] = useState(first)
  const use = (then: () => void) => {
    if (text.trim() === '' || (text === first && !fresh)) return then()
    const parsed = parseQuantity(text, 'length', solution.practice.units.length)
    if (parsed.outcome !== 'understood') return onSays(parsed.says)
    if (!(parsed.si > 0)) return onSays('A pipe has some length: more than nothing.')
    ops.setLength(id, { value: parsed.si, basis: 'measured', from: 'Tape' })
    then()
  }
  return (
    <input
      aria-label="Length of the pipe"
      aria-invalid={says !== undefined}
      autoFocus
      value={text}
      onFocus={(event) => {
        onSays(undefined)
        if (!fresh) event.currentTarget.select()
      }}
      onChange={(event) => {
        setText(event.target.value)
        onSays(undefined)
      }}
      onClick={(event) => event.stopPropagation()}
      onBlur={() => {
        if (says === undefined) use(() => left(id, 'length'))
      }}
      onKeyDown={(event) => {
        event.stopPropagation()
        if (event.key === 'Enter' || event.key === 'Tab') {
          event.preventDefault()
          use(() => done(id))
        } else if (event.key === 'Escape') done(id)
      }}
    />
  )
}

const Scroll = styled.div`
  background: var(--sheet);
  margin: 0 -14px 0 -24px;
  padding: 6px 14px 8px 24px;
  border-top: 1.2px solid var(--rule);
  > small {
    font-size: var(--note);
    color: var(--ink-3);
    display: block;
    padding: 4px 0;
  }
  ${phone} {
    margin: 0 -14px 0 -12px;
    padding: 6px 14px 8px 12px;
  }
`
const Grid = styled.div`
  overflow-x: auto;
  font-size: var(--small);
  > * {
    min-width: 620px;
  }
  ${phone} {
    --columns: minmax(0, 1fr) 50px 58px 62px !important;
    > * {
      min-width: 0;
    }
    [role='columnheader']:nth-child(n + 4):not(:last-child),
    [data-pipe] > span:nth-child(n + 4):not(:last-child) {
      display: none;
    }
  }
`
const Head = styled.div`
  display: grid;
  grid-template-columns: var(--columns);
  gap: 10px;
  align-items: end;
  border-bottom: 1.5px solid var(--ink);
  padding: 4px 6px;
  font: 650 var(--small)/20px var(--head);
  span {
    text-align: right;
  }
  span:first-child {
    text-align: left;
  }
  i {
    font: 400 var(--note)/20px var(--text);
    color: var(--ink-3);
    font-style: normal;
    display: block;
  }
  button {
    background: none;
    border: 0;
    padding: 0;
    font: inherit;
    color: inherit;
    cursor: pointer;
    min-height: 24px;
    text-decoration: underline;
    text-decoration-color: var(--rule);
    text-underline-offset: 3px;
  }
  button:hover {
    color: var(--ember-ink);
  }
`
const Row = styled.div`
  display: grid;
  grid-template-columns: var(--columns);
  gap: 10px;
  align-items: center;
  min-height: 32px;
  padding: 2px 6px;
  border-bottom: 0.8px solid var(--hair);
  cursor: pointer;
  content-visibility: auto;
  contain-intrinsic-height: 32px;
  font-feature-settings: 'tnum';
  > span {
    text-align: right;
    min-width: 0;
    position: relative;
  }
  > span:first-child {
    text-align: left;
  }
  > span:first-child[data-depth]::before {
    content: '';
    display: inline-block;
    width: 9px;
    height: 9px;
    margin-right: 6px;
    border-left: 1.5px solid var(--rule);
    border-bottom: 1.5px solid var(--rule);
    vertical-align: 3px;
  }
  &:hover {
    background: var(--sunk);
  }
  &[data-selected] {
    background: var(--select);
    box-shadow: inset 4px 0 0 var(--ink);
    > span:first-child {
      font-weight: 650;
    }
  }
  &:focus-visible {
    outline: 3px solid var(--ink);
    outline-offset: -3px;
  }
  b {
    font-weight: 450;
    border-bottom: 1.5px solid var(--ink);
    &[data-pencil] {
      color: var(--pencil);
      border-bottom: 1.5px dashed var(--pencil);
    }
  }
  em {
    font-style: normal;
    font-size: var(--note);
    border: 1px solid var(--rule);
    border-radius: 2px;
    padding: 0 6px;
    color: var(--ink-2);
    margin-left: 8px;
    font-weight: 400;
  }
  [data-chosen] {
    color: var(--ink-2);
  }
  input {
    width: 100%;
    min-width: 0;
    box-sizing: border-box;
    min-height: 28px;
    font: 450 var(--small)/20px var(--text);
    background: var(--paper);
    border: 0;
    border-bottom: 2px solid var(--ink);
    padding: 2px 4px;
  }
  [role='gridcell'] input {
    text-align: right;
  }
  @media (pointer: coarse) {
    min-height: 48px;
  }
`
/** The place of a row that is not looked at: its height, and its name for who searches the page. */
const Far = styled.div`
  height: 33px;
  padding: 4px 6px;
  overflow: hidden;
  color: var(--ink-3);
  @media (pointer: coarse) {
    height: 49px;
  }
`
const Says = styled.div`
  background: var(--stop-wash);
  color: var(--ink);
  border-bottom: 1.5px solid var(--stop);
  padding: 6px 8px;
  font-size: var(--small);
  line-height: 19px;
  text-align: right;
`
const Empty = styled.p`
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 14px 0;
  color: var(--ink-2);
`
const Keys = styled.div`
  display: flex;
  gap: 12px;
  flex-wrap: wrap;
  align-items: center;
  padding: 10px 0 4px;
  span {
    font-size: var(--note);
    line-height: 20px;
    color: var(--ink-3);
    flex: 1 1 260px;
  }
  kbd {
    font: 650 var(--note)/18px var(--text);
    border: 1px solid var(--rule);
    border-radius: 2px;
    padding: 0 5px;
    background: var(--paper);
    color: var(--ink-2);
  }
  @media (pointer: coarse) {
    span {
      display: none;
    }
  }
`
