import type { JudgedGasTest, JudgedTest } from '@hestian/core'
import { useState } from 'react'
import { Input, Label, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { MadeSafe } from '../job/MadeSafe'
import { useKeptText } from '../job/useKeptText'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Mark } from '../ui/icons'
import { Soap } from './Soap'

interface AfterTestProps {
  readonly test: JudgedTest
  readonly gasTest: JudgedGasTest | undefined
  readonly onAgain: () => void
  /** The next test of this job that is asked and not made. */
  readonly next: { readonly name: string; readonly onPress: () => void } | undefined
}

/**
 * What follows a test: the point it was read at is closed and soaped; a leak is searched, mended,
 * tested again, or left safe.
 */
export function AfterTest({ test, gasTest, onAgain, next }: AfterTestProps) {
  const { frozen } = useStanding()
  const { isTight, leaks, retest } = standOf(test, gasTest)
  const soap = gasTest && <Soap gasTest={gasTest} />
  if (frozen) return soap
  return (
    <>
      {isTight && gasTest && <TestPoint test={test} />}
      {soap}
      {leaks && !test.repaired && <Repair test={test} found={foundBy(gasTest)} />}
      {leaks && <MadeSafe />}
      {(!leaks || test.repaired) && (
        <Onward
          retest={retest}
          isDone={gasTest?.state === 'passed'}
          onAgain={onAgain}
          next={next}
        />
      )}
    </>
  )
}

/** The next test, or this one again. */
function Onward({
  retest,
  isDone,
  onAgain,
  next,
}: Pick<AfterTestProps, 'onAgain' | 'next'> & {
  readonly retest: boolean
  readonly isDone: boolean
}) {
  return (
    <Next>
      {!retest && next && (
        <Button look={isDone ? 'go' : 'line'} onPress={next.onPress}>
          Next: {next.name}
        </Button>
      )}
      <Button look={retest ? 'go' : 'text'} onPress={onAgain}>
        Test again
      </Button>
    </Next>
  )
}

/**
 * Whether it held and no joint bubbled, whether it leaks, and whether it is to be made again
 * whatever it said.
 */
function standOf({ verdict, testPoint }: JudgedTest, gasTest: JudgedGasTest | undefined) {
  const bubbles = gasTest?.state === 'bubbles'
  const isTight = verdict.outcome === 'passed' && !bubbles
  return {
    isTight,
    leaks: verdict.outcome === 'failed' || bubbles || testPoint?.soaped === 'bubbles',
    retest: !isTight || gasTest?.state === 'repaired' || gasTest?.state === 'changed',
  }
}

/** Where soap showed bubbles, to begin the sentence of the repair with. */
const foundBy = (gasTest: JudgedGasTest | undefined): string =>
  (gasTest?.register ?? [])
    .flatMap(({ pipeName, joints }) =>
      joints
        .filter(({ soaped }) => soaped?.result === 'bubbles')
        .map(({ name }) => `${pipeName}, ${name.toLowerCase()}: `),
    )
    .join('')

/**
 * The last step of every gas test: the gauge off, the screw back, and soap on it under pressure.
 */
function TestPoint({ test }: { readonly test: JudgedTest }) {
  const { record } = useJobActions()
  const { nameOf, dates } = useReadBy()
  const { testPoint, testId } = test
  const soaped = (result: 'dry' | 'bubbles') => {
    record({ kind: 'test-point', testId, soaped: result })
  }
  return (
    <section data-place="test-point">
      <SectionHead>
        Last: the test point<small>the gauge is off by then</small>
      </SectionHead>
      {testPoint?.soaped === 'dry' ? (
        <Told>
          <Mark kind="pass" size={20} />
          <span>
            Screw back, soaped: <b>dry</b>. {nameOf(testPoint.by)}, {dates.dayTime(testPoint.at)}
          </span>
        </Told>
      ) : (
        <>
          <Told>
            <Mark kind={testPoint ? 'stop' : 'not-yet'} size={20} />
            <span>
              {testPoint ? (
                <>
                  <b>It bubbles.</b> Remake it, and soap it again under pressure.
                </>
              ) : (
                <>
                  Take the gauge off, put the screw back, bring the pipe to its working pressure and
                  soap it. Until it is dry this test clears nothing.
                </>
              )}
            </span>
          </Told>
          <Next>
            <Button look="go" onPress={() => soaped('dry')}>
              Screw back, soaped: dry
            </Button>
            <Button onPress={() => soaped('bubbles')}>It bubbles</Button>
          </Next>
        </>
      )}
    </section>
  )
}

/** What was found and mended; the test is made again behind it. */
function Repair({ test, found }: { readonly test: JudgedTest; readonly found: string }) {
  const { act } = useJobActions()
  const [kept, setKept] = useKeptText(`repair:${test.testId}`)
  const [typed, setTyped] = useState(kept === '' ? undefined : kept)
  const what = typed ?? found
  const isSaid = what.trim().length > Math.max(3, found.trim().length)
  return (
    <Form
      aria-label="Repair"
      onSubmit={(event) => {
        event.preventDefault()
        if (!isSaid) return
        void act(`/tests/${test.testId}/repair`, { what: what.trim() }).then(
          (granted) => granted && setKept(''),
        )
      }}
    >
      <TextField
        value={what}
        onChange={(text) => {
          setTyped(text)
          setKept(text)
        }}
        maxLength={400}
      >
        <Label>Repaired: what was done</Label>
        <Input placeholder="olive at joint 7 remade, soaped: dry" />
      </TextField>
      <Button type="submit" look={isSaid ? 'go' : 'wait'} isDisabled={!isSaid}>
        {isSaid ? 'Record the repair' : 'Record the repair: say what was done'}
      </Button>
    </Form>
  )
}

const Told = styled.p`
  display: flex;
  gap: 10px;
  max-width: 72ch;
  padding: 4px 0;
  svg {
    flex: none;
    margin-top: 2px;
  }
`
const Next = styled.div`
  display: flex;
  gap: 16px;
  align-items: center;
  margin: 8px 0 14px;
  flex-wrap: wrap;
`
const Form = styled.form`
  display: flex;
  gap: 16px;
  align-items: flex-end;
  margin: 14px 0;
  flex-wrap: wrap;
  > div {
    flex: 1;
    min-width: 240px;
  }
  label {
    display: block;
    font-size: var(--small);
    color: var(--ink-2);
  }
  input {
    width: 100%;
    min-height: 48px;
    background: transparent;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    padding: 4px;
    font-size: var(--large);
  }
`
