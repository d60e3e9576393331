import type { Maker } from '@hestian/core'
import { useState } from 'react'
import styled from 'styled-components'
import { InlineText } from '../ui/fields'
import { useJobActions } from './JobContext'
import { phone } from '../ui/phone'

const blank: Maker = { make: '', model: '', serial: '', year: null }
const fields = [
  { key: 'make', label: 'Make' },
  { key: 'model', label: 'Model' },
  { key: 'serial', label: 'Serial number' },
] as const

export interface Made {
  readonly of: string
  /** Where the maker stands in the document. */
  readonly path: readonly (string | number)[]
  readonly maker: Maker | null
  /** The thing has a field of its own for its year. */
  readonly yearElsewhere?: true
}

/**
 * Make, model, serial number and year, as the plate says: for registration, guarantee and the next
 * exchange.
 */
export function MakerRow({ of, path, maker, yearElsewhere }: Made) {
  const { edit } = useJobActions()
  const [says, setSays] = useState<string>()
  const put = (change: Partial<Maker>) => {
    const next = { ...(maker ?? blank), ...change }
    const empty = !next.make && !next.model && !next.serial && next.year === null
    edit([{ path, value: empty ? null : next }])
  }
  const putYear = (text: string) => {
    const typed = text.trim()
    if (typed !== '' && !/^(19|20)\d\d$/.test(typed))
      return setSays('A year of four figures, 1900 to 2099, or nothing.')
    setSays(undefined)
    put({ year: typed === '' ? null : Number(typed) })
  }
  return (
    <Row aria-label={`Make and number of ${of}`} role="group">
      <span>{of}</span>
      {fields.map(({ key, label }) => (
        <InlineText
          key={key}
          labelled
          label={label}
          value={maker?.[key] ?? ''}
          maxLength={80}
          onCommit={(text) => put({ [key]: text.trim() })}
        />
      ))}
      {!yearElsewhere && (
        <InlineText
          labelled
          label="Year made"
          value={maker?.year ? String(maker.year) : ''}
          maxLength={20}
          onCommit={putYear}
        />
      )}
      {says && <small role="alert">{says}</small>}
    </Row>
  )
}

/** The same of several things, folded away: nobody is asked for it. */
export function Makers({ of }: { readonly of: readonly Made[] }) {
  const filled = of.filter(({ maker }) => maker !== null).length
  if (of.length === 0) return null
  return (
    <Fold>
      <summary>
        Make, model and serial number
        <small>{filled === 0 ? 'none noted' : `${filled} of ${of.length} noted`}</small>
      </summary>
      {of.map((one) => (
        <MakerRow key={one.path.join('.')} {...one} />
      ))}
    </Fold>
  )
}

const Row = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) repeat(auto-fit, minmax(110px, 1fr));
  gap: 8px 20px;
  align-items: end;
  padding: 6px 0 8px;
  > span {
    color: var(--ink-2);
    padding-bottom: 6px;
  }
  > small {
    grid-column: 1 / -1;
    color: var(--stop);
    font-size: var(--note);
  }
  ${phone} {
    grid-template-columns: 1fr 1fr;
    > span {
      grid-column: 1 / -1;
      padding: 0;
    }
  }
`
const Fold = styled.details`
  margin: 8px 0 12px;
  summary {
    cursor: pointer;
    min-height: 32px;
    font: 650 var(--small)/24px var(--text);
    color: var(--ink-2);
  }
  summary small {
    font-weight: 400;
    color: var(--ink-3);
    margin-left: 12px;
    font-size: var(--note);
  }
`
