import { beforeAll, expect, it } from 'vitest'
import type { Kernel } from '../../core/geometry/index.ts'
import { planPiece } from '../../core/plan.ts'
import { testKernel } from '../../core/testing/testKernel.ts'
import { testJob, testSlab } from '../../core/testing/testPiece.ts'
import { keepSteel } from './keepSteel.ts'
import { looksOf } from './PlanContext.tsx'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})

it('shows the last thickness and handling of the same piece until its own are there', () => {
  const piece = testSlab()
  const job = testJob(piece)
  const solid = planPiece(kernel, job, piece)
  const quick = planPiece(kernel, job, { ...piece, name: 'other' }, { quick: true })
  expect(quick.stations.steel!.handling).toBeNull()
  const kept = keepSteel(quick, solid).stations.steel!
  expect(kept.handling).toBe(solid.stations.steel!.handling)
  expect(kept.thickness).toBe(solid.stations.steel!.thickness)
  expect(kept.figures.thinPlaces).toEqual(solid.stations.steel!.figures.thinPlaces)
  expect(kept.figures.massKg).toBe(quick.stations.steel!.figures.massKg)
  const { advice, standing, tying, apronStrips } = solid.stations.steel!.figures
  expect(quick.stations.steel!.figures.advice).toBeNull()
  expect(kept.figures).toMatchObject({ advice, standing, tying, apronStrips })
  expect(kept.cuts).toBe(solid.stations.steel!.cuts)
  // Its own wins, and another piece's is not taken.
  expect(keepSteel(solid, solid)).toEqual(solid)
  expect(keepSteel(quick, { ...solid, id: 'another' })).toBe(quick)
  expect(keepSteel(quick, null)).toBe(quick)
})

it('hours that wait for the turn look stale until the solid is there, of a piece that was turned late', () => {
  const looks = (solid: boolean, waits: boolean) => looksOf(true, false, solid, waits)
  expect([looks(false, true).pour, looks(false, false).pour, looks(true, true).pour]).toEqual([
    'stale',
    '',
    '',
  ])
  expect([looks(false, false).steel, looks(true, false).steel, looks(false, true).mix]).toEqual([
    'stale',
    '',
    '',
  ])
})
