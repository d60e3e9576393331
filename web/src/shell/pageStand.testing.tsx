import type { JobDocument, SheetId } from '@hestian/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, render } from '@testing-library/react'
import { Suspense } from 'react'
import { JobStand } from '../job/jobStand.testing'
import { lateOnes } from '../ui/lateOnes'
import { pageOf } from './pages'

globalThis.Worker = class {
  postMessage = () => undefined
  terminate = () => undefined
} as unknown as typeof Worker
globalThis.fetch = (() => new Promise(() => undefined)) as unknown as typeof fetch

/** Draws a page of a job that is edited in memory. The pages are fetched before. */
export async function openPage(
  sheet: SheetId | 'walk',
  job: JobDocument,
  onEdit?: (after: JobDocument) => void,
): Promise<void> {
  const Page = pageOf(sheet)
  await Promise.all(lateOnes.map(({ fetch }) => fetch()))
  await act(async () => {
    render(
      <QueryClientProvider client={new QueryClient()}>
        <JobStand job={job} onEdit={(_, after) => onEdit?.(after)}>
          <Suspense fallback="is fetched">
            <Page />
          </Suspense>
        </JobStand>
      </QueryClientProvider>,
    )
    await Promise.resolve()
  })
}
