import { randomUUID } from 'node:crypto'
import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { verify } from '../../server/src/backup/verify'
import { RunningServer } from './runningServer'
import { signIn } from './signIn'
import type { SmallDisk } from './smallDisk'
import { onSmallDisk } from './smallDisk'
import type { Tally, Trial } from './trial'

const owner = 'maren-oduya'
const other = 'tobias-lindqvarn'

interface Answer {
  readonly status: number
  readonly body: unknown
}

/**
 * One thing the office does, under a name of its own each time, and where it is seen whether it was
 * done.
 */
interface Deed {
  readonly name: string
  readonly before?: (server: RunningServer, id: string) => Promise<Answer>
  readonly run: (server: RunningServer, id: string) => Promise<Answer>
  readonly isDone: (server: RunningServer, id: string) => Promise<boolean>
}

const textOf = async (server: RunningServer, path: string): Promise<string> =>
  JSON.stringify((await server.send('GET', path)).body)
const act = (id: string) => ({ id, by: owner })
const guestsOf = async (server: RunningServer) =>
  (await server.send('GET', '/jobs/job/guests')).body as readonly {
    readonly name: string
    readonly id: string
    readonly revokedAt: string | null
  }[]
const newGuest = (server: RunningServer, id: string) =>
  server.send('POST', '/jobs/job/guests', { ...act(id), name: `Guest ${id}`, days: 7 })
const newPerson = (server: RunningServer, id: string) =>
  server.send('POST', '/people', { id, name: `Person ${id}`, role: 'apprentice' })
const snagFor = (server: RunningServer, id: string) =>
  server.send('POST', '/jobs/job/records', {
    ...act(`snag-${id}`),
    at: '2026-11-27T10:00:00.000Z',
    body: { kind: 'snag', what: `Ring Visitor ${id}`, owner: 'Lead', due: null },
  })

const deeds: readonly Deed[] = [
  {
    name: 'somebody let in',
    run: (server, id) => newPerson(server, id),
    isDone: async (server, id) => (await textOf(server, '/people')).includes(`Person ${id}`),
  },
  {
    name: 'a ticket written down',
    before: newPerson,
    run: (server, id) =>
      server.send('PUT', `/people/${id}`, {
        role: 'lead',
        holds: [{ ticket: 'gas', practice: null, number: `G ${id}`, issuer: '', until: null }],
      }),
    isDone: async (server, id) => (await textOf(server, '/people')).includes(`G ${id}`),
  },
  {
    name: 'a link for a guest',
    run: newGuest,
    isDone: async (server, id) => (await guestsOf(server)).some((one) => one.id === id),
  },
  {
    name: 'a link taken back',
    before: newGuest,
    run: (server, id) => server.send('POST', `/jobs/job/guests/${id}/revoke`, { by: owner }),
    isDone: async (server, id) =>
      (await guestsOf(server)).some((one) => one.id === id && one.revokedAt !== null),
  },
  {
    name: 'somebody erased',
    before: snagFor,
    run: (server, id) =>
      server.send('POST', '/jobs/job/erase', {
        ...act(`erase-${id}`),
        ...{ words: `Visitor ${id}`, place: false, photographs: false, reason: 'asked for it' },
      }),
    isDone: async (server, id) => !(await textOf(server, '/jobs/job')).includes(`Visitor ${id}`),
  },
  {
    name: 'a job begun from another',
    run: (server, id) =>
      server.send('POST', '/jobs/job/duplicate', { ...act(`job-${id}`), name: `Copy ${id}` }),
    isDone: async (server, id) => (await server.send('GET', `/jobs/job-${id}`)).status === 200,
  },
  {
    name: 'a backup',
    run: (server, id) => server.send('POST', '/backups', act(id)),
    isDone: async (server, id) => (await textOf(server, '/backups')).includes(id),
  },
]

const sentence = (body: unknown): string => (body as { says?: string }).says ?? ''

/** What was found of one deed, tried once. */
async function tryDeed(deed: Deed, server: RunningServer): Promise<Found> {
  const id = randomUUID().slice(0, 13)
  if (deed.before && (await deed.before(server, id)).status >= 300) return { outcome: 'not-begun' }
  const { status, body } = await deed.run(server, id)
  const done = () => deed.isDone(server, id)
  const isDone = await done()
  const said = `${deed.name}: ${status} ${JSON.stringify(body).slice(0, 200)}`
  if (status < 300) return isDone ? { outcome: 'done', done, said } : { outcome: 'lost', said }
  if (sentence(body) === '' || status === 500) return { outcome: 'thrown', said }
  return isDone ? { outcome: 'half', said } : { outcome: 'refused', said }
}

interface Found {
  readonly outcome: 'done' | 'refused' | 'not-begun' | 'lost' | 'half' | 'thrown'
  readonly said?: string
  /** Asked again after the server was killed. */
  readonly done?: () => Promise<boolean>
}

async function officeWorks({ data, fill, free }: SmallDisk): Promise<Tally> {
  const server = new RunningServer(data)
  const found: Found[] = []
  const stuck: string[] = []
  try {
    if (!(await server.start())) throw new Error(server.complaints)
    const job = { id: 'job', name: 'Disk', address: '', practice: 'uk-ireland', by: owner }
    await server.send('POST', '/jobs', job)
    for (let round = 0; round < 3; round++) {
      // What a deed of the full disk is about is made while there is room.
      for (const deed of deeds) {
        const ready = { ...deed, ...(await begun(deed, server)) }
        fill()
        for (let i = 0; i < 3; i++) found.push(await tryDeed(ready, server))
        if (deed === deeds[0]) found.push(await pressedIn(server))
        free()
        const after = await tryDeed(deed, server)
        found.push(after)
        if (after.outcome !== 'done') stuck.push(`after room was made: ${after.said}`)
      }
    }
    await server.kill()
    if (!(await server.start())) throw new Error(server.complaints)
    const isGone = await Promise.all(found.map(async ({ done }) => done && !(await done())))
    const gone = found.filter((_, i) => isGone[i])
    await server.stop()
    const { faults } = await verify(data)
    return tally(found, gone, [...stuck, ...faults], data)
  } finally {
    await server.kill()
  }
}

/** A deed whose first step was done already, once for each time it is tried. */
async function begun(deed: Deed, server: RunningServer): Promise<Partial<Deed>> {
  if (!deed.before) return {}
  const ids = ['a', 'b', 'c'].map((letter) => `${letter}-${randomUUID().slice(0, 11)}`)
  for (const id of ids) await deed.before(server, id)
  const used = new Map<string, string>()
  const own = (id: string): string => {
    const mine = used.get(id) ?? ids[used.size] ?? id
    used.set(id, mine)
    return mine
  }
  return {
    before: async () => ({ status: 201, body: undefined }),
    run: (_, id) => deed.run(server, own(id)),
    isDone: (_, id) => deed.isDone(server, own(id)),
  }
}

/** Somebody signs in by the press of the demo; in or not, with a sentence. */
async function pressedIn(server: RunningServer): Promise<Found> {
  try {
    const cookie = await signIn(server.address, other)
    const answer = await fetch(`${server.address}/api/session`, { headers: { cookie } })
    const { person } = (await answer.json()) as { person: { id: string } | null }
    return person?.id === other
      ? { outcome: 'done' }
      : { outcome: 'lost', said: 'let in by nothing' }
  } catch (error) {
    const said = String(error)
    return { outcome: said.includes('disk-full') ? 'refused' : 'thrown', said: `sign-in: ${said}` }
  }
}

function tally(
  found: readonly Found[],
  gone: readonly Found[],
  faults: readonly string[],
  data: string,
): Tally {
  const count = (outcome: Found['outcome']) => found.filter((one) => one.outcome === outcome).length
  const litter = readdirSync(join(data, 'backups')).filter(
    (name) => name.startsWith('.') || name.endsWith('.part'),
  )
  const bad = found.filter(({ outcome }) => ['lost', 'half', 'thrown'].includes(outcome))
  return {
    tried: `${found.length} deeds of the office: ${count('done')} done, ${count('refused')} refused with a sentence`,
    lost: count('lost') + gone.length,
    doubled: count('half'),
    thrown: count('thrown') + litter.length + (count('refused') === 0 ? 1 : 0),
    hung: faults.length,
    says: [...[...bad, ...gone].map(({ said }) => said ?? ''), ...faults, ...litter].slice(0, 12),
  }
}

/**
 * The office works on while the disk is full: what is answered was done, what is refused was not,
 * and nothing is done by half.
 */
export const officeOnAFullDisk: Trial = {
  name: 'people, links, erasing and backups on a full disk',
  run: () => onSmallDisk(officeWorks),
}
