import type { Evidence, InspectionItem, InspectionVerdict } from '@hestian/core'
import { inspectionVerdicts, inspectionWords } from '@hestian/core'
import { useState } from 'react'
import { Input, Label, Radio, RadioGroup, TextField } from 'react-aria-components'
import { Link } from 'react-router'
import styled from 'styled-components'
import { useJobActions, useStanding } from '../job/JobContext'
import { useKeptText } from '../job/useKeptText'
import { Button } from '../ui/Button'
import { Day } from '../ui/LateDay'
import { Photos } from '../ui/Photos'
import { phone } from '../ui/phone'

const page = (place: string) =>
  place.startsWith('survey.looked.main') ||
  place.startsWith('survey.gas') ||
  place.startsWith('survey.cold') ||
  place === 'survey.looked.gasSmell'
    ? 'readings'
    : 'place'

/**
 * One item inspected: verdict, note, photograph, or why not; and on the way a snag with an owner
 * and a date.
 */
export function InspectForm({
  item,
  done,
}: {
  readonly item: InspectionItem
  readonly done: () => void
}) {
  const { state } = useStanding()
  const { record } = useJobActions()
  const [verdict, setVerdict] = useState<InspectionVerdict | undefined>(item.suggests)
  const [note, setNote] = useKeptText(`inspect-note:${item.id}`, item.found)
  const [because, setBecause] = useKeptText(`inspect-because:${item.id}`)
  const [photos, setPhotos] = useState<readonly Evidence[]>([])
  const [snag, setSnag] = useKeptText(`inspect-snag:${item.id}`)
  const [owner, setOwner] = useKeptText(`inspect-owner:${item.id}`)
  const [due, setDue] = useState<string | null>(null)
  const [says, setSays] = useState<string>()
  const keep = () => {
    if (!verdict) return setSays('Choose a verdict.')
    if (verdict === 'not-inspected' && because.trim().length < 3)
      return setSays('Say why it was not inspected, as in “the water was off”.')
    if (snag.trim() !== '' && (snag.trim().length < 3 || owner.trim() === ''))
      return setSays('A snag needs a few words and somebody who does it.')
    const id = record({
      kind: 'inspected',
      item: item.id,
      verdict,
      limit: item.limit.slice(0, 400),
      note: note.trim(),
      because: verdict === 'not-inspected' ? because.trim() : '',
      ...(photos.length > 0 ? { photos: [...photos] } : {}),
    })
    if (!id) return
    if (snag.trim() !== '')
      record({ kind: 'snag', what: snag.trim(), owner: owner.trim(), due, item: item.id })
    for (const empty of [setNote, setBecause, setSnag, setOwner]) empty('')
    done()
  }
  return (
    <Frame
      onSubmit={(event) => {
        event.preventDefault()
        keep()
      }}
      aria-label={`Inspect ${item.name}`}
    >
      <RadioGroup
        aria-label="Verdict"
        value={verdict ?? null}
        onChange={(next) => setVerdict(next as InspectionVerdict)}
        orientation="horizontal"
      >
        <div>
          {inspectionVerdicts.map((one) => (
            <Radio key={one} value={one}>
              {inspectionWords[one]}
            </Radio>
          ))}
        </div>
      </RadioGroup>
      {verdict === 'not-inspected' && (
        <TextField value={because} onChange={setBecause} maxLength={200}>
          <Label>Not inspected, because</Label>
          <Input />
        </TextField>
      )}
      <TextField value={note} onChange={setNote} maxLength={500}>
        <Label>Seen</Label>
        <Input />
      </TextField>
      <Photos label="Photograph it" photos={photos} onChange={setPhotos} most={4} />
      <div>
        <TextField value={snag} onChange={setSnag} maxLength={400}>
          <Label>Make it a snag</Label>
          <Input placeholder="what is to be done" />
        </TextField>
        {snag.trim() !== '' && (
          <>
            <TextField value={owner} onChange={setOwner} maxLength={80}>
              <Label>Who</Label>
              <Input />
            </TextField>
            <Day label="By" value={due} onChange={setDue} />
          </>
        )}
      </div>
      {says && <p role="alert">{says}</p>}
      <div>
        <Button type="submit">Record it</Button>
        {item.place && (
          <Link to={`/jobs/${state.id}/${page(item.place)}#row-${item.place}`}>
            It is also a design input: change it there
          </Link>
        )}
      </div>
    </Frame>
  )
}

const Frame = styled.form`
  display: grid;
  gap: 10px;
  padding: 10px 0 14px 32px;
  label {
    display: block;
    font-size: var(--small);
    color: var(--ink-2);
  }
  input:not([type='radio']):not([type='file']):not([type='checkbox']) {
    width: 100%;
    min-height: 40px;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    background: transparent;
    padding: 4px;
    border-radius: 0;
  }
  p {
    color: var(--stop);
    font-size: var(--small);
  }
  a {
    color: var(--ember-ink);
    font-size: var(--small);
  }
  > div {
    display: flex;
    gap: 14px;
    align-items: flex-end;
    flex-wrap: wrap;
  }
  [role='radiogroup'] > div {
    display: flex;
    gap: 4px;
    flex-wrap: wrap;
  }
  [role='radiogroup'] label {
    border: 1.5px solid var(--rule);
    padding: 10px 12px;
    cursor: pointer;
    color: var(--ink);
  }
  [role='radiogroup'] label[data-selected] {
    border-color: var(--ink);
    background: var(--select);
    font-weight: 650;
  }
  [role='radiogroup'] label[data-focus-visible] {
    outline: 3px solid var(--ink);
  }
  ${phone} {
    padding-left: 0;
  }
`
