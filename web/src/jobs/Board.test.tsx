/** @jest-environment jsdom */
import type { BoardPage, BoardRow } from '@hestian/core'
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { useLocation } from 'react-router'
import { owner, renderAs } from '../people/renderAs.testing'
import { button, choose, field, press, type } from '../ui/hands.testing'
import { Board } from './Board'

const row = (part: Partial<BoardRow> = {}): BoardRow => ({
  ...{ id: 'mill', number: '0401', name: 'Mill Lane', address: '1 Mill Lane', work: '' },
  ...{ practice: 'uk-ireland', stage: 'design', sheet: 'vessel', waits: 'a vessel', waitsOn: '' },
  ...{ stops: 0, fixes: 0, off: 0, snags: 0, unsafe: 0, shares: [1, 0.5, 0, 0, 0, 0] },
  ...{ frozen: null, archived: false, changedAt: '2026-11-03T09:00:00Z', unreadable: false },
  ...part,
})
const many = (count: number) =>
  Array.from({ length: count }, (_, i) => row({ id: `job-${i}`, name: `Job ${i}`, number: `${i}` }))

let asked: URLSearchParams[]
let address: string
afterEach(cleanup)

function Address() {
  const { search } = useLocation()
  address = search
  return null
}

/** The board of a firm with these jobs; the server finds by name and gives a page. */
async function open(jobs: readonly BoardRow[], more: Partial<BoardPage> = {}) {
  asked = []
  renderAs(
    owner(),
    <>
      <Board />
      <Address />
    </>,
    (url) => {
      const query = new URL(url, 'http://here').searchParams
      if (!url.startsWith('/api/jobs?')) return []
      asked.push(query)
      const page = Number(query.get('page'))
      const found = jobs.filter(
        ({ name, stage, archived }) =>
          name.includes(query.get('find') ?? '') &&
          [stage, 'all'].includes(query.get('stage') ?? '') &&
          archived === (query.get('archived') === 'yes'),
      )
      return {
        ...{ rows: found.slice((page - 1) * 25, page * 25), total: found.length, page, size: 25 },
        ...{ jobs: jobs.length, withOff: 0, archived: 3, archivedWithOff: 0, unreadable: 0 },
        ...{ byStage: { design: 2 }, free_bytes: null, lowSpace: false, ...more },
      }
    },
  )
  await waitFor(() => expect(asked.length).toBeGreaterThan(0))
  await act(() => Promise.resolve())
}
const text = () => document.body.textContent.replace(/\s+/g, ' ')
const last = (key: string) => asked.at(-1)?.get(key)
const links = () => [...document.querySelectorAll<HTMLElement>('[data-job]')]
const key = (name: string, on: Element = document.body) => fireEvent.keyDown(on, { key: name })

describe('a job in its row', () => {
  test('says what it is, where it stands, what it waits for and on whom', async () => {
    await open([row({ work: 'Boiler exchange', waitsOn: 'gas ticket', frozen: 'B' })])
    const link = await screen.findByRole('link', { name: /Mill Lane/ })
    expect(link.getAttribute('href')).toBe('/jobs/mill/vessel')
    const says = link.textContent.replace(/\s+/g, ' ')
    expect(says).toMatch('Boiler exchange; 1 Mill Lane; UK and Ireland')
    expect(says).toMatch('waits for a vessel; gas ticket')
    expect(says).toMatch('no open findings')
    expect(says).toMatch('nothing off')
    expect(says).toMatch(/job 0401 rev\. B/)
  })

  test('what is unsafe, wrong, open or off is counted, and never reads as nothing', async () => {
    await open([row({ unsafe: 1, stops: 2, fixes: 3, snags: 1, off: 4 })])
    const { textContent } = await screen.findByRole('link', { name: /Mill Lane/ })
    for (const says of ['1 unsafe', '2 to stop for', '3 to fix', '1 snag open', '4 off on site'])
      expect(textContent).toMatch(says)
    expect(textContent).not.toMatch(/no open findings|nothing off/)
  })

  test.each(['unsafe', 'stops', 'fixes', 'snags'] as const)(
    'one with %s alone has findings',
    async (what) => {
      await open([row({ [what]: 1 })])
      await screen.findByRole('link', { name: /Mill Lane/ })
      expect(text()).not.toMatch('no open findings')
    },
  )

  test('one that is done waits for nothing', async () => {
    await open([row({ stage: 'done', waits: 'next service in May' })])
    await screen.findByRole('link', { name: /Mill Lane/ })
    expect(text()).toMatch('next service in May')
    expect(text()).not.toMatch('waits for next service')
  })

  test('one that cannot be read is named and opens nothing', async () => {
    await open([row({ unreadable: true, waits: 'Its design is damaged.' })])
    expect(await screen.findByText('Mill Lane')).toBeTruthy()
    expect(text()).toMatch('job 0401. Its design is damaged.')
    expect(links()).toEqual([])
  })
})

describe('finding and narrowing', () => {
  test('what is typed is asked of the server once one stops, and stands in the address', async () => {
    await open(many(3))
    await screen.findByRole('link', { name: /Job 1/ })
    const before = asked.length
    type(/^Find/, 'Job')
    type(/^Find/, 'Job 2')
    await waitFor(() => expect(address).toBe('?find=Job+2'))
    expect(await screen.findByRole('link', { name: /Job 2/ })).toBeTruthy()
    expect(asked.slice(before).map((query) => query.get('find'))).toEqual(['Job 2'])
    await waitFor(() => expect(links()).toHaveLength(1))
  })

  test('where nothing is found that is said with what was asked, and all come back by a press', async () => {
    await open(many(2))
    await screen.findByRole('link', { name: /Job 1/ })
    choose(/Stage$/, 'Design (2)')
    type(/^Find/, 'nowhere')
    expect(await screen.findByText(/No job matches “nowhere” in Design/)).toBeTruthy()
    press('Show all')
    await waitFor(() => expect(links()).toHaveLength(2))
    expect(address).toBe('')
    expect(field(/^Find/).value).toBe('')
  })

  test('another order begins at the first page again', async () => {
    await open(many(60))
    await screen.findByText('1 to 25 of 60')
    press('Further')
    expect(await screen.findByText('26 to 50 of 60')).toBeTruthy()
    choose(/Order$/, 'What needs somebody most')
    await waitFor(() => expect(last('sort')).toBe('waiting'))
    expect(last('page')).toBe('1')
    expect(address).toBe('?sort=waiting')
  })

  test('pages end where the jobs end', async () => {
    await open(many(30))
    await screen.findByText('1 to 25 of 30')
    expect(button('Earlier').disabled).toBe(true)
    press('Further')
    expect(await screen.findByText('26 to 30 of 30')).toBeTruthy()
    expect(button('Further').disabled).toBe(true)
    press('Earlier')
    expect(await screen.findByText('1 to 25 of 30')).toBeTruthy()
  })

  test('one page has no pages', async () => {
    await open(many(25))
    await screen.findByRole('link', { name: /Job 24/ })
    expect(screen.queryByRole('button', { name: 'Further' })).toBeNull()
  })

  test('what is put away is asked for apart, whatever stage it was in', async () => {
    await open([
      row(),
      row({ id: 'old', name: 'Old Forge', address: '', archived: true, stage: 'done' }),
    ])
    await screen.findByRole('link', { name: /Mill Lane/ })
    choose(/Stage$/, 'Design (2)')
    press('Put away (3)')
    expect(await screen.findByRole('link', { name: /Old Forge/ })).toBeTruthy()
    expect(screen.queryByRole('link', { name: /Mill Lane/ })).toBeNull()
    expect(last('stage')).toBe('all')
    press('Back to the jobs at hand')
    expect(await screen.findByRole('link', { name: /Mill Lane/ })).toBeTruthy()
  })

  test('nothing put away is said', async () => {
    await open([row()])
    await screen.findByRole('link', { name: /Mill Lane/ })
    press('Put away (3)')
    expect(await screen.findByText('Nothing is put away.')).toBeTruthy()
  })
})

describe('by keys', () => {
  test('/ leads to the search, n begins a job, and neither while one types', async () => {
    await open(many(2))
    await screen.findByRole('link', { name: /Job 1/ })
    key('n', field(/^Find/))
    expect(screen.queryByRole('form', { name: 'New job' })).toBeNull()
    key('/')
    expect(document.activeElement).toBe(field(/^Find/))
    key('n')
    expect(screen.getByRole('form', { name: 'New job' })).toBeTruthy()
    press('Not now')
    expect(screen.queryByRole('form', { name: 'New job' })).toBeNull()
  })

  test('the arrows move along the jobs, from the search into them, and end at the ends', async () => {
    await open(many(3))
    await screen.findByRole('link', { name: /Job 1/ })
    act(() => field(/^Find/).focus())
    key('ArrowUp', field(/^Find/))
    expect(document.activeElement).toBe(field(/^Find/))
    const at = () => links().indexOf(document.activeElement as HTMLElement)
    const walked = ['ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowUp'].map((name) => {
      key(name, document.activeElement ?? document.body)
      return at()
    })
    expect(walked).toEqual([0, 1, 2, 2, 1])
  })

  test('with a modifier, or while a list of choices is open, they are not the board’s', async () => {
    await open(many(2))
    await screen.findByRole('link', { name: /Job 1/ })
    fireEvent.keyDown(document.body, { key: 'n', ctrlKey: true })
    expect(screen.queryByRole('form', { name: 'New job' })).toBeNull()
    press(/Stage$/)
    key('ArrowDown', document.activeElement ?? document.body)
    expect(links().includes(document.activeElement as HTMLElement)).toBe(false)
  })
})

test.each([
  [12_400_000, '12 MB'],
  [null, 'an unknown number of megabytes'],
] as const)('a disk that is nearly full is said first: %p bytes', async (free_bytes, says) => {
  await open([row()], { lowSpace: true, free_bytes })
  const alert = await screen.findByRole('alert')
  expect(alert.textContent).toMatch(`The disk of the server is nearly full: ${says} are left`)
})
