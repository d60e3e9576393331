import styled from 'styled-components'
import { useDesign, useSending } from '../job/JobContext'
import { phone } from '../ui/phone'

const words = {
  saved: 'Saved',
  saving: 'Saving …',
  waiting: 'Kept here, not saved yet',
  conflict: 'Two versions',
  refused: 'Not saved',
} as const

/** Whether the server has what was typed, and the figures are those of it. */
export function SaveLine() {
  const { draft } = useDesign()
  const { waiting, notSent, isLate } = useSending()
  const { save, says } = draft
  const isQuiet = save === 'saved' || save === 'waiting'
  if (notSent > 0 && isQuiet)
    return (
      <Line role="status" data-save="refused">
        {notSent} not sent
      </Line>
    )
  if (isLate && (isQuiet || save === 'saving'))
    return (
      <Line role="status" data-save="waiting">
        Figures follow …
      </Line>
    )
  if (waiting > 0 && isQuiet)
    return (
      <Line role="status" data-save="waiting" title={says}>
        Kept here, {waiting} to send
      </Line>
    )
  return (
    <Line role="status" data-save={save} title={says}>
      {words[save]}
      {says && save !== 'saved' ? <small> {says}</small> : null}
    </Line>
  )
}

const Line = styled.span`
  && {
    max-width: 300px;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  &[data-save='waiting'],
  &[data-save='refused'] {
    color: var(--look) !important;
  }
  small {
    font-size: var(--note);
    overflow: hidden;
    text-overflow: ellipsis;
  }
  @media (max-width: 1000px) {
    display: flex !important;
  }
  ${phone} {
    &:not([data-save='waiting']):not([data-save='refused']) {
      position: absolute;
      width: 1px;
      height: 1px;
      overflow: hidden;
      clip-path: inset(50%);
    }
    && {
      max-width: 84px;
      white-space: normal;
      padding: 0 8px;
      font-size: var(--note);
      line-height: 16px;
    }
  }
`
