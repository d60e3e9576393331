import type { Working } from '@hestian/core'
import { writeOut } from '@hestian/core'
import { useEffect, useRef, useState } from 'react'
import styled from 'styled-components'
import { useReadBy } from '../job/JobContext'
import { Button } from './Button'
import { useWanted } from './Worked'
import { phone } from './phone'

const basisWords = {
  published: 'published',
  'published-equation': 'published equation',
  'from-memory': 'as remembered',
  'common-practice': 'common practice',
  assumed: 'assumed',
} as const
const folded = 2

/**
 * The arithmetic, folded at a crease: symbols, the figures put in, the result, the source. Built
 * only when the page asks for it.
 */
export function WorkingsFold({ workings }: { readonly workings: () => readonly Working[] }) {
  const [open, setOpen] = useState(false)
  const list = useRef<HTMLOListElement>(null)
  const wanted = useWanted()
  useEffect(() => {
    if (wanted) setOpen(true)
  }, [wanted])
  useEffect(() => {
    if (!wanted || !open) return
    const line = list.current?.querySelector<HTMLElement>('[data-wanted]')
    line?.scrollIntoView({ block: 'center' })
    line?.focus()
  }, [wanted, open])
  const { show } = useReadBy()
  const all = workings()
  if (all.length === 0) return null
  const asked =
    wanted && all.find((working) => working.title === wanted.of || working.result === wanted.of)
  const key = all
    .filter((working) =>
      /vessel|tank|All vessels|Hot pressure|everything burning|At /i.test(working.title),
    )
    .slice(0, folded)
  const few = key.length > 0 ? key : all.slice(0, folded)
  const shown = open ? all : few
  return (
    <Fold aria-label="Working">
      <h3>Working</h3>
      <ol ref={list}>
        {shown.map((working) => {
          const { put, result } = writeOut(working, show)
          return (
            <li key={working.title} tabIndex={-1} data-wanted={asked === working || undefined}>
              <b>{working.title}</b>
              <div>
                <span>{working.formula}</span>
                <span className="tnum">
                  {put} = <strong>{result}</strong>
                </span>
              </div>
              <small>
                {working.source.says} <i>({basisWords[working.source.basis]})</i>
              </small>
            </li>
          )
        })}
      </ol>
      <Crease>
        <Button look="text" onPress={() => setOpen(!open)} aria-expanded={open}>
          {open ? 'Fold it again' : `Unfold ${all.length - shown.length} more lines`}
        </Button>
      </Crease>
    </Fold>
  )
}

const Fold = styled.section`
  margin: 14px -14px 0 -24px;
  background: var(--sheet);
  border-top: 1.2px solid var(--rule);
  display: grid;
  grid-template-columns: 108px 1fr;
  padding: 10px 14px 0 24px;
  h3 {
    font: 650 var(--lead)/22px var(--head);
  }
  ol {
    display: grid;
    gap: 8px;
  }
  li[data-wanted] {
    background: var(--select);
    outline: none;
    box-shadow:
      -8px 0 0 var(--select),
      8px 0 0 var(--select);
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 220px;
    gap: 0 16px;
    font-size: var(--small);
    line-height: 21px;
    b {
      grid-column: 1 / -1;
      font-weight: 450;
      color: var(--ink-2);
    }
    div {
      display: grid;
      overflow-wrap: anywhere;
    }
    strong {
      font-weight: 700;
    }
    small {
      font-size: var(--note);
      line-height: 18px;
      color: var(--ink-3);
    }
    i {
      font-style: normal;
    }
  }
  ${phone} {
    margin: 14px -14px 0 -12px;
    padding: 10px 14px 0 12px;
    grid-template-columns: 1fr;
    li {
      grid-template-columns: 1fr;
    }
  }
`
const Crease = styled.div`
  grid-column: 1 / -1;
  margin: 10px -14px 0 -24px;
  padding: 4px 14px 6px 132px;
  border-top: 1.2px dashed var(--rule);
  background: linear-gradient(var(--sunk), var(--paper));
  ${phone} {
    margin-left: -12px;
    padding-left: 12px;
  }
`
