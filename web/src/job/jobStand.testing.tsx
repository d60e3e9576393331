import type {
  Edit,
  JobDocument,
  JobRecord,
  Person,
  RecordBody,
  Sample,
  SiteAct,
} from '@hestian/core'
import { applyEdits, decide, practices, recordsOfAct, showIn, tickets } from '@hestian/core'
import type { ReactNode } from 'react'
import { useMemo, useRef, useState } from 'react'
import { MemoryRouter } from 'react-router'
import { datesIn } from '../ui/dates'
import { answering } from '../work/answering'
import type { JobAnswer } from '../work/handed'
import { hearing } from '../work/handed'
import { carried } from '../work/workerHere.testing'
import { WorkedProvider } from '../ui/Worked'
import { JobParts } from './JobContext'
import type { Job } from './JobContext'

const nothing = () => undefined

export const lead: Person = {
  id: 'lead',
  name: 'Lead Person',
  role: 'lead',
  tickets: [...tickets],
}

interface JobStandProps {
  readonly job: JobDocument
  readonly frozen?: boolean
  /** What was recorded before. */
  readonly entries?: readonly JobRecord[]
  /** What was read, by the test it belongs to. */
  readonly samples?: Readonly<Record<string, readonly Sample[]>>
  readonly person?: Person
  /** Where the page stands. */
  readonly at?: string
  /** Hears of every edit. */
  readonly onEdit?: (edits: readonly Edit[], document: JobDocument) => void
  /** Hears of every act for the server, and says whether it is granted. */
  readonly onAct?: (path: string, body: object) => boolean
  /** Hears of every record, and says whether somebody is at work who may make it. */
  readonly onRecord?: (body: RecordBody) => boolean
  /** Hears of every reading that is typed, and says whether somebody may. */
  readonly onSample?: (testId: string, sample: Sample) => boolean
  readonly children: ReactNode
}

type Samples = NonNullable<JobStandProps['samples']>
const unread: Samples = {}

/** The job solved and judged, handed over as its worker does. */
function useAnswer(
  document: JobDocument,
  entries: readonly JobRecord[],
  samples: Samples,
): JobAnswer {
  const [{ solved, heard }] = useState(() => ({ solved: answering(), heard: hearing() }))
  return useMemo(() => {
    const { units } = practices[document.practice]
    const question = { document, records: { entries, samples }, units }
    const answer = carried(solved(carried({ n: 1, ...question })))
    if ('failed' in answer) throw new Error(answer.failed)
    return heard(answer.found, question)
  }, [document, entries, samples, solved, heard])
}

/** A job that is edited in memory: solved and judged as the real one, sent nowhere. */
export function JobStand({
  job,
  frozen = false,
  entries: before = [],
  samples = unread,
  person = lead,
  at = '/',
  onEdit,
  onAct = () => true,
  onRecord = () => true,
  onSample = () => true,
  children,
}: JobStandProps) {
  const [document, setDocument] = useState(job)
  const edit = (edits: readonly Edit[]) =>
    setDocument((before) => {
      const after = applyEdits(before, edits)
      onEdit?.(edits, after)
      return after
    })
  const [entries, setEntries] = useState(before)
  const [refusal, setRefusal] = useState<string>()
  const made = useRef(before.length)
  const { solution, judgement, inWords } = useAnswer(document, entries, samples)
  const show = showIn(solution.practice.units)
  /** Does something on site as the real one, and keeps it here. */
  const perform = (act: SiteAct): Promise<boolean> => Promise.resolve(judged(act))
  const judged = (act: SiteAct): boolean => {
    const decision = decide(judgement, person, act)
    setRefusal(decision.ok ? undefined : decision.says)
    if (!decision.ok) return false
    const how = { id: `act-${String(entries.length).padStart(4, '0')}`, by: person.id }
    setEntries([...entries, ...recordsOfAct(decision, how, new Date().toISOString())])
    return true
  }
  const record = (body: RecordBody): string | undefined => {
    if (!onRecord(body)) return undefined
    const id = `made-${String(made.current++).padStart(4, '0')}`
    const one = { id, by: person.id, at: '2026-11-20T10:00:00Z', body }
    setEntries((before) => [...before, one])
    return id
  }
  const stand = {
    design: { draft: { document, edit, undo: nothing, redo: nothing }, solution, inWords },
    standing: {
      state: {
        ...{ id: 'job', records: entries, samples, revisions: [] },
        frozen: frozen ? 'A' : null,
      },
      judgement,
      frozen,
    },
    actions: {
      ...{ edit, perform, record, preview: nothing, typeSample: onSample },
      onceShown: (act: () => void) => act(),
      act: (path: string, body: object = {}) => Promise.resolve(onAct(path, body)),
    },
    readBy: {
      ...{ person, show, dates: datesIn('UTC') },
      nameOf: (id: string) => id,
    },
    sending: { waiting: 0, notSent: 0, refusal, isLate: false },
  } as unknown as Job
  return (
    <MemoryRouter initialEntries={[at]}>
      <JobParts job={stand}>
        <WorkedProvider>
          {refusal && <p role="alert">{refusal}</p>}
          {children}
        </WorkedProvider>
      </JobParts>
    </MemoryRouter>
  )
}
