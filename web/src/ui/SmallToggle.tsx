import styled from 'styled-components'
import { Toggle } from './Toggle'

/** A switch that stands under a value in a table. */
export const SmallToggle = styled(Toggle)`
  && {
    padding: 2px 0;
    min-height: 26px;
    gap: 8px;
    font-size: var(--note);
    line-height: 17px;
    color: var(--ink-2);
  }
  && > i {
    transform: scale(0.72);
    transform-origin: left center;
    margin-right: -12px;
  }
  @media (pointer: coarse) {
    && {
      min-height: 48px;
    }
  }
`
