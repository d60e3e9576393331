import { workWith } from './hands'
import { test } from './test'
import { wholeJob } from './wholeJob'

test('from a blank job to a signed pack by keyboard alone, at a desk', async ({ page }) => {
  test.setTimeout(900_000)
  await workWith(page, 'keyboard', () => wholeJob(page, { onPhone: false }))
})
