import type { BoardRow } from '@hestian/core'

/** What putting a job away, or bringing it back, does; what is off on its site stays off. */
export function putAwaySays({ archived, off }: Pick<BoardRow, 'archived' | 'off'>): string {
  if (archived) return 'It comes back among the jobs at hand.'
  if (off === 0) return 'Nothing is lost: it is put away and can be brought back.'
  const things = off === 1 ? 'One thing is' : `${off} things are`
  return `${things} off on its site, and putting it away turns nothing on. It can be brought back; the board goes on counting it.`
}
