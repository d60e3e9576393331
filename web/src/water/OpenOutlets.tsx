import type { RealAnswer, WaterAnswer } from '@hestian/core'
import { ToggleButton } from 'react-aria-components'
import { useReadBy } from '../job/JobContext'
import { OnGroup, OnLine } from '../network/OnLine'
import { Button } from '../ui/Button'

/** Outlets that stand open while one looks, and what really flows then. */
export interface Running {
  readonly open: ReadonlySet<string>
  readonly answer: RealAnswer
}

interface OpenOutletsProps {
  readonly answer: WaterAnswer
  readonly real: Running | undefined
  readonly onOpen: (open: ReadonlySet<string> | undefined) => void
}

/**
 * Opens outlets and shows what the main really gives; shut again, the page shows what the pipes are
 * designed for.
 */
export function OpenOutlets({ answer, real, onOpen }: OpenOutletsProps) {
  const { show } = useReadBy()
  const outlets = [
    ...new Map(
      answer.pipes.flatMap((pipe) =>
        pipe.end ? [[pipe.end.outlet.id, pipe.end.outlet] as const] : [],
      ),
    ).values(),
  ]
  const given = [...(real?.answer.given.values() ?? [])]
  const wanted_m3_s = given.reduce((sum, one) => sum + one.wanted_m3_s, 0)
  const short = real && real.answer.total_m3_s < wanted_m3_s * 0.995
  return (
    <OnLine>
      <span id="open-outlets">Open</span>
      <OnGroup
        aria-labelledby="open-outlets"
        selectionMode="multiple"
        selectedKeys={real?.open ?? new Set()}
        onSelectionChange={(keys) =>
          onOpen(keys.size === 0 ? undefined : new Set([...keys].map(String)))
        }
      >
        {outlets.map((outlet) => (
          <ToggleButton key={outlet.id} id={outlet.id}>
            {outlet.name}
          </ToggleButton>
        ))}
      </OnGroup>
      <p>
        {!real ? (
          'None by hand: what the pipes are designed for. Open some and see what really flows.'
        ) : (
          <>
            <b>{show(real.answer.total_m3_s, 'water-flow')}</b> of the{' '}
            <b>{show(wanted_m3_s, 'water-flow')}</b> wanted
            {short
              ? ': the main cannot give it all, and each gives by the pressure that is left'
              : ''}
            ; the main stands at {show(real.answer.sourceGauge_Pa, 'water-pressure')}.
            {!real.answer.converged && ' It did not settle: take it as a guess.'}{' '}
            <Button look="text" onPress={() => onOpen(undefined)}>
              Shut them
            </Button>
          </>
        )}
      </p>
    </OnLine>
  )
}
