import { TextDecoder, TextEncoder } from 'node:util'
import { deserialize, serialize } from 'node:v8'

/** What every browser has and the simulated one of the unit tests does not. */
const gaps = {
  TextEncoder,
  TextDecoder,
  structuredClone: (value: unknown): unknown => deserialize(serialize(value)),
  matchMedia: () => ({
    matches: false,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  }),
  CSS: { escape: (text: string) => text.replace(/([^\w-])/g, '\\$1') },
  ResizeObserver: class {
    observe() {}
    unobserve() {}
    disconnect() {}
  },
}
for (const [name, value] of Object.entries(gaps))
  if (!(name in globalThis)) Object.assign(globalThis, { [name]: value })
