import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/special-gothic/standard.css'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { BrowserRouter } from 'react-router'
import { ApiError } from './api/client'
import { App } from './shell/App'
import { GlobalStyle } from './ui/GlobalStyle'

const client = new QueryClient({ defaultOptions: { queries: { retry: (count, error) => count < 8 && !(error instanceof ApiError && error.code !== 'offline'), retryDelay: (attempt) => Math.min(4000, 300 * 2 ** attempt), refetchOnWindowFocus: true, staleTime: 2000 } } })

createRoot(document.getElementById('root') ?? document.body).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <BrowserRouter>
        <GlobalStyle />
        <App />
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
)
