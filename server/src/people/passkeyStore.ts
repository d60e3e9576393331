import type { Passkey } from '@hestian/core'
import { isRole } from '@hestian/core'
import { Refusal } from '../app/refusal'
import type { Database } from '../db/database'
import type { PasskeyRow } from '../db/tables'
import { PasskeyTable, PersonTable } from '../db/tables'

/** How many one person may have: a phone, a tablet, a desk, and room. */
const mostOfOne = 20

const asTold = ({ id, name, madeAt, usedAt }: PasskeyRow): Passkey => ({ id, name, madeAt, usedAt })

/** Keys of devices, by whose they are. */
export class PasskeyStore {
  constructor(private readonly db: Database) {}

  rowsOf = (personId: string): Promise<PasskeyRow[]> =>
    this.db.read((manager) =>
      manager.getRepository(PasskeyTable).find({ where: { personId }, order: { madeAt: 'ASC' } }),
    )

  ofPerson = async (personId: string): Promise<Passkey[]> =>
    (await this.rowsOf(personId)).map(asTold)

  /** A key, where whose it is may still come in. */
  async find(id: string): Promise<PasskeyRow | undefined> {
    return this.db.read(async (manager) => {
      const row = await manager.getRepository(PasskeyTable).findOneBy({ id })
      if (!row) return undefined
      const person = await manager.getRepository(PersonTable).findOneBy({ id: row.personId })
      return person && isRole(person.role) ? row : undefined
    })
  }

  /** Keeps one; the same sent again is kept once. */
  async add(row: PasskeyRow): Promise<void> {
    await this.db.write(async (manager) => {
      const repository = manager.getRepository(PasskeyTable)
      const before = await repository.findOneBy({ id: row.id })
      if (before?.personId === row.personId) return
      if (before) throw new Refusal('no-passkey', 'That key is somebody else’s here already.')
      if ((await repository.countBy({ personId: row.personId })) >= mostOfOne)
        throw new Refusal(
          'no-passkey',
          `At most ${mostOfOne} passkeys for one person: remove one that is not used.`,
        )
      await repository.insert(row)
    })
  }

  async used(id: string, counter: number, usedAt: string): Promise<void> {
    await this.db.write((manager) =>
      manager.getRepository(PasskeyTable).update({ id }, { counter, usedAt }),
    )
  }

  /** Removes one of a person's; one that is gone already is gone. */
  async remove(id: string, personId: string): Promise<void> {
    await this.db.write((manager) => manager.getRepository(PasskeyTable).delete({ id, personId }))
  }
}
