import { lazy, Suspense } from 'react'
import { Navigate, Route, Routes } from 'react-router'
import { WhoProvider } from '../job/WhoContext'
import { Board } from '../jobs/Board'

const JobShell = lazy(async () => ({ default: (await import('./JobShell')).JobShell }))
const NewVersion = lazy(async () => ({ default: (await import('./NewVersion')).NewVersion }))
const Instruments = lazy(async () => ({
  default: (await import('../instruments/InstrumentsPage')).InstrumentsPage,
}))
const Backups = lazy(async () => ({
  default: (await import('../backups/BackupsPage')).BackupsPage,
}))
const Kit = lazy(async () => ({ default: (await import('../ui/Kit')).Kit }))

export function App() {
  return (
    <WhoProvider>
      {import.meta.env.PROD && (
        <Suspense>
          <NewVersion />
        </Suspense>
      )}
      <Suspense fallback={<p role="status">Fetching …</p>}>
        <Routes>
          <Route path="/" element={<Board />} />
          <Route path="/gauges" element={<Instruments />} />
          <Route path="/backups" element={<Backups />} />
          <Route path="/kit" element={<Kit />} />
          <Route path="/jobs/:jobId" element={<Navigate to="site" replace />} />
          <Route path="/jobs/:jobId/:sheet" element={<JobShell />} />
          <Route path="*" element={<Navigate to="/" replace />} />
        </Routes>
      </Suspense>
    </WhoProvider>
  )
}
