import type { HeatAnswer } from '@hestian/core'
import { drawingSvg, hygieneTemp_K, scaldCurveDrawing, scaldTime_s } from '@hestian/core'
import { useMemo } from 'react'
import styled from 'styled-components'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { Schools } from '../job/Schools'
import { Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { DrawingView } from '../ui/DrawingView'
import { Ledger, QuantityRow } from '../ui/QuantityRow'
import { knownOf } from '../ui/quantity'
import { saveFile } from '../ui/saveFile'
import { useNarrow } from '../ui/useNarrow'

/**
 * How hot it is stored: what scalds, what keeps bacteria down, the two schools and the practice's
 * rule.
 */
export function StorageTemperature({ answer }: { readonly answer: HeatAnswer }) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { hotWater } = draft.document
  const rules = solution.practice.hotWater
  const narrow = useNarrow()
  const { units } = solution.practice
  const { storeTemp_K } = answer
  const drawing = useMemo(
    () =>
      scaldCurveDrawing(
        { store_K: storeTemp_K, safe_K: rules.safeOutletTemp_K, hygiene_K: hygieneTemp_K },
        show,
        units,
        { width: narrow ? 318 : 560, height: 210 },
      ),
    [narrow, storeTemp_K, rules.safeOutletTemp_K, show, units],
  )
  if (!hotWater) return null
  const scald_s = scaldTime_s(storeTemp_K)
  const known = (key: 'storeTemp_K' | 'wantedGauge_Pa' | 'loopLoss_W') => ({
    value: hotWater[key],
    place: `hotWater.${key}`,
    onUse: (entry: Parameters<typeof knownOf>[0]) =>
      edit([{ path: ['hotWater', key], value: knownOf(entry) }]),
    onClear: () => edit([{ path: ['hotWater', key], value: null }]),
  })
  return (
    <section>
      <SectionHead>
        How hot it is stored<small>{rules.safeOutletSource.says}</small>
      </SectionHead>
      <Grid>
        <DrawingView drawing={drawing} />
      </Grid>
      <Button
        look="text"
        onPress={() => saveFile('storage-temperature.svg', 'image/svg+xml', drawingSvg(drawing))}
      >
        Save the drawing
      </Button>
      <Ledger>
        <QuantityRow
          label="Store set to"
          measure="temperature"
          {...known('storeTemp_K')}
          how="Setting agreed"
          why="Hotter holds more and kills bacteria; cooler scalds nobody."
          empty={`${show(storeTemp_K, 'temperature')} by the school`}
        />
        <QuantityRow
          label="Pressure wanted at the top outlet"
          measure="water-pressure"
          {...known('wantedGauge_Pa')}
          how="Manual of the heater or mixer"
          why="What must still be left when everything runs."
          empty={`${show(rules.wantedGauge_Pa, 'water-pressure')} assumed`}
        />
        <QuantityRow
          label="Secondary return loses"
          measure="small-power"
          {...known('loopLoss_W')}
          how="Length of pipe and what is round it"
          why="A loop that is kept hot draws on the store day and night."
          empty="no loop"
        />
      </Ledger>
      <Prose>
        {storeTemp_K >= hygieneTemp_K - 1e-6
          ? 'Bacteria do not live at this temperature'
          : 'Bacteria are not killed at this temperature'}
        {scald_s === undefined
          ? ''
          : `; water as stored burns adult skin through in about ${Math.round(scald_s)} s`}
        . The old and the very young burn sooner. Scald times as remembered: check the current
        edition.
      </Prose>
      <Schools only={['hotWaterTemperature']} title="Two schools" />
    </section>
  )
}

const Grid = styled.div`
  margin-top: 8px;
  max-width: 600px;
  overflow-x: auto;
`
