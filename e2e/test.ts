import type { APIRequestContext } from '@playwright/test'
import { expect, test as plain } from '@playwright/test'

/** Signs one of the demo's people in, in the browser that the requests share their cookies with. */
export async function signIn(
  request: APIRequestContext,
  personId: string,
  address = '',
): Promise<void> {
  // A server that was killed by the journey before may still be coming back.
  const come = () =>
    request.post(`${address}/api/session/demo`, { data: { personId } }).then(
      (answer) => answer.status(),
      () => 'no answer',
    )
  await expect.poll(come, { timeout: 60_000 }).toBe(200)
}

/** Every journey begins with the demo's owner signed in; one about the way in signs out first. */
export const test = plain.extend({
  page: async ({ page }, use) => {
    await signIn(page.request, 'maren-oduya')
    await use(page)
  },
})
