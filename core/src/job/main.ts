import type { JobDocument } from './document'
import type { MainPoint } from './surveyDocument'
import type { MainFittings } from '../methods/supply/closedSystem'
import type { MainCurve } from '../methods/supply/mainCurve'
import { fitMain, timedFlow_m3_s } from '../methods/supply/mainCurve'

/**
 * Flow of a running point: by its container, or as its cup says; undefined while something is
 * missing.
 */
export function pointFlow_m3_s(point: MainPoint): number | undefined {
  if (point.by === 'flow-cup') return point.flow_m3_s?.value
  return point.container_m3 && point.filled_s && point.container_m3.value > 0
    ? timedFlow_m3_s({ volume_m3: point.container_m3.value, time_s: point.filled_s.value })
    : undefined
}

export const runningPoints = (document: JobDocument) =>
  document.survey.mainPoints.flatMap((point) => {
    const flow_m3_s = pointFlow_m3_s(point)
    return point.gauge_Pa && flow_m3_s !== undefined && flow_m3_s > 0
      ? [{ id: point.id, gauge_Pa: point.gauge_Pa.value, flow_m3_s }]
      : []
  })

/** The main's supply curve of a job; undefined while it has not been run. */
export function mainOf(document: JobDocument): MainCurve | undefined {
  const { coldMainStaticGauge_Pa } = document.survey
  return coldMainStaticGauge_Pa
    ? fitMain(coldMainStaticGauge_Pa.value, runningPoints(document))
    : undefined
}

const seen = (
  document: JobDocument,
  key:
    | 'mainReducingValve'
    | 'mainCheckValve'
    | 'mainBackflowPreventer'
    | 'mainMeterCheck'
    | 'mainStreetCheck',
) => document.survey.looked[key]?.answer ?? null

/** What was seen of the fittings on the main. */
export const mainFittings = (document: JobDocument): MainFittings => ({
  reducingValve: seen(document, 'mainReducingValve'),
  checkValve: seen(document, 'mainCheckValve'),
  backflowPreventer: seen(document, 'mainBackflowPreventer'),
  meterCheck: seen(document, 'mainMeterCheck'),
  streetCheck: seen(document, 'mainStreetCheck'),
})
