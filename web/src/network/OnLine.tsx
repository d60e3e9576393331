import { ToggleButtonGroup } from 'react-aria-components'
import styled from 'styled-components'

/** A line of things that are put on and off while one looks at the drawing. */
export const OnLine = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  padding: 4px 0;
  > span {
    font: 650 var(--small)/20px var(--head);
  }
  p {
    color: var(--ink-2);
    font-size: var(--small);
    flex: 1 1 260px;
  }
  p b {
    color: var(--ink);
  }
`
export const OnGroup = styled(ToggleButtonGroup)`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  button {
    border: 1.5px dashed var(--rule);
    background: transparent;
    color: var(--pencil);
    border-radius: 4px;
    min-height: 36px;
    padding: 4px 12px;
    cursor: pointer;
    font: 450 var(--small)/20px var(--text);
    &[data-selected] {
      border: 1.5px solid var(--ink);
      color: var(--ink);
      background: var(--select);
    }
    &[data-focus-visible] {
      outline: 3px solid var(--ink);
    }
  }
  @media (pointer: coarse) {
    button {
      min-height: 48px;
    }
  }
`
