import { Instrument } from '@hestian/core'
import { Refusal } from '../app/refusal'
import type { Database } from '../db/database'
import { InstrumentTable } from '../db/tables'

/** The firm's gauges. One is retired, never deleted: certificates name it. */
export class InstrumentStore {
  constructor(private readonly db: Database) {}

  /** Those that can be read, by name. */
  async list(): Promise<Instrument[]> {
    const rows = await this.db.read((manager) => manager.getRepository(InstrumentTable).find())
    return rows
      .flatMap(({ body }) => {
        const read = Instrument.safeParse(parsed(body))
        return read.success ? [read.data] : []
      })
      .sort((a, b) => a.name.localeCompare(b.name))
  }

  async get(id: string): Promise<Instrument> {
    const found = (await this.list()).find((one) => one.id === id)
    if (!found)
      throw new Refusal('no-such-gauge', 'The firm’s list has no such gauge. Choose it again.')
    return found
  }

  async put(instrument: Instrument): Promise<void> {
    await this.db.write(async (manager) => {
      const row = { id: instrument.id, body: JSON.stringify(instrument) }
      await manager.getRepository(InstrumentTable).save(row)
    })
  }
}

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}
