import type {
  Decision,
  Edit,
  Evidence,
  JobDocument,
  JobRecord,
  JobState,
  Judgement,
  Person,
  RecordBody,
  Sample,
  Show,
  SiteAct,
  Solution,
  Staff,
  UnitSet,
} from '@hestian/core'
import {
  applyEdits,
  atWork,
  decide,
  judge,
  may,
  mayNotSays,
  onlyZone,
  recordsOfAct,
  requestOf,
  showIn,
  siteTime,
  solver,
} from '@hestian/core'
import { useQueryClient } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { createContext, useCallback, useContext, useEffect, useMemo, useState } from 'react'
import { z } from 'zod'
import { ApiError, call, newId } from '../api/client'
import { withSample } from '../api/jobTogether'
import { useLive } from '../api/queries'
import { keepEvidence } from '../sync/evidence'
import { outbox } from '../sync/outbox'
import type { JobQueue } from '../sync/useOutbox'
import { useOutbox } from '../sync/useOutbox'
import type { Dates } from '../ui/dates'
import { datesIn } from '../ui/dates'
import type { Draft } from './useDraft'
import { useDraft } from './useDraft'
import { useFollowing } from './useFollowing'
import { useSteady } from './useSteady'
import { useWho } from './WhoContext'

export interface Job {
  readonly state: JobState
  readonly draft: Draft
  readonly solution: Solution
  readonly judgement: Judgement
  readonly show: Show
  readonly frozen: boolean
  readonly edit: (edits: readonly Edit[]) => void
  /**
   * Shows the job as these edits would make it, without making them; undefined shows it as it is.
   */
  readonly preview: (edits: readonly Edit[] | undefined) => void
  /**
   * Sends an action under a fresh id; gives whether it was granted. What was refused stands in
   * `refusal`.
   */
  readonly act: (path: string, body?: object) => Promise<boolean>
  /**
   * Does something on site: judged here at once and queued for the server, which judges it again.
   * False where it is not allowed; `refusal` says why.
   */
  readonly perform: (act: SiteAct, says: string) => boolean
  /**
   * Queues a record and gives its id at once: it is sent when the server is there. Undefined while
   * nobody has said who is working.
   */
  readonly record: (body: RecordBody) => string | undefined
  /** Queues a reading typed into a running test. False while nobody has said who is working. */
  readonly typeSample: (testId: string, sample: Sample) => boolean
  /**
   * Keeps a photograph or paper and queues it; a file that cannot be kept says why in `refusal`.
   */
  readonly keep: (
    file: File,
    how?: { readonly keepPlace: boolean },
  ) => Promise<Evidence | undefined>
  /** How many records and files wait to be sent. */
  readonly waiting: number
  /** How many did not reach the server and need somebody. */
  readonly notSent: number
  readonly refusal: string | undefined
  readonly clearRefusal: () => void
  /** Days and times on the site's clock; on this device's while nobody has said which that is. */
  readonly dates: Dates
  readonly nameOf: (id: string) => string
  readonly person: Person | undefined
}

type Actions = Pick<
  Job,
  'edit' | 'preview' | 'act' | 'perform' | 'record' | 'typeSample' | 'keep' | 'clearRefusal'
>

export const JobContext = createContext<Job | undefined>(undefined)

export function useJob(): Job {
  const job = useContext(JobContext)
  if (!job) throw new Error('useJob outside a job')
  return job
}

/** The practice's units with a person's own in their place. */
const withOwn = (units: UnitSet, own: NonNullable<Person['units']>): UnitSet => ({
  ...units,
  ...Object.fromEntries(Object.entries(own).filter(([, unit]) => unit !== undefined)),
})

const asReadBy = (solution: Solution, own: Person['units']): Solution =>
  own
    ? {
        ...solution,
        practice: { ...solution.practice, units: withOwn(solution.practice.units, own) },
      }
    : solution

/** The job as it will be when what waits has been sent. */
function withWaiting(state: JobState, { records, samples }: JobQueue): JobState {
  const here = new Set(state.records.map((record) => record.id))
  const more = records.filter((record) => !here.has(record.id))
  if (more.length + samples.length === 0) return state
  const together = samples.reduce(
    (known, { testId, sample }) => withSample(known, testId, sample),
    state,
  )
  return { ...together, records: [...state.records, ...more] }
}

function queueAct(
  act: SiteAct,
  how: {
    readonly decision: Extract<Decision, { ok: true }>
    readonly by: string
    readonly jobId: string
    readonly says: string
  },
): void {
  const { by, jobId, says } = how
  if (how.decision.bodies.length === 0) return
  const id = newId()
  const at = new Date().toISOString()
  const { path, body } = requestOf(act)
  const records = recordsOfAct(how.decision, { id, by }, at)
  const sent = { ...body, id, by, at }
  void outbox.add({ kind: 'act', id, jobId, path, body: sent, records, says })
}

/**
 * Who is at work on a job, with the tickets that count there today, and why they may record
 * nothing, where they may not.
 */
function worker(
  staff: Staff | undefined,
  document: JobDocument,
): { readonly person: Person | undefined; readonly cannot: string | undefined } {
  if (!staff) return { person: undefined, cannot: undefined }
  const today = siteTime(new Date().toISOString(), document)
  return {
    person: atWork(staff, document.practice, today),
    // The server asks the same.
    cannot: may(staff, 'site') ? undefined : mayNotSays(staff, 'site'),
  }
}

/** Solves and judges the job as it is typed, and hands its parts to the pages. */
export function JobProvider({
  state: stored,
  children,
}: {
  readonly state: JobState
  readonly children: ReactNode
}) {
  useLive(stored.id)
  const out = useOutbox(stored.id)
  const state = useMemo(() => withWaiting(stored, out), [stored, out])
  const client = useQueryClient()
  const { person: staff, people, ask } = useWho()
  const kept = useDraft(state, staff?.id)
  const [tried, setTried] = useState<readonly Edit[]>()
  const draft = useMemo(
    (): Draft => (tried ? { ...kept, document: applyEdits(kept.document, tried) } : kept),
    [kept, tried],
  )
  const [refusal, setRefusal] = useState<string>()
  const own = staff?.units
  const solved = useFollowing(draft.document)
  const [remembers] = useState(solver)
  const solution = useMemo(() => asReadBy(remembers(solved), own), [remembers, solved, own])
  const { records: entries, samples, frozen } = state
  const judgement = useMemo(
    () => judge(solution, { entries, samples, frozen }),
    [solution, entries, samples, frozen],
  )
  /** What is done is held against the job as it was typed, where its figures still follow. */
  const judgedNow = () =>
    solved === draft.document
      ? judgement
      : judge(remembers(draft.document), { entries, samples, frozen })
  const show = useMemo(() => showIn(solution.practice.units), [solution.practice.units])

  const { practice, site } = draft.document
  const zone = site.timeZone ?? onlyZone(practice)
  const { person, cannot } = worker(staff, draft.document)
  const dates = useMemo(() => datesIn(zone), [zone])

  const { flush } = draft
  useEffect(
    () => (state.frozen ? undefined : outbox.restsOn(state.id, flush)),
    [flush, state.frozen, state.id],
  )
  const send = useCallback(
    async (path: string, body: object): Promise<boolean> => {
      // The server judges what it has: what was just typed goes first.
      if (!(await outbox.flush(state.id)) || (!state.frozen && !(await flush()))) {
        setRefusal(
          'What you typed is not saved yet, so this was not sent. It is kept here; try again when it says Saved.',
        )
        return false
      }
      try {
        await call('POST', `/jobs/${state.id}${path}`, z.unknown(), body)
        setRefusal(undefined)
        await client.invalidateQueries({ queryKey: ['job', state.id] })
        return true
      } catch (error) {
        setRefusal(
          error instanceof ApiError
            ? error.message
            : 'That could not be sent. Nothing you typed is lost.',
        )
        return false
      }
    },
    [client, flush, state.frozen, state.id],
  )

  const nameOf = useCallback(
    (id: string) => people.find((one) => one.id === id)?.name ?? id,
    [people],
  )
  const actions = useSteady<Actions>({
    clearRefusal: () => setRefusal(undefined),
    preview: (edits) => setTried(state.frozen ? undefined : edits),
    edit: (edits) =>
      state.frozen
        ? setRefusal(
            `Revision ${state.frozen} is signed and frozen. Start a new revision on the handover page to change the design.`,
          )
        : draft.edit(edits),
    act: async (path, body = {}) =>
      person ? send(path, { id: newId(), by: person.id, ...body }) : (ask(), false),
    perform: (act, says) => {
      if (!person) return (ask(), false)
      if (cannot !== undefined) return (setRefusal(cannot), false)
      const decision = decide(judgedNow(), person, act)
      if (!decision.ok) return (setRefusal(decision.says), false)
      setRefusal(undefined)
      queueAct(act, { decision, by: person.id, jobId: state.id, says })
      return true
    },
    record: (body) => {
      if (!person) return void ask()
      if (cannot !== undefined) return void setRefusal(cannot)
      const record: JobRecord = { id: newId(), at: new Date().toISOString(), by: person.id, body }
      void outbox.add({ kind: 'record', id: record.id, jobId: state.id, record })
      return record.id
    },
    typeSample: (testId, sample) => {
      if (!person) return (ask(), false)
      if (cannot !== undefined) return (setRefusal(cannot), false)
      const entry = { kind: 'sample', id: newId(), jobId: state.id, testId, sample } as const
      void outbox.add({ ...entry, by: person.id })
      return true
    },
    keep: async (file, how = { keepPlace: false }) => {
      const kept = await keepEvidence(file, state.id, how)
      if (!kept.ok) return void setRefusal(kept.says)
      setRefusal(undefined)
      return kept.evidence
    },
  })
  const job = useMemo(
    (): Job => ({
      ...{ state, draft, solution, judgement, show, frozen: state.frozen !== null },
      ...{ refusal, person, nameOf, dates },
      ...{ waiting: out.waiting, notSent: out.troubled.length },
      ...actions,
    }),
    [state, draft, solution, judgement, show, refusal, person, nameOf, dates, out, actions],
  )
  return <JobContext.Provider value={job}>{children}</JobContext.Provider>
}
