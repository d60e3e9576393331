import type { Person } from '@hestian/core'
import { tickets } from '@hestian/core'
import type { Database } from '../db/database'
import { PersonTable } from '../db/tables'
import { Refusal } from '../app/refusal'

/** Who works here, and what each may sign. */
export class PeopleStore {
  constructor(private readonly db: Database) {}

  async list(): Promise<Person[]> {
    const rows = await this.db.source.getRepository(PersonTable).find()
    return rows.map(({ id, name, role, tickets: held }) => ({ id, name, role, tickets: tickets.filter((ticket) => (JSON.parse(held) as string[]).includes(ticket)) }))
  }

  async get(id: string): Promise<Person> {
    const person = (await this.list()).find((one) => one.id === id)
    if (!person) throw new Refusal('no-such-person', 'Choose who is working first: nobody of that name works here.')
    return person
  }

  /** Adds those who are not here yet; nobody is changed. */
  async add(people: readonly Person[]): Promise<void> {
    await this.db.inTurn(async () => {
      for (const { id, name, role, tickets: held } of people) await this.db.source.query('INSERT OR IGNORE INTO person (id, name, role, tickets) VALUES (?, ?, ?, ?)', [id, name, role, JSON.stringify(held)])
    })
  }
}
