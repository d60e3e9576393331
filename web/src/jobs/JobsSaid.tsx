import type { BoardPage } from '@hestian/core'

/**
 * How many jobs there are, and on how many of their sites something is off. What cannot be read, and
 * what was put away with something off, is not *nothing off*.
 */
export function JobsSaid({
  data,
  isPending,
  putAway,
}: {
  readonly data: BoardPage | undefined
  readonly isPending: boolean
  readonly putAway: boolean
}) {
  if (isPending) return 'Fetching the jobs …'
  if (!data)
    return (
      <>
        The server does not answer; <b>trying again.</b>
      </>
    )
  if (putAway)
    return (
      <>
        <b>{data.archived}</b> put away
        <WithOff many={data.archivedWithOff} none="" />.
      </>
    )
  if (data.jobs === 0 && data.archivedWithOff === 0)
    return (
      <>
        No jobs yet. <b>Start one.</b>
      </>
    )
  const { jobs, withOff, unreadable, archivedWithOff } = data
  const allKnown = unreadable === 0 && archivedWithOff === 0
  return (
    <>
      <b>
        {jobs} {jobs === 1 ? 'job' : 'jobs'}
      </b>
      <WithOff many={withOff} none={allKnown ? ', nothing off on any site' : ''} />
      {archivedWithOff > 0 && (
        <>
          ; put away with something off: <b>{archivedWithOff}</b>
        </>
      )}
      {unreadable > 0 && (
        <>
          ; <b>{unreadable}</b> cannot be read
        </>
      )}
      .
    </>
  )
}

const WithOff = ({ many, none }: { readonly many: number; readonly none: string }) =>
  many === 0 ? (
    none
  ) : (
    <>
      , <b>{many}</b> with something off on site
    </>
  )
