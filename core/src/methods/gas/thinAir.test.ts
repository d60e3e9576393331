import { atmosphereAt_Pa } from '../atmosphere/atmosphere'
import { fuelGases } from './fuel'
import { pipeDrop_Pa } from './network'
import { sizeNamed } from '../materials/pipes'
import { foot_m, standardAtmosphere_Pa } from '../../units/units'

// The same heat at 8,500 ft is 1.37 times the gas: standard over local pressure (US Standard
// Atmosphere 1976).
test.each(['nfpa54-low', 'renouard'] as const)(
  'by %s a pipe at 8,500 ft loses 1.37 times what it loses at the sea',
  (method) => {
    const size = sizeNamed('steel-schedule-40', '3/4')
    if (!size) throw new Error('no such size')
    const pipe = { length_m: 12, elbows: 2, branchTees: 0, material: 'steel-schedule-40' as const }
    const drop = (atmosphere_Pa: number) =>
      pipeDrop_Pa(pipe, size, 1e-3, {
        method,
        gas: fuelGases['north-america']['natural-gas'],
        meterGauge_Pa: 1744,
        atmosphere_Pa,
      })
    const ratio = drop(atmosphereAt_Pa(8500 * foot_m)) / drop(standardAtmosphere_Pa)
    expect(ratio).toBeCloseTo(1.37, 2)
  },
)
