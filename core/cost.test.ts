import { beforeAll, expect, it } from 'vitest'
import { againstBought, type CostOf, costOfCast, totalCost } from './cost.ts'
import { planPiece } from './plan.ts'
import { testKernel } from './testing/testKernel.ts'
import { testJob, testSlab } from './testing/testPiece.ts'

let kernel: Awaited<ReturnType<typeof testKernel>>
beforeAll(async () => {
  kernel = await testKernel()
})
const cost = (over: Partial<CostOf> = {}): CostOf => ({
  mould: 20,
  mix: 8,
  steel: 4,
  faces: 2,
  unpricedCount: 0,
  hours: 5,
  work: 100,
  ...over,
})

it.each<[string, Partial<CostOf>, number | null, ReturnType<typeof againstBought>]>([
  ['all of it', {}, 134, { saved: 66, perHour: 33.2 }],
  ['hours without a price', { work: null }, 34, { saved: 166, perHour: 33.2 }],
  ['a mix without a price is no 0', { mix: null }, null, null],
  ['dearer than bought', { mould: 300 }, 414, { saved: -214, perHour: -22.8 }],
])('%s, against one of 200', (_, over, total, wanted) => {
  expect(totalCost(cost(over))).toBe(total)
  expect(againstBought(cost(over), 200)).toEqual(
    wanted && { saved: wanted.saved, perHour: expect.closeTo(wanted.perHour!, 9) },
  )
})

it('a cast of more planned ones takes less of the mould, in money and in hours; the mix stays', () => {
  const of = (plannedCasts: number, hourPrice: number | null = 20) => {
    const piece = testSlab({ plannedCasts })
    const job = testJob(piece)
    const own = { ...job, settings: { ...job.settings, hourPrice } }
    return costOfCast(own, piece, planPiece(kernel, own, piece))!
  }
  const [one, ten] = [of(1), of(10)]
  expect(one.mix).toBe(ten.mix)
  // One sheet of mesh is cut for five.
  expect(ten.steel!).toBeLessThan(one.steel!)
  expect(ten.mould!).toBeLessThan(one.mould!)
  expect(ten.hours).toBeLessThan(one.hours)
  expect(one.work).toBeCloseTo(one.hours * 20, 9)
  expect(of(1, null).work).toBeNull()
})
