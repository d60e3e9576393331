import { useState } from 'react'
import styled from 'styled-components'
import { useDesign } from '../job/JobContext'
import { Button } from '../ui/Button'
import { Mark } from '../ui/icons'
import type { Outgoing } from './outbox'
import { outbox } from './outbox'
import { outgoingName } from './outgoingWords'
import { useOutbox, useStoreFull } from './useOutbox'
import { phone } from '../ui/phone'

/**
 * What did not reach the server and needs somebody: what it is, why, and what can be done. Closing
 * a message deletes nothing.
 */
export function NotSent({ jobId }: { readonly jobId: string }) {
  const { troubled } = useOutbox(jobId)
  const full = useStoreFull()
  const [showAside, setShowAside] = useState(false)
  const open = troubled.filter((entry) => !entry.aside)
  const aside = troubled.filter((entry) => entry.aside)
  return (
    <>
      {full && (
        <Line role="alert">
          <Mark kind="stop" size={18} />
          <p>
            <b>This browser has hardly any room left.</b> What you record now may be kept only as
            long as this page is open. Make room on the device, or wait until it has been sent,
            before you record more.
          </p>
        </Line>
      )}
      {open.map((entry) => (
        <Entry key={entry.id} entry={entry} />
      ))}
      {aside.length > 0 && (
        <Line>
          <Mark kind="note" size={18} />
          <p>
            {aside.length === 1 ? 'One record is' : `${aside.length} records are`} put aside on this
            device and not sent.{' '}
            <Button look="text" onPress={() => setShowAside(!showAside)}>
              {showAside ? 'Hide' : 'Show'}
            </Button>
          </p>
        </Line>
      )}
      {showAside && aside.map((entry) => <Entry key={entry.id} entry={entry} />)}
    </>
  )
}

function Entry({ entry }: { readonly entry: Outgoing }) {
  const [dropping, setDropping] = useState(false)
  const { solution } = useDesign()
  const name = outgoingName(entry, solution.practice.words)
  const why = entry.refused ?? entry.notSent ?? 'It was put aside here.'
  return (
    <Line role="alert">
      <Mark kind="stop" size={18} />
      <div>
        <p>
          <b>Not sent: {name}.</b> {why}
        </p>
        {dropping && <p>“{name}” is then gone for good; nobody else has it.</p>}
        <Actions>
          {dropping ? (
            <>
              <Button onPress={() => void outbox.drop(entry.id)}>Yes, drop it</Button>
              <Button look="text" onPress={() => setDropping(false)}>
                Keep it
              </Button>
            </>
          ) : (
            <>
              <Button look="text" onPress={() => void outbox.tryAgain(entry.id)}>
                Try again
              </Button>
              {!entry.aside && (
                <Button look="text" onPress={() => void outbox.putAside(entry.id)}>
                  Put aside
                </Button>
              )}
              <Button look="text" onPress={() => setDropping(true)}>
                Drop it
              </Button>
            </>
          )}
        </Actions>
      </div>
    </Line>
  )
}

const Actions = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
`
const Line = styled.div`
  display: grid;
  grid-template-columns: 18px minmax(0, 1fr);
  gap: 10px;
  padding: 8px 24px;
  border-bottom: 1.5px solid var(--rule);
  overflow-wrap: anywhere;
  > svg {
    color: var(--stop);
    margin-top: 3px;
  }
  ${phone} {
    padding: 8px 12px;
  }
`
