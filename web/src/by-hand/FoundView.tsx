import type { Found } from '@hestian/core'
import styled from 'styled-components'

export const marks = { passed: 'pass', failed: 'stop', 'cannot-tell': 'fix' } as const
const words = { passed: 'Passes', failed: 'Fails', 'cannot-tell': 'Cannot tell' } as const

/** What a reading comes to: the sentence, and the figures that follow from it. */
export function FoundView({ found }: { readonly found: Found }) {
  return (
    <Frame data-outcome={found.outcome}>
      <p>
        <b>{words[found.outcome]}.</b> {found.says}
      </p>
      {found.figures.length > 0 && (
        <dl>
          {found.figures.map(({ label, told }) => (
            <div key={label}>
              <dt>{label}</dt>
              <dd>{told}</dd>
            </div>
          ))}
        </dl>
      )}
    </Frame>
  )
}

const Frame = styled.div`
  && > p {
    color: var(--ink);
    margin: 2px 0 6px;
  }
  &[data-outcome='failed'] > p b {
    color: var(--stop);
  }
  &[data-outcome='passed'] > p b {
    color: var(--pass);
  }
  &[data-outcome='cannot-tell'] > p b {
    color: var(--look);
  }
  dl {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
    gap: 0 28px;
    margin-bottom: 6px;
  }
  dl div {
    display: flex;
    justify-content: space-between;
    gap: 10px;
    border-bottom: 0.8px solid var(--hair);
    padding: 4px 0;
    font-size: var(--small);
  }
  dd {
    font-weight: 650;
    font-feature-settings: 'tnum';
    white-space: nowrap;
  }
`
