import { useId, useRef, useState } from 'react'
import { Button as AriaButton } from 'react-aria-components'
import styled from 'styled-components'
import { Options } from './lateEditor'

export interface ChoiceProps<K extends string> {
  readonly label: string
  readonly value: K | null
  readonly options: readonly { readonly id: K; readonly text: string }[]
  readonly onChoose: (id: K) => void
  readonly labelled?: boolean
  readonly isDisabled?: boolean
}

/**
 * One of a few. What it says stands there at once; the list is fetched after the page, and drawn
 * while it is open. Closed, no key changes the answer.
 */
export function Choice<K extends string>(props: ChoiceProps<K>) {
  const { label, value, options, onChoose, labelled, isDisabled } = props
  const id = useId()
  const trigger = useRef<HTMLButtonElement>(null)
  const [isOpen, setOpen] = useState(false)
  const said = options.find((option) => option.id === value)?.text
  return (
    <Pick>
      {labelled && <span id={`${id}-label`}>{label}</span>}
      <AriaButton
        ref={trigger}
        id={id}
        {...(labelled ? {} : { 'aria-label': label })}
        aria-labelledby={`${id}-value ${labelled ? `${id}-label` : id}`}
        aria-haspopup="listbox"
        aria-expanded={isOpen}
        isDisabled={isDisabled ?? false}
        onPress={() => setOpen(true)}
        onKeyDown={(event) => {
          if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp')
            return event.continuePropagation()
          // Else the list that opens is scrolled by the same key.
          event.preventDefault()
          setOpen(true)
        }}
      >
        <span id={`${id}-value`}>{said ?? <i>choose</i>}</span>
        <span aria-hidden>▾</span>
      </AriaButton>
      {isOpen && (
        <Options
          {...{ label, options, value, trigger }}
          onChoose={(key) => {
            setOpen(false)
            if (key !== value) onChoose(key as K)
          }}
          onClose={() => setOpen(false)}
        />
      )}
    </Pick>
  )
}

const Pick = styled.div`
  display: grid;
  gap: 2px;
  min-width: 0;
  align-content: start;
  > span {
    font: 400 var(--small)/20px var(--text);
    color: var(--ink-2);
  }
  button {
    display: flex;
    justify-content: space-between;
    gap: 8px;
    align-items: center;
    min-height: 35px;
    background: transparent;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    padding: 3px 4px;
    cursor: pointer;
    text-align: left;
    font: 450 var(--plain)/20px var(--text);
    width: 100%;
  }
  button i {
    font-style: normal;
    color: var(--pencil);
  }
  button[data-hovered] {
    background: var(--select);
  }
  @media (pointer: coarse) {
    button {
      min-height: 48px;
    }
  }
`
