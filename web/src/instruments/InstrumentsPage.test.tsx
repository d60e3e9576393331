/** @jest-environment jsdom */
import type { Instrument } from '@hestian/core'
import { cleanup, screen, waitFor } from '@testing-library/react'
import { owner, renderAs } from '../people/renderAs.testing'
import { InstrumentsPage } from './InstrumentsPage'

afterEach(cleanup)
const gauge = (name: string, calibratedUntil: string | null, retired = false): Instrument => ({
  ...{ id: name, name, kind: 'digital', serial: '', step_Pa: 1, most_Pa: null, accuracy: '' },
  ...{ calibratedUntil, retired },
})
const holds = gauge('Kestrel', '2999-01-01')
const over = gauge('Merlin', '2020-01-01')
const unknown = gauge('Hobby', null)

test.each([
  ['no gauge', [], 'No gauge on the list. Add the first.'],
  ['one that holds', [holds], '1 gauge, every calibration on file holds.'],
  ['one of which nothing is known', [unknown], '1 gauge; of 1 no calibration is on file.'],
  ['one of two unknown', [holds, unknown], '2 gauges; of 1 no calibration is on file.'],
  ['one that ran out', [holds, over], '1 of 2 gauges past its calibration.'],
  [
    'one that ran out and one unknown',
    [over, unknown],
    '1 of 2 gauges past its calibration; of 1 no calibration is on file.',
  ],
  ['one retired', [holds, gauge('Old', null, true)], '1 gauge, every calibration on file holds.'],
])('%s is what the head says', async (_, gauges, says) => {
  renderAs(owner(), <InstrumentsPage />, (url) => (url.endsWith('/instruments') ? gauges : {}))
  await waitFor(() => expect(screen.getByRole('heading', { level: 1 }).textContent).toBe(says))
})
