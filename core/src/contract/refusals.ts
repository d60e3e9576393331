/**
 * Every way a request can be turned down, with its status. What is said is made where the facts
 * are; this table holds them together.
 */
export const refusals = {
  'not-understood': {
    status: 400,
    means: 'The request does not have the shape that is asked for; the sentence says where.',
  },
  'no-such-job': { status: 404, means: 'No job has this id.' },
  'no-such-test': { status: 404, means: 'This job has no such test.' },
  'no-such-revision': { status: 404, means: 'This job has no revision of that letter.' },
  'no-such-record': { status: 404, means: 'This job has no such record.' },
  'no-such-person': { status: 400, means: 'Nobody of that id works here.' },
  'no-such-gauge': { status: 404, means: 'No gauge of that name is set up.' },
  'no-such-step': { status: 409, means: 'The step or guard is not open.' },
  'stale-save': {
    status: 409,
    means: 'Somebody saved since this copy was read; both versions come back.',
  },
  frozen: {
    status: 409,
    means: 'The design is signed and frozen; start a new revision to change it.',
  },
  'not-yet': { status: 409, means: 'An earlier step is still open.' },
  'guard-open': { status: 409, means: 'A guard of the step does not hold yet.' },
  'ticket-missing': { status: 403, means: 'The person does not hold the ticket that this needs.' },
  'may-not': { status: 403, means: 'What the person is in the firm does not cover this.' },
  'not-signed-in': {
    status: 401,
    means:
      'Nobody is signed in, or the session has ended. The client keeps what it has and asks for a sign-in.',
  },
  'other-person': {
    status: 403,
    means: 'What is sent was done by somebody else than is signed in; it waits until they sign in.',
  },
  'wrong-sign-in': { status: 403, means: 'Name and password do not go together.' },
  'no-passkey': {
    status: 409,
    means:
      'Passkeys go by the name of the server, and this address has none; or what was asked of the device is too long ago.',
  },
  'link-over': {
    status: 403,
    means:
      'The invitation, the link of a guest or the code of the first start does not open anything, or no more.',
  },
  'other-site': { status: 403, means: 'A page of another address sent this; only our own may.' },
  'last-owner': { status: 409, means: 'Without this person the firm would have no owner.' },
  'reading-missing': { status: 400, means: 'The step needs a reading.' },
  'test-running': {
    status: 409,
    means: 'A test is already running on this pipe, or has not ended yet.',
  },
  'test-over': { status: 409, means: 'The test has ended; its samples are closed.' },
  'gauge-busy': { status: 409, means: 'The gauge reads another test that is under way.' },
  'gauge-silent': { status: 409, means: 'The gauge is not sending readings.' },
  'cannot-sign': {
    status: 409,
    means: 'Something is still missing before the handover can be signed.',
  },
  'cannot-check': { status: 409, means: 'The sheet has an open stop, or something is missing.' },
  'not-a-job-file': {
    status: 400,
    means: 'The file is not a job exported from here, or it was changed.',
  },
  'already-here': { status: 409, means: 'A job with this id is already here.' },
  'different-record': {
    status: 409,
    means: 'A record with this id is already stored, with other contents.',
  },
  'not-evidence': {
    status: 400,
    means:
      'The file is not a photograph or paper that is kept here, or carries what it should not.',
  },
  'no-such-evidence': { status: 404, means: 'No file of this hash is kept here.' },
  'no-office': { status: 409, means: 'No registration office is set up on this server.' },
  'no-mail': { status: 409, means: 'No mail server is set up on this server.' },
  'no-such-backup': { status: 404, means: 'No backup of that name is kept.' },
  'too-large': { status: 413, means: 'The request is larger than is accepted.' },
  'disk-full': {
    status: 507,
    means:
      'The disk of the server is full: nothing was stored. The client keeps it and sends it again.',
  },
  'storage-failed': {
    status: 503,
    means:
      'The server cannot write to its disk: nothing was stored. The client keeps it and sends it again.',
  },
  'took-too-long': {
    status: 503,
    means: 'Computing or printing took longer than is allowed; the server goes on.',
  },
  'job-unreadable': {
    status: 422,
    means: 'What is stored of this job cannot be read; the others are not touched.',
  },
  'job-full': {
    status: 409,
    means: 'The job holds as many records, readings or revisions as a job may.',
  },
  'sample-taken': {
    status: 409,
    means: 'At this instant of the test another reading is stored already.',
  },
  'evidence-damaged': {
    status: 410,
    means: 'The file is missing or damaged on the server; sending it again heals it.',
  },
  'too-many': { status: 429, means: 'More of these at a time than one address may have.' },
  'other-host': { status: 421, means: 'The server was asked under a name that it does not go by.' },
  'no-such-place': { status: 404, means: 'There is nothing at this address.' },
} as const satisfies Record<string, { status: number; means: string }>

export type RefusalCode = keyof typeof refusals
