import styled from 'styled-components'

/** A pipe in the sizes next to its own, in the margin. */
export const SizesFrame = styled.section`
  padding-bottom: 12px;
  h3 {
    font: 650 var(--head-3)/24px var(--head);
    small {
      font: 400 var(--small)/20px var(--text);
      color: var(--ink-3);
    }
  }
  p {
    font-size: var(--small);
    color: var(--ink-2);
  }
  li {
    display: grid;
    grid-template-columns: 78px 1fr 22px;
    gap: 6px;
    align-items: center;
    padding: 8px 6px;
    border-bottom: 0.8px solid var(--hair);
    margin: 0 -6px;
    b {
      font: 650 22px/26px var(--head);
    }
    div {
      display: grid;
      font-size: var(--small);
      line-height: 19px;
    }
    em {
      font-style: normal;
      font-weight: 650;
      color: var(--pass);
    }
    em[data-over] {
      color: var(--stop);
    }
  }
  li[data-current] {
    background: var(--select);
    border-top: 1.5px solid var(--ink);
    border-bottom: 1.5px solid var(--ink);
  }
`
