interface At {
  readonly x: number
  readonly y: number
}

/** Most characters a record keeps of a drawn signature. */
const longest = 11_900

const written = (strokes: readonly (readonly At[])[], every: number): string =>
  strokes
    .map((points) =>
      points
        .filter((_, i) => i % every === 0 || i === points.length - 1)
        .map(
          ({ x, y }, i) =>
            `${i === 0 ? 'M' : 'L'}${Math.max(0, x).toFixed(1)} ${Math.max(0, y).toFixed(1)}`,
        )
        .join(''),
    )
    .join('')

/** Drawn strokes as an SVG path of lines: thinned until it is short enough to be kept. */
export function pathOf(strokes: readonly (readonly At[])[]): string {
  for (let every = 1; every <= 64; every *= 2) {
    const path = written(strokes, every)
    if (path.length <= longest) return path
  }
  return ''
}
