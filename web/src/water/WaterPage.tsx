import { SheetHead } from '../ui/SheetHead'
import type { Show, TableRow, WaterAnswer } from '@hestian/core'
import {
  answerOf,
  drawingSvg,
  realWater,
  waterColumns,
  waterFromRows,
  waterRows,
  waterTree,
} from '@hestian/core'
import { memo, useCallback, useDeferredValue, useMemo, useState } from 'react'
import { Link } from 'react-router'
import { newId } from '../api/client'
import { LeansOn } from '../job/LeansOn'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import type { RowFigures } from '../network/PipeRow'
import { Outline } from '../network/Outline'
import { Prices } from '../network/Prices'
import { Hint, Quad } from '../network/Quad'
import { TableIo } from '../network/TableIo'
import { usePipes } from '../network/usePipes'
import { CheckSheet } from '../shell/CheckSheet'
import { Answer, Prose } from '../ui/Answer'
import { Button } from '../ui/Button'
import { DrawingView } from '../ui/DrawingView'
import { late } from '../ui/late'
import { saveFile } from '../ui/saveFile'
import { SheetPage } from '../ui/SheetPage'
import { useNarrow } from '../ui/useNarrow'
import { WorkingsFold } from '../ui/WorkingsFold'
import { Filling } from './Filling'
import type { Running } from './OpenOutlets'
import { OpenOutlets } from './OpenOutlets'
import { AtOutlets } from './AtOutlets'
import { SecondaryReturn } from './SecondaryReturn'
import { WaterRules } from './WaterRules'

const SizesHere = late(async () => (await import('./SizesHere')).SizesHere)
const WaterPipeEditor = late(async () => (await import('./WaterPipeEditor')).WaterPipeEditor)

export function WaterPage() {
  const { solution, draft } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const pipes = usePipes('water')
  const [selected, setSelected] = useState<string>()
  const [open, setOpen] = useState<ReadonlySet<string>>()
  const sheet = solution.water
  const { document } = draft
  const { segments } = document.water
  const answer = answerOf(sheet)
  const chosen = segments.some((segment) => segment.id === selected) ? selected : undefined
  const real = useMemo(
    (): Running | undefined =>
      answer && open
        ? {
            open,
            answer: realWater(
              document,
              answer,
              new Map(
                answer.pipes.flatMap((pipe) =>
                  pipe.end && open.has(pipe.end.outlet.id)
                    ? [[pipe.id, pipe.end.count] as const]
                    : [],
                ),
              ),
            ),
          }
        : undefined,
    [answer, document, open],
  )
  const figures = useFigures(answer, show, segments)
  const { practice } = solution
  const outlets = document.hotWater?.outlets
  const read = useCallback(
    (rows: readonly TableRow[], from: string) =>
      waterFromRows(rows, {
        outlets: outlets ?? [],
        before: segments,
        material: practice.water.material,
        unit: practice.units.length,
        newId,
        from,
      }),
    [outlets, segments, practice],
  )
  // What takes long to draw follows when there is time: one goes on typing meanwhile.
  const [late, lateReal, lateChosen] = [
    useDeferredValue(answer),
    useDeferredValue(real),
    useDeferredValue(chosen),
  ]
  const used = useMemo(
    () =>
      late?.pipes.map((pipe) => ({
        material: pipe.segment.material,
        size: pipe.size,
        length_m: pipe.pipe.length_m,
      })) ?? [],
    [late],
  )
  const toggle = useCallback(
    (id: string) => setSelected((last) => (last === id ? undefined : id)),
    [],
  )
  return (
    <SheetPage
      sheet="water"
      margin={
        answer &&
        (chosen ? (
          <SizesHere answer={answer} id={chosen} />
        ) : (
          <Hint>
            Press a pipe, in the drawing or the list, to change it and to see the sizes next to it.
          </Hint>
        ))
      }
    >
      {segments.length === 0 ? (
        <>
          <Answer>
            No water pipe is drawn. <b>Begin at the main</b> where pipes are new.
          </Answer>
          <Prose>
            Cold main to the heater, heater to the outlets, the make-up of the heating, a secondary
            return. The outlets come from{' '}
            <Link to="../heat" relative="path">
              Heat and hot water
            </Link>
            ; the main’s pressure from{' '}
            <Link to="../readings" relative="path">
              Readings
            </Link>
            . A job where only the heater is changed does without.
          </Prose>
        </>
      ) : (
        <SheetHead sheet="water" />
      )}
      {answer && <OpenOutlets answer={answer} real={real} onOpen={setOpen} />}
      {late && <Diagram answer={late} real={lateReal} selected={lateChosen} onPick={toggle} />}
      <div data-place="water.segments">
        <Outline
          pipes={pipes}
          heads={heads(show)}
          figures={figures}
          selected={chosen}
          onSelect={setSelected}
          note="Pressures gauge, with what is designed for running. Drops by Darcy–Weisbach with the coldest water; height is in the far end, not in the drop."
        />
      </div>
      <TableIo
        fileName="water-pipes.csv"
        columns={waterColumns}
        count={segments.length}
        rows={() => waterRows(document, show)}
        read={read}
        onUse={(next) => edit([{ path: ['water', 'segments'], value: next }])}
      />
      {chosen && <WaterPipeEditor key={chosen} id={chosen} onGone={() => setSelected(undefined)} />}
      {segments.length > 0 && <WaterRules />}
      {late && <AtOutlets answer={late} real={lateReal} />}
      {answer && <SecondaryReturn answer={answer} />}
      {segments.length > 0 && <Filling answer={answer} />}
      {late && <Prices used={used} cost={late.cost} />}
      {answer && <LeansOn sheet="water" />}
      {segments.length > 0 && <CheckSheet sheet="water" />}
      {sheet.applies && <WorkingsFold workings={sheet.workings} />}
    </SheetPage>
  )
}

const heads = (show: Show) =>
  [
    ['Size', ''],
    ['Rise', show.unit('length')],
    ['Flow', show.unit('water-flow')],
    ['Speed', show.unit('velocity')],
    ['Drop', show.unit('water-pressure')],
    ['Far end', show.unit('water-pressure')],
  ] as const

function useFigures(
  answer: WaterAnswer | undefined,
  show: Show,
  segments: readonly { readonly id: string; readonly size: string | null }[],
): ReadonlyMap<string, RowFigures> {
  return useMemo(() => {
    if (!answer)
      return new Map(
        segments.map((segment, i): [string, RowFigures] => [
          segment.id,
          { place: `water.segments.${i}`, cells: [segment.size ?? ''], values: [], waits: true },
        ]),
      )
    return new Map(
      answer.pipes.map((pipe): [string, RowFigures] => [
        pipe.id,
        {
          place: pipe.place,
          chosen: pipe.chosen,
          ...tagOf(
            pipe.segment.name.toLowerCase().includes(pipe.side) ? undefined : pipe.side,
            pipe.id === answer.index.id ? 'index' : undefined,
          ),
          values: [
            pipe.size.bore_m,
            pipe.pipe.rise_m,
            pipe.flow_m3_s,
            pipe.velocity_m_s,
            pipe.drop_Pa,
            pipe.farGauge_Pa,
          ],
          cells: [
            pipe.size.name,
            pipe.pipe.rise_m === 0 ? '' : show.figure(pipe.pipe.rise_m, 'length'),
            show.figure(pipe.flow_m3_s, 'water-flow'),
            show.figure(pipe.velocity_m_s, 'velocity'),
            show.figure(pipe.drop_Pa, 'water-pressure'),
            show.figure(pipe.farGauge_Pa, 'water-pressure'),
          ],
        },
      ]),
    )
  }, [answer, show, segments])
}

const tagOf = (...words: readonly (string | undefined)[]) => {
  const said = words.filter((one) => one !== undefined)
  return said.length > 0 ? { tag: said.join(', ') } : {}
}

const Diagram = memo(function Diagram({
  answer,
  real,
  selected,
  onPick,
}: {
  readonly answer: WaterAnswer
  readonly real: Running | undefined
  readonly selected: string | undefined
  readonly onPick: (id: string) => void
}) {
  const { show } = useReadBy()
  const narrow = useNarrow()
  const drawing = useMemo(
    () =>
      waterTree(
        answer,
        show,
        narrow ? 366 : 820,
        selected,
        real && {
          far_Pa: (id) => real.answer.states.get(id)?.farGauge_Pa,
          sourceGauge_Pa: real.answer.sourceGauge_Pa,
          given: (id) => {
            const one = real.answer.given.get(id)
            return (
              one &&
              `${show.figure(one.flow_m3_s, 'water-flow')} of ${show.figure(one.wanted_m3_s, 'water-flow')}`
            )
          },
        },
      ),
    [answer, show, narrow, selected, real],
  )
  return (
    <Quad tabIndex={0} aria-label="Pipe tree and pressure" role="region">
      <DrawingView drawing={drawing} selected={selected} onPick={onPick} />
      <Button
        look="text"
        onPress={() => saveFile('water-feed.svg', 'image/svg+xml', drawingSvg(drawing))}
      >
        Save the drawing
      </Button>
    </Quad>
  )
})
