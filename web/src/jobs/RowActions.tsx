import type { BoardRow } from '@hestian/core'
import { Ellipsis } from 'lucide-react'
import { lazy, Suspense, useRef, useState } from 'react'
import { Button as AriaButton } from 'react-aria-components'
import styled from 'styled-components'

const RowMenu = lazy(async () => ({ default: (await import('./RowMenu')).RowMenu }))

/** Opens what can be done with a whole job. */
export function RowActions({ row }: { readonly row: BoardRow }) {
  const trigger = useRef<HTMLButtonElement>(null)
  const [isOpen, setIsOpen] = useState(false)
  const [wasOpened, setWasOpened] = useState(false)
  return (
    <>
      <More
        ref={trigger}
        aria-label={`More for ${row.name}`}
        aria-haspopup="dialog"
        aria-expanded={isOpen}
        onPress={() => {
          setWasOpened(true)
          setIsOpen(true)
        }}
      >
        <Ellipsis aria-hidden size={20} />
      </More>
      {wasOpened && (
        <Suspense>
          <RowMenu row={row} trigger={trigger} isOpen={isOpen} onOpenChange={setIsOpen} />
        </Suspense>
      )}
    </>
  )
}

const More = styled(AriaButton)`
  border: 0;
  background: none;
  min-width: 48px;
  min-height: 48px;
  cursor: pointer;
  color: var(--ink-2);
  &[data-hovered] {
    background: var(--sunk);
  }
`
