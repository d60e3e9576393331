import type { Heating, JobDocument } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'

/** The design of a job of the demo, by its name. */
export function demoJob(name: string): JobDocument {
  const job = demoJobs()[name]
  if (!job) throw new Error(`There is no ${name}.`)
  return job.document
}

/** A job with its heating changed; the largest of the demo where none is named. */
export function withHeating(
  change: Partial<Heating>,
  { heating, ...job }: JobDocument = demoJob('kestrel-weir'),
): JobDocument {
  if (!heating) throw new Error('There is no heating.')
  return { ...job, heating: { ...heating, ...change } }
}
