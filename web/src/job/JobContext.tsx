import type { Edit, JobRecord, JobState, Judgement, Person, RecordBody, Show, Solution } from '@hestian/core'
import { judge, showIn, solve } from '@hestian/core'
import { useQueryClient } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { createContext, useCallback, useContext, useMemo, useState } from 'react'
import { z } from 'zod'
import { ApiError, call, newId } from '../api/client'
import { useLive } from '../api/queries'
import type { Draft } from './useDraft'
import { useDraft } from './useDraft'
import { useWho } from './WhoContext'

export interface Job {
  readonly state: JobState
  readonly draft: Draft
  readonly solution: Solution
  readonly judgement: Judgement
  readonly show: Show
  readonly frozen: boolean
  readonly edit: (edits: readonly Edit[]) => void
  /** Sends an action under a fresh id; gives whether it was granted. What was refused stands in `refusal`. */
  readonly act: (path: string, body?: object) => Promise<boolean>
  readonly record: (body: RecordBody) => Promise<string | undefined>
  readonly refusal: string | undefined
  readonly clearRefusal: () => void
  readonly nameOf: (id: string) => string
  readonly person: Person | undefined
}

const Context = createContext<Job | undefined>(undefined)

export function useJob(): Job {
  const job = useContext(Context)
  if (!job) throw new Error('useJob outside a job')
  return job
}

/** Solves and judges the job as it is typed, and hands its parts to the pages. */
export function JobProvider({ state, children }: { readonly state: JobState; readonly children: ReactNode }) {
  useLive(state.id)
  const client = useQueryClient()
  const { person, people, ask } = useWho()
  const draft = useDraft(state, person?.id)
  const [refusal, setRefusal] = useState<string>()
  const solution = useMemo(() => solve(draft.document), [draft.document])
  const judgement = useMemo(() => judge(solution, { entries: state.records, samples: state.samples }), [solution, state.records, state.samples])
  const show = useMemo(() => showIn(solution.practice.units), [solution.practice])

  const { flush } = draft
  const send = useCallback(async (path: string, body: object): Promise<boolean> => {
    // The server judges what it has: what was just typed goes first.
    if (!state.frozen && !(await flush())) {
      setRefusal('What you typed is not saved yet, so this was not sent. It is kept here; try again when it says Saved.')
      return false
    }
    try {
      await call('POST', `/jobs/${state.id}${path}`, z.unknown(), body)
      setRefusal(undefined)
      await client.invalidateQueries({ queryKey: ['job', state.id] })
      return true
    } catch (error) {
      setRefusal(error instanceof ApiError ? error.message : 'That could not be sent. Nothing you typed is lost.')
      return false
    }
  }, [client, flush, state.frozen, state.id])

  const job: Job = {
    state, draft, solution, judgement, show, frozen: state.frozen !== null, refusal, clearRefusal: () => setRefusal(undefined), person,
    nameOf: (id) => people.find((one) => one.id === id)?.name ?? id,
    edit: (edits) => (state.frozen ? setRefusal(`Revision ${state.frozen} is signed and frozen. Start a new revision on the handover page to change the design.`) : draft.edit(edits)),
    act: async (path, body = {}) => (person ? send(path, { id: newId(), by: person.id, ...body }) : (ask(), false)),
    record: async (body) => {
      if (!person) return void ask()
      const record: JobRecord = { id: newId(), at: new Date().toISOString(), by: person.id, body }
      return (await send('/records', record)) ? record.id : undefined
    },
  }
  return <Context.Provider value={job}>{children}</Context.Provider>
}
