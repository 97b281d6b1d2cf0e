import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  combineRegions,
  loopRegion,
  measureLoop,
  measureRegion,
  offsetRegion,
  type PathCorner,
  type Point,
  pathLoop,
  type Region,
} from '../../geometry/index.ts'
import type { MouldPatch } from '../../job/index.ts'
import { type BoxChoice, boxChoiceOf, withChoice } from '../../job/index.ts'
import { OUTLINE_NAMES } from '../../piece/index.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testSlab } from '../../testing/testPiece.ts'
import { boxPlan } from './boxPlan.ts'
import { cornerBlocks } from './cornerBlocks.ts'
import { interiorAngle } from './interiorAngle.ts'
import { boxStrips, type StripEndKind, stripEnd, tooSharp } from './strips.ts'

const kernel = await testKernel()
const T = 18
const choice = (patch: MouldPatch = {}): BoxChoice => boxChoiceOf(withChoice(testSlab().mould, patch))
const path = (points: readonly Point[], radius: readonly number[] = []): PathCorner[] =>
  points.map(([x, y], i) => ({ x, y, radius: radius[i] ?? 0, side: `side-${i + 1}`, run: { kind: 'line' } }))
const plan = (corners: readonly PathCorner[], patch: MouldPatch, t = T) =>
  boxPlan(corners, 45, { base: T, sides: () => t, skin: 3 }, choice(patch), pathLoop(corners, OUTLINE_NAMES))

describe('how a strip ends', () => {
  it.each([
    [60, 31.18, 60],
    [90, 18, 45],
    [120, 10.39, 30],
    [135, 7.46, 22.5],
    [225, -7.46, -22.5],
    [270, -18, -45],
  ])('mitred at %d degrees: outside face %d longer, bevel %d', (angle, change, bevel) => {
    const end = stripEnd('mitre', angle, T, T)
    expect([end.inside, Math.round(end.outside * 100) / 100]).toEqual([0, change])
    expect(end.bevelDeg).toBeCloseTo(bevel, 6)
  })
  it.each<[string, StripEndKind, number, number, number, number]>([
    ['over at a right angle', 'over', 90, 18, 18, 0],
    ['under at a right angle', 'under', 90, 0, 0, 0],
    ['over at 60: t over sine', 'over', 60, 20.785, 20.785, 0],
    ['under at 60: bevel 90 less the angle', 'under', 60, 0, 10.392, 30],
    ['under at 120', 'under', 120, 0, -10.392, -30],
    ['through an inside right angle', 'through', 270, 0, 0, 0],
    ['short of it by the board', 'short', 270, -18, -18, 0],
  ])('%s', (_, kind, angle, inside, outside, bevel) => {
    const end = stripEnd(kind, angle, T, T)
    expect(end.inside).toBeCloseTo(inside, 2)
    expect(end.outside).toBeCloseTo(outside, 2)
    expect(end.bevelDeg).toBeCloseTo(bevel, 6)
  })
  it('knows corners no saw cuts', () => {
    expect([30, 42, 44, 90, 137, 170, 190, 270, 320].map(tooSharp)).toEqual([
      true,
      true,
      false,
      false,
      false,
      false,
      false,
      false,
      true,
    ])
  })
})

const L = path([
  [0, 0],
  [1200, 0],
  [1200, 300],
  [700, 300],
  [700, 600],
  [0, 600],
])
it.each<[string, MouldPatch, number[]]>([
  ['long ways over, inside mitred', {}, [1236, 300, 518, 300, 736, 600]],
  ['inside short', { insideCorners: 'short' }, [1236, 300, 518, 282, 736, 600]],
  ['short ways over', { corners: 'ends-long' }, [1200, 336, 500, 318, 700, 636]],
  ['all mitred', { school: 'mitre' }, [1236, 336, 518, 318, 736, 636]],
  ['pinwheel', { corners: 'pinwheel' }, [1218, 318, 500, 318, 718, 618]],
])('an L of 1200 x 600 with 500 x 300 taken out, %s', (_, patch, lengths) => {
  const { strips, base } = plan(L, patch)
  expect(strips.map((s) => Math.round(s.length * 1000) / 1000)).toEqual(lengths)
  if (patch.school !== 'mitre') expect([base.length, base.width]).toEqual([1200, 600])
  expect(measureLoop(base.outline).area).toBeCloseTo(
    patch.school === 'mitre' ? 1236 * 636 : 1200 * 600 - 500 * 300,
    6,
  )
})

const LETTERS: Readonly<Record<string, readonly Point[]>> = {
  rectangle: [
    [0, 0],
    [10, 0],
    [10, 6],
    [0, 6],
  ],
  L: [
    [0, 0],
    [12, 0],
    [12, 4],
    [5, 4],
    [5, 9],
    [0, 9],
  ],
  U: [
    [0, 0],
    [14, 0],
    [14, 9],
    [9, 9],
    [9, 3],
    [5, 3],
    [5, 9],
    [0, 9],
  ],
  T: [
    [4, 0],
    [8, 0],
    [8, 6],
    [12, 6],
    [12, 9],
    [0, 9],
    [0, 6],
    [4, 6],
  ],
  cross: [
    [4, 0],
    [8, 0],
    [8, 4],
    [12, 4],
    [12, 8],
    [8, 8],
    [8, 12],
    [4, 12],
    [4, 8],
    [0, 8],
    [0, 4],
    [4, 4],
  ],
}

/** Any plan: a letter stretched and leaning, or a ring of corners at uneven distances. */
const anyPath: fc.Arbitrary<PathCorner[]> = fc.oneof(
  fc
    .record({
      letter: fc.constantFrom(...Object.keys(LETTERS)),
      x: fc.double({ min: 30, max: 90, noNaN: true }),
      y: fc.double({ min: 30, max: 90, noNaN: true }),
      lean: fc.constantFrom(0, 0, 0.15, -0.2),
      radii: fc.array(fc.constantFrom(0, 0, 12, 30), { minLength: 12, maxLength: 12 }),
    })
    .map(({ letter, x, y, lean, radii }) =>
      path(
        LETTERS[letter]!.map(([u, v]): Point => [u * x + v * lean * y, v * y]),
        radii,
      ),
    ),
  fc
    .record({
      n: fc.integer({ min: 3, max: 9 }),
      r: fc.array(fc.double({ min: 300, max: 420, noNaN: true }), { minLength: 9, maxLength: 9 }),
    })
    .map(({ n, r }) =>
      path(
        Array.from({ length: n }, (_, i): Point => {
          const a = (2 * Math.PI * i) / n
          return [r[i]! * Math.cos(a), r[i]! * Math.sin(a)]
        }),
      ),
    ),
)
const anyChoice = fc.record({
  school: fc.constantFrom('wrap', 'stand', 'mitre'),
  corners: fc.constantFrom('front-and-back-long', 'ends-long', 'pinwheel'),
  insideCorners: fc.constantFrom('mitre', 'short'),
}) as fc.Arbitrary<Pick<BoxChoice, 'school' | 'corners' | 'insideCorners'>>

it('rebuilds the mould of any plan: strips and blocks touch the whole outline, and neither it nor each other', () => {
  fc.assert(
    fc.property(anyPath, anyChoice, fc.constantFrom(9, 18, 25), (corners, patch, t) => {
      const outline = pathLoop(corners, OUTLINE_NAMES)
      const cavity = loopRegion(outline)
      const { strips, base } = plan(corners, patch, t)
      const blocks = cornerBlocks(corners, outline, t, new Map())
      const parts: [string, Region][] = [
        ...strips.map((s): [string, Region] => [s.side, loopRegion(s.loop)]),
        ...blocks.map((b): [string, Region] => [b.name, loopRegion(b.loop)]),
      ]
      const shared = (a: Region, b: Region) => measureRegion(combineRegions(kernel, 'intersection', [a, b]))
      for (const [i, [name, region]] of parts.entries()) {
        expect([name, measureRegion(region) > 0]).toEqual([name, true])
        // Chords of a rounded corner stray from it by 0.05 mm.
        expect([name, 'in the cavity', shared(region, cavity) < 2]).toEqual([name, 'in the cavity', true])
        for (const [other, against] of parts.slice(i + 1))
          expect([name, other, shared(region, against) < 2]).toEqual([name, other, true])
      }
      const near = offsetRegion(kernel, cavity, 0.5, 'round')
      const bare = combineRegions(kernel, 'difference', [near, cavity, ...parts.map(([, region]) => region)])
      expect(measureRegion(bare)).toBeLessThan(1.5)
      if (patch.school === 'wrap') {
        const uncovered = combineRegions(kernel, 'difference', [cavity, loopRegion(base.outline)])
        expect(measureRegion(uncovered)).toBeLessThan(1)
      }
      for (const s of strips) {
        const reach = s.corners.map(
          ([x, y]) =>
            ((x - s.from[0]) * (s.to[0] - s.from[0]) + (y - s.from[1]) * (s.to[1] - s.from[1])) /
            s.sideLength,
        )
        expect(Math.max(...reach) - Math.min(...reach)).toBeCloseTo(s.length, 6)
      }
    }),
    { numRuns: 400, seed: 20261125 },
  )
})

it('gives each strip its place in coming off, neighbours that lap over it first', () => {
  fc.assert(
    fc.property(anyPath, anyChoice, (corners, patch) => {
      const { strips } = plan(corners, patch)
      expect(strips.map((s) => s.leaves).sort((a, b) => a - b)).toEqual(strips.map((_, i) => i))
      if (patch.corners === 'pinwheel') return
      strips.forEach((s, i) => {
        const next = strips[(i + 1) % strips.length]!
        if (s.end.kind === 'short') expect(s.leaves).toBeLessThan(next.leaves)
        if (next.start.kind === 'short') expect(next.leaves).toBeLessThan(s.leaves)
      })
    }),
    { numRuns: 100 },
  )
})

it('reads the angle inside a corner on either hand', () => {
  for (const angle of [30, 90, 135, 200, 270, 330]) {
    const a = (angle * Math.PI) / 180
    // The side before comes along x; the next one leaves turned left by 180 less the angle.
    const after: Point = [-Math.cos(a), Math.sin(a)]
    expect(interiorAngle([-1, 0], [0, 0], after)).toBeCloseTo(angle, 9)
  }
})

it('runs past only over laps', () => {
  const [front, right] = boxStrips(L, () => T, choice({ runPast: 30 }))
  expect([front!.length, right!.length]).toEqual([1296, 300])
})
