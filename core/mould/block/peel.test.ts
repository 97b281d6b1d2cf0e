import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from '../../geometry/index.ts'
import { newTurned } from '../../job/index.ts'
import { turnedBody } from '../../testing/bodies.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testStock } from '../../testing/testPiece.ts'
import { peelStretch, stretchFindings } from './peel.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
/** A body of revolution by its radii from below. */
const round = (...radii: [z: number, radius: number][]) => ({
  recipe: turnedBody([[0, 0], ...radii.map(([z, radius]) => [radius, z] as const), [0, radii.at(-1)![0]]]),
  height: radii.at(-1)![0],
})

describe('how far a rubber in one is stretched', () => {
  it.each<[string, ReturnType<typeof round>, number]>([
    ['straight', round([0, 100], [200, 100]), 1],
    ['a bowl, wide above', round([0, 50], [200, 150]), 1],
    ['a cone, narrow above', round([0, 150], [200, 100]), 1.5],
    ['a waist', round([0, 120], [100, 60], [200, 120]), 2],
    ['a bulge', round([0, 60], [100, 90], [200, 60]), 1.5],
    ['a neck below a wide mouth', round([0, 100], [100, 50], [200, 300]), 2],
  ])('%s', (_, body, wanted) => {
    const told = peelStretch(kernel, body)
    expect(Math.abs(told - wanted)).toBeLessThan(0.02 * wanted)
  })
})

describe('what tears is told with what lets it go', () => {
  const piece = newTurned({ id: 'a', name: 'A', start: '2026-05-30T09:00', zone: 'UTC' }, testStock)
  const rubberOf = (family: string) => testStock.rubbers.find((r) => r.family === family)!
  it.each<[string, number, string, string[]]>([
    ['polyurethane', 1.4, 'takes half its girth more', []],
    ['polyurethane', 1.6, 'too hard', ['softer', 'two-halves']],
    ['polyurethane', 2.5, 'softer does not help', ['two-halves']],
    ['platinum-silicone', 1.75, 'soft', []],
  ])('%s by %d: %s', (family, stretch, _, cures) => {
    const told = stretchFindings(piece, stretch, rubberOf(family), testStock.rubbers)
    expect(told.flatMap((f) => f.remedies.map((r) => r.code))).toEqual(cures)
    expect(told.length).toBe(cures.length > 0 ? 1 : 0)
  })
})
