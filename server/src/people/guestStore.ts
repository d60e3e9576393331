import type { GuestLink, Link } from '@hestian/core'
import type { Clock } from '../app/parts'
import { Refusal } from '../app/refusal'
import type { Database } from '../db/database'
import type { GuestRow } from '../db/tables'
import { GuestTable } from '../db/tables'
import { daysAfter } from './peopleStore'
import { hashOf, newToken } from './secrets'

type Where = Partial<Pick<GuestRow, 'id' | 'jobId' | 'tokenHash'>>

const over = () =>
  new Refusal(
    'link-over',
    'This link opens nothing any more: its time is over, or the firm took it back. Ask them for a new one.',
  )

/** Links that open one job to somebody outside the firm. */
export class GuestStore {
  constructor(
    private readonly db: Database,
    private readonly clock: Clock,
  ) {}

  async ofJob(jobId: string): Promise<GuestLink[]> {
    const rows = await this.db.read((manager) =>
      manager.getRepository(GuestTable).find({ where: { jobId }, order: { madeAt: 'DESC' } }),
    )
    return rows.map(({ id, name, by, madeAt, until, revokedAt }) => ({
      ...{ id, name, by, madeAt, until, revokedAt },
    }))
  }

  /**
   * A new link. Asked again under one id it is a new token for the same guest: the one before opens
   * nothing.
   */
  async make(
    jobId: string,
    { id, by, name, days }: { id: string; by: string; name: string; days: number },
  ): Promise<Link> {
    const token = newToken()
    const now = this.clock.now()
    const until = daysAfter(now, days)
    const row: GuestRow = {
      ...{ id, tokenHash: hashOf(token), jobId, name, by },
      ...{ madeAt: now, until, revokedAt: null },
    }
    await this.db.write(async (manager) => {
      const before = await manager.getRepository(GuestTable).findOneBy({ id })
      if (before && before.jobId !== jobId) throw new Refusal('not-understood', 'That id is taken.')
      await manager.getRepository(GuestTable).save(row)
    })
    return { token, until }
  }

  async revoke(jobId: string, id: string): Promise<void> {
    const row = await this.row({ id, jobId })
    if (row?.revokedAt === null)
      await this.db.write((manager) =>
        manager.getRepository(GuestTable).update({ id }, { revokedAt: this.clock.now() }),
      )
  }

  open = (token: string): Promise<GuestRow> => this.good({ tokenHash: hashOf(token) })
  /** The guest of a session, while the link holds. */
  get = (id: string): Promise<GuestRow> => this.good({ id })

  private row = (where: Where): Promise<GuestRow | null> =>
    this.db.read((manager) => manager.getRepository(GuestTable).findOneBy(where))

  private async good(where: Where): Promise<GuestRow> {
    const row = await this.row(where)
    if (!row || row.revokedAt !== null || row.until < this.clock.now()) throw over()
    return row
  }
}
