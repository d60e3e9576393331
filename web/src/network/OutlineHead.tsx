import { Head } from './outlineLook'
import type { Folds } from './useFolds'

/** By which column the pipes stand, and which way. */
export interface Sort {
  readonly column: number
  readonly down: boolean
}

/** The heads of the columns; each sorts, and again turns round, and once more is as they run. */
export function OutlineHead({
  heads,
  sort,
  onSort,
  folds,
  onFoldAll,
}: {
  readonly heads: readonly (readonly [string, string])[]
  readonly sort: Sort | undefined
  readonly onSort: (sort: Sort | undefined) => void
  readonly folds: Folds
  readonly onFoldAll: () => void
}) {
  return (
    <Head role="row">
      <span role="columnheader">
        Pipe{' '}
        {sort ? (
          <button type="button" onClick={() => onSort(undefined)}>
            as they run
          </button>
        ) : (
          <FoldAll folds={folds} onFoldAll={onFoldAll} />
        )}
      </span>
      <span role="columnheader">Length</span>
      {heads.map(([head, unit], i) => {
        const mine = sort?.column === i ? sort : undefined
        return (
          <span role="columnheader" key={head} aria-sort={ariaSort(mine)}>
            <button type="button" onClick={() => onSort(nextSort(i, mine))}>
              {head}
              {arrowOf(mine)}
            </button>{' '}
            <i>{unit}</i>
          </span>
        )
      })}
    </Head>
  )
}

const ariaSort = (mine: Sort | undefined) => {
  if (!mine) return 'none'
  return mine.down ? 'descending' : 'ascending'
}
const arrowOf = (mine: Sort | undefined) => {
  if (!mine) return ''
  return mine.down ? ' ▾' : ' ▴'
}
const nextSort = (column: number, mine: Sort | undefined): Sort | undefined => {
  if (!mine) return { column, down: true }
  return mine.down ? { column, down: false } : undefined
}

function FoldAll({
  folds: { off, folded, unfoldAll },
  onFoldAll,
}: {
  readonly folds: Folds
  readonly onFoldAll: () => void
}) {
  if (off.size === 0) return null
  const anyFolded = folded.size > 0
  return (
    <button type="button" onClick={anyFolded ? unfoldAll : onFoldAll}>
      {anyFolded ? 'unfold all' : 'fold branches'}
    </button>
  )
}
