import type { ReactNode } from 'react'
import type { FallbackProps } from 'react-error-boundary'
import { ErrorBoundary } from 'react-error-boundary'
import { Link } from 'react-router'
import styled from 'styled-components'
import { Button } from '../ui/Button'
import { Mark } from '../ui/icons'
import { NotFetched } from '../work/NotFetched'

/**
 * Keeps a sheet that breaks from taking the job with it: says so, keeps what was typed, and lets
 * one go on elsewhere or try again.
 */
export function SheetBoundary({
  name,
  resetOn,
  children,
}: {
  /** What broke, as the sentence calls it. */
  readonly name: string
  /** A change of any of these tries again by itself. */
  readonly resetOn: readonly unknown[]
  readonly children: ReactNode
}) {
  return (
    <ErrorBoundary
      resetKeys={[...resetOn]}
      onError={(error) => console.error(error)}
      fallbackRender={(props) => <Broken name={name} {...props} />}
    >
      {children}
    </ErrorBoundary>
  )
}

function Broken({ name, error, resetErrorBoundary }: FallbackProps & { readonly name: string }) {
  return (
    <Said role="alert">
      <h2>
        <Mark kind="stop" size={24} /> {name} cannot be shown.
      </h2>
      {error instanceof NotFetched ? (
        <p>
          {error.message} What you typed is kept. Try again when there is a signal, or go on
          elsewhere.
        </p>
      ) : (
        <p>
          This is a mistake in Hestian, not yours. What you typed is kept, and the rest of the job
          can be used. If you changed something just before, take it back with Ctrl+Z; else try
          again, or go on with another sheet.
        </p>
      )}
      <p>
        <Button onPress={resetErrorBoundary}>Try again</Button> <Link to="/">All jobs</Link>
      </p>
      {error instanceof NotFetched ? null : (
        <small>
          For whoever mends it: {error instanceof Error ? error.message : String(error)}
        </small>
      )}
    </Said>
  )
}

const Said = styled.div`
  padding: 24px;
  max-width: 70ch;
  h2 {
    font: 650 var(--head-2)/28px var(--head);
    display: flex;
    gap: 10px;
    align-items: center;
  }
  svg {
    color: var(--stop);
    flex: none;
  }
  a {
    color: var(--ember-ink);
  }
  small {
    color: var(--ink-3);
    font-size: var(--note);
    overflow-wrap: anywhere;
  }
`
