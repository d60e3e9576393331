import { AsyncLocalStorage } from 'node:async_hooks'

/** Who makes a change, and from where. */
export interface Acting {
  readonly by: string
  readonly from: string
}

const itself: Acting = { by: 'hestian', from: 'the server itself' }
const store = new AsyncLocalStorage<Acting>()

/**
 * Whoever a request is of, for what is written down of the changes it makes; without a request it
 * is the server itself.
 */
export const acting = {
  now: (): Acting => store.getStore() ?? itself,
  run: (who: Acting, work: () => void): void => store.run(who, work),
}
