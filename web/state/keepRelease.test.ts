import { beforeAll, expect, it } from 'vitest'
import type { Kernel } from '../../core/geometry/index.ts'
import { planPiece } from '../../core/plan.ts'
import { testKernel } from '../../core/testing/testKernel.ts'
import { testJob, testTop } from '../../core/testing/testPiece.ts'
import { keepRelease } from './keepRelease.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})

it('shows the last film and draft of the same mould until its own are there', () => {
  const piece = testTop()
  const job = testJob(piece)
  const solid = planPiece(kernel, job, piece)
  const other = { ...piece, release: { ...piece.release, leftOut: 'a trial' } }
  const quick = planPiece(kernel, job, other, { quick: true })
  expect([quick.stations.release!.draft, quick.stations.release!.figures.moves]).toEqual([null, []])
  const kept = keepRelease(quick, solid).stations.release!
  expect(kept.draft).toBe(solid.stations.release!.draft)
  expect(kept.figures.moves).toBe(solid.stations.release!.figures.moves)
  // What was changed is what is shown.
  expect(kept.figures.leftOut).toBe('a trial')
  // Its own wins; another piece's is not taken, nor one of another mould.
  expect(keepRelease(solid, solid)).toBe(solid)
  expect(keepRelease(quick, { ...solid, id: 'another' })).toBe(quick)
  expect(keepRelease(quick, null)).toBe(quick)
  const fewer = planPiece(kernel, job, { ...piece, openings: [] }, { quick: true })
  expect(keepRelease(fewer, solid)).toBe(fewer)
})

it('a plan with its mould measured and the rest left has the same parts, and no film yet', () => {
  const piece = testTop()
  const job = testJob(piece)
  const light = planPiece(kernel, job, piece, { light: true })
  const whole = planPiece(kernel, job, piece)
  expect(light.stations.mould!.parts).toEqual(whole.stations.mould!.parts)
  expect(light.guessed.mould).toBe(false)
  expect([light.stations.release!.draft, light.stations.steel!.thickness]).toEqual([null, null])
})
