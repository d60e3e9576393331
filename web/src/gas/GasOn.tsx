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
  const { draft } = useDesign()
  const { show } = useReadBy()
  const burners = answer.pipes.flatMap((pipe) =>
    pipe.appliance && pipe.pipe.load_W > 0 ? [pipe.appliance] : [],
  )
  const { gasStaticGauge_Pa: lock, gasWorkingGauge_Pa: working } = draft.document.survey
  const shares = lockUpShares(draft.document)
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
          lock && working && lock.value > working.value ? (
            <>
              From lock-up, <b>{show(lock.value, 'gas-pressure')}</b>:{' '}
              {shares ? (
                <>
                  {show(shares.regulator_Pa, 'gas-pressure')} in the regulator,{' '}
                  {show(shares.meter_Pa, 'gas-pressure')} in the meter,
                </>
              ) : (
                <>
                  {show(lock.value - working.value, 'gas-pressure')} in meter and regulator as read,
                </>
              )}{' '}
              {show(answer.index.dropTo_Pa, 'gas-pressure')} in the pipe to{' '}
              {answer.index.appliance?.name ?? 'the index appliance'}
              {answer.index.inletGauge_Pa !== undefined &&
              answer.index.inletGauge_Pa < answer.index.farGauge_Pa
                ? `, ${show(answer.index.farGauge_Pa - answer.index.inletGauge_Pa, 'gas-pressure')} in its connector`
                : ''}
              . The test aims at{' '}
              <b>{show(answer.index.inletGauge_Pa ?? answer.index.farGauge_Pa, 'gas-pressure')}</b>.
            </>
          ) : (
            'Everything at full rate: what the pipe is designed for.'
          )
        ) : on.size === 0 ? (
          'Nothing burns: no drop anywhere.'
        ) : (
          <>
            Part load, <b>{show(answer.total_m3_s, 'gas-flow')}</b>, still from the full-load
            pressure at the meter: the safe side.
          </>
        )}
      </p>
    </OnLine>
  )
}
