import type { PlatesFinding } from './wording'
import { sources } from '../../answer/sources'
import type { JobDocument } from '../../job/document'
import { burnsGas } from '../../job/fields'

const paperWords = {
  manual: 'manual',
  installation: 'installation instructions',
  charts: "maker's charts",
} as const

/** Papers that are not on file, and what is old. */
export function partFindings(document: JobDocument): readonly PlatesFinding[] {
  const visited = document.survey.visitedOn
    ? Number(document.survey.visitedOn.slice(0, 4))
    : undefined
  const papers = document.appliances.flatMap((appliance, i): PlatesFinding[] => {
    if (appliance.stay === 'goes') return []
    const absent = (
      ['manual', 'installation', ...(burnsGas(appliance.kind) ? ['charts' as const] : [])] as const
    ).filter((paper) => appliance.papers[paper] === null)
    const due = appliance.stay === 'new' && absent.some((paper) => paper !== 'charts')
    return absent.length === 0
      ? []
      : [
          {
            id: 'papers-missing',
            severity: due ? 'fix' : 'note',
            place: `appliances.${i}.papers`,
            names: [appliance.name, absent.map((paper) => paperWords[paper]).join(', ')],
            source: sources.maker,
          },
        ]
  })
  const ages = document.parts.flatMap((part, i): PlatesFinding[] => {
    if (part.stay !== 'stays') return []
    const place = `parts.${i}.madeYear`
    if (part.madeYear === null)
      return [
        {
          id: 'part-age-unknown',
          severity: 'note',
          place,
          names: [part.name],
          source: sources.trade,
        },
      ]
    const limit = part.kind === 'expansion-vessel' ? practiceAges.vessel : practiceAges.valve
    const age = visited === undefined ? undefined : visited - part.madeYear
    return age !== undefined && age >= limit
      ? [
          {
            id: 'part-old',
            severity: 'fix',
            place,
            names: [part.name],
            figures: { age, limit },
            source: sources.trade,
          },
        ]
      : []
  })
  return [...papers, ...ages]
}

/** Years after which a part is renewed. Common practice, no source. */
const practiceAges = { valve: 10, vessel: 15 } as const
