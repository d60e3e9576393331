/** The last sheet: nothing but its signature makes it done. */
export const handoverSpec = {
  id: 'handover',
  name: 'Handover',
  stage: 'handover',
  wordings: {},
} as const
