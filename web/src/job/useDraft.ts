import type { Conflict, Edit, JobState } from '@hestian/core'
import { applyEdits, JobDocument, mergeDocuments, same, Saved } from '@hestian/core'
import { useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useMemo, useReducer, useRef, useState } from 'react'
import { z } from 'zod'
import { ApiError, call } from '../api/client'
import {
  forgetDraft,
  forgetMine,
  joinedTabs,
  keepDraft,
  keptDraft,
  keptSince,
  onKeptElsewhere,
} from './keptDraft'
import { useSteady } from './useSteady'

export type SaveState = 'saved' | 'saving' | 'waiting' | 'conflict' | 'refused'

export interface DraftConflict {
  readonly conflicts: readonly Conflict[]
  /** Mine where both changed; theirs everywhere else. */
  readonly merged: JobDocument
  readonly theirs: JobDocument
  readonly saveNumber: number
}

export interface Draft {
  readonly document: JobDocument
  readonly edit: (edits: readonly Edit[]) => void
  readonly undo: () => void
  readonly redo: () => void
  readonly canUndo: boolean
  readonly canRedo: boolean
  readonly save: SaveState
  readonly says?: string
  readonly conflict?: DraftConflict
  readonly settle: (choice: 'merge' | 'reload') => void
  /** Saves what is pending; gives whether the server now has all of it. Signing waits for it, and what is queued. */
  readonly flush: () => Promise<boolean>
}

/** Not about what was typed: the server is away, or nobody is signed in any more. */
const isForLater = ({ code }: ApiError): boolean => code === 'offline' || code === 'not-signed-in'

/** How long one goes on typing before what was typed is sent. */
function pause_ms(save: SaveState, isRestored: boolean): number {
  if (save === 'waiting') return 2000
  return isRestored ? 0 : 450
}

/** What is about to be sent is not saved yet. */
const saveState = (save: SaveState, changed: boolean): SaveState =>
  changed && save === 'saved' ? 'saving' : save

const Current = z.object({ document: JobDocument, saveNumber: z.number() })

const noRoom =
  'This browser has no room left: what you type is kept only as long as this page is open, until it says Saved. Make room, or do not close the page.'

/**
 * The design document being edited: undo and redo, saved shortly after each change, kept in the
 * browser until the server has it. A stale save is merged by itself where the two sides touched
 * different places, and asked about where they did not.
 */
export function useDraft(state: JobState, who: string | undefined): Draft {
  const { id: jobId } = state
  const client = useQueryClient()
  const [kept] = useState(() => keptDraft(jobId))
  const [document, setDocument] = useState(kept?.document ?? state.document)
  const [past, setPast] = useState<readonly JobDocument[]>([])
  const [future, setFuture] = useState<readonly JobDocument[]>([])
  const [save, setSave] = useState<SaveState>('saved')
  const [says, setSays] = useState<string>()
  const [conflict, setConflict] = useState<DraftConflict>()
  const base = useRef({
    document: kept?.base ?? state.document,
    saveNumber: kept?.saveNumber ?? state.saveNumber,
  })
  const latest = useRef(document)
  /** What was kept over a reload waits for nothing more: what is done next may rest on it. */
  const restored = useRef(kept !== undefined)
  const busy = useRef(false)
  /**
   * What is on its way to the server, which may have it already: taken back meanwhile, it is a
   * change to send.
   */
  const inFlight = useRef<JobDocument | undefined>(undefined)
  const underWay = useRef<Promise<void>>(Promise.resolve())
  /** What all tabs of this browser last had in common. */
  const agreed = useRef(kept?.document ?? state.document)
  const [storeFull, setStoreFull] = useState(false)
  /** What the server has changed, which no state of React's says. */
  const [, redraw] = useReducer((times: number) => times + 1, 0)
  latest.current = document

  const changed = !same(document, inFlight.current ?? base.current.document)
  const put = useCallback((next: JobDocument) => {
    setDocument(next)
    latest.current = next
  }, [])

  // Another page saved and nothing is pending here: take theirs.
  useEffect(() => {
    if (state.saveNumber <= base.current.saveNumber || busy.current) return
    if (same(latest.current, base.current.document)) {
      base.current = { document: state.document, saveNumber: state.saveNumber }
      agreed.current = state.document
      put(state.document)
    }
  }, [state.saveNumber, state.document, put])

  // Another tab of this browser typed: both tabs show and keep what both typed.
  useEffect(
    () =>
      onKeptElsewhere(jobId, (elsewhere) => {
        const joined = joinedTabs(agreed.current, latest.current, elsewhere.document)
        agreed.current = elsewhere.document
        if (elsewhere.saveNumber > base.current.saveNumber)
          base.current = { document: elsewhere.base, saveNumber: elsewhere.saveNumber }
        if (!same(joined, latest.current)) put(joined)
      }),
    [jobId, put],
  )

  const sendNow = useCallback(async () => {
    if (same(latest.current, base.current.document)) return
    busy.current = true
    setSave('saving')
    const sent = latest.current
    inFlight.current = sent
    try {
      const { saveNumber } = await call('PUT', `/jobs/${jobId}/draft`, Saved, {
        document: sent,
        saveNumber: base.current.saveNumber,
        by: who ?? 'nobody',
      })
      base.current = { document: sent, saveNumber }
      client.setQueryData<JobState>(
        ['job', jobId],
        (old) => old && { ...old, document: sent, saveNumber },
      )
      setSays(undefined)
      setSave('saved')
      if (same(latest.current, sent)) forgetDraft(jobId)
    } catch (error) {
      const refused =
        error instanceof ApiError ? error : new ApiError('offline', 'It could not be saved.')
      if (refused.code === 'stale-save') meet(refused)
      else {
        setSave(isForLater(refused) ? 'waiting' : 'refused')
        setSays(refused.message)
      }
    } finally {
      busy.current = false
      inFlight.current = undefined
      redraw()
    }
    function meet(refused: ApiError) {
      const { document: theirs, saveNumber } = Current.parse(refused.current)
      const { merged, conflicts } = mergeDocuments(base.current.document, latest.current, theirs)
      if (conflicts.length > 0) {
        setConflict({ conflicts, merged, theirs, saveNumber })
        setSave('conflict')
        return
      }
      base.current = { document: theirs, saveNumber }
      put(merged)
      setSays('Somebody else saved in the meantime; both sets of changes are kept.')
      setSave('waiting')
    }
  }, [client, jobId, put, who])
  /** One save at a time: who asks for another waits for the one under way. */
  const send = useCallback((): Promise<void> => {
    if (!busy.current) underWay.current = sendNow()
    return underWay.current
  }, [sendNow])

  useEffect(() => {
    if (!changed && !busy.current && same(document, base.current.document)) {
      // Undone before it was sent: with the next page it would come back.
      forgetMine(jobId)
      return
    }
    if (!changed || save === 'conflict' || save === 'refused') return
    const beside = keptSince(jobId)
    const whole =
      beside && !same(beside.document, agreed.current)
        ? joinedTabs(agreed.current, document, beside.document)
        : document
    agreed.current = whole
    setStoreFull(
      !keepDraft(jobId, {
        base: inFlight.current ?? base.current.document,
        saveNumber: base.current.saveNumber,
        document: whole,
      }),
    )
    if (!same(whole, document)) put(whole)
    const timer = setTimeout(
      () => {
        restored.current = false
        void send()
      },
      pause_ms(save, restored.current),
    )
    return () => clearTimeout(timer)
  }, [changed, document, jobId, put, save, send])

  // A save that waits for the server is tried again until it is there.
  useEffect(() => {
    if (save !== 'waiting') return
    const timer = setInterval(() => void send(), 2000)
    return () => clearInterval(timer)
  }, [save, send])

  const flush = useCallback(async () => {
    for (let tries = 0; tries < 3 && !same(latest.current, base.current.document); tries++)
      await send()
    return same(latest.current, base.current.document)
  }, [send])

  const move = (next: JobDocument) => {
    put(next)
    if (save === 'refused') setSave('saved')
  }
  const actions = useSteady<Pick<Draft, 'edit' | 'undo' | 'redo' | 'settle' | 'flush'>>({
    flush,
    edit: (edits) => {
      const next = applyEdits(latest.current, edits)
      if (same(next, latest.current)) return
      // Taken now: React may run the update later, when the latest is already the new one.
      const was = latest.current
      setPast((before) => [...before.slice(-99), was])
      setFuture([])
      move(next)
    },
    undo: () => {
      const last = past[past.length - 1]
      if (last) {
        setFuture([document, ...future])
        setPast(past.slice(0, -1))
        move(last)
      }
    },
    redo: () => {
      const [next, ...rest] = future
      if (next) {
        setPast([...past, document])
        setFuture(rest)
        move(next)
      }
    },
    settle: (choice) => {
      if (!conflict) return
      base.current = { document: conflict.theirs, saveNumber: conflict.saveNumber }
      // What is not taken is one undo away.
      const mine = latest.current
      setPast((before) => [...before.slice(-99), mine])
      setFuture([])
      put(choice === 'merge' ? conflict.merged : conflict.theirs)
      if (choice === 'reload') forgetDraft(jobId)
      setConflict(undefined)
      setSave('saved')
    },
  })
  const canUndo = past.length > 0
  const canRedo = future.length > 0
  const told = storeFull ? noRoom : says
  const stands = saveState(save, changed)
  return useMemo(
    () => ({
      ...{ document, save: stands, canUndo, canRedo },
      ...(told === undefined ? {} : { says: told }),
      ...(conflict ? { conflict } : {}),
      ...actions,
    }),
    [document, stands, canUndo, canRedo, told, conflict, actions],
  )
}
