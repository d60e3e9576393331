import type { BodyOf } from '@hestian/core'
import { Office, ofKind } from '@hestian/core'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { call } from '../api/client'
import { useJobActions, useStanding } from '../job/JobContext'
import { Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { AnswerRow } from './AnswerRow'

/**
 * Tells the registration office of what was signed, and what it answered, however often it was
 * asked.
 */
export function NoticeToOffice({ letter }: { readonly letter: string }) {
  const { state } = useStanding()
  const { act } = useJobActions()
  const [sending, setSending] = useState(false)
  const { data } = useQuery({ queryKey: ['office'], queryFn: () => call('GET', '/office', Office) })
  const told = ofKind(state.records, 'notified').filter(({ body }) => body.revision === letter)
  const isTaken = told.some(({ body }) => body.outcome === 'accepted')
  if (!data?.name && told.length === 0) return null
  const offers = told.length > 0 ? 'Send it again' : 'Send the notice'
  const send = async () => {
    setSending(true)
    await act('/notices')
    setSending(false)
  }
  return (
    <section aria-labelledby="office-head">
      <SectionHead id="office-head">
        Registration office<small>{data?.name ?? ''}</small>
      </SectionHead>
      <ul>
        {told.map((record) => (
          <AnswerRow
            key={record.id}
            record={record}
            outcome={record.body.outcome}
            says={answerSays(record.body)}
          />
        ))}
      </ul>
      {!isTaken && (
        <>
          <Prose>
            It is told what is new here, where, and who signed; no name and no telephone of whoever
            lives here. Whether your place asks for it, and of whom, is for you to know.
          </Prose>
          <Button isDisabled={sending} onPress={() => void send()}>
            {sending ? 'Sending …' : offers}
          </Button>
        </>
      )}
    </section>
  )
}

function answerSays({ outcome, number, reasons }: BodyOf<'notified'>): string {
  if (outcome === 'accepted') return `Taken, number ${number ?? '?'}.`
  if (outcome === 'refused') return `Refused: ${(reasons ?? []).join(' ')}`
  return 'No answer. It may have arrived: sent again it is the same notice.'
}
