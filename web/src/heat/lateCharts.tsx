import { lazy } from 'react'
import styled from 'styled-components'

// Charts are fetched when there is something to draw.
export const DayChart = lazy(async () => ({ default: (await import('./DayChart')).DayChart }))
export const OptionsChart = lazy(async () => ({
  default: (await import('./OptionsChart')).OptionsChart,
}))

/** Keeps a chart's place while it is fetched. */
export const ChartRoom = styled.div`
  min-height: 230px;
`
