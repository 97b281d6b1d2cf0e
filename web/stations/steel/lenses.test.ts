import { describe, expect, it } from 'vitest'
import type { ThicknessMap, ToldMove } from '../../../core/steel/index.ts'
import { METRIC } from '../../../core/testing/says.ts'
import { agesOf, marginAt } from './ages.ts'
import { cutBands } from './cutBands.ts'
import { fitted, spanOf } from './fitted.ts'
import { above, atNodes } from './isoBands.ts'
import { marginWords, whenWords } from './moveWords.ts'
import { placeLabels } from './placeLabels.ts'
import { contourLevels, flatView, INSIDE, thicknessBands } from './thicknessGrid.ts'
import { tintSurface } from './thicknessTint.ts'

const ring = (points: readonly (readonly [number, number])[]): number =>
  Math.abs(
    points.reduce((sum, [x, y], i) => {
      const [nx, ny] = points[(i + 1) % points.length]!
      return sum + (x * ny - nx * y) / 2
    }, 0),
  )

describe('contours of thickness', () => {
  /** A slab 600 x 300 of 50 with a field 200 x 150 that leaves 20. */
  const samples = Array.from({ length: 60 * 30 }, (_, i) => {
    const [x, y] = [(i % 60) * 10 + 5, Math.floor(i / 60) * 10 + 5]
    const thin = Math.abs(x - 300) < 100 && Math.abs(y - 150) < 75
    return { at: [x, y, 50] as const, thickness: thin ? 20 : 50 }
  })
  const map = {
    samples,
    spacing: 10,
    feathers: [],
    faces: new Map([['top', { min: [0, 0, 0], max: [600, 300, 50], area: 1 }]]),
  } as unknown as ThicknessMap
  it('take in what is thinner than their level, and the whole piece at none', () => {
    const view = flatView(map, 'down')
    const [whole, thin] = thicknessBands(map, view, [30], false)
    expect(whole!.upToMm).toBe(INSIDE)
    const area = (rings: readonly (readonly (readonly [number, number])[])[]) =>
      rings.reduce((s, r) => s + ring(r), 0)
    expect(area(whole!.rings) / (600 * 300)).toBeCloseTo(1, 1)
    expect(area(thin!.rings) / (200 * 150)).toBeCloseTo(1, 0)
    expect(Math.abs(area(thin!.rings) / (200 * 150) - 1)).toBeLessThan(0.15)
    // Bounded by an outline it is filled past the edge of its box.
    expect(area(thicknessBands(map, view, [], true)[0]!.rings)).toBeGreaterThan(600 * 300)
  })
  it('are drawn where the piece has both sides of them', () => {
    expect(contourLevels(samples as unknown as ThicknessMap['samples'], 40)).toEqual([80 / 3, 40])
    expect(contourLevels([samples[0]!] as unknown as ThicknessMap['samples'], 40)).toEqual([])
  })
  it('from the front look along the depth', () => {
    expect(flatView(map, 'front')).toMatchObject({ min: [0, 0], max: [600, 50] })
  })
})

describe('a wall of 30 and 60 thick, cut across', () => {
  // Balls side by side in a slab 400 long: 60 thick, but 30 between 150 and 250.
  const balls = Array.from({ length: 81 }, (_, i) => {
    const x = i * 5
    const mm = Math.abs(x - 200) < 50 ? 30 : 60
    return { at: [x, 20, mm] as const, normal: [0, 0, 1] as const, thickness: mm }
  })
  const map = { samples: balls, spacing: 5, feathers: [], faces: new Map() } as unknown as ThicknessMap
  const region = [
    [
      [0, 0],
      [400, 0],
      [400, 60],
      [0, 60],
    ] as const,
  ]
  it('takes at each point the largest ball that holds it', () => {
    const [all, thin] = cutBands(map, { seenFrom: 'front', at: 20, region }, [45])
    expect([all!.upToMm, thin!.upToMm]).toEqual([INSIDE, 45])
    const { min, max } = spanOf(thin!.rings.flat())
    // The balls of 60 reach into it by as much as they are round.
    expect(min[0]).toBeGreaterThan(149)
    expect(max[0]).toBeLessThan(251)
    expect(max[0] - min[0]).toBeGreaterThan(30)
  })
  it('looks at another plane, beside the balls it meets, and at none without a cut', () => {
    const off = cutBands(
      map,
      {
        seenFrom: 'left',
        at: 200,
        region: [
          [
            [0, 0],
            [40, 0],
            [40, 60],
            [0, 60],
          ],
        ],
      },
      [45],
    )
    expect(off[1]!.rings.length).toBeGreaterThan(0)
    expect(cutBands(map, { seenFrom: 'left', at: 0, region: [] }, [45])).toEqual([])
  })
  it('is laid over its surface in small triangles of the same area, each with what is nearest', () => {
    const mesh = {
      positions: Float32Array.from([0, 0, 60, 400, 0, 60, 400, 40, 60, 0, 40, 60]),
      triangles: Uint32Array.from([0, 1, 2, 0, 2, 3]),
    }
    const still = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1], origin: [0, 0, 0] } as const
    const above = {
      ...map,
      samples: balls.map((b) => ({ ...b, at: [b.at[0], 20, 60] as const })),
    } as unknown as ThicknessMap
    const { positions: p, mm } = tintSurface(mesh, above, still)!
    const [thin, thick] = [0, 0].map(() => ({ area: 0 }))
    mm.forEach((n, t) => {
      const [ax, ay, bx, by, cx, cy] = [0, 1, 3, 4, 6, 7].map((k) => p[9 * t + k]!) as [
        number,
        number,
        number,
        number,
        number,
        number,
      ]
      const area = Math.abs((bx - ax) * (cy - ay) - (cx - ax) * (by - ay)) / 2
      ;(n === 30 ? thin! : thick!).area += area
    })
    expect(thin!.area + thick!.area).toBeCloseTo(400 * 40, 1)
    expect(thin!.area / (100 * 40)).toBeGreaterThan(0.85)
    expect(thin!.area / (100 * 40)).toBeLessThan(1.15)
    // Turned over with the pour, its samples turn with it; of no samples there is nothing to lay over it.
    const over = { x: [-1, 0, 0], y: [0, 1, 0], z: [0, 0, -1], origin: [400, 0, 120] } as const
    expect(tintSurface(mesh, map, over)!.mm.length).toBe(mm.length)
    expect(tintSurface(mesh, { ...map, samples: [] }, still)).toBeNull()
  })
})

it('bands of stress run straight between nodes', () => {
  const mesh = {
    nodes: [
      [0, 0],
      [10, 0],
      [0, 10],
    ],
    triangles: [[0, 1, 2]],
  } as const
  expect([...atNodes(mesh, [7])]).toEqual([7, 7, 7])
  // Over half of the way from 0 to 10 along two sides: a quarter of the triangle is left out at the corner that is 10.
  expect(ring(above(mesh, [10, 0, 0], 5)[0]!)).toBeCloseTo(12.5, 6)
  expect(ring(above(mesh, [0, 10, 10], 5)[0]!)).toBeCloseTo(37.5, 6)
  expect(above(mesh, [1, 2, 3], 5)).toEqual([])
})

it('labels stand beside their points, never over one another nor outside', () => {
  const size = { width: 200, height: 100 }
  const placed = placeLabels(
    [
      { key: 'a', at: [100, 50], away: 5, text: '21' },
      { key: 'b', at: [100, 50], away: 5, text: '45' },
      { key: 'top', at: [30, 2], away: 5, text: '38' },
      ...['c', 'd', 'e', 'f'].map((key) => ({ key, at: [100, 50] as const, away: 5, text: '99' })),
    ],
    size,
  )
  expect(placed.get('a')).toEqual([100, 35])
  expect(placed.get('b')).toEqual([100, 65])
  expect(placed.get('top')![1]).toBeGreaterThan(2)
  const all = [...placed.values()]
  for (const [i, p] of all.entries())
    for (const q of all.slice(i + 1))
      expect(Math.abs(p[0] - q[0]) > 20 || Math.abs(p[1] - q[1]) >= 20).toBe(true)
  expect(placed.has('f')).toBe(false)
})

it('a drawing is fitted in the middle, y up, and found back', () => {
  const { to, from, scale } = fitted(
    [0, 0],
    [100, 50],
    { width: 300, height: 200 },
    { x: 50, top: 20, bottom: 30 },
  )
  expect(scale).toBe(2)
  expect(to([50, 25])[0]).toBe(150)
  expect(to([0, 0])[1]).toBeGreaterThan(to([0, 50])[1])
  expect(from(to([13, 7]))).toEqual([13, 7].map((n) => expect.closeTo(n, 9)))
})

it('margins and hours in words', () => {
  expect([0.5, 0.8, 1.1, 3].map(marginWords)).toEqual([
    'it will probably crack',
    'do not',
    'with care',
    'it bears that',
  ])
  const move = { move: 'turn', neededMpa: 13.2, earliestMinutes: 1900 } as Parameters<typeof whenWords>[0]
  const say = METRIC
  expect(whenWords(move, say)).toBe('From 14 MPa: 32 h after the first water.')
  expect(whenWords({ ...move, earliestMinutes: null }, say)).toMatch(/never/)
  expect(whenWords({ ...move, earliestMinutes: 9000 }, say)).toMatch(/7 days/)
})

it('a margin is looked at for an age by the strength the mix has then', () => {
  const strength = [0, 12, 24, 36, 48, 60].map((hours) => ({ hours, mpa: hours / 2 }))
  expect(agesOf(strength).map((a) => [a.name, a.mpa])).toEqual([
    ['24 h', 12],
    ['48 h', 24],
  ])
  const told = { move: 'turn', startMarginShare: 0.8, fullMarginShare: 1.5 } as ToldMove
  expect([marginAt(told, true, 12), marginAt(told, false, 40), marginAt(told, false, null)]).toEqual([
    0.8, 1.6, 1.5,
  ])
})
