import type { Edit, JobDocument } from '@hestian/core'
import { applyEdits, judge, showIn, solve } from '@hestian/core'
import type { ReactNode } from 'react'
import { useState } from 'react'
import { MemoryRouter } from 'react-router'
import { WorkedProvider } from '../ui/Worked'
import { JobContext } from './JobContext'
import type { Job } from './JobContext'

const nothing = () => undefined

interface JobStandProps {
  readonly job: JobDocument
  readonly frozen?: boolean
  /** Hears of every edit. */
  readonly onEdit?: (edits: readonly Edit[], document: JobDocument) => void
  readonly children: ReactNode
}

/** A job that is edited in memory: solved and judged as the real one, sent nowhere. */
export function JobStand({ job, frozen = false, onEdit, children }: JobStandProps) {
  const [document, setDocument] = useState(job)
  const solution = solve(document)
  const edit = (edits: readonly Edit[]) =>
    setDocument((before) => {
      const after = applyEdits(before, edits)
      onEdit?.(edits, after)
      return after
    })
  const stand = {
    state: { id: 'job', records: [], samples: {}, revisions: [], frozen: frozen ? 'A' : null },
    draft: { document, edit, undo: nothing, redo: nothing },
    solution,
    judgement: judge(solution, { entries: [], samples: {} }),
    show: showIn(solution.practice.units),
    frozen,
    edit,
    preview: nothing,
    waiting: 0,
    notSent: 0,
    refusal: undefined,
  } as unknown as Job
  return (
    <MemoryRouter>
      <JobContext.Provider value={stand}>
        <WorkedProvider>{children}</WorkedProvider>
      </JobContext.Provider>
    </MemoryRouter>
  )
}
