import { Navigate, Route, Routes } from 'react-router'
import { WhoProvider } from '../job/WhoContext'
import { Board } from '../jobs/Board'
import { Kit } from '../ui/Kit'
import { JobShell } from './JobShell'

export function App() {
  return (
    <WhoProvider>
      <Routes>
        <Route path="/" element={<Board />} />
        <Route path="/kit" element={<Kit />} />
        <Route path="/jobs/:jobId" element={<Navigate to="site" replace />} />
        <Route path="/jobs/:jobId/:sheet" element={<JobShell />} />
        <Route path="*" element={<Navigate to="/" replace />} />
      </Routes>
    </WhoProvider>
  )
}
