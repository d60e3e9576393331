import type { PracticeName } from '@hestian/core'
import { practiceNames, practices } from '@hestian/core'
import { useState } from 'react'
import styled from 'styled-components'
import { useDesign, useJobActions } from '../job/JobContext'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Window } from '../ui/lateEditor'
import { useWorker } from '../work/useWorker'

/**
 * The job's practice. Another one re-words and re-judges it and changes no stored value; what it
 * would change is said first.
 */
export function PracticeChoice() {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { practice } = draft.document
  const { work, ask, cancel } = useWorker('change')
  const [to, setTo] = useState<PracticeName>()
  const leave = () => {
    setTo(undefined)
    cancel()
  }
  const asked = to && work.state === 'done' ? { to, change: work.answer.change } : undefined
  return (
    <>
      <Choice
        labelled
        label="Practice"
        value={practice}
        options={practiceNames.map((id) => ({ id, text: practices[id].label }))}
        onChoose={(next) => {
          setTo(next)
          ask({ kind: 'change', document: draft.document, to: next })
        }}
      />
      {to && work.state === 'broken' && (
        <p role="alert">What would change could not be worked out. Choose the practice again.</p>
      )}
      {asked && (
        <Changes label="Change of practice" onClose={leave}>
          <h2>{practices[asked.to].label}: what changes</h2>
          <p>
            Every stored value stays as it was entered. It is shown, worded and judged by the other
            practice.
          </p>
          <List
            title="Answers"
            rows={asked.change.answers.map((row) => `${row.what}: ${row.from} becomes ${row.to}`)}
          />
          <List
            title="Methods"
            rows={asked.change.methods.map((row) => `${row.what}: ${row.from} becomes ${row.to}`)}
          />
          <List title="Appears" rows={asked.change.appear} />
          <List title="Goes" rows={asked.change.go} />
          <List
            title="Units"
            rows={[
              asked.change.units
                .map((row) => `${row.measure.replace('-', ' ')} in ${row.to}`)
                .join(', '),
            ].filter(Boolean)}
          />
          <List
            title="Words"
            rows={[asked.change.words.map((row) => `${row.from}: ${row.to}`).join(', ')].filter(
              Boolean,
            )}
          />
          <div>
            <Button
              look="go"
              onPress={() => {
                edit([{ path: ['practice'], value: asked.to }])
                leave()
              }}
            >
              Take {practices[asked.to].label}
            </Button>
            <Button look="text" onPress={leave}>
              Leave it
            </Button>
          </div>
        </Changes>
      )}
    </>
  )
}

const List = ({ title, rows }: { readonly title: string; readonly rows: readonly string[] }) =>
  rows.length === 0 ? null : (
    <section>
      <h3>{title}</h3>
      <ul>
        {rows.map((row) => (
          <li key={row}>{row}</li>
        ))}
      </ul>
    </section>
  )

const Changes = styled(Window)`
  display: grid;
  gap: 12px;
  width: min(640px, calc(100vw - 32px));
  padding: 20px 24px;
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  h2 {
    font: 700 var(--head-1)/30px var(--head);
    margin: 0;
  }
  h3 {
    font: 650 var(--small)/20px var(--head);
    border-bottom: 1.5px solid var(--ink);
  }
  p {
    color: var(--ink-2);
  }
  li {
    padding: 4px 0;
    border-bottom: 0.8px solid var(--hair);
    font-size: var(--small);
    line-height: 20px;
  }
  > div {
    display: flex;
    gap: 20px;
    align-items: center;
    flex-wrap: wrap;
  }
`
