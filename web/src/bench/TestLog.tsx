import type { JudgedTest } from '@hestian/core'
import { useState } from 'react'
import { Input, Label, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useJobActions, useReadBy } from '../job/JobContext'
import { useKeptText } from '../job/useKeptText'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'

/**
 * What happened during a test, newest first, numbered as on its trace; and what can be done to a
 * running one.
 */
export function TestLog({ test }: { readonly test: JudgedTest }) {
  const { act } = useJobActions()
  const { show, dates } = useReadBy()
  const [text, setText] = useKeptText(`test-note:${test.testId}`)
  const [ending, setEnding] = useState(false)
  const note = async (said: string) => {
    if (
      said.trim() !== '' &&
      (await act(`/tests/${test.testId}/notes`, { text: said.trim().slice(0, 200) }))
    )
      setText('')
  }
  return (
    <Frame>
      <SectionHead>Log of this test</SectionHead>
      <ol>
        {test.notes
          .map((one, i) => (
            <li key={i}>
              <time>{dates.timeOf(one.at_ms)}</time>
              <b>{i + 1}</b>
              <span>{one.text}</span>
            </li>
          ))
          .reverse()}
        <li>
          <time>{dates.timeOf(test.begun.settleFrom_ms)}</time>
          <b>·</b>
          <span>
            Begun at{' '}
            {show(test.run.samples[0]?.gauge_Pa ?? test.run.plan.testGauge_Pa, 'gas-pressure')},{' '}
            {test.begun.instrument}.
          </span>
        </li>
      </ol>
      {!test.ended && (
        <>
          <form
            onSubmit={(event) => {
              event.preventDefault()
              void note(text)
            }}
          >
            <TextField value={text} onChange={setText} maxLength={200}>
              <Label>What was seen</Label>
              <Input placeholder="Joint 7 soaped: dry" />
            </TextField>
          </form>
          <Button onPress={() => void note(text || 'Every joint soaped: dry')}>
            Log {text.trim() === '' ? '“every joint soaped: dry”' : 'it'}
          </Button>
          <Button onPress={() => void act(`/tests/${test.testId}/top-up`)}>
            Topped up: settle again
          </Button>
          {ending ? (
            <Ask>
              <span>
                Ended early it can only say <b>cannot tell</b>.
              </span>
              <Button
                onPress={() => {
                  setEnding(false)
                  void act(`/tests/${test.testId}/end`)
                }}
              >
                Yes, end it
              </Button>
              <Button look="text" onPress={() => setEnding(false)}>
                Keep it running
              </Button>
            </Ask>
          ) : (
            <Button look="text" onPress={() => setEnding(true)}>
              End the test early
            </Button>
          )}
        </>
      )}
    </Frame>
  )
}

const Frame = styled.div`
  display: grid;
  gap: 10px;
  padding-bottom: 12px;
  li {
    display: grid;
    grid-template-columns: 48px 26px 1fr;
    gap: 6px;
    padding: 7px 0;
    border-bottom: 0.8px solid var(--hair);
    font-size: var(--small);
    line-height: 20px;
  }
  time {
    color: var(--ink-2);
  }
  li b {
    border: 1.3px solid var(--ink);
    border-radius: 50%;
    width: 22px;
    height: 22px;
    text-align: center;
    font-size: var(--note);
    line-height: 19px;
  }
  label {
    font-size: var(--note);
    color: var(--ink-2);
  }
  input {
    width: 100%;
    min-height: 40px;
    background: transparent;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    padding: 4px;
  }
`
const Ask = styled.div`
  display: grid;
  gap: 8px;
  background: var(--look-wash);
  padding: 10px;
  font-size: var(--small);
`
