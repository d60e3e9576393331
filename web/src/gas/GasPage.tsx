import { SheetHead } from '../ui/SheetHead'
import type { GasAnswer, GasPipeAnswer, Show, TableRow } from '@hestian/core'
import {
  drawingSvg,
  gasTree,
  gasWithOn,
  segmentColumns,
  segmentRows,
  segmentsFromRows,
  smellOfGas,
} from '@hestian/core'
import { memo, useCallback, useDeferredValue, useMemo, useState } from 'react'
import { GasMethods } from './GasMethods'
import { GasOn } from './GasOn'
import { LeansOn } from '../job/LeansOn'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { CheckSheet } from '../shell/CheckSheet'
import { Answer, Prose } from '../ui/Answer'
import { Button } from '../ui/Button'
import { DrawingView } from '../ui/DrawingView'
import { late } from '../ui/late'
import { saveFile } from '../ui/saveFile'
import { SheetPage } from '../ui/SheetPage'
import { WorkingsFold } from '../ui/WorkingsFold'
import { newId } from '../api/client'
import { Hint, Quad } from '../network/Quad'
import type { RowFigures } from '../network/PipeRow'
import { Outline } from '../network/Outline'
import { Prices } from '../network/Prices'
import { TableIo } from '../network/TableIo'
import { usePipes } from '../network/usePipes'
import { useNarrow } from '../ui/useNarrow'
import { Containers } from './Containers'
import { GasRules } from './GasRules'

const GasPipeEditor = late(async () => (await import('./GasPipeEditor')).GasPipeEditor)
const IfThisSize = late(async () => (await import('./IfThisSize')).IfThisSize)

export function GasPage() {
  const { solution, draft } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const pipes = usePipes('gas')
  const [selected, setSelected] = useState<string>()
  const [off, setOff] = useState<ReadonlySet<string>>(new Set())
  const sheet = solution.gas
  const { segments } = draft.document.gas
  const answer = sheet.applies ? sheet.answer : undefined
  const chosen = segments.some((segment) => segment.id === selected) ? selected : undefined
  const burners =
    answer?.pipes.flatMap((pipe) =>
      pipe.appliance && pipe.pipe.load_W > 0 ? [pipe.appliance.id] : [],
    ) ?? []
  const on = new Set(burners.filter((id) => !off.has(id)))
  const shown = useMemo(
    () =>
      answer &&
      (off.size === 0
        ? answer
        : gasWithOn(
            answer,
            new Set(
              answer.pipes.flatMap((pipe) =>
                pipe.appliance && !off.has(pipe.appliance.id) ? [pipe.appliance.id] : [],
              ),
            ),
          )),
    [answer, off],
  )
  const figures = useFigures(shown)
  // What takes long to draw follows when there is time: one goes on typing meanwhile.
  const [late, lateChosen, lateAnswer] = [
    useDeferredValue(shown),
    useDeferredValue(chosen),
    useDeferredValue(answer),
  ]
  const used = useMemo(
    () =>
      lateAnswer?.pipes.map(({ pipe }) => ({
        material: pipe.material,
        size: pipe.size,
        length_m: pipe.length_m,
      })) ?? [],
    [lateAnswer],
  )
  const toggle = useCallback(
    (id: string) => setSelected((last) => (last === id ? undefined : id)),
    [],
  )
  const { appliances } = draft.document
  const { practice } = solution
  const read = useCallback(
    (rows: readonly TableRow[], from: string) =>
      segmentsFromRows(rows, {
        appliances,
        before: segments,
        material: practice.gas.material,
        unit: practice.units.length,
        newId,
        from,
      }),
    [appliances, segments, practice],
  )
  const note =
    sheet.applies && sheet.answer?.tableLength_m !== undefined
      ? 'Calculated by the equation; the BS 6891 table (as remembered) is the second verdict and the stricter wins.'
      : 'Pressures gauge, everything burning. Drops count from where the stage begins.'
  if (!sheet.applies)
    return (
      <SheetPage sheet="gas">
        <Answer>
          No gas supply: <b>{sheet.because}</b>
        </Answer>
        <CheckSheet sheet="gas" />
      </SheetPage>
    )
  return (
    <SheetPage
      sheet="gas"
      margin={
        sheet.answer &&
        (chosen ? (
          <IfThisSize answer={sheet.answer} id={chosen} />
        ) : (
          <Hint>
            Press a pipe, in the drawing or the table, to change it and to see the sizes next to it.
          </Hint>
        ))
      }
    >
      <SheetHead sheet="gas" />
      {shown && burners.length > 1 && (
        <GasOn
          answer={shown}
          on={on}
          onChange={(next) => setOff(new Set(burners.filter((id) => !next.has(id))))}
        />
      )}
      {late && <Diagram answer={late} selected={lateChosen} onPick={toggle} />}
      <div data-place="gas.segments">
        <Outline
          pipes={pipes}
          heads={heads(show)}
          figures={figures}
          selected={chosen}
          onSelect={setSelected}
          note={note}
        />
      </div>
      <TableIo
        fileName="gas-pipes.csv"
        columns={segmentColumns}
        count={segments.length}
        rows={() => segmentRows(draft.document, show)}
        read={read}
        onUse={(next) => edit([{ path: ['gas', 'segments'], value: next }])}
      />
      {chosen && <GasPipeEditor key={chosen} id={chosen} onGone={() => setSelected(undefined)} />}
      <Prose>
        <b>Smell of gas:</b> {smellOfGas(solution.practice)}
      </Prose>
      <Containers />
      <GasRules />
      {lateAnswer && <GasMethods answer={lateAnswer} />}
      {lateAnswer && <Prices used={used} cost={lateAnswer.cost} />}
      <LeansOn sheet="gas" />
      <CheckSheet sheet="gas" />
      <WorkingsFold workings={sheet.workings} />
    </SheetPage>
  )
}

interface PickProps {
  readonly selected: string | undefined
  readonly onPick: (id: string) => void
}

const Diagram = memo(function Diagram({
  answer,
  selected,
  onPick,
}: PickProps & { readonly answer: GasAnswer }) {
  const { show } = useReadBy()
  const narrow = useNarrow()
  const drawing = useMemo(
    () => gasTree(answer, show, narrow ? 366 : 820, selected),
    [answer, show, narrow, selected],
  )
  return (
    <Quad tabIndex={0} aria-label="Pipe tree and pressure" role="region">
      <DrawingView drawing={drawing} selected={selected} onPick={onPick} />
      <Button
        look="text"
        onPress={() => saveFile('gas-supply.svg', 'image/svg+xml', drawingSvg(drawing))}
      >
        Save the drawing
      </Button>
    </Quad>
  )
})

const heads = (show: Show) =>
  [
    ['Size', ''],
    ['Fittings', show.unit('length')],
    ['Flow', show.unit('gas-flow')],
    ['Speed', show.unit('velocity')],
    ['Drop', show.unit('gas-pressure')],
    ['Far end', show.unit('gas-pressure')],
  ] as const

function tagOf(pipe: GasPipeAnswer, answer: GasAnswer): { readonly tag?: string } {
  if (pipe.id === answer.index.id) return { tag: 'index' }
  return pipe.pipe.regulator ? { tag: 'regulator' } : {}
}

/**
 * What the outline shows of each pipe; of one that cannot be computed yet only its name and length.
 */
function useFigures(answer: GasAnswer | undefined): ReadonlyMap<string, RowFigures> {
  const { draft } = useDesign()
  const { show } = useReadBy()
  const { segments } = draft.document.gas
  return useMemo(() => {
    if (!answer)
      return new Map(
        segments.map((segment, i): [string, RowFigures] => [
          segment.id,
          { place: `gas.segments.${i}`, cells: [segment.size ?? ''], values: [], waits: true },
        ]),
      )
    return new Map(
      answer.pipes.map((pipe): [string, RowFigures] => {
        const fittings_m = pipe.effective_m - pipe.pipe.length_m
        return [
          pipe.id,
          {
            place: pipe.place,
            chosen: pipe.chosen,
            ...tagOf(pipe, answer),
            values: [
              pipe.pipe.size.bore_m,
              fittings_m,
              pipe.flow_m3_s,
              pipe.velocity_m_s,
              pipe.drop_Pa,
              pipe.farGauge_Pa,
            ],
            cells: [
              pipe.pipe.size.name,
              show.figure(fittings_m, 'length'),
              show.figure(pipe.flow_m3_s, 'gas-flow'),
              show.figure(pipe.velocity_m_s, 'velocity'),
              show.figure(pipe.drop_Pa, 'gas-pressure'),
              show.figure(pipe.farGauge_Pa, 'gas-pressure'),
            ],
          },
        ]
      }),
    )
  }, [answer, segments, show])
}
