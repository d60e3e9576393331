import { showIn } from '../../units/format'
import { boilersStarted, fillsHeating } from '../asked'
import { is } from '../plant'
import type { SequenceSpec } from '../step'
import { seen, stands } from '../step'

/** How near a zone's flow is to the design: common practice, no source. */
const near = 0.1

/** Each zone throttled to the flow of the design. */
export const balancing: SequenceSpec = {
  id: 'balancing',
  name: () => 'Balancing',
  at: ({ document, targets }) =>
    fillsHeating(document) &&
    boilersStarted(document).length > 0 &&
    (targets.zones?.length ?? 0) > 1
      ? ['']
      : [],
  plant: () => ({ wet: [], burning: [] }),
  steps: ({ practice, targets }) => {
    const show = showIn(practice.units)
    return (targets.zones ?? []).map(({ id, name, flow_m3_s, setting_m3_s }) => ({
      id: `zone-${id}`,
      title: `Set the flow of ${name}.`,
      short: `Balanced: ${name}`,
      why:
        setting_m3_s === undefined
          ? 'It is the index run: its valve stands open, the others are throttled to it.'
          : `Its valve takes what the index run needs: it would pass ${show(setting_m3_s, 'water-flow')} at 1 bar.`,
      guards: [
        stands('The pump has power', is('supply', 'heating', 'on')),
        seen('open', 'Every zone open and warm'),
      ],
      reading: {
        label: 'Flow of the zone',
        measure: 'water-flow' as const,
        target: flow_m3_s,
        least: flow_m3_s * (1 - near),
        most: flow_m3_s * (1 + near),
        limitSays: 'within a tenth of the design (common practice, no source)',
      },
    }))
  },
}
