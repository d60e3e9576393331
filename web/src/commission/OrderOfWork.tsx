import type { JudgedStep } from '@hestian/core'
import styled from 'styled-components'
import { useJob } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Mark } from '../ui/icons'

interface OrderProps {
  readonly steps: readonly JudgedStep[]
  readonly done: number
  readonly shown: string | undefined
  readonly onPick: (id: string) => void
}

export function OrderOfWork({ steps, done, shown, onPick }: OrderProps) {
  const { show, judgement, dates } = useJob()
  return (
    <Column>
      <SectionHead>
        The order of work
        <small>
          {done} of {steps.length} done
        </small>
      </SectionHead>
      <ol>
        {steps.map(({ step, number, progress }) => {
          const isNow = progress.state === 'now'
          const blocked =
            progress.state === 'after'
              ? judgement.off.find((item) => item.body.backBefore === step.id)
              : undefined
          const outside = progress.state === 'done' && progress.within === false
          return (
            <li key={step.id}>
              <Row
                type="button"
                data-now={isNow || undefined}
                data-shown={step.id === shown || undefined}
                aria-current={isNow ? 'step' : undefined}
                onClick={() => onPick(step.id)}
              >
                <Mark
                  kind={
                    progress.state === 'done'
                      ? outside
                        ? 'stop'
                        : 'pass'
                      : isNow
                        ? 'now'
                        : 'not-yet'
                  }
                />
                <span className="tnum">{number}</span>
                <span>
                  {step.short}
                  {blocked && <em>waits for: {blocked.body.name}</em>}
                  {outside && <em>outside its limit</em>}
                </span>
                <b>
                  {progress.state === 'done'
                    ? step.reading && progress.si !== undefined
                      ? show(progress.si, step.reading.measure)
                      : dates.dayOf(progress.at)
                    : isNow
                      ? 'now'
                      : `after ${number - 1}`}
                </b>
              </Row>
            </li>
          )
        })}
      </ol>
    </Column>
  )
}

const Column = styled.aside`
  border-left: 5px double var(--rule);
  padding: 12px 0 16px;
  > h3 {
    margin: 0 20px;
  }
  @media (max-width: 1000px) {
    border-left: 0;
  }
`
const Row = styled.button`
  display: grid;
  grid-template-columns: 22px 22px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 38px;
  padding: 5px 20px;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
  font-size: var(--small);
  line-height: 19px;
  color: var(--ink-2);
  position: relative;
  &::after {
    content: '';
    position: absolute;
    left: 20px;
    right: 20px;
    bottom: 0;
    border-bottom: 0.8px solid var(--hair);
  }
  em {
    display: block;
    font-style: normal;
    font-size: var(--note);
    color: var(--look);
    font-weight: 650;
  }
  b {
    font-weight: 450;
    font-size: var(--small);
    color: var(--ink-2);
    font-feature-settings: 'tnum';
  }
  &:hover {
    background: var(--select);
  }
  &[data-shown]:not([data-now]) {
    background: var(--select);
  }
  &[data-now] {
    background: var(--off-bg);
    color: var(--off-fg);
    min-height: 48px;
    font: 650 var(--lead)/20px var(--head);
    b {
      color: var(--off-fg);
    }
  }
  &[data-now]:focus-visible {
    outline-color: var(--ember);
    outline-offset: -4px;
  }
  @media (pointer: coarse) {
    min-height: 48px;
  }
`
