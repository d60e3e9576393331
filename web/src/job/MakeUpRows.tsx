import { makeUpDevices } from '@hestian/core'
import { ChoiceRow } from '../ui/ChoiceRow'
import { useDesign, useJobActions } from './JobContext'

const devices: Readonly<Record<(typeof makeUpDevices)[number], string>> = {
  'disconnected-link': 'A link with a double check, taken off after filling',
  'double-check': 'A double check valve, left in',
  'backflow-preventer': 'A backflow preventer with a vented zone',
  'break-tank': 'A tank with an air gap',
  none: 'Nothing',
}

/**
 * What keeps heating water out of the drinking water at the fill point, and whether the feed stays
 * open.
 */
export function MakeUpRows() {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { makeUp } = draft.document.water
  const { words } = solution.practice
  return (
    <>
      <ChoiceRow
        label="Backflow device"
        place="water.makeUp"
        why="Keeps heating water out of the drinking water."
        value={makeUp.device}
        options={makeUpDevices.map((id) => ({ id, text: devices[id] }))}
        onChoose={(id) => edit([{ path: ['water', 'makeUp', 'device'], value: id }])}
      />
      <ChoiceRow
        label={`Once full, the ${words.fillDevice}`}
        place="water.makeUp.feedStays"
        why="Shut, a leak shows; open, it is refilled unseen."
        value={makeUp.feedStays}
        options={[
          { id: 'shut', text: 'is shut' },
          { id: 'open', text: 'stays open' },
        ]}
        onChoose={(id) => edit([{ path: ['water', 'makeUp', 'feedStays'], value: id }])}
      />
    </>
  )
}
