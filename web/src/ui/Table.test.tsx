/** @jest-environment jsdom */
import { blankDocument } from '@hestian/core'
import { cleanup, render, screen, within } from '@testing-library/react'
import { JobStand } from '../job/jobStand.testing'
import { Acts, Cell, Figure, Row, RowHead, Table } from './Table'

afterEach(cleanup)

const rows = (heads: readonly string[]) =>
  render(
    <JobStand job={blankDocument({ name: 'Job', address: '', practice: 'uk-ireland' })}>
      <Table label="Pipes" columns="1fr 60px 60px 32px" heads={heads}>
        {['First', 'Second'].map((name) => (
          <Row key={name} place={`pipes.${name}`}>
            <RowHead head="Pipe">{name}</RowHead>
            <Cell head="Size">22 mm</Cell>
            <Figure head="Loss">0.2</Figure>
            <Acts>
              <button>Remove {name}</button>
            </Acts>
          </Row>
        ))}
      </Table>
    </JobStand>,
  )
const heads = ['Pipe', 'Size', '>Loss', '']

test('is read as a table: columns by their heads, rows by what they are called', () => {
  rows(heads)
  const table = screen.getByRole('table', { name: 'Pipes' })
  const columns = within(table).getAllByRole('columnheader')
  expect(columns.map(({ textContent }) => textContent)).toEqual(['Pipe', 'Size', 'Loss'])
  expect(within(table).getAllByRole('rowheader', { name: /First|Second/ })).toHaveLength(2)
  const second = within(table).getByRole('row', { name: /Second/ })
  expect(within(second).getAllByRole('cell')).toHaveLength(3)
  expect(within(second).getByRole('button', { name: 'Remove Second' })).toBeTruthy()
})

test('the head beside a value, which a phone shows, is not read twice', () => {
  rows(heads)
  for (const head of screen.getAllByText(/^(Pipe|Size|Loss)$/, { selector: 'small' }))
    expect(head.getAttribute('aria-hidden')).toBe('true')
})

test('pairs of a name and a value have no heads at all', () => {
  rows(['', '', '', ''])
  expect(screen.queryAllByRole('columnheader')).toEqual([])
  expect(screen.getAllByRole('rowheader')).toHaveLength(2)
})
