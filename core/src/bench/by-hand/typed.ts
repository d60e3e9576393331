import type { Parsed } from '../../units/parse'
import { parseQuantity } from '../../units/parse'
import type { UnitSet } from '../../units/measure'
import type { Ask } from './spec'

/** What was made of what somebody typed or picked for an ask. */
export function parseAsk(ask: Ask, text: string, units: UnitSet): Parsed {
  if (!('choices' in ask)) return parseQuantity(text, ask.measure, units[ask.measure])
  const si = ask.choices.indexOf(text)
  return si < 0
    ? { outcome: 'refused', says: `Pick one: ${ask.choices.join('; ')}.` }
    : { outcome: 'understood', si, unit: 'percent', echo: text }
}
