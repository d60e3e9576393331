import type { HandoverGap, Person, Ticket } from '@hestian/core'
import {
  isSmall,
  lacking,
  may,
  ofKind,
  severityWords,
  sheetCode,
  sheetNames,
  ticketsToSign,
  ticketWords,
} from '@hestian/core'
import { useState } from 'react'
import { Input, Label, TextField } from 'react-aria-components'
import { Link } from 'react-router'
import styled from 'styled-components'
import { Snags } from '../job/Snags'
import { useDesign, useJobActions, useReadBy, useStanding, useWords } from '../job/JobContext'
import { Answer, Prose, SectionHead, VerdictLine } from '../ui/Answer'
import { Button } from '../ui/Button'
import { dayTime } from '../ui/dates'
import { Mark } from '../ui/icons'
import { VerdictChip } from '../ui/VerdictChip'
import { phone } from '../ui/phone'
import { Drawing } from './Drawing'
import { ForTheHousehold } from './ForTheHousehold'
import { Guests } from './Guests'
import { Labels } from './Labels'
import { Leaving } from './Leaving'
import { MailPapers } from './MailPapers'
import { NoticeToOffice } from './NoticeToOffice'
import { Papers } from './Papers'
import { Received } from './Received'

/** What is still missing, then the sheet, then the signature that freezes it. */
export function HandoverPage() {
  const { draft } = useDesign()
  const { judgement, state } = useStanding()
  const { missing } = judgement
  const frozen = state.frozen
  const isImported = state.revisions.some((one) => one.letter === frozen && one.imported)
  const stands = standsOf({ letter: frozen, isImported, missing: missing.length })
  return (
    <Page>
      <Answer>
        <HowItStands stands={stands} />
      </Answer>
      <VerdictLine>
        <VerdictChip verdict={stands.verdict} word={stands.word} />
        <span>
          {draft.document.site.name}. The sheet says which checks were made; it never says that
          anything complies.
        </span>
      </VerdictLine>
      {!frozen && missing.length > 0 && <Missing missing={missing} />}
      {judgement.leaving.length > 0 && <Leaving />}
      {!isSmall(draft.document) && <ForTheHousehold />}
      <Papers />
      {!isSmall(draft.document) && <Labels />}
      {state.importedAt && (
        <Prose>
          This job came in from a file on {dayTime(state.importedAt)}: what that says is signed was
          not signed here.
        </Prose>
      )}
      {stands.at === 'ready' && <Sign />}
      {frozen && <Frozen letter={frozen} />}
      {frozen && <Received letter={frozen} />}
      {frozen && <MailPapers letter={frozen} />}
      {frozen && <NoticeToOffice letter={frozen} />}
      <Guests />
      <Snags />
      <Revisions />
    </Page>
  )
}

type Stands = { readonly verdict: 'pass' | 'not-yet'; readonly word: string } & (
  | { readonly at: 'frozen'; readonly letter: string; readonly how: string }
  | { readonly at: 'ready' }
  | { readonly at: 'waits'; readonly missing: number }
)

function standsOf({
  letter,
  isImported,
  missing,
}: {
  readonly letter: string | null
  readonly isImported: boolean
  readonly missing: number
}): Stands {
  if (letter && isImported)
    return {
      ...{ at: 'frozen', letter, how: 'came signed in a file and is frozen.' },
      ...{ verdict: 'not-yet', word: 'Imported, signature not verified here' },
    }
  if (letter)
    return {
      ...{ at: 'frozen', letter, how: 'is signed and frozen.' },
      ...{ verdict: 'pass', word: 'Handed over' },
    }
  if (missing === 0) return { at: 'ready', verdict: 'pass', word: 'Ready' }
  return { at: 'waits', missing, verdict: 'not-yet', word: 'Not yet' }
}

function HowItStands({ stands }: { readonly stands: Stands }) {
  if (stands.at === 'frozen')
    return (
      <>
        Revision <b>{stands.letter}</b> {stands.how}
      </>
    )
  if (stands.at === 'ready')
    return (
      <>
        Nothing is missing. <b>Sign it.</b>
      </>
    )
  return (
    <>
      <b>{stands.missing === 1 ? 'One thing' : `${stands.missing} things`}</b> between here and the
      signature.
    </>
  )
}

function Missing({ missing }: { readonly missing: readonly HandoverGap[] }) {
  const { state } = useStanding()
  const words = useWords()
  const sheets = [...new Set(missing.map((gap) => gap.sheet))]
  return (
    <>
      {sheets.map((sheet) => (
        <section key={sheet}>
          <SectionHead>
            {sheet === 'handover' ? (
              <a href="#before-leaving">Below on this sheet</a>
            ) : (
              <Link to={`/jobs/${state.id}/${sheet}`}>{sheetNames[sheet]}</Link>
            )}
            <small>{sheetCode(sheet)}</small>
          </SectionHead>
          <List>
            {missing
              .filter((gap) => gap.sheet === sheet)
              .map((gap, i) => (
                <li key={i}>
                  <Mark kind={gap.finding ? gap.finding.severity : 'not-yet'} size={18} />
                  {gap.finding ? (
                    <span>
                      <b>{severityWords[gap.finding.severity]}.</b> {words(gap.finding).head}
                    </span>
                  ) : (
                    <span>{gap.what}</span>
                  )}
                </li>
              ))}
          </List>
        </section>
      ))}
    </>
  )
}

/** What the signature waits for; nothing where it can be given. */
function signatureWaits(
  person: Person | undefined,
  without: readonly Ticket[],
  typed: string,
): string | undefined {
  if (!person) return 'who is working'
  if (!may(person, 'sign')) return 'a lead installer or the owner'
  if (without.length > 0)
    return `somebody with a ${without.map((ticket) => ticketWords[ticket]).join(' and a ')}${ranOutSays(person, without)}`
  return typed.trim().toLowerCase() === person.name.toLowerCase()
    ? undefined
    : `your name: ${person.name}`
}

const ranOutSays = ({ ranOut = {} }: Person, without: readonly Ticket[]): string =>
  without
    .flatMap((ticket) => {
      const day = ranOut[ticket]
      return day === undefined ? [] : [`; yours ran out on ${day}`]
    })
    .slice(0, 1)
    .join('')

function Sign() {
  const { draft } = useDesign()
  const { act } = useJobActions()
  const { person } = useReadBy()
  const [name, setName] = useState('')
  const [drawn, setDrawn] = useState('')
  const [sending, setSending] = useState(false)
  const needed = ticketsToSign(draft.document)
  const without = person ? lacking(person, needed) : []
  const waits = signatureWaits(person, without, name)
  return (
    <SignForm
      onSubmit={(event) => {
        event.preventDefault()
        if (!waits) {
          setSending(true)
          void act('/signatures', {
            typedName: name.trim(),
            ...(drawn === '' ? {} : { drawn }),
          }).then(() => setSending(false))
        }
      }}
    >
      <SectionHead>
        Signature
        <small>
          {needed.length > 0
            ? `needs: ${needed.map((ticket) => ticketWords[ticket]).join(', ')}`
            : ''}
        </small>
      </SectionHead>
      <p>
        Signing cuts the next lettered revision and freezes the design. It cannot be undone; a later
        change starts a new revision.
      </p>
      <TextField value={name} onChange={setName} maxLength={120}>
        <Label>Type your name as it stands at the top</Label>
        <Input autoComplete="off" />
      </TextField>
      <Drawing onDrawn={setDrawn} />
      {waits ? (
        <Button look="wait" isDisabled>
          Sign: waits for {waits}
        </Button>
      ) : (
        <Button type="submit" look="go" isDisabled={sending}>
          Sign and freeze
        </Button>
      )}
    </SignForm>
  )
}

function Frozen({ letter }: { readonly letter: string }) {
  const { act } = useJobActions()
  const [asking, setAsking] = useState(false)
  return (
    <SignForm as="section">
      <p>
        The design of revision {letter} is kept as it was signed. To change anything, start a new
        revision: it is signed again at the end.
      </p>
      {asking ? (
        <Files>
          <Button
            onPress={() => {
              setAsking(false)
              void act('/unfreeze')
            }}
          >
            Yes, start a new revision
          </Button>
          <Button look="text" onPress={() => setAsking(false)}>
            Leave it
          </Button>
        </Files>
      ) : (
        <Button onPress={() => setAsking(true)}>Start a new revision</Button>
      )}
    </SignForm>
  )
}

function Revisions() {
  const { state } = useStanding()
  const { act } = useJobActions()
  const { nameOf, dates } = useReadBy()
  const redacted = ofKind(state.records, 'redacted')
  return (
    <>
      <SectionHead>
        Revisions
        <small>
          {state.frozen ? (
            ''
          ) : (
            <Button look="text" onPress={() => void act('/revisions')}>
              Cut one now, unsigned
            </Button>
          )}
        </small>
      </SectionHead>
      {state.revisions.length === 0 ? (
        <Prose>None yet. The draft is save {state.saveNumber}.</Prose>
      ) : (
        <List>
          {state.revisions.map((revision) => (
            <li key={revision.letter}>
              <Mark kind={revision.signed && !revision.imported ? 'pass' : 'note'} size={18} />
              <span>
                <b>{revision.letter}</b> {revision.signed ? 'signed' : 'cut'} by{' '}
                {nameOf(revision.by)}, {dates.dayTime(revision.at)}
                {revision.imported && '; imported, signature not verified here'}
                {redacted
                  .filter(({ body }) =>
                    body.revisions.some((one) => one.letter === revision.letter),
                  )
                  .map(({ id, at }) => (
                    <span key={id}>; redacted on {dates.dayOf(at)}</span>
                  ))}
              </span>
              <a
                href={`/api/jobs/${state.id}/revisions/${revision.letter}`}
                download={`job-${state.number}-revision-${revision.letter}.json`}
              >
                Its document
              </a>
            </li>
          ))}
        </List>
      )}
      {redacted.map(({ id, at, by, body }) => (
        <Prose key={id}>
          Redacted on {dates.dayTime(at)} by {nameOf(by)}: {body.what}. {body.because}
        </Prose>
      ))}
    </>
  )
}

const Page = styled.div`
  padding: 14px 32px 32px 24px;
  max-width: 980px;
  ${phone} {
    padding: 12px 14px 24px 12px;
  }
  section {
    margin-bottom: 10px;
  }
`
const List = styled.ul`
  li {
    display: flex;
    gap: 12px;
    align-items: center;
    min-height: 36px;
    padding: 4px 0;
    border-bottom: 0.8px solid var(--hair);
  }
  span {
    flex: 1;
  }
  svg {
    flex: none;
  }
  a {
    color: var(--ember-ink);
    font-weight: 650;
  }
`
const Files = styled.div`
  display: flex;
  gap: 12px 32px;
  flex-wrap: wrap;
  padding: 10px 0;
  a {
    color: var(--ember-ink);
    font-weight: 650;
    text-underline-offset: 3px;
    text-decoration-thickness: 2px;
    padding: 10px 0;
  }
`
const SignForm = styled.form`
  display: grid;
  gap: 12px;
  margin: 10px 0 18px;
  max-width: 620px;
  p {
    color: var(--ink-2);
  }
  label {
    display: block;
    font-size: var(--small);
    color: var(--ink-2);
  }
  input {
    width: 100%;
    min-height: 56px;
    background: transparent;
    border: 0;
    border-bottom: 2px solid var(--ink);
    font: 450 var(--head-1)/32px var(--head);
    padding: 4px;
  }
`
