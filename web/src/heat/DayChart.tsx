import type { DrawOffResult, OptionAnswer, Outlet } from '@hestian/core'
import { fromSi, usableTemp_K } from '@hestian/core'
import { useMemo, useState } from 'react'
import { Chart } from 'react-chartjs-2'
import styled from 'styled-components'
import { useDesign, useReadBy } from '../job/JobContext'
import { Choice } from '../ui/Choice'
import { chartFont, dashes, still, useChartLook } from './chartLook'
import { phone } from '../ui/phone'

interface DayChartProps {
  readonly results: readonly { readonly one: OptionAnswer; readonly result: DrawOffResult }[]
  readonly outlets: readonly Outlet[]
}

/**
 * The day as temperatures: the top of each store, and what comes out of one outlet while it is
 * open.
 */
export function DayChart({ results, outlets }: DayChartProps) {
  const { solution, draft } = useDesign()
  const { show } = useReadBy()
  const look = useChartLook()
  const [shown, setShown] = useState<string>('coolest')
  const unit = solution.practice.units.temperature
  const chosenId = draft.document.heat.chosen?.optionId
  const index = outlets.findIndex((outlet) => outlet.id === shown)
  const data = useMemo(() => {
    const degrees = (temp_K: number) => Math.round(fromSi(temp_K, unit) * 10) / 10
    return results.flatMap(({ one, result }, i) => {
      const colour = one.option.id === chosenId ? look.hot : look['ink-2']
      const at = (open: readonly ({ readonly temp_K: number } | undefined)[]) => {
        const some = index >= 0 ? [open[index]] : open
        const temps = some.flatMap((sample) => (sample ? [sample.temp_K] : []))
        return temps.length > 0 ? degrees(Math.min(...temps)) : null
      }
      const stored = one.figures && one.figures.store_m3 > 0
      return [
        {
          type: 'line' as const,
          label: `${one.option.name}: ${index >= 0 ? 'at the outlet' : 'coolest open outlet'}`,
          data: result.samples.map((sample) => ({ x: sample.at_s / 3600, y: at(sample.outlets) })),
          borderColor: colour,
          borderWidth: 3,
          borderDash: [...(dashes[i] ?? [])],
          pointRadius: 0,
          spanGaps: false,
        },
        ...(stored
          ? [
              {
                type: 'line' as const,
                label: `${one.option.name}: top of the store`,
                data: result.samples.map((sample) => ({
                  x: sample.at_s / 3600,
                  y: degrees(sample.top_K),
                })),
                borderColor: colour,
                borderWidth: 1,
                borderDash: [...(dashes[i] ?? [])],
                pointRadius: 0,
              },
            ]
          : []),
      ]
    })
  }, [results, unit, chosenId, index, look])
  const title = `Temperatures over the day. ${results.map(({ one, result }) => `${one.option.name}: top at most ${show(result.hottestTop_K, 'temperature')}`).join('; ')}.`
  const least = fromSi(usableTemp_K, unit)
  return (
    <>
      <Pick>
        <Choice
          labelled
          label="Shown"
          value={shown}
          options={[
            { id: 'coolest', text: 'The coolest open outlet' },
            ...outlets.map((outlet) => ({ id: outlet.id, text: outlet.name })),
          ]}
          onChoose={setShown}
        />
      </Pick>
      <Frame>
        <Chart
          type="line"
          role="img"
          aria-label={title}
          data={{
            datasets: [
              ...data,
              {
                type: 'line' as const,
                label: `usable from ${show(usableTemp_K, 'temperature')}`,
                data: [
                  { x: 0, y: least },
                  { x: 24, y: least },
                ],
                borderColor: look.stop,
                borderWidth: 1.2,
                borderDash: [3, 3],
                pointRadius: 0,
              },
            ],
          }}
          options={{
            ...still,
            parsing: false,
            normalized: true,
            interaction: { mode: 'nearest', axis: 'x', intersect: false },
            scales: {
              x: {
                type: 'linear',
                min: 0,
                max: 24,
                ticks: {
                  stepSize: 3,
                  color: look['ink-2'],
                  font: chartFont,
                  callback: (value) => `${String(value).padStart(2, '0')}:00`,
                },
                grid: { color: look.hair },
                border: { color: look.ink },
              },
              y: {
                title: {
                  display: true,
                  text: show.unit('temperature'),
                  color: look['ink-3'],
                  font: chartFont,
                },
                ticks: { color: look['ink-2'], font: chartFont },
                grid: { color: look.hair },
                suggestedMin: fromSi(283.15, unit),
              },
            },
            plugins: {
              legend: {
                position: 'bottom',
                labels: { color: look['ink-2'], font: chartFont, boxWidth: 30, boxHeight: 2 },
              },
              tooltip: {
                callbacks: {
                  title: (items) => {
                    const x = Number(items[0]?.parsed.x ?? 0)
                    return `${String(Math.floor(x)).padStart(2, '0')}:${String(Math.round((x % 1) * 60) % 60).padStart(2, '0')}`
                  },
                },
              },
            },
          }}
        />
      </Frame>
    </>
  )
}

const Pick = styled.div`
  max-width: 260px;
`
const Frame = styled.div`
  height: 320px;
  margin: 8px 0;
  position: relative;
  ${phone} {
    height: 380px;
  }
`
