import type { GaugeState, PlantCommand } from '@hestian/core'
import { useState } from 'react'
import styled from 'styled-components'
import { z } from 'zod'
import { call } from '../api/client'
import { useReadBy } from '../job/JobContext'
import { Button } from '../ui/Button'
import { phone } from '../ui/phone'

/** The hand at the simulated pipework. Only a simulated gauge has one. */
export function Plant({
  gauge,
  testGauge_Pa,
  volume_m3,
}: {
  readonly gauge: GaugeState
  readonly testGauge_Pa: number
  readonly volume_m3: number
}) {
  const { show } = useReadBy()
  const [says, setSays] = useState('')
  if (!gauge.simulated) return null
  const work = async (command: PlantCommand, done: string) => {
    try {
      await call('POST', `/gauges/${gauge.id}/plant`, z.unknown(), command)
      setSays(done)
    } catch (error) {
      setSays(error instanceof Error ? error.message : 'It does not answer.')
    }
  }
  return (
    <Frame aria-label="Simulated pipework">
      <b className="tnum">{gauge.latest ? show(gauge.latest.gauge_Pa, 'gas-pressure') : '–'}</b>
      <div>
        <p>Simulated pipework: what a hand would do at the pipe.</p>
        <div>
          <Button
            look="text"
            onPress={() =>
              void work({ command: 'pump', gauge_Pa: testGauge_Pa, volume_m3 }, 'Pumped up.')
            }
          >
            Pump to {show(testGauge_Pa, 'gas-pressure')}
          </Button>
          <Button look="text" onPress={() => void work({ command: 'leak' }, 'A joint leaks now.')}>
            Loosen a joint
          </Button>
          <Button look="text" onPress={() => void work({ command: 'tight' }, 'Tight and at rest.')}>
            Make it tight
          </Button>
          <Button
            look="text"
            onPress={() => void work({ command: 'cooling' }, 'The pipe cools now.')}
          >
            Open a window
          </Button>
          <Button look="text" onPress={() => void work({ command: 'vent' }, 'Let down.')}>
            Let it down
          </Button>
        </div>
        <small role="status">{says}</small>
      </div>
    </Frame>
  )
}

const Frame = styled.section`
  display: flex;
  gap: 20px;
  align-items: center;
  border: 1.5px dashed var(--rule);
  padding: 10px 16px;
  margin: 12px 0;
  b {
    font: 650 30px/34px var(--head);
    min-width: 130px;
    color: var(--gas);
  }
  p {
    font-size: var(--note);
    color: var(--ink-3);
  }
  div div {
    display: flex;
    gap: 4px 18px;
    flex-wrap: wrap;
  }
  small {
    font-size: var(--note);
    color: var(--ink-2);
    min-height: 18px;
    display: block;
  }
  ${phone} {
    flex-direction: column;
    align-items: flex-start;
    gap: 4px;
  }
`
