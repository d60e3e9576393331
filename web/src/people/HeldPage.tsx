import type { HeldInJob } from '@hestian/core'
import { Held, may } from '@hestian/core'
import { useState } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { ApiError, call } from '../api/client'
import { useWho } from '../job/WhoContext'
import { WhoIsWorking } from '../job/WhoIsWorking'
import { Button } from '../ui/Button'
import { DoneForm } from '../ui/DoneRow'
import { FirmHead, FirmPage } from '../ui/FirmPage'
import { saveFile } from '../ui/saveFile'
import { TextLine } from '../ui/TextLine'
import { EraseFromJob } from './EraseFromJob'

/** What is held of somebody: looked for, given out, erased job by job. The owner's. */
export function HeldPage() {
  const { person } = useWho()
  return (
    <FirmPage who={<WhoIsWorking />}>
      {person && may(person, 'firm') ? (
        <Look />
      ) : (
        <>
          <h1>
            <b>The owner</b> looks this up.
          </h1>
          <p>Whoever asks what is held of them, or wants to be erased, is answered by the owner.</p>
        </>
      )}
      <Back>
        <Link to="/people">The people of the firm</Link>
      </Back>
    </FirmPage>
  )
}

function Look() {
  const [words, setWords] = useState('')
  const [held, setHeld] = useState<Held>()
  const [says, setSays] = useState<string>()
  const [looking, setLooking] = useState(false)
  const look = async (what: string) => {
    setLooking(true)
    try {
      setHeld(await call('POST', '/held', Held, { words: what }))
      setSays(undefined)
    } catch (error) {
      setHeld(undefined)
      setSays(error instanceof ApiError ? error.message : 'It was not looked up. Try again.')
    }
    setLooking(false)
  }
  return (
    <>
      <h1>{held ? <Head held={held} /> : 'What is held of somebody'}</h1>
      <p>
        A householder may ask what you keep of them, and to be erased. Look for their name, then for
        the address and the telephone number: each as it is written in the jobs.
      </p>
      <DoneForm
        aria-label="Look up"
        onSubmit={(event) => {
          event.preventDefault()
          void look(words)
        }}
      >
        <TextLine label="Name, address or number" value={words} onChange={setWords} />
        {says && <p role="alert">{says}</p>}
        <div>
          <Button type="submit" look={held ? 'line' : 'go'} isDisabled={looking}>
            {looking ? 'Looking …' : 'Look it up'}
          </Button>{' '}
          {held && held.jobs.length + held.elsewhere.length > 0 && <GiveOut held={held} />}
        </div>
      </DoneForm>
      {held && <Found held={held} onErased={() => void look(held.words)} />}
    </>
  )
}

const Head = ({ held: { jobs, elsewhere, unreadable, words } }: { readonly held: Held }) =>
  jobs.length + elsewhere.length === 0 ? (
    <>
      {unreadable.length > 0 ? 'In what can be read, nothing' : 'Nothing'} is held of <b>{words}</b>
      .
    </>
  ) : (
    <>
      <b>{words}</b> stands in {['no job', 'one job'][jobs.length] ?? `${jobs.length} jobs`}
      {elsewhere.length > 0 && ' and in the firm’s own lists'}.
    </>
  )

/** All of it as a file that can be handed over. */
function GiveOut({ held }: { readonly held: Held }) {
  const give = () =>
    saveFile(`held-${held.at.slice(0, 10)}.json`, 'application/json', JSON.stringify(held, null, 2))
  return (
    <Button look="text" onPress={give}>
      Give it out, as a file
    </Button>
  )
}

function Found({ held, onErased }: { readonly held: Held; readonly onErased: () => void }) {
  const { jobs, elsewhere, unreadable } = held
  return (
    <>
      {unreadable.length > 0 && (
        <p role="status">
          Job {unreadable.join(', ')} cannot be read: whether it stands there is not known.
        </p>
      )}
      {jobs.map((job) => (
        <InJob key={job.id} job={job} words={held.words} onErased={onErased} />
      ))}
      {elsewhere.length > 0 && (
        <Part aria-label="In the firm’s own lists">
          <FirmHead>
            In the firm’s own lists<small>not erased from here</small>
          </FirmHead>
          <Texts texts={elsewhere} />
          <p>
            Who recorded or signed something stays named under it: that is what the record is for.
            Somebody who left is let go on the page of people.
          </p>
        </Part>
      )}
    </>
  )
}

function InJob({
  job,
  words,
  onErased,
}: {
  readonly job: HeldInJob
  readonly words: string
  readonly onErased: () => void
}) {
  const { number, name, texts, photographs, signed } = job
  return (
    <Part aria-label={`Job ${number}`}>
      <FirmHead>
        <span>
          <Link to={`/jobs/${job.id}/handover`}>
            {number} {name}
          </Link>
        </span>
        <small>{signed.length > 0 ? `signed: revision ${signed.join(', ')}` : 'not signed'}</small>
      </FirmHead>
      <Texts texts={texts} />
      {photographs.length > 0 && (
        <details>
          <summary>
            {photographs.length === 1 ? 'A photograph' : `${photographs.length} photographs`} of
            this job
          </summary>
          <Photographs>
            {photographs.map((hash) => (
              <a key={hash} href={`/api/evidence/${hash}`}>
                <img src={`/api/evidence/${hash}`} alt="" loading="lazy" />
              </a>
            ))}
          </Photographs>
        </details>
      )}
      <EraseFromJob job={job} words={words} onErased={onErased} />
    </Part>
  )
}

/** More than so many lines are folded away; they are in the file. */
const shown = 12

function Texts({ texts }: { readonly texts: HeldInJob['texts'] }) {
  return (
    <ul>
      {texts.slice(0, shown).map(({ where, text }, i) => (
        <li key={i}>
          <b>{where}</b>
          <span>{text.length > 240 ? `${text.slice(0, 240)} …` : text}</span>
        </li>
      ))}
      {texts.length > shown && <li>and {texts.length - shown} more: they are in the file.</li>}
    </ul>
  )
}

const Part = styled.section`
  margin-top: 28px;
  li {
    display: grid;
    grid-template-columns: minmax(180px, 1fr) 2fr;
    gap: 4px 18px;
    padding: 7px 0;
    border-bottom: 0.8px solid var(--hair);
    overflow-wrap: anywhere;
  }
  li b {
    font-weight: 650;
  }
  > p {
    color: var(--ink-2);
    max-width: 64ch;
    padding: 8px 0;
  }
  summary {
    min-height: 44px;
    padding: 10px 0;
    cursor: pointer;
  }
  @media (max-width: 640px) {
    li {
      grid-template-columns: 1fr;
    }
  }
`
const Photographs = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  img {
    height: 96px;
    border: 0.8px solid var(--hair);
  }
`
const Back = styled.p`
  padding-top: 24px;
`
