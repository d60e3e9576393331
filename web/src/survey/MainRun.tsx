import type { MainPoint } from '@hestian/core'
import { drawingSvg, mainCurveDrawing, pointFlow_m3_s, aOrAn } from '@hestian/core'
import { useMemo } from 'react'
import styled from 'styled-components'
import { newId } from '../api/client'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { DrawingView } from '../ui/DrawingView'
import { Choice } from '../ui/Choice'
import { InlineText } from '../ui/fields'
import type { Entry } from '../ui/quantity'
import { QuantityCell } from '../ui/QuantityRow'
import { knownOf } from '../ui/quantity'
import { saveFile } from '../ui/saveFile'
import { useNarrow } from '../ui/useNarrow'
import { NotesHere } from '../ui/SheetPage'
import { phone } from '../ui/phone'

/**
 * The main with water running: two points, each a pressure and the flow drawn meanwhile, and the
 * curve through them.
 */
export function MainRun() {
  const { draft, solution } = useDesign()
  const { edit, record } = useJobActions()
  const { show } = useReadBy()
  const { mainPoints } = draft.document.survey
  const answer = solution.readings.applies ? solution.readings.answer : undefined
  const heat = solution.heat.applies ? solution.heat.answer : undefined
  const { units } = solution.practice
  const curve = answer?.curve
  const narrow = useNarrow()
  const drawing = useMemo(
    () =>
      curve && answer
        ? mainCurveDrawing(
            curve,
            {
              points: answer.points,
              ...(heat?.wanted_m3_s ? { wanted_m3_s: heat.wanted_m3_s } : {}),
              ...(heat?.left_Pa === undefined ? {} : { leftGauge_Pa: heat.left_Pa }),
            },
            show,
            units,
            { width: narrow ? 318 : 520, height: 270 },
          )
        : undefined,
    [narrow, answer, curve, heat, show, units],
  )
  const add = () =>
    edit([
      {
        path: ['survey', 'mainPoints', mainPoints.length],
        value: {
          id: newId(),
          name:
            mainPoints.length === 0
              ? `Kitchen ${solution.practice.words.tap}`
              : `Outside ${solution.practice.words.tap}`,
          gauge_Pa: null,
          by: 'container',
          container_m3: null,
          filled_s: null,
          flow_m3_s: null,
        } satisfies MainPoint,
      },
    ])
  const cell = (
    i: number,
    key: 'gauge_Pa' | 'container_m3' | 'filled_s' | 'flow_m3_s',
    label: string,
    measure: 'water-pressure' | 'small-volume' | 'seconds' | 'water-flow',
  ) => {
    const point = mainPoints[i]
    const field = `survey.mainPoints.${point?.id}.${key}`
    const keep = (entry: Entry) =>
      entry.basis === 'assumed'
        ? undefined
        : record({
            kind: 'reading',
            field,
            si: entry.si,
            typed: entry.typed,
            basis: entry.basis,
            instrument: entry.from,
            ...(entry.photos.length > 0 ? { photos: [...entry.photos] } : {}),
          })
    return (
      point && (
        <QuantityCell
          label={`${label} at ${point.name}`}
          place={`survey.mainPoints.${i}.${key}`}
          measure={measure}
          value={point[key]}
          photos
          onUse={(entry) =>
            edit([{ path: ['survey', 'mainPoints', i, key], value: knownOf(entry, keep(entry)) }])
          }
          onClear={() => edit([{ path: ['survey', 'mainPoints', i, key], value: null }])}
        />
      )
    )
  }
  return (
    <section data-place="survey.mainPoints">
      <SectionHead>
        The main, running<small>pressure and flow at the same moment</small>
      </SectionHead>
      {mainPoints.length === 0 && (
        <Prose>
          Open {aOrAn(solution.practice.words.tap)}, read the gauge at another, and time a bucket.
          Two points at different flows make a curve.
        </Prose>
      )}
      <ul>
        {mainPoints.map((point, i) => {
          const flow = pointFlow_m3_s(point)
          return (
            <li key={point.id}>
              <Point data-place={`survey.mainPoints.${i}`}>
                <InlineText
                  label={`Name of running point ${i + 1}`}
                  required
                  value={point.name}
                  maxLength={120}
                  onCommit={(name) =>
                    edit([{ path: ['survey', 'mainPoints', i, 'name'], value: name.trim() }])
                  }
                />
                <span>{cell(i, 'gauge_Pa', 'Pressure running', 'water-pressure')}</span>
                <Choice
                  label={`How the flow at ${point.name} was measured`}
                  value={point.by}
                  options={[
                    { id: 'container', text: 'Timed container' },
                    { id: 'flow-cup', text: 'Flow cup' },
                  ]}
                  onChoose={(by) => edit([{ path: ['survey', 'mainPoints', i, 'by'], value: by }])}
                />
                {point.by === 'container' ? (
                  <span>
                    {cell(i, 'container_m3', 'Container', 'small-volume')} in{' '}
                    {cell(i, 'filled_s', 'Filled in', 'seconds')}
                  </span>
                ) : (
                  <span>{cell(i, 'flow_m3_s', 'Flow', 'water-flow')}</span>
                )}
                <b className="tnum">{flow === undefined ? '' : `= ${show(flow, 'water-flow')}`}</b>
                <Button
                  look="text"
                  onPress={() =>
                    edit([
                      {
                        path: ['survey', 'mainPoints'],
                        value: mainPoints.filter((one) => one.id !== point.id),
                      },
                    ])
                  }
                  aria-label={`Remove ${point.name}`}
                >
                  Remove
                </Button>
              </Point>
              <NotesHere place={`survey.mainPoints.${i}`} />
            </li>
          )
        })}
      </ul>
      {mainPoints.length < 6 && (
        <Button look="text" onPress={add}>
          Add a running point
        </Button>
      )}
      <NotesHere place="survey.mainPoints" />
      {drawing && (
        <figure>
          <Grid>
            <DrawingView drawing={drawing} />
          </Grid>
          <Button
            look="text"
            onPress={() => saveFile('main-supply-curve.svg', 'image/svg+xml', drawingSvg(drawing))}
          >
            Save the drawing
          </Button>
        </figure>
      )}
    </section>
  )
}

const Point = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) 110px 150px minmax(0, 1.3fr) 110px 70px;
  gap: 10px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 0.8px solid var(--hair);
  > span {
    white-space: nowrap;
    font-size: var(--small);
    color: var(--ink-2);
  }
  > b {
    font-weight: 650;
  }
  @media (max-width: 1000px) {
    grid-template-columns: 1fr auto auto;
    > span {
      white-space: normal;
    }
  }
  ${phone} {
    grid-template-columns: 1fr 1fr;
  }
`
const Grid = styled.div`
  margin-top: 10px;
  max-width: 560px;
  overflow-x: auto;
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
