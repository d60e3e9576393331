import type { JudgedGasTest, MadeHow, PipeJoints, SoapedJoint } from '@hestian/core'
import { stillCuring } from '@hestian/core'
import { useState } from 'react'
import styled from 'styled-components'
import { useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import type { Dates } from '../ui/dates'
import { DoneHead, DoneRow } from '../ui/DoneRow'
import { Choice } from '../ui/Choice'
import { Mark } from '../ui/icons'
import { phone } from '../ui/phone'

/**
 * The joint register of the pipes under test: how each was made, and what soap showed at it since
 * the test began.
 */
export function Soap({ gasTest }: { readonly gasTest: JudgedGasTest }) {
  const { frozen } = useStanding()
  const [open, setOpen] = useState<string>()
  const { register, last } = gasTest
  const joints = register.flatMap((pipe) => pipe.joints)
  const seen = joints.filter(({ soaped }) => soaped).length
  return (
    <section data-place="joints">
      <SectionHead>
        Every joint, soaped
        <small>
          {seen} of {joints.length} since the test
        </small>
      </SectionHead>
      <Prose>
        The gauge and the soap each find what the other misses. What bubbles is a leak, whatever the
        gauge says. Never look for one with a flame.
      </Prose>
      <ul aria-label="Joints">
        {register.map((pipe) => (
          <Pipe
            key={pipe.pipeId}
            pipe={pipe}
            testId={last?.testId}
            isOpen={open === pipe.pipeId}
            onOpen={(on) => setOpen(on ? pipe.pipeId : undefined)}
            isFrozen={frozen}
          />
        ))}
      </ul>
    </section>
  )
}

interface PipeProps {
  readonly pipe: PipeJoints
  readonly testId: string | undefined
  readonly isOpen: boolean
  readonly onOpen: (on: boolean) => void
  readonly isFrozen: boolean
}

function Pipe({ pipe, testId, isOpen, onOpen, isFrozen }: PipeProps) {
  const { record } = useJobActions()
  const { dates } = useReadBy()
  const { pipeName, joints } = pipe
  const soap = (some: readonly SoapedJoint[], result: 'dry' | 'bubbles', where: string) => {
    if (testId) record({ kind: 'soaped', testId, joints: some.map(({ id }) => id), where, result })
  }
  const open = joints.filter(({ soaped }) => !soaped)
  return (
    <DoneRow data-open={isOpen || undefined}>
      <Mark kind={markOf(joints)} size={22} />
      <div>
        <DoneHead>
          <b>{pipeName}</b>
          <Acts>
            {!isOpen && !isFrozen && testId && open.length > 0 && (
              <Button
                look="text"
                aria-label={`All dry: ${pipeName}`}
                onPress={() =>
                  soap(open, 'dry', `${pipeName}, ${open.length} joints`.slice(0, 200))
                }
              >
                All dry
              </Button>
            )}
            <Button
              look="text"
              aria-label={`${isOpen ? 'Close' : 'Joint by joint'}: ${pipeName}`}
              onPress={() => onOpen(!isOpen)}
            >
              {isOpen ? 'Close' : 'Joint by joint'}
            </Button>
          </Acts>
        </DoneHead>
        <small>{toldOf(pipe, dates)}</small>
        {isOpen && (
          <>
            <Joints>
              {joints.map((joint) => (
                <li key={joint.id}>
                  <span>
                    {joint.name}
                    <small>{seenAt(joint, dates)}</small>
                  </span>
                  {!isFrozen && testId && (
                    <>
                      <Button
                        look={joint.soaped?.result === 'dry' ? 'line' : 'text'}
                        aria-label={`Dry: ${joint.name}, ${pipeName}`}
                        onPress={() => soap([joint], 'dry', nameOf(pipe, joint))}
                      >
                        Dry
                      </Button>
                      <Button
                        look={joint.soaped?.result === 'bubbles' ? 'line' : 'text'}
                        aria-label={`Bubbles: ${joint.name}, ${pipeName}`}
                        onPress={() => soap([joint], 'bubbles', nameOf(pipe, joint))}
                      >
                        Bubbles
                      </Button>
                    </>
                  )}
                </li>
              ))}
            </Joints>
            {!isFrozen && <Made pipe={pipe} />}
          </>
        )}
      </div>
    </DoneRow>
  )
}

const nameOf = ({ pipeName }: PipeJoints, { name }: SoapedJoint): string =>
  `${pipeName}: ${name}`.slice(0, 200)

function markOf(joints: readonly SoapedJoint[]) {
  if (joints.some(({ soaped }) => soaped?.result === 'bubbles')) return 'stop'
  return joints.every(({ soaped }) => soaped) ? 'pass' : 'not-yet'
}

const seenAt = ({ soaped }: SoapedJoint, { timeOf }: Dates): string =>
  soaped ? `${soaped.result}, ${timeOf(Date.parse(soaped.at))}` : 'not soaped yet'

function toldOf(pipe: PipeJoints, { dayTime }: Dates): string {
  const { joints, made } = pipe
  const dry = joints.filter(({ soaped }) => soaped?.result === 'dry').length
  const wet = joints.filter(({ soaped }) => soaped?.result === 'bubbles').length
  const count = joints.length === 1 ? 'One joint' : `${joints.length} joints`
  const how = made ? `${hows.find(({ id }) => id === made.how)?.text.toLowerCase()}` : ''
  const [cures] = stillCuring([pipe], Date.now())
  return [
    [count, how, made?.lasts === 'temporary' ? 'temporary' : ''].filter(Boolean).join(', '),
    `${dry} dry${wet > 0 ? `, ${wet} ${wet === 1 ? 'bubbles' : 'bubble'}` : ''}`,
    cures ? `cures until ${dayTime(new Date(cures.until_ms).toISOString())}` : '',
  ]
    .filter(Boolean)
    .join('; ')
}

const hows = [
  { id: 'soldered', text: 'Soldered or brazed' },
  { id: 'pressed', text: 'Pressed' },
  { id: 'threaded', text: 'Threaded' },
  { id: 'compression', text: 'Compression' },
  { id: 'push-fit', text: 'Push-fit' },
  { id: 'flanged', text: 'Flanged or union' },
  { id: 'fused', text: 'Fused' },
] as const satisfies readonly { readonly id: MadeHow['how']; readonly text: string }[]
const cures = [
  { id: '0', text: 'no cure time' },
  { id: '1', text: 'an hour' },
  { id: '4', text: '4 hours' },
  { id: '12', text: 'overnight, 12 hours' },
  { id: '24', text: '24 hours' },
] as const
const hour_ms = 3_600_000

/** How the joints of a pipe were made: the maker's cure time begins when it is said. */
function Made({ pipe: { pipeId, made } }: { readonly pipe: PipeJoints }) {
  const { record } = useJobActions()
  const [how, setHow] = useState<MadeHow['how'] | null>(made?.how ?? null)
  const [lasts, setLasts] = useState<MadeHow['lasts']>(made?.lasts ?? 'permanent')
  const [cure, setCure] = useState<(typeof cures)[number]['id']>('0')
  return (
    <Form
      aria-label="How its joints were made"
      onSubmit={(event) => {
        event.preventDefault()
        if (!how) return
        const hours = Number(cure)
        const curesUntil_ms = hours > 0 ? Date.now() + hours * hour_ms : null
        record({ kind: 'joints-made', pipe: pipeId, how, lasts, curesUntil_ms })
      }}
    >
      <Choice labelled label="Made how" value={how} options={hows} onChoose={setHow} />
      <Choice
        labelled
        label="Made to last"
        value={lasts}
        options={
          [
            { id: 'permanent', text: 'For good' },
            { id: 'temporary', text: 'Comes off again' },
          ] as const
        }
        onChoose={setLasts}
      />
      <Choice
        labelled
        label="Cures from now, by its maker"
        value={cure}
        options={cures}
        onChoose={setCure}
      />
      <Button type="submit" look={how ? 'line' : 'wait'} isDisabled={!how}>
        {how ? 'Record how they were made' : 'Record: say how'}
      </Button>
    </Form>
  )
}

const Acts = styled.span`
  display: flex;
  gap: 18px;
`
const Joints = styled.ul`
  margin: 6px 0;
  li {
    display: flex;
    gap: 16px;
    align-items: center;
    min-height: 44px;
    border-top: 0.8px solid var(--hair);
  }
  span {
    flex: 1;
  }
  ${phone} {
    li {
      gap: 12px;
    }
  }
`
const Form = styled.form`
  display: grid;
  grid-template-columns: 1fr 1fr 1fr auto;
  gap: 10px 18px;
  align-items: end;
  padding: 8px 0 4px;
  label {
    display: block;
    font: 400 var(--small)/20px var(--text);
    color: var(--ink-2);
  }
  ${phone} {
    grid-template-columns: 1fr;
  }
`
