import type { OwnUnits, Person } from '@hestian/core'
import { OwnUnits as OwnUnitsSchema, tickets } from '@hestian/core'
import type { Database, DatabaseReader } from '../db/database'
import type { PersonRow } from '../db/tables'
import { PersonTable } from '../db/tables'
import { Refusal } from '../app/refusal'

export type Staff = Person & { readonly units: OwnUnits }

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

const personOf = ({ id, name, role, tickets: held, units }: PersonRow): Staff => {
  const holds = parsed(held)
  return {
    units: OwnUnitsSchema.catch({}).parse(parsed(units)),
    id,
    name,
    role,
    tickets: tickets.filter((ticket) => Array.isArray(holds) && holds.includes(ticket)),
  }
}

/** Who works here, to be read. */
export const listPeople = (db: DatabaseReader): Promise<Staff[]> =>
  db.read(async (manager) => (await manager.getRepository(PersonTable).find()).map(personOf))

/** Who works here, and what each may sign. */
export class PeopleStore {
  constructor(private readonly db: Database) {}

  list = (): Promise<Staff[]> => listPeople(this.db)

  async get(id: string): Promise<Person> {
    const row = await this.db.read((manager) =>
      manager.getRepository(PersonTable).findOneBy({ id }),
    )
    if (!row)
      throw new Refusal(
        'no-such-person',
        'Choose who is working first: nobody of that name works here.',
      )
    return personOf(row)
  }

  /** The units one person reads in; nobody else sees a difference. */
  async setUnits(id: string, units: OwnUnits): Promise<void> {
    await this.get(id)
    await this.db.write(async (manager) => {
      await manager.getRepository(PersonTable).update({ id }, { units: JSON.stringify(units) })
    })
  }

  /** Adds those who are not here yet; one whom an imported job brought along without tickets is given these. */
  async add(people: readonly Person[]): Promise<void> {
    await this.db.write(async (manager) => {
      for (const { id, name, role, tickets: held } of people)
        await manager.query(
          `INSERT INTO person (id, name, role, tickets) VALUES (?, ?, ?, ?)
           ON CONFLICT (id) DO UPDATE SET tickets = excluded.tickets WHERE person.tickets = '[]'`,
          [id, name, role, JSON.stringify(held)],
        )
    })
  }
}
