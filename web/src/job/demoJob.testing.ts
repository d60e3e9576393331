import type { JobDocument } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'

/** The design of a job of the demo, by its name. */
export function demoJob(name: string): JobDocument {
  const job = demoJobs()[name]
  if (!job) throw new Error(`There is no ${name}.`)
  return job.document
}
