import { Switch } from 'react-aria-components'
import styled from 'styled-components'

/** A switch with its words beside it. */
export const Toggle = styled(Switch)`
  display: flex;
  gap: 12px;
  align-items: center;
  min-height: 44px;
  cursor: pointer;
  font-size: var(--plain);
  margin-bottom: 8px;
  i {
    flex: none;
    width: 44px;
    height: 22px;
    border: 1.8px solid var(--ink);
    position: relative;
    background: var(--paper);
  }
  i::after {
    content: '';
    position: absolute;
    top: 2px;
    left: 2px;
    width: 16px;
    height: 14px;
    background: var(--rule);
    transition: left 120ms ease-out;
  }
  &[data-selected] i {
    background: var(--ink);
  }
  &[data-selected] i::after {
    left: 22px;
    background: var(--paper);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--ink);
  }
`
