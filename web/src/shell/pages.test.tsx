/** @jest-environment jsdom */
import { act, cleanup, render, screen } from '@testing-library/react'
import { Component, type ReactNode, Suspense } from 'react'
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

test('a page that could not be fetched is fetched anew once the server answers', async () => {
  const complained = jest.spyOn(console, 'error').mockImplementation()
  render(<Held>{draw('list')}</Held>)
  expect(await screen.findByText('not here')).toBeTruthy()
  complained.mockRestore()
  cleanup()
  isAway = false
  render(draw('list'))
  expect(await screen.findByText('the list')).toBeTruthy()
})
