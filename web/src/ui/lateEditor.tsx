import { late } from './late'

// What is opened from a row or over a page: fetched after the page.

export const Beside = late(async () => (await import('./Beside')).Beside)
export const Options = late(async () => (await import('./Options')).Options)
export const LateQuantityEditor = late(
  async () => (await import('./QuantityEditor')).QuantityEditor,
)
export const Window = late(async () => (await import('./Window')).Window)
