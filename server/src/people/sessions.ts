import type { OpenSession } from '@hestian/core'
import type { Clock } from '../app/parts'
import { Refusal } from '../app/refusal'
import type { Database } from '../db/database'
import type { SessionRow } from '../db/tables'
import { SessionTable } from '../db/tables'
import { daysAfter } from './peopleStore'
import { hashOf, newToken } from './secrets'

/** A session nobody uses for so long is over. */
const idleDays = 30
/** How old what is kept of its last use may be: not every request is a write. */
const remember_ms = 3_600_000

export type Session = Readonly<Omit<SessionRow, 'tokenHash'>>
type Whose = Pick<SessionRow, 'personId' | 'guestId'>

/**
 * Who is signed in: kept in the database, held here, since every request asks. One server works on
 * one folder.
 */
export class Sessions {
  private readonly open = new Map<string, SessionRow>()

  private constructor(
    private readonly db: Database,
    private readonly clock: Clock,
  ) {}

  static async open(db: Database, clock: Clock): Promise<Sessions> {
    const sessions = new Sessions(db, clock)
    const now = clock.now()
    const rows = await db.read((manager) => manager.getRepository(SessionTable).find())
    for (const row of rows) if (row.until >= now) sessions.open.set(row.tokenHash, row)
    return sessions
  }

  /**
   * Begins one, and gives the token of its cookie; `until` where it ends by itself earlier than
   * others.
   */
  async begin(whose: Partial<Whose>, from: string, until?: string): Promise<string> {
    const token = newToken()
    const now = this.clock.now()
    const row: SessionRow = {
      ...{ id: newToken().slice(0, 16), tokenHash: hashOf(token), madeAt: now, seenAt: now },
      ...{ personId: whose.personId ?? null, guestId: whose.guestId ?? null },
      until: until ?? daysAfter(now, idleDays),
      from: from.slice(0, 200),
    }
    await this.db.write(async (manager) => {
      await manager.query('DELETE FROM session WHERE until < ?', [now])
      await manager.getRepository(SessionTable).insert(row)
    })
    this.open.set(row.tokenHash, row)
    return token
  }

  /** The session of a cookie; none where it is over. One of the firm's is longer with its use. */
  async find(token: string | undefined): Promise<Session | undefined> {
    const row = token === undefined ? undefined : this.open.get(hashOf(token))
    const now = this.clock.now()
    if (!row || row.until < now) return undefined
    if (row.personId !== null && Date.parse(now) - Date.parse(row.seenAt) > remember_ms) {
      row.seenAt = now
      row.until = daysAfter(now, idleDays)
      const { id, seenAt, until } = row
      // A full disk does not shut out who is signed in.
      await this.db
        .write((manager) => manager.getRepository(SessionTable).update({ id }, { seenAt, until }))
        .catch(() => undefined)
    }
    return row
  }

  /** Whether a session goes on: what stays open for long asks again. */
  isOpen(id: string | undefined): boolean {
    const now = this.clock.now()
    return [...this.open.values()].some((row) => row.id === id && row.until >= now)
  }

  ofPerson(personId: string, thisId: string): OpenSession[] {
    const now = this.clock.now()
    return [...this.open.values()]
      .filter((row) => row.personId === personId && row.until >= now)
      .map(({ id, madeAt, seenAt, until, from }) => ({
        ...{ id, madeAt, seenAt, until, from },
        isThis: id === thisId,
      }))
      .sort((a, b) => b.seenAt.localeCompare(a.seenAt))
  }

  /** Ends one of a person's. */
  async end(id: string, personId: string | null): Promise<void> {
    const row = [...this.open.values()].find((one) => one.id === id && one.personId === personId)
    if (!row) throw new Refusal('no-such-place', 'That session is over already.')
    await this.forget([row])
  }

  /** Ends all of a person's or of a guest's, but for one that goes on. */
  async endAll(whose: Partial<Whose>, but?: string): Promise<void> {
    const { personId = null, guestId = null } = whose
    await this.forget(
      [...this.open.values()].filter(
        (row) => row.personId === personId && row.guestId === guestId && row.id !== but,
      ),
    )
  }

  private async forget(rows: readonly SessionRow[]): Promise<void> {
    await this.db.write(async (manager) => {
      for (const { id } of rows) await manager.getRepository(SessionTable).delete({ id })
    })
    for (const { tokenHash } of rows) this.open.delete(tokenHash)
  }
}
