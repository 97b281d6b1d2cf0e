import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  boundLoop,
  circleLoop,
  type Loop,
  measureLoop,
  mirrorLoop,
  type Point,
  rectangleLoop,
  reverseLoop,
} from './outline.ts'
import {
  arcByRise,
  filletReach,
  insetPath,
  mirrorPath,
  type PathCorner,
  pathLoop,
  riseOf,
  shiftPath,
} from './path.ts'

const NAMES = {
  sides: ['front', 'right', 'back', 'left'],
  corners: ['fl', 'fr', 'br', 'bl'],
} as const
const rectangle = (
  l: number,
  w: number,
  radii: readonly [number, number, number, number] = [0, 0, 0, 0],
  at: Point = [0, 0],
) => rectangleLoop(at, l, w, radii, NAMES)
const NAMED = { side: (id: string) => id, corner: (a: string, b: string) => `${a}|${b}` }
const path = (list: readonly (readonly [number, number, number?, PathCorner['run']?])[]): PathCorner[] =>
  list.map(([x, y, radius = 0, run = { kind: 'line' }], i) => ({ x, y, radius, side: `s${i}`, run }))
const square = (size: number, radius = 0) =>
  path([
    [0, 0, radius],
    [size, 0, radius],
    [size, size, radius],
    [0, size, radius],
  ])
/** Where a loop does not join up: none of it, if it is closed. */
const breaks = (loop: Loop): number =>
  loop.filter(({ to }, i) => {
    const { from } = loop[(i + 1) % loop.length]!
    return Math.hypot(to[0] - from[0], to[1] - from[1]) > 1e-9
  }).length

describe('a loop is measured exactly', () => {
  it.each<[label: string, loop: Loop, area: number, perimeter: number, middle: Point]>([
    ['a rectangle', rectangle(900, 500), 450_000, 2800, [450, 250]],
    [
      'one that does not begin at the origin',
      rectangle(900, 500, [0, 0, 0, 0], [-100, 30]),
      450_000,
      2800,
      [350, 280],
    ],
    // Each round takes (1 - pi/4) r^2 and 2 r - pi r/2
    [
      'four rounds',
      rectangle(900, 500, [40, 40, 40, 40]),
      450_000 - 4 * (1 - Math.PI / 4) * 1600,
      2800 - 4 * (80 - 20 * Math.PI),
      [450, 250],
    ],
    [
      'all rounds: a circle',
      rectangle(200, 200, [100, 100, 100, 100]),
      Math.PI * 1e4,
      200 * Math.PI,
      [100, 100],
    ],
    ['a circle', circleLoop([30, -40], 100, 'c'), Math.PI * 1e4, 200 * Math.PI, [30, -40]],
    // A half disc: 4 r/(3 pi) above its diameter
    [
      'a half disc',
      pathLoop(
        path([
          [0, 0],
          [200, 0, 0, { kind: 'arc', rise: 100 }],
        ]),
        NAMED,
      ),
      Math.PI * 5000,
      200 + 100 * Math.PI,
      [100, 400 / (3 * Math.PI)],
    ],
    [
      'a triangle',
      pathLoop(
        path([
          [0, 0],
          [300, 0],
          [0, 150],
        ]),
        NAMED,
      ),
      22_500,
      450 + Math.hypot(300, 150),
      [100, 50],
    ],
  ])('%s', (_, loop, area, perimeter, middle) => {
    const found = measureLoop(loop)
    expect(breaks(loop)).toBe(0)
    expect(found.area).toBeCloseTo(area, 6)
    expect(found.perimeter).toBeCloseTo(perimeter, 6)
    expect(found.centroid).toEqual([expect.closeTo(middle[0], 6), expect.closeTo(middle[1], 6)])
  })
  it('turned round it has the same boundary and the opposite area', () => {
    const loop = rectangle(300, 200, [20, 0, 30, 0])
    const back = reverseLoop(loop)
    expect(measureLoop(back).area).toBeCloseTo(-measureLoop(loop).area, 9)
    expect(measureLoop(back).perimeter).toBeCloseTo(measureLoop(loop).perimeter, 9)
    expect(reverseLoop(back)).toEqual(loop)
  })
  it('mirrored it has the same area, its middle on the other side of the line', () => {
    const loop = rectangle(300, 200, [20, 0, 30, 0])
    const other = mirrorLoop(loop, 150)
    const [a, b] = [measureLoop(loop), measureLoop(other)]
    expect(breaks(other)).toBe(0)
    expect(b.area).toBeCloseTo(a.area, 9)
    expect(b.centroid[0]).toBeCloseTo(300 - a.centroid[0], 9)
    expect(b.centroid[1]).toBeCloseTo(a.centroid[1], 9)
  })
})

describe('the box of a loop', () => {
  const half = (rise: number) =>
    pathLoop(
      path([
        [0, 0],
        [200, 0, 0, { kind: 'arc', rise }],
      ]),
      NAMED,
    )
  it.each<[string, Loop, Point, Point]>([
    ['a rectangle', rectangle(900, 500, [0, 0, 0, 0], [-10, 20]), [-10, 20], [890, 520]],
    ['rounds do not reach past it', rectangle(900, 500, [250, 0, 250, 0]), [0, 0], [900, 500]],
    ['a circle', circleLoop([30, 40], 25, 'c'), [5, 15], [55, 65]],
    ['an arc that bulges beyond its ends', half(100), [0, 0], [200, 100]],
    ['a flat one', half(20), [0, 0], [200, 20]],
    // More than half a circle reaches past its chord's ends: r = (100^2 + 150^2)/300
    ['more than half a circle', half(150), [100 - 32_500 / 300, 0], [100 + 32_500 / 300, 150]],
    ['one that curves in', half(-40), [0, -40], [200, 0]],
  ])('%s', (_, loop, min, max) => {
    const box = boundLoop(loop)
    expect([...box.min, ...box.max]).toEqual([...min, ...max].map((n) => expect.closeTo(n, 6)))
  })
})

describe('an arc by its rise', () => {
  it.each<[rise: number, radius: number]>([
    // r = (c^2/4 + h^2)/(2 h) over a chord of 200
    [100, 100],
    [50, 125],
    [10, 505],
    [150, 32_500 / 300],
  ])('of %s over 200 has a radius of %s, and gives its rise back', (rise, radius) => {
    for (const sign of [1, -1]) {
      const arc = arcByRise([0, 0], [200, 0], sign * rise)!
      expect(arc.radius).toBeCloseTo(radius, 9)
      expect(riseOf(arc)).toBeCloseTo(sign * rise, 9)
      expect(Math.hypot(arc.centre[0], arc.centre[1])).toBeCloseTo(radius, 9)
    }
  })
  it('is none where there is no rise, or no chord', () => {
    expect(arcByRise([0, 0], [200, 0], 0)).toBeNull()
    expect(arcByRise([5, 5], [5, 5], 20)).toBeNull()
  })
})

describe('a path', () => {
  it('rounds each corner by its radius, which reaches r tan(turn/2) along both sides', () => {
    expect(filletReach(square(100, 20), 0)).toBeCloseTo(20, 9)
    const loop = pathLoop(square(100, 20), NAMED)
    expect(breaks(loop)).toBe(0)
    expect(loop.filter((s) => s.arc).map((s) => s.arc!.radius)).toEqual([20, 20, 20, 20])
    expect(measureLoop(loop).area).toBeCloseTo(1e4 - 4 * (1 - Math.PI / 4) * 400, 6)
    // An equilateral triangle turns by 120 degrees: r tan 60
    const triangle = path([
      [0, 0, 10],
      [200, 0, 10],
      [100, 100 * Math.sqrt(3), 10],
    ])
    expect(filletReach(triangle, 1)).toBeCloseTo(10 * Math.sqrt(3), 9)
  })
  it('keeps the names of its sides and corners through rounding, moving and mirroring', () => {
    const names = (p: readonly PathCorner[]) => new Set(pathLoop(p, NAMED).map((s) => s.name))
    const sides = ['s0', 's1', 's2', 's3']
    for (const p of [square(100, 20), shiftPath(square(100, 20), 5, -7), mirrorPath(square(100, 20), 50)])
      expect(sides.every((s) => names(p).has(s))).toBe(true)
  })
  it('moved and mirrored is the same shape', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 40, max: 400 }), fc.integer({ min: 0, max: 15 })), {
          minLength: 3,
          maxLength: 8,
        }),
        fc.integer({ min: -500, max: 500 }),
        (spokes, by) => {
          // Corners round a middle: never crossing.
          const p = path(
            spokes.map(([r, radius], i) => {
              const a = (2 * Math.PI * i) / spokes.length
              return [r * Math.cos(a), r * Math.sin(a), radius] as const
            }),
          )
          const own = measureLoop(pathLoop(p, NAMED))
          const moved = measureLoop(pathLoop(shiftPath(p, by, -by), NAMED))
          const mirrored = measureLoop(pathLoop(mirrorPath(p, by), NAMED))
          const near = 1e-6 * (1 + own.area)
          expect(Math.abs(moved.area - own.area)).toBeLessThan(near)
          expect(Math.abs(mirrored.area - own.area)).toBeLessThan(near)
          expect(moved.centroid[0]).toBeCloseTo(own.centroid[0] + by, 4)
          expect(mirrored.centroid[0]).toBeCloseTo(2 * by - own.centroid[0], 4)
        },
      ),
      { seed: 21, numRuns: 60 },
    )
  })
  it('moved in by each side’s own inset has sides that much further in', () => {
    const inset = insetPath(square(100), (side) => (side === 's0' ? 10 : side === 's1' ? 5 : 0))
    const { min, max } = boundLoop(pathLoop(inset, NAMED))
    expect([...min, ...max]).toEqual([0, 10, 95, 100].map((n) => expect.closeTo(n, 9)))
    const out = insetPath(square(100), () => -3)
    const box = boundLoop(pathLoop(out, NAMED))
    expect([...box.min, ...box.max]).toEqual([-3, -3, 103, 103].map((n) => expect.closeTo(n, 9)))
  })
})
