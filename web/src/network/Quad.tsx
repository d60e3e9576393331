import styled from 'styled-components'
import { phone } from '../ui/phone'

/** Squared paper behind a drawing; a tall one scrolls inside. */
export const Quad = styled.div`
  margin: 4px -14px 0 -24px;
  padding: 0 14px 6px 24px;
  overflow: auto;
  max-height: 82dvh;
  outline-offset: -3px;
  background:
    repeating-linear-gradient(
      0deg,
      color-mix(in srgb, var(--hair) 45%, transparent) 0 0.8px,
      transparent 0.8px 15px
    ),
    repeating-linear-gradient(
      90deg,
      color-mix(in srgb, var(--hair) 45%, transparent) 0 0.8px,
      transparent 0.8px 15px
    );
  ${phone} {
    margin: 4px -14px 0 -12px;
    padding: 0 10px 6px 10px;
  }
`

/** What one might do, in the margin, while nothing is picked. */
export const Hint = styled.p`
  font-size: var(--small);
  line-height: 20px;
  color: var(--ink-3);
  padding-bottom: 8px;
`
