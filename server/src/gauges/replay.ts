/**
 * Two samples further apart than this on the gauge's clock have others between them that were
 * missed.
 */
export const missed_ms = 3000
/** A gauge that has a memory has sent it again by then. */
export const replayGrace_ms = 5000

/**
 * Up to where everything has come, on the gauge's own clock. A live sample that arrives before what
 * was missed does not move it: a link that breaks then still asks for the hole. A hole that nothing
 * filled {@link replayGrace_ms} after it was asked for is one of the gauge's own.
 */
export class Replay {
  private ahead: number[] = []
  private asked_ms = 0

  constructor(
    private reached_ms: number,
    private readonly now: () => number,
  ) {}

  /** Where to ask from, now that it is asked. */
  ask(): number {
    this.asked_ms = this.now()
    return this.reached_ms
  }

  /** A test that begins further back is asked for too. */
  widenTo(at_ms: number): void {
    this.reached_ms = Math.min(this.reached_ms, at_ms)
    this.ahead = []
  }

  saw(at_ms: number): void {
    if (at_ms <= this.reached_ms) return
    const isHole = at_ms - this.reached_ms > missed_ms
    if (isHole && this.now() - this.asked_ms < replayGrace_ms) {
      this.ahead.push(at_ms)
      return
    }
    this.reached_ms = at_ms
    this.takeUp()
  }

  /** What came ahead counts once the hole before it is filled. */
  private takeUp(): void {
    this.ahead = this.ahead.filter((at_ms) => at_ms > this.reached_ms).sort((a, b) => a - b)
    for (const at_ms of this.ahead) {
      if (at_ms - this.reached_ms > missed_ms) return
      this.reached_ms = at_ms
    }
  }
}
