import { useStanding } from '../job/JobContext'

/** The paper of one test. */
export function Certificate({ testId }: { readonly testId: string }) {
  const { state } = useStanding()
  return (
    <a
      href={`/api/jobs/${state.id}/tests/${testId}/certificate.pdf`}
      target="_blank"
      rel="noreferrer"
    >
      Certificate (PDF)
    </a>
  )
}
