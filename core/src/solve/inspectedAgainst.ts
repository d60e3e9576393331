import type { Finding } from '../answer/finding'
import { inspectionItems } from '../sheets/inspection/inspection'
import type { AllInspected } from '../sheets/inspection/sheet'
import type { InspectionFinding } from '../sheets/inspection/wording'
import { showIn } from '../units/format'
import type { Solution } from './solve'
import { word } from './wording'

/**
 * What of the design speaks of the same thing as an item of the inspection: by the beginning of the
 * item, findings by the beginning of theirs.
 */
const sameThing: readonly { readonly item: string; readonly findings: readonly string[] }[] = [
  { item: 'discharge', findings: ['discharge-', 'tundish-', 'd1-', 'd2-', 'no-drop-after'] },
  { item: 'set-', findings: ['relief-above', 'relief-capacity-short'] },
  { item: 'charge-', findings: ['built-in-charge-differs', 'vessel-counts-nothing'] },
  { item: 'relief-lift', findings: ['relief-lever-blocked'] },
  { item: 'relief-reach', findings: ['relief-lever-blocked', 'relief-can-be-shut'] },
  { item: 'gas-valve', findings: ['gas-no-shut-off', 'gas-not-bonded'] },
  { item: 'tap', findings: ['outlet-scalds'] },
]

/**
 * An inspection that says sound while the design, by what is on file, says otherwise: one of the
 * two is wrong, and neither hides the other.
 */
export function inspectedAgainst(
  { document, practice, findings }: Solution,
  inspected: AllInspected,
): readonly InspectionFinding[] {
  const show = showIn(practice.units)
  const wrong = findings.filter(({ severity }) => severity !== 'note')
  return inspectionItems(document, practice, show).flatMap((item): InspectionFinding[] => {
    if (inspected[item.id]?.body.verdict !== 'sound') return []
    const other = otherOf(item.id, wrong)
    return other
      ? [
          {
            id: 'inspected-against-figures',
            severity: 'fix',
            place: `inspection.${item.id}`,
            names: [item.name, word(other, practice, show).head.replace(/\.$/, ''), item.limit],
            source: other.source,
          },
        ]
      : []
  })
}

const otherOf = (item: string, findings: readonly Finding[]): Finding | undefined => {
  const ids = sameThing.filter((one) => item.startsWith(one.item)).flatMap((one) => one.findings)
  return findings.find(({ id }) => ids.some((start) => id.startsWith(start)))
}
