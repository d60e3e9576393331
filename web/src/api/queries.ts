import type { BoardQuery, JobState, LiveEvent } from '@hestian/core'
import { BoardPage, SessionState, Staff } from '@hestian/core'
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { z } from 'zod'
import { away } from './away'
import { call } from './client'
import { together, withRecord, withSample } from './jobTogether'

/** A whole job's schema, fetched with the first job. */
export const aJob = async () => (await import('./jobAnswers')).JobState
const gauges = async () => z.array((await import('./jobAnswers')).GaugeState)

/** Who is signed in. */
export const useSession = () =>
  useQuery({
    queryKey: ['session'],
    queryFn: () => call('GET', '/session', SessionState),
    staleTime: 60_000,
    // A kept copy is looked past as soon as the server answers.
    refetchInterval: () => (away.since() ? 3000 : false),
  })
export const usePeople = (isIn: boolean) =>
  useQuery({
    queryKey: ['people'],
    queryFn: () => call('GET', '/people', z.array(Staff)),
    enabled: isIn,
    staleTime: 60_000,
  })
export const useBoard = (query: BoardQuery) =>
  useQuery({
    queryKey: ['board', query],
    queryFn: () =>
      call(
        'GET',
        `/jobs?${new URLSearchParams(Object.entries(query).map(([key, value]) => [key, String(value)])).toString()}`,
        BoardPage,
      ),
    placeholderData: keepPreviousData,
    // A kept copy is looked past as soon as the server answers.
    refetchInterval: () => (away.since() ? 3000 : false),
  })
/**
 * A whole job. A copy kept from before opens it where no server is; it never takes the place of
 * what is shown, which may be newer.
 */
export function useJobState(id: string) {
  const client = useQueryClient()
  const queryKey = ['job', id]
  return useQuery({
    queryKey,
    queryFn: async () => {
      const fetched = await call('GET', `/jobs/${id}`, aJob, undefined, {
        takesKept: client.getQueryData(queryKey) === undefined,
      })
      return together(fetched, client.getQueryData<JobState>(queryKey))
    },
    refetchInterval: () => (away.since() ? 3000 : false),
  })
}
export const useGauges = (often: { readonly when: boolean }) =>
  useQuery({
    queryKey: ['gauges'],
    queryFn: () => call('GET', '/gauges', gauges),
    refetchInterval: often.when ? 700 : false,
  })

/** The firm's gauges. */
export const useInstruments = () =>
  useQuery({
    queryKey: ['instruments'],
    queryFn: () =>
      call('GET', '/instruments', async () => z.array((await import('./jobAnswers')).Instrument)),
    staleTime: 60_000,
  })

/**
 * Keeps a job's page up to the second: every record and sample as it is stored; after a break
 * everything is read again.
 */
export function useLive(id: string): void {
  const client = useQueryClient()
  useEffect(() => {
    const key = ['job', id]
    const source = new EventSource(`/api/jobs/${id}/live`)
    // What came while nothing was heard is read again, whether the first try broke or a later one.
    let missed = false
    source.onerror = () => {
      missed = true
    }
    source.onopen = () => {
      if (missed) void client.invalidateQueries({ queryKey: key })
      missed = false
    }
    // A fast gauge sends ten readings a second: the page takes them together, a few times a second.
    let heard: LiveEvent[] = []
    let timer: ReturnType<typeof setTimeout> | undefined
    const take = () => {
      const events = heard
      heard = []
      timer = undefined
      client.setQueryData<JobState>(key, (state) => state && allTaken(state, events))
    }
    source.onmessage = (message: MessageEvent<string>) => {
      const event = JSON.parse(message.data) as LiveEvent
      heard.push(event)
      if (event.kind === 'sample') timer ??= setTimeout(take, together_ms)
      else {
        clearTimeout(timer)
        take()
      }
      if (event.kind === 'job' || event.kind === 'again')
        void client.invalidateQueries({ queryKey: key })
    }
    return () => {
      clearTimeout(timer)
      source.close()
    }
  }, [client, id])
}

/** Readings that came within so long are shown at once. */
const together_ms = 500

const allTaken = (state: JobState, events: readonly LiveEvent[]): JobState =>
  events.reduce(taken, state)

/** A job with one more thing stored on it; a repeat changes nothing. */
function taken(state: JobState, event: LiveEvent): JobState {
  if (event.kind === 'record') return withRecord(state, event.record)
  if (event.kind === 'job') return { ...state, frozen: event.frozen }
  if (event.kind === 'again') return state
  return withSample(state, event.testId, event.sample)
}
