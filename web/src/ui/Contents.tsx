import type { Finding, Missing } from '@hestian/core'
import { useLayoutEffect, useRef, useState } from 'react'
import { flushSync } from 'react-dom'
import styled from 'styled-components'
import { useStanding } from '../job/JobContext'
import { Mark } from './icons'
import { useSheet } from './sheetContext'
import { phone } from './phone'

type State = 'stop' | 'fix' | 'not-yet' | undefined
interface Part {
  readonly id: string
  readonly name: string
  readonly state: State
}

const stateWords = { stop: 'stop', fix: 'to fix', 'not-yet': 'not complete' } as const
/**
 * A sheet gets its line of contents from so many parts, and from so much longer than what is seen
 * of it.
 */
const fewest = 4
const longEnough = 1.4

/**
 * The parts of a long sheet in a line: each says what is wrong or missing in it and jumps there.
 */
export function Contents() {
  const { sheet, findings } = useSheet()
  const { judgement } = useStanding()
  const { missing } = judgement.sheets[sheet]
  const line = useRef<HTMLElement>(null)
  const [parts, setParts] = useState<readonly Part[]>([])
  const [isShort, setShort] = useState(false)
  useLayoutEffect(() => {
    const page = line.current?.closest<HTMLElement>('[data-page]')
    if (!page) return
    const look = () => {
      const next = partsOf(page, findings, missing)
      setParts((before) => (JSON.stringify(before) === JSON.stringify(next) ? before : next))
    }
    look()
    // How long the page is, is known once it is laid out: to ask sooner would lay it out for that.
    const observer = new ResizeObserver(() =>
      flushSync(() => {
        look()
        setShort(page.offsetHeight <= longEnough * window.innerHeight)
      }),
    )
    observer.observe(page)
    return () => observer.disconnect()
  }, [findings, missing])
  const shown = isShort || parts.length < fewest ? [] : parts
  return (
    <Line ref={line} aria-label="Parts of this sheet" hidden={shown.length === 0}>
      {shown.map(({ id, name, state }) => (
        <a
          key={id}
          href={`#${id}`}
          onClick={(event) => {
            event.preventDefault()
            const head = document.getElementById(id)
            head?.scrollIntoView({ block: 'start' })
            head?.focus({ preventScroll: true })
          }}
        >
          {state && <Mark kind={state} size={15} label={stateWords[state]} />}
          {name}
        </a>
      ))}
    </Line>
  )
}

/** Every head of the page with what is said between it and the next. */
function partsOf(
  page: HTMLElement,
  findings: readonly Finding[],
  missing: readonly Missing[],
): readonly Part[] {
  const heads = [...page.querySelectorAll<HTMLElement>('[data-part]')]
  const places = [...page.querySelectorAll<HTMLElement>('[data-place]')]
  return heads.map((head, i): Part => {
    const next = heads[i + 1]
    const mine = new Set(
      places
        .filter((place) => follows(place, head) && !(next && follows(place, next)))
        .map((place) => place.dataset.place),
    )
    const here = findings.filter((finding) => mine.has(finding.place))
    head.id ||= `part-${i}`
    head.tabIndex = -1
    return { id: head.id, name: nameOf(head), state: stateOf(here, missing, mine) }
  })
}

const follows = (one: Node, other: Node): boolean =>
  (other.compareDocumentPosition(one) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0

function nameOf(head: HTMLElement): string {
  const field = head.querySelector('input')
  if (field) return field.value
  const copy = head.cloneNode(true) as HTMLElement
  copy.querySelectorAll('small, svg').forEach((aside) => aside.remove())
  return copy.textContent?.trim() ?? ''
}

function stateOf(
  findings: readonly Finding[],
  missing: readonly Missing[],
  places: ReadonlySet<string | undefined>,
): State {
  if (findings.some(({ severity }) => severity === 'stop')) return 'stop'
  if (missing.some(({ place }) => places.has(place))) return 'not-yet'
  return findings.some(({ severity }) => severity === 'fix') ? 'fix' : undefined
}

const Line = styled.nav`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  padding: 5px 0;
  margin: -4px 0 10px;
  border-top: 0.8px solid var(--hair);
  border-bottom: 0.8px solid var(--hair);
  &[hidden] {
    display: none;
  }
  a {
    display: inline-flex;
    align-items: center;
    gap: 6px;
    min-height: 28px;
    font: 450 var(--small)/20px var(--head);
    color: var(--ink-2);
    text-decoration-color: var(--rule);
    text-underline-offset: 4px;
  }
  a:hover {
    color: var(--ink);
  }
  ${phone} {
    flex-wrap: nowrap;
    overflow-x: auto;
    a {
      min-height: 44px;
      white-space: nowrap;
    }
  }
  @media print {
    display: none;
  }
`
