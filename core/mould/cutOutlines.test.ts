import fs from 'node:fs'
import { describe, expect, it } from 'vitest'
import { measureLoop, openKernel } from '../geometry/index.ts'
import { type MouldPatch, newOpening, readJob, type SlabPiece, withChoice } from '../job/index.ts'
import { holdFonts, planPieceStation } from '../piece/index.ts'
import { testBasin, testSlab, testStock } from '../testing/testPiece.ts'
import { chooseLaminate, partOutlines, planMouldStation } from './index.ts'

const kernel = await openKernel({ coarser: 4 })
const planWhole = (piece: SlabPiece, patch: MouldPatch = {}) => {
  const chosen = { ...piece, mould: withChoice(piece.mould, patch) }
  return planMouldStation(
    chosen,
    planPieceStation(kernel, chosen, 2300, false),
    testStock,
    testStock.mixes[0]!,
    { kernel },
  )
}
const plan = (piece: SlabPiece, patch: MouldPatch = {}) => planWhole(piece, patch).station!
const area = (loops: readonly Parameters<typeof measureLoop>[0][]) =>
  Math.abs(loops.reduce((sum, l) => sum + measureLoop(l).area, 0))

describe('lines of what is cut to no upright plan', () => {
  it('a knockout with draft: its smaller and its larger end', () => {
    const opening = { ...testBasin, draftDeg: 5 }
    const { outlines, parts } = plan(testSlab({ openings: [opening] }))
    const knockout = parts.find((p) => p.role === 'knockout')!
    expect(outlines.map((o) => o.name).sort()).toEqual([
      `${knockout.label} basin knockout, above`,
      `${knockout.label} basin knockout, below`,
    ])
    const [a, b] = outlines.map((o) => area(o.loops))
    const lean = knockout.thicknessMm * Math.tan((5 * Math.PI) / 180)
    const round = 2 * (knockout.lengthMm + knockout.widthMm - 2 * lean)
    // Rounded corners have less round them than the box.
    expect(Math.abs(a! - b!) / (round * lean)).toBeGreaterThan(0.9)
    expect(Math.abs(a! - b!) / (round * lean)).toBeLessThan(1)
  })
  it('a split one: both halves and the wedge, which make up the opening together', () => {
    const { outlines, parts, figures } = plan(testSlab({ openings: [testBasin] }), {
      knockoutKinds: { [testBasin.id]: 'split' },
    })
    const cut = parts.filter((p) => p.role === 'knockout')
    expect(cut).toHaveLength(3)
    const below = outlines.filter((o) => o.name.endsWith('below')).reduce((sum, o) => sum + area(o.loops), 0)
    expect(outlines).toHaveLength(6)
    const { shape } = testBasin
    if (shape.kind !== 'rectangle') throw new Error('the basin is a rectangle')
    expect(below / (shape.length * shape.width)).toBeGreaterThan(0.95)
    expect(below / (shape.length * shape.width)).toBeLessThanOrEqual(1.001)
    for (const row of figures.cutList.filter((r) => r.role === 'knockout'))
      expect(row.notes).toContain('wedge')
  })
  it('a slot by boards on edge: few boards of its length and height, glued to its width', () => {
    const slot = newOpening('slot', 'slot', { kind: 'rectangle', length: 300, width: 36, radius: 0 })
    const piece = testSlab({ thickness: 45, openings: [slot] })
    const by = (kind: 'edge' | 'laminate', over = {}) =>
      plan({ ...piece, openings: [{ ...slot, ...over }] }, { knockoutKinds: { slot: kind } })
    const rows = (of: ReturnType<typeof by>) => of.figures.cutList.filter((r) => r.role === 'knockout')
    const [row, ...more] = rows(by('edge'))
    expect([more.length, row!.count, row!.lengthMm, row!.widthMm, row!.thicknessMm]).toEqual([
      0, 2, 300, 45, 18,
    ])
    expect(row!.notes).toEqual(['laminate', 'on-edge', 'raw-edges'])
    // It stands where one of boards lying would, and no gap is left.
    const solid = (of: ReturnType<typeof by>) => of.parts.find((p) => p.role === 'knockout')!.recipe
    expect(solid(by('edge'))).toEqual(solid(by('laminate')))
    // Round ends are not made by boards on edge: these lie.
    const round = { shape: { kind: 'slot', length: 300, width: 36 } } as const
    expect(rows(by('edge', round))).toEqual(rows(by('laminate', round)))
    const odd = planWhole(
      testSlab({ openings: [{ ...slot, shape: { ...slot.shape, width: 44 } as never }] }),
      { knockoutKinds: { slot: 'edge' }, knockoutBoards: ['melamine-18'] },
    )
    const found = odd.findings.find((f) => f.code === 'no-laminate')!
    expect(found.facts).toMatchObject({ cure: 'lying', wantedMm: 44 })
    expect(found.remedies[0]!.changes).toEqual([
      { type: 'mouldChosen', pieceId: 'top', patch: { knockoutKinds: {} } },
    ])
  })
  it('of boards that come to a height in as few layers those that are opened anyway are taken', () => {
    const of = (id: string, thickness: number, opened: boolean) => ({
      ...testStock.boards[0]!,
      id,
      thickness,
      opened,
    })
    const layers = (boards: Parameters<typeof chooseLaminate>[1]) =>
      chooseLaminate(36, boards)!.layers.map((l) => l.boardId)
    expect(layers([of('a', 24, false), of('b', 12, false), of('c', 18, true)])).toEqual(['c', 'c'])
    expect(layers([of('a', 24, true), of('b', 12, true), of('c', 18, false)])).toEqual(['a', 'b'])
    expect(layers([of('a', 36, false), of('c', 18, true)])).toEqual(['a'])
    expect(layers([of('x', 18, false), of('y', 18, true)])).toEqual(['y', 'y'])
  })
  it('a former of a recess is cut from boards that come to its depth, and told by its name', () => {
    const dish = {
      ...newOpening('dish-7', 'soap dish', { kind: 'round', diameter: 90 }),
      depth: 18,
    }
    const { figures, outlines, parts } = plan(testSlab({ openings: [dish] }))
    const former = parts.find((p) => p.role === 'former')!
    expect([former.lengthMm, former.widthMm, former.thicknessMm].map(Math.round)).toEqual([90, 90, 18])
    const row = figures.cutList.find((r) => r.role === 'former')!
    expect([row.count, row.notes]).toEqual([1, ['drawn', 'sealed']])
    expect(
      figures.layouts.some((l) => l.sheets.some((s) => s.parts.some((p) => p.label === row.label))),
    ).toBe(true)
    const own = outlines.find((o) => o.name === `${row.label} soap dish former`)!
    expect(area(own.loops) / (Math.PI * 45 ** 2)).toBeCloseTo(1, 1)
    // What no board comes to is left to the maker, and listed as it is.
    const shallow = plan(testSlab({ openings: [{ ...dish, depth: 2.2 }] }))
    expect(shallow.figures.cutList.some((r) => r.role === 'former')).toBe(false)
    expect(
      plan(testSlab({ openings: [dish] }), { formersPrinted: true }).figures.cutList.some(
        (r) => r.role === 'former',
      ),
    ).toBe(false)
  })
})

it('no line of the demo is told by an id, and each that is cut has a letter', async () => {
  const read = readJob(fs.readFileSync('demo/kestrel-rise.hollow.json', 'utf8'))
  if (!read.ok) throw new Error('the demo does not read')
  await holdFonts(read.job.pieces.flatMap((p) => p.lettering.map((l) => l.font)))
  let lines = 0
  for (const piece of read.job.pieces.filter((p) => p.kind === 'slab')) {
    const { station } = planMouldStation(
      piece,
      planPieceStation(kernel, piece, 2300, false),
      read.job.stock,
      read.job.stock.mixes[0]!,
      { kernel },
    )
    for (const { name } of [...partOutlines(station?.parts ?? []), ...(station?.outlines ?? [])]) {
      lines += 1
      expect(name).not.toMatch(/\w\/\w|undefined/)
      expect(name).toMatch(/^([A-Z]{1,2} )?\p{L}/u)
    }
  }
  expect(lines).toBeGreaterThan(10)
})
