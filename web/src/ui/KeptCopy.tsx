import { useSyncExternalStore } from 'react'
import styled from 'styled-components'
import { away } from '../api/away'
import { Mark } from './icons'

/**
 * Says so while what is shown is a copy kept on this device: it may be older than what the server
 * has.
 */
export function KeptCopy() {
  const since = useSyncExternalStore(away.subscribe, away.since)
  if (since === undefined) return null
  const at = new Date(since)
  return (
    <Line role="status">
      <Mark kind="fix" size={18} />
      <span>
        The server does not answer. This is the copy kept on this device
        {Number.isNaN(at.getTime())
          ? ''
          : ` as of ${at.toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' })}`}
        . What you type and record is kept here and sent when it does.
      </span>
    </Line>
  )
}

const Line = styled.p`
  display: flex;
  gap: 10px;
  align-items: baseline;
  padding: 8px 0;
  font: 450 var(--small)/20px var(--text);
  color: var(--look);
  max-width: 68ch;
`
