/**
 * Temperature a charge is meant at: a vessel in use stands away from the flow, near the room's.
 * Assumed.
 */
export const chargedAt_K = 293.15
