import { siteWordings } from './wording'
import { sheetSpec } from '../sheetSpec'
import type { SiteFinding } from './wording'
import { sources } from '../../answer/sources'
import type { JobDocument } from '../../job/document'
import { utilities } from '../../job/surveyDocument'
import { siteAtmosphere_Pa } from '../../job/siteAtmosphere'
import { surveySheet, asked } from '../surveySheet'

export function siteSheet(document: JobDocument) {
  const { site, survey, hotWater, heating } = document
  const heights = [
    ...(heating ? ['topEmitterHeight_m'] : []),
    ...(hotWater ? ['topOutletHeight_m'] : []),
  ]
  const missing = [
    ...(site.address.trim() === '' ? [{ place: 'site.address', what: 'Address' }] : []),
    ...(survey.visitedOn === null ? [{ place: 'survey.visitedOn', what: 'Day of the visit' }] : []),
    ...(site.building === null && (heating || hotWater)
      ? [{ place: 'site.building', what: 'What the building is used for' }]
      : []),
    ...asked(document, ['elevation_m', ...heights]),
    ...utilities
      .filter((utility) => survey.supplies[utility] === null)
      .map((utility) => ({
        place: `survey.supplies.${utility}`,
        what: `Whether the ${utility} is connected`,
      })),
  ]
  return surveySheet(
    missing,
    { atmosphere_Pa: siteAtmosphere_Pa(document) },
    siteFindings(document),
  )
}

const blocks = {
  water: 'Filling, flushing and the water tests wait; a circuit can be proved with air meanwhile.',
  gas: 'Tightness is proved with air meanwhile and again with gas; purging, firing and the working pressure wait.',
  power: 'Controls, pumps and every limit wait; a generator is no substitute for the real supply.',
} as const

const siteFindings = ({ survey }: JobDocument): readonly SiteFinding[] =>
  utilities.flatMap((utility): SiteFinding[] => {
    const supply = survey.supplies[utility]
    return supply?.state === 'not-yet'
      ? [
          {
            id: 'supply-not-live',
            severity: 'note',
            place: `survey.supplies.${utility}`,
            names: [
              utility.charAt(0).toUpperCase() + utility.slice(1),
              supply.expected ?? '',
              blocks[utility],
            ],
            source: sources.trade,
          },
        ]
      : []
  })

export const siteSpec = sheetSpec()({
  id: 'site',
  wordings: siteWordings,
  place: 'survey.elevation_m',
  inputs: ({ site, survey }) => [
    site,
    survey.elevation_m,
    survey.topEmitterHeight_m,
    survey.topOutletHeight_m,
    survey.supplies,
    survey.visitedOn,
  ],
  beside: ({ heating, hotWater }) => [heating !== null, hotWater !== null],
  solve: siteSheet,
})
