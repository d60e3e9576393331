/** @jest-environment jsdom */
import { useState } from 'react'
import { flushSync } from 'react-dom'
import { createRoot } from 'react-dom/client'
import { useFollowing } from './useFollowing'

let type: (text: string) => void
function Sheet() {
  const [now, setNow] = useState({ text: 'one' })
  type = (text) => flushSync(() => setNow({ text }))
  return `${now.text}, ${useFollowing(now).text}`
}

test('figures follow what was typed; who acts before they did finds them there', async () => {
  // Tests otherwise wait for everything: here it is looked at in between.
  Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: false })
  const page = document.createElement('main')
  const root = createRoot(page)
  flushSync(() => root.render(<Sheet />))
  type('two')
  expect(page.textContent).toBe('two, one')
  await new Promise((done) => setTimeout(done, 100))
  expect(page.textContent).toBe('two, two')
  for (const act of ['keydown', 'pointerdown', 'click']) {
    type(act)
    expect(page.textContent).toBe(`${act}, two`)
    window.dispatchEvent(new Event(act))
    expect(page.textContent).toBe(`${act}, ${act}`)
    type('two')
    window.dispatchEvent(new Event(act))
  }
  root.unmount()
})
