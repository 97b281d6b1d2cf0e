import fc from 'fast-check'
import { expect, it } from 'vitest'
import { applyChange, type Job } from '../job/index.ts'
import { planPieceStation } from '../piece/index.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testJob, testSlab, testStock } from '../testing/testPiece.ts'
import { bowLimit, braceCount, bracePlaces, bracesNeeded, type PushedSide, sideBow } from './bowing.ts'
import { planMouldStation } from './index.ts'

const side = (over: Partial<PushedSide> = {}): PushedSide => ({
  length: 900,
  depth: 200,
  thickness: 18,
  elasticity: [2000, 2000],
  freshKgPerM3: 2350,
  clampedFoot: true,
  braces: [],
  rows: 1,
  ...over,
})

it.each([150, 900, 3000, 6000])(
  'a 45 mm deep box screwed along its base does not bow, %d mm long',
  (length) => {
    expect(sideBow(side({ length, depth: 45 })).most).toBeLessThan(0.001)
  },
)
it('a long side held at its foot bows as a cantilever under a liquid: w L^4/(30 D)', () => {
  const d = (2000 * 18 ** 3) / (12 * (1 - 0.09))
  const w = 2350 * 9.81 * 200 * 1e-9
  expect(sideBow(side({ length: 4000 })).most / ((w * 200 ** 4) / (30 * d))).toBeCloseTo(1, 1)
})
it('bows less with more braces, a thicker or a shorter board, and a foot that is clamped', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 200, max: 2000 }),
      fc.integer({ min: 60, max: 500 }),
      fc.integer({ min: 0, max: 4 }),
      (length, depth, count) => {
        const at = (over: Partial<PushedSide>) =>
          sideBow(side({ length, depth, clampedFoot: false, braces: bracePlaces(length, count), ...over }))
            .most
        const own = at({})
        expect(at({ thickness: 25 })).toBeLessThan(own)
        expect(at({ clampedFoot: true })).toBeLessThanOrEqual(Math.max(own * 1.001, 0.05))
        expect(at({ length: length * 0.8, braces: bracePlaces(length * 0.8, count) })).toBeLessThan(
          own * 1.02,
        )
        // A brace in the middle of every gap holds more than none.
        expect(at({ braces: bracePlaces(length, 2 * count + 1) })).toBeLessThan(own * 1.01)
      },
    ),
    { numRuns: 25 },
  )
})
it('counts braces by their spacing, and finds the fewest that serve', () => {
  expect([null, 300, 299, 450, 900, 2000].map((s) => braceCount(900, s))).toEqual([0, 2, 3, 1, 0, 0])
  expect(bracePlaces(900, 2)).toEqual([300, 600])
  expect([300, 3600].map(bowLimit)).toEqual([300 / 360, 1])
  const tall = side({ length: 1180, depth: 300, clampedFoot: false })
  const needed = bracesNeeded(tall)!
  const bow = (count: number) => sideBow({ ...tall, braces: bracePlaces(tall.length, count) }).most
  expect([bow(needed) <= 1, bow(needed - 1) <= 1]).toEqual([true, false])
  // Between base and top it bows too far, whatever holds the top.
  const deep = side({ length: 1000, depth: 600 })
  expect(bracesNeeded(deep)).toBe(null)
  // Held at mid height too it does not: the same braces, a rail along the side.
  const held = bracesNeeded({ ...deep, rows: 2 })!
  const bowed = (count: number) => sideBow({ ...deep, rows: 2, braces: bracePlaces(1000, count) }).most
  expect([held > 0, bowed(held) <= 1, bowed(held - 1) <= 1]).toEqual([true, true, false])
})
it('offers braces that cure the finding, and names a board that bows all the same', async () => {
  const kernel = await testKernel()
  const findings = (job: Job) => {
    const piece = job.pieces[0]!
    return planMouldStation(
      piece,
      planPieceStation(kernel, piece, 2300, true),
      job.stock,
      testStock.mixes[0]!,
      { kernel },
    ).findings
  }
  const job = testJob(testSlab({ thickness: 280 }))
  const bows = findings(job).find((f) => f.code === 'side-bows')!
  const cured = bows.remedies[0]!.changes.reduce(applyChange, job)
  expect(findings(cured).map((f) => f.code)).toEqual([])
  const curedOf = (own: Job) => {
    const found = findings(own).find((f) => f.code === 'side-bows')!
    const after = found.remedies[0]?.changes.reduce(applyChange, own)
    return [found.facts.rows, found.facts.board, after && findings(after).map((f) => f.code)]
  }
  expect(curedOf(testJob(testSlab({ thickness: 600 })))).toEqual([2, '', []])
  // Thin sides want a stiffer board as well.
  const thin = { ...testStock.boards[0]!, id: 'thin', name: 'thin', thickness: 4 }
  const weak = testJob(testSlab({ thickness: 400 }))
  const stock = { ...testStock, boards: [...testStock.boards, thin] }
  const onThin = applyChange(
    { ...weak, stock },
    { type: 'mouldChosen', pieceId: weak.pieces[0]!.id, patch: { sideBoard: 'thin' } },
  )
  const [rows, board, after] = curedOf(onThin)
  expect([rows, testStock.boards.some((b) => b.name === board), after]).toEqual([
    expect.any(Number),
    true,
    [],
  ])
  // Where nothing in stock does, it says so and offers nothing.
  const only = {
    ...onThin,
    stock: {
      ...stock,
      boards: [testStock.boards[0]!, thin].map((b) => ({ ...b, elasticity: 20, elasticityAcross: 20 })),
    },
  }
  const none = findings(only).find((f) => f.code === 'side-bows')!
  expect([none.remedies, none.facts.rows]).toEqual([[], 0])
})
