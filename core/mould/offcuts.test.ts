import { expect, it } from 'vitest'
import { openKernel } from '../geometry/index.ts'
import { planPieceStation } from '../piece/index.ts'
import type { Stock } from '../stock/index.ts'
import { testSlab, testStock } from '../testing/testPiece.ts'
import { offcutsAfter, planMouldStation } from './index.ts'

const kernel = await openKernel()
const slab = testSlab()
const [first] = testStock.boards
const layoutWith = (offcuts: { length: number; width: number }[]) => {
  const stock: Stock = {
    ...testStock,
    boards: testStock.boards.map((b) => (b.id === first!.id ? { ...b, offcuts } : b)),
  }
  const pieceStation = planPieceStation(kernel, slab, 2300, true)
  const { figures } = planMouldStation(slab, pieceStation, stock, stock.mixes[0]!, { kernel }).station!
  return { figures, layout: figures.layouts.find((l) => l.boardId === first!.id)! }
}
// The box of 900 x 500 x 45: a base of 900 x 500, strips of 936 x 63 and 500 x 63, two of each.
const count = (l: ReturnType<typeof layoutWith>['layout']) =>
  l.sheets.reduce((sum, s) => sum + s.parts.length, 0)

it('cuts from what is to hand before a whole board, the smallest that serves first', () => {
  const bare = layoutWith([])
  const { figures, layout } = layoutWith([
    { length: 1200, width: 600 },
    { length: 1000, width: 140 },
    { length: 200, width: 40 },
  ])
  const offcuts = layout.sheets.filter((s) => s.offcut)
  expect(offcuts.map((s) => [s.lengthMm, s.parts.map((p) => p.lengthMm)])).toEqual([
    [1000, [936, 936]],
    [1200, expect.arrayContaining([900])],
  ])
  expect(count(layout)).toBe(count(bare.layout))
  for (const sheet of offcuts)
    for (const p of sheet.parts)
      expect([
        p.xMm >= 0,
        p.xMm + p.lengthMm <= sheet.lengthMm + 1e-6,
        p.yMm + p.widthMm <= sheet.widthMm + 1e-6,
      ]).toEqual([true, true, true])
  expect([bare.figures.sheetCount, bare.figures.boardCost! > figures.boardCost!]).toEqual([
    1,
    figures.sheetCount === 0,
  ])
})

it('needs no whole board where the pieces to hand do, and then costs none', () => {
  const { figures, layout } = layoutWith([{ length: 1500, width: 900 }])
  expect([layout.sheets.length, layout.sheets[0]!.offcut, figures.sheetCount, figures.boardCost]).toEqual([
    1,
    true,
    0,
    0,
  ])
  expect([layout.lowerBoundSheets, layout.tooLarge]).toEqual([0, []])
})

it('keeps the piece the sawn ones were cut from no longer, and what is left over', () => {
  const { layout } = layoutWith([{ length: 1000, width: 140 }])
  const after = offcutsAfter(
    [
      { length: 1000, width: 140 },
      { length: 300, width: 300 },
    ],
    layout,
  )
  expect(after[0]).toEqual({ length: 300, width: 300 })
  expect(after).not.toContainEqual({ length: 1000, width: 140 })
  const kept = layout.sheets.flatMap((s) => s.offcuts.filter((o) => o.kept))
  expect(after.length).toBe(1 + kept.length)
  expect(kept.length).toBeGreaterThan(0)
})
