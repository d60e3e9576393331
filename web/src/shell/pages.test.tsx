/** @jest-environment jsdom */
import { act, cleanup, render, screen } from '@testing-library/react'
import { Component, type ReactNode, startTransition, Suspense, useState } from 'react'
import { fetchPage, pageOf } from './pages'

let isAway = true
jest.mock('../list/ListPage', () => {
  if (isAway) throw new Error('no signal')
  return { ListPage: () => <p>the list</p> }
})
jest.mock('../survey/SitePage', () => ({ SitePage: () => <p>the site</p> }))
afterEach(cleanup)

const draw = (sheet: 'site' | 'list') => {
  const Page = pageOf(sheet)
  return (
    <Suspense fallback={<p>is fetched</p>}>
      <Page />
    </Suspense>
  )
}

test('a page that is here is drawn at once, and is not said to be fetched first', async () => {
  await fetchPage('site')
  const seen: string[] = []
  const watch = new MutationObserver(() => seen.push(document.body.textContent))
  watch.observe(document.body, { childList: true, subtree: true, characterData: true })
  render(draw('site'))
  expect(screen.getByText('the site')).toBeTruthy()
  await act(async () => Promise.resolve())
  expect(seen.join()).not.toContain('is fetched')
})

class Held extends Component<{ readonly children: ReactNode }> {
  override state = { broke: false }
  static getDerivedStateFromError = () => ({ broke: true })
  override render = () => (this.state.broke ? <p>not here</p> : this.props.children)
}

test('one that cannot be fetched is said where one came by a link from a page that is here', async () => {
  const complained = jest.spyOn(console, 'error').mockImplementation()
  await fetchPage('site')
  let go: (sheet: 'site' | 'list') => void = () => undefined
  function Shown({ sheet }: { readonly sheet: 'site' | 'list' }) {
    const Page = pageOf(sheet)
    return <Page />
  }
  function Frame() {
    const [sheet, setSheet] = useState<'site' | 'list'>('site')
    go = (next) => startTransition(() => setSheet(next))
    return (
      <Held>
        <Suspense fallback={<p>is fetched</p>}>
          <Shown sheet={sheet} />
        </Suspense>
      </Held>
    )
  }
  render(<Frame />)
  act(() => go('list'))
  expect(await screen.findByText('not here')).toBeTruthy()
  complained.mockRestore()
})

test('a page that could not be fetched is fetched anew once the server answers', async () => {
  const complained = jest.spyOn(console, 'error').mockImplementation()
  render(<Held>{draw('list')}</Held>)
  expect(await screen.findByText('not here')).toBeTruthy()
  complained.mockRestore()
  cleanup()
  isAway = false
  await new Promise((resolve) => setTimeout(resolve, 1100))
  render(draw('list'))
  expect(await screen.findByText('the list')).toBeTruthy()
})
