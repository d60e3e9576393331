import type { OffState, VerdictIcon } from '@hestian/core'
import { verdictIcons } from '@hestian/core'

interface MarkProps {
  readonly kind: VerdictIcon | 'not-yet' | 'now'
  readonly size?: number
  /** Said where the word does not stand beside it. */
  readonly label?: string
}

/** Verdicts and states: shape before colour, always with its word near. */
export function Mark({ kind, size = 20, label }: MarkProps) {
  const named = label ? { role: 'img', 'aria-label': label } : { 'aria-hidden': true }
  if (kind === 'not-yet')
    return (
      <svg {...named} width={size} height={size} viewBox="0 0 20 20">
        <circle
          cx="10"
          cy="10"
          r="8.2"
          fill="none"
          stroke="var(--rule)"
          strokeWidth="1.7"
          strokeDasharray="3.2 2.6"
        />
      </svg>
    )
  if (kind === 'now')
    return (
      <svg {...named} width={size} height={size} viewBox="0 0 20 20">
        <path d="M4 2.5L17 10L4 17.5Z" fill="currentColor" />
      </svg>
    )
  const { ink, body, mark, hollow } = verdictIcons[kind]
  return (
    <svg {...named} width={size} height={size} viewBox="0 0 20 20">
      <path
        d={body}
        fill={hollow ? 'none' : `var(--${ink})`}
        stroke={hollow ? `var(--${ink})` : undefined}
        strokeWidth={1.7}
      />
      <path
        d={mark}
        fill="none"
        stroke={hollow ? `var(--${ink})` : 'var(--paper)'}
        strokeWidth={2.2}
      />
    </svg>
  )
}

const bowTie = 'M3 5L21 17V5L3 17Z'
const shapes: Readonly<Record<OffState, { readonly d: string; readonly solid: boolean }>> = {
  shut: { d: `${bowTie}M12 11V2M8 2h8`, solid: true },
  'held-open': { d: `${bowTie}M12 11L19 1`, solid: false },
  opened: { d: `${bowTie}M12 11V3`, solid: false },
  disconnected: { d: 'M2 11h6M16 11h6M8 6v10M16 6v10', solid: false },
  'power-off': {
    d: 'M6 3h12v7H6ZM2 17h3M19 17h3M8 17a3 3 0 1 1-6 0a3 3 0 1 1 6 0M22 17a3 3 0 1 1-6 0a3 3 0 1 1 6 0',
    solid: false,
  },
  drained: { d: 'M6 3v8a6 6 0 0 0 12 0V3M12 17v5', solid: false },
  linked: { d: 'M2 16h4V6h12v10h4M2 12v8M22 12v8', solid: false },
  'lever-over': { d: 'M4 16h16v4H4ZM12 16L21 5', solid: false },
  unlit: { d: 'M12 2C14 7 18 9 18 14a6 6 0 0 1-12 0c0-3 2-4 3-7M3 21L21 3', solid: false },
}

/** What something left out of place looks like on a plan. */
export function PlantSymbol({ state }: { readonly state: OffState }) {
  const { d, solid } = shapes[state]
  return (
    <svg
      aria-hidden
      width="28"
      height="26"
      viewBox="0 0 24 22"
      fill={solid ? 'currentColor' : 'none'}
      stroke="currentColor"
      strokeWidth="1.8"
    >
      <path d={d} />
    </svg>
  )
}

/** The firm's mark: two flanges and a pipe. */
export const Logo = ({ size = 26 }: { readonly size?: number }) => (
  <svg aria-hidden width={size} height={size} viewBox="0 0 26 26" fill="currentColor">
    <path d="M2 0h6v8H2zM2 18h6v8H2zM18 0h6v8h-6zM18 18h6v8h-6zM0 10h26v6H0z" />
  </svg>
)
