import type { Backups, KeptBackup } from '@hestian/core'
import { Backups as BackupsSchema, KeptBackup as KeptSchema } from '@hestian/core'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import styled from 'styled-components'
import { call, newId } from '../api/client'
import { useWho } from '../job/WhoContext'
import { WhoIsWorking } from '../job/WhoIsWorking'
import { Button } from '../ui/Button'
import { dayTime } from '../ui/dates'
import { DoneHead, DoneRow } from '../ui/DoneRow'
import { FirmHead, FirmPage } from '../ui/FirmPage'
import { Mark } from '../ui/icons'

const day_ms = 24 * 3600 * 1000

/** The backups that were tried, when the last one was, and one more by a press. */
export function BackupsPage() {
  const { data, error } = useQuery({
    queryKey: ['backups'],
    queryFn: () => call('GET', '/backups', BackupsSchema),
  })
  const { making, made, make } = useMaking()
  return (
    <FirmPage who={<WhoIsWorking />}>
      <h1>{headOf(data, error !== null && !data)}</h1>
      <p>
        A backup holds every job, record, photograph and paper. It is put back into a scratch folder
        and read there from end to end before it counts; one that cannot be is not kept.
      </p>
      <Make>
        <Button look="go" isDisabled={making} onPress={make}>
          {making ? 'Making and trying it …' : 'Back up now'}
        </Button>
        {made && <span role={made.ok ? 'status' : 'alert'}>{made.says}</span>}
      </Make>
      <FirmHead>
        Kept<small>the last {data?.keeps ?? 7}, one a day while the server runs</small>
      </FirmHead>
      <ul aria-label="Backups">
        {data?.kept.map((one) => (
          <Row key={one.name} backup={one} />
        ))}
      </ul>
      {data && (
        <p>
          They lie in <code>{data.folder}</code> on the server. A disk that dies takes them along:
          fetch one to another machine now and then. Putting one back is described in the README.
        </p>
      )}
      <p>
        For a spreadsheet:{' '}
        <a href="/api/tables.zip" download="hestian-tables.zip">
          the firm’s lists as CSV
        </a>
        , jobs, people and tickets, gauges, the log of changes.
      </p>
    </FirmPage>
  )
}

function useMaking() {
  const client = useQueryClient()
  const { person, ask } = useWho()
  const { mutate, isPending, data, error } = useMutation({
    mutationFn: (by: string) =>
      call('POST', '/backups', KeptSchema, { id: newId(), by }, { patient: true }),
    onSettled: () => client.invalidateQueries({ queryKey: ['backups'] }),
  })
  const says = error
    ? { ok: false, says: error.message }
    : data && { ok: true, says: `Made, put back and read: ${holds(data)}.` }
  return {
    making: isPending,
    made: isPending ? undefined : says,
    make: () => (person ? mutate(person.id) : ask()),
  }
}

const holds = ({ jobs, evidence }: KeptBackup): string =>
  `${jobs === 1 ? 'one job' : `${jobs} jobs`}, ${evidence} photographs and papers`

function headOf(data: Backups | undefined, isAway: boolean) {
  if (isAway) return 'The server does not answer; trying again.'
  if (!data) return 'Looking for the backups …'
  const [last] = data.kept
  if (!last)
    return (
      <>
        There is <b>no backup</b> yet.
      </>
    )
  if (last.faults.length > 0)
    return (
      <>
        The last backup holds <b>{last.faults.length}</b> that{' '}
        {last.faults.length === 1 ? 'was' : 'were'} not sound before.
      </>
    )
  const age = Date.now() - Date.parse(last.at)
  return (
    <>
      Last backup <b>{dayTime(last.at)}</b>, tried{age > 2 * day_ms ? '; that is a while ago' : ''}.
    </>
  )
}

function Row({ backup }: { readonly backup: KeptBackup }) {
  const { name, at, bytes, faults } = backup
  return (
    <DoneRow>
      <Mark kind={faults.length > 0 ? 'fix' : 'pass'} size={22} />
      <div>
        <DoneHead>
          <b>{dayTime(at)}</b>
          <a href={`/api/backups/${name}`} download={name} aria-label={`Fetch: ${dayTime(at)}`}>
            Fetch
          </a>
        </DoneHead>
        <small>
          {holds(backup)}, {(bytes / 1e6).toFixed(1)} MB
        </small>
        {faults.slice(0, 5).map((fault) => (
          <small key={fault}>{fault}</small>
        ))}
      </div>
    </DoneRow>
  )
}

const Make = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 10px 22px;
  align-items: center;
  margin: 4px 0 22px;
`
