import { expect, it } from 'vitest'
import { planPiece } from './plan.ts'
import { proveRemedies } from './remedies.ts'
import { testKernel } from './testing/testKernel.ts'
import { testBasin, testJob, testSlab } from './testing/testPiece.ts'

it('a land with bars is told so while it is dragged too, and no other cure is lost by it', async () => {
  const kernel = await testKernel()
  const slab = testSlab({
    exposure: 'outdoors',
    openings: [{ ...testBasin, v: { rule: 'fromStart', distance: 44 } }],
  })
  const piece = { ...slab, steel: { ...slab.steel, bars: { ...slab.steel.bars, rails: true } } }
  const job = testJob(piece)
  const lands = (quick: boolean) =>
    planPiece(kernel, job, piece, { quick })
      .findings.filter((f) => f.code.startsWith('land-'))
      .map((f) => f.code)
  expect(lands(false)).toContain('land-barred')
  expect(lands(true)).toEqual(lands(false))
  const proved = proveRemedies(kernel, job, planPiece(kernel, job, piece))
  const short = proved.findings.find((f) => f.code === 'cover-short')!
  expect(short.remedies.map((r) => r.code)).toContain('mesh/mesh-50-galv')
})
