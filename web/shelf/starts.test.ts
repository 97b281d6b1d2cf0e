import { beforeAll, expect, test } from 'vitest'
import { type Kernel, openKernel } from '../../core/geometry/index.ts'
import { holdFonts, LETTER_FONTS } from '../../core/piece/index.ts'
import { planPiece } from '../../core/plan.ts'
import { testJob, testSlab } from '../../core/testing/testPiece.ts'
import { STARTS } from './starts.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await openKernel()
  await holdFonts(LETTER_FONTS.map((f) => f.id))
})

const starts = STARTS.flatMap((s) => s.starts)

test.each(starts)('$name starts as a solid that could be poured at once', ({ make }) => {
  const empty = testJob(testSlab())
  const piece = make({ id: 'piece', name: 'piece', start: '2026-05-04T09:00', zone: 'UTC' }, empty.stock)
  const plan = planPiece(kernel, { ...empty, pieces: [piece] }, piece)
  expect(plan.failed).toEqual([])
  expect(plan.stations.piece!.figures!.volumeFrom).toBe('solid')
  expect(plan.stations.piece!.figures!.volumeLitres).toBeGreaterThan(0.5)
  expect(plan.findings.filter((f) => f.level === 'stop')).toEqual([])
})
