import type { PracticeName, TimeZone } from '@hestian/core'
import { practiceLabels, practiceNames, zonesOf } from '@hestian/core'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { FieldError, Input, Label, TextField } from 'react-aria-components'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { ApiError, call, newId } from '../api/client'
import { aJob } from '../api/queries'
import { useKeptText } from '../job/useKeptText'
import { useWho } from '../job/WhoContext'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { phone } from '../ui/phone'

const longest = { name: 120, address: 300 }

const tooLong = (text: string, most: number) =>
  text.length > most ? `At most ${most} characters; this has ${text.length}.` : undefined

/** Name, address and practice: enough to begin. What was typed stays until the job is there. */
export function NewJobForm({ onClose }: { readonly onClose: () => void }) {
  const navigate = useNavigate()
  const client = useQueryClient()
  const { person, ask } = useWho()
  const [id] = useState(newId)
  const [name, setName] = useKeptText('new-job-name')
  const [address, setAddress] = useKeptText('new-job-address')
  const [practice, setPractice] = useState<PracticeName>('uk-ireland')
  const [says, setSays] = useState<string>()
  const [tried, setTried] = useState(false)
  const nameless = tried && name.trim() === '' ? 'The job needs a name.' : undefined
  const nameSays = nameless ?? tooLong(name, longest.name)
  const addressSays = tooLong(address, longest.address)
  const make = async () => {
    setTried(true)
    if (name.trim() === '' || nameSays || addressSays) return
    if (!person) return ask()
    try {
      const job = await call('POST', '/jobs', aJob, {
        id,
        name: name.trim(),
        address,
        practice,
        timeZone: deviceZone(practice),
        by: person.id,
      })
      setName('')
      setAddress('')
      client.setQueryData(['job', job.id], job)
      await client.invalidateQueries({ queryKey: ['board'] })
      void navigate(`/jobs/${job.id}/work`)
    } catch (error) {
      setSays(
        error instanceof ApiError
          ? error.message
          : 'It could not be made. What you typed is still here.',
      )
    }
  }
  return (
    <Frame
      onSubmit={(event) => {
        event.preventDefault()
        void make()
      }}
      aria-label="New job"
    >
      <TextField
        value={name}
        onChange={setName}
        isInvalid={nameSays !== undefined}
        validationBehavior="aria"
        autoFocus
      >
        <Label>Name of the job</Label>
        <Input />
        <FieldError>{nameSays}</FieldError>
      </TextField>
      <TextField
        value={address}
        onChange={setAddress}
        isInvalid={addressSays !== undefined}
        validationBehavior="aria"
      >
        <Label>Address</Label>
        <Input />
        <FieldError>{addressSays}</FieldError>
      </TextField>
      <Choice
        labelled
        label="Practice"
        value={practice}
        options={practiceNames.map((one) => ({ id: one, text: practiceLabels[one] }))}
        onChoose={setPractice}
      />
      <div>
        <Button type="submit" look="go">
          Begin
        </Button>
        <Button look="text" onPress={onClose}>
          Not now
        </Button>
        <small role="alert">{says}</small>
      </div>
    </Frame>
  )
}

/** The clock of this device, where the practice has a place that stands on it. */
const deviceZone = (practice: PracticeName): TimeZone | null => {
  const here = Intl.DateTimeFormat().resolvedOptions().timeZone
  return zonesOf(practice).find((zone) => zone === here) ?? null
}

const Frame = styled.form`
  display: grid;
  grid-template-columns: 1fr 1.4fr 220px;
  gap: 16px 24px;
  padding: 16px 0 24px;
  border-top: 1.5px solid var(--ink);
  align-items: start;
  label {
    display: block;
    font-size: var(--small);
    line-height: 20px;
    color: var(--ink-2);
  }
  input {
    width: 100%;
    min-height: 48px;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    background: transparent;
    font-size: var(--head-3);
    padding: 4px;
    border-radius: 0;
  }
  .react-aria-FieldError,
  small {
    color: var(--stop);
    font-size: var(--small);
  }
  > div:last-child {
    grid-column: 1 / -1;
    display: flex;
    gap: 20px;
    align-items: center;
  }
  [aria-haspopup='listbox'] {
    min-height: 48px;
    font-size: var(--large);
  }
  ${phone} {
    grid-template-columns: 1fr;
  }
`
