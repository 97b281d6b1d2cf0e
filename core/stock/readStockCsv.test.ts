import { describe, expect, it } from 'vitest'
import { startingStock } from './catalogue.ts'
import { readStockCsv } from './readStockCsv.ts'
import type { Board, Tube, Vessel } from './schema.ts'

const known = startingStock()
const read = (text: string) => readStockCsv(text, known)

describe('stock from a list', () => {
  it('reads boards by the names of their columns, in any order, prices as they are', () => {
    const { rows, problems } = read(
      'thickness,name,length,width,grain,price\n17.6,melamine from the yard,2750,1830,no,52.5\n12,birch offcut,800,400,yes,\n',
    )
    expect(problems).toEqual([])
    const [first, second] = rows.map((r) => r.row as Board)
    expect(first).toMatchObject({
      name: 'melamine from the yard',
      thickness: 17.6,
      length: 2750,
      grain: false,
      price: 52.5,
    })
    expect(second).toMatchObject({ thickness: 12, grain: true, price: null, material: 'melamine' })
    expect(rows.map((r) => r.list)).toEqual(['boards', 'boards'])
  })
  it('takes semicolons, decimal commas, a byte order mark, quotes and other lists', () => {
    const { rows, problems } = read(
      '\uFEFFlist;name;inside;wall;length;price\ntubes;"tube, 280 inside";280;5,5;2000;17\n',
    )
    expect(problems).toEqual([])
    expect(rows[0]!.row as Tube).toMatchObject({ name: 'tube, 280 inside', inside: 280, wall: 5.5 })
  })
  it('puts a row in the place of the one of its name', () => {
    const [melamine] = known.boards
    const { rows } = read(`name,thickness\n${melamine!.name},17.4\n`)
    expect(rows[0]!.row as Board).toEqual({ ...melamine, thickness: 17.4, source: 'read from a file' })
  })
  it.each<[string, string, RegExp, number]>([
    ['no name', 'name,thickness\nfirst,18\n,12\n', /^line 3: it has no name/, 1],
    [
      'no number',
      'name,thickness\nfirst,thick\nsecond,12\n',
      /^line 2: thickness “thick” is not a number/,
      1,
    ],
    ['below zero', 'name,thickness\n\nfirst,-3\n', /^line 3: thickness: /, 0],
    ['another material', 'name,material\nfirst,cheese\n', /^line 2: material: /, 0],
    ['no such list', 'list,name\ncheeses,first\n', /^line 2: there is no list “cheeses”/, 0],
    ['no such column', 'name,smell\nfirst,sweet\n', /^line 2: the column “smell”/, 0],
    ['not yes or no', 'name,grain\nfirst,perhaps\n', /^line 2: grain “perhaps” is not yes or no/, 0],
    ['no header', '18,melamine\n', /^line 1: there is no column “name”/, 0],
    ['empty', '', /^line 1: there is no column “name”/, 0],
    ['after a quoted break', 'name,thickness\n"two\nlines",12\nthird,x\n', /^line 4: thickness/, 1],
    ['endless', `name\n${'x'.repeat(2_100_000)}`, /too large/, 0],
    ['no text at all', '\u0000\u0001\u0002,\u0003\n', /^line 1/, 0],
  ])('names a bad row by its line: %s', (_, text, problem, good) => {
    const { rows, problems } = read(text)
    expect([problems.length, rows.length]).toEqual([1, good])
    expect(problems[0]).toMatch(problem)
  })
  it('tells at most fifty problems', () => {
    const { problems } = read(`name,thickness\n${'a,b\n'.repeat(70)}`)
    expect([problems.length, problems.at(-1)]).toEqual([51, 'and 20 more.'])
  })
  it('leaves what no cell holds as it is: the rings of a vessel', () => {
    const { rows } = read('list,name,wall\nvessels,my bucket,2\n')
    expect((rows[0]!.row as Vessel).rings).toEqual(known.vessels[0]!.rings)
  })
})
