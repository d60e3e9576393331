/** How long an answer may take, ms: somebody looks for their key. */
export const answerWithin_ms = 5 * 60_000
/** More are not kept: whoever asks for a million does not fill this server. */
const most = 2000

/**
 * What was asked of devices and not answered yet. Each is answered once; a restart forgets them,
 * and one presses again.
 */
export class Challenges {
  private readonly open = new Map<string, { readonly until_ms: number; readonly who: string }>()

  /** `now_ms` is the time now; `who` of whom it was asked, empty for whoever comes in. */
  keep(challenge: string, who: string, now_ms: number): void {
    for (const [key, { until_ms }] of this.open)
      if (until_ms < now_ms || this.open.size >= most) this.open.delete(key)
    this.open.set(challenge, { until_ms: now_ms + answerWithin_ms, who })
  }

  /** Whether that was asked of them and still waits; it does not wait any more then. */
  take(challenge: string, who: string, now_ms: number): boolean {
    const kept = this.open.get(challenge)
    if (kept?.who !== who) return false
    this.open.delete(challenge)
    return kept.until_ms >= now_ms
  }
}
