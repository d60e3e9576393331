import type { Evidence, LookKey, LookQuestion, SiteBasis } from '@hestian/core'
import { inWords } from '@hestian/core'
import { useState } from 'react'
import { Input, Label, Radio, RadioGroup, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useDesign, useJobActions } from '../job/JobContext'
import { useKeptText } from '../job/useKeptText'
import { Button } from '../ui/Button'
import { Photos } from '../ui/Photos'

const fromWords: Readonly<Record<SiteBasis, string>> = {
  measured: 'Seen',
  read: 'Told or read',
  assumed: 'Assumed',
}

/**
 * A question answered by looking: its answers, a note and a photograph. What is seen is recorded;
 * the last answer stands in the survey.
 */
export function LookForm({
  question,
  done,
}: {
  readonly question: LookQuestion & { readonly key: LookKey }
  readonly done: () => void
}) {
  const { draft, solution } = useDesign()
  const { edit, record } = useJobActions()
  const { words } = solution.practice
  const seen = draft.document.survey.looked[question.key]
  const [basis, setBasis] = useState<SiteBasis>(seen?.basis ?? 'measured')
  const [note, setNote] = useKeptText(`look-note:${question.key}`, seen?.note)
  const [photos, setPhotos] = useState<readonly Evidence[]>([])
  const answer = (id: string) => {
    const from = fromWords[basis]
    const more = note.trim() === '' ? {} : { note: note.trim() }
    const recordId = record({
      kind: 'looked',
      field: `survey.looked.${question.key}`,
      answer: id,
      basis,
      from,
      ...more,
      ...(photos.length > 0 ? { photos: [...photos] } : {}),
    })
    if (!recordId) return
    setNote('')
    edit([
      {
        path: ['survey', 'looked', question.key],
        value: { answer: id, basis, from, ...more, recordId },
      },
    ])
    done()
  }
  return (
    <Frame onSubmit={(event) => event.preventDefault()}>
      <h4>{inWords(question.label, words)}</h4>
      <p>
        {inWords(question.why, words)} <span>{inWords(question.how, words)}.</span>
      </p>
      <Answers>
        {question.answers.map((one) => (
          <Button
            key={one.id}
            onPress={() => answer(one.id)}
            look={seen?.answer === one.id ? 'line' : 'line'}
            data-chosen={seen?.answer === one.id || undefined}
            aria-pressed={seen?.answer === one.id}
          >
            {one.text}
          </Button>
        ))}
      </Answers>
      <RadioGroup
        value={basis}
        onChange={(next) => setBasis(next as SiteBasis)}
        orientation="horizontal"
      >
        <Label>How is it known?</Label>
        <div>
          <Radio value="measured">Seen</Radio>
          <Radio value="read">Told or read</Radio>
          <Radio value="assumed">Assumed</Radio>
        </div>
      </RadioGroup>
      <TextField value={note} onChange={setNote} maxLength={500}>
        <Label>Note</Label>
        <Input />
      </TextField>
      <Photos label="Photograph it" photos={photos} onChange={setPhotos} most={4} />
      {seen && (
        <Button
          look="text"
          onPress={() => {
            edit([{ path: ['survey', 'looked', question.key], value: null }])
            done()
          }}
        >
          Take it out: not looked at yet
        </Button>
      )}
    </Frame>
  )
}

const Frame = styled.form`
  display: grid;
  gap: 12px;
  h4 {
    font: 650 var(--head-3)/24px var(--head);
    margin: 0;
  }
  p {
    color: var(--ink-2);
    font-size: var(--small);
    line-height: 19px;
    span {
      color: var(--ink-3);
    }
  }
  label {
    font: 650 var(--small)/20px var(--head);
  }
  [role='radiogroup'] > div {
    display: flex;
    gap: 4px;
    margin-top: 4px;
  }
  [role='radiogroup'] label {
    border: 1.5px solid var(--rule);
    padding: 8px 10px;
    flex: 1;
    text-align: center;
    cursor: pointer;
    font-weight: 450;
  }
  [role='radiogroup'] label[data-selected] {
    border-color: var(--ink);
    background: var(--select);
    font-weight: 650;
  }
  [role='radiogroup'] label[data-focus-visible] {
    outline: 3px solid var(--ink);
  }
  input:not([type]),
  input[type='text'] {
    width: 100%;
    min-height: 44px;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    background: var(--paper);
    font-size: var(--plain);
    padding: 4px;
    border-radius: 0;
  }
`
const Answers = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: 8px;
  button {
    min-height: 56px;
  }
  [data-chosen] {
    background: var(--select);
    box-shadow: inset 0 0 0 1.5px var(--ink);
  }
`
