import { useState } from 'react'
import { ToggleButton, ToggleButtonGroup } from 'react-aria-components'
import styled from 'styled-components'
import { phone } from './phone'

type Theme = 'paper' | 'cellar'

/** Paper for the office, cellar for the dark. */
export function ThemeSwitch() {
  const [theme, setTheme] = useState<Theme>(() =>
    document.documentElement.dataset.theme === 'cellar' ? 'cellar' : 'paper',
  )
  const choose = (next: Theme) => {
    document.documentElement.dataset.theme = next
    try {
      localStorage.setItem('theme', next)
    } catch {
      /* the choice then lasts for this page */
    }
    setTheme(next)
  }
  return (
    <Group
      aria-label="Theme"
      selectionMode="single"
      disallowEmptySelection
      selectedKeys={[theme]}
      onSelectionChange={(keys) => {
        const [key] = [...keys]
        if (key === 'paper' || key === 'cellar') choose(key)
      }}
    >
      <ToggleButton id="paper">Paper</ToggleButton>
      <ToggleButton id="cellar">Cellar</ToggleButton>
    </Group>
  )
}

const Group = styled(ToggleButtonGroup)`
  display: flex;
  gap: 14px;
  padding: 0 16px;
  height: 100%;
  button {
    border: 0;
    background: none;
    padding: 0 2px;
    min-height: 43px;
    cursor: pointer;
    font: 450 var(--small)/20px var(--head);
    color: var(--ink-3);
    border-bottom: 3px solid transparent;
  }
  button[data-selected] {
    color: var(--ink);
    font-weight: 650;
    border-bottom-color: var(--ink);
  }
  ${phone} {
    button[data-selected] {
      display: none;
    }
    button {
      min-width: 48px;
    }
  }
`
