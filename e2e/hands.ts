import type { Locator, Page } from '@playwright/test'

/** How somebody works: what a journey says with `click` and `fill` is done with these alone. */
export type Hands = 'mouse' | 'keyboard' | 'touch'

let now: Hands = 'mouse'
/** What is worked with at the moment. */
export const handsNow = (): Hands => now

type Done = Pick<Locator, 'click' | 'fill' | 'check' | 'press' | 'setInputFiles'>

/**
 * Does something with the keyboard alone, or by touch alone: every press, tick and typed text of
 * the journey goes that way meanwhile. With the keyboard one comes to a thing by Tab, and inside a
 * list or a group by its arrows; what cannot be reached so fails.
 */
export async function workWith(page: Page, hands: Hands, work: () => Promise<void>): Promise<void> {
  if (hands === 'mouse') return work()
  const way = Object.getPrototypeOf(page.locator('body')) as Done
  const mouse = pick(way)
  Object.assign(way, hands === 'keyboard' ? byKeyboard(page) : byTouch())
  now = hands
  try {
    await work()
  } finally {
    Object.assign(way, mouse)
    now = 'mouse'
  }
}

const pick = ({ click, fill, check, press, setInputFiles }: Done): Done => ({
  ...{ click, fill, check, press, setInputFiles },
})

type OfLocator<K extends keyof Done> = (
  this: Locator,
  ...given: Parameters<Done[K]>
) => Promise<void>
type Ways = { readonly [K in keyof Done]?: OfLocator<K> }

const byTouch = (): Ways => ({
  async click() {
    await this.tap({ timeout: 15_000 })
  },
  async check() {
    if (!(await this.isChecked())) await this.tap({ force: true })
  },
})

const byKeyboard = (page: Page): Ways => ({
  async click() {
    await reach(page, this)
    const isTicked = await this.evaluate(
      (one) => !one.matches('a, button') && one.closest('label, [type="radio"]') !== null,
    )
    await page.keyboard.press(isTicked ? 'Space' : 'Enter')
  },
  async check() {
    if (await this.isChecked()) return
    await reach(page, this)
    await page.keyboard.press('Space')
  },
  async fill(text) {
    await reach(page, this)
    await page.keyboard.press('ControlOrMeta+a')
    await page.keyboard.press('Delete')
    await page.keyboard.type(text)
  },
  async press(key) {
    await reach(page, this)
    await page.keyboard.press(key)
  },
  async setInputFiles(files) {
    const chosen = page.waitForEvent('filechooser')
    await reach(page, this)
    await page.keyboard.press('Enter')
    await (await chosen).setFiles(files as Parameters<Locator['setInputFiles']>[0])
  },
})

/** What to press next to come nearer, and how often it may be pressed before one looks again. */
interface Next {
  readonly key: 'Tab' | 'Shift+Tab' | 'ArrowDown' | 'ArrowUp'
  readonly times: number
}

const mostPresses = 900

async function reach(page: Page, to: Locator): Promise<void> {
  await to.waitFor({ state: 'attached' })
  for (let pressed = 0; pressed < mostPresses;) {
    const next = await to.evaluate(nextKey, pressed === 0)
    if (!next) return
    for (let i = 0; i < next.times; i++) await page.keyboard.press(next.key)
    pressed += next.times
  }
  throw new Error(`the keyboard does not come to ${to.toString()}`)
}

/** In the page: nothing where the focus is on the thing already. */
function nextKey(thing: Element, isFirst: boolean): Next | undefined {
  const label = thing.matches('a, button, input, textarea') ? null : thing.closest('label')
  const to = label?.querySelector('input') ?? thing
  const now = document.activeElement ?? document.body
  if (now === to || (now !== document.body && to.contains(now) && to.tagName !== 'FORM')) return
  // Inside a list, a menu or a group of radios the arrows go.
  const group = to.closest('[role="listbox"], [role="menu"], [role="radiogroup"], [role="tree"]')
  if (group?.contains(now) && now !== group) {
    const isAfter = (now.compareDocumentPosition(to) & Node.DOCUMENT_POSITION_FOLLOWING) > 0
    return { key: isAfter ? 'ArrowDown' : 'ArrowUp', times: 1 }
  }
  const stops = [
    ...document.querySelectorAll<HTMLElement>(
      'a[href], button, input, select, textarea, summary, [tabindex]',
    ),
  ].filter(
    (one) => one.tabIndex >= 0 && !one.matches(':disabled') && one.getClientRects().length > 0,
  )
  const from = stops.findIndex((one) => one === now)
  const at = stops.findIndex(
    (one) => one === to || to.contains(one) || (group?.contains(one) ?? false),
  )
  if (from < 0 || at < 0) return { key: 'Tab', times: 1 }
  return {
    key: at > from ? 'Tab' : 'Shift+Tab',
    // A group is one stop: what is counted is more than is pressed. One that went too far looks
    // again sooner.
    times: isFirst ? Math.abs(at - from) : Math.max(1, Math.floor((Math.abs(at - from) * 2) / 3)),
  }
}
