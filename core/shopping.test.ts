import Papa from 'papaparse'
import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from './geometry/index.ts'
import type { Job, Piece } from './job/index.ts'
import { planPiece } from './plan.ts'
import { shoppingCost, shoppingList, soldWords, toBuy, writeShoppingCsv } from './shopping.ts'
import { stationMemo } from './station.ts'
import { INCH, METRIC } from './testing/says.ts'
import { testKernel } from './testing/testKernel.ts'
import { testJob, testSlab, testTop } from './testing/testPiece.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const memo = stationMemo()
const listOf = (job: Job, style = METRIC) =>
  shoppingList(
    job,
    job.pieces.map((piece) => planPiece(kernel, job, piece, { quick: true, memo })),
    style,
  )
const named = (id: string, over: Partial<Piece> = {}): Piece =>
  ({ ...testSlab(), id, name: id, ...over }) as Piece
const row = (job: Job, text: RegExp) => listOf(job).filter((r) => text.test(r.name))

it.each([
  ['bag', 2.3, 0, 3],
  ['bag', 2.3, 0.5, 2],
  ['bag', 2, 2, 0],
  ['sheet', 1.0000000001, 0, 1],
  ['kg', 0.42, 0.1, 0.32],
  ['kg', 0.42, 1, 0],
] as const)('sold by the %s: %d needed, %d there, %d to buy', (soldBy, needed, there, want) =>
  expect(toBuy({ needed, soldBy }, there)).toBeCloseTo(want, 9),
)

describe('what a job buys', () => {
  it('counts every mould and every cast of it', () => {
    const one = testJob(named('a'))
    const many = testJob(named('a', { quantity: 6, mouldCount: 2 } as Partial<Piece>))
    const mix = testJob().stock.mixes[0]!.name
    const bags = (job: Job) => listOf(job).find((r) => r.name === mix)!
    // 20.25 L and 10 percent over are 2 bags of 12 L a cast.
    expect([bags(one).needed, bags(many).needed]).toEqual([2, 12])
    const screws = (job: Job) => row(job, /^screws/).reduce((sum, r) => sum + r.needed, 0)
    expect(screws(many)).toBe(2 * screws(one))
    expect(bags(one).price).toBe(testJob().stock.mixes[0]!.price)
  })
  it('lays boards of all moulds out together: fewer sheets than each by itself', () => {
    const pieces = Array.from({ length: 6 }, (_, i) => named(`p${i}`))
    const job = testJob(...pieces)
    const board = job.stock.boards[0]!.name
    const together = listOf(job).find((r) => r.name === board)!
    const apart = pieces.map((p) =>
      Math.ceil(listOf(testJob(p)).find((r) => r.name === board)!.needed - 1e-9),
    )
    expect(apart.reduce((a, b) => a + b, 0)).toBe(6)
    expect(together.needed).toBeGreaterThanOrEqual(1 - 1e-9)
    expect(together.needed).toBeLessThan(4)
    expect(Math.abs(together.needed - Math.round(together.needed))).toBeLessThan(1e-9)
    expect(together.pieceIds).toEqual(pieces.map((p) => p.id))
  })
  it('adds doses, steel, what goes on the faces and the finish, each once, under keys that no unit changes', () => {
    const dosed = testTop({ mix: { ...testTop().mix, doses: [{ dose: 'red-oxide', percent: 4 }] } })
    const job = testJob(dosed)
    const rows = listOf(job)
    expect(new Set(rows.map((r) => r.key)).size).toBe(rows.length)
    expect(new Set(rows.map((r) => r.group))).toEqual(
      new Set(['boards', 'mould', 'steel', 'mix', 'faces', 'finish']),
    )
    const plan = planPiece(kernel, job, dosed, { quick: true, memo })
    expect(rows.find((r) => /red/.test(r.name))!.needed).toBeCloseTo(
      plan.stations.mix!.figures.doses[0]!.amountKg,
      9,
    )
    const sealer = plan.stations.finish!.figures
    expect(rows.find((r) => r.name === sealer.sealer)!.needed).toBeCloseTo(sealer.sealerAmount, 6)
    expect(listOf(job, INCH).map((r) => r.key)).toEqual(rows.map((r) => r.key))
    for (const r of rows) {
      expect(soldWords(r.needed, r.soldBy, INCH)).not.toMatch(/undefined|NaN/)
      expect(r.needed).toBeGreaterThan(0)
    }
  })
  it('costs what is bought, and counts what has no price', () => {
    const rows = listOf(testJob(named('a')))
    const all = Object.fromEntries(rows.map((r) => [r.key, r.needed + 1]))
    expect(shoppingCost(rows, all)).toEqual({ cost: 0, unpricedCount: 0 })
    const { cost, unpricedCount } = shoppingCost(rows, {})
    const want = rows.reduce((sum, r) => sum + toBuy(r, 0) * (r.price ?? 0), 0)
    expect(cost).toBeCloseTo(want, 9)
    expect(unpricedCount).toBe(rows.filter((r) => r.price === null).length)
  })
  it('is nothing of no pieces', () => expect(listOf(testJob())).toEqual([]))
})

it('writes a table that is read back equal, and no formula', () => {
  const job = testJob(named('a', { name: '=SUM(A1), "quoted"' } as Partial<Piece>))
  const rows = listOf(job)
  const { data } = Papa.parse<string[]>(writeShoppingCsv(job, rows, { [rows[0]!.key]: 0.5 }).trim())
  expect(data).toHaveLength(rows.length + 1)
  rows.forEach((r, i) => {
    const cells = data[i + 1]!
    expect([cells[1], Number(cells[2]), Number(cells[4])]).toEqual([
      r.name,
      expect.closeTo(r.needed, 3),
      expect.closeTo(toBuy(r, i === 0 ? 0.5 : 0), 3),
    ])
    expect(cells[8]).toBe(`'=SUM(A1), "quoted"`)
  })
})
