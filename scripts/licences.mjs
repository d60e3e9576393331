import { createRequire } from 'node:module'
import { root } from './setup.mjs'

const { init } = createRequire(import.meta.url)('license-checker-rseidelsohn')

/** Licences under which a package may ship with Hestian. */
const shipped = [
  'MIT',
  'MIT*',
  'MIT-0',
  'ISC',
  '0BSD',
  'Zlib',
  'BSD-2-Clause',
  'BSD-3-Clause',
  'Apache-2.0',
  'BlueOak-1.0.0',
  'CC0-1.0',
  'Python-2.0',
  // Fonts.
  'OFL-1.1',
  // The image library that sharp loads, as a library of its own and unchanged.
  'LGPL-3.0-or-later',
]
/** What may stand beside while building and testing, and never ships. */
const beside = [...shipped, 'MPL-2.0', 'CC-BY-3.0', 'CC-BY-4.0']
/**
 * Tools for checks that say it otherwise, by name: the spreadsheet engine that sums are compared
 * with (stricter), and a part of the page auditor whose text is BSD-3-Clause.
 */
const named = { hyperformula: 'GPL-3.0-only', 'parse-cache-control': 'BSD' }

const packages = (options) =>
  new Promise((done, failed) =>
    init({ start: root, excludePrivatePackages: true, ...options }, (error, found) =>
      error ? failed(error) : done(Object.entries(found)),
    ),
  )

/** `(MIT OR X)` may be taken as MIT; of `(MIT AND X)` both hold. */
const isAllowed = (licence, allowed) => {
  const parts = String(licence).replace(/[()]/g, '')
  return parts.includes(' OR ')
    ? parts.split(' OR ').some((one) => allowed.includes(one))
    : parts.split(' AND ').every((one) => allowed.includes(one))
}

const wrong = []
const check = (found, allowed, what) => {
  for (const [name, { licenses }] of found) {
    const bare = name.slice(0, name.lastIndexOf('@'))
    if (what !== 'ships' && named[bare] === licenses) continue
    if (!isAllowed(licenses, allowed)) wrong.push(`${name} (${what}): ${licenses}`)
  }
}
check(await packages({ production: true }), shipped, 'ships')
check(await packages({ development: true }), beside, 'builds or tests')
if (wrong.length > 0) {
  console.error(`licences that are not on the list:\n${wrong.join('\n')}`)
  process.exit(1)
}
