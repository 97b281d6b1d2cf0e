import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Point } from '../geometry/index.ts'
import { chainStrokes, type Stroke, sortOutlines } from './chain.ts'

const line = (from: Point, to: Point, layer = 'edge'): Stroke => ({ layer, from, to, rise: 0 })
const arc = (from: Point, to: Point, rise: number, layer = 'edge'): Stroke => ({ layer, from, to, rise })
/** The sides of a closed polygon. */
const sides = (points: readonly Point[], layer = 'edge'): Stroke[] =>
  points.map((p, i) => line(p, points[(i + 1) % points.length]!, layer))
const box = (x: number, y: number, l: number, w: number, layer = 'edge'): Stroke[] =>
  sides(
    [
      [x, y],
      [x + l, y],
      [x + l, y + w],
      [x, y + w],
    ],
    layer,
  )
const turned = (strokes: readonly Stroke[]): Stroke[] =>
  strokes.map((s) => ({ ...s, from: s.to, to: s.from, rise: -s.rise }))
const areas = (strokes: readonly Stroke[], near = 0.01) =>
  chainStrokes(strokes, near).rings.map((r) => Math.round(r.area * 100) / 100)

describe('lines joined end to end', () => {
  it.each<[label: string, strokes: Stroke[], areas: number[], open: number]>([
    ['nothing', [], [], 0],
    ['a square', box(0, 0, 10, 10), [100], 0],
    ['a square walked the other way', turned(box(0, 0, 10, 10)).reverse(), [100], 0],
    ['its sides in any order', [2, 0, 3, 1].map((i) => box(0, 0, 10, 10)[i]!), [100], 0],
    [
      'some of them drawn the other way',
      box(0, 0, 10, 10).map((s, i) => (i % 2 ? turned([s])[0]! : s)),
      [100],
      0,
    ],
    ['two squares apart', [...box(0, 0, 10, 10), ...box(50, 0, 4, 5)], [100, 20], 0],
    [
      'two whose sides are mixed',
      [0, 4, 1, 5, 2, 6, 3, 7].map((i) => [...box(0, 0, 10, 10), ...box(50, 0, 4, 5)][i]!),
      [100, 20],
      0,
    ],
    ['a side is missing', box(0, 0, 10, 10).slice(1), [], 1],
    ['a lone line', [line([0, 0], [10, 0])], [], 1],
    ['there and back encloses nothing', [line([0, 0], [10, 0]), line([10, 0], [0, 0])], [], 1],
    ['a line of no length', [line([3, 3], [3, 3]), ...box(0, 0, 10, 10)], [100], 1],
    // Half a circle of 10 over its diameter
    ['a half disc', [line([0, 0], [20, 0]), arc([20, 0], [0, 0], 10)], [157.08], 0],
    ['a circle of two halves', [arc([0, 0], [20, 0], 10), arc([20, 0], [0, 0], 10)], [314.16], 0],
    ['layers are kept apart', [...box(0, 0, 10, 10).slice(0, 3), line([0, 10], [0, 0], 'other')], [], 2],
  ])('%s', (_, strokes, found, open) => {
    const chained = chainStrokes(strokes, 0.01)
    // Sorted by nothing yet: in the order in which they were closed; arcs within the chords they are judged by.
    expect(chained.rings.length).toBe(found.length)
    for (const [k, ring] of chained.rings.entries())
      expect(Math.abs(ring.area - found[k]!)).toBeLessThan(0.015 * found[k]!)
    expect(chained.open).toBe(open)
  })
  it('meets ends that lie as near as it is told, and no further', () => {
    const gap = (by: number) => box(0, 0, 10, 10).map((s, i) => (i === 3 ? line([0, 10], [0, by]) : s))
    expect(areas(gap(0.05), 0.1)).toEqual([expect.closeTo(100, 0)])
    expect(areas(gap(0.05), 0.01)).toEqual([])
  })
  it('gives every ring anticlockwise, its arcs bulging to the side they were drawn on', () => {
    const half = [line([0, 0], [20, 0]), arc([20, 0], [0, 0], 10)]
    for (const strokes of [half, turned(half).reverse()]) {
      const [ring] = chainStrokes(strokes, 0.01).rings
      const high = Math.max(...ring!.points.map((p) => p[1]))
      expect(ring!.area).toBeGreaterThan(0)
      expect(high).toBeCloseTo(10, 1)
    }
  })
  it('finds any polygon again, whatever the order and the way its sides were drawn', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 20, max: 200 }), { minLength: 3, maxLength: 12 }),
        fc.infiniteStream(fc.nat()),
        (spokes, chance) => {
          const pick = () => chance.next().value as number
          const points = spokes.map((r, i): Point => {
            const a = (2 * Math.PI * i) / spokes.length
            return [r * Math.cos(a), r * Math.sin(a)]
          })
          const shuffled = sides(points)
            .map((s) => (pick() % 2 ? turned([s])[0]! : s))
            .map((s) => [pick(), s] as const)
            .sort(([a], [b]) => a - b)
            .map(([, s]) => s)
          const area = points.reduce((sum, [x, y], i) => {
            const [u, v] = points[(i + 1) % points.length]!
            return sum + (x * v - u * y) / 2
          }, 0)
          const { rings, open } = chainStrokes(shuffled, 0.001)
          expect([rings.length, open]).toEqual([1, 0])
          expect(rings[0]!.area).toBeCloseTo(Math.abs(area), 3)
        },
      ),
      { seed: 31, numRuns: 60 },
    )
  })
})

describe('rings sorted into outlines', () => {
  const sorted = (...groups: Stroke[][]) => sortOutlines(chainStrokes(groups.flat(), 0.01).rings)
  it('are largest first, each with what lies directly inside it', () => {
    const outlines = sorted(
      box(0, 0, 100, 100),
      box(10, 10, 20, 20),
      box(50, 50, 30, 30),
      box(200, 0, 50, 50),
    )
    expect(outlines.map((o) => o.inner.length)).toEqual([2, 0])
  })
  it('what lies in an opening is an outline of its own again', () => {
    const outlines = sorted(box(0, 0, 100, 100), box(10, 10, 60, 60), box(20, 20, 30, 30), box(25, 25, 5, 5))
    expect(outlines.map((o) => [o.corners.length, o.inner.length])).toEqual([
      [4, 1],
      [4, 1],
    ])
  })
  it('one that was drawn twice counts once, on another layer twice', () => {
    expect(sorted(box(0, 0, 100, 100), box(0, 0, 100, 100)).length).toBe(1)
    const layers = sorted(box(0, 0, 100, 100), box(0, 0, 90, 90, 'other'))
    expect(layers.length + layers.reduce((sum, o) => sum + o.inner.length, 0)).toBe(2)
  })
})
