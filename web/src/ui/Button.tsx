import { Button as AriaButton, type ButtonProps as AriaProps } from 'react-aria-components'
import styled from 'styled-components'

interface ButtonProps extends AriaProps {
  /**
   * `go` is the one next thing to do on a screen; `text` is an underlined action; `wait` names what
   * it waits for.
   */
  readonly look?: 'go' | 'line' | 'text' | 'wait'
}

export function Button({ look = 'line', ...props }: ButtonProps) {
  return look === 'text' ? <TextAction {...props} /> : <Frame {...props} data-look={look} />
}

const Frame = styled(AriaButton)`
  min-height: 48px;
  padding: 8px 20px;
  border-radius: 4px;
  cursor: pointer;
  font: 650 var(--lead)/22px var(--head);
  text-align: center;
  background: transparent;
  color: var(--ink);
  border: 1.5px solid var(--ink);
  &[data-look='go'] {
    background: var(--ember);
    border-color: var(--ember);
    color: var(--on-ember);
    min-height: 56px;
  }
  &[data-look='wait'] {
    border: 1.5px dashed var(--rule);
    color: var(--pencil);
  }
  &[data-hovered]:not([data-look='go']) {
    background: var(--sunk);
  }
  &[data-look='go'][data-hovered] {
    filter: brightness(1.08);
  }
  &[data-pressed] {
    transform: translateY(1px);
  }
  &[data-disabled] {
    opacity: 1;
    cursor: default;
    border-style: dashed;
    color: var(--pencil);
    background: transparent;
    border-color: var(--rule);
  }
`
const TextAction = styled(AriaButton)`
  padding: 4px 0;
  min-height: 28px;
  border: 0;
  background: none;
  cursor: pointer;
  color: var(--ember-ink);
  font: 650 var(--plain)/20px var(--text);
  text-decoration: underline;
  text-decoration-thickness: 2px;
  text-underline-offset: 3px;
  text-align: left;
  &[data-hovered] {
    color: var(--ink);
  }
  &[data-disabled] {
    color: var(--pencil);
    text-decoration: none;
    cursor: default;
  }
  @media (pointer: coarse) {
    min-height: 48px;
  }
`
