import type { JobDocument } from '../job/document'
import type { Practice } from '../practice/practice'
import { safeOutlet } from '../practice/safeOutlet'
import type { SequenceTargets } from '../sequences/step'
import type { CircuitAnswer } from '../sheets/circuit/answer'
import type { GasAnswer } from '../sheets/gas/answer'
import type { HeatAnswer } from '../sheets/heat/answer'
import type { SafetyAnswer } from '../sheets/safety/answer'
import type { VesselAnswer } from '../sheets/vessel/answer'
import type { Answers } from './sheets'

/** What the answers of the design tell the steps on site to aim at. */
export const sequenceTargets = (
  document: JobDocument,
  practice: Practice,
  { vessel, gas, circuit, heat, safety }: Partial<Answers>,
): SequenceTargets => ({
  ...(vessel ? ofVessel(vessel) : {}),
  ...(gas ? ofGas(gas) : {}),
  ...(circuit ? ofCircuit(circuit) : {}),
  ...(heat ? ofHeat(heat) : {}),
  ...(safety ? ofSafety(safety) : {}),
  tapMost_K: safeOutlet(practice, document.site).temp_K,
})

const ofVessel = (v: VesselAnswer): SequenceTargets => ({
  chargeGauge_Pa: v.pumpUp.gauge_Pa,
  fillGauge_Pa: v.fillGauge_Pa,
  reliefSetGauge_Pa: v.inputs.reliefSetGauge_Pa,
  finalGauge_Pa: v.need.finalGauge_Pa,
  fitted_m3: v.fitted_m3,
  maxFlowTemp_K: v.inputs.maxTemp_K,
  ...(v.forecast.outcome === 'settles' ? { hotGauge_Pa: v.forecast.hotGauge_Pa } : {}),
})

function ofGas({ index }: GasAnswer): SequenceTargets {
  const least = index.appliance?.minInletGauge_Pa?.value
  return {
    gasGauge_Pa: index.inletGauge_Pa ?? index.farGauge_Pa,
    ...(least === undefined
      ? {}
      : {
          gasLeastGauge_Pa: least,
          gasLeastSays: `the minimum inlet pressure on the plate of ${index.appliance?.name ?? 'the appliance'}`,
        }),
  }
}

const ofCircuit = ({ zones, content }: CircuitAnswer): SequenceTargets => ({
  zones: zones.map(({ zone, flow_m3_s, setting_m3_s }) => ({
    id: zone.id,
    name: zone.name,
    flow_m3_s,
    setting_m3_s,
  })),
  content_m3: content.total_m3,
})

function ofHeat({ chosen }: HeatAnswer): SequenceTargets {
  const { reheat_s, draw } = chosen?.comparison ?? {}
  return {
    ...(reheat_s === undefined ? {} : { reheat_s }),
    ...(draw === undefined || draw === 'as-long-as-wanted' ? {} : { drawLeast_s: draw.least_s }),
  }
}

const ofSafety = ({
  vesselWanted,
  chargeGauge_Pa,
  maxGauge_Pa,
}: SafetyAnswer): SequenceTargets => ({
  reducedMostGauge_Pa: maxGauge_Pa,
  ...(vesselWanted ? { potableChargeGauge_Pa: chargeGauge_Pa } : {}),
})
