import { asStaff } from '../people/staff.testing'
import { createHash } from 'node:crypto'
import { inflateSync } from 'node:zlib'
import type { JobFile, JobState, PaperId } from '@hestian/core'
import { householderQuestions, paperIds } from '@hestian/core'
import sharp from 'sharp'
import { demoJobs } from '../../../demo/src/index'
import { Bench, lead } from '../app/app.testing'
import { judged } from '../jobs/judged'
import { handoverSheet } from './handoverSheet'

const bench = new Bench()
const { send, act } = { send: bench.send.bind(bench), act: bench.act }
const kestrel = '/jobs/kestrel-weir'
beforeAll(async () => {
  await bench.open()
  for (const file of Object.values(demoJobs())) await send('POST', '/import', file)
})
afterAll(() => bench.end())

const stateOf = async (url: string) => (await send('GET', url)).body as unknown as JobState
const printed = async (url: string, papers: readonly PaperId[] = []): Promise<string> => {
  const state = await stateOf(url)
  const facts = {
    state,
    ...judged(state),
    people: asStaff([lead]),
    printedAt: '2026-11-25T09:00:00.000Z',
  }
  return JSON.stringify(handoverSheet(facts, papers))
}
const pages = (pdf: Buffer): number => pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0

/** The file inside a PDF. */
function attached(pdf: Buffer): unknown {
  const text = pdf.toString('latin1')
  const at = text.indexOf('/Type /EmbeddedFile')
  const from = text.indexOf('stream\n', at) + 'stream\n'.length
  const stream = pdf.subarray(from, text.indexOf('\nendstream', from))
  return JSON.parse(inflateSync(stream).toString('utf8'))
}

describe('the pack of a whole job', () => {
  test('is one PDF: fonts inside, bookmarks, its language and title, and the job’s own file', async () => {
    const { raw, status } = await send('GET', `${kestrel}/handover.pdf`)
    const text = raw.toString('latin1')
    expect(status).toBe(200)
    for (const part of [
      '/Outlines',
      '/FontFile',
      '/Lang (en)',
      '/StructTreeRoot',
      '/DisplayDocTitle',
      '/AFRelationship /Data',
      '/Subtype /application#2Fjson',
      '/ModDate (',
    ])
      expect(text).toContain(part)
    expect(text).toMatch(/^%PDF-1\.7/)
    // Whoever calls a paper PDF/A has run a validator over it.
    expect(text).not.toContain('pdfaid')
    expect(text).not.toMatch(/\/BaseFont \/(Helvetica|Times|Courier)/)
    const exported = JSON.parse(
      (await send('GET', `${kestrel}/export`)).raw.toString('utf8'),
    ) as JobFile
    expect(attached(raw)).toEqual(exported)
  }, 30_000)
  test('holds each paper that is due and says which are not, and why', async () => {
    const whole = await printed(kestrel)
    for (const name of [
      'Householder’s page',
      'Handover certificate',
      'Test certificates',
      'Commissioning record',
      'Design report',
      'Settings to restore after a reset',
      'Deviations and accepted findings',
      'Service plan',
    ])
      expect(whole).toContain(`"text":"${name}"`)
    expect(await printed('/jobs/thornfield-scout-hut')).toContain(
      'Not in it: Owner’s page (This work is small',
    )
    expect(whole).toContain('Draft: not signed. Do not hand over.')
  })
  test('by name holds that one alone, without a cover', async () => {
    const page = await printed(kestrel, ['householder'])
    for (const question of Object.values(householderQuestions)) expect(page).toContain(question)
    expect(page).toContain('red lever')
    expect(page).not.toContain('In this pack')
    expect(page).not.toContain('Design report')
  })
  test.each(['kestrel-weir', 'saltbush-ferry'])(
    '%s: the householder’s page is one page',
    async (id) => {
      const { raw } = await send('GET', `/jobs/${id}/handover.pdf?papers=householder`)
      expect(pages(raw)).toBe(1)
    },
    30_000,
  )
  test('a paper that does not exist is refused in a sentence', async () => {
    expect(await send('GET', `${kestrel}/handover.pdf?papers=novel`)).toMatchObject({
      status: 400,
      body: { says: expect.stringContaining('papers are') },
    })
  })
  test.each(paperIds)(
    '%s can be printed by itself',
    async (id) => {
      const { status, raw } = await send('GET', `${kestrel}/handover.pdf?papers=${id}`)
      expect(status).toBe(200)
      expect(pages(raw)).toBeGreaterThan(0)
    },
    30_000,
  )
})

describe('what the papers say', () => {
  test('after a signature the cover says what was changed since, by sheet', async () => {
    const state = await stateOf(kestrel)
    const facts = {
      state,
      ...judged(state),
      people: asStaff([lead]),
      printedAt: '2026-11-25T09:00:00.000Z',
    }
    const since = (document: JobState['document']) =>
      JSON.stringify(handoverSheet({ ...facts, before: { letter: 'A', document } }))
    expect(since(state.document)).toContain('Nothing of the design was changed since revision A.')
    const { elevation_m } = state.document.survey
    const higher = {
      ...state.document.survey,
      elevation_m: elevation_m && { ...elevation_m, value: 900 },
    }
    expect(since({ ...state.document, survey: higher })).toMatch(
      /Changed since revision A: .*Heating vessel/,
    )
  })

  test('what was not said before leaving is printed as not said, and what was not done with its reason', async () => {
    const record = {
      ...act(),
      at: '2026-11-20T10:00:00Z',
      body: {
        kind: 'leaving',
        item: 'alarm',
        answer: 'not-done',
        says: 'sold out, comes on Friday',
      },
    }
    expect((await send('POST', `${kestrel}/records`, record)).status).toBe(201)
    const certificate = await printed(kestrel, ['certificate'])
    expect(certificate).toContain('"not said"')
    expect(certificate).toContain('not done: sold out, comes on Friday')
    expect(await printed(kestrel, ['deviations'])).toContain('sold out, comes on Friday')
    expect(await printed(kestrel, ['householder'])).toContain(
      'No working carbon monoxide alarm was seen here',
    )
  })
  test('in North America it is an owner’s page on letter paper, in psi', async () => {
    const page = await printed('/jobs/juniper-ridge', ['householder'])
    expect(page).toContain('"pageSize":"LETTER"')
    expect(page).toContain('Owner’s page')
    expect(page).toMatch(/psi/)
    expect(page).not.toMatch(/\bbar\b/)
  })
  test('it names the forms of others and takes the place of none', async () => {
    const certificate = await printed('/jobs/saltbush-ferry', ['certificate'])
    expect(certificate).toContain('regulator of the state or territory')
    expect(certificate).toContain('takes the place of none')
    expect(certificate).not.toMatch(/is compliant|complies with all/)
  })
  test('photographs are printed with what they were taken for; one that is gone is said to be gone', async () => {
    const picture = await sharp({
      create: { width: 60, height: 40, channels: 3, background: '#a33' },
    })
      .jpeg()
      .toBuffer()
    const hash = createHash('sha256').update(picture).digest('hex')
    const kept = await send('PUT', `/evidence/${hash}`, picture, { 'content-type': 'image/jpeg' })
    expect(kept.status).toBe(201)
    const photo = { hash, type: 'image/jpeg', name: 'boiler', bytes: picture.length }
    const record = {
      ...act(),
      at: '2026-11-20T10:00:00Z',
      body: { kind: 'leaving', item: 'photographed', answer: 'done', says: '', photos: [photo] },
    }
    expect((await send('POST', `${kestrel}/records`, record)).status).toBe(201)
    const { raw } = await send('GET', `${kestrel}/handover.pdf?papers=photographs`)
    expect(raw.toString('latin1')).toContain('/Subtype /Image')
    const words = await printed(kestrel, ['photographs'])
    expect(words).toContain('boiler. Before leaving: photographed, done')
    expect(words).toContain('This photograph cannot be read any more.')
  }, 30_000)
})

describe('labels and the calendar', () => {
  test('labels are one sheet, from the first that is left, and a second where it does not hold them', async () => {
    const labels = (query: string) => send('GET', `${kestrel}/labels.pdf?${query}`)
    expect(pages((await labels('sheet=24-a4')).raw)).toBe(1)
    expect(pages((await labels('sheet=24-a4&from=23')).raw)).toBe(2)
    expect(pages((await labels('sheet=8-a4&from=8&only=vessel')).raw)).toBe(1)
    for (const [query, says] of [
      ['sheet=9-a5', 'sheets are'],
      ['sheet=24-a4&from=0', 'the first is 1'],
      ['sheet=24-a4&from=99', 'no sheet has more than 30'],
    ] as const)
      expect(await labels(query)).toMatchObject({
        status: 400,
        body: { says: expect.stringContaining(says) },
      })
  }, 30_000)
  test('the next visit goes into any calendar as a whole day, without a telephone or a name', async () => {
    const { raw, headers } = await send('GET', `${kestrel}/visits.ics`)
    const text = raw.toString('utf8')
    expect(headers['content-type']).toContain('text/calendar')
    expect(text).toContain('DTSTART;VALUE=DATE:20271102')
    expect(text).toMatch(/SUMMARY:Kestrel Weir Rowing Club: next visit/)
    expect(text).not.toMatch(/01632|Oduya/)
  })
  test('a visit that ended is an event of its own; one that goes on is none', async () => {
    const url = '/jobs/saltbush-ferry'
    const at = '2026-11-20T10:00:00Z'
    const begun = { ...act(), at, with: '' }
    expect((await send('POST', `${url}/visits`, begun)).status).toBe(201)
    const events = async () =>
      (await send('GET', `${url}/visits.ics`)).raw.toString('utf8').match(/BEGIN:VEVENT/g)?.length
    expect(await events()).toBe(1)
  })
})
