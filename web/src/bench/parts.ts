import { RadioGroup } from 'react-aria-components'
import styled from 'styled-components'
import { phone } from '../ui/phone'

/** One of several, each a line of its own. */
export const Ways = styled(RadioGroup)`
  display: grid;
  label {
    display: flex;
    gap: 10px;
    align-items: center;
    min-height: 44px;
    cursor: pointer;
    border-bottom: 0.8px solid var(--hair);
  }
  label::before {
    content: '';
    flex: none;
    width: 16px;
    height: 16px;
    border: 1.8px solid var(--ink);
    border-radius: 50%;
  }
  label[data-selected] {
    font-weight: 650;
  }
  label[data-selected]::before {
    background: radial-gradient(var(--ink) 0 4.5px, transparent 5px);
  }
  label[data-focus-visible] {
    outline: 3px solid var(--ink);
  }
`
/** Lines to type on, side by side. */
export const Typed = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
  margin: 12px 0;
  label {
    display: block;
    font-size: var(--small);
    color: var(--ink-2);
  }
  input {
    width: 100%;
    min-height: 44px;
    background: transparent;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    font-size: var(--large);
    padding: 4px;
  }
  small {
    font-size: var(--note);
    color: var(--ink-3);
  }
  ${phone} {
    grid-template-columns: 1fr;
  }
`
