import type { HoldPoint, JudgedHoldPoint } from '@hestian/core'
import { holdable, judgeHandTests, judgeHoldPoints } from '@hestian/core'
import { useMemo, useState } from 'react'
import { Input, Label, TextField } from 'react-aria-components'
import { newId } from '../api/client'
import { Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { DoneForm, DoneHead, DoneRow } from '../ui/DoneRow'
import { Choice } from '../ui/Choice'
import { Mark } from '../ui/icons'
import { useDesign, useJobActions, useReadBy, useStanding } from './JobContext'
import { useKeptText } from './useKeptText'

const said = {
  open: 'not passed yet: wait',
  passed: 'passed: go on',
  unknown: 'not on this job any more',
} as const
const marks = { open: 'not-yet', passed: 'pass', unknown: 'fix' } as const

/** What of the work waits for which test: nothing is hidden or set down behind it before. */
export function HoldPoints() {
  const { draft, solution } = useDesign()
  const { frozen, judgement, state } = useStanding()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const [adding, setAdding] = useState(false)
  const tests = useMemo(
    () =>
      holdable(
        judgement.gasTests,
        judgeHandTests(solution.document, solution.practice, state.records, show),
      ),
    [judgement.gasTests, solution.document, solution.practice, state.records, show],
  )
  const points = judgeHoldPoints(draft.document, tests)
  const put = (holdPoints: readonly HoldPoint[]) =>
    edit([{ path: ['holdPoints'], value: [...holdPoints] }])
  return (
    <section data-place="holdPoints">
      <SectionHead>
        Hold points<small>what waits for a test</small>
      </SectionHead>
      {points.length === 0 && (
        <Prose>
          Name what may not go on before a test has passed: boards over pipes, a cylinder in front
          of them, a floor over loops. It stands between the job and its signature until then.
        </Prose>
      )}
      <ul>
        {points.map((one) => (
          <Point
            key={one.point.id}
            judged={one}
            onRemove={
              frozen
                ? undefined
                : () => put(draft.document.holdPoints.filter(({ id }) => id !== one.point.id))
            }
          />
        ))}
      </ul>
      {adding && (
        <AddPoint
          tests={tests}
          onAdd={(point) => {
            put([...draft.document.holdPoints, point])
            setAdding(false)
          }}
          onClose={() => setAdding(false)}
        />
      )}
      {!adding && !frozen && tests.length > 0 && (
        <Button look="text" onPress={() => setAdding(true)}>
          Add a hold point
        </Button>
      )}
    </section>
  )
}

function Point({
  judged: { point, testName, state },
  onRemove,
}: {
  readonly judged: JudgedHoldPoint
  readonly onRemove: (() => void) | undefined
}) {
  return (
    <DoneRow data-place={`holdPoints.${point.id}`}>
      <Mark kind={marks[state]} size={22} />
      <div>
        <DoneHead>
          <b>Before {point.name}</b>
          {onRemove && (
            <Button look="text" onPress={onRemove} aria-label={`Take away: before ${point.name}`}>
              Take away
            </Button>
          )}
        </DoneHead>
        <small>
          {testName}, {said[state]}
        </small>
      </div>
    </DoneRow>
  )
}

function AddPoint({
  tests,
  onAdd,
  onClose,
}: {
  readonly tests: readonly { readonly id: string; readonly name: string }[]
  readonly onAdd: (point: HoldPoint) => void
  readonly onClose: () => void
}) {
  const [name, setName] = useKeptText('hold-point')
  const [test, setTest] = useState<string | null>(null)
  const [says, setSays] = useState<string>()
  const add = () => {
    if (name.trim() === '')
      return setSays('Say what waits: the boards go down, the cylinder stands here.')
    if (test === null) return setSays('Choose the test it waits for.')
    setName('')
    onAdd({ id: newId(), name: name.trim(), test })
  }
  return (
    <DoneForm
      aria-label="Hold point"
      onSubmit={(event) => {
        event.preventDefault()
        add()
      }}
    >
      <TextField value={name} onChange={setName} maxLength={120} autoFocus>
        <Label>Before</Label>
        <Input autoComplete="off" placeholder="the boards go down" />
      </TextField>
      <Choice
        labelled
        label="this has passed"
        value={test}
        options={tests.map(({ id, name: text }) => ({ id, text }))}
        onChoose={setTest}
      />
      <small role="alert">{says}</small>
      <div>
        <Button type="submit" look="go">
          Hold it
        </Button>
        <Button look="text" onPress={onClose}>
          Not now
        </Button>
      </div>
    </DoneForm>
  )
}
