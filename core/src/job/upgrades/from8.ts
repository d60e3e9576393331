import type { Raw } from './raw'

/** Version 9 says what whoever lives there must find in a hurry, and whom they call. */
export const from8 = (raw: Raw): Raw => ({
  ...raw,
  version: 9,
  handover: raw.handover ?? {
    shutOffs: { gas: '', water: '', power: '' },
    call: { name: '', phone: '', outOfHours: '' },
    nextVisit: null,
    words: '',
  },
})
