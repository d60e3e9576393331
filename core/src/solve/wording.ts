import type { Finding } from '../answer/finding'
import { gasTightnessWordings } from '../bench/gas-tightness/wording'
import type { Practice } from '../practice/practices'
import type { Worded, Wordings } from '../practice/worded'
import { circuitWordings } from '../sheets/circuit/wording'
import { gasWordings } from '../sheets/gas/wording'
import { heatWordings } from '../sheets/heat/wording'
import { inspectionWordings } from '../sheets/inspection/wording'
import { placeWordings } from '../sheets/place/wording'
import { platesWordings } from '../sheets/plates/wording'
import { readingsWordings } from '../sheets/readings/wording'
import { reliefWordings } from '../sheets/relief/wording'
import { safetyWordings } from '../sheets/safety/wording'
import { siteWordings } from '../sheets/site/wording'
import { vesselWordings } from '../sheets/vessel/wording'
import { waterWordings } from '../sheets/water/wording'
import type { Show } from '../units/format'

export const wordings = {
  'outside-method': ({ n }) => ({
    head: 'This cannot be computed from the figures as they are.',
    why: `One of them is outside what the method holds for (${n(0)}). Look for a slip of the pen or of the unit; what was typed is kept, and the rest of the job is computed.`,
  }),
  ...siteWordings,
  ...readingsWordings,
  ...platesWordings,
  ...placeWordings,
  ...inspectionWordings,
  ...heatWordings,
  ...circuitWordings,
  ...vesselWordings,
  ...safetyWordings,
  ...reliefWordings,
  ...gasWordings,
  ...waterWordings,
  ...gasTightnessWordings,
} satisfies Wordings

export type FindingId = keyof typeof wordings
export const findingIds = Object.keys(wordings) as readonly FindingId[]

/** A finding in words. One whose id has none is a mistake of ours: RangeError. */
export function word(finding: Finding, practice: Practice, show: Show): Worded {
  const wording = (wordings as Wordings)[finding.id]
  if (!wording) throw new RangeError(`no words for the finding ${finding.id}`)
  return wording({
    f: (key) => finding.figures?.[key] ?? NaN,
    n: (index) => finding.names?.[index] ?? 'this part',
    show,
    practice,
  })
}

export const severityWords = { stop: 'Stop', fix: 'Fix', note: 'Note' } as const
