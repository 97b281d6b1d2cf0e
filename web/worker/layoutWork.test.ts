import { expect, it } from 'vitest'
import { openKernel } from '../../core/geometry/index.ts'
import { layOnBoard } from '../../core/mould/index.ts'
import { planPiece } from '../../core/plan.ts'
import { sheetStock } from '../../core/stock/index.ts'
import { testJob, testStock, testTop } from '../../core/testing/testPiece.ts'
import { type LayoutAsk, lookLonger } from './layoutWork.ts'

const SAW = { kerf: 3.2, trim: 0, turnParts: true }
const [board] = sheetStock({ ...testStock, boards: [{ ...testStock.boards[0]!, offcuts: [] }] })
/** Four round a middle: by area one sheet, by cuts right across two, which only working out every way shows. */
const { length, width } = board!
const round = [
  { label: 'A', name: '', count: 2, lengthMm: 0.66 * length, widthMm: 0.33 * width },
  { label: 'B', name: '', count: 2, lengthMm: 0.33 * length, widthMm: 0.66 * width },
]
const pinwheel = round.map((r) => ({
  ...r,
  lengthMm: Math.floor(r.lengthMm),
  widthMm: Math.floor(r.widthMm),
}))

it('a list of one’s own: an answer at once, then what more work shows, until it is proven', () => {
  const list = { of: 'sheets', rows: pinwheel, board: board!, saw: { ...SAW, turnParts: false } } as const
  const answers = [...lookLonger({ kind: 'own', list })]
  const told = answers.map(({ effort, done, laid }) => {
    if (!('sheets' in laid)) throw new Error('a list answered as a mould')
    return [effort, done, laid.sheets!.sheets.length, laid.sheets!.lowerBoundSheets, laid.sheets!.proven]
  })
  expect(told).toEqual([
    [1, false, 2, 1, false],
    [4, true, 2, 2, true],
  ])
  const bars = [2000, 2000, 1990, 5].map((lengthMm, i) => ({ name: `rail ${i}`, lengthMm }))
  const asked: LayoutAsk = { kind: 'own', list: { of: 'bars', parts: bars, stockLengthMm: 6000, kerf: 1 } }
  const [first, ...more] = [...lookLonger(asked)]
  expect(more).toEqual([])
  expect(first).toMatchObject({ effort: 1, done: true, laid: { bars: { proven: true, lowerBound: 1 } } })
})

it('a mould’s sheets are looked for again from where its plan stopped; what is proven is left alone', async () => {
  const piece = testTop()
  const job = testJob(piece)
  const plan = planPiece(await openKernel({ coarser: 12 }), job, piece)
  const { figures } = plan.stations.mould!
  const { mould, mouldCount } = piece
  const ask = { kind: 'mould', figures, stock: job.stock, mould, mouldCount } as const
  expect([...lookLonger(ask)]).toEqual([])
  const own = { ...mould, ...SAW, turnParts: false }
  const rows = pinwheel.map((r, i) => ({ ...figures.cutList[i]!, ...r, boardId: board!.id }))
  const layouts = [layOnBoard(rows, board!, own, 1)]
  const open = { ...figures, cutList: rows, layouts, materialCost: 5, plannedCasts: 2 }
  const stock = { ...job.stock, boards: [{ ...job.stock.boards[0]!, offcuts: [], price: 30 }] }
  const [again, ...more] = [...lookLonger({ ...ask, figures: open, mould: own, mouldCount: 1, stock })]
  expect(more).toEqual([])
  expect(again).toMatchObject({ effort: 4, done: true })
  expect(again!.laid).toMatchObject({ sheetCount: 2, boardCost: 60, costPerCast: 32.5, layoutEffort: 4 })
})
