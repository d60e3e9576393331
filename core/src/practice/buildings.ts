/** What a building is used for, as far as rules of hot water and of backflow go by it. */
export const buildings = ['new-dwelling', 'dwelling', 'care', 'school', 'other'] as const
export type Building = (typeof buildings)[number]

export const buildingWords: Readonly<Record<Building, string>> = {
  'new-dwelling': 'A new dwelling, or one made by conversion',
  dwelling: 'A dwelling that is there',
  care: 'Care, health or sheltered housing',
  school: 'School or early childhood',
  other: 'Something else: work, sport, shop, office',
}
