import type { SheetId } from '@hestian/core'
import { openUnsafe } from '@hestian/core'
import { useState } from 'react'
import { Button as AriaButton } from 'react-aria-components'
import styled from 'styled-components'
import { useStanding } from '../job/JobContext'
import { Mark } from '../ui/icons'
import { late } from '../ui/late'
import { Window } from '../ui/lateEditor'
import { phone } from '../ui/phone'

/** The job stays usable; what is unsafe is not left unsaid for want of a form. */
const notHere =
  'This form is not on this device yet, and the server does not answer. Make it safe and write it down on paper; open the page again when there is a signal, and record it then.'

const UnsafeForm = late(
  async () => (await import('../unsafe/UnsafeForm')).UnsafeForm,
  <p role="status">Fetching …</p>,
)

/** From every sheet: something here is unsafe. While it is, it says so. */
export function Unsafe({ sheet }: { readonly sheet: SheetId }) {
  const { judgement } = useStanding()
  const [isOpen, setOpen] = useState(false)
  const open = openUnsafe(judgement.unsafe).length
  const close = () => setOpen(false)
  return (
    <>
      <Press
        data-open={open > 0 || undefined}
        aria-label={open > 0 ? `Unsafe: ${open} open` : 'Unsafe situation'}
        aria-haspopup="dialog"
        aria-expanded={isOpen}
        onPress={() => setOpen(true)}
      >
        <Mark kind={open > 0 ? 'stop' : 'not-yet'} size={18} />
        <span>{open > 0 ? `Unsafe: ${open}` : 'Unsafe'}</span>
      </Press>
      {isOpen && (
        <Sheet notHere={notHere} onClose={close}>
          <UnsafeForm notHere={notHere} sheet={sheet} onClose={close} />
        </Sheet>
      )}
    </>
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
const Sheet = styled(Window)`
  background: var(--paper);
  color: var(--ink);
  width: min(680px, 100vw);
  padding: 20px 24px;
  border-top: 4px solid var(--stop);
`
