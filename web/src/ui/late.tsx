import type { ComponentType, ReactNode } from 'react'
import { Suspense, use, useEffect } from 'react'
import styled from 'styled-components'
import { Button } from './Button'
import { lateOnes } from './lateOnes'

/** A part of a page that is fetched after the page. */
export interface Late<P> {
  (props: P & Pick<Absent, 'notHere'>): ReactNode
  /** Fetches it ahead; after that it is drawn at once. */
  readonly fetch: () => Promise<unknown>
}

/**
 * A part that is fetched when it is first drawn. Where it cannot be fetched, that is said, and the
 * next time it is drawn it is asked for again.
 */
export function late<P extends object>(
  load: () => Promise<ComponentType<P>>,
  meanwhile: ReactNode = null,
): Late<P> {
  let asked: Promise<ComponentType<P & Absent>> | undefined
  let found: ComponentType<P> | undefined
  const fetch = () =>
    (asked ??= load().then(
      (part) => (found = part),
      () => NotHere,
    ))
  function Fetched(props: P) {
    const Part = found ?? use(fetch())
    useEffect(
      () => () => {
        if (!found) asked = undefined
      },
      [],
    )
    return <Part {...props} />
  }
  const Whole = (props: P) => (
    <Suspense fallback={meanwhile}>
      <Fetched {...props} />
    </Suspense>
  )
  const one = Object.assign(Whole, { fetch })
  lateOnes.push(one)
  return one
}

interface Absent {
  /** What is said where the part cannot be fetched. */
  readonly notHere?: string
  readonly onClose?: () => void
}

function NotHere({ notHere, onClose }: Absent) {
  return (
    <Band role="alert">
      {notHere ??
        'This is not on this device yet, and the server does not answer. Try again when there is a signal.'}{' '}
      {onClose && (
        <Button look="text" onPress={onClose}>
          Close
        </Button>
      )}
    </Band>
  )
}

const Band = styled.p`
  position: fixed;
  inset: auto 0 0;
  z-index: 60;
  padding: 16px 24px;
  background: var(--stop-wash);
  color: var(--ink);
  border-top: 2px solid var(--stop);
`
