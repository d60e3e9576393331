import type { ReactNode } from 'react'
import { lazy, Suspense } from 'react'
import { Navigate, Route, Routes } from 'react-router'
import { useWho, WhoProvider } from '../job/WhoContext'
import { Board } from '../jobs/Board'

const JobShell = lazy(async () => ({ default: (await import('./JobShell')).JobShell }))
const NewVersion = lazy(async () => ({ default: (await import('./NewVersion')).NewVersion }))
const Instruments = lazy(async () => ({
  default: (await import('../instruments/InstrumentsPage')).InstrumentsPage,
}))
const Backups = lazy(async () => ({
  default: (await import('../backups/BackupsPage')).BackupsPage,
}))
const People = lazy(async () => ({ default: (await import('../people/PeoplePage')).PeoplePage }))
const SignInPage = lazy(async () => ({
  default: (await import('../people/SignInPage')).SignInPage,
}))
const Invitation = lazy(async () => ({
  default: (await import('../people/InvitationPage')).InvitationPage,
}))
const HeldOf = lazy(async () => ({ default: (await import('../people/HeldPage')).HeldPage }))
const Guest = lazy(async () => ({ default: (await import('../people/GuestPage')).GuestPage }))
const SignInAgain = lazy(async () => ({
  default: (await import('../job/SignInAgain')).SignInAgain,
}))
const Kit = lazy(async () => ({ default: (await import('../ui/Kit')).Kit }))

export function App() {
  return (
    <Suspense fallback={<p role="status">Fetching …</p>}>
      <Routes>
        <Route path="/guest" element={<Guest />} />
        <Route path="/invitation" element={<Invitation />} />
        <Route
          path="*"
          element={
            <WhoProvider>
              <Door>
                <Firm />
              </Door>
            </WhoProvider>
          }
        />
      </Routes>
    </Suspense>
  )
}

/** The pages, while it is not known that nobody is signed in; then the way in. */
function Door({ children }: { readonly children: ReactNode }) {
  const { door, person, ended } = useWho()
  if (door && !person) return <SignInPage />
  return (
    <>
      {ended && (
        <Suspense>
          <SignInAgain />
        </Suspense>
      )}
      {children}
    </>
  )
}

/**
 * The address of the first start: its code stays in it until it is known whether somebody is in.
 */
function First() {
  const { person } = useWho()
  return person ? <Navigate to="/" replace /> : <p role="status">Fetching …</p>
}

function Firm() {
  return (
    <>
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
          <Route path="/people" element={<People />} />
          <Route path="/people/held" element={<HeldOf />} />
          <Route path="/first" element={<First />} />
          <Route path="/kit" element={<Kit />} />
          <Route path="/jobs/:jobId" element={<Navigate to="site" replace />} />
          <Route path="/jobs/:jobId/:sheet" element={<JobShell />} />
          <Route path="*" element={<Navigate to="/" replace />} />
        </Routes>
      </Suspense>
    </>
  )
}
