/**
 * Heat loss per floor area by when a building was built, W/m². No source: a rough figure to begin
 * with, never to design on; a room-by-room loss replaces it.
 */
export const lossPerArea_W_m2 = {
  'before-1940': 130,
  '1940-1975': 110,
  '1976-1995': 80,
  '1996-2010': 60,
  'after-2010': 40,
} as const

export type BuildingAge = keyof typeof lossPerArea_W_m2
export const buildingAges = Object.keys(lossPerArea_W_m2) as BuildingAge[]

export const ageWords: Readonly<Record<BuildingAge, string>> = {
  'before-1940': 'before 1940',
  '1940-1975': '1940 to 1975',
  '1976-1995': '1976 to 1995',
  '1996-2010': '1996 to 2010',
  'after-2010': 'after 2010',
}

/**
 * A quick estimate, W: floor area in m², 0 or more, by age. Marked an estimate wherever it shows.
 * Source: sources.heatEstimate.
 */
export const estimatedLoad_W = (area_m2: number, age: BuildingAge): number =>
  Math.max(0, area_m2) * lossPerArea_W_m2[age]
