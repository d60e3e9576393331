import styled from 'styled-components'

/**
 * A thing to be done in a list of such: its mark, its name, what was done; sunk while it is open.
 */
export const DoneRow = styled.li`
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr);
  gap: 12px;
  padding: 10px 6px 10px 4px;
  border-bottom: 0.8px solid var(--hair);
  &[data-open] {
    background: var(--sunk);
  }
  > svg {
    margin-top: 2px;
  }
  p {
    color: var(--ink-2);
    margin: 2px 0 8px;
    max-width: 64ch;
  }
  small {
    display: block;
    color: var(--ink-2);
    font-size: var(--small);
  }
`
/** Its name, and what opens it. */
export const DoneHead = styled.div`
  display: flex;
  gap: 14px;
  justify-content: space-between;
  align-items: baseline;
  b {
    font: 650 var(--lead)/23px var(--head);
  }
  button {
    flex: none;
  }
`
/**
 * The form in an open one: labels over lines to type on, what they were understood as under them,
 * buttons last.
 */
export const DoneForm = styled.form`
  display: grid;
  gap: 10px;
  max-width: 520px;
  label {
    display: block;
    font-size: var(--small);
    color: var(--ink-2);
  }
  input:not([type='checkbox']) {
    width: 100%;
    min-height: 40px;
    font-size: var(--large);
    background: transparent;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    border-radius: 0;
    padding: 4px 6px;
  }
  [slot='description'] {
    font-size: var(--note);
    color: var(--ink-3);
  }
  .react-aria-FieldError {
    font-size: var(--note);
    color: var(--stop);
  }
  > div:last-child {
    display: flex;
    gap: 18px;
    align-items: center;
    flex-wrap: wrap;
  }
`
