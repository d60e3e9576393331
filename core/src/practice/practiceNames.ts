export const practiceNames = ['uk-ireland', 'north-america', 'australia-new-zealand'] as const
export type PracticeName = (typeof practiceNames)[number]

export const practiceLabels: Readonly<Record<PracticeName, string>> = {
  'uk-ireland': 'UK and Ireland',
  'north-america': 'North America',
  'australia-new-zealand': 'Australia and New Zealand',
}
