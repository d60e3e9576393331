/** Narrower than this is a phone in a hand. */
export const phoneQuery = '(max-width: 720px)'
/** The same as it stands before a block of styles. */
export const phone = `@media ${phoneQuery}`
