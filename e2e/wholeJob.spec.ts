import { workWith } from './hands'
import { test } from './test'
import { wholeJob } from './wholeJob'

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

test('from a blank job to a signed pack by touch alone, on a phone', async ({ page }) => {
  test.setTimeout(600_000)
  await workWith(page, 'touch', () => wholeJob(page, { onPhone: true }))
})
