import type { ReactNode } from 'react'
import styled from 'styled-components'
import { rowId } from './QuantityRow'
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
    <Frame aria-label={label} style={{ ['--columns' as string]: columns }}>
      {heads.some((head) => head !== '') && (
        <Heads aria-hidden>
          {heads.map((head, i) => (
            <span key={i} data-end={head.startsWith('>') || undefined}>
              {head.replace('>', '')}
            </span>
          ))}
        </Heads>
      )}
      <ul>{children}</ul>
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
  <li>
    <Line data-place={place} id={rowId(place)}>
      {children}
    </Line>
    <NotesHere place={place} />
  </li>
)

/** A value in a row, with its head beside it on a phone. */
export const Cell = ({
  head,
  end,
  children,
}: {
  readonly head: string
  readonly end?: boolean
  readonly children?: ReactNode
}) => (
  <Box data-end={end || undefined}>
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
  <Box data-end>
    <small>{head}</small>
    <b className="tnum">{of && children ? <Worked of={of}>{children}</Worked> : children}</b>
  </Box>
)

const Frame = styled.section`
  margin-bottom: 6px;
`
const Heads = styled.div`
  display: grid;
  grid-template-columns: var(--columns);
  gap: 12px;
  font: 650 var(--note)/20px var(--head);
  color: var(--ink-2);
  border-bottom: 0.8px solid var(--rule);
  padding: 4px 0;
  align-items: end;
  span {
    min-width: 0;
  }
  span[data-end] {
    text-align: right;
  }
  ${phone} {
    display: none;
  }
`
const Line = styled.div`
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
    > button:last-child {
      justify-self: end;
    }
  }
`
const Box = styled.div`
  min-width: 0;
  > small {
    display: none;
    font-size: var(--note);
    color: var(--ink-3);
  }
  b {
    font-weight: 450;
  }
  &[data-end] {
    text-align: right;
  }
  ${phone} {
    display: grid;
    grid-template-columns: minmax(0, 0.8fr) minmax(0, 1.2fr);
    gap: 10px;
    align-items: center;
    &[data-end] {
      text-align: left;
    }
    > small {
      display: block;
    }
    &:has(> div:empty) {
      display: none;
    }
  }
`
