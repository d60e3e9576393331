import type { ReactNode } from 'react'
import { Dialog, Modal, ModalOverlay } from 'react-aria-components'
import styled from 'styled-components'

interface WindowProps {
  /** Where no heading of slot `title` says it. */
  readonly label?: string
  /** Where it may be left without an answer. */
  readonly onClose?: () => void
  /** Something that must be answered. */
  readonly isAlert?: boolean
  /** At the foot of the screen, beside what opened it. */
  readonly isAtFoot?: boolean
  /** What is said where a window cannot be fetched. */
  readonly notHere?: string
  readonly className?: string
  readonly children: ReactNode
}

/** A window over the page, while it is open. */
export const Window = ({ label, onClose, isAlert, isAtFoot, ...shown }: WindowProps) => (
  <Overlay
    isOpen
    isDismissable={onClose !== undefined}
    onOpenChange={() => onClose?.()}
    data-foot={isAtFoot || undefined}
  >
    <Modal>
      <Dialog
        {...(label === undefined ? {} : { 'aria-label': label })}
        {...(shown.className === undefined ? {} : { className: shown.className })}
        role={isAlert ? 'alertdialog' : 'dialog'}
      >
        {shown.children}
      </Dialog>
    </Modal>
  </Overlay>
)

const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  place-items: center;
  &[data-foot] {
    place-items: end center;
  }
  z-index: 50;
  background: color-mix(in srgb, var(--off-bg) 60%, transparent);
  [role='dialog'],
  [role='alertdialog'] {
    outline: none;
    box-sizing: border-box;
    max-height: 92dvh;
    overflow: auto;
  }
`
