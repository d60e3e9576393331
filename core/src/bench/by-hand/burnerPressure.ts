import { burnerHere } from './madeOn'
import type { Given, HandTest } from './spec'
import { failed, passed } from './spec'
import type { Show } from '../../units/format'

/** Readings against the maker's, in pairs: at maximum, and at minimum where it is given. */
const pairs = ({ maker_max_Pa, max_Pa, maker_min_Pa, min_Pa }: Given) =>
  [
    { name: 'At maximum', maker_Pa: maker_max_Pa, read_Pa: max_Pa },
    { name: 'At minimum', maker_Pa: maker_min_Pa, read_Pa: min_Pa },
  ].flatMap(({ name, maker_Pa, read_Pa }) =>
    maker_Pa === undefined || read_Pa === undefined ? [] : [{ name, maker_Pa, read_Pa }],
  )

const told = ({ name, maker_Pa, read_Pa }: ReturnType<typeof pairs>[number], show: Show) =>
  `${name.toLowerCase()} ${show(read_Pa, 'gas-pressure')}, the maker’s is ${show(maker_Pa, 'gas-pressure')}`

/**
 * The pressure after the appliance's own valve, against the maker's table for this model, gas and
 * height. Source: the maker's.
 */
export const burnerPressure: HandTest = {
  id: 'burner-pressure',
  name: '{burnerPressure}',
  why: 'Only with the maker’s table for this model, gas and height at hand, and only by somebody who may. A burner that mixes before the fan has none: it is set by its flue gas, by the maker’s procedure.',
  at: 'each-burner',
  asks: [
    { key: 'maker_max_Pa', label: 'The maker’s, at maximum', measure: 'gas-pressure' },
    { key: 'max_Pa', label: 'Read at maximum', measure: 'gas-pressure' },
    {
      key: 'maker_min_Pa',
      label: 'The maker’s, at minimum',
      measure: 'gas-pressure',
      optional: 'None where it does not modulate.',
    },
    {
      key: 'min_Pa',
      label: 'Read at minimum',
      measure: 'gas-pressure',
      optional: 'None where it does not modulate.',
    },
    { key: 'tolerance_Pa', label: 'Tolerance the maker gives', measure: 'gas-pressure' },
  ],
  confirms: [
    { id: 'zeroed', says: 'The gauge was zeroed and its hose proved' },
    { id: 'seal', says: 'The seal screw is back' },
    { id: 'nipple', says: 'The test nipple is shut again and soaped: dry' },
  ],
  madeOn: burnerHere,
  source: () => ({ basis: 'common-practice', says: 'The maker’s table for this model decides' }),
  judge: (given, _, show) => {
    const rows = pairs(given)
    const { tolerance_Pa = 0 } = given
    const figures = rows.map(({ name, maker_Pa, read_Pa }) => ({
      label: `${name}, off the maker’s`,
      told: show(read_Pa - maker_Pa, 'gas-pressure'),
    }))
    const off = rows.filter(
      ({ maker_Pa, read_Pa }) => Math.abs(read_Pa - maker_Pa) > tolerance_Pa * (1 + 1e-6) + 0.01,
    )
    const within = `${show(tolerance_Pa, 'gas-pressure')} either way is allowed.`
    return off.length > 0
      ? failed(
          'fix',
          `${capital(off.map((row) => told(row, show)).join('; '))}. ${within}`,
          figures,
        )
      : passed(`${capital(rows.map((row) => told(row, show)).join('; '))}. ${within}`, figures)
  },
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
