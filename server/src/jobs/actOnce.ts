import type { Person } from '@hestian/core'
import { atWork, Refused, siteTime } from '@hestian/core'
import type { Clock } from '../app/parts'
import type { PeopleStore } from '../people/peopleStore'
import type { JudgedJob, Tasks } from '../workers/tasks'
import type { JobStore } from './jobStore'

/** Answers of a route that may be refused. */
export const refused = {
  400: Refused,
  401: Refused,
  403: Refused,
  404: Refused,
  409: Refused,
  413: Refused,
  422: Refused,
  503: Refused,
  507: Refused,
}

export type ActOnce = (
  jobId: string,
  act: { readonly id: string; readonly by: string; readonly at?: string | undefined },
  work: (person: Person, job: JudgedJob, at: string) => Promise<void>,
) => Promise<void>

/** Looks at a job and acts on it alone, once under the act's id: four presses at once are one. */
export const actingOnce =
  ({
    jobs,
    people,
    tasks,
    clock,
  }: {
    readonly jobs: JobStore
    readonly people: PeopleStore
    readonly tasks: Tasks
    readonly clock: Clock
  }): ActOnce =>
  async (jobId, act, work) => {
    const staff = await people.get(act.by)
    await jobs.heading(jobId)
    await jobs.alone(jobId, async () => {
      if (await jobs.hasRecord(jobId, act.id)) return
      const job = await tasks.judged(jobId)
      const { document } = job.state
      const now = clock.now()
      // What was done out of reach was done when it was done, and never later than now.
      const at = act.at !== undefined && act.at < now ? act.at : now
      await work(atWork(staff, document.practice, siteTime(at, document)), job, at)
    })
  }
