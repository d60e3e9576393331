import type { BoardQuery, BoardRow } from '@hestian/core'
import { boardSorts, boardStages, practiceLabels } from '@hestian/core'
import { lazy, Suspense, useEffect, useRef, useState } from 'react'
import { Input, Label, SearchField } from 'react-aria-components'
import { Link, useSearchParams } from 'react-router'
import styled from 'styled-components'
import { useBoard } from '../api/queries'
import { WhoIsWorking } from '../job/WhoIsWorking'
import { stageWords } from './stageWords'
import { ThemeSwitch } from '../ui/ThemeSwitch'
import { Button } from '../ui/Button'
import { dayOf } from '../ui/dates'
import { Logo, Mark } from '../ui/icons'
import { KeptCopy } from '../ui/KeptCopy'
import { ImportJob } from './ImportJob'
import { JobsSaid } from './JobsSaid'
import { NewJobForm } from './NewJobForm'
import { Narrowing } from './Narrowing'
import { RowActions } from './RowActions'
import { phone } from '../ui/phone'

const DeletedJobs = lazy(async () => ({ default: (await import('./DeletedJobs')).DeletedJobs }))

const size = 25

/** The board's question as the address holds it, so that going back finds the same place. */
function useBoardQuery(): readonly [BoardQuery, (change: Partial<BoardQuery>) => void] {
  const [params, setParams] = useSearchParams()
  const one = <K extends string>(key: string, of: readonly K[], otherwise: K): K =>
    of.find((each) => each === params.get(key)) ?? otherwise
  const query: BoardQuery = {
    find: (params.get('find') ?? '').slice(0, 200),
    stage: one('stage', [...boardStages, 'all'], 'all'),
    sort: one('sort', boardSorts, 'changed'),
    archived: one('archived', ['no', 'yes'], 'no'),
    page: Math.max(1, Math.floor(Number(params.get('page'))) || 1),
    size,
  }
  const change = (next: Partial<BoardQuery>) => {
    const { size: _size, ...merged } = { ...query, page: 1, ...next }
    const plain = { find: '', stage: 'all', sort: 'changed', archived: 'no', page: 1 }
    setParams(
      Object.fromEntries(
        Object.entries(merged)
          .filter(([key, value]) => value !== plain[key as keyof typeof plain])
          .map(([key, value]) => [key, String(value)]),
      ),
      { replace: true },
    )
  }
  return [query, change]
}

/**
 * Every job with its stage, what it waits for and on whom, and what is off on its site. Searched,
 * sorted and paged by the server.
 */
export function Board() {
  const [query, change] = useBoardQuery()
  const { data, isPending } = useBoard(query)
  const [find, setFind] = useState(query.find)
  const [making, setMaking] = useState(false)
  const search = useRef<HTMLInputElement>(null)
  useEffect(() => {
    const timer = setTimeout(() => {
      if (find !== query.find) change({ find })
    }, 200)
    return () => clearTimeout(timer)
  })
  useBoardKeys({ search, onNew: () => setMaking(true) })
  const rows = data?.rows ?? []
  return (
    <Page>
      <Top>
        <Link to="/" aria-label="Hestian, all jobs">
          <Logo size={30} />
          <b>Hestian</b>
        </Link>
        <i />
        <Link to="/gauges">Gauges</Link>
        <Link to="/backups">Backups</Link>
        <WhoIsWorking />
        <ThemeSwitch />
      </Top>
      <main>
        <h1>
          <JobsSaid data={data} isPending={isPending} putAway={query.archived === 'yes'} />
        </h1>
        <KeptCopy />
        {data?.lowSpace && <LowSpace free_bytes={data.free_bytes} />}
        <Tools>
          <Find value={find} onChange={setFind}>
            <Label>
              Find <kbd>/</kbd>
            </Label>
            <Input ref={search} placeholder="name, address, number, or what it waits for" />
          </Find>
          {!making && (
            <Button look="go" onPress={() => setMaking(true)}>
              New job
            </Button>
          )}
          <ImportJob />
        </Tools>
        {making && <NewJobForm onClose={() => setMaking(false)} />}
        <Narrowing query={query} change={change} data={data} />
        <List aria-label="Jobs" data-stale={isPending || undefined}>
          {rows.map((row) => (
            <li key={row.id}>
              <JobRow row={row} />
              <RowActions row={row} />
            </li>
          ))}
        </List>
        {data && rows.length === 0 && (
          <NoneHere
            query={query}
            onShowAll={() => {
              setFind('')
              change({ find: '', stage: 'all' })
            }}
          />
        )}
        <Paging page={query.page} total={data?.total ?? 0} change={change} />
        {query.archived === 'yes' && (
          <Suspense>
            <DeletedJobs />
          </Suspense>
        )}
        <Hint>
          Keys: <kbd>/</kbd> find, <kbd>n</kbd> new job, <kbd>↑</kbd> <kbd>↓</kbd> move,{' '}
          <kbd>Enter</kbd> open.
        </Hint>
      </main>
    </Page>
  )
}

type Change = ReturnType<typeof useBoardQuery>[1]

/** No job at all is said above; here that none matches, or that none is put away. */
function NoneHere({
  query: { find, stage, archived },
  onShowAll,
}: {
  readonly query: ReturnType<typeof useBoardQuery>[0]
  readonly onShowAll: () => void
}) {
  if (find === '' && stage === 'all') return archived === 'yes' ? <p>Nothing is put away.</p> : null
  return (
    <p>
      No job matches{find ? ` “${find}”` : ''}
      {stage === 'all' ? '' : ` in ${stageWords[stage]}`}.{' '}
      <Button look="text" onPress={onShowAll}>
        Show all
      </Button>
    </p>
  )
}

function Paging({
  page,
  total,
  change,
}: {
  readonly page: number
  readonly total: number
  readonly change: Change
}) {
  if (total <= size) return null
  return (
    <Pages aria-label="Pages">
      <Button isDisabled={page <= 1} onPress={() => change({ page: page - 1 })}>
        Earlier
      </Button>
      <span className="tnum">
        {(page - 1) * size + 1} to {Math.min(page * size, total)} of {total}
      </span>
      <Button isDisabled={page * size >= total} onPress={() => change({ page: page + 1 })}>
        Further
      </Button>
    </Pages>
  )
}

const LowSpace = ({ free_bytes }: { readonly free_bytes: number | null }) => (
  <Notice role="alert">
    <Mark kind="stop" size={20} />
    <span>
      <b>The disk of the server is nearly full</b>: {megabytes(free_bytes)} are left. When nothing
      is left, nothing more can be stored. Make room there, or move the data folder to a larger
      disk.
    </span>
  </Notice>
)

const megabytes = (bytes: number | null): string =>
  bytes === null ? 'an unknown number of megabytes' : `${Math.round(bytes / 1e6)} MB`

/**
 * A job whose stored data went bad: named, so that nobody takes it for lost, and out of the way of
 * the others.
 */
function UnreadableRow({ row }: { readonly row: BoardRow }) {
  return (
    <Unreadable>
      <Mark kind="stop" size={20} />
      <span>
        <strong>{row.name}</strong>
        <small>
          job {row.number}. {row.waits}
        </small>
      </span>
    </Unreadable>
  )
}

const filled = (share: number) => {
  if (share === 1) return 'all'
  return share > 0 ? 'some' : undefined
}

function JobRow({ row }: { readonly row: BoardRow }) {
  if (row.unreadable) return <UnreadableRow row={row} />
  return (
    <Row to={`/jobs/${row.id}/${row.sheet}`} data-job>
      <Level aria-hidden>
        {row.shares.map((share, i) => (
          <span
            key={i}
            data-share={filled(share)}
            data-here={row.stage === boardStages[i] || undefined}
          />
        ))}
      </Level>
      <span>
        <strong>{row.name}</strong>
        <small>
          {row.work && <>{row.work}; </>}
          {row.address || 'no address yet'}; {practiceLabels[row.practice]}
        </small>
      </span>
      <span>
        <b>{stageWords[row.stage]}</b>
        <small>
          {row.stage === 'done' ? row.waits : `waits for ${row.waits}`}
          {row.waitsOn && <>; {row.waitsOn}</>}
        </small>
      </span>
      <Found row={row} />
      <span>
        {row.off > 0 ? <Tagged>{row.off} off on site</Tagged> : <small>nothing off</small>}
      </span>
      <span className="tnum">
        <small>job</small> {row.number}
        {row.frozen ? <small> rev. {row.frozen}</small> : null}
        <small>{dayOf(row.changedAt)}</small>
      </span>
    </Row>
  )
}

/** What is wrong or open on a job, worst first. */
function Found({ row }: { readonly row: BoardRow }) {
  return (
    <span>
      {row.unsafe > 0 && (
        <em data-kind="stop">
          <Mark kind="stop" size={17} />
          {row.unsafe} unsafe
        </em>
      )}
      {row.stops > 0 && (
        <em data-kind="stop">
          <Mark kind="stop" size={17} />
          {row.stops} to stop for
        </em>
      )}
      {row.fixes > 0 && (
        <em data-kind="fix">
          <Mark kind="fix" size={17} />
          {row.fixes} to fix
        </em>
      )}
      {row.snags > 0 && (
        <small>
          {row.snags} {row.snags === 1 ? 'snag' : 'snags'} open
        </small>
      )}
      {row.stops + row.fixes + row.snags + row.unsafe === 0 && <small>no open findings</small>}
    </span>
  )
}

/** What a key does here, if anything: letters while nobody types, the arrows along the jobs. */
function doneBy(
  { key, target }: KeyboardEvent,
  letters: Readonly<Record<string, () => void>>,
): (() => void) | undefined {
  const typing =
    target instanceof HTMLElement &&
    target.matches('input, textarea, [role="option"], [role="menuitem"]')
  if (Object.hasOwn(letters, key)) return typing ? undefined : letters[key]
  // Down leads from the search into the list; up stays with what is typed.
  if (key !== 'ArrowDown' && (key !== 'ArrowUp' || typing)) return undefined
  if (document.querySelector('[role="listbox"], [role="menu"]')) return undefined
  const links = [...document.querySelectorAll<HTMLElement>('[data-job]')]
  const at = links.findIndex((link) => link === document.activeElement)
  const to = Math.min(links.length - 1, Math.max(0, at + (key === 'ArrowDown' ? 1 : -1)))
  const link = links[to]
  return link && (() => link.focus())
}

/** `/` finds, `n` begins a job, the arrows move along the list. */
function useBoardKeys({
  search,
  onNew,
}: {
  readonly search: React.RefObject<HTMLInputElement | null>
  readonly onNew: () => void
}) {
  const latest = useRef(onNew)
  latest.current = onNew
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return
      const does = doneBy(event, {
        '/': () => search.current?.focus(),
        n: () => latest.current(),
      })
      if (!does) return
      event.preventDefault()
      does()
    }
    addEventListener('keydown', onKey)
    return () => removeEventListener('keydown', onKey)
  }, [search])
}

const Notice = styled.p`
  display: grid;
  grid-template-columns: 20px 1fr;
  gap: 10px;
  max-width: 900px;
  margin: 14px 0 6px;
  padding: 10px 0;
  border-top: 1.5px solid var(--stop);
  border-bottom: 1.5px solid var(--stop);
  color: var(--ink);
  svg {
    color: var(--stop);
    margin-top: 3px;
  }
`
const Unreadable = styled.div`
  display: grid;
  grid-template-columns: 20px 1fr;
  gap: 12px;
  padding: 12px 8px;
  svg {
    color: var(--stop);
  }
  small {
    display: block;
    color: var(--ink-2);
    max-width: 80ch;
  }
`
const Page = styled.div`
  min-height: 100dvh;
  main {
    padding: 24px 40px 60px;
    max-width: 1280px;
    margin: 0 auto;
  }
  h1 {
    font: 450 43px/46px var(--head);
    font-stretch: 94%;
    color: var(--ink-2);
    b {
      color: var(--ink);
      font-weight: 700;
    }
  }
  kbd {
    font: 400 var(--note)/18px var(--text);
    border: 1px solid var(--rule);
    padding: 0 5px;
    border-radius: 2px;
    color: var(--ink-2);
  }
  ${phone} {
    main {
      padding: 16px 14px 40px;
    }
    h1 {
      font-size: 30px;
      line-height: 33px;
    }
    kbd {
      display: none;
    }
  }
`
const Top = styled.header`
  display: flex;
  align-items: center;
  min-height: 52px;
  border-bottom: 0.8px solid var(--hair);
  padding: 0 12px 0 38px;
  a {
    display: flex;
    gap: 12px;
    align-items: center;
    text-decoration: none;
    font: 650 25px/30px var(--head);
  }
  i {
    flex: 1;
  }
  i ~ a {
    font: 400 var(--plain)/44px var(--text);
    padding: 0 12px;
    text-decoration: underline;
  }
  ${phone} {
    padding: 0 0 0 14px;
    a b {
      display: none;
    }
    i ~ a {
      padding: 0 6px;
      font-size: var(--small);
    }
    [aria-label='Theme'] {
      padding: 0 10px;
    }
  }
`
const Tools = styled.div`
  display: flex;
  gap: 20px;
  align-items: flex-end;
  margin: 22px 0 10px;
  flex-wrap: wrap;
  > button {
    min-width: 150px;
  }
`
const Find = styled(SearchField)`
  flex: 1;
  min-width: 220px;
  label {
    display: block;
    font-size: var(--small);
    color: var(--ink-2);
  }
  input {
    width: 100%;
    min-height: 48px;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    background: transparent;
    font-size: var(--large);
    padding: 4px;
    border-radius: 0;
  }
`
const List = styled.ul`
  border-top: 1.5px solid var(--ink);
  li {
    position: relative;
    border-bottom: 0.8px solid var(--hair);
    display: grid;
    grid-template-columns: minmax(0, 1fr) 48px;
    align-items: center;
  }
  li:hover {
    background: var(--select);
  }
  &[data-stale] {
    opacity: 0.7;
  }
`
const Row = styled(Link)`
  display: grid;
  grid-template-columns: 46px minmax(0, 2fr) minmax(0, 1.9fr) minmax(0, 1fr) 124px 84px;
  gap: 16px;
  align-items: center;
  min-height: 78px;
  padding: 10px 4px;
  text-decoration: none;
  &:focus-visible {
    outline-offset: -3px;
  }
  strong {
    font: 650 var(--head-3)/24px var(--head);
    display: block;
  }
  b {
    font: 650 var(--lead)/20px var(--head);
    display: block;
  }
  small {
    font-size: var(--note);
    line-height: 18px;
    color: var(--ink-3);
    display: block;
  }
  span.tnum small {
    display: inline;
  }
  span.tnum small:last-child {
    display: block;
  }
  em {
    display: flex;
    gap: 7px;
    align-items: center;
    font-style: normal;
    font-weight: 650;
    font-size: var(--small);
  }
  em[data-kind='stop'] {
    color: var(--stop);
  }
  em[data-kind='fix'] {
    color: var(--look);
  }
  @media (max-width: 900px) {
    grid-template-columns: 32px minmax(0, 1fr);
    gap: 6px 12px;
    > span {
      grid-column: 2;
    }
    > span:first-of-type {
      grid-row: auto;
    }
  }
`
const Level = styled.span`
  display: flex;
  flex-direction: column-reverse;
  gap: 2px;
  width: 22px;
  span {
    height: 10px;
    border: 1.3px solid var(--rule);
  }
  span[data-share='all'] {
    background: var(--ink);
    border-color: var(--ink);
  }
  span[data-share='some'] {
    background: linear-gradient(0deg, var(--ink) 50%, transparent 50%);
  }
  span[data-here] {
    border-color: var(--ink);
    margin-right: -8px;
  }
  @media (max-width: 900px) {
    && {
      grid-column: 1;
      grid-row: 1 / span 3;
      align-self: start;
      padding-top: 6px;
    }
  }
`
const Tagged = styled.span`
  display: inline-block;
  background: var(--off-bg);
  color: var(--off-fg);
  padding: 5px 12px 5px 18px;
  font: 650 var(--small)/18px var(--head);
  clip-path: polygon(9px 0, 100% 0, 100% 100%, 9px 100%, 0 calc(100% - 9px), 0 9px);
  white-space: nowrap;
`
const Pages = styled.nav`
  display: flex;
  gap: 20px;
  align-items: center;
  padding: 16px 0;
`
const Hint = styled.p`
  margin-top: 18px;
  color: var(--ink-3);
  font-size: var(--note);
  ${phone} {
    display: none;
  }
`
