import type { JudgedTest } from '@hestian/core'
import styled from 'styled-components'
import { useReadBy } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Mark } from '../ui/icons'
import { phone } from '../ui/phone'
import { Certificate } from './Certificate'

const kinds = { passed: 'pass', failed: 'stop', 'cannot-tell': 'fix', running: 'not-yet' } as const
const words = {
  passed: 'Passed',
  failed: 'Failed',
  'cannot-tell': 'Cannot tell',
  running: 'Not finished',
} as const

/** Earlier tests stay in the record, whatever came of them. */
export function PastTests({ tests }: { readonly tests: readonly JudgedTest[] }) {
  const { show, nameOf, dates } = useReadBy()
  if (tests.length === 0) return null
  return (
    <>
      <SectionHead>Earlier tests</SectionHead>
      <List>
        {tests.map((test) => {
          const figures = test.verdict.outcome === 'running' ? undefined : test.verdict.figures
          return (
            <li key={test.testId}>
              <Mark kind={kinds[test.verdict.outcome]} />
              <b>{words[test.verdict.outcome]}</b>
              <span>
                {test.begun.name && test.begun.name !== 'Tightness' ? `${test.begun.name}: ` : ''}
                {figures ? `fell ${show(figures.fall_Pa, 'gas-pressure')}` : ''}
                {test.repaired ? `; repaired: ${test.repaired.what}` : ''}
              </span>
              <small>
                {dates.dayTime(test.at)}, {nameOf(test.by)}
                {test.ended && (
                  <>
                    , <Certificate testId={test.testId} />
                  </>
                )}
              </small>
            </li>
          )
        })}
      </List>
    </>
  )
}

const List = styled.ul`
  li {
    display: grid;
    grid-template-columns: 22px 96px minmax(0, 1fr) auto;
    gap: 10px;
    align-items: center;
    min-height: 36px;
    border-bottom: 0.8px solid var(--hair);
    font-size: var(--small);
  }
  small {
    font-size: var(--note);
    color: var(--ink-3);
  }
  ${phone} {
    li {
      grid-template-columns: 22px 1fr;
      padding: 6px 0;
    }
    span,
    small {
      grid-column: 2;
    }
  }
`
