import styled from 'styled-components'
import { Mark } from './icons'

export type ChipVerdict = 'pass' | 'fix' | 'stop' | 'not-yet'

interface VerdictChipProps {
  readonly verdict: ChipVerdict
  readonly word: string
  /** Not recorded yet: dashed. */
  readonly provisional?: boolean
  /** A stop that stands last on the page is reached from here. */
  readonly href?: string
}

export function VerdictChip({ verdict, word, provisional, href }: VerdictChipProps) {
  const inner = (
    <>
      <Mark kind={verdict} size={18} />
      {word}
    </>
  )
  return href ? (
    <Chip as="a" href={href} data-verdict={verdict} data-provisional={provisional || undefined}>
      {inner}
    </Chip>
  ) : (
    <Chip data-verdict={verdict} data-provisional={provisional || undefined}>
      {inner}
    </Chip>
  )
}

const Chip = styled.span`
  display: inline-flex;
  align-items: center;
  gap: 8px;
  padding: 3px 12px 3px 8px;
  border-radius: 2px;
  font: 650 var(--lead)/22px var(--head);
  white-space: nowrap;
  border: 1.5px solid transparent;
  text-decoration: none;
  &[data-verdict='pass'] {
    background: var(--pass-wash);
    color: var(--pass);
  }
  &[data-verdict='fix'] {
    background: var(--look-wash);
    color: var(--look);
  }
  &[data-verdict='stop'] {
    background: var(--stop-wash);
    color: var(--stop);
  }
  &[data-verdict='not-yet'] {
    color: var(--pencil);
    border: 1.5px dashed var(--rule);
  }
  &[data-provisional] {
    background: none;
    border: 1.5px dashed currentColor;
  }
`
