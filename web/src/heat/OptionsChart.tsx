import type { HeatAnswer } from '@hestian/core'
import { fromSi } from '@hestian/core'
import { Chart } from 'react-chartjs-2'
import styled from 'styled-components'
import { useDesign, useReadBy } from '../job/JobContext'
import { chartFont, still, useChartLook } from './chartLook'

/** The flow each option keeps up, against what is wanted and what the main gives. */
export function OptionsChart({ answer }: { readonly answer: HeatAnswer }) {
  const { solution } = useDesign()
  const { show } = useReadBy()
  const look = useChartLook()
  const unit = solution.practice.units['water-flow']
  const flow = (m3_s: number) => Math.round(fromSi(m3_s, unit) * 10) / 10
  const compared = answer.options.filter((one) => one.comparison)
  const across = (value: number) => compared.map(() => flow(value))
  const title = `Flow kept up on the coldest water: ${compared.map((one) => `${one.option.name} ${show(one.comparison?.mixed_m3_s ?? 0, 'water-flow')}`).join(', ')}; ${show(answer.wanted_m3_s, 'water-flow')} wanted.`
  return (
    <Frame>
      <Chart
        type="bar"
        role="img"
        aria-label={title}
        data={{
          labels: compared.map((one) => one.option.name),
          datasets: [
            {
              type: 'bar' as const,
              label: 'keeps up',
              data: compared.map((one) => flow(one.comparison?.mixed_m3_s ?? 0)),
              backgroundColor: compared.map((one) =>
                one === answer.chosen ? look.hot : look['ink-3'],
              ),
              maxBarThickness: 46,
            },
            ...(answer.wanted_m3_s > 0
              ? [
                  {
                    type: 'line' as const,
                    label: 'wanted at once',
                    data: across(answer.wanted_m3_s),
                    borderColor: look.ink,
                    borderWidth: 2,
                    borderDash: [6, 4],
                    pointRadius: compared.length === 1 ? 4 : 0,
                  },
                ]
              : []),
            ...(answer.main_m3_s === undefined
              ? []
              : [
                  {
                    type: 'line' as const,
                    label: 'the main gives',
                    data: across(answer.main_m3_s),
                    borderColor: look.cold,
                    borderWidth: 2,
                    borderDash: [2, 3],
                    pointRadius: compared.length === 1 ? 4 : 0,
                  },
                ]),
          ],
        }}
        options={{
          ...still,
          scales: {
            x: {
              ticks: { color: look['ink-2'], font: chartFont },
              grid: { display: false },
              border: { color: look.ink },
            },
            y: {
              beginAtZero: true,
              title: {
                display: true,
                text: show.unit('water-flow'),
                color: look['ink-3'],
                font: chartFont,
              },
              ticks: { color: look['ink-2'], font: chartFont },
              grid: { color: look.hair },
            },
          },
          plugins: {
            legend: {
              position: 'bottom',
              labels: { color: look['ink-2'], font: chartFont, boxWidth: 26, boxHeight: 2 },
            },
          },
        }}
      />
    </Frame>
  )
}

const Frame = styled.div`
  height: 230px;
  margin: 10px 0;
  position: relative;
`
