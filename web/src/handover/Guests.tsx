import { GuestLink, Link, may } from '@hestian/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { z } from 'zod'
import { ApiError, call, newId } from '../api/client'
import { useReadBy, useStanding } from '../job/JobContext'
import { useKeptText } from '../job/useKeptText'
import { Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { DoneForm, DoneHead, DoneRow } from '../ui/DoneRow'
import { Choice } from '../ui/Choice'
import { GivenLink } from '../ui/GivenLink'
import { Mark } from '../ui/icons'
import { TextLine } from '../ui/TextLine'

const days = [
  { id: '7', text: 'for a week' },
  { id: '30', text: 'for a month' },
  { id: '365', text: 'for a year' },
] as const

/**
 * Links that show this one job to somebody outside the firm, until a day, or until they are taken
 * back.
 */
export function Guests() {
  const { person } = useReadBy()
  if (!person || !may(person, 'file')) return null
  return <Links />
}

function Links() {
  const { state } = useStanding()
  const { dates, nameOf } = useReadBy()
  const client = useQueryClient()
  const queryKey = ['guests', state.id]
  const [says, setSays] = useState<string>()
  const { data = [] } = useQuery({
    queryKey,
    queryFn: () => call('GET', `/jobs/${state.id}/guests`, z.array(GuestLink)),
  })
  const revoke = async (id: string) => {
    try {
      await call('POST', `/jobs/${state.id}/guests/${id}/revoke`, z.unknown(), {})
      setSays(undefined)
    } catch (error) {
      setSays(error instanceof ApiError ? error.message : 'It was not taken back. Try again.')
    }
    await client.invalidateQueries({ queryKey })
  }
  const now = new Date().toISOString()
  return (
    <section aria-labelledby="guests-head">
      <SectionHead id="guests-head">
        For somebody outside<small>this job alone, nothing to change</small>
      </SectionHead>
      <ul>
        {data.map(({ id, name, by, until, revokedAt }) => {
          const over = revokedAt !== null || until < now
          return (
            <DoneRow key={id}>
              <Mark kind={over ? 'not-yet' : 'pass'} size={22} />
              <div>
                <DoneHead>
                  <b>{name}</b>
                  {!over && (
                    <Button
                      look="text"
                      aria-label={`Take it back: ${name}`}
                      onPress={() => void revoke(id)}
                    >
                      Take it back
                    </Button>
                  )}
                </DoneHead>
                <small>
                  {revokedAt !== null
                    ? `taken back ${dates.dayTime(revokedAt)}`
                    : `${over ? 'was open' : 'open'} until ${dates.dayOf(until)}`}
                  , given by {nameOf(by)}
                </small>
              </div>
            </DoneRow>
          )
        })}
      </ul>
      {says && <p role="alert">{says}</p>}
      <NewLink onMade={() => client.invalidateQueries({ queryKey })} />
    </section>
  )
}

function NewLink({ onMade }: { readonly onMade: () => Promise<void> }) {
  const { state } = useStanding()
  const { person, dates } = useReadBy()
  const [name, setName] = useKeptText(`guest:${state.id}`)
  const [howLong, setHowLong] = useState<(typeof days)[number]['id']>('30')
  const [link, setLink] = useState<Link>()
  const [says, setSays] = useState<string>()
  const make = async () => {
    try {
      const body = { id: newId(), by: person?.id, name, days: Number(howLong) }
      setLink(await call('POST', `/jobs/${state.id}/guests`, Link, body))
      setName('')
      setSays(undefined)
      await onMade()
    } catch (error) {
      setSays(error instanceof ApiError ? error.message : 'No link was made. Try again.')
    }
  }
  return (
    <>
      {link && (
        <GivenLink
          href={`${location.origin}/guest#${link.token}`}
          says={`Whoever has this link sees the job until ${dates.dayOf(link.until)}. It is not shown again.`}
        />
      )}
      <Prose>
        They see where it is, how far it is, and its papers once it is signed: not the design, not
        the records, no other job.
      </Prose>
      <DoneForm
        aria-label="A link for somebody outside"
        onSubmit={(event) => {
          event.preventDefault()
          if (name.trim().length < 2) setSays('Who is it for? A name of at least 2 characters.')
          else void make()
        }}
      >
        <TextLine label="Who it is for" value={name} onChange={setName} />
        <Choice labelled label="Open" value={howLong} options={days} onChoose={setHowLong} />
        {says && <p role="alert">{says}</p>}
        <div>
          <Button type="submit">Make a link</Button>
        </div>
      </DoneForm>
    </>
  )
}
