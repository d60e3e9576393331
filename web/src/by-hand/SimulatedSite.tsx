import type { GaugeState, HandTest, PlantCommand } from '@hestian/core'
import { useState } from 'react'
import styled from 'styled-components'
import { z } from 'zod'
import { call } from '../api/client'
import { Button } from '../ui/Button'

type Command = PlantCommand['command']
interface Act {
  readonly command: Command
  readonly says: string
  readonly gauge_Pa?: number
}

const burner: readonly Act[] = [
  { command: 'burner-off', says: 'Burner off' },
  { command: 'burner-low', says: 'Burner low' },
  { command: 'burner-high', says: 'Burner high' },
]
const water: readonly Act[] = [
  { command: 'water-pump', says: 'Pump up', gauge_Pa: 1.05e6 },
  { command: 'water-bleed', says: 'Bleed it' },
  { command: 'water-weep', says: 'Let a joint weep' },
  { command: 'water-dry', says: 'Make it dry' },
  { command: 'water-down', says: 'Let it down' },
]

/** What is read where, and what a hand can do there. */
const acts = { o2: burner, gauge_Pa: burner, water_Pa: water } as const

/** The hand at the simulated site, beside a test that one of its instruments can read. */
export function SimulatedSite({
  kind,
  gauges,
}: {
  readonly kind: HandTest
  readonly gauges: readonly GaugeState[]
}) {
  const [says, setSays] = useState('')
  const asked = kind.asks.flatMap((ask) => ('live' in ask && ask.live ? [ask.live] : []))
  const place = (['o2', 'gauge_Pa', 'water_Pa'] as const).find((one) => asked.includes(one))
  const gauge =
    place && gauges.find((one) => one.simulated && !one.streams && one.reads.includes(place))
  if (!place || gauge?.state !== 'live') return null
  const work = async ({ command, gauge_Pa, says: done }: Act) => {
    try {
      await call('POST', `/gauges/${gauge.id}/plant`, z.unknown(), {
        command,
        ...(gauge_Pa === undefined ? {} : { gauge_Pa }),
      })
      setSays(`Done: ${done.toLowerCase()}.`)
    } catch (error) {
      setSays(error instanceof Error ? error.message : 'It does not answer.')
    }
  }
  return (
    <Frame role="group" aria-label="Simulated site">
      <span>Simulated site:</span>
      {acts[place].map((act) => (
        <Button key={act.command} look="text" onPress={() => void work(act)}>
          {act.says}
        </Button>
      ))}
      <small role="status">{says}</small>
    </Frame>
  )
}

const Frame = styled.div`
  display: flex;
  gap: 4px 18px;
  flex-wrap: wrap;
  align-items: baseline;
  border: 1.5px dashed var(--rule);
  padding: 6px 14px;
  max-width: 720px;
  margin: 0 0 10px;
  font-size: var(--small);
  color: var(--ink-2);
`
