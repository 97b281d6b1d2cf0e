import { describe, expect, it } from 'vitest'
import { startingStock } from './catalogue.ts'
import { compareStock } from './compareStock.ts'
import type { Stock } from './schema.ts'

const shelf = startingStock()
const [first] = shelf.boards
const own = (boards: Stock['boards']): Stock => ({ ...shelf, boards })

describe('what a job carries otherwise than the shelf', () => {
  it.each<[label: string, job: Stock, told: readonly (readonly [string, string | null, string | null])[]]>([
    ['nothing where they are alike', shelf, []],
    [
      'a figure',
      own([{ ...first!, thickness: 17.6 }, ...shelf.boards.slice(1)]),
      [['thickness', '17.6', String(first!.thickness)]],
    ],
    [
      'two figures of one row, each by itself',
      own([{ ...first!, thickness: 17.6, price: null }, ...shelf.boards.slice(1)]),
      [
        ['thickness', '17.6', String(first!.thickness)],
        ['price', 'none', String(first!.price)],
      ],
    ],
    [
      'a row that the shelf has not',
      own([...shelf.boards, { ...first!, id: 'yard', name: 'yard board' }]),
      [['row', 'in this job', null]],
    ],
    // What the shelf has more is no concern of the job.
    ['nothing of a row that only the shelf has', own(shelf.boards.slice(1)), []],
    ['the same rows in another order are alike', own([...shelf.boards].reverse()), []],
  ])('%s', (_, job, told) => {
    expect(compareStock(job, shelf).map((d) => [d.field, d.job, d.shelf])).toEqual(told)
  })
  it('names list, row and its name for every list of the stock', () => {
    for (const list of Object.keys(shelf) as (keyof Stock)[]) {
      const [row] = shelf[list] as { id: string; name: string }[]
      if (!row) continue
      const job = { ...shelf, [list]: [{ ...row, name: `${row.name}, other` }] } as Stock
      expect(compareStock(job, shelf)).toEqual([
        {
          list,
          rowId: row.id,
          name: `${row.name}, other`,
          field: 'name',
          job: `${row.name}, other`,
          shelf: row.name,
        },
      ])
    }
  })
})
