import type { ReactNode } from 'react'
import { memo, useLayoutEffect, useRef, useState } from 'react'
import { rowId } from '../ui/quantity'
import { NotesHere } from '../ui/SheetPage'
import { Far, FoldMark, Row, Says } from './outlineLook'
import { LengthInput, NameInput } from './PipeInputs'
import type { PipeOps, Pipes } from './usePipes'

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

/** What of which pipe is being typed. */
export interface Editing {
  readonly id: string
  readonly what: 'name' | 'length'
  readonly text?: string
}

interface PlacedProps {
  readonly branch: Pipes['segments'][number]
  readonly place: string | undefined
  readonly far: boolean
  /** It is folded away. */
  readonly hidden: boolean
  /** A link or a search of the page came upon it where it is folded away. */
  readonly onFound: (id: string) => void
  readonly children: ReactNode
}

/**
 * Where a row stands. Of one that is far from what is looked at, or folded away, only the place is
 * drawn, for links and marks, and the name, for who searches the page.
 */
export function Placed({ branch, place, far, hidden, onFound, children }: PlacedProps) {
  const { id, name } = branch
  const stand = useRef<HTMLDivElement>(null)
  useLayoutEffect(() => {
    const here = stand.current
    if (!hidden || !here) return
    // Folded away as the browser knows it: what searches or links to it opens it.
    here.setAttribute('hidden', 'until-found')
    const found = () => onFound(id)
    here.addEventListener('beforematch', found)
    return () => {
      here.removeAttribute('hidden')
      here.removeEventListener('beforematch', found)
    }
  }, [hidden, id, onFound])
  const isPlace = (far || hidden) && place !== undefined
  return (
    <div
      ref={stand}
      role="presentation"
      data-row={id}
      {...(isPlace ? { 'data-place': place, id: rowId(place) } : {})}
    >
      {far || hidden ? <Far aria-hidden>{name}</Far> : children}
    </div>
  )
}

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
  /** What branches off at its end is shown; undefined where nothing does. */
  readonly isOpen: boolean | undefined
  /** There is room for the marks that fold, in this row as in the others. */
  readonly isFoldable: boolean
  /** What is folded away in it, in words. */
  readonly folds: string
  readonly onFold: (id: string, isOpen: boolean) => void
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
export const Line = memo(
  function Line(line: LineProps) {
    const { branch, index, depth, figures, noted, columns, selected, stop, onSelect, editing } =
      line
    const { id } = branch
    const [says, setSays] = useState<string>()
    return (
      <>
        <Row
          role="row"
          aria-rowindex={index}
          aria-level={depth + 1}
          aria-expanded={line.isOpen}
          aria-selected={selected}
          tabIndex={stop ? 0 : -1}
          data-pipe={id}
          data-selected={selected || undefined}
          data-place={figures?.place}
          id={figures ? rowId(figures.place) : undefined}
          onClick={() => onSelect(selected ? undefined : id)}
        >
          <NameCell line={line} />
          <LengthCell line={line} says={says} onSays={setSays} />
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
    sameFigures(a.figures, b.figures) &&
    shownOfLine.every((key) => a[key] === b[key]),
)

/** What a row shows beside its pipe and its figures; what is done on it keeps its identity. */
const shownOfLine = [
  ...(['index', 'depth', 'reached', 'selected', 'stop', 'editing'] as const),
  ...(['length', 'noted', 'frozen', 'columns', 'isOpen', 'folds', 'isFoldable'] as const),
] satisfies readonly (keyof LineProps)[]

// A row shows of its pipe the name and whether the length is known; the rest comes as texts.
const sameBranch = (a: LineProps['branch'], b: LineProps['branch']) =>
  a === b ||
  (a.id === b.id &&
    a.name === b.name &&
    a.from === b.from &&
    a.length_m?.basis === b.length_m?.basis)
const sameFigures = (a: RowFigures | undefined, b: RowFigures | undefined) =>
  a === b || (a !== undefined && b !== undefined && textOf(a) === textOf(b))
const textOf = ({ place, tag, chosen, cells }: RowFigures) =>
  [place, tag, chosen, ...cells].join('|')

function NameCell({ line }: { readonly line: LineProps }) {
  const { branch, depth, isFoldable, frozen, ops, editing, setEditing, done, left } = line
  const { id, name, length_m } = branch
  const rename = (text: string) => {
    if (text.trim() !== '' && text.trim() !== name) ops.rename(id, text.trim())
  }
  return (
    <span
      role="rowheader"
      style={{ paddingLeft: depth * 16 + (isFoldable ? 20 : 0) }}
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
        <NameShown line={line} />
      )}
    </span>
  )
}

function NameShown({ line }: { readonly line: LineProps }) {
  const { branch, depth, reached, figures, isOpen, folds, onFold } = line
  return (
    <>
      {isOpen !== undefined && (
        <FoldMark
          tabIndex={-1}
          aria-hidden
          style={{ left: depth * 16 - 4 }}
          title={isOpen ? 'Fold away what branches off here' : 'Show what branches off here'}
          onClick={(event) => {
            event.stopPropagation()
            onFold(branch.id, !isOpen)
          }}
        >
          {isOpen ? '▾' : '▸'}
        </FoldMark>
      )}
      {branch.name}
      {folds !== '' && <em>{folds}</em>}
      {figures?.tag && <em>{figures.tag}</em>}
      {!reached && <em>leads nowhere</em>}
    </>
  )
}

function LengthCell({
  line,
  says,
  onSays,
}: {
  readonly line: LineProps
  readonly says: string | undefined
  readonly onSays: (says: string | undefined) => void
}) {
  const { branch, length, lengthTyped, frozen, ops, editing, setEditing, done, left } = line
  const { id, length_m } = branch
  return (
    <span role="gridcell" onDoubleClick={() => !frozen && setEditing({ id, what: 'length' })}>
      {editing?.what === 'length' ? (
        <LengthInput
          id={id}
          text={editing.text ?? lengthTyped}
          fresh={editing.text !== undefined}
          {...{ ops, done, left, says, onSays }}
        />
      ) : (
        <b data-pencil={length_m === null || length_m.basis === 'assumed' || undefined}>{length}</b>
      )}
    </span>
  )
}

const Notes = ({ place }: { readonly place: string }) => (
  <div role="row">
    <div role="gridcell">
      <NotesHere place={place} />
    </div>
  </div>
)
