/** The last sheet: nothing but its signature makes it done. */
export const handoverSpec = {
  id: 'handover',
  wordings: {},
} as const
