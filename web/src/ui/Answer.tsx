import type { ReactNode } from 'react'
import styled from 'styled-components'
import { phone } from './phone'

/** The answer: one sentence, numbers in bold, before anything else. */
export const Answer = ({ children }: { readonly children: ReactNode }) => (
  <Sentence>{children}</Sentence>
)

/** The verdict and one line of reason. */
export const VerdictLine = styled.div`
  display: flex;
  gap: 12px;
  align-items: center;
  margin: 8px 0 12px;
  font-size: var(--plain);
  color: var(--ink-2);
  b {
    color: var(--ink);
  }
  > span:last-child {
    min-width: 0;
  }
  ${phone} {
    flex-wrap: wrap;
  }
`

const Sentence = styled.h2`
  font: 450 43px/46px var(--head);
  font-stretch: 94%;
  color: var(--ink-2);
  text-wrap: balance;
  letter-spacing: -0.005em;
  b {
    font-weight: 700;
    color: var(--ink);
    white-space: nowrap;
  }
  ${phone} {
    font-size: 28px;
    line-height: 31px;
    b {
      white-space: normal;
    }
  }
`
/** A heading over a rule, with an aside at its end. */
export const SectionHead = styled.h3.attrs({ 'data-part': true } as object)`
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 12px;
  font: 650 var(--plain)/25px var(--head);
  border-bottom: 1.5px solid var(--ink);
  margin-top: 6px;
  scroll-margin-top: 8px;
  outline-offset: 2px;
  small {
    font: 400 var(--note)/20px var(--text);
    color: var(--ink-3);
  }
`
export const Prose = styled.p`
  color: var(--ink-2);
  max-width: 64ch;
  margin: 6px 0;
`
