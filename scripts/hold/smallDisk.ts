import { spawnSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync, statfsSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Tally } from './trial'

/** A disk of a few megabytes with a data folder on it, to be filled to its last byte and freed. */
export interface SmallDisk {
  readonly data: string
  readonly fill: () => void
  readonly free: () => void
}

/**
 * Tries something on a disk of its own. Needs the right to mount; without it nothing was tried, and
 * that is a fault.
 */
export async function onSmallDisk(run: (disk: SmallDisk) => Promise<Tally>): Promise<Tally> {
  const folder = mkdtempSync(join(tmpdir(), 'hestian-disk-'))
  if (spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=16m', 'tmpfs', folder]).status !== 0)
    return {
      tried: 'nothing: mounting a small disk is not allowed here',
      ...{ lost: 0, doubled: 0, thrown: 1, hung: 0 },
    }
  const data = join(folder, 'data')
  const filler = join(folder, 'filler')
  mkdirSync(data)
  try {
    return await run({
      data,
      fill: () => fill(folder, filler),
      free: () => rmSync(filler, { force: true }),
    })
  } finally {
    spawnSync('umount', ['-l', folder])
    rmSync(folder, { recursive: true, force: true })
  }
}

/** Leaves not one free block. */
function fill(folder: string, filler: string): void {
  const { bavail, bsize } = statfsSync(folder)
  try {
    writeFileSync(filler, Buffer.alloc(bavail * bsize))
  } catch {
    /* the last block did not fit whole */
  }
}
