import fc from 'fast-check'
import type { Drawing, Point, Shape } from '../answer/drawing'
import { spread, textWidth } from '../answer/drawing'
import { meterNode } from '../methods/network/tree'
import type { DrawnPipe, NetworkPicture } from './networkTree'
import { networkTree } from './networkTree'

/** Any tree: each pipe leaves from the source or from one before it; leaves end at something. */
const pictures = fc
  .record({
    from: fc.array(fc.nat(), { minLength: 1, maxLength: 30 }),
    lengths: fc.array(fc.double({ min: 0, max: 60, noNaN: true }), {
      minLength: 30,
      maxLength: 30,
    }),
    source: fc.constantFrom('meter' as const, 'main' as const),
    index: fc.nat(),
    drop_Pa: fc.double({ min: 0, max: 200, noNaN: true }),
    limit_Pa: fc.double({ min: 0, max: 2500, noNaN: true }),
  })
  .map(({ from, lengths, source, index, drop_Pa, limit_Pa }): NetworkPicture => {
    const parents = from.map((pick, i) => (i === 0 ? meterNode : `p${pick % i}`))
    const isLeaf = (i: number) => !parents.includes(`p${i}`)
    const leaves = parents.flatMap((_, i) => (isLeaf(i) ? [`p${i}`] : []))
    const indexId = leaves[index % leaves.length] ?? 'p0'
    const indexRun: string[] = []
    for (let at = indexId; at !== meterNode; at = parents[Number(at.slice(1))] ?? meterNode)
      indexRun.unshift(at)
    const far = (id: string) => 2100 - drop_Pa * (indexRun.indexOf(id) + 1)
    return {
      ...{ title: 'A tree', source, indexId, indexRun },
      pipes: parents.map((parent, i): DrawnPipe => ({
        ...{ id: `p${i}`, from: parent, length_m: lengths[i] ?? 1, bore_m: 0.02 },
        ...{ body: 'gas-fill', outline: 'gas', size: '22 mm', lengthText: '5 m', pencil: false },
        ...{ drop: '0.10', says: `Pipe ${i}` },
        ...(isLeaf(i)
          ? { end: { title: `A heater with a long name ${i}`, below: '24 kW', shutOff: true } }
          : {}),
      })),
      staircase: {
        ...{ startText: [{ text: '21.00' }], start_Pa: 2100, startPencil: false, limit_Pa },
        ...{ limitText: 'at least', ink: 'gas' as const, spare_Pa: far(indexId) - limit_Pa },
        ...{ far_Pa: far, figure: (gauge_Pa: number) => (gauge_Pa / 100).toFixed(2) },
      },
    }
  })
const widths = fc.constantFrom(366, 820)
const each = (check: (drawing: Drawing, picture: NetworkPicture) => void) =>
  fc.assert(
    fc.property(pictures, widths, fc.boolean(), (picture, width, isPicked) =>
      check(networkTree(picture, width, isPicked ? picture.indexId : undefined), picture),
    ),
  )

const flat = (shapes: readonly Shape[]): readonly Shape[] =>
  shapes.flatMap((shape) => (shape.kind === 'pick' ? flat(shape.shapes) : [shape]))
const boxesOf = (drawing: Drawing, box: number) =>
  drawing.shapes.filter(
    (shape): shape is Extract<Shape, { kind: 'rect' }> =>
      shape.kind === 'rect' && shape.size[0] === box && shape.fill === 'sheet',
  )
/** Points of a path of straight lines along the axes. */
function pointsOf(d: string): readonly Point[] {
  let [x, y] = [0, 0]
  return [...d.matchAll(/([MHVL])([-\d.e]+)(?: ([-\d.e]+))?/g)].map(([, kind, one, two]): Point => {
    if (kind === 'V') y = Number(one)
    else x = Number(one)
    if (kind === 'M' || kind === 'L') y = Number(two)
    return [x, y]
  })
}

test('every pipe can be picked, once, by its name', () =>
  each((drawing, { pipes }) => {
    const picks = drawing.shapes.flatMap((shape) =>
      shape.kind === 'pick' ? [[shape.id, shape.label]] : [],
    )
    expect(picks).toEqual(pipes.map(({ id, says }) => [id, says]))
  }))

test('nothing is drawn outside of the drawing, and everything somewhere', () =>
  each((drawing) => {
    const inside = ([x, y]: Point, room = 0) =>
      expect([
        x,
        y,
        x >= -room && x <= drawing.width + room && y >= -room && y <= drawing.height + 24,
      ]).toEqual([x, y, true])
    for (const shape of flat(drawing.shapes)) {
      if (shape.kind === 'line') [shape.from, shape.to].forEach((point) => inside(point))
      if (shape.kind === 'rect') inside(shape.at, 8)
      if (shape.kind === 'path') pointsOf(shape.d).forEach((point) => inside(point, 10))
      if (shape.kind === 'text') {
        inside(shape.at)
        const wide = textWidth(shape.spans.map(({ text }) => text).join(''), shape.size)
        if (shape.anchor === undefined && shape.at[0] > drawing.width / 2)
          expect(shape.at[0] + wide).toBeLessThan(drawing.width + 20)
      }
    }
    expect(JSON.stringify(drawing)).not.toMatch(/null|NaN/)
  }))

test('what pipes end at stands apart: no box over another', () =>
  each((drawing, { pipes }) => {
    const boxes = boxesOf(drawing, drawing.width < 520 ? 118 : 184)
    expect(boxes).toHaveLength(pipes.filter(({ end }) => end).length)
    const tops = boxes.map(({ at }) => at[1]).sort((a, b) => a - b)
    const high = boxes[0]?.size[1] ?? 0
    tops.slice(1).forEach((top, i) => expect(top - (tops[i] ?? 0)).toBeGreaterThanOrEqual(high))
  }))

test('the index end stands lowest and is the one that is drawn thick', () =>
  each((drawing, { indexId, pipes }) => {
    const boxes = boxesOf(drawing, drawing.width < 520 ? 118 : 184)
    const thick = boxes.filter(({ width }) => width === 2.5)
    expect(thick).toHaveLength(1)
    expect(thick[0]?.at[1]).toBe(Math.max(...boxes.map(({ at }) => at[1])))
    expect(pipes.find(({ id }) => id === indexId)?.end).toBeDefined()
  }))

test('a pipe begins where the one it leaves ends, and runs on from there', () =>
  each((drawing, { pipes }) => {
    const ends = new Map<string, Point>()
    for (const shape of drawing.shapes) {
      if (shape.kind !== 'pick') continue
      const path = shape.shapes.find(({ kind }) => kind === 'path') as { readonly d: string }
      const points = pointsOf(path.d)
      const from = pipes.find(({ id }) => id === shape.id)?.from ?? meterNode
      const before = ends.get(from)
      if (before) {
        // A pipe of no length is drawn 8 long all the same, so that it can be pressed.
        expect(points[0]?.[0]).toBeLessThanOrEqual(before[0] + 1e-9)
        expect(points[0]?.[0]).toBeGreaterThanOrEqual(before[0] - 8 - 1e-9)
        expect(points[0]?.[1]).toBe(before[1])
      }
      ends.set(shape.id, points.at(-1) ?? [0, 0])
    }
  }))

test('a staircase that ends below what is needed says so, and one that does not says what is spare', () =>
  each((drawing, { staircase }) => {
    const icon = drawing.shapes.find(({ kind }) => kind === 'icon') as { readonly icon: string }
    const isOver = staircase.spare_Pa < -1e-6 * Math.max(1, Math.abs(staircase.limit_Pa))
    expect(icon.icon).toBe(isOver ? 'stop' : 'pass')
    const says = flat(drawing.shapes).flatMap((shape) =>
      shape.kind === 'text' ? [shape.spans.map(({ text }) => text).join('')] : [],
    )
    const figure = staircase.figure(Math.abs(staircase.spare_Pa))
    expect(says).toContain(`${figure} ${isOver ? 'over' : 'spare'}`)
  }))

test('labels that want one height are spread: in order, apart, inside their limits', () =>
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 300, noNaN: true }), { minLength: 1, maxLength: 12 }),
      (heights) => {
        const wanted = [...heights].sort((a, b) => a - b)
        const gap = 18
        const placed = spread(wanted, gap, 0, 300)
        expect(placed).toHaveLength(wanted.length)
        placed.forEach((at, i) => {
          expect(at).toBeGreaterThanOrEqual(-1e-9)
          expect(at).toBeLessThanOrEqual(300 + 1e-9)
          const next = placed[i + 1]
          if (next !== undefined) expect(next - at).toBeGreaterThanOrEqual(gap - 1e-6)
        })
      },
    ),
  ))
