import type { Drawing, Ink, Shape, VerdictIcon } from './drawing'

/**
 * Colours of the paper theme, for what is printed or exported. The page takes its own from its
 * theme.
 */
export const paperInks: Readonly<Record<Ink, string>> = {
  paper: '#F4EFE4',
  sheet: '#FCF9F2',
  select: '#F1E2BC',
  ink: '#22272A',
  'ink-2': '#474D50',
  'ink-3': '#5F6467',
  pencil: '#66635D',
  rule: '#8C8577',
  hair: '#D5CCBB',
  cold: '#1C5A96',
  hot: '#BD3118',
  gas: '#7F5E06',
  'gas-fill': '#D9AA2E',
  'cold-wash': '#D9E4EC',
  'hot-wash': '#F3DCD0',
  pass: '#1D6A3E',
  look: '#854F00',
  stop: '#A5112D',
  'pass-wash': '#D9E6D6',
  'look-wash': '#F6DFA9',
  'stop-wash': '#F4D8D5',
}

const escape = (text: string) =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;')
const attributes = (pairs: Readonly<Record<string, string | number | undefined>>) =>
  Object.entries(pairs)
    .filter(([, value]) => value !== undefined)
    .map(([key, value]) => ` ${key}="${escape(String(value))}"`)
    .join('')

/**
 * Verdict marks on a 20 px grid: shape before colour. Each is a body path and what is cut out of
 * it.
 */
export const verdictIcons: Readonly<
  Record<
    VerdictIcon,
    { readonly ink: Ink; readonly body: string; readonly mark: string; readonly hollow: boolean }
  >
> = {
  pass: {
    ink: 'pass',
    body: 'M10 1a9 9 0 1 0 0 18a9 9 0 1 0 0-18Z',
    mark: 'M5.6 10.4l3 3l5.8-6.4',
    hollow: false,
  },
  fix: {
    ink: 'look',
    body: 'M10 .5L19.5 10L10 19.5L.5 10Z',
    mark: 'M10 5.2v6M10 13.2v1.8',
    hollow: false,
  },
  stop: {
    ink: 'stop',
    body: 'M6.2 1h7.6L19 6.2v7.6L13.8 19H6.2L1 13.8V6.2Z',
    mark: 'M5.5 10h9',
    hollow: false,
  },
  note: {
    ink: 'ink-2',
    body: 'M2.5 2.5h15v15h-15Z',
    mark: 'M5.5 7h9M5.5 10.2h9M5.5 13.4h6',
    hollow: true,
  },
}

/** A drawing as a standalone SVG document in the paper theme, with the fonts named as given. */
export function drawingSvg(drawing: Drawing, font = 'Atkinson Hyperlegible Next'): string {
  const { width, height, title, shapes } = drawing
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" font-family="${escape(font)}"><title>${escape(title)}</title>${shapes.map(shapeSvg).join('')}</svg>`
}

function shapeSvg(shape: Shape): string {
  const colour = (ink: Ink | undefined) => (ink ? paperInks[ink] : undefined)
  switch (shape.kind) {
    case 'line':
      return `<line${attributes({ x1: shape.from[0], y1: shape.from[1], x2: shape.to[0], y2: shape.to[1], stroke: colour(shape.ink), 'stroke-width': shape.width, 'stroke-dasharray': shape.dash })}/>`
    case 'path':
      return `<path${attributes({ d: shape.d, fill: colour(shape.fill) ?? 'none', stroke: colour(shape.ink), 'stroke-width': shape.width, 'stroke-dasharray': shape.dash })}/>`
    case 'rect':
      return `<rect${attributes({ x: shape.at[0], y: shape.at[1], width: shape.size[0], height: shape.size[1], fill: colour(shape.fill) ?? 'none', stroke: colour(shape.ink), 'stroke-width': shape.width, 'stroke-dasharray': shape.dash })}/>`
    case 'text': {
      const spans = shape.spans
        .map(
          (span) =>
            `<tspan${attributes({ 'font-weight': span.bold ? 'bold' : undefined, fill: colour(span.ink) })}>${escape(span.text)}</tspan>`,
        )
        .join('')
      return `<text${attributes({ x: shape.at[0], y: shape.at[1], 'font-size': shape.size, 'text-anchor': shape.anchor, fill: colour(shape.ink ?? 'ink') })}>${spans}</text>`
    }
    case 'icon': {
      const { ink, body, mark, hollow } = verdictIcons[shape.icon]
      return `<g transform="translate(${shape.at[0]} ${shape.at[1]}) scale(${shape.size / 20})"><path d="${body}" fill="${hollow ? 'none' : paperInks[ink]}"${hollow ? ` stroke="${paperInks[ink]}" stroke-width="1.7"` : ''}/><path d="${mark}" fill="none" stroke="${hollow ? paperInks[ink] : paperInks.sheet}" stroke-width="2.2"/></g>`
    }
    case 'pick':
      return `<g>${shape.shapes.map(shapeSvg).join('')}</g>`
  }
}
