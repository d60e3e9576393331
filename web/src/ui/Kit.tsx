import { offStates, practices, showIn, tightnessTrace, TightnessPlanSchema } from '@hestian/core'
import { useState } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { ThemeSwitch } from './ThemeSwitch'
import { Answer, Prose, SectionHead, VerdictLine } from './Answer'
import { Button } from './Button'
import { DrawingView } from './DrawingView'
import { Choice } from './Choice'
import { InlineCount, InlineText } from './fields'
import { Logo, Mark, PlantSymbol } from './icons'
import { VerdictChip } from './VerdictChip'
import { phone } from './phone'

const tokens = [
  'paper',
  'sheet',
  'sunk',
  'select',
  'ink',
  'ink-2',
  'ink-3',
  'pencil',
  'rule',
  'hair',
  'ember',
  'ember-ink',
  'cold',
  'hot',
  'gas',
  'gas-fill',
  'condensate',
  'cold-wash',
  'hot-wash',
  'pass',
  'look',
  'stop',
  'pass-wash',
  'look-wash',
  'stop-wash',
  'off-bg',
  'tag',
]
const show = showIn(practices['uk-ireland'].units)
const source = { basis: 'common-practice', says: '' }
const plan = TightnessPlanSchema.parse({
  testGauge_Pa: 2000,
  stabilise_s: 60,
  test_s: 120,
  volume_m3: 0.01,
  atmosphere_Pa: 101325,
  permittedLeak_m3_s: 3.9e-7,
  permittedLeakSource: source,
  perceptible_Pa: 25,
  gauge: { kind: 'digital', resolution_Pa: 10 },
  methodSource: source,
})
const samples = Array.from({ length: 181 }, (_, i) => ({
  at_ms: i * 1000,
  gauge_Pa: Math.round((2000 + 30 * Math.exp(-i / 14) - i * 0.06) / 10) * 10,
  temp_K: 288.4,
}))

/** Every part of the kit on one page, for whoever builds a screen. */
export function Kit() {
  const [text, setText] = useState('System boiler')
  const [count, setCount] = useState(3)
  const [size, setSize] = useState('22')
  return (
    <Page>
      <header>
        <h1>
          <Link to="/">
            <Logo /> Hestian, the kit
          </Link>
        </h1>
        <ThemeSwitch />
      </header>
      <Answer>
        Answer: <b>35 L</b> vessel, charged to <b>1.0 bar</b>.
      </Answer>
      <VerdictLine>
        <VerdictChip verdict="pass" word="Pass" />
        <VerdictChip verdict="fix" word="Look again" />
        <VerdictChip verdict="stop" word="Stop" />
        <VerdictChip verdict="not-yet" word="Not yet" />
        <VerdictChip verdict="pass" word="Would pass" provisional />
      </VerdictLine>
      <SectionHead>
        Section head<small>with an aside</small>
      </SectionHead>
      <Line>
        {(['pass', 'fix', 'stop', 'note', 'not-yet', 'now'] as const).map((kind) => (
          <span key={kind}>
            <Mark kind={kind} size={26} /> {kind}
          </span>
        ))}
      </Line>
      <Line>
        {offStates.map((state) => (
          <span key={state}>
            <PlantSymbol state={state} /> {state}
          </span>
        ))}
      </Line>
      <SectionHead>Buttons</SectionHead>
      <Line>
        <Button look="go">The next thing</Button>
        <Button>Another</Button>
        <Button look="wait" isDisabled>
          Waits for the gauge
        </Button>
        <Button look="text">Text action</Button>
      </Line>
      <SectionHead>Fields</SectionHead>
      <Line>
        <InlineText labelled label="Text" value={text} maxLength={20} onCommit={setText} />
        <InlineCount labelled label="Count" value={count} onCommit={setCount} />
        <Choice
          labelled
          label="Choice"
          value={size}
          options={[
            { id: '15', text: '15 mm' },
            { id: '22', text: '22 mm' },
          ]}
          onChoose={setSize}
        />
      </Line>
      <SectionHead>Trace</SectionHead>
      <DrawingView
        drawing={tightnessTrace(
          {
            plan,
            reading: 'streamed',
            settleFrom_ms: 0,
            settledBefore_ms: [],
            endedEarly: false,
            samples,
          },
          show,
          { width: 760, height: 200 },
          [{ at_ms: 90_000, text: 'Soaped: dry' }],
        )}
      />
      <SectionHead>Tokens</SectionHead>
      <Line>
        {tokens.map((token) => (
          <Swatch key={token}>
            <i style={{ background: `var(--${token})` }} />
            {token}
          </Swatch>
        ))}
      </Line>
      <Prose>Ink is known, pencil is assumed. Colour has a job or is absent. Up is further.</Prose>
    </Page>
  )
}

const Page = styled.main`
  padding: 16px 40px 60px;
  max-width: 1100px;
  header {
    display: flex;
    justify-content: space-between;
    align-items: center;
    margin-bottom: 16px;
    a {
      display: flex;
      gap: 10px;
      font: 650 22px/28px var(--head);
      text-decoration: none;
    }
  }
  ${phone} {
    padding: 12px 14px;
  }
`
const Line = styled.div`
  display: flex;
  gap: 16px 26px;
  flex-wrap: wrap;
  align-items: center;
  padding: 12px 0 18px;
  span {
    display: inline-flex;
    align-items: center;
    gap: 8px;
    font-size: var(--small);
  }
`
const Swatch = styled.span`
  i {
    width: 34px;
    height: 34px;
    border: 1px solid var(--rule);
  }
`
