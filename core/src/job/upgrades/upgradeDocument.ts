import { from1 } from './from1'
import { from2 } from './from2'
import { from3 } from './from3'
import { from4 } from './from4'
import { from5 } from './from5'
import { from6 } from './from6'
import { from7 } from './from7'
import { from8 } from './from8'
import type { Raw } from './raw'
import { isBranch } from './raw'

/**
 * Steps that bring an older document forward, by the version they start from. Version 1 is the
 * first.
 */
const upgrades: Readonly<Record<number, (raw: Raw) => Raw>> = {
  1: from1,
  2: from2,
  3: from3,
  4: from4,
  5: from5,
  6: from6,
  7: from7,
  8: from8,
}

/**
 * Brings a document of any earlier version to the current one; anything else comes back as it is,
 * for the schema to refuse.
 */
export function upgradeDocument(raw: unknown): unknown {
  let current = raw
  while (isBranch(current) && typeof current.version === 'number' && upgrades[current.version])
    current = upgrades[current.version]?.(current)
  return current
}
