import type { GasAnswer } from '@hestian/core'
import { lockUpShares } from '@hestian/core'
import { ToggleButton } from 'react-aria-components'
import { useDesign, useReadBy } from '../job/JobContext'
import { OnGroup, OnLine } from '../network/OnLine'

interface GasOnProps {
  readonly answer: GasAnswer
  readonly on: ReadonlySet<string>
  readonly onChange: (on: ReadonlySet<string>) => void
}

/**
 * Which appliances burn while one looks at the staircase, and where the pressure goes between
 * lock-up and the index appliance.
 */
export function GasOn({ answer, on, onChange }: GasOnProps) {
  const burners = answer.pipes.flatMap((pipe) =>
    pipe.appliance && pipe.pipe.load_W > 0 ? [pipe.appliance] : [],
  )
  const all = burners.every((appliance) => on.has(appliance.id))
  return (
    <OnLine>
      <span id="burning">Burning</span>
      <OnGroup
        aria-labelledby="burning"
        selectionMode="multiple"
        selectedKeys={on}
        onSelectionChange={(keys) => onChange(new Set([...keys].map(String)))}
      >
        {burners.map((appliance) => (
          <ToggleButton key={appliance.id} id={appliance.id}>
            {appliance.name}
          </ToggleButton>
        ))}
      </OnGroup>
      <p>
        {all ? (
          <FullRate answer={answer} />
        ) : (
          <PartLoad total_m3_s={on.size === 0 ? 0 : answer.total_m3_s} />
        )}
      </p>
    </OnLine>
  )
}

function PartLoad({ total_m3_s }: { readonly total_m3_s: number }) {
  const { show } = useReadBy()
  if (total_m3_s === 0) return 'Nothing burns: no drop anywhere.'
  return (
    <>
      Part load, <b>{show(total_m3_s, 'gas-flow')}</b>, still from the full-load pressure at the
      meter: the safe side.
    </>
  )
}

/** Where the pressure between lock-up and the index appliance goes, when both were read. */
function FullRate({ answer }: { readonly answer: GasAnswer }) {
  const { draft } = useDesign()
  const { show } = useReadBy()
  const { gasStaticGauge_Pa: lock, gasWorkingGauge_Pa: working } = draft.document.survey
  if (!lock || !working || lock.value <= working.value)
    return 'Everything at full rate: what the pipe is designed for.'
  const pressure = (value_Pa: number) => show(value_Pa, 'gas-pressure')
  const shares = lockUpShares(draft.document)
  const { index } = answer
  const inlet_Pa = index.inletGauge_Pa ?? index.farGauge_Pa
  const before = shares
    ? `${pressure(shares.regulator_Pa)} in the regulator, ${pressure(shares.meter_Pa)} in the meter,`
    : `${pressure(lock.value - working.value)} in meter and regulator as read,`
  const connector =
    inlet_Pa < index.farGauge_Pa
      ? `, ${pressure(index.farGauge_Pa - inlet_Pa)} in its connector`
      : ''
  return (
    <>
      From lock-up, <b>{pressure(lock.value)}</b>: {before} {pressure(index.dropTo_Pa)} in the pipe
      to {index.appliance?.name ?? 'the index appliance'}
      {connector}. The test aims at <b>{pressure(inlet_Pa)}</b>.
    </>
  )
}
