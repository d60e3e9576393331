import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Person } from '@hestian/core'
import { tickets } from '@hestian/core'
import type { App, AppOptions } from './app'
import { cookieName } from '../people/gate'
import { demoJobs } from '../../../demo/src/index'
import { buildApp } from './app'

export const lead: Person = {
  id: 'lead',
  name: 'Lead Person',
  role: 'owner',
  tickets: [...tickets],
}

const cookies = new WeakMap<App, Map<string, string>>()

/** The cookie of whoever says they did it, signed in once; nobody's hand is that of the lead. */
export async function cookieOf(app: App, payload?: unknown, host = 'localhost'): Promise<string> {
  const by =
    typeof payload === 'object' && payload !== null && 'by' in payload ? String(payload.by) : 'lead'
  const kept = cookies.get(app) ?? new Map<string, string>()
  cookies.set(app, kept)
  const personId = kept.has(by) || (await app.people.find(by)) ? by : 'lead'
  const token = kept.get(personId) ?? (await app.sessions.begin({ personId }, 'a test'))
  kept.set(personId, token)
  return `${cookieName({ host })}=${token}`
}

export interface Answer {
  readonly status: number
  readonly body: Record<string, unknown> & { readonly says?: string; readonly code?: string }
  readonly headers: Readonly<Record<string, unknown>>
  readonly raw: Buffer
}

/**
 * An app on a folder of its own, for a test: opened, asked, closed, opened again, and put away at
 * the end.
 */
export class Bench {
  readonly folder = mkdtempSync(join(tmpdir(), 'hestian-'))
  private opened: App | undefined
  private acts = 0

  constructor(private readonly options: Partial<AppOptions> = {}) {}

  get app(): App {
    if (!this.opened) throw new Error('the app is not open')
    return this.opened
  }

  async open(more: Partial<AppOptions> = {}): Promise<App> {
    const app = await buildApp({ dataFolder: this.folder, ...this.options, ...more })
    this.opened = app
    await app.people.add([lead])
    await app.takeUp()
    return app
  }

  async close(): Promise<void> {
    await this.opened?.http.close()
    this.opened = undefined
  }

  async end(): Promise<void> {
    await this.close()
    rmSync(this.folder, { recursive: true })
  }

  /** The id and name that an action goes under. */
  act = (by = 'lead') => ({ id: `action-${String(++this.acts).padStart(6, '0')}`, by })

  async send(
    method: 'GET' | 'POST' | 'PUT',
    url: string,
    payload?: object | string | Buffer,
    headers: Record<string, string> = {},
  ): Promise<Answer> {
    const answer = await this.app.http.inject({
      method,
      url: `/api${url}`,
      headers: { cookie: await cookieOf(this.app, payload, headers.host), ...headers },
      ...(payload === undefined ? {} : { payload }),
    })
    const isJson = answer.headers['content-type']?.toString().includes('json')
    return {
      status: answer.statusCode,
      body: isJson ? answer.json<Answer['body']>() : {},
      headers: answer.headers,
      raw: answer.rawPayload,
    }
  }

  newJob = (id = 'job-one', name = 'A house') =>
    this.send('POST', '/jobs', { id, name, address: '', practice: 'uk-ireland', by: 'lead' })

  /** A demo job with a test of its gas pipe under way. */
  async runningTest(): Promise<void> {
    await this.send('POST', '/import', demoJobs()['kestrel-weir'])
    const { status } = await this.send('POST', '/jobs/kestrel-weir/tests', {
      ...this.act(),
      testId: 'test-running',
      how: {
        ...{ reading: 'typed', kind: 'digital', resolution_Pa: 10, instrument: 'gauge 4' },
        from_ms: Date.UTC(2026, 10, 24),
      },
      prepared: ['meter', 'boiler', 'range', 'cabinet'],
      off: [{ name: 'Galley range', state: 'disconnected', because: 'test' }],
    })
    expect(status).toBe(201)
  }

  /** A record as a hand on site makes it. */
  reading = (id: string, si = 1) => ({
    id,
    by: 'lead',
    at: '2026-11-24T09:00:00.000Z',
    body: {
      kind: 'reading',
      field: 'survey.elevation_m',
      si,
      typed: `${si} m`,
      basis: 'read',
      instrument: 'map',
    },
  })
}
