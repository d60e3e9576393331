import styled from 'styled-components'
import { phone } from '../ui/phone'

export const Scroll = styled.div`
  background: var(--sheet);
  margin: 0 -14px 0 -24px;
  padding: 6px 14px 8px 24px;
  border-top: 1.2px solid var(--rule);
  > small {
    font-size: var(--note);
    color: var(--ink-3);
    display: block;
    padding: 4px 0;
  }
  ${phone} {
    margin: 0 -14px 0 -12px;
    padding: 6px 14px 8px 12px;
  }
`
export const Grid = styled.div`
  overflow-x: auto;
  font-size: var(--small);
  > * {
    min-width: 620px;
  }
  ${phone} {
    --columns: minmax(0, 1fr) 50px 58px 62px !important;
    > * {
      min-width: 0;
    }
    [role='columnheader']:nth-child(n + 4):not(:last-child),
    [data-pipe] > span:nth-child(n + 4):not(:last-child) {
      display: none;
    }
  }
`
export const Head = styled.div`
  display: grid;
  grid-template-columns: var(--columns);
  gap: 10px;
  align-items: end;
  border-bottom: 1.5px solid var(--ink);
  padding: 4px 6px;
  font: 650 var(--small)/20px var(--head);
  span {
    text-align: right;
  }
  span:first-child {
    text-align: left;
  }
  i {
    font: 400 var(--note)/20px var(--text);
    color: var(--ink-3);
    font-style: normal;
    display: block;
  }
  button {
    background: none;
    border: 0;
    padding: 0;
    font: inherit;
    color: inherit;
    cursor: pointer;
    min-height: 24px;
    text-decoration: underline;
    text-decoration-color: var(--rule);
    text-underline-offset: 3px;
  }
  button:hover {
    color: var(--ember-ink);
  }
`
export const Row = styled.div`
  display: grid;
  grid-template-columns: var(--columns);
  gap: 10px;
  align-items: center;
  min-height: 32px;
  padding: 2px 6px;
  border-bottom: 0.8px solid var(--hair);
  cursor: pointer;
  content-visibility: auto;
  contain-intrinsic-height: 32px;
  font-feature-settings: 'tnum';
  > span {
    text-align: right;
    min-width: 0;
    position: relative;
  }
  > span:first-child {
    text-align: left;
  }
  > span:first-child[data-depth]::before {
    content: '';
    display: inline-block;
    width: 9px;
    height: 9px;
    margin-right: 6px;
    border-left: 1.5px solid var(--rule);
    border-bottom: 1.5px solid var(--rule);
    vertical-align: 3px;
  }
  &:hover {
    background: var(--sunk);
  }
  &[data-selected] {
    background: var(--select);
    box-shadow: inset 4px 0 0 var(--ink);
    > span:first-child {
      font-weight: 650;
    }
  }
  &:focus-visible {
    outline: 3px solid var(--ink);
    outline-offset: -3px;
  }
  b {
    font-weight: 450;
    border-bottom: 1.5px solid var(--ink);
    &[data-pencil] {
      color: var(--pencil);
      border-bottom: 1.5px dashed var(--pencil);
    }
  }
  em {
    font-style: normal;
    font-size: var(--note);
    border: 1px solid var(--rule);
    border-radius: 2px;
    padding: 0 6px;
    color: var(--ink-2);
    margin-left: 8px;
    font-weight: 400;
    white-space: nowrap;
    display: inline-block;
  }
  [data-chosen] {
    color: var(--ink-2);
  }
  input {
    width: 100%;
    min-width: 0;
    box-sizing: border-box;
    min-height: 28px;
    font: 450 var(--small)/20px var(--text);
    background: var(--paper);
    border: 0;
    border-bottom: 2px solid var(--ink);
    padding: 2px 4px;
  }
  [role='gridcell'] input {
    text-align: right;
  }
  @media (pointer: coarse) {
    min-height: 48px;
  }
`
/** Opens and closes what branches off; by keyboard the arrows do. */
export const FoldMark = styled.button.attrs({ type: 'button' })`
  position: absolute;
  top: 50%;
  width: 24px;
  height: 28px;
  margin-top: -14px;
  padding: 0;
  background: none;
  border: 0;
  font: inherit;
  color: var(--ink-2);
  cursor: pointer;
  &:hover {
    color: var(--ember-ink);
  }
  @media (pointer: coarse) {
    width: 44px;
    height: 44px;
    margin: -22px 0 0 -10px;
  }
  @media print {
    display: none;
  }
`
/** The place of a row that is not looked at: its height, and its name for who searches the page. */
export const Far = styled.div`
  height: 33px;
  padding: 4px 6px;
  overflow: hidden;
  color: var(--ink-3);
  @media (pointer: coarse) {
    height: 49px;
  }
`
export const Says = styled.div`
  background: var(--stop-wash);
  color: var(--ink);
  border-bottom: 1.5px solid var(--stop);
  padding: 6px 8px;
  font-size: var(--small);
  line-height: 19px;
  text-align: right;
`
export const Empty = styled.p`
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 14px 0;
  color: var(--ink-2);
`
export const Keys = styled.div`
  display: flex;
  gap: 12px;
  flex-wrap: wrap;
  align-items: center;
  padding: 10px 0 4px;
  span {
    font-size: var(--note);
    line-height: 20px;
    color: var(--ink-3);
    flex: 1 1 260px;
  }
  kbd {
    font: 650 var(--note)/18px var(--text);
    border: 1px solid var(--rule);
    border-radius: 2px;
    padding: 0 5px;
    background: var(--paper);
    color: var(--ink-2);
  }
  @media (pointer: coarse) {
    span {
      display: none;
    }
  }
`
