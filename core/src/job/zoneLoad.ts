import { estimatedLoad_W } from '../methods/heat/estimate'
import type { Zone } from './hotWaterDocument'

export function zoneLoad_W({ heat }: Zone): number {
  if (heat.by === 'typed') return heat.load_W?.value ?? 0
  return heat.area_m2 ? estimatedLoad_W(heat.area_m2.value, heat.age) : 0
}
