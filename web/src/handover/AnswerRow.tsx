import type { JobRecord } from '@hestian/core'
import { useReadBy } from '../job/JobContext'
import { DoneRow } from '../ui/DoneRow'
import { Mark } from '../ui/icons'

/** How an answer from outside stands: no answer is none, never a good one. */
const marks = {
  accepted: 'pass',
  taken: 'pass',
  refused: 'stop',
  unanswered: 'not-yet',
} as const

/** What somebody outside answered, with who asked and when. */
export function AnswerRow({
  record: { at, by },
  outcome,
  says,
}: {
  readonly record: Pick<JobRecord, 'at' | 'by'>
  readonly outcome: keyof typeof marks
  readonly says: string
}) {
  const { nameOf, dates } = useReadBy()
  return (
    <DoneRow>
      <Mark kind={marks[outcome]} size={22} />
      <div>
        <b>{says}</b>
        <small>
          {nameOf(by)}, {dates.dayTime(at)}
        </small>
      </div>
    </DoneRow>
  )
}
