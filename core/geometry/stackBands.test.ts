import { describe, expect, it } from 'vitest'
import { seeded } from '../testing/anyPiece.ts'
import { testKernel } from '../testing/testKernel.ts'
import type { Point } from './outline.ts'
import { combineRegions } from './region.ts'
import type { Region } from './sectionSolid.ts'
import { type Band, joinBands, stackBands } from './stackBands.ts'

const kernel = await testKernel()
const square = (x: number, y: number, l: number, w = l): Point[] => [
  [x, y],
  [x + l, y],
  [x + l, y + w],
  [x, y + w],
]
const hole = (x: number, y: number, l: number, w = l): Point[] => square(x, y, l, w).reverse()
const round = (r: number, x: number, y: number, n: number, turn = 0): Point[] =>
  Array.from({ length: n }, (_, i) => {
    const a = (2 * Math.PI * i) / n + turn
    return [x + r * Math.cos(a), y + r * Math.sin(a)]
  })
const bandsOf = (...plans: Region[]): Band[] =>
  plans.map((plan, i) => ({ plan, from: i * 10, to: (i + 1) * 10 }))

type Measured = { volume: number; area: number; triangles: number; genus: number }
const built = (bands: readonly Band[], make = stackBands): Measured =>
  kernel.withSolids((scope) => {
    const body = make(scope, bands)
    expect(body.status()).toBe('NoError')
    return {
      volume: body.volume(),
      area: body.surfaceArea(),
      triangles: body.numTri(),
      genus: body.genus(),
    }
  })
const same = (bands: readonly Band[]) => {
  const [own, library] = [built(bands), built(bands, joinBands)]
  expect(own.volume / library.volume).toBeCloseTo(1, 5)
  expect(own.area / library.area).toBeCloseTo(1, 5)
  return own
}

describe('bands on one another', () => {
  it.each<[string, Band[], number, number]>([
    ['one alone', bandsOf([square(0, 0, 10)]), 1000, 600],
    ['steps inward', bandsOf([square(0, 0, 10)], [square(2, 2, 5)]), 1250, 800],
    ['steps outward', bandsOf([square(2, 2, 5)], [square(0, 0, 10)]), 1250, 800],
    ['crossing like a plus', bandsOf([square(0, 4, 12, 4)], [square(4, 0, 4, 12)]), 960, 320 + 160 + 320],
    ['a side in common', bandsOf([square(0, 0, 10)], [square(0, 2, 10, 5)]), 1500, 100 + 400 + 300 + 100],
    [
      'part of a side in common',
      bandsOf([square(0, 0, 10)], [square(5, 0, 10)]),
      2000,
      400 + 400 + 100 + 100 + 100,
    ],
    ['a hole that ends', bandsOf([square(0, 0, 10), hole(3, 3, 4)], [square(0, 0, 10)]), 1840, 1160],
    ['a hole that begins', bandsOf([square(0, 0, 10)], [square(0, 0, 10), hole(3, 3, 4)]), 1840, 1160],
    ['two on one', bandsOf([square(0, 0, 10)], [square(1, 1, 3), square(6, 6, 3)]), 1180, 600 + 240],
    ['three high, waisted', bandsOf([square(0, 0, 10)], [square(3, 3, 4)], [square(0, 0, 10)]), 2160, 1328],
  ])('%s', (_, bands, volume, area) => {
    const own = same(bands)
    expect(own.volume).toBeCloseTo(volume, 2)
    expect(own.area).toBeCloseTo(area, 2)
  })

  it('leaves nothing between bands that are apart in plan', () => {
    expect(built(bandsOf([square(0, 0, 10)], [square(20, 0, 10)])).volume).toBeCloseTo(2000, 2)
  })

  it('is what the library makes of any plans', () => {
    const random = seeded(20261126)
    for (let n = 0; n < 60; n += 1) {
      const plans = Array.from({ length: 2 + Math.floor(random() * 5) }, () => {
        const rings = Array.from({ length: 1 + Math.floor(random() * 3) }, () =>
          round(5 + 30 * random(), 40 * random(), 40 * random(), 3 + Math.floor(random() * 40), random()),
        )
        const whole = combineRegions(
          kernel,
          'union',
          rings.map((ring) => [ring]),
        )
        return random() < 0.5
          ? whole
          : combineRegions(kernel, 'difference', [whole, [square(20 * random(), 20 * random(), 12)]])
      })
      same(bandsOf(...plans))
    }
  })
})
