import type { Edit, Ladder } from '@hestian/core'
import { drawingSvg, drawLadder, ladderTop_Pa } from '@hestian/core'
import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { useDesign, useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { Button } from './Button'
import { DrawingView } from './DrawingView'
import { saveFile } from './saveFile'

interface LadderViewProps {
  readonly ladder: Ladder
  readonly file: string
  readonly height: number
  /** What moving a rung to a pressure writes; undefined where it writes nothing. */
  readonly edits: (rung: string, gauge_Pa: number) => readonly Edit[] | undefined
}

/**
 * A pressure ladder whose settings can be moved. While a rung is held the job is solved as it would
 * be; let go, it is stored.
 */
export function LadderView({ ladder, file, height, edits }: LadderViewProps) {
  const { solution } = useDesign()
  const { frozen } = useStanding()
  const { preview, edit } = useJobActions()
  const { show } = useReadBy()
  const { units } = solution.practice
  // The scale stands still while a rung is moved, or the rung would run from the finger.
  const [held_Pa, setHeld] = useState<number>()
  const drawing = useMemo(
    () =>
      drawLadder(ladder, units, show, {
        width: 366,
        height,
        ...(held_Pa === undefined ? {} : { top_Pa: held_Pa }),
      }),
    [ladder, units, show, height, held_Pa],
  )
  const move = (rung: string, gauge_Pa: number, done: boolean) => {
    const change = edits(rung, gauge_Pa)
    if (!change) return
    preview(done ? undefined : change)
    setHeld(done ? undefined : (before) => before ?? ladderTop_Pa(ladder))
    if (done) edit(change)
  }
  return (
    <>
      <Grid>
        <DrawingView drawing={drawing} {...(frozen ? {} : { onSlide: move })} />
      </Grid>
      <Button look="text" onPress={() => saveFile(file, 'image/svg+xml', drawingSvg(drawing))}>
        Save the drawing
      </Button>
    </>
  )
}

export const Grid = styled.div`
  background:
    repeating-linear-gradient(
      0deg,
      color-mix(in srgb, var(--hair) 45%, transparent) 0 0.8px,
      transparent 0.8px 15px
    ),
    repeating-linear-gradient(
      90deg,
      color-mix(in srgb, var(--hair) 45%, transparent) 0 0.8px,
      transparent 0.8px 15px
    );
`
