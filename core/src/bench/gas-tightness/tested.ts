import type { JobDocument } from '../../job/document'
import { burnsGas } from '../../job/fields'
import { fingerprint } from '../../job/merge'

/**
 * A fingerprint of what a gas test tests: the pipes as they lie, their joints, and what hangs on
 * them. A test that passed says nothing of pipes that were changed since. Prices, reserves and
 * names do not count.
 */
export function testedFingerprint(
  document: JobDocument,
  pipes: 'all' | readonly string[] = 'all',
): string {
  if (pipes !== 'all') return printOf(document, pipes)
  const print = ofAll.get(document) ?? printOf(document, pipes)
  ofAll.set(document, print)
  return print
}

const ofAll = new WeakMap<JobDocument, string>()

function printOf(document: JobDocument, pipes: 'all' | readonly string[]): string {
  const tested = document.gas.segments.filter(({ id }) => pipes === 'all' || pipes.includes(id))
  const segments = tested.map((segment) => ({
    id: segment.id,
    from: segment.from,
    length_m: segment.length_m?.value ?? null,
    elbows: segment.elbows,
    branchTees: segment.branchTees,
    material: segment.material,
    size: segment.size,
    applianceId: segment.applianceId,
    shutOff: segment.end.shutOff,
    trap: segment.end.trap,
    connector: segment.end.connector,
    regulator: segment.regulator?.outGauge_Pa?.value ?? segment.regulator !== null,
  }))
  const appliances = document.appliances
    .filter((one) => burnsGas(one.kind) && one.stay !== 'goes')
    .filter(({ id }) => pipes === 'all' || tested.some(({ applianceId }) => applianceId === id))
    .map((one) => one.id)
  return fingerprint({ fuel: document.survey.fuel, segments, appliances: appliances.sort() })
}
