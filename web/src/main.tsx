import './withoutEval'
import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/special-gothic/standard.css'
import type { JobState } from '@hestian/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { startTransition, StrictMode } from 'react'
import { I18nProvider } from 'react-aria-components'
import { createRoot } from 'react-dom/client'
import { BrowserRouter } from 'react-router'
import { ApiError } from './api/client'
import { App } from './shell/App'
import { fetchShown } from './shell/fetchShown'
import { withRecord, withSample } from './api/jobTogether'
import { outbox } from './sync/outbox'
import { GlobalStyle } from './ui/GlobalStyle'

const client = new QueryClient({
  defaultOptions: {
    queries: {
      // The server may be on this machine or in this house while the browser calls itself offline.
      networkMode: 'always',
      retry: (count, error) =>
        count < 8 && !(error instanceof ApiError && error.code !== 'offline'),
      retryDelay: (attempt) => Math.min(4000, 300 * 2 ** attempt),
      refetchOnWindowFocus: true,
      staleTime: 2000,
    },
  },
})

// What was just delivered stays on the page until the server's own copy comes.
outbox.onDelivered = (entry) => {
  if (entry.kind === 'evidence') return
  client.setQueryData<JobState>(['job', entry.jobId], (state) => {
    if (!state) return state
    if (entry.kind === 'sample') return withSample(state, entry.testId, entry.sample)
    return (entry.kind === 'act' ? entry.records : [entry.record]).reduce(withRecord, state)
  })
}
void outbox.open()
fetchShown(location.pathname)

const root = createRoot(document.getElementById('root') ?? document.body)
// In slices, between which a phone can answer a finger.
startTransition(() =>
  root.render(
    <StrictMode>
      <QueryClientProvider client={client}>
        {/* Days are typed year first, which reads the same everywhere. */}
        <I18nProvider locale="en-CA">
          <BrowserRouter>
            <GlobalStyle />
            <App />
          </BrowserRouter>
        </I18nProvider>
      </QueryClientProvider>
    </StrictMode>,
  ),
)
