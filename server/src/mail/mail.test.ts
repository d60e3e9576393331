import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { JobFile, JobState } from '@hestian/core'
import { ofKind } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'
import { makeMailbox } from '../../../stand-ins/mailbox/mailbox'
import { Bench } from '../app/app.testing'
import { mailId, sendMail } from './mailLink'

const folder = mkdtempSync(join(tmpdir(), 'hestian-mailbox-'))
const mailbox = makeMailbox(folder)
const from = 'heating@demo.example'
let address: string
let bench: Bench
beforeAll(
  () =>
    new Promise<void>((done) => {
      mailbox.listen(0, '127.0.0.1', () => {
        address = `smtp://127.0.0.1:${(mailbox.server.address() as AddressInfo).port}`
        done()
      })
    }),
)
afterAll(
  () =>
    new Promise<void>((done) => {
      mailbox.close(() => {
        rmSync(folder, { recursive: true })
        done()
      })
    }),
)
beforeEach(async () => {
  for (const name of readdirSync(folder)) rmSync(join(folder, name))
  bench = new Bench({ mail: { address, from } })
  await bench.open()
})
afterEach(() => bench.end())

const mails = () => readdirSync(folder).map((name) => readFileSync(join(folder, name), 'latin1'))
const file = { name: 'householder.pdf', bytes: Buffer.from('%PDF-1.4 a paper') }
const mail = (to: string, more: object = {}) => ({
  ...{ to, subject: 'Job 0426, revision A', text: 'The papers.', file },
  ...more,
})
const to = 'anna@example.org'

describe('a mail', () => {
  test('goes out with its paper, once however often it is sent', async () => {
    const id = mailId(['job-one', 'A', to])
    expect(await sendMail({ address, from }, mail(to), { id })).toEqual({ outcome: 'taken' })
    expect(await sendMail({ address, from }, mail(to), { id })).toEqual({ outcome: 'taken' })
    const [only, ...others] = mails()
    expect(others).toEqual([])
    expect(only).toContain('To: anna@example.org')
    expect(only).toContain('From: heating@demo.example')
    expect(only).toContain('filename=householder.pdf')
    expect(only).toContain(Buffer.from(file.bytes).toString('base64'))
  })
  test('that is refused says why', async () => {
    const id = mailId(['two'])
    expect(await sendMail({ address, from }, mail('anna@refused.example'), { id })).toEqual({
      outcome: 'refused',
      reason: expect.stringContaining('no such mailbox here') as string,
    })
    expect(mails()).toEqual([])
  })
  test.each([
    ['keeps still', 'anna@silent.example', undefined],
    ['is not there', to, 'smtp://127.0.0.1:9'],
  ])('is unanswered where the server %s', async (_, whom, where) => {
    const server = { address: where ?? address, from }
    expect(await sendMail(server, mail(whom), { id: mailId(['3']), most_ms: 400 })).toEqual({
      outcome: 'unanswered',
    })
  })
  test('has another id where anything of it is another', () => {
    expect(mailId(['a', 'b'])).toBe(mailId(['a', 'b']))
    expect(mailId(['a', 'b'])).not.toBe(mailId(['a', 'c']))
    expect(mailId(['ab'])).not.toBe(mailId(['a', 'b']))
  })
})

describe('papers of a job', () => {
  const url = '/jobs/signed-hut'
  /** The hut as it is when it is signed. */
  const signed = async () => {
    const hut = demoJobs()['thornfield-scout-hut'] as JobFile
    const { document } = hut
    const one = { letter: 'A', at: '2026-11-20T10:00:00.000Z', by: 'maren-oduya', signed: true }
    await bench.send('POST', '/import', {
      ...{ ...hut, id: 'signed-hut', frozen: 'A' },
      revisions: [{ ...one, document }],
    })
  }
  const send = (more: object = {}) =>
    bench.send('POST', `${url}/mails`, {
      ...bench.act(),
      ...{ to, papers: ['certificate'], says: 'As promised.' },
      ...more,
    })
  const kept = async () => {
    const { records } = (await bench.send('GET', url)).body as unknown as JobState
    return ofKind(records, 'mailed').map(({ body }) => body)
  }
  test('that is signed go out, and what became of it stands in the records', async () => {
    await signed()
    const id = 'mail-one-1'
    expect((await send({ id })).status).toBe(201)
    expect((await send({ id })).status).toBe(201)
    const row = { kind: 'mailed', revision: 'A', papers: ['certificate'] }
    expect(await kept()).toEqual([{ ...row, to, outcome: 'taken' }])
    const [only, ...others] = mails()
    expect(others).toEqual([])
    expect(only).toContain('As promised.')
    expect(only).toContain('Lead Person')
    expect(only).toContain('filename=certificate-0426-A.pdf')
    expect((await send({ to: 'anna@refused.example' })).status).toBe(201)
    expect((await kept())[1]).toMatchObject({ outcome: 'refused' })
  })
  test('sent anew as they were are the same mail', async () => {
    await signed()
    await send()
    await send()
    expect(await kept()).toHaveLength(2)
    expect(mails()).toHaveLength(1)
    await send({ says: 'Once more.' })
    expect(mails()).toHaveLength(2)
  })
  test('that is not signed are not sent', async () => {
    await bench.send('POST', '/import', { ...demoJobs()['thornfield-scout-hut'], id: 'signed-hut' })
    expect(await send()).toMatchObject({ status: 409, body: { code: 'not-yet' } })
    expect(await kept()).toEqual([])
  })
  test.each(['anna', 'Anna <anna@example.org>', 'a@example.org\nBcc: b@example.org', 'a@b, c@d'])(
    'to %j are refused in a sentence',
    async (whom) => {
      await signed()
      expect(await send({ to: whom })).toMatchObject({
        status: 400,
        body: { says: expect.stringContaining('e-mail address') },
      })
      expect(mails()).toEqual([])
    },
  )
  test('are not an apprentice’s to send', async () => {
    await signed()
    await bench.app.people.add([{ id: 'young', name: 'Y', role: 'apprentice', tickets: [] }])
    expect((await send({ ...bench.act('young') })).body.code).toBe('may-not')
  })
  test('whose householder is erased name nobody any more', async () => {
    await signed()
    await send()
    const answer = await bench.send('POST', `${url}/erase`, {
      ...bench.act(),
      ...{ words: to, place: false, photographs: false, reason: 'asked to be erased' },
    })
    expect(answer.status).toBe(200)
    expect((await kept())[0]?.to).toMatch(/^\[redacted/)
  })
})
