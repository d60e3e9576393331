import type { RowsRead, TableRow } from '@hestian/core'
import type { ReactElement } from 'react'
import { lazy, Suspense } from 'react'
import {
  Button as AriaButton,
  Dialog,
  DialogTrigger,
  Modal,
  ModalOverlay,
} from 'react-aria-components'
import styled from 'styled-components'
import { useStanding } from '../job/JobContext'
import { Button } from '../ui/Button'
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
        <DialogTrigger>
          <Opener>Paste or read a table</Opener>
          <Over>
            <Modal>
              <Dialog aria-label="Pipes from a table">
                {({ close }) => (
                  <Suspense>
                    <TableReader {...props} close={close} />
                  </Suspense>
                )}
              </Dialog>
            </Modal>
          </Over>
        </DialogTrigger>
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
const Over = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  background: color-mix(in srgb, var(--off-bg) 60%, transparent);
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  justify-items: center;
  align-items: center;
  padding: 16px;
  z-index: 40;
  > * {
    background: var(--paper);
    border: 1.5px solid var(--ink);
    max-width: 720px;
    width: 100%;
    min-width: 0;
    box-sizing: border-box;
    max-height: 92dvh;
    overflow: auto;
  }
`
