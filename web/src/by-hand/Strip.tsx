import type { HandTest, Series } from '@hestian/core'
import { channels, seriesStrip, shapeOf, shapeWords, standsWithin_Pa } from '@hestian/core'
import { useMemo } from 'react'
import styled from 'styled-components'
import { useDesign, useReadBy } from '../job/JobContext'
import { DrawingView } from '../ui/DrawingView'
import { seriesOf } from './useSeries'

/**
 * What an instrument sent while the clock ran, drawn over time, and by its shape what it may be.
 */
export function Strip({ kind, series }: { readonly kind: HandTest; readonly series: Series }) {
  const { solution } = useDesign()
  const { show } = useReadBy()
  const { units } = solution.practice
  const channel = seriesOf(kind)
  const measure = channel && channels[channel]
  const drawing = useMemo(
    () =>
      measure && series.length > 1
        ? seriesStrip(series, { measure, unit: units[measure], show }, { width: 640, height: 170 })
        : undefined,
    [measure, series, show, units],
  )
  if (!drawing) return null
  return (
    <Frame>
      <DrawingView drawing={drawing} />
      {measure === 'water-pressure' && <p>{shapeWords[shapeOf(series, standsWithin_Pa)]}</p>}
    </Frame>
  )
}

const Frame = styled.div`
  margin: 4px 0 8px;
  max-width: 640px;
`
