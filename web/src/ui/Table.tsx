import type { ReactNode } from 'react'
import styled from 'styled-components'
import { rowId } from './quantity'
import { NotesHere } from './SheetPage'
import { Worked } from './Worked'
import { phone } from './phone'

interface TableProps {
  readonly label: string
  readonly columns: string
  /** One per column; a `>` in front stands it over figures. */ readonly heads: readonly string[]
  readonly children: ReactNode
}

/** A small table one edits in: heads above on a desk, beside each value on a phone. */
export function Table({ label, columns, heads, children }: TableProps) {
  return (
    <Frame role="table" aria-label={label} style={{ ['--columns' as string]: columns }}>
      {heads.some((head) => head !== '') && (
        <Heads role="rowgroup">
          <tr role="row">
            {heads.map((head, i) =>
              head === '' ? (
                <td key={i} role="cell" />
              ) : (
                <th
                  key={i}
                  role="columnheader"
                  scope="col"
                  data-end={head.startsWith('>') || undefined}
                >
                  {head.replace('>', '')}
                </th>
              ),
            )}
          </tr>
        </Heads>
      )}
      <tbody role="rowgroup">{children}</tbody>
    </Frame>
  )
}

/** A row of the table with the notes that speak of it. */
export const Row = ({
  place,
  children,
}: {
  readonly place: string
  readonly children: ReactNode
}) => (
  <>
    <Line role="row" data-place={place} id={rowId(place)}>
      {children}
    </Line>
    <Notes role="row">
      <td role="cell">
        <NotesHere place={place} />
      </td>
    </Notes>
  </>
)

interface CellProps {
  readonly head: string
  readonly end?: boolean
  readonly children?: ReactNode
}

/** A value in a row, with its head beside it on a phone. */
export const Cell = ({ head, end, children }: CellProps) => (
  <Box role="cell" data-end={end || undefined}>
    <small aria-hidden>{head}</small>
    <div>{children}</div>
  </Box>
)

/** What the row is called by. */
export const RowHead = ({ head, children }: CellProps) => (
  <Box as="th" scope="row" role="rowheader">
    <small aria-hidden>{head}</small>
    <div>{children}</div>
  </Box>
)

/** A computed value in a row. */
export const Figure = ({
  head,
  of,
  children,
}: {
  readonly head: string
  /** The working it comes from. */ readonly of?: string
  readonly children?: ReactNode
}) => (
  <Box role="cell" data-end>
    <small aria-hidden>{head}</small>
    <b className="tnum">{of && children ? <Worked of={of}>{children}</Worked> : children}</b>
  </Box>
)

/** What can be done with the row. */
export const Acts = ({ children }: { readonly children: ReactNode }) => (
  <Doing role="cell">{children}</Doing>
)

// Laid out as grids, with the roles said: a table without its own layout is not read as one
// everywhere.
const Frame = styled.table`
  display: block;
  margin-bottom: 6px;
  tbody {
    display: block;
  }
  th,
  td {
    padding: 0;
    text-align: left;
    font-weight: inherit;
  }
`
const Heads = styled.thead`
  display: block;
  font: 650 var(--note)/20px var(--head);
  color: var(--ink-2);
  border-bottom: 0.8px solid var(--rule);
  padding: 4px 0;
  tr {
    display: grid;
    grid-template-columns: var(--columns);
    gap: 12px;
    align-items: end;
  }
  th {
    min-width: 0;
  }
  && [data-end] {
    text-align: right;
  }
  ${phone} {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
`
const Line = styled.tr`
  display: grid;
  grid-template-columns: var(--columns);
  gap: 12px;
  align-items: center;
  padding: 3px 0;
  border-bottom: 0.8px solid var(--hair);
  min-height: 40px;
  ${phone} {
    grid-template-columns: 1fr;
    gap: 2px;
    padding: 10px 0;
  }
`
const Notes = styled.tr`
  display: block;
  td {
    display: block;
  }
  &:has(> td:empty) {
    display: none;
  }
`
const Doing = styled.td`
  display: flex;
  gap: 8px;
  align-items: center;
  ${phone} {
    justify-self: end;
  }
`
const Box = styled.td`
  min-width: 0;
  > small {
    display: none;
    font-size: var(--note);
    color: var(--ink-3);
  }
  b {
    font-weight: 450;
  }
  &&[data-end] {
    text-align: right;
  }
  ${phone} {
    display: grid;
    grid-template-columns: minmax(0, 0.8fr) minmax(0, 1.2fr);
    gap: 10px;
    align-items: center;
    &&[data-end] {
      text-align: left;
    }
    > small {
      display: block;
    }
    &:has(> div:empty),
    &:has(> b:empty) {
      display: none;
    }
  }
`
