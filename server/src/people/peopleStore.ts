import type { OwnUnits, Person } from '@hestian/core'
import { OwnUnits as OwnUnitsSchema, tickets } from '@hestian/core'
import type { Database } from '../db/database'
import { PersonTable } from '../db/tables'
import { Refusal } from '../app/refusal'

/** Who works here, and what each may sign. */
export class PeopleStore {
  constructor(private readonly db: Database) {}

  async list(): Promise<(Person & { readonly units: OwnUnits })[]> {
    const rows = await this.db.source.getRepository(PersonTable).find()
    return rows.map(({ id, name, role, tickets: held, units }) => ({
      units: OwnUnitsSchema.catch({}).parse(JSON.parse(units)),
      id,
      name,
      role,
      tickets: tickets.filter((ticket) => (JSON.parse(held) as string[]).includes(ticket)),
    }))
  }

  async get(id: string): Promise<Person> {
    const person = (await this.list()).find((one) => one.id === id)
    if (!person)
      throw new Refusal(
        'no-such-person',
        'Choose who is working first: nobody of that name works here.',
      )
    return person
  }

  /** The units one person reads in; nobody else sees a difference. */
  async setUnits(id: string, units: OwnUnits): Promise<void> {
    await this.get(id)
    await this.db.inTurn(async () => {
      await this.db.source
        .getRepository(PersonTable)
        .update({ id }, { units: JSON.stringify(units) })
    })
  }

  /** Adds those who are not here yet; nobody is changed. */
  async add(people: readonly Person[]): Promise<void> {
    await this.db.inTurn(async () => {
      for (const { id, name, role, tickets: held } of people)
        await this.db.source.query(
          'INSERT OR IGNORE INTO person (id, name, role, tickets) VALUES (?, ?, ?, ?)',
          [id, name, role, JSON.stringify(held)],
        )
    })
  }
}
