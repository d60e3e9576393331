import type {
  Decision,
  Edit,
  JobDocument,
  JobRecord,
  JobState,
  Person,
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
import { useCallback, useEffect, useMemo, useState } from 'react'
import { z } from 'zod'
import { ApiError, call, newId } from '../api/client'
import { withSample } from '../api/jobTogether'
import { useLive } from '../api/queries'
import { keepEvidence } from '../sync/evidence'
import { outbox } from '../sync/outbox'
import type { JobQueue } from '../sync/useOutbox'
import { useOutbox } from '../sync/useOutbox'
import { datesIn } from '../ui/dates'
import type { Draft } from './useDraft'
import { useDraft } from './useDraft'
import type { Job, JobActions } from './jobParts'
import { JobParts } from './jobParts'
import { useFollowing } from './useFollowing'
import { useSteady } from './useSteady'
import { useWho } from './WhoContext'

/** A solution in the practice's units with a person's own in their place. */
function useReadIn(solution: Solution, own: Person['units']): Solution {
  const { units } = solution.practice
  const theirs = useMemo((): UnitSet => {
    const set = Object.entries(own ?? {}).filter(([, unit]) => unit !== undefined)
    return set.length === 0 ? units : { ...units, ...Object.fromEntries(set) }
  }, [units, own])
  return useMemo(
    () =>
      theirs === units
        ? solution
        : { ...solution, practice: { ...solution.practice, units: theirs } },
    [solution, units, theirs],
  )
}

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
function useWorker(
  staff: Staff | undefined,
  document: JobDocument,
): { readonly person: Person | undefined; readonly cannot: string | undefined } {
  const today = siteTime(new Date().toISOString(), document).slice(0, 10)
  const { practice } = document
  return useMemo(
    () => ({
      person: staff && atWork(staff, practice, today),
      // The server asks the same.
      cannot: !staff || may(staff, 'site') ? undefined : mayNotSays(staff, 'site'),
    }),
    [staff, practice, today],
  )
}

/** The job as it is typed, solved and judged: its figures may follow a moment later. */
function useJudged(
  document: JobDocument,
  { records: entries, samples, frozen }: JobState,
  own: Person['units'],
) {
  const solved = useFollowing(document)
  const [remembers] = useState(solver)
  const plain = useMemo(() => remembers(solved), [remembers, solved])
  const solution = useReadIn(plain, own)
  const judgement = useMemo(
    () => judge(solution, { entries, samples, frozen }),
    [solution, entries, samples, frozen],
  )
  /** What is done is held against the job as it was typed, where its figures still follow. */
  const judgedNow = () =>
    solved === document ? judgement : judge(remembers(document), { entries, samples, frozen })
  return { solution, judgement, judgedNow }
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
  const { solution, judgement, judgedNow } = useJudged(draft.document, state, staff?.units)
  const show = useMemo(() => showIn(solution.practice.units), [solution.practice.units])

  const { practice, site } = draft.document
  const zone = site.timeZone ?? onlyZone(practice)
  const { person, cannot } = useWorker(staff, draft.document)
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
  const actions = useSteady<JobActions>({
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
  const isFrozen = state.frozen !== null
  const { waiting } = out
  const notSent = out.troubled.length
  const parts: Job = {
    design: useMemo(() => ({ draft, solution }), [draft, solution]),
    standing: useMemo(() => ({ state, judgement, frozen: isFrozen }), [state, judgement, isFrozen]),
    actions,
    readBy: useMemo(() => ({ person, show, dates, nameOf }), [person, show, dates, nameOf]),
    sending: useMemo(() => ({ waiting, notSent, refusal }), [waiting, notSent, refusal]),
  }
  return <JobParts job={parts}>{children}</JobParts>
}
