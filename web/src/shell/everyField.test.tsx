/** @jest-environment jsdom */
import { JobDocument, sheetIds } from '@hestian/core'
import { cleanup, fireEvent } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { fetchAllPages } from './pages'
import { openPage } from './pageStand.testing'

// What is accepted must be readable back: every field of every page takes something else, and the
// page then says that.

// There is no canvas here: the browser journeys draw on one.
jest.mock('signature_pad', () => ({ __esModule: true, default: class {} }))
jest.mock('../heat/lateCharts', () => ({ DayChart: () => null, OptionsChart: () => null }))

Element.prototype.scrollIntoView = () => undefined
beforeAll(fetchAllPages)
beforeEach(() => sessionStorage.clear())
afterEach(cleanup)

let written: JobDocument
const plain = (text: string | null | undefined) => (text ?? '').replace(/\s+/g, ' ').trim()
const all = (selector: string) => [...document.body.querySelectorAll<HTMLElement>(selector)]
const one = (selector: string) => all(selector)[0]
/** Rows and cells that open an editor of a figure, and lists of which one is chosen. */
const figures = () => all('button[data-place], button[id^="row-"]')
const choices = () => all('button[aria-haspopup="listbox"]:not(:disabled)')
const nameOf = (choice: HTMLElement) => {
  const ids = choice.getAttribute('aria-labelledby')?.split(' ') ?? []
  const names = ids.map((id) => document.getElementById(id)).filter((one) => one !== choice)
  return choice.getAttribute('aria-label') ?? plain(names.map((one) => one?.textContent).join(' '))
}

/** Opens the editor of a figure; undefined where it is something else that opens. */
function editorOf(button: HTMLElement): HTMLElement | undefined {
  fireEvent.click(button)
  const dialog = one('[role="dialog"]')
  if (dialog?.querySelector('button[type="submit"]')) return dialog
  if (dialog) fireEvent.keyDown(dialog, { key: 'Escape' })
  return undefined
}

/** Types into an editor and uses it, and says yes where it asks whether that can be. */
function take(dialog: HTMLElement, text: string): void {
  const field = dialog.querySelector('input')
  if (!field) throw new Error('an editor without a field')
  fireEvent.change(field, { target: { value: text } })
  const yes = dialog.querySelector('[role="alert"] button')
  if (yes) fireEvent.click(yes)
  fireEvent.submit(field.closest('form') as HTMLFormElement)
}

/** What of what was taken is not to be read on the page, or would be refused by the server. */
const notKept = (what: string, says: string | undefined, expected: string): readonly string[] => [
  ...(says?.includes(expected) === false
    ? [`${what}: ${expected} was taken, it says ${says}`]
    : []),
  ...(JobDocument.safeParse(written).success ? [] : [`${what}: ${expected} is refused elsewhere`]),
  ...(/NaN|Infinity|undefined|\[object/.test(document.body.textContent) ? [`${what}: odd`] : []),
]

function everyFigure(): readonly string[] {
  const wrong: string[] = []
  for (let i = 0; i < figures().length; i++) {
    const button = figures()[i] as HTMLElement
    const what = plain(button.textContent)
    const unit = plain(button.querySelector('i')?.textContent)
    const before = written
    const dialog = editorOf(button)
    if (!dialog) continue
    take(dialog, `13 ${unit}`)
    const refusal = one('[role="dialog"]')
    if (refusal) {
      // What cannot be is answered in a sentence, and changes nothing.
      if (written !== before || !/\w{3,}.*\.$/.test(plain(refusal.textContent)))
        wrong.push(`${what}: 13 ${unit} is refused without a word`)
      fireEvent.keyDown(refusal, { key: 'Escape' })
    } else wrong.push(...notKept(what, plain(figures()[i]?.textContent), '13'))
  }
  return wrong
}

/**
 * Lists that add a row say nothing of themselves afterwards; the practice asks first what it would
 * change.
 */
const apart = /^(choose )?(Add|Another|Set another)\b|Practice$/

function everyChoice(): readonly string[] {
  const wrong: string[] = []
  for (const name of new Set(choices().map(nameOf))) {
    if (apart.test(name)) continue
    const here = () => choices().find((choice) => nameOf(choice) === name)
    const options = () => all('[role="option"]')
    const show = () => void (options().length === 0 && here() && fireEvent.click(here() as Element))
    show()
    const texts = options().map((option) => plain(option.textContent))
    for (const [at, text] of texts.entries()) {
      // Of a long list the first and the last two.
      if (at > 0 && at < texts.length - 2) continue
      show()
      const option = options()[at]
      if (!option) break
      fireEvent.click(option)
      wrong.push(...notKept(name, here() && plain(here()?.textContent), text))
    }
    const left = one('[role="listbox"]')
    if (left) fireEvent.keyDown(left, { key: 'Escape' })
  }
  return wrong
}

test.each([...sheetIds])(
  '%s: what its fields take can be read there, and is taken by the server',
  async (sheet) => {
    written = house()
    await openPage(sheet, written, (after) => (written = after))
    expect(everyFigure()).toEqual([])
    expect(everyChoice()).toEqual([])
  },
  120_000,
)
