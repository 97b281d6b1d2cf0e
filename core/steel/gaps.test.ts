import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type Loop, loopChords, type Point } from '../geometry/index.ts'
import type { OpeningShape } from '../job/index.ts'
import { outlineLoop, shapeLoop } from '../piece/index.ts'
import { measureGaps } from './gaps.ts'

const rectangle = (length: number, width: number, r = 0): Loop =>
  outlineLoop({ kind: 'rectangle', length, width, radii: [r, r, r, r] })
const opening = (shape: OpeningShape, at: Point, turnDeg = 0) => ({
  shape,
  loop: shapeLoop(shape, at, 'x', turnDeg),
})
const round = (diameter: number, x: number, y: number) => opening({ kind: 'round', diameter }, [x, y])
const box = (length: number, width: number, x: number, y: number, radius = 0) =>
  opening({ kind: 'rectangle', length, width, radius }, [x, y])
const told = (gaps: ReturnType<typeof measureGaps>) =>
  gaps.map(({ of, against, gap }) => [of, against, Math.round(gap.least * 100) / 100])

describe('the gaps of a plan', () => {
  const outline = rectangle(1000, 600)
  it.each<[label: string, openings: ReturnType<typeof box>[], reach: number, found: (number | null)[][]]>([
    ['none where there is no opening', [], 150, []],
    // 1000 - 500 - 100: 400 each way along, 250 across
    ['none beyond its reach', [box(200, 100, 500, 300)], 150, []],
    ['to the nearest side', [box(200, 100, 150, 300)], 150, [[0, null, 50]]],
    [
      'to every side it is near',
      [box(200, 100, 160, 100)],
      150,
      [
        [0, null, 50],
        [0, null, 60],
      ],
    ],
    [
      'on both sides of a narrow slab, and at its end',
      [box(200, 440, 140, 300)],
      150,
      [
        [0, null, 40],
        [0, null, 80],
        [0, null, 80],
      ],
    ],
    [
      'between two, the later measured along',
      [box(200, 100, 400, 300), box(100, 100, 590, 300)],
      150,
      [[1, 0, 40]],
    ],
    [
      'a round one is measured along, first or last',
      [round(100, 400, 300), box(100, 100, 530, 300)],
      150,
      [[0, 1, 30]],
    ],
    // centres 130 apart: 130 - 50 - 25
    ['two circles exactly', [round(100, 400, 300), round(50, 530, 300)], 150, [[0, 1, 55]]],
    ['corner to corner', [box(100, 100, 400, 250), box(100, 100, 530, 390)], 150, [[1, 0, 50]]],
    [
      'nothing between those whose boxes are further apart',
      [round(40, 300, 300), round(40, 500, 300)],
      150,
      [],
    ],
    ['openings that overlap have none left', [round(100, 400, 300), round(100, 450, 300)], 150, [[0, 1, 0]]],
  ])('%s', (_, openings, reach, found) => {
    expect(told(measureGaps({ outline, openings, reach }))).toEqual(found)
  })

  it('counts the length over which a gap stays narrow: a side beside a side, a point beside a circle', () => {
    const [side] = measureGaps({ outline, openings: [box(200, 100, 500, 90)], reach: 150 })
    // 40 mm along the whole 200, and of each end the first 10 mm up to 1.25 x 40
    expect(side!.gap.narrowLength).toBeCloseTo(220, -1)
    const [point] = measureGaps({ outline, openings: [round(100, 500, 90)], reach: 150 })
    // 1.25 x 40 is 10 mm further out: cos a = 40/50 either way of a circle of 50
    expect(point!.gap.narrowLength).toBeCloseTo(100 * Math.acos(0.8), -1)
  })

  it('knows that a rounded corner brings the outline nearer than its box', () => {
    const openings = [box(60, 60, 190, 190)]
    const near = (r: number) => measureGaps({ outline: rectangle(1000, 600, r), openings, reach: 155 })
    // Of the square corner both sides are 160 away, out of reach; rounded by 300 its arc passes 155.6 - 31.6 ... from it.
    expect(near(0)).toEqual([])
    const [gap] = near(300)
    const corner: Point = [160, 160]
    expect(gap!.gap.least).toBeCloseTo(300 - Math.hypot(300 - corner[0], 300 - corner[1]), 0)
  })
})

it('finds the least distance that comparing every pair of points finds, for any two openings', () => {
  const shape = fc.oneof(
    fc.record({ kind: fc.constant('round' as const), diameter: fc.integer({ min: 20, max: 160 }) }),
    fc.record({
      kind: fc.constant('rectangle' as const),
      length: fc.integer({ min: 20, max: 200 }),
      width: fc.integer({ min: 20, max: 160 }),
      radius: fc.constantFrom(0, 5, 10),
    }),
    fc.record({
      kind: fc.constant('slot' as const),
      length: fc.integer({ min: 90, max: 200 }),
      width: fc.integer({ min: 20, max: 80 }),
    }),
  )
  const dense = (loop: Loop): Point[] => {
    const { points } = loopChords(loop)
    return points.flatMap((a, i) => {
      const b = points[(i + 1) % points.length]!
      const n = Math.max(1, Math.ceil(Math.hypot(b[0] - a[0], b[1] - a[1])))
      return Array.from(
        { length: n },
        (_, k): Point => [a[0] + ((b[0] - a[0]) * k) / n, a[1] + ((b[1] - a[1]) * k) / n],
      )
    })
  }
  fc.assert(
    fc.property(
      shape,
      shape,
      fc.integer({ min: 0, max: 180 }),
      fc.integer({ min: 0, max: 120 }),
      (a, b, turn, dy) => {
        const [left, right] = [opening(a, [400, 300], turn), opening(b, [640, 300 + dy])]
        const found = measureGaps({
          outline: rectangle(4000, 4000),
          openings: [left, right],
          reach: 400,
        }).find((g) => g.against !== null)
        const others = dense(right.loop)
        let plain = Infinity
        for (const [x, y] of dense(left.loop))
          for (const [u, v] of others) plain = Math.min(plain, Math.hypot(x - u, y - v))
        // Points a millimetre apart see the least distance to within a millimetre, never less than it.
        if (plain > 2) {
          expect(found!.gap.least).toBeLessThanOrEqual(plain + 0.06)
          expect(found!.gap.least).toBeGreaterThan(plain - 1)
        }
      },
    ),
    { seed: 41, numRuns: 60 },
  )
})
