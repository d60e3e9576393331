import { SheetHead } from '../ui/SheetHead'
import type { Part, ReliefValve } from '@hestian/core'
import { blankRelief } from '@hestian/core'
import { Link } from 'react-router'
import { newId } from '../api/client'
import { capital } from '../ui/numbers'
import { useDesign, useJobActions, useStanding } from '../job/JobContext'
import { CheckSheet } from '../shell/CheckSheet'
import { Schools } from '../job/Schools'
import { Answer, Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Adds } from '../ui/Drop'
import { rowId } from '../ui/quantity'
import { NotesHere, SheetPage } from '../ui/SheetPage'
import { WorkingsFold } from '../ui/WorkingsFold'
import { Pan } from './Pan'
import { Valve } from './Valve'

/** Every relief valve: what it guards, what it carries, where its water goes. */
export function ReliefPage() {
  const { solution } = useDesign()
  const { state } = useStanding()
  const sheet = solution.relief
  if (!sheet.applies)
    return (
      <SheetPage sheet="relief">
        <Answer>
          No relief valve: <b>{sheet.because}</b>
        </Answer>
        <Prose>
          Where something is under pressure, say so on{' '}
          <Link to={`/jobs/${state.id}/plates`}>Rating plates</Link>.
        </Prose>
        <CheckSheet sheet="relief" />
      </SheetPage>
    )
  return (
    <SheetPage sheet="relief">
      <SheetHead sheet="relief" />
      {sheet.answer?.valves.map((answer, i) => (
        <Valve key={answer.valve.id} answer={answer} index={i} />
      ))}
      <AddValves />
      <Schools only={['dischargeEnd', 'reliefLifting']} title="Two schools" />
      {sheet.answer && <Pan need={sheet.answer.pan} />}
      <CheckSheet sheet="relief" />
      <WorkingsFold workings={sheet.workings} />
    </SheetPage>
  )
}

/** What a valve that is there and stays guards; its tag is on Rating plates, not typed again. */
function guardsOf(part: Part): ReliefValve['guards'] | undefined {
  if (part.stay === 'goes') return undefined
  if (part.kind === 'relief-valve') return part.circuit === 'heating' ? 'heating' : 'expansion'
  const guardsTemperature =
    part.kind === 'temperature-pressure-valve' && part.circuit === 'hot-water'
  return guardsTemperature ? 'temperature' : undefined
}

function AddValves() {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { reliefs, heating, hotWater, parts } = draft.document
  const { words } = solution.practice
  const called: Readonly<Record<ReliefValve['guards'], string>> = {
    heating: `${words.reliefValve} of the heating`,
    expansion: `expansion ${words.reliefValve}`,
    temperature: words.temperatureRelief,
  }
  const there = parts.filter(
    (part) => guardsOf(part) !== undefined && !reliefs.some((valve) => valve.name === part.name),
  )
  const take = () =>
    edit([
      ...there.map((part, n) => ({
        path: ['reliefs', reliefs.length + n],
        value: {
          ...blankRelief({ id: newId(), name: part.name, guards: guardsOf(part) ?? 'heating' }),
          capacity_W: part.capacity_W,
        },
      })),
      ...there.flatMap((part) =>
        part.setGauge_Pa && part.circuit === 'heating' && heating && !heating.reliefSetGauge_Pa
          ? [{ path: ['heating', 'reliefSetGauge_Pa'], value: part.setGauge_Pa }]
          : [],
      ),
    ])
  const kinds = [
    ...(heating ? ['heating' as const] : []),
    ...(hotWater ? ['expansion' as const, 'temperature' as const] : []),
  ]
  return (
    <section data-place="reliefs" id={rowId('reliefs')}>
      {reliefs.length === 0 && <SectionHead>Relief valves</SectionHead>}
      <NotesHere place="reliefs" />
      <Adds>
        {there.length > 0 && (
          <Button look="text" onPress={take}>
            Take {there.length === 1 ? there[0]?.name : `the ${there.length} valves`} from Rating
            plates
          </Button>
        )}
        {kinds
          .filter(
            (guards) => guards === 'heating' || !reliefs.some((valve) => valve.guards === guards),
          )
          .map((guards) => (
            <Button
              key={guards}
              look="text"
              onPress={() =>
                edit([
                  {
                    path: ['reliefs', reliefs.length],
                    value: blankRelief({ id: newId(), name: capital(called[guards]), guards }),
                  },
                ])
              }
            >
              Add the {called[guards]}
            </Button>
          ))}
      </Adds>
    </section>
  )
}
