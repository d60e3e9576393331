import type { BodyOf, PaperId } from '@hestian/core'
import { Mailbox, may, ofKind, papersOf } from '@hestian/core'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import styled from 'styled-components'
import { call } from '../api/client'
import { useDesign, useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { useKeptText } from '../job/useKeptText'
import { Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { DoneForm } from '../ui/DoneRow'
import { Choice } from '../ui/Choice'
import { TextLine } from '../ui/TextLine'
import { AnswerRow } from './AnswerRow'

type Which = 'all' | PaperId

/** Signed papers by e-mail; what went to whom, and what became of it, stands below. */
export function MailPapers({ letter }: { readonly letter: string }) {
  const { state } = useStanding()
  const { person } = useReadBy()
  const { data } = useQuery({
    queryKey: ['mailbox'],
    queryFn: () => call('GET', '/mailbox', Mailbox),
  })
  const sent = ofKind(state.records, 'mailed').filter(({ body }) => body.revision === letter)
  const from = data?.from ?? null
  if (from === null && sent.length === 0) return null
  return (
    <section aria-labelledby="mail-head">
      <SectionHead id="mail-head">
        By e-mail<small>{from === null ? '' : `from ${from}`}</small>
      </SectionHead>
      <Sent sent={sent} />
      {from !== null && person && may(person, 'file') && <Send />}
    </section>
  )
}

function Sent({ sent }: { readonly sent: ReturnType<typeof ofKind<'mailed'>> }) {
  const { solution } = useDesign()
  const { judgement, state } = useStanding()
  const names = new Map<string, string>(
    papersOf(solution, judgement, state.records).map(({ id, name }) => [id, name]),
  )
  return (
    <ul aria-label="Mailed">
      {sent.map((record) => (
        <AnswerRow
          key={record.id}
          record={record}
          outcome={record.body.outcome}
          says={becameOf(record.body, names)}
        />
      ))}
    </ul>
  )
}

function becameOf(
  { to, outcome, reason, papers }: BodyOf<'mailed'>,
  names: ReadonlyMap<string, string>,
): string {
  const what =
    papers.length === 0 ? 'The whole pack' : papers.map((id) => names.get(id) ?? id).join(', ')
  if (outcome === 'taken') return `${what} to ${to}: on its way.`
  if (outcome === 'refused') return `${what} to ${to}: refused, ${reason ?? 'no reason given'}.`
  return `${what} to ${to}: no answer. It may have arrived; sent again as it was it is the same mail.`
}

function Send() {
  const { solution } = useDesign()
  const { state, judgement } = useStanding()
  const { act } = useJobActions()
  const [to, setTo] = useKeptText(`mail-to.${state.id}`)
  const [says, setSays] = useKeptText(`mail-says.${state.id}`)
  const [which, setWhich] = useState<Which>('all')
  const [sending, setSending] = useState(false)
  const due = papersOf(solution, judgement, state.records).filter((one) => one.due)
  const options = [
    { id: 'all' as Which, text: 'The whole pack' },
    ...due.map(({ id, name }) => ({ id: id as Which, text: name })),
  ]
  const send = async () => {
    setSending(true)
    const papers = which === 'all' ? [] : [which]
    if (await act('/mails', { to: to.trim(), papers, says: says.trim() })) {
      setTo('')
      setSays('')
    }
    setSending(false)
  }
  return (
    <Form
      aria-label="Send papers by e-mail"
      onSubmit={(event) => {
        event.preventDefault()
        if (!sending) void send()
      }}
    >
      <TextLine label="To, an e-mail address" value={to} onChange={setTo} maxLength={200} />
      <Choice labelled label="Which papers" value={which} options={options} onChoose={setWhich} />
      <TextLine
        label="What it says, if anything"
        value={says}
        onChange={setSays}
        maxLength={2000}
      />
      <Prose>
        Mail can be read on its way. The job’s own file is inside the PDF: send it to whom it
        concerns.
      </Prose>
      <div>
        <Button type="submit" isDisabled={sending}>
          {sending ? 'Sending …' : 'Send it'}
        </Button>
      </div>
    </Form>
  )
}

const Form = styled(DoneForm)`
  padding-top: 14px;
`
