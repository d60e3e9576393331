import type { Parsed, StepReading } from '@hestian/core'
import { fromSi } from '@hestian/core'
import { FieldError, Input, Label, Text, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useDesign, useReadBy } from '../job/JobContext'
import { Button } from '../ui/Button'
import { VerdictChip } from '../ui/VerdictChip'
import { phone } from '../ui/phone'

interface ReadingFieldProps {
  readonly reading: StepReading
  readonly typed: string
  readonly onTyped: (text: string) => void
  readonly within: boolean | undefined
  readonly parsed: Parsed | undefined
}

/**
 * A reading as it is typed: in pencil until recorded, with its limit, the design and itself on one
 * scale.
 */
export function ReadingField({ reading, typed, onTyped, within, parsed }: ReadingFieldProps) {
  const { show } = useReadBy()
  const si = parsed?.outcome === 'understood' ? parsed.si : undefined
  const error =
    parsed?.outcome === 'refused' || parsed?.outcome === 'ambiguous' ? parsed.says : undefined
  const limits = [
    reading.least !== undefined ? `at least ${show(reading.least, reading.measure)}` : '',
    reading.most !== undefined ? `at most ${show(reading.most, reading.measure)}` : '',
  ]
    .filter(Boolean)
    .join(', ')
  return (
    <Frame>
      <Field
        value={typed}
        onChange={onTyped}
        isInvalid={error !== undefined}
        validationBehavior="aria"
      >
        <Label>{reading.label}</Label>
        <span>
          <Input autoComplete="off" size={6} />
          <b>{show.unit(reading.measure)}</b>
        </span>
        {error === undefined && (
          <Text slot="description">
            {parsed?.outcome === 'understood'
              ? `Understood: ${parsed.echo}${parsed.question ? '. Unusual: is the unit right?' : ''}`
              : 'Any unit; a bare number is in the unit shown.'}
          </Text>
        )}
        <FieldError>{error}</FieldError>
        {parsed?.outcome === 'ambiguous' &&
          parsed.readings.map((one) => (
            <Button key={one.text} onPress={() => onTyped(one.text)}>
              {one.text}
            </Button>
          ))}
      </Field>
      <div>
        <Scale reading={reading} si={si} />
        {si !== undefined && <VerdictChip provisional {...chipOf(within)} />}
        <small>
          {limits ? `${limits}: ${reading.limitSays}` : `Limit: ${reading.limitSays}`}
          {reading.target !== undefined ? `; design ${show(reading.target, reading.measure)}` : ''}
        </small>
      </div>
    </Frame>
  )
}

const [width, height] = [412, 70]

function Scale({
  reading,
  si,
}: {
  readonly reading: StepReading
  readonly si: number | undefined
}) {
  const { solution } = useDesign()
  const { show } = useReadBy()
  const unit = solution.practice.units[reading.measure]
  const marks = [reading.least, reading.most, reading.target, si].filter(
    (value): value is number => value !== undefined,
  )
  if (marks.length === 0) return null
  const [low, high] = [Math.min(...marks), Math.max(...marks)]
  const pad = Math.max(
    (high - low) * 0.35,
    Math.abs(fromSi(high, unit)) > 0
      ? Math.abs(high - (reading.measure === 'temperature' ? 273.15 : 0)) * 0.03
      : 1,
  )
  const x = (value: number) => (width * (value - (low - pad))) / (high - low + 2 * pad)
  const from = reading.least === undefined ? 0 : x(reading.least)
  const to = reading.most === undefined ? width : x(reading.most)
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      role="img"
      aria-label={`Limit, design and reading on one scale${si === undefined ? '' : `: ${show(si, reading.measure)}`}`}
      style={{ maxWidth: width, overflow: 'visible' }}
    >
      <rect x={0} y={24} width={width} height={22} fill="var(--stop-wash)" />
      <rect x={from} y={24} width={Math.max(0, to - from)} height={22} fill="var(--pass-wash)" />
      {[reading.least, reading.most].map((limit, i) =>
        limit === undefined ? null : (
          <g key={i}>
            <path d={`M${x(limit)} 20V50`} stroke="var(--stop)" strokeWidth="2" />
            <text x={x(limit)} y={66} fontSize="14" textAnchor="middle" fill="var(--ink-2)">
              {show.figure(limit, reading.measure)}
            </text>
          </g>
        ),
      )}
      {reading.target !== undefined && (
        <g>
          <path
            d={`M${x(reading.target)} 24V46`}
            stroke="var(--ink)"
            strokeDasharray="3 3"
            strokeWidth="1.5"
          />
          <text
            x={Math.min(width - 50, x(reading.target) + 6)}
            y={14}
            fontSize="14"
            fill="var(--ink-2)"
          >
            design
          </text>
        </g>
      )}
      {si !== undefined && (
        <path
          d={`M${x(si) - 8} 18h16l-8 12ZM${x(si)} 28V48`}
          fill="var(--ink)"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
      )}
    </svg>
  )
}

/** How a reading that is being typed stands to the limits of its design. */
function chipOf(within: boolean | undefined) {
  if (within === undefined) return { verdict: 'not-yet', word: 'No limit in the design' } as const
  return within
    ? ({ verdict: 'pass', word: 'Would pass' } as const)
    : ({ verdict: 'stop', word: 'Outside' } as const)
}

const Frame = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 300px) minmax(0, 1fr);
  gap: 28px;
  align-items: end;
  margin-top: 14px;
  > div {
    display: grid;
    gap: 8px;
    justify-items: start;
  }
  small {
    font-size: var(--small);
    color: var(--ink-2);
  }
  ${phone} {
    grid-template-columns: 1fr;
    gap: 10px;
  }
`
const Field = styled(TextField)`
  display: grid;
  gap: 4px;
  label {
    font-size: var(--plain);
    color: var(--ink-2);
  }
  > span {
    display: flex;
    align-items: baseline;
    gap: 12px;
  }
  b {
    font: 650 var(--head-1)/30px var(--head);
    color: var(--pencil);
  }
  input {
    width: 100%;
    min-width: 0;
    font: 600 72px/80px var(--head);
    letter-spacing: -0.02em;
    color: var(--pencil);
    background: transparent;
    border: 0;
    border-bottom: 3px dashed var(--pencil);
    padding: 0;
    border-radius: 0;
  }
  [slot='description'] {
    font-size: var(--small);
    color: var(--ink-2);
    min-height: 20px;
  }
  .react-aria-FieldError {
    color: var(--stop);
    font-size: var(--small);
    line-height: 19px;
    overflow-wrap: anywhere;
  }
  &[data-invalid] input {
    border-color: var(--stop);
  }
`
