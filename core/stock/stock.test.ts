import { expect, it } from 'vitest'
import { type Board, boardSchema, compareStock, startingStock, stockSchema } from './index.ts'

it('starts with rows the schema takes, each with its source, and fresh copies each time', () => {
  const stock = startingStock()
  expect(stockSchema.parse(stock)).toEqual(stock)
  for (const list of Object.values(stock)) {
    expect(list.length).toBeGreaterThan(0)
    for (const row of list) expect(row.source.length).toBeGreaterThan(5)
  }
  stock.boards[0]!.thickness = 1
  expect(startingStock().boards[0]!.thickness).toBe(18)
})

it('agrees with the published densities: bag and water over yield, within 3 percent', () => {
  for (const mix of startingStock().mixes) {
    const density = (mix.bagKg + mix.waterLitres.medium) / (mix.yieldLitres / 1000)
    expect(Math.abs(density / mix.freshKgPerM3 - 1), mix.name).toBeLessThan(0.03)
    expect(mix.waterLitres.stiff).toBeLessThan(mix.waterLitres.limit)
    expect(mix.f28.stiff).toBeGreaterThan(mix.f28.limit)
  }
})

it.each<[string, Partial<Board>]>([
  ['no thickness', { thickness: 0 }],
  ['a negative price', { price: -1 }],
  ['a length as text', { length: '2440' as unknown as number }],
  ['an unknown material', { material: 'glass' as Board['material'] }],
])('refuses a board with %s', (_, patch) =>
  expect(boardSchema.safeParse({ ...startingStock().boards[0]!, ...patch }).success).toBe(false),
)

it('refuses two rows of one id', () => {
  const stock = startingStock()
  const [issue] = stockSchema.safeParse({ ...stock, boards: [stock.boards[0]!, stock.boards[0]!] }).error!
    .issues
  expect(issue!.path).toEqual(['boards', 1, 'id'])
})

it('tells what a job carries otherwise than the shelf', () => {
  const job = startingStock()
  job.boards[0]!.thickness = 17.6
  job.mixes[0]!.price = null
  job.meshes.push({ ...job.meshes[0]!, id: 'own', name: 'own mesh' })
  expect(compareStock(job, startingStock()).map((d) => [d.list, d.rowId, d.field, d.job, d.shelf])).toEqual([
    ['boards', 'melamine-18', 'thickness', '17.6', '18'],
    ['mixes', 'structural-25', 'price', 'none', '7.8'],
    ['meshes', 'own', 'row', 'in this job', null],
  ])
  expect(compareStock(startingStock(), startingStock())).toEqual([])
})
