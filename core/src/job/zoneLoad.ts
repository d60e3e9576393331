import { estimatedLoad_W } from '../methods/heat/estimate'
import type { Zone } from './hotWaterDocument'

export const zoneLoad_W = ({ heat }: Zone): number =>
  heat.by === 'typed'
    ? (heat.load_W?.value ?? 0)
    : heat.area_m2
      ? estimatedLoad_W(heat.area_m2.value, heat.age)
      : 0
