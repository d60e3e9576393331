import type { JobFile, Person } from '@hestian/core'
import { juniperRidge, kestrelWeir, saltbushFerry } from './documents'
import { History } from './history'
import { people } from './people'

const apprentice = people[2] as Person

/** The three demo jobs, made by the rules of the app from invented documents. The files in demo/jobs are these, written out. */
export function demoJobs(): Readonly<Record<string, JobFile>> {
  const kestrel = new History('kestrel-weir', kestrelWeir(), '2026-11-03T08:40:00Z').readings(apprentice).prove('S1', 'S2', 'S3').later(2600).prove('D1', 'D2').later(12900)
  kestrel.tightness({ fall_Pa: 90, repaired: 'olive at the range cock remade, soaped again' }).tightness({ fall_Pa: 0 }).prove('P1').later(1500).stepsUntil('link-off')
  const juniper = new History('juniper-ridge', juniperRidge(), '2026-11-16T15:10:00Z').readings(apprentice).prove('S1', 'S2', 'S3')
  const saltbush = new History('saltbush-ferry', saltbushFerry(), '2026-11-12T22:05:00Z').readings(apprentice).prove('S1', 'S2', 'S3', 'D2').later(3000)
  saltbush.tightness({ fall_Pa: 0 }).prove('P1').later(60).stepsUntil('tap-temp')
  return { 'kestrel-weir': kestrel.file('0417'), 'juniper-ridge': juniper.file('0423'), 'saltbush-ferry': saltbush.file('0421') }
}

export { people }
