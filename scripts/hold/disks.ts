import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { JobState } from '@hestian/core'
import { RunningServer } from './runningServer'
import type { SmallDisk } from './smallDisk'
import { onSmallDisk } from './smallDisk'
import type { Tally, Trial } from './trial'

const record = (id: string) => ({
  id,
  by: 'lead',
  at: '2026-11-27T10:00:00.000Z',
  body: { kind: 'snag', what: `snag ${id} ${'x'.repeat(300)}`, owner: 'Lead', due: null },
})

/** A real disk is filled to the last byte while records arrive, freed, and filled again. */
export const fullDisk: Trial = {
  name: 'a full disk, freed, filled and freed again',
  run: () => onSmallDisk(recordsArrive),
}

async function recordsArrive({ data, fill, free }: SmallDisk): Promise<Tally> {
  writeFileSync(
    join(data, 'people.json'),
    JSON.stringify([{ id: 'lead', name: 'Lead', role: 'lead', tickets: [] }]),
  )
  const server = new RunningServer(data)
  const acknowledged: string[] = []
  let [refused, thrown, count] = [0, 0, 0]
  const says: string[] = []
  const post = async () => {
    const id = `disk-${String(++count).padStart(8, '0')}`
    const { status, body } = await server.send('POST', '/jobs/job/records', record(id))
    if (status === 201) acknowledged.push(id)
    else if ((body as { code?: string }).code === 'disk-full') refused++
    else {
      thrown++
      says.push(`${status} ${JSON.stringify(body)}`)
    }
    return status
  }
  try {
    if (!(await server.start())) throw new Error(server.complaints)
    await server.send('POST', '/jobs', {
      id: 'job',
      name: 'Disk',
      address: '',
      practice: 'uk-ireland',
      by: 'lead',
    })
    for (let round = 0; round < 3; round++) {
      for (let i = 0; i < 40; i++) await post()
      fill()
      for (let i = 0; i < 120; i++) await post()
      free()
      const before = acknowledged.length
      for (let i = 0; i < 40; i++) await post()
      if (acknowledged.length - before < 40)
        says.push(`round ${round}: not all was taken after room was made`)
    }
    await server.kill()
    if (!(await server.start())) throw new Error(server.complaints)
    const state = (await server.send('GET', '/jobs/job')).body as JobState
    const stored = state.records.map((one) => one.id)
    const lost = acknowledged.filter((id) => !stored.includes(id))
    return {
      tried: `${count} records: ${acknowledged.length} acknowledged, ${refused} refused with a sentence`,
      lost: lost.length,
      doubled: stored.length - new Set(stored).size,
      thrown: thrown + (refused === 0 ? 1 : 0),
      hung: says.filter((text) => text.startsWith('round')).length,
      says: says.slice(0, 5),
    }
  } finally {
    await server.kill()
  }
}
