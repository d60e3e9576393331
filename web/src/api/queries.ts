import type { BoardQuery, JobRecord, LiveEvent } from '@hestian/core'
import { BoardPage, GaugeState, JobState, PersonSchema } from '@hestian/core'
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { z } from 'zod'
import { call } from './client'

export const usePeople = () =>
  useQuery({
    queryKey: ['people'],
    queryFn: () => call('GET', '/people', z.array(PersonSchema)),
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
  })
export const useJobState = (id: string) =>
  useQuery({ queryKey: ['job', id], queryFn: () => call('GET', `/jobs/${id}`, JobState) })
export const useGauges = (often: { readonly when: boolean }) =>
  useQuery({
    queryKey: ['gauges'],
    queryFn: () => call('GET', '/gauges', z.array(GaugeState)),
    refetchInterval: often.when ? 700 : false,
  })

/** Keeps a job's page up to the second: every record and sample as it is stored; after a break everything is read again. */
export function useLive(id: string): void {
  const client = useQueryClient()
  useEffect(() => {
    const key = ['job', id]
    const source = new EventSource(`/api/jobs/${id}/live`)
    let opened = false
    source.onopen = () => {
      if (opened) void client.invalidateQueries({ queryKey: key })
      opened = true
    }
    source.onmessage = (message: MessageEvent<string>) => {
      const event = JSON.parse(message.data) as LiveEvent
      client.setQueryData<JobState>(key, (state) => state && taken(state, event))
      if (event.kind === 'job') void client.invalidateQueries({ queryKey: key })
    }
    return () => source.close()
  }, [client, id])
}

/** A job with one more record; one that is there already changes nothing. */
export const withRecord = (state: JobState, record: JobRecord): JobState =>
  state.records.some((one) => one.id === record.id)
    ? state
    : { ...state, records: [...state.records, record] }

/** A job with one more thing stored on it; a repeat changes nothing. */
function taken(state: JobState, event: LiveEvent): JobState {
  if (event.kind === 'record') return withRecord(state, event.record)
  if (event.kind === 'job') return { ...state, frozen: event.frozen }
  const samples = state.samples[event.testId] ?? []
  if (samples.some((sample) => sample.at_ms === event.sample.at_ms)) return state
  return {
    ...state,
    samples: {
      ...state.samples,
      [event.testId]: [...samples, event.sample].sort((a, b) => a.at_ms - b.at_ms),
    },
  }
}
