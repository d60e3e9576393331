import styled from 'styled-components'
import { Choice } from './Choice'
import { rowId } from './quantity'
import { NotesHere } from './SheetPage'
import { phone } from './phone'

interface ChoiceRowProps<K extends string> {
  readonly label: string
  /** Place in the document, as a dotted path. */
  readonly place: string
  /** What the answer decides. */
  readonly why?: string
  readonly value: K | null
  readonly options: readonly { readonly id: K; readonly text: string }[]
  readonly onChoose: (id: K) => void
}

/** A question with a few answers, as a row of a ledger. */
export function ChoiceRow<K extends string>({
  label,
  place,
  why,
  value,
  options,
  onChoose,
}: ChoiceRowProps<K>) {
  return (
    <li>
      <Pick data-place={place} id={rowId(place)}>
        <span>
          {label}
          {why && <small>{why}</small>}
        </span>
        <Choice<K> label={label} value={value} options={options} onChoose={onChoose} />
      </Pick>
      <NotesHere place={place} />
    </li>
  )
}

export const yesNo = [
  { id: 'yes', text: 'Yes' },
  { id: 'no', text: 'No' },
] as const

const Pick = styled.div`
  display: grid;
  align-items: center;
  gap: 8px;
  min-height: 35px;
  padding: 3px 0;
  border-bottom: 0.8px solid var(--hair);
  grid-template-columns: minmax(0, 1fr) minmax(0, 250px);
  > span::first-letter {
    text-transform: uppercase;
  }
  small {
    display: block;
    color: var(--ink-3);
    font-size: var(--note);
    line-height: 17px;
  }
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
    padding: 8px 0;
  }
`
