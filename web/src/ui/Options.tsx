import type { RefObject } from 'react'
import { ListBox, ListBoxItem, Popover } from 'react-aria-components'
import styled from 'styled-components'

interface OptionsProps {
  readonly label: string
  readonly value: string | null
  readonly options: readonly { readonly id: string; readonly text: string }[]
  /** What opened it: it stands under that, as wide. */
  readonly trigger: RefObject<HTMLElement | null>
  readonly onChoose: (id: string) => void
  readonly onClose: () => void
}

/** What can be chosen, while it is open; what is chosen already may be chosen again. */
export function Options({ label, value, options, trigger, onChoose, onClose }: OptionsProps) {
  return (
    <Frame
      aria-label={label}
      triggerRef={trigger}
      isOpen
      onOpenChange={onClose}
      placement="bottom start"
    >
      <ListBox
        aria-label={label}
        autoFocus={value === null ? 'first' : true}
        shouldSelectOnPressUp
        shouldFocusOnHover
        disallowEmptySelection
        selectionMode="single"
        selectedKeys={value === null ? [] : [value]}
        onSelectionChange={([key]: Iterable<unknown>) => onChoose(String(key))}
        {...{ allowDuplicateSelectionEvents: true }}
      >
        {options.map(({ id, text }) => (
          <ListBoxItem key={id} id={id}>
            {text}
          </ListBoxItem>
        ))}
      </ListBox>
    </Frame>
  )
}

const Frame = styled(Popover)`
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  min-width: var(--trigger-width);
  max-height: 60vh;
  display: grid;
  grid-template-rows: minmax(0, 1fr);
  [role='listbox'] {
    overflow: auto;
    outline: none;
  }
  [role='option'] {
    padding: 8px 12px;
    min-height: 40px;
    cursor: pointer;
  }
  [role='option'][data-focused],
  [role='option'][data-hovered] {
    background: var(--select);
  }
  [role='option'][data-selected] {
    font-weight: 650;
  }
`
