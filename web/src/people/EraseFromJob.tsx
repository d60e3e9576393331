import type { HeldInJob } from '@hestian/core'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import styled from 'styled-components'
import { newId } from '../api/client'
import { enter } from '../job/enter'
import { useKeptText } from '../job/useKeptText'
import { useWho } from '../job/WhoContext'
import { Button } from '../ui/Button'
import { DoneForm } from '../ui/DoneRow'
import { TextLine } from '../ui/TextLine'
import { Toggle } from '../ui/Toggle'

interface EraseFromJobProps {
  readonly job: HeldInJob
  readonly words: string
  readonly onErased: () => void
}

/**
 * Takes somebody out of a job: first what it reaches and what stays, then a reason; nothing brings
 * it back.
 */
export function EraseFromJob({ job, words, onErased }: EraseFromJobProps) {
  const [open, setOpen] = useState(false)
  if (job.testRuns) return <p>A test of this job is running. End it; then it can be erased here.</p>
  return open ? (
    <Erase job={job} words={words} onErased={onErased} onLeave={() => setOpen(false)} />
  ) : (
    <Button look="text" onPress={() => setOpen(true)}>
      Erase it from job {job.number}
    </Button>
  )
}

function Erase({
  job,
  words,
  onErased,
  onLeave,
}: EraseFromJobProps & { readonly onLeave: () => void }) {
  const client = useQueryClient()
  const { person } = useWho()
  const [id] = useState(newId)
  const [place, setPlace] = useState(false)
  const [photographs, setPhotographs] = useState(false)
  const [reason, setReason] = useKeptText(`erase-reason:${job.id}`)
  const [number, setNumber] = useState('')
  const [says, setSays] = useState<string>()
  const erase = async () => {
    if (reason.trim().length < 3) return setSays('Say why; it stays in the records of the job.')
    if (number.trim() !== job.number)
      return setSays(`Type the number of this job, ${job.number}: nothing brings it back.`)
    const body = { id, by: person?.id, words, place, photographs, reason }
    const refused = await enter(`/jobs/${job.id}/erase`, body)
    if (refused !== undefined) return setSays(refused)
    setReason('')
    onLeave()
    onErased()
    await client.invalidateQueries()
  }
  return (
    <Form
      aria-label={`Erase from job ${job.number}`}
      onSubmit={(event) => {
        event.preventDefault()
        void erase()
      }}
    >
      <p>
        <b>It reaches</b> every text above: design, revisions, records, links for guests; a drawn
        signature goes with the name under it. A dated sign stands there instead.
      </p>
      <p>
        <b>What stays:</b> what was measured, tested and set, and who of the firm did it. Gas and
        safety records have to be kept for years in many places, some with the address: look there
        first. {signedSays(job)} Backups hold it until they age out; papers that were printed or
        sent, and phones that kept the job and were not in reach since, hold it too.
      </p>
      <Also isSelected={place} onChange={setPlace}>
        <i />
        The name of the place, its address and notes too
      </Also>
      {job.photographs.length > 0 && (
        <Also isSelected={photographs} onChange={setPhotographs}>
          <i />
          {job.photographs.length === 1
            ? 'The photograph too'
            : `All ${job.photographs.length} photographs too`}
        </Also>
      )}
      <TextLine
        label="Why; without a name"
        value={reason}
        onChange={setReason}
        maxLength={200}
        hint="It stays in the records of the job, with who and when."
      />
      <TextLine label="Its number, to be sure" value={number} onChange={setNumber} maxLength={10} />
      {says && <p role="alert">{says}</p>}
      <div>
        <Button type="submit">Erase it for good</Button>{' '}
        <Button look="text" onPress={onLeave}>
          Leave it
        </Button>
      </div>
    </Form>
  )
}

const signedSays = ({ signed }: HeldInJob): string =>
  signed.length === 0
    ? ''
    : `What is signed keeps the SHA-256 it was signed with and says that it was redacted.`

/** A switch among the lines of a form. */
const Also = styled(Toggle)`
  && {
    display: flex;
    color: var(--ink);
  }
`
const Form = styled(DoneForm)`
  padding-top: 14px;
`
