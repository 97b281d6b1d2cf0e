import { expect, it } from 'vitest'
import { openKernel } from './geometry/index.ts'
import { plainSide, type SlabPiece } from './job/index.ts'
import { planPiece } from './plan.ts'
import { testJob, testSlab } from './testing/testPiece.ts'

const kernel = await openKernel({ coarser: 8 })
const schedule = (over: Partial<SlabPiece>) => {
  const piece = testSlab(over)
  return planPiece(kernel, testJob(piece), piece).work
}
const apron = { drop: 40, thickness: 30 }
const sides = (has: boolean) => ({
  sides: {
    front: plainSide(has ? { apron } : {}),
    right: plainSide(),
    back: plainSide(),
    left: plainSide(),
  },
})

it.each([
  ['top down it rises above the slab', 'top', true, true],
  ['underside down it is filled with it', 'bottom', true, false],
  ['a plain slab has none', 'top', false, false],
] as const)('aprons are filled after the slab is struck off, before it sets: %s', (_, down, has, told) => {
  const steps = schedule({ ...sides(has), attitude: { down, turnDeg: 0 } })
  const fill = steps.find((s) => s.code === 'fill-aprons')
  expect(fill !== undefined).toBe(told)
  if (!fill) return
  const screed = steps.find((s) => s.code === 'screed')!
  expect(fill.startMinutes!).toBeGreaterThanOrEqual(screed.endMinutes!)
  expect(fill.endMinutes!).toBeLessThan(fill.latestMinutes!)
})
