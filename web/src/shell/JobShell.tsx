import type { SheetId } from '@hestian/core'
import { oldSheetIds, sheetCode, sheetNames, stageOfSheet, stageSheets } from '@hestian/core'
import type { ReactNode, RefObject } from 'react'
import { Suspense, useEffect, useLayoutEffect, useRef } from 'react'
import { Link, useParams } from 'react-router'
import styled from 'styled-components'
import { useJobState } from '../api/queries'
import { JobProvider, useDesign, useJobActions, useSending, useStanding } from '../job/JobContext'
import { WhoIsWorking } from '../job/WhoIsWorking'
import { NotSent } from '../sync/NotSent'
import { solvingHere } from '../work/solving'
import { Button } from '../ui/Button'
import { Logo, Mark } from '../ui/icons'
import { KeptCopy } from '../ui/KeptCopy'
import { late } from '../ui/late'
import { OffStrip } from './OffStrip'
import { fetchAllPages, isSheet, pageOf } from './pages'
import { Riser } from './Riser'
import { SaveLine } from './SaveLine'
import { SheetBoundary } from './SheetBoundary'
import { stageNames } from './stages'
import { ThemeSwitch } from '../ui/ThemeSwitch'
import { Unsafe } from './Unsafe'
import { phone } from '../ui/phone'

const ConflictDialog = late(async () => (await import('./ConflictDialog')).ConflictDialog)

export function JobShell() {
  const { jobId = '', sheet = 'site' } = useParams()
  const { data, error, isPending } = useJobState(jobId)
  // Beside the job itself, which is asked for now.
  useEffect(() => solvingHere.begin(), [])
  const id: SheetId = isSheet(sheet) ? sheet : (oldSheetIds[sheet] ?? 'site')
  if (data)
    return (
      <SheetBoundary name="This job" resetOn={[data.id, data.saveNumber]}>
        <JobProvider key={data.id} state={data} meanwhile={<Opening>Opening the job …</Opening>}>
          <Shell sheet={id} walking={sheet === 'walk'} />
        </JobProvider>
      </SheetBoundary>
    )
  return (
    <Opening>
      {isPending ? 'Opening the job …' : (error?.message ?? 'There is no such job here.')}
    </Opening>
  )
}

const Opening = ({ children }: { readonly children: ReactNode }) => (
  <Waiting role="status">
    <Logo /> {children} <Link to="/">All jobs</Link>
  </Waiting>
)

/** The marks of a tab; whatever is not here is not there yet. */
const tabMarks: Readonly<Record<string, 'pass' | 'stop'>> = { checked: 'pass', stop: 'stop' }

function Shell({ sheet, walking }: { readonly sheet: SheetId; readonly walking: boolean }) {
  const { draft } = useDesign()
  const { state, judgement } = useStanding()
  const { clearRefusal } = useJobActions()
  const { refusal, isLate } = useSending()
  const stage = stageOfSheet(sheet)
  const page = useRef<HTMLElement>(null)
  const tabs = useRef<HTMLElement>(null)
  useUndoKeys(draft)
  useFetchedPages()
  useEffect(() => {
    document.title = `${walking ? 'Walk' : sheetNames[sheet]}, ${draft.document.site.name}: Hestian`
  }, [sheet, walking, draft.document.site.name])
  useTopOfSheet(`${sheet} ${walking}`, page, tabs)
  const letter = state.frozen ?? state.revisions[state.revisions.length - 1]?.letter
  return (
    <Frame data-working={stage === 'commission' || undefined}>
      <SkipLink href="#sheet">Skip to the sheet</SkipLink>
      <BrandCell aria-label="All jobs">
        <Brand to="/" aria-label="Hestian, all jobs">
          <Logo />
          <span>Hestian</span>
        </Brand>
      </BrandCell>
      <RiserCell>
        <Riser judgement={judgement} jobId={state.id} current={stage} />
      </RiserCell>
      <Title>
        <h1>{draft.document.site.name}</h1>
        <span>
          Job <b className="tnum">{state.number}</b>
        </span>
        <span>
          {letter ? (
            <>
              Revision{' '}
              <b>
                {letter}
                {state.frozen ? ', signed' : ''}
              </b>
            </>
          ) : (
            'No revision yet'
          )}
        </span>
        <i />
        <Unsafe sheet={sheet} />
        <WhoIsWorking />
        <ThemeSwitch />
        <SaveLine />
      </Title>
      <Tabs
        ref={tabs}
        aria-busy={isLate || undefined}
        aria-label={`Sheets of ${stageNames[stage]}`}
      >
        {stageSheets[stage].map((id) => {
          const { name, state: at } = judgement.sheets[id]
          const kind = tabMarks[at] ?? 'not-yet'
          const word = {
            checked: 'checked',
            stop: 'stop',
            ready: 'ready to check',
            incomplete: 'not complete',
            'does-not-apply': 'does not apply',
            'not-begun': 'not begun',
            invited: 'not asked for by this work',
          }[at]
          return (
            <Tab
              key={id}
              to={`/jobs/${state.id}/${id}`}
              aria-current={id === sheet && !walking ? 'page' : undefined}
              data-invited={at === 'invited' || undefined}
            >
              <small>{sheetCode(id)}</small>
              <span>{name}</span>
              {at === 'does-not-apply' || at === 'invited' ? (
                <span className="unseen">{word}</span>
              ) : (
                <Mark kind={kind} size={17} label={word} />
              )}
            </Tab>
          )
        })}
      </Tabs>
      <Body id="sheet" ref={page} tabIndex={-1} aria-busy={isLate || undefined}>
        <KeptCopy />
        <NotSent jobId={state.id} />
        {refusal && (
          <Refused role="alert">
            <Mark kind="stop" size={18} /> <span>{refusal}</span>{' '}
            <Button look="text" onPress={clearRefusal}>
              Close
            </Button>
          </Refused>
        )}
        <SheetBoundary
          name={walking ? 'The walk' : sheetNames[sheet]}
          resetOn={[sheet, walking, draft.document]}
        >
          <Suspense fallback={<Fetching role="status">Fetching the sheet …</Fetching>}>
            <FetchedSheet sheet={walking ? 'walk' : sheet} />
          </Suspense>
        </SheetBoundary>
      </Body>
      <OffStrip working={stage === 'commission'} />
      {draft.conflict && <ConflictDialog conflicts={draft.conflict.conflicts} />}
    </Frame>
  )
}

/**
 * Looked up where it is drawn, so that trying again finds a page that could not be fetched before.
 */
function FetchedSheet({ sheet }: { readonly sheet: SheetId | 'walk' }) {
  const Page = pageOf(sheet)
  return <Page />
}

/**
 * Once a job is open its other pages are fetched, as soon as the one that is looked at is drawn:
 * the signal may be gone in a moment.
 */
function useFetchedPages() {
  useEffect(() => void fetchAllPages(), [])
}

/** A sheet begins at its top, with its tab in sight. */
function useTopOfSheet(
  shown: string,
  page: RefObject<HTMLElement | null>,
  tabs: RefObject<HTMLElement | null>,
) {
  const before = useRef(shown)
  // Before it is seen: a tab that moves while a hand comes down is another one.
  useLayoutEffect(() => {
    if (before.current === shown) return
    before.current = shown
    page.current?.scrollTo(0, 0)
    bringIntoSight(tabs.current)
  }, [shown, page, tabs])
  // A job that opens: with the frame that is laid out anyway.
  useEffect(() => {
    const frame = requestAnimationFrame(() => bringIntoSight(tabs.current))
    return () => cancelAnimationFrame(frame)
  }, [tabs])
}

function bringIntoSight(tabs: HTMLElement | null) {
  const tab = tabs?.querySelector('[aria-current]')
  tab?.scrollIntoView({ inline: 'center', block: 'nearest' })
}

/** Undo and redo by the usual keys, except while a text is being typed. */
function useUndoKeys(draft: { readonly undo: () => void; readonly redo: () => void }) {
  const latest = useRef(draft)
  latest.current = draft
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.matches('input, textarea')
      if (typing || !(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return
      event.preventDefault()
      if (event.shiftKey) latest.current.redo()
      else latest.current.undo()
    }
    addEventListener('keydown', onKey)
    return () => removeEventListener('keydown', onKey)
  }, [])
}

const Frame = styled.div`
  display: grid;
  height: 100dvh;
  grid-template:
    'brand title' 44px 'riser tabs' 48px 'riser body' minmax(0, 1fr)
    'strip strip' auto / 152px minmax(0, 1fr);
  ${phone} {
    grid-template:
      'brand title' 52px 'riser tabs' 44px 'riser body' minmax(0, 1fr)
      'strip strip' auto / 44px minmax(0, 1fr);
  }
  @media print {
    display: block;
    height: auto;
    nav,
    footer,
    header {
      display: none;
    }
  }
`
const Fetching = styled.p`
  padding: 24px;
  color: var(--ink-3);
`
const SkipLink = styled.a`
  position: absolute;
  left: -999px;
  &:focus {
    left: 160px;
    top: 4px;
    background: var(--sheet);
    padding: 8px 12px;
    z-index: 50;
  }
`
const BrandCell = styled.nav`
  grid-area: brand;
  display: grid;
`
const Brand = styled(Link)`
  display: flex;
  align-items: center;
  gap: 10px;
  padding-left: 21px;
  text-decoration: none;
  border-right: 0.8px solid var(--hair);
  font: 650 23px/28px var(--head);
  padding-top: 10px;
  ${phone} {
    padding: 0 0 0 9px;
    span {
      display: none;
    }
  }
`
const RiserCell = styled.div`
  grid-area: riser;
  min-height: 0;
  display: grid;
`
const Title = styled.header`
  grid-area: title;
  display: flex;
  align-items: center;
  border-bottom: 0.8px solid var(--hair);
  min-width: 0;
  h1 {
    font: 650 var(--lead)/20px var(--head);
    padding: 0 16px 0 24px;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
    min-width: 90px;
    flex: 0 1 auto;
  }
  > span {
    padding: 0 16px;
    font-size: var(--small);
    color: var(--ink-2);
    border-left: 0.8px solid var(--hair);
    height: 100%;
    display: flex;
    align-items: center;
    gap: 5px;
    white-space: nowrap;
    b {
      color: var(--ink);
      font-weight: 450;
    }
  }
  > i {
    flex: 1;
  }
  > :not(h1, i) {
    border-left: 0.8px solid var(--hair);
  }
  @media (max-width: 1000px) {
    > span {
      display: none;
    }
  }
  ${phone} {
    h1 {
      padding: 0 8px 0 12px;
      flex: 1;
    }
    > i {
      display: none;
    }
    [aria-label='Theme'] {
      padding: 0 6px;
      gap: 8px;
    }
  }
`
const Tabs = styled.nav`
  grid-area: tabs;
  display: flex;
  position: relative;
  border-bottom: 1.2px solid var(--rule);
  padding-left: 8px;
  overflow-x: auto;
  overflow-y: hidden;
  scrollbar-width: none;
  &[aria-busy] {
    opacity: 0.55;
  }
`
const Tab = styled(Link)`
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 0 16px;
  text-decoration: none;
  font: 450 var(--plain)/20px var(--head);
  font-stretch: 92%;
  color: var(--ink-2);
  border: 0.8px solid transparent;
  border-top: 4px solid transparent;
  margin-bottom: -1.2px;
  > span:not(.unseen) {
    text-wrap: balance;
    max-width: 128px;
    line-height: 18px;
  }
  @media (max-width: 1500px) {
    padding: 0 9px;
    gap: 6px;
    font-size: var(--small);
    > span:not(.unseen) {
      max-width: 68px;
    }
  }
  ${phone} {
    padding: 0 14px;
    > span:not(.unseen) {
      text-wrap: nowrap;
      max-width: none;
    }
  }
  small {
    font: 650 var(--note)/18px var(--head);
    color: var(--ink-3);
  }
  &[data-invited]:not([aria-current]) {
    color: var(--ink-3);
    font-weight: 400;
  }
  &[aria-current] {
    background: var(--paper);
    color: var(--ink);
    font-weight: 650;
    border-color: var(--rule);
    border-top-color: var(--ink);
    border-bottom-color: var(--paper);
  }
  &:hover {
    color: var(--ink);
  }
  &:focus-visible {
    outline-offset: -4px;
  }
`
const Body = styled.main`
  grid-area: body;
  overflow: auto;
  outline: none;
  min-height: 0;
  position: relative;
  &[aria-busy] {
    opacity: 0.55;
  }
`
const Refused = styled.div`
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 10px 24px;
  background: var(--stop-wash);
  color: var(--ink);
  border-bottom: 1.5px solid var(--stop);
  position: sticky;
  top: 0;
  z-index: 6;
  span {
    flex: 1;
  }
`
const Waiting = styled.p`
  padding: 80px 40px;
  font: 450 var(--head-2)/32px var(--head);
  display: flex;
  gap: 16px;
  align-items: center;
`
