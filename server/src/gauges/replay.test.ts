import { missed_ms, Replay, replayGrace_ms } from './replay'

const at = (replay: Replay, seconds: readonly number[]) => {
  for (const second of seconds) replay.saw(second * 1000)
  return replay.ask() / 1000
}

test('samples in their order move it along', () => {
  const replay = new Replay(10_000, () => 0)
  replay.ask()
  expect(at(replay, [11, 12, 13])).toBe(13)
})
test('a live sample ahead of what was missed does not: a link that breaks then asks for the hole again', () => {
  const replay = new Replay(10_000, () => 0)
  replay.ask()
  expect(at(replay, [80, 81])).toBe(10)
  expect(at(replay, [11, 12])).toBe(12)
})
test('once the hole is filled, what came ahead counts', () => {
  const replay = new Replay(10_000, () => 0)
  replay.ask()
  expect(at(replay, [20, 21, 11, 12, 13, 14, 15, 16, 17, 18])).toBe(21)
})
test('a hole that nothing fills is the gauge’s own after a while', () => {
  let now_ms = 0
  const replay = new Replay(10_000, () => now_ms)
  replay.ask()
  expect(at(replay, [80])).toBe(10)
  replay.ask()
  now_ms = replayGrace_ms
  expect(at(replay, [81])).toBe(81)
})
test('a test that begins further back is asked for as well', () => {
  const replay = new Replay(10_000, () => 0)
  replay.widenTo(5000)
  expect(replay.ask()).toBe(5000)
  expect(missed_ms).toBeLessThan(replayGrace_ms)
})
