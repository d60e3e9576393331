import type { RowsRead, TableRow } from '@hestian/core'
import type { ReactElement } from 'react'
import { lazy, Suspense, useState } from 'react'
import { Button as AriaButton } from 'react-aria-components'
import styled from 'styled-components'
import { useStanding } from '../job/JobContext'
import { Button } from '../ui/Button'
import { Window } from '../ui/lateEditor'
import { saveFile } from '../ui/saveFile'

type Reading = <S>(props: TableIoProps<S> & { readonly close: () => void }) => ReactElement
const TableReader = lazy(async () => ({
  default: (await import('./TableReader')).TableReader,
})) as unknown as Reading

export interface TableIoProps<S> {
  readonly fileName: string
  readonly columns: readonly string[]
  readonly rows: () => readonly TableRow[]
  /** Pipes that stand there now. */
  readonly count: number
  readonly read: (rows: readonly TableRow[], from: string) => RowsRead<S>
  readonly onUse: (segments: readonly S[]) => void
}

/** The pipes as a table of text: out as CSV, in from a file or pasted from a spreadsheet. */
export function TableIo<S>(props: TableIoProps<S>) {
  const { frozen } = useStanding()
  const { fileName, columns, rows, count } = props
  const [isOpen, setOpen] = useState(false)
  const close = () => setOpen(false)
  const save = async () => {
    const { toCsv } = await import('./csv')
    saveFile(fileName, 'text/csv', toCsv(columns, rows()))
  }
  return (
    <Bar>
      {count > 0 && (
        <Button look="text" onPress={() => void save()}>
          Save as CSV
        </Button>
      )}
      {!frozen && (
        <Opener aria-haspopup="dialog" aria-expanded={isOpen} onPress={() => setOpen(true)}>
          Paste or read a table
        </Opener>
      )}
      {isOpen && (
        <Over label="Pipes from a table" onClose={close}>
          <Suspense>
            <TableReader {...props} close={close} />
          </Suspense>
        </Over>
      )}
    </Bar>
  )
}

const Bar = styled.div`
  display: flex;
  gap: 22px;
  flex-wrap: wrap;
  align-items: center;
  padding: 2px 0 8px;
`
const Opener = styled(AriaButton)`
  border: 0;
  background: none;
  padding: 4px 0;
  min-height: 28px;
  cursor: pointer;
  color: var(--ember-ink);
  font: 650 var(--plain)/20px var(--text);
  text-decoration: underline;
  text-decoration-thickness: 2px;
  text-underline-offset: 3px;
  &[data-hovered] {
    color: var(--ink);
  }
  @media (pointer: coarse) {
    min-height: 48px;
  }
`
const Over = styled(Window)`
  background: var(--paper);
  border: 1.5px solid var(--ink);
  width: min(720px, calc(100vw - 32px));
`
