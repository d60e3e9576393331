import type { DraughtCondition } from '@hestian/core'
import { draughtConditions, inWords, judgeDraught } from '@hestian/core'
import { useState } from 'react'
import { Checkbox, Input, Label, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { useKeptText } from '../job/useKeptText'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { NotesHere } from '../ui/SheetPage'
import { VerdictChip } from '../ui/VerdictChip'

const smokes = [
  { id: 'in', text: 'Drawn in' },
  { id: 'hovers', text: 'Hovers' },
  { id: 'out', text: 'Comes out' },
] as const
const verdicts = {
  passed: ['pass', 'Passed'],
  failed: ['stop', 'Failed'],
  'cannot-tell': ['fix', 'Cannot tell'],
} as const

/**
 * The draught tried step by step: everything that works against it on, the flue hot, then smoke at
 * the hood.
 */
export function DraughtTrial() {
  const { draft, solution } = useDesign()
  const { edit, record } = useJobActions()
  const { dates } = useReadBy()
  const last = draft.document.survey.draught
  const [held, setHeld] = useState<readonly DraughtCondition[]>([])
  const [note, setNote] = useKeptText('draught-note')
  const [again, setAgain] = useState(last === null)
  const { words } = solution.practice
  const say = (smoke: 'in' | 'hovers' | 'out') => {
    const trial = { held: [...held], smoke, note: note.trim(), at: new Date().toISOString() }
    const recordId = record({ kind: 'draught', trial })
    if (!recordId) return
    setNote('')
    edit([{ path: ['survey', 'draught'], value: { ...trial, recordId } }])
    setAgain(false)
  }
  const judged = last && judgeDraught(last)
  return (
    <Frame data-place="survey.draught" id="row-survey.draught">
      <SectionHead as="h4">
        Draught of the {words.flue}
        <small>before anything is removed, and again after</small>
      </SectionHead>
      {judged && last && (
        <Line>
          <VerdictChip verdict={verdicts[judged.outcome][0]} word={verdicts[judged.outcome][1]} />
          <span>
            Smoke {smokes.find((one) => one.id === last.smoke)?.text.toLowerCase()},{' '}
            {last.held.length} of {draughtConditions.length} held; {dates.dayTime(last.at)}
            {last.note ? `. ${last.note}` : ''}
          </span>
          {!again && (
            <Button
              look="text"
              onPress={() => {
                setHeld([])
                setAgain(true)
              }}
            >
              Try it again
            </Button>
          )}
        </Line>
      )}
      {again && (
        <>
          <ol>
            {draughtConditions.map((condition, i) => (
              <li key={condition.id}>
                <Tick
                  isSelected={held.includes(condition.id)}
                  onChange={(on) =>
                    setHeld(on ? [...held, condition.id] : held.filter((id) => id !== condition.id))
                  }
                >
                  <i />
                  <span>
                    {i + 1}. {inWords(condition.text, words)}
                  </span>
                </Tick>
              </li>
            ))}
          </ol>
          <TextField value={note} onChange={setNote} maxLength={500}>
            <Label>Note</Label>
            <Input />
          </TextField>
          <p>
            5. Smoke at the hood, all round its edge.{' '}
            {held.length < draughtConditions.length
              ? 'Not all of the above holds yet: smoke drawn in then proves nothing, smoke coming out still fails.'
              : ''}
          </p>
          <div>
            {smokes.map((smoke) => (
              <Button key={smoke.id} onPress={() => say(smoke.id)}>
                {smoke.text}
              </Button>
            ))}
          </div>
        </>
      )}
      <NotesHere place="survey.draught" />
    </Frame>
  )
}

const Frame = styled.section`
  display: grid;
  gap: 8px;
  margin: 10px 0;
  h4 {
    margin: 0;
  }
  p {
    color: var(--ink-2);
  }
  label {
    font-size: var(--small);
  }
  input:not([type='checkbox']) {
    width: 100%;
    max-width: 460px;
    min-height: 40px;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    background: transparent;
    padding: 4px;
    border-radius: 0;
  }
  > div {
    display: flex;
    gap: 10px;
    flex-wrap: wrap;
  }
`
const Line = styled.div`
  align-items: center;
  color: var(--ink-2);
`
const Tick = styled(Checkbox)`
  display: flex;
  gap: 12px;
  align-items: center;
  min-height: 40px;
  cursor: pointer;
  font-size: var(--lead);
  border-bottom: 0.8px solid var(--hair);
  i {
    flex: none;
    width: 20px;
    height: 20px;
    border: 1.8px dashed var(--rule);
    border-radius: 50%;
  }
  &[data-selected] i {
    border: 1.8px solid var(--pass);
    background: radial-gradient(var(--pass) 55%, transparent 60%);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--ink);
  }
  @media (pointer: coarse) {
    min-height: 48px;
  }
`
