import type { GasTest, Preparation } from '@hestian/core'
import { durationWords, smellOfGas } from '@hestian/core'
import { useState } from 'react'
import { Checkbox } from 'react-aria-components'
import styled from 'styled-components'
import { newId } from '../api/client'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { Answer, SectionHead, VerdictLine } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Mark } from '../ui/icons'
import { useReader } from './useReader'
import { phone } from '../ui/phone'

interface PrepareProps {
  readonly test: GasTest
  /** Tests that have to pass first, by name. */
  readonly before: readonly string[]
}

/**
 * Before the pump: what is disconnected and capped, what is shut, the cautions, and what reads the
 * pressure.
 */
export function Prepare({ test, before }: PrepareProps) {
  const { solution } = useDesign()
  const { act } = useJobActions()
  const { show } = useReadBy()
  const [done, setDone] = useState<readonly string[]>([])
  const reader = useReader(test)
  const [sending, setSending] = useState(false)
  const { plan, preparations, confirms } = test
  const open = [...preparations, ...confirms].filter((one) => !done.includes(one.id))
  const off = preparations.map((one) => ({
    name: one.name,
    state: one.action === 'shut' ? ('shut' as const) : ('disconnected' as const),
    because: test.kind === 'tightness' ? 'gas tightness test' : test.name,
  }))
  const waits = waitsFor(before, open.length) ?? reader.waits
  const begin = async () => {
    setSending(true)
    await act('/tests', {
      testId: newId(),
      test: test.id,
      how: reader.how(),
      prepared: [...done],
      off,
    })
    setSending(false)
  }
  return (
    <>
      <Answer>
        {test.name === 'Tightness' ? 'Pump' : `${test.name}: pump`} to{' '}
        <b>{show(plan.testGauge_Pa, 'gas-pressure')}</b>, settle{' '}
        <b>{durationWords(plan.stabilise_s)}</b>, hold <b>{durationWords(plan.test_s)}</b>.
      </Answer>
      <VerdictLine>
        <span>
          Air or inert gas only, never oxygen. By the rule a fall past{' '}
          <b>{show(plan.perceptible_Pa, 'gas-pressure')}</b> fails; no leak over{' '}
          <b>{show(plan.permittedLeak_m3_s, 'leak-flow')}</b> may stay hidden in{' '}
          <b>{show(plan.volume_m3, 'small-volume')}</b> of pipe. {plan.methodSource.says}.{' '}
          {plan.permittedLeakSource.basis === 'assumed'
            ? 'The permitted leak is an assumed setting.'
            : ''}
        </span>
      </VerdictLine>
      <Cautions>
        <p>
          <Mark kind="stop" size={18} />{' '}
          <span>
            <b>Over-pressure.</b> Every part has a maximum test pressure. What is rated below{' '}
            {show(plan.testGauge_Pa, 'gas-pressure')} is disconnected and its pipe capped, not only
            shut off. Let it down before opening.
          </span>
        </p>
        <p>
          <Mark kind="fix" size={18} />{' '}
          <span>
            <b>Smell of gas:</b> {smellOfGas(solution.practice)} Never look for a leak with a flame.
          </span>
        </p>
      </Cautions>
      <SectionHead>
        Out of the way first<small>each goes on the off strip</small>
      </SectionHead>
      <List>
        {preparations.map((one) => (
          <li key={one.id}>
            <Check
              isSelected={done.includes(one.id)}
              onChange={(on) =>
                setDone(on ? [...done, one.id] : done.filter((id) => id !== one.id))
              }
            >
              <Mark kind={done.includes(one.id) ? 'pass' : 'not-yet'} size={22} />
              <span>
                <b>{one.name}</b> {one.action === 'shut' ? 'shut off' : 'disconnected, pipe capped'}
              </span>
              <small>{reason(one, (si) => show(si, 'gas-pressure'))}</small>
            </Check>
          </li>
        ))}
      </List>
      {confirms.length > 0 && (
        <>
          <SectionHead>Looked at first</SectionHead>
          <List>
            {confirms.map(({ id, says }) => (
              <li key={id}>
                <Check
                  isSelected={done.includes(id)}
                  onChange={(on) => setDone(on ? [...done, id] : done.filter((one) => one !== id))}
                >
                  <Mark kind={done.includes(id) ? 'pass' : 'not-yet'} size={22} />
                  <Said>{says}</Said>
                </Check>
              </li>
            ))}
          </List>
        </>
      )}
      {reader.fields}
      <Go>
        {waits === undefined ? (
          <Button look="go" isDisabled={sending} onPress={() => void begin()}>
            {reader.begins}
          </Button>
        ) : (
          <Button look="wait" isDisabled>
            Begin: waits for {waits}
          </Button>
        )}
        <span>{solution.practice.tightness.beforehand}</span>
      </Go>
    </>
  )
}

/** What stands before the pump, in words; undefined where nothing does. */
function waitsFor(before: readonly string[], open: number): string | undefined {
  if (before.length > 0) return before.join(' and ').toLowerCase()
  if (open === 0) return undefined
  return `${open === 1 ? 'one thing' : `${open} things`} to prepare`
}

function reason({ because, limitGauge_Pa = 0 }: Preparation, show: (si: number) => string): string {
  if (because === 'boundary') return 'stands the pressure; bounds the test'
  if (because === 'strength') return 'nothing but pipe is tested for strength'
  return because === 'limit-unknown'
    ? 'maximum test pressure not known, so it is taken off'
    : `rated ${show(limitGauge_Pa)}, below the test`
}

const Cautions = styled.div`
  display: grid;
  gap: 8px;
  margin: 6px 0 12px;
  max-width: 82ch;
  p {
    display: flex;
    gap: 10px;
    font-size: var(--small);
    line-height: 20px;
    color: var(--ink-2);
  }
  b {
    color: var(--ink);
  }
  svg {
    flex: none;
  }
`
const List = styled.ul`
  margin-bottom: 12px;
  li {
    border-bottom: 0.8px solid var(--hair);
  }
`
const Check = styled(Checkbox)`
  display: grid;
  grid-template-columns: 24px minmax(0, 1fr) minmax(0, 0.8fr);
  gap: 12px;
  align-items: center;
  min-height: 48px;
  cursor: pointer;
  font-size: var(--lead);
  small {
    font-size: var(--small);
    color: var(--ink-3);
  }
  &[data-hovered] {
    background: var(--select);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--ink);
  }
  ${phone} {
    grid-template-columns: 24px 1fr;
    small {
      grid-column: 2;
    }
    padding: 6px 0;
  }
`
const Said = styled.span`
  grid-column: 2 / -1;
`
const Go = styled.div`
  display: flex;
  gap: 16px;
  align-items: center;
  margin: 16px 0;
  flex-wrap: wrap;
  span {
    font-size: var(--note);
    color: var(--ink-3);
    flex: 1;
    min-width: 200px;
  }
`
