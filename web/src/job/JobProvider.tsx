import type {
  Decision,
  Edit,
  JobDocument,
  JobRecord,
  JobState,
  Person,
  PracticeName,
  SiteAct,
  Staff,
  UnitSet,
} from '@hestian/core'
import {
  applyEdits,
  atWork,
  decide,
  may,
  mayNotSays,
  onlyZone,
  practices,
  recordsOfAct,
  requestOf,
  showIn,
} from '@hestian/core'
import { useQueryClient } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { z } from 'zod'
import { ApiError, call, newId } from '../api/client'
import { withSample } from '../api/jobTogether'
import { useLive } from '../api/queries'
import { keepEvidence } from '../sync/evidence'
import { outbox } from '../sync/outbox'
import type { JobQueue } from '../sync/useOutbox'
import { useOutbox } from '../sync/useOutbox'
import { datesIn } from '../ui/dates'
import type { JobAnswer } from '../work/handed'
import type { Draft } from './useDraft'
import { useDraft } from './useDraft'
import type { Job, JobActions } from './jobParts'
import { JobParts } from './jobParts'
import type { Following } from './useSolved'
import { useSolved } from './useSolved'
import { useSteady } from './useSteady'
import { useWho } from './WhoContext'

/** The practice's units with a person's own in their place. */
function useUnits(practice: PracticeName, own: Person['units']): UnitSet {
  return useMemo(() => {
    const { units } = practices[practice]
    const set = Object.entries(own ?? {}).filter(([, unit]) => unit !== undefined)
    return set.length === 0 ? units : { ...units, ...Object.fromEntries(set) }
  }, [practice, own])
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
  { practice }: JobDocument,
  today: string,
): { readonly person: Person | undefined; readonly cannot: string | undefined } {
  return useMemo(
    () => ({
      person: staff && atWork(staff, practice, today),
      // The server asks the same.
      cannot: !staff || may(staff, 'site') ? undefined : mayNotSays(staff, 'site'),
    }),
    [staff, practice, today],
  )
}

/** What was queued is asked after once it is drawn. */
const drawn = () => new Promise<void>((done) => setTimeout(done))

/**
 * Does what is allowed on the job as it was typed, and says so once it stands in what is shown. The
 * same act meanwhile is one and the same: somebody pressed twice.
 */
function usePerformed(
  onceShown: Following['onceShown'],
  judged: (act: SiteAct, says: string) => boolean,
): JobActions['perform'] {
  const underWay = useRef(new Map<string, Promise<boolean>>())
  const latest = useSteady({ judged })
  const shown = () => new Promise<void>((done) => onceShown(done))
  const done = async (act: SiteAct, says: string): Promise<boolean> => {
    await shown()
    if (!latest.judged(act, says)) return false
    await drawn()
    await shown()
    return true
  }
  return (act, says) => {
    const key = JSON.stringify(act)
    const same = underWay.current.get(key)
    if (same) return same
    const mine = done(act, says).finally(() => underWay.current.delete(key))
    underWay.current.set(key, mine)
    return mine
  }
}

/** The job as it is typed, or as it would be with what is tried on it. */
function useTried(kept: Draft) {
  const [tried, setTried] = useState<readonly Edit[]>()
  const draft = useMemo(
    (): Draft => (tried ? { ...kept, document: applyEdits(kept.document, tried) } : kept),
    [kept, tried],
  )
  return { draft, setTried }
}

/** What the job as it is typed comes to: its figures may follow a moment later. */
function useFigures(
  document: JobDocument,
  { records: entries, samples, frozen }: JobState,
  own: Person['units'],
): Following {
  const units = useUnits(document.practice, own)
  const question = useMemo(
    () => ({ document, records: { entries, samples, frozen }, units }),
    [document, entries, samples, frozen, units],
  )
  return useSolved(question)
}

interface JobProviderProps {
  readonly state: JobState
  /** Stands here until the job has been solved for the first time. */
  readonly meanwhile: ReactNode
  readonly children: ReactNode
}

/** Has the job solved and judged as it is typed, and hands its parts to the pages. */
export function JobProvider({ state: stored, meanwhile, children }: JobProviderProps) {
  useLive(stored.id)
  const out = useOutbox(stored.id)
  const state = useMemo(() => withWaiting(stored, out), [stored, out])
  const { person } = useWho()
  const { draft, setTried } = useTried(useDraft(state, person?.id))
  const { answer, onceShown, isLate } = useFigures(draft.document, state, person?.units)
  if (!answer) return meanwhile
  return (
    <Answered {...{ state, out, draft, setTried, answer, onceShown, isLate }}>{children}</Answered>
  )
}

interface AnsweredProps {
  readonly state: JobState
  readonly out: JobQueue
  readonly draft: Draft
  readonly setTried: (edits: readonly Edit[] | undefined) => void
  readonly answer: JobAnswer
  readonly onceShown: Following['onceShown']
  readonly isLate: boolean
  readonly children: ReactNode
}

function Answered({
  state,
  out,
  draft,
  setTried,
  answer: { solution, judgement, inWords, today },
  onceShown,
  isLate,
  children,
}: AnsweredProps) {
  const client = useQueryClient()
  const { person: staff, people, ask } = useWho()
  const [refusal, setRefusal] = useState<string>()
  const show = useMemo(() => showIn(solution.practice.units), [solution.practice.units])

  const { practice, site } = draft.document
  const zone = site.timeZone ?? onlyZone(practice)
  const { person, cannot } = useWorker(staff, draft.document, today)
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
  const perform = usePerformed(onceShown, (act, says) => {
    if (!person) return (ask(), false)
    if (cannot !== undefined) return (setRefusal(cannot), false)
    const decision = decide(judgement, person, act)
    if (!decision.ok) return (setRefusal(decision.says), false)
    setRefusal(undefined)
    queueAct(act, { decision, by: person.id, jobId: state.id, says })
    return true
  })
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
    ...{ onceShown, perform },
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
    design: useMemo(() => ({ draft, solution, inWords }), [draft, solution, inWords]),
    standing: useMemo(() => ({ state, judgement, frozen: isFrozen }), [state, judgement, isFrozen]),
    actions,
    readBy: useMemo(() => ({ person, show, dates, nameOf }), [person, show, dates, nameOf]),
    sending: useMemo(
      () => ({ waiting, notSent, refusal, isLate }),
      [waiting, notSent, refusal, isLate],
    ),
  }
  return <JobParts job={parts}>{children}</JobParts>
}
