import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Point } from '../geometry/index.ts'
import type { RunPart } from './splitRun.ts'
import { STICK, stickTemplate } from './stickTemplate.ts'

const part = (ring: readonly Point[], number = 1): RunPart => ({
  number,
  leg: 0,
  ring,
  sides: ring.map(() => 'wall' as const),
  openings: [],
  notches: [],
  areaMm2: 1,
  volumeLitres: 1,
  weightKg: 1,
  lengthMm: 1,
  widthMm: 1,
  diagonalsMm: [],
})
const W = STICK.width
const of = (ring: readonly Point[]) => stickTemplate({ parts: [part(ring)] })

describe('a template of sticks', () => {
  it('of a rectangle: each strip short by the next one’s width, two diagonals that agree', () => {
    const { parts, strips } = of([
      [0, 0],
      [1200, 0],
      [1200, 600],
      [0, 600],
    ])
    expect(parts[0]!.sticks.map((s) => [s.label, s.lengthMm, s.cornerDeg])).toEqual([
      ['1a', 1200 - W, 90],
      ['1b', 600 - W, 90],
      ['1c', 1200 - W, 90],
      ['1d', 600 - W, 90],
    ])
    const across = Math.hypot(1200, 600)
    expect(parts[0]!.diagonals).toEqual([
      { from: '1a', to: '1c', lengthMm: across },
      { from: '1b', to: '1d', lengthMm: across },
    ])
    // 1120 + 520 + 520 and 1120 go on two of 2440.
    expect(strips).toBe(2)
  })
  it('out of square the next strip lies further along the slanted edge', () => {
    const a = (60 * Math.PI) / 180
    const { parts } = of([
      [0, 0],
      [1000, 0],
      [1000 + 600 * Math.cos(a), 600 * Math.sin(a)],
      [600 * Math.cos(a), 600 * Math.sin(a)],
    ])
    const [first, second] = parts[0]!.sticks
    expect(first!.lengthMm).toBeCloseTo(1000 - W / Math.sin(a), 6)
    expect([first!.cornerDeg, second!.cornerDeg].map((d) => Math.round(d * 1e6) / 1e6)).toEqual([60, 120])
  })
  it('past an inside corner a strip runs on, and diagonals from one corner fix the shape', () => {
    const ell: Point[] = [
      [0, 0],
      [2000, 0],
      [2000, 600],
      [600, 600],
      [600, 1500],
      [0, 1500],
    ]
    const { parts } = of(ell)
    const { sticks, diagonals } = parts[0]!
    // The strip up to the inside corner at (600, 600) keeps its length.
    expect(sticks.map((s) => s.lengthMm)).toEqual([2000 - W, 600 - W, 1400, 900 - W, 600 - W, 1500 - W])
    expect(sticks[3]!.cornerDeg).toBeCloseTo(270, 6)
    expect(diagonals.map((d) => [d.from, d.to, d.lengthMm])).toEqual([
      ['1a', '1c', Math.hypot(2000, 600)],
      ['1a', '1d', Math.hypot(600, 600)],
      ['1a', '1e', Math.hypot(600, 1500)],
    ])
  })
  it('strips joined for a long side are counted with their laps; sides and diagonals rebuild any piece', () => {
    expect(
      of([
        [0, 0],
        [5000, 0],
        [5000, 500],
        [0, 500],
      ]).strips,
    ).toBe(5)
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 300, max: 900 }), { minLength: 5, maxLength: 8 }), (radii) => {
        const n = radii.length
        const ring = radii.map(
          (r, i): Point => [r * Math.cos((2 * Math.PI * i) / n), r * Math.sin((2 * Math.PI * i) / n)],
        )
        const { diagonals } = of(ring).parts[0]!
        // With the sides, n - 3 diagonals from one corner make triangles, each of known sides.
        expect(diagonals).toHaveLength(n - 3)
        for (const [k, d] of diagonals.entries())
          expect(d.lengthMm).toBeCloseTo(
            Math.hypot(ring[k + 2]![0] - ring[0]![0], ring[k + 2]![1] - ring[0]![1]),
            9,
          )
      }),
      { seed: 2, numRuns: 50 },
    )
  })
})
