import type { HeatAnswer, HeatOption, OptionKind } from '@hestian/core'
import { blankOption, optionKinds } from '@hestian/core'
import { Suspense } from 'react'
import styled from 'styled-components'
import { newId } from '../api/client'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { Prose, SectionHead } from '../ui/Answer'
import { Choice } from '../ui/Choice'
import { InlineText } from '../ui/fields'
import { phone } from '../ui/phone'
import { rowId } from '../ui/quantity'
import { NotesHere } from '../ui/SheetPage'
import { ChosenOption } from './ChosenOption'
import { ChartRoom, OptionsChart } from './lateCharts'
import { OptionPlates } from './OptionPlates'
import type { Compared } from './optionResults'
import { resultRows } from './optionResults'
import { OptionRow } from './OptionRow'
import { optionWords } from './optionWords'

/**
 * Two to five ways side by side: what their plates say, what follows on the coldest water, what
 * each would violate. One is chosen, with a reason.
 */
export function OptionsTable({ answer }: { readonly answer: HeatAnswer }) {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { options } = draft.document.heat
  const add = (kind: OptionKind) =>
    edit([
      {
        path: ['heat', 'options', options.length],
        value: blankOption({ id: newId(), name: optionWords[kind], kind }),
      },
    ])
  return (
    <section id={rowId('heat.options')} data-place="heat.options">
      <SectionHead>
        Side by side<small>on the coldest water</small>
      </SectionHead>
      {options.length === 0 && (
        <Prose>
          Two to five ways of making the heat and the hot water: their plates go in, what follows
          stands below them.
        </Prose>
      )}
      {options.length > 0 && <Table answer={answer} />}
      {answer.options.some((one) => one.comparison) && (
        <Suspense fallback={<ChartRoom />}>
          <OptionsChart answer={answer} />
        </Suspense>
      )}
      {options.length < 5 && (
        <Add>
          <Choice
            labelled
            label="Set another beside it"
            value={null}
            options={optionKinds.map((id) => ({ id, text: optionWords[id] }))}
            onChoose={add}
          />
        </Add>
      )}
      <ChosenOption answer={answer} />
      <NotesHere place="heat.options" />
    </section>
  )
}

function Table({ answer }: { readonly answer: HeatAnswer }) {
  const { draft, solution } = useDesign()
  const { show } = useReadBy()
  const { document } = draft
  const answered = new Map(answer.options.map((one) => [one.option.id, one]))
  const of: Compared = { document, practice: solution.practice, answer, show }
  return (
    <Scroll tabIndex={0} role="region" aria-label="Options side by side">
      <table>
        <thead>
          <tr>
            <td />
            {document.heat.options.map((option, i) => (
              <OptionHead key={option.id} option={option} index={i} />
            ))}
          </tr>
        </thead>
        <tbody>
          {resultRows
            .filter((row) => row.applies(of))
            .map(({ label, kind, cell }) => {
              const says = typeof label === 'string' ? label : label(of)
              const cells = document.heat.options.map(({ id }, i) => {
                const one = answered.get(id)
                return one && cell(one, of, i)
              })
              return <OptionRow key={says} label={says} kind={kind} cells={cells} />
            })}
          <tr data-kind="head">
            <th scope="rowgroup" colSpan={answer.options.length + 1}>
              From the plates
            </th>
          </tr>
          <OptionPlates />
        </tbody>
      </table>
    </Scroll>
  )
}

function OptionHead({ option, index }: { readonly option: HeatOption; readonly index: number }) {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const chosen = option.id === draft.document.heat.chosen?.optionId
  const place = `heat.options.${index}`
  return (
    <th scope="col" data-chosen={chosen || undefined} data-place={place} id={rowId(place)}>
      <InlineText
        lines
        label={`Name of option ${index + 1}`}
        required
        value={option.name}
        maxLength={120}
        onCommit={(name) =>
          edit([{ path: ['heat', 'options', index, 'name'], value: name.trim() }])
        }
      />
      <small>
        {optionWords[option.kind]}
        {chosen ? ', chosen' : ''}
      </small>
    </th>
  )
}

const Scroll = styled.div`
  overflow-x: auto;
  margin: 8px 0;
  outline-offset: -3px;
  table {
    border-collapse: collapse;
    min-width: 100%;
    font-size: var(--small);
    line-height: 19px;
  }
  th,
  td {
    text-align: left;
    vertical-align: middle;
    padding: 5px 10px;
    border-bottom: 0.8px solid var(--hair);
  }
  thead th {
    vertical-align: bottom;
    border-bottom: 1.5px solid var(--ink);
    min-width: 200px;
    max-width: 260px;
    small {
      font: 400 var(--note)/18px var(--text);
      color: var(--ink-3);
      display: block;
      padding-left: 4px;
    }
    textarea {
      font: 650 var(--lead)/20px var(--head);
      border-bottom: 0;
    }
  }
  thead td {
    border-bottom: 1.5px solid var(--ink);
  }
  tbody th {
    font-weight: 400;
    color: var(--ink-2);
    position: sticky;
    left: 0;
    background: var(--paper);
    width: 190px;
    min-width: 150px;
  }
  tr[data-kind='strong'] td {
    font-size: var(--plain);
  }
  tr[data-kind='head'] th {
    font: 650 var(--small)/20px var(--head);
    color: var(--ink);
    padding-top: 14px;
    border-bottom: 1.5px solid var(--ink);
  }
  tr[data-kind='result'] td,
  tr[data-kind='strong'] td {
    padding-left: 14px;
  }
  td b {
    font-weight: 650;
  }
  td i {
    font-style: normal;
    color: var(--pencil);
    font-size: var(--note);
  }
  small {
    font-size: var(--note);
    color: var(--ink-3);
  }
  [data-chosen] {
    background: var(--select);
  }
  li {
    display: flex;
    gap: 6px;
    font-size: var(--note);
    line-height: 17px;
    padding: 2px 0;
    svg {
      flex: none;
      margin-top: 1px;
    }
  }
  td ul {
    max-width: 230px;
  }
  ${phone} {
    tbody th {
      min-width: 104px;
      width: 104px;
      font-size: var(--note);
      line-height: 17px;
      padding-left: 0;
    }
    thead th {
      min-width: 168px;
    }
    th,
    td {
      padding: 5px 6px;
    }
  }
`
const Add = styled.div`
  max-width: 320px;
  margin: 10px 0;
`
