import { waterPipes } from './madeOn'
import type { HandTest } from './spec'
import { cannotTell, failed, passed } from './spec'

/** Water at the outlet that gets least. Source: what the practice wants at an outlet. */
export const waterFlow: HandTest = {
  id: 'water-flow',
  name: 'Water at the worst outlet',
  why: 'The outlet that gets least: highest, or farthest. Static with all shut, then with it wide open and what usually runs beside it, timed into a bucket.',
  at: 'once',
  asks: [
    { key: 'static_Pa', label: 'Static', measure: 'water-pressure', live: 'water_Pa' },
    { key: 'running_Pa', label: 'Running', measure: 'water-pressure', live: 'water_Pa' },
    { key: 'flow_m3_s', label: 'Flow', measure: 'water-flow' },
  ],
  confirms: [],
  madeOn: waterPipes,
  source: ({ hotWater }) => hotWater.demandSource,
  judge: ({ static_Pa = 0, running_Pa = 0, flow_m3_s = 0 }, { practice }, show) => {
    const p = (si: number) => show(si, 'water-pressure')
    const figures = [{ label: 'Falls when it runs', told: p(static_Pa - running_Pa) }]
    if (running_Pa > static_Pa)
      return cannotTell('Running stands above static: the two are swapped.', figures)
    const { wantedGauge_Pa } = practice.hotWater
    const says = `${show(flow_m3_s, 'water-flow')} at ${p(running_Pa)}`
    return running_Pa < wantedGauge_Pa * (1 - 1e-6)
      ? failed('fix', `${says}; ${p(wantedGauge_Pa)} is wanted at an outlet.`, figures)
      : passed(`${says}.`, figures)
  },
}
