/** So many of something: '1 bend', '2 bends'. */
export const counted = (n: number, one: string, more = `${one}s`): string =>
  `${n} ${n === 1 ? one : more}`
