import type { ChangeStaff, JobFile, OwnUnits, Staff } from '@hestian/core'
import { isRole, OwnUnits as OwnUnitsSchema, roles, tickets } from '@hestian/core'
import type { EntityManager } from 'typeorm'
import type { Clock } from '../app/parts'
import { Refusal } from '../app/refusal'
import { personStands, personText } from '../db/changeLog'
import type { Database, DatabaseReader } from '../db/database'
import type { PersonRow } from '../db/tables'
import { PasskeyTable, PersonTable } from '../db/tables'
import type { ListedPerson } from './peopleFile'
import { ListedTickets } from './peopleFile'
import { hashOf, isPassword, newToken, passwordHash } from './secrets'

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

const standingOf = ({ password, invitation }: PersonRow): Staff['standing'] => {
  if (password !== null) return 'in'
  return invitation === null ? 'out' : 'invited'
}

const staffOf = (row: PersonRow): Staff => ({
  ...{ id: row.id, name: row.name, role: row.role },
  holds: ListedTickets.catch([]).parse(parsed(row.tickets)),
  units: OwnUnitsSchema.catch({}).parse(parsed(row.units)),
  standing: standingOf(row),
})

const invitationDays = 7
const day_ms = 86_400_000
export const daysAfter = (at: string, days: number): string =>
  new Date(Date.parse(at) + days * day_ms).toISOString()

/** Who works here, to be read. */
export const listPeople = (db: DatabaseReader): Promise<Staff[]> =>
  db.read(async (manager) => (await manager.getRepository(PersonTable).find()).map(staffOf))

/** People as a job's file names them. */
export const asFiled = (people: readonly Staff[]): JobFile['people'] =>
  people.map(({ id, name, role, holds }) => ({
    ...{ id, name, role },
    tickets: tickets.filter((one) => holds.some(({ ticket }) => ticket === one)),
  }))

/** An id that can be read, from a name. */
const idFrom = (name: string): string =>
  name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 50) || 'owner'

/** Who works here, what each may sign, and how they come in. */
export class PeopleStore {
  constructor(
    private readonly db: Database,
    private readonly clock: Clock,
  ) {}

  list = (): Promise<Staff[]> => listPeople(this.db)

  async find(id: string): Promise<Staff | undefined> {
    const row = await this.db.read((manager) =>
      manager.getRepository(PersonTable).findOneBy({ id }),
    )
    return row ? staffOf(row) : undefined
  }

  async get(id: string): Promise<Staff> {
    const staff = await this.find(id)
    if (!staff) throw new Refusal('no-such-person', 'Nobody of that name works here.')
    return staff
  }

  /** Whether nobody can sign in yet. */
  async hasNobody(): Promise<boolean> {
    return !(await this.list()).some(({ standing }) => standing === 'in')
  }

  /** The units one person reads in; nobody else sees a difference. */
  async setUnits(id: string, units: OwnUnits): Promise<void> {
    await this.get(id)
    await this.change(id, () => ({ units: JSON.stringify(units) }))
  }

  /**
   * Adds those who are not here yet; one of whom only an imported job or an older list tells
   * becomes what the list says.
   */
  async add(people: readonly ListedPerson[]): Promise<void> {
    await this.db.write(async (manager) => {
      for (const { id, name, role, tickets: listed } of people) {
        const before = await personAt(manager, id)
        await manager.query(
          `INSERT INTO person (id, name, role, tickets) VALUES (?, ?, ?, ?)
           ON CONFLICT (id) DO UPDATE SET tickets = excluded.tickets, role = excluded.role
           WHERE person.password IS NULL AND person.invitation IS NULL AND person.role NOT IN (${[...roles, 'gone'].map(() => '?').join()})`,
          [id, name, role, JSON.stringify(ListedTickets.parse(listed)), ...roles, 'gone'],
        )
        if ((await personAt(manager, id)) !== before)
          await personStands(manager, this.clock.now(), id)
      }
    })
  }

  /** The first owner: a new person, or the one of that name whom records name already. */
  async makeOwner(name: string, password: string): Promise<string> {
    const kept = await passwordHash(password)
    return this.db.write(async (manager) => {
      const people = await manager.getRepository(PersonTable).find()
      if (people.some((one) => one.password !== null))
        throw new Refusal('link-over', 'The firm has an owner already: sign in, or be invited.')
      const same = people.find((one) => isSame(one.name, name))
      const id = same?.id ?? freeId(people, idFrom(name))
      if (!same) await manager.getRepository(PersonTable).insert(nobody(id, name))
      await manager.getRepository(PersonTable).update({ id }, { role: 'owner', password: kept })
      await personStands(manager, this.clock.now(), id)
      return id
    })
  }

  /** Whose name and password these are. */
  async bySignIn(name: string, password: string): Promise<string | undefined> {
    const rows = await this.db.read((manager) => manager.getRepository(PersonTable).find())
    const named = rows.filter((one) => one.id === name || isSame(one.name, name))
    const [only] = named.length === 1 ? named : named.filter((one) => one.id === name)
    const isRight = await isPassword(only?.password ?? null, password)
    return isRight && only && isRole(only.role) ? only.id : undefined
  }

  async create({ id, name, role }: { id: string; name: string; role: string }): Promise<void> {
    await this.db.write(async (manager) => {
      const rows = await manager.getRepository(PersonTable).find()
      const before = rows.find((one) => one.id === id)
      if (before?.name === name) return
      if (before || rows.some((one) => isSame(one.name, name)))
        throw new Refusal(
          'not-understood',
          `${name} is here already. Two people need names one can tell apart.`,
        )
      await manager.getRepository(PersonTable).insert({ ...nobody(id, name), role })
      await personStands(manager, this.clock.now(), id)
    })
  }

  async set(id: string, { role, holds }: ChangeStaff): Promise<void> {
    await this.change(id, async (row, manager) => {
      if (role !== 'owner') await expectAnotherOwner(manager, row)
      return { role, tickets: JSON.stringify(holds) }
    })
  }

  /**
   * A link that lets somebody choose a password, once: as an invitation, or because the old one is
   * forgotten.
   */
  async invite(id: string, at: string): Promise<{ token: string; until: string }> {
    const token = newToken()
    const until = daysAfter(at, invitationDays)
    await this.change(id, (row) => {
      if (!isRole(row.role))
        throw new Refusal('not-understood', `First say what ${row.name} is in the firm.`)
      return { invitation: hashOf(token), invitedUntil: until }
    })
    return { token, until }
  }

  /** Takes an invitation: the password is set, and the link opens nothing any more. */
  async accept(token: string, password: string, at: string): Promise<string> {
    const kept = await passwordHash(password)
    return this.db.write(async (manager) => {
      const invitation = hashOf(token)
      const row = await manager.getRepository(PersonTable).findOneBy({ invitation })
      if (!row || (row.invitedUntil ?? '') < at)
        throw new Refusal(
          'link-over',
          'This invitation opens nothing any more: it was used, replaced, or a week is over. Ask the owner for a new one.',
        )
      await manager
        .getRepository(PersonTable)
        .update({ id: row.id }, { password: kept, invitation: null, invitedUntil: null })
      await forgetPasskeys(manager, row.id)
      return row.id
    })
  }

  async setPassword(id: string, { old, password }: { old: string; password: string }) {
    const row = await this.db.read((manager) =>
      manager.getRepository(PersonTable).findOneBy({ id }),
    )
    if (!(await isPassword(row?.password ?? null, old)))
      throw new Refusal('wrong-sign-in', 'The old password is another one. Nothing was changed.')
    const kept = await passwordHash(password)
    await this.change(id, () => ({ password: kept }))
  }

  /** Somebody left: they cannot sign in any more, their name stays in what they recorded. */
  async letGo(id: string): Promise<void> {
    await this.change(id, async (row, manager) => {
      await expectAnotherOwner(manager, row)
      await forgetPasskeys(manager, id)
      return { role: 'gone', password: null, invitation: null, invitedUntil: null }
    })
  }

  private async change(
    id: string,
    to: (
      row: PersonRow,
      manager: EntityManager,
    ) => Promise<Partial<PersonRow>> | Partial<PersonRow>,
  ): Promise<void> {
    await this.db.write(async (manager) => {
      const repository = manager.getRepository(PersonTable)
      const row = await repository.findOneBy({ id })
      if (!row) throw new Refusal('no-such-person', 'Nobody of that name works here.')
      const next = await to(row, manager)
      await repository.update({ id }, next)
      if ('role' in next || 'tickets' in next) await personStands(manager, this.clock.now(), id)
    })
  }
}

/** Whoever has a device of theirs in hand does not come in with it any more. */
const forgetPasskeys = (manager: EntityManager, personId: string): Promise<unknown> =>
  manager.getRepository(PasskeyTable).delete({ personId })

/** What is written down of a person, as it stands. */
async function personAt(manager: EntityManager, id: string): Promise<string | undefined> {
  const row = await manager.getRepository(PersonTable).findOneBy({ id })
  return row ? personText(row) : undefined
}

const isSame = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase()

const nobody = (id: string, name: string): PersonRow => ({
  ...{ id, name, role: '', tickets: '[]', units: '{}' },
  ...{ password: null, invitation: null, invitedUntil: null },
})

function freeId(people: readonly PersonRow[], wanted: string): string {
  const taken = new Set(people.map(({ id }) => id))
  for (let i = 1; ; i++) {
    const id = i === 1 ? wanted : `${wanted}-${i}`
    if (!taken.has(id)) return id
  }
}

async function expectAnotherOwner(manager: EntityManager, row: PersonRow): Promise<void> {
  if (row.role !== 'owner') return
  const owners = await manager.getRepository(PersonTable).findBy({ role: 'owner' })
  if (!owners.some((one) => one.id !== row.id && one.password !== null))
    throw new Refusal(
      'last-owner',
      `${row.name} is the only owner who can sign in. Make somebody else one first.`,
    )
}
