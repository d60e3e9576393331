import type { BodyOf, SheetId, UnsafeSituation } from '@hestian/core'
import { unsafeClasses, unsafeRules } from '@hestian/core'
import { useState } from 'react'
import { Heading, Input, Label, TextArea, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useDesign, useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { useKeptText } from '../job/useKeptText'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Mark } from '../ui/icons'
import { phone } from '../ui/phone'

type Unsafe = BodyOf<'unsafe'>
const labels: readonly { readonly id: Unsafe['label']; readonly text: string }[] = [
  { id: 'hung', text: 'Hung' },
  { id: 'not-possible', text: 'Not possible' },
]
const notices: readonly { readonly id: Unsafe['notice']; readonly text: string }[] = [
  { id: 'signed', text: 'Given and signed' },
  { id: 'refused', text: 'Given, signature refused' },
  { id: 'nobody-there', text: 'Left: nobody was there' },
]
const noticeWords = Object.fromEntries(notices.map(({ id, text }) => [id, text]))

/**
 * What is unsafe here: its class, what was done about it, and who was told. A record and a paper;
 * it stays open until it is put right.
 */
export function UnsafeForm({
  sheet,
  onClose,
}: {
  readonly sheet: SheetId
  readonly onClose: () => void
}) {
  const { solution } = useDesign()
  const { judgement } = useStanding()
  const { unsafe } = judgement
  const rules = unsafeRules[solution.practice.name]
  return (
    <Frame>
      <Heading slot="title">Unsafe situation</Heading>
      {unsafe.map((one) => (
        <Situation key={one.id} situation={one} />
      ))}
      <NewSituation sheet={sheet} onClose={onClose} />
      <small>
        Told as well: {rules.tell}. {rules.source.says}. What local code, the gas supplier and your
        licence say comes first.
      </small>
    </Frame>
  )
}

function Situation({ situation }: { readonly situation: UnsafeSituation }) {
  const { solution } = useDesign()
  const { state } = useStanding()
  const { record } = useJobActions()
  const { nameOf, dates } = useReadBy()
  const { body, at, by, ended, id } = situation
  const rules = unsafeRules[solution.practice.name]
  const [how, setHow] = useKeptText(`unsafe-ended:${id}`)
  return (
    <article>
      <h3>
        <Mark kind={ended ? 'pass' : 'stop'} size={20} /> {rules.classes[body.class].name}:{' '}
        {body.what}
      </h3>
      <p>
        {body.done}. {rules.label} {body.label === 'hung' ? 'hung' : 'not possible'}. Notice:{' '}
        {(noticeWords[body.notice] ?? '').toLowerCase()}
        {body.toWhom && `, ${body.toWhom}`}. Reported to {body.reportedTo || 'nobody else'}.{' '}
        {nameOf(by)}, {dates.dayTime(at)}.{' '}
        <a href={`/api/jobs/${state.id}/unsafe/${id}.pdf`} download={`unsafe-${state.number}.pdf`}>
          Paper, PDF
        </a>
      </p>
      {ended ? (
        <p>
          Put right: {ended.how}. {nameOf(ended.by)}, {dates.dayTime(ended.at)}.
        </p>
      ) : (
        <form
          aria-label={`Put right: ${body.what}`}
          onSubmit={(event) => {
            event.preventDefault()
            if (how.trim().length < 3) return
            if (record({ kind: 'unsafe-ended', unsafe: id, how: how.trim() })) setHow('')
          }}
        >
          <TextField value={how} onChange={setHow} maxLength={400}>
            <Label>Put right by</Label>
            <Input autoComplete="off" placeholder="what was done, and proven" />
          </TextField>
          <Button type="submit" isDisabled={how.trim().length < 3}>
            It is safe again
          </Button>
        </form>
      )}
    </article>
  )
}

function NewSituation({
  sheet,
  onClose,
}: {
  readonly sheet: SheetId
  readonly onClose: () => void
}) {
  const { solution } = useDesign()
  const { record } = useJobActions()
  const rules = unsafeRules[solution.practice.name]
  const [what, setWhat] = useKeptText('unsafe-what')
  const [done, setDone] = useKeptText('unsafe-done')
  const [toWhom, setToWhom] = useKeptText('unsafe-to')
  const [reportedTo, setReportedTo] = useKeptText('unsafe-reported')
  const [picked, setPicked] = useState<Unsafe['class'] | null>(null)
  const [label, setLabel] = useState<Unsafe['label'] | null>(null)
  const [notice, setNotice] = useState<Unsafe['notice'] | null>(null)
  const [says, setSays] = useState<string>()
  const keep = () => {
    if (what.trim().length < 3) return setSays('Say what is unsafe.')
    if (!picked) return setSays('Choose how bad it is.')
    if (done.trim().length < 3) return setSays('Say what was done about it.')
    if (!label) return setSays(`Say whether the label hangs there.`)
    if (!notice) return setSays('Say whether the notice was signed, refused or left.')
    const id = record({
      kind: 'unsafe',
      class: picked,
      what: what.trim(),
      done: done.trim(),
      label,
      notice,
      toWhom: toWhom.trim(),
      reportedTo: reportedTo.trim(),
      sheet,
    })
    if (!id) return
    for (const empty of [setWhat, setDone, setToWhom, setReportedTo]) empty('')
    setSays(undefined)
    setPicked(null)
    setLabel(null)
    setNotice(null)
  }
  return (
    <form
      aria-label="Unsafe situation"
      data-new
      onSubmit={(event) => {
        event.preventDefault()
        keep()
      }}
    >
      <TextField value={what} onChange={setWhat} maxLength={400}>
        <Label>What is unsafe, and where</Label>
        <TextArea rows={2} />
      </TextField>
      <Choice
        labelled
        label="How bad"
        value={picked}
        options={unsafeClasses.map((id) => ({ id, text: rules.classes[id].name }))}
        onChoose={setPicked}
      />
      {picked && <p>{rules.classes[picked].asks}</p>}
      <TextField value={done} onChange={setDone} maxLength={400}>
        <Label>What was done about it</Label>
        <TextArea rows={2} />
      </TextField>
      <div>
        <Choice
          labelled
          label={`Label: ${rules.label}`}
          value={label}
          options={labels}
          onChoose={setLabel}
        />
        <Choice labelled label="Notice" value={notice} options={notices} onChoose={setNotice} />
        <TextField value={toWhom} onChange={setToWhom} maxLength={200}>
          <Label>To whom</Label>
          <Input autoComplete="off" />
        </TextField>
        <TextField value={reportedTo} onChange={setReportedTo} maxLength={200}>
          <Label>Reported to</Label>
          <Input autoComplete="off" placeholder="nobody else yet" />
        </TextField>
      </div>
      <footer>
        <Button type="submit" look="go">
          Record it
        </Button>
        <Button look="text" onPress={onClose}>
          Close
        </Button>
        <small role="alert">{says}</small>
      </footer>
    </form>
  )
}

const Frame = styled.div`
  display: grid;
  gap: 14px;
  h2 {
    font: 650 var(--head-2)/28px var(--head);
    border-bottom: 1.5px solid var(--ink);
    padding-bottom: 8px;
  }
  h3 {
    font: 650 var(--lead)/23px var(--head);
    display: flex;
    gap: 8px;
    align-items: baseline;
    svg {
      flex: none;
      align-self: center;
    }
  }
  article {
    border-bottom: 0.8px solid var(--hair);
    padding-bottom: 12px;
  }
  p {
    color: var(--ink-2);
    margin: 4px 0;
  }
  form {
    display: grid;
    gap: 12px;
  }
  form:not([data-new]) {
    grid-template-columns: 1fr auto;
    align-items: end;
    gap: 16px;
  }
  form > div:not([class]) {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 12px 24px;
  }
  label {
    display: block;
    font: 400 var(--small)/20px var(--text);
    color: var(--ink-2);
  }
  input,
  textarea {
    width: 100%;
    min-height: 40px;
    background: transparent;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    border-radius: 0;
    padding: 4px;
    font: 450 var(--plain)/22px var(--text);
    resize: vertical;
  }
  footer {
    display: flex;
    gap: 18px;
    align-items: center;
    flex-wrap: wrap;
  }
  small {
    color: var(--ink-3);
    font-size: var(--note);
  }
  footer small {
    color: var(--stop);
    font-size: var(--small);
  }
  ${phone} {
    form:not([data-new]),
    form > div:not([class]) {
      grid-template-columns: 1fr;
    }
  }
`
