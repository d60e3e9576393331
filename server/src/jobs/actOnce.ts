import type { Person } from '@hestian/core'
import { Refused } from '@hestian/core'
import type { PeopleStore } from '../people/peopleStore'
import type { JudgedJob, Tasks } from '../workers/tasks'
import type { JobStore } from './jobStore'

/** Answers of a route that may be refused. */
export const refused = {
  400: Refused,
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
  act: { readonly id: string; readonly by: string },
  work: (person: Person, job: JudgedJob) => Promise<void>,
) => Promise<void>

/** Looks at a job and acts on it alone, once under the act's id: four presses at once are one. */
export const actingOnce =
  ({
    jobs,
    people,
    tasks,
  }: {
    readonly jobs: JobStore
    readonly people: PeopleStore
    readonly tasks: Tasks
  }): ActOnce =>
  async (jobId, act, work) => {
    const person = await people.get(act.by)
    await jobs.heading(jobId)
    await jobs.alone(jobId, async () => {
      if (!(await jobs.hasRecord(jobId, act.id))) await work(person, await tasks.judged(jobId))
    })
  }
