import type { SheetId } from '@hestian/core'
import { openUnsafe } from '@hestian/core'
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
import { Mark } from '../ui/icons'
import { phone } from '../ui/phone'

const UnsafeForm = lazy(async () => {
  try {
    return { default: (await import('../unsafe/UnsafeForm')).UnsafeForm }
  } catch {
    return { default: NotHere }
  }
})

/** The job stays usable; what is unsafe is not left unsaid for want of a form. */
function NotHere() {
  return (
    <p role="alert">
      This form is not on this device yet, and the server does not answer. Make it safe and write it
      down on paper; open the page again when there is a signal, and record it then.
    </p>
  )
}

/** From every sheet: something here is unsafe. While it is, it says so. */
export function Unsafe({ sheet }: { readonly sheet: SheetId }) {
  const { judgement } = useStanding()
  const open = openUnsafe(judgement.unsafe).length
  return (
    <DialogTrigger>
      <Press
        data-open={open > 0 || undefined}
        aria-label={open > 0 ? `Unsafe: ${open} open` : 'Unsafe situation'}
      >
        <Mark kind={open > 0 ? 'stop' : 'not-yet'} size={18} />
        <span>{open > 0 ? `Unsafe: ${open}` : 'Unsafe'}</span>
      </Press>
      <Overlay isDismissable>
        <Modal>
          <Sheet>
            {({ close }) => (
              <Suspense fallback={<p role="status">Fetching …</p>}>
                <UnsafeForm sheet={sheet} onClose={close} />
              </Suspense>
            )}
          </Sheet>
        </Modal>
      </Overlay>
    </DialogTrigger>
  )
}

const Press = styled(AriaButton)`
  display: flex;
  gap: 8px;
  align-items: center;
  height: 100%;
  padding: 0 16px;
  border: 0;
  background: none;
  cursor: pointer;
  color: var(--ink-2);
  font: 450 var(--small)/20px var(--text);
  white-space: nowrap;
  &[data-open] {
    color: var(--stop);
    font-weight: 650;
  }
  &[data-hovered] {
    color: var(--ink);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--ink);
    outline-offset: -4px;
  }
  ${phone} {
    padding: 0 8px;
    span {
      display: none;
    }
  }
`
const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  background: rgb(0 0 0 / 45%);
  display: grid;
  place-items: center;
  z-index: 40;
`
const Sheet = styled(Dialog)`
  background: var(--paper);
  color: var(--ink);
  width: min(680px, 100vw);
  max-height: 92vh;
  overflow: auto;
  padding: 20px 24px;
  border-top: 4px solid var(--stop);
  outline: none;
`
