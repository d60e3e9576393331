import { EntitySchema } from 'typeorm'

/** The last group is the board's summary, made again whenever the job changes. */
export interface JobRow {
  id: string
  number: string
  draft: string
  saveNumber: number
  frozen: string | null
  createdAt: string
  archived: number
  changedAt: string
  name: string
  address: string
  practice: string
  stage: string
  sheet: string
  waits: string
  waitsOn: string
  searchable: string
  stops: number
  fixes: number
  off: number
  snags: number
  unsafe: number
  work: string
  shares: string
  summaryVersion: number
  recordCount: number
  importedAt: string | null
  unreadable: number
}
export interface RevisionRow {
  jobId: string
  letter: string
  document: string
  at: string
  by: string
  signed: number
  imported: number
}
export interface RecordRow {
  seq: number
  jobId: string
  id: string
  at: string
  by: string
  replaces: string | null
  reason: string | null
  kind: string
  body: string
}
export interface SampleRow {
  jobId: string
  testId: string
  at_ms: number
  gauge_Pa: number
  temp_K: number | null
  baro_Pa: number | null
}
export interface PersonRow {
  id: string
  name: string
  role: string
  /** Tickets as their papers say them; those of before are bare words. */
  tickets: string
  units: string
  password: string | null
  /** Hash of an invitation's token, and until when it opens. */
  invitation: string | null
  invitedUntil: string | null
}
export interface SessionRow {
  id: string
  tokenHash: string
  /** One of the firm, or a guest of one job. */
  personId: string | null
  guestId: string | null
  madeAt: string
  seenAt: string
  until: string
  from: string
}
export interface PasskeyRow {
  id: string
  personId: string
  /** What its owner calls the device. */
  name: string
  /** Base64url of its public key. */
  publicKey: string
  counter: number
  /** How the device is reached, a list as JSON: a hint for the browser. */
  transports: string
  madeAt: string
  usedAt: string | null
}
export interface GuestRow {
  id: string
  tokenHash: string
  jobId: string
  name: string
  by: string
  madeAt: string
  until: string
  revokedAt: string | null
}
export interface EvidenceRow {
  hash: string
  type: string
  bytes: number
  at: string
}

export const JobTable = new EntitySchema<JobRow>({
  name: 'job',
  columns: {
    id: { type: 'text', primary: true },
    number: { type: 'text' },
    draft: { type: 'text' },
    saveNumber: { type: 'integer' },
    frozen: { type: 'text', nullable: true },
    createdAt: { type: 'text' },
    archived: { type: 'integer', default: 0 },
    changedAt: { type: 'text', default: '' },
    name: { type: 'text', default: '' },
    address: { type: 'text', default: '' },
    practice: { type: 'text', default: '' },
    stage: { type: 'text', default: '' },
    sheet: { type: 'text', default: '' },
    waits: { type: 'text', default: '' },
    waitsOn: { type: 'text', default: '' },
    searchable: { type: 'text', default: '' },
    stops: { type: 'integer', default: 0 },
    fixes: { type: 'integer', default: 0 },
    off: { type: 'integer', default: 0 },
    snags: { type: 'integer', default: 0 },
    unsafe: { type: 'integer', default: 0 },
    work: { type: 'text', default: '' },
    shares: { type: 'text', default: '[]' },
    summaryVersion: { type: 'integer', default: 0 },
    recordCount: { type: 'integer', default: 0 },
    importedAt: { type: 'text', nullable: true },
    unreadable: { type: 'integer', default: 0 },
  },
})
export const RevisionTable = new EntitySchema<RevisionRow>({
  name: 'revision',
  columns: {
    jobId: { type: 'text', primary: true },
    letter: { type: 'text', primary: true },
    document: { type: 'text' },
    at: { type: 'text' },
    by: { type: 'text' },
    signed: { type: 'integer' },
    imported: { type: 'integer', default: 0 },
  },
})
export const RecordTable = new EntitySchema<RecordRow>({
  name: 'record',
  columns: {
    seq: { type: 'integer', primary: true, generated: 'increment' },
    jobId: { type: 'text' },
    id: { type: 'text' },
    at: { type: 'text' },
    by: { type: 'text' },
    replaces: { type: 'text', nullable: true },
    reason: { type: 'text', nullable: true },
    kind: { type: 'text' },
    body: { type: 'text' },
  },
})
export const SampleTable = new EntitySchema<SampleRow>({
  name: 'sample',
  columns: {
    jobId: { type: 'text', primary: true },
    testId: { type: 'text', primary: true },
    at_ms: { type: 'integer', primary: true },
    gauge_Pa: { type: 'real' },
    temp_K: { type: 'real', nullable: true },
    baro_Pa: { type: 'real', nullable: true },
  },
})
export const PersonTable = new EntitySchema<PersonRow>({
  name: 'person',
  columns: {
    id: { type: 'text', primary: true },
    name: { type: 'text' },
    role: { type: 'text' },
    tickets: { type: 'text' },
    units: { type: 'text', default: '{}' },
    password: { type: 'text', nullable: true },
    invitation: { type: 'text', nullable: true },
    invitedUntil: { type: 'text', nullable: true },
  },
})
export const SessionTable = new EntitySchema<SessionRow>({
  name: 'session',
  columns: {
    id: { type: 'text', primary: true },
    tokenHash: { type: 'text' },
    personId: { type: 'text', nullable: true },
    guestId: { type: 'text', nullable: true },
    madeAt: { type: 'text' },
    seenAt: { type: 'text' },
    until: { type: 'text' },
    from: { type: 'text' },
  },
})
export const PasskeyTable = new EntitySchema<PasskeyRow>({
  name: 'passkey',
  columns: {
    id: { type: 'text', primary: true },
    personId: { type: 'text' },
    name: { type: 'text' },
    publicKey: { type: 'text' },
    counter: { type: 'integer' },
    transports: { type: 'text' },
    madeAt: { type: 'text' },
    usedAt: { type: 'text', nullable: true },
  },
})
export const GuestTable = new EntitySchema<GuestRow>({
  name: 'guest',
  columns: {
    id: { type: 'text', primary: true },
    tokenHash: { type: 'text' },
    jobId: { type: 'text' },
    name: { type: 'text' },
    by: { type: 'text' },
    madeAt: { type: 'text' },
    until: { type: 'text' },
    revokedAt: { type: 'text', nullable: true },
  },
})

export const EvidenceTable = new EntitySchema<EvidenceRow>({
  name: 'evidence',
  columns: {
    hash: { type: 'text', primary: true },
    type: { type: 'text' },
    bytes: { type: 'integer' },
    at: { type: 'text' },
  },
})

/** A gauge of the firm, whole, as it crosses the wire. */
export interface InstrumentRow {
  id: string
  body: string
}
export const InstrumentTable = new EntitySchema<InstrumentRow>({
  name: 'instrument',
  columns: { id: { type: 'text', primary: true }, body: { type: 'text' } },
})

export const tables = [
  JobTable,
  RevisionTable,
  RecordTable,
  SampleTable,
  PersonTable,
  SessionTable,
  PasskeyTable,
  GuestTable,
  EvidenceTable,
  InstrumentTable,
]
