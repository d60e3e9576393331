import { startEarly, startWorker, takeWorker } from './startWorker'

let started: { onerror?: () => void }[]
Object.assign(globalThis, {
  Worker: class {
    constructor() {
      started.push(this)
    }
  },
})
beforeEach(() => (started = []))

test('one that was started early is the one that is asked, and the next is new', () => {
  startEarly()
  startEarly()
  expect(started).toHaveLength(1)
  expect(takeWorker()).toBe(started[0])
  expect(takeWorker()).toBe(started[1])
  expect(startWorker()).toBe(started[2])
})

test('one that could not be fetched early is not asked', () => {
  startEarly()
  started[0]?.onerror?.()
  expect(takeWorker()).toBe(started[1])
})
