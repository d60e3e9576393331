import type { JudgedTest } from '@hestian/core'
import { durationWords, ruleSees_m3_s } from '@hestian/core'
import styled from 'styled-components'
import { useReadBy } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { phone } from '../ui/phone'
import { Certificate } from './Certificate'

/** What was read, beside what it is held against. */
export function TestFigures({ test }: { readonly test: JudgedTest }) {
  const { show, nameOf, dates } = useReadBy()
  const { verdict, run } = test
  const figures = verdict.outcome === 'running' ? verdict.soFar : verdict.figures
  if (!figures) return null
  const p = (si: number) => show(si, 'gas-pressure')
  return (
    <Figures>
      <SectionHead>
        Figures
        <small>
          {dates.dayTime(test.at)}, {nameOf(test.by)}, <Certificate testId={test.testId} />
        </small>
      </SectionHead>
      <dl>
        <div>
          <dt>At the start</dt>
          <dd>{p(figures.start_Pa)}</dd>
        </div>
        <div>
          <dt>At the end</dt>
          <dd>{p(figures.end_Pa)}</dd>
        </div>
        <div>
          <dt>Counts as no movement</dt>
          <dd>{p(run.plan.perceptible_Pa)}</dd>
        </div>
        <div>
          <dt>A leak that would move it so</dt>
          <dd>{show(ruleSees_m3_s(run.plan), 'leak-flow')}</dd>
        </div>
        <div>
          <dt>Largest that may stay hidden</dt>
          <dd>{show(run.plan.permittedLeak_m3_s, 'leak-flow')}</dd>
        </div>
        {figures.tempChange_K !== undefined && (
          <div>
            <dt>The pipe changed</dt>
            <dd>{show(figures.tempChange_K, 'temperature-difference', 2)}</dd>
          </div>
        )}
        <div>
          <dt>Longest gap between readings</dt>
          <dd>{durationWords(figures.longestGap_s)}</dd>
        </div>
      </dl>
      <small>
        {run.plan.methodSource.says}. Permitted leak: {run.plan.permittedLeakSource.says}.
      </small>
    </Figures>
  )
}

const Figures = styled.section`
  dl {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0 28px;
  }
  dl div {
    display: flex;
    justify-content: space-between;
    border-bottom: 0.8px solid var(--hair);
    min-height: 32px;
    align-items: center;
    font-size: var(--small);
  }
  dd {
    font-weight: 650;
    font-feature-settings: 'tnum';
  }
  > small {
    font-size: var(--note);
    color: var(--ink-3);
  }
  ${phone} {
    dl {
      grid-template-columns: 1fr;
    }
  }
`
