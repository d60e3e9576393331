import type { ReactNode, RefObject } from 'react'
import { Dialog, Popover } from 'react-aria-components'
import styled from 'styled-components'

interface BesideProps {
  readonly label: string
  /** What opened it. */
  readonly trigger: RefObject<HTMLElement | null>
  readonly onClose: () => void
  readonly children: ReactNode
}

/** Something opened from a row, beside it, while it is open. */
export const Beside = ({ label, trigger, onClose, children }: BesideProps) => (
  <Frame triggerRef={trigger} isOpen onOpenChange={onClose} placement="bottom end" offset={2}>
    <Dialog aria-label={label}>{children}</Dialog>
  </Frame>
)

const Frame = styled(Popover)`
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  width: min(420px, calc(100vw - 16px));
  padding: 16px;
  max-height: 90vh;
  overflow: auto;
`
