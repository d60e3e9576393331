import type { Finding, SheetId } from '@hestian/core'
import { severityWords } from '@hestian/core'
import type { ReactNode } from 'react'
import { Children, useDeferredValue, useLayoutEffect, useMemo, useRef, useState } from 'react'
import styled from 'styled-components'
import { useJobActions, useOnceShown, useStanding, useWords } from '../job/JobContext'
import { Button } from './Button'
import { Mark } from './icons'
import { SheetContext, useSheet } from './sheetContext'
import { WorkedProvider } from './Worked'
import { phone, phoneQuery } from './phone'

interface SheetPageProps {
  readonly sheet: SheetId
  readonly children: ReactNode
  /** Stands in the margin above the notes. */
  readonly margin?: ReactNode
  /** Findings to show; all of the sheet's unless given. */
  readonly findings?: readonly Finding[]
}

/**
 * A sheet with its margin: notes stand beside the inputs they speak of, a leader from each; on a
 * narrow page they fold under their rows.
 */
export function SheetPage({ sheet, children, margin, findings }: SheetPageProps) {
  const { judgement } = useStanding()
  const mine = findings ?? judgement.sheets[sheet].findings
  const shown = useMemo(() => ({ sheet, findings: mine }), [sheet, mine])
  // The answer is drawn first, and what it rests on with the next stroke.
  const isWhole = useDeferredValue(true, false)
  const parts = Children.toArray(children)
  return (
    <SheetContext.Provider value={shown}>
      <WorkedProvider>
        <Columns>
          <Page data-page>
            {isWhole ? parts : parts.slice(0, 2)}
            {isWhole && <Unplaced findings={mine} />}
          </Page>
          <Margin findings={mine}>{margin}</Margin>
        </Columns>
      </WorkedProvider>
    </SheetContext.Provider>
  )
}

const noMargin = '(max-width: 1100px)'
const gutter = 26
const gap = 22

interface Placement {
  readonly finding: Finding
  readonly top: number
  readonly row?: number
}

function Margin({
  findings,
  children,
}: {
  readonly findings: readonly Finding[]
  readonly children?: ReactNode
}) {
  const ref = useRef<HTMLElement>(null)
  const [placed, setPlaced] = useState<readonly Placement[]>([])
  const [least, setLeast] = useState(0)
  useLayoutEffect(() => {
    const column = ref.current
    const page = column?.previousElementSibling
    if (!column || !(page instanceof HTMLElement)) return
    const measure = () => {
      // There the notes stand in the sheet.
      if (matchMedia(noMargin).matches) return
      const origin = column.getBoundingClientRect().top
      const start =
        (column.querySelector<HTMLElement>('[data-margin-head]')?.offsetHeight ?? 0) + 16
      const wanted = findings.map((finding) => {
        const row = page.querySelector<HTMLElement>(`[data-place="${CSS.escape(finding.place)}"]`)
        const box = row?.getBoundingClientRect()
        return {
          finding,
          ...(box && box.height > 0 ? { row: box.top + box.height / 2 - origin } : {}),
        }
      })
      wanted.sort((a, b) => (a.row ?? Infinity) - (b.row ?? Infinity))
      let bottom = start
      const next = wanted.map(({ finding, row }) => {
        const height =
          column.querySelector<HTMLElement>(`[data-note="${CSS.escape(keyOf(finding))}"]`)
            ?.offsetHeight ?? 120
        const top = Math.max(
          bottom,
          row === undefined ? bottom : Math.min(row - 14, Math.max(bottom, row - 14)),
        )
        bottom = top + height + gap
        return { finding, top, ...(row === undefined ? {} : { row }) }
      })
      setLeast(bottom)
      setPlaced((before) =>
        JSON.stringify(before.map(({ top, row }) => [Math.round(top), Math.round(row ?? -1)])) ===
          JSON.stringify(next.map(({ top, row }) => [Math.round(top), Math.round(row ?? -1)])) &&
        before.every((one, i) => one.finding === next[i]?.finding)
          ? before
          : next,
      )
    }
    measure()
    const observer = new ResizeObserver(measure)
    observer.observe(page)
    observer.observe(column)
    return () => observer.disconnect()
  }, [findings])
  const shown =
    placed.length === findings.length && placed.every((one) => findings.includes(one.finding))
      ? placed
      : findings.map((finding): Placement => ({ finding, top: 0 }))
  return (
    <Column ref={ref} aria-label="Margin notes" style={{ minHeight: least }}>
      {children && <div data-margin-head>{children}</div>}
      <Leaders aria-hidden width="40" height="100%">
        {shown.map((one, i) =>
          one.row === undefined || one.top === 0 ? null : (
            <Leader
              key={keyOf(one.finding)}
              from={one.row}
              to={one.top + 10}
              turn={gutter - 8 - (i % 4) * 4}
              severity={one.finding.severity}
            />
          ),
        )}
      </Leaders>
      {shown.map(({ finding, top }) => (
        <NoteFrame
          key={keyOf(finding)}
          data-note={keyOf(finding)}
          style={{ top }}
          id={`note-${keyOf(finding)}`}
        >
          <Note finding={finding} />
        </NoteFrame>
      ))}
    </Column>
  )
}

const keyOf = (finding: Finding) => `${finding.id}@${finding.place}`
const inkOf = { stop: 'var(--stop)', fix: 'var(--look)', note: 'var(--ink-2)' } as const

function Leader({
  from,
  to,
  turn,
  severity,
}: {
  readonly from: number
  readonly to: number
  readonly turn: number
  readonly severity: Finding['severity']
}) {
  return (
    <g stroke={inkOf[severity]} fill="none" strokeWidth="1.5">
      <circle cx="4" cy={from} r="3.5" fill={inkOf[severity]} stroke="none" />
      <path d={Math.abs(from - to) < 2 ? `M4 ${from}H36` : `M4 ${from}H${turn}V${to}H36`} />
    </g>
  )
}

/** One note: kind and head, why, source, and at most one thing to press. */
export function Note({ finding }: { readonly finding: Finding }) {
  const { frozen } = useStanding()
  const { edit } = useJobActions()
  const { head, why } = useWords()(finding)
  const { remedy } = finding
  const mend = useOnceShown(() => remedy && edit(remedy.edits))
  return (
    <Body data-severity={finding.severity}>
      <h3>
        <Mark kind={finding.severity} size={20} />
        <span>
          <em>{severityWords[finding.severity]}.</em> {head}
        </span>
      </h3>
      <p>{why}</p>
      <small>Source: {finding.source.says}.</small>
      {remedy && remedy.edits.length > 0 && !frozen && (
        <p>
          <b>Fix:</b>{' '}
          <Button look="text" onPress={mend}>
            {remedy.label}
          </Button>
        </p>
      )}
    </Body>
  )
}

/** Places of this sheet that something is said of. */
export function usePlacesNoted(): ReadonlySet<string> {
  const { findings } = useSheet()
  return useMemo(() => new Set(findings.map((finding) => finding.place)), [findings])
}

/** Notes of one place, under its row on a narrow page. */
export function NotesHere({ place }: { readonly place: string }) {
  const findings = useSheet().findings.filter((finding) => finding.place === place)
  if (findings.length === 0) return null
  return (
    <Folded>
      {findings.map((finding) => (
        <Note key={keyOf(finding)} finding={finding} />
      ))}
    </Folded>
  )
}

/** On a narrow page, what speaks of a place that no row of this page shows. */
function Unplaced({ findings }: { readonly findings: readonly Finding[] }) {
  const ref = useRef<HTMLDivElement>(null)
  const [loose, setLoose] = useState<readonly Finding[]>([])
  useLayoutEffect(() => {
    const page = ref.current?.parentElement
    setLoose(
      findings.filter(
        (finding) => !page?.querySelector(`[data-place="${CSS.escape(finding.place)}"]`),
      ),
    )
  }, [findings])
  // Those of before are gone until it is looked again.
  const here = loose.filter((finding) => findings.includes(finding))
  return (
    <div ref={ref}>
      {here.length > 0 && (
        <Folded>
          {here.map((finding) => (
            <Note key={keyOf(finding)} finding={finding} />
          ))}
        </Folded>
      )}
    </div>
  )
}

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 288px;
  min-height: 100%;
  @media ${noMargin} {
    grid-template-columns: minmax(0, 1fr);
  }
`
const Page = styled.div`
  padding: 14px 14px 24px 24px;
  min-width: 0;
  ${phone} {
    padding: 12px 14px 24px 12px;
  }
  /* What is not looked at yet is laid out when it is: a sheet is ten times as high as a phone. */
  @media screen and ${phoneQuery} {
    > section {
      content-visibility: auto;
      contain-intrinsic-block-size: auto 600px;
      overflow-clip-margin: 10px;
    }
  }
`
const Column = styled.aside`
  position: relative;
  border-left: 4px double var(--rule);
  border-left-width: 5px;
  padding: 14px 18px 20px 20px;
  @media ${noMargin} {
    border-left: 0;
    padding: 0 24px;
    min-height: 0 !important;
    > section {
      display: none;
    }
  }
`
const Leaders = styled.svg`
  position: absolute;
  left: -22px;
  top: 0;
  pointer-events: none;
  overflow: visible;
  @media ${noMargin} {
    display: none;
  }
`
const NoteFrame = styled.section`
  position: absolute;
  left: 20px;
  right: 14px;
`
const Body = styled.div`
  font-size: var(--small);
  line-height: 20px;
  display: grid;
  gap: 4px;
  h3 {
    font: 650 var(--lead)/20px var(--head);
    display: flex;
    gap: 8px;
    svg {
      flex: none;
    }
  }
  em {
    font-style: normal;
  }
  p {
    color: var(--ink-2);
  }
  b {
    color: var(--ink);
  }
  small {
    font-size: var(--note);
    line-height: 18px;
    color: var(--ink-3);
  }
  &[data-severity='stop'] em {
    color: var(--stop);
  }
  &[data-severity='fix'] em {
    color: var(--look);
  }
  &[data-severity='note'] em {
    color: var(--ink-2);
  }
  button {
    font-size: var(--small);
  }
`
const Folded = styled.div`
  display: none;
  @media ${noMargin} {
    display: grid;
    gap: 14px;
    padding: 10px 0 14px;
  }
`
