import { workWith } from './hands'
import { test } from './test'
import { wholeJob } from './wholeJob'

// A picture of every press would take longer than the presses.
test.use({ trace: 'off' })

test.describe('from a blank job to a signed pack', () => {
  test('by keyboard alone, at a desk', async ({ page }) => {
    test.setTimeout(900_000)
    await workWith(page, 'keyboard', () => wholeJob(page, { onPhone: false }))
  })
})

test.describe('from a blank job to a signed pack, on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  test('by touch alone', async ({ page }) => {
    test.setTimeout(600_000)
    await workWith(page, 'touch', () => wholeJob(page, { onPhone: true }))
  })
})
