import type { JobDocument } from './document'

/**
 * Least hot water that fires an instantaneous heater: typed here, or of the way that was chosen.
 * Undefined for a store.
 */
export function heaterLeast_m3_s({ water, heat }: JobDocument): number | undefined {
  const chosen = heat.options.find((option) => option.id === heat.chosen?.optionId)
  return (
    water.heaterLeast_m3_s?.value ??
    (chosen?.kind === 'combination' ? chosen.leastFlow_m3_s?.value : undefined)
  )
}
