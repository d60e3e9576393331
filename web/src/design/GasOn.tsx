import type { GasAnswer } from '@hestian/core'
import { ToggleButton, ToggleButtonGroup } from 'react-aria-components'
import styled from 'styled-components'
import { useJob } from '../job/JobContext'

interface GasOnProps {
  readonly answer: GasAnswer
  readonly on: ReadonlySet<string>
  readonly onChange: (on: ReadonlySet<string>) => void
}

/** Which appliances burn while one looks at the staircase, and where the pressure goes between lock-up and the index appliance. */
export function GasOn({ answer, on, onChange }: GasOnProps) {
  const { show, draft } = useJob()
  const burners = answer.pipes.flatMap((pipe) => (pipe.appliance && pipe.pipe.load_W > 0 ? [pipe.appliance] : []))
  const { gasStaticGauge_Pa: lock, gasWorkingGauge_Pa: working } = draft.document.survey
  const all = burners.every((appliance) => on.has(appliance.id))
  return (
    <Line>
      <span id="burning">Burning</span>
      <Group aria-labelledby="burning" selectionMode="multiple" selectedKeys={on} onSelectionChange={(keys) => onChange(new Set([...keys].map(String)))}>
        {burners.map((appliance) => <ToggleButton key={appliance.id} id={appliance.id}>{appliance.name}</ToggleButton>)}
      </Group>
      <p>{all ? lock && working && lock.value > working.value ? <>From lock-up, <b>{show(lock.value, 'gas-pressure')}</b>: {show(lock.value - working.value, 'gas-pressure')} in meter and regulator as read, {show(answer.index.dropTo_Pa, 'gas-pressure')} in the pipe to {answer.index.appliance?.name ?? 'the index appliance'}. Proving aims at <b>{show(answer.index.farGauge_Pa, 'gas-pressure')}</b>.</> : 'Everything at full rate: what the pipe is designed for.' : on.size === 0 ? 'Nothing burns: no drop anywhere.' : <>Part load, <b>{show(answer.total_m3_s, 'gas-flow')}</b>, still from the full-load pressure at the meter: the safe side.</>}</p>
    </Line>
  )
}

const Line = styled.div` display: flex; flex-wrap: wrap; gap: 6px 14px; align-items: center; padding: 4px 0; > span { font: 650 15px/20px var(--head); } p { color: var(--ink-2); font-size: 15px; flex: 1 1 260px; } p b { color: var(--ink); } `
const Group = styled(ToggleButtonGroup)`
  display: flex; flex-wrap: wrap; gap: 6px;
  button { border: 1.5px dashed var(--rule); background: transparent; color: var(--pencil); border-radius: 4px; min-height: 36px; padding: 4px 12px; cursor: pointer; font: 450 15px/20px var(--text); &[data-selected] { border: 1.5px solid var(--ink); color: var(--ink); background: var(--select); } &[data-focus-visible] { outline: 3px solid var(--ink); } }
  @media (pointer: coarse) { button { min-height: 48px; } }
`
