import type { AddressInfo } from 'node:net'
import type { JobFile, JobState, Notice } from '@hestian/core'
import { noticeOf, ofKind } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'
import { makeOffice, reasonsAgainst } from '../../../stand-ins/office/office'
import { Bench } from '../app/app.testing'
import { tellOffice } from './officeLink'

const office = makeOffice()
let address: string
beforeAll(
  () =>
    new Promise<void>((done) => {
      office.listen(0, '127.0.0.1', () => {
        address = `http://127.0.0.1:${(office.address() as AddressInfo).port}`
        done()
      })
    }),
)
afterAll(
  () =>
    new Promise<void>((done) => {
      office.closeAllConnections()
      office.close(() => done())
    }),
)
const mode = (name: string) =>
  fetch(`${address}/mode`, { method: 'POST', body: JSON.stringify({ mode: name }) })

const kestrel = demoJobs()['kestrel-weir'] as JobFile
const named = { make: 'Lowmoor', model: 'C40', serial: '1', year: null }
const notice = (change: Partial<Notice> = {}): Notice => ({
  ...noticeOf(kestrel.document, {
    ...{ job: '0417', revision: 'A', signedBy: 'Lead Person' },
    signedAt: '2026-11-24T09:00:00.000Z',
  }),
  ...change,
})
const full = (): Notice =>
  notice({ appliances: notice().appliances.map((one) => ({ ...one, ...named })) })

describe('a notice', () => {
  test('names what is new, and nobody who lives there', () => {
    expect(notice().appliances.map(({ name }) => name)).toEqual(['System boiler', '300 L cylinder'])
    expect(JSON.stringify(notice())).not.toMatch(/01632|Oduya/)
  })
  test('is taken once under its key, and gets the same number again', async () => {
    const first = await tellOffice(address, 'job:A', full())
    expect(first).toMatchObject({ outcome: 'accepted', number: expect.stringMatching(/^N-\d{6}$/) })
    expect(await tellOffice(address, 'job:A', full())).toEqual(first)
    expect(await tellOffice(address, 'job:B', full())).not.toEqual(first)
  })
  test('is refused with every reason', async () => {
    const bad = notice({ place: { name: 'Hut', address: ' ' } })
    expect(await tellOffice(address, 'job:C', bad)).toEqual({
      outcome: 'refused',
      reasons: reasonsAgainst(bad),
    })
    expect(reasonsAgainst(bad)).toHaveLength(3)
  })
  test.each([
    ['keeps still', async () => mode('silent')],
    ['is no office at all', async () => undefined],
  ])('is unanswered where the office %s', async (what, ready) => {
    await ready()
    const to = what === 'keeps still' ? address : 'http://127.0.0.1:9'
    expect(await tellOffice(to, 'job:D', full(), 300)).toEqual({ outcome: 'unanswered' })
    await mode('open')
  })
})

describe('told by the server', () => {
  const hut = '/jobs/thornfield-scout-hut'
  let bench: Bench
  beforeEach(async () => {
    bench = new Bench({ office: address })
    await bench.open()
    const file = demoJobs()['thornfield-scout-hut'] as JobFile
    // Signed elsewhere would do as well: the signature's letter is what counts.
    const signed = {
      id: 'signature-1',
      at: '2026-11-24T09:00:00.000Z',
      by: 'maren-oduya',
      body: {
        kind: 'signature' as const,
        typedName: 'Maren Oduya',
        revision: 'A',
        restsOn: 'x',
        ticketsHeld: [],
      },
    }
    const info = { letter: 'A', at: signed.at, by: signed.by, signed: true }
    await bench.send('POST', '/import', {
      ...file,
      frozen: 'A',
      revisions: [{ ...info, document: file.document }],
      records: [...file.records, signed],
    })
  })
  afterEach(() => bench.end())
  const told = async () =>
    ofKind(((await bench.send('GET', hut)).body as unknown as JobState).records, 'notified')

  test('what it answers is kept, once however often one act is sent', async () => {
    const act = bench.act()
    expect((await bench.send('POST', `${hut}/notices`, act)).status).toBe(201)
    expect((await bench.send('POST', `${hut}/notices`, act)).status).toBe(201)
    expect((await told()).map(({ body }) => body)).toMatchObject([
      { revision: 'A', outcome: 'accepted', number: expect.stringMatching(/^N-/) },
    ])
    const again = await bench.send('POST', `${hut}/notices`, bench.act())
    expect(again.status).toBe(201)
    expect(new Set((await told()).map(({ body }) => body.number)).size).toBe(1)
  })
  test('what is not signed is not told', async () => {
    await bench.send('POST', `${hut}/unfreeze`, bench.act())
    expect(await bench.send('POST', `${hut}/notices`, bench.act())).toMatchObject({
      status: 409,
      body: { code: 'not-yet' },
    })
    expect(await told()).toEqual([])
  })
  test('the page is told which office it is', async () => {
    expect((await bench.send('GET', '/office')).body).toEqual({ name: new URL(address).host })
  })
})
