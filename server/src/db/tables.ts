import { EntitySchema } from 'typeorm'

export interface JobRow { id: string; number: string; draft: string; saveNumber: number; frozen: string | null; createdAt: string }
export interface RevisionRow { jobId: string; letter: string; document: string; at: string; by: string; signed: number }
export interface RecordRow { seq: number; jobId: string; id: string; at: string; by: string; replaces: string | null; reason: string | null; kind: string; body: string }
export interface SampleRow { jobId: string; testId: string; at_ms: number; gauge_Pa: number; temp_K: number | null }
export interface PersonRow { id: string; name: string; role: string; tickets: string }

export const JobTable = new EntitySchema<JobRow>({
  name: 'job',
  columns: { id: { type: 'text', primary: true }, number: { type: 'text' }, draft: { type: 'text' }, saveNumber: { type: 'integer' }, frozen: { type: 'text', nullable: true }, createdAt: { type: 'text' } },
})
export const RevisionTable = new EntitySchema<RevisionRow>({
  name: 'revision',
  columns: { jobId: { type: 'text', primary: true }, letter: { type: 'text', primary: true }, document: { type: 'text' }, at: { type: 'text' }, by: { type: 'text' }, signed: { type: 'integer' } },
})
export const RecordTable = new EntitySchema<RecordRow>({
  name: 'record',
  columns: {
    seq: { type: 'integer', primary: true, generated: 'increment' }, jobId: { type: 'text' }, id: { type: 'text' }, at: { type: 'text' }, by: { type: 'text' },
    replaces: { type: 'text', nullable: true }, reason: { type: 'text', nullable: true }, kind: { type: 'text' }, body: { type: 'text' },
  },
})
export const SampleTable = new EntitySchema<SampleRow>({
  name: 'sample',
  columns: { jobId: { type: 'text', primary: true }, testId: { type: 'text', primary: true }, at_ms: { type: 'integer', primary: true }, gauge_Pa: { type: 'real' }, temp_K: { type: 'real', nullable: true } },
})
export const PersonTable = new EntitySchema<PersonRow>({
  name: 'person',
  columns: { id: { type: 'text', primary: true }, name: { type: 'text' }, role: { type: 'text' }, tickets: { type: 'text' } },
})

export const tables = [JobTable, RevisionTable, RecordTable, SampleTable, PersonTable]
