import { describe, expect, it } from 'vitest'
import { measureLoop, measureSolid, openKernel, type SolidRecipe } from '../../geometry/index.ts'
import {
  boxChoiceOf,
  type Lettering,
  type MouldPatch,
  newOpening,
  type Panel,
  type SlabPiece,
  withChoice,
} from '../../job/index.ts'
import { holdFonts, LETTER_FONTS, planPieceStation } from '../../piece/index.ts'
import { says } from '../../testing/says.ts'
import { testBasin, testSlab, testStock } from '../../testing/testPiece.ts'
import { partIdsOf } from '../../work/index.ts'
import { planMouldStation, whyNoMould } from '../index.ts'

const kernel = await openKernel({ coarser: 4 })
await holdFonts([LETTER_FONTS[0]!.id])
const measure = (recipe: SolidRecipe) => kernel.withSolids((s) => measureSolid(s.solid(recipe).body))
const plan = (piece: SlabPiece, quick = false) => {
  const pieceStation = planPieceStation(kernel, piece, 2300, false)
  return {
    pieceStation,
    ...planMouldStation(piece, pieceStation, testStock, testStock.mixes[0]!, { kernel, quick }),
  }
}
const dish = { ...newOpening('dish', 'dish', { kind: 'round', diameter: 90 }), depth: 12 }
const field = (rise: number): Panel => ({
  kind: 'field',
  id: 'field',
  name: 'field',
  shape: { kind: 'inset', margin: 80 },
  u: 0,
  v: 0,
  rise,
  draftDeg: 10,
})
const frame: Panel = {
  kind: 'frame',
  id: 'frame',
  name: 'frame',
  shape: { kind: 'inset', margin: 30 },
  u: 0,
  v: 0,
  trim: 'cove',
  own: [],
  width: 25,
  height: 12,
  tallSide: 'outer',
  sunk: false,
}
const letters = (depth: number, on = 'top'): Lettering => ({
  id: 'word',
  text: 'ALOFT',
  font: LETTER_FONTS[0]!.id,
  fontHash: '',
  on,
  u: 0,
  v: 0,
  turnDeg: 0,
  height: 60,
  depth,
  spacing: 4,
  align: 'middle',
})
const grooves: SlabPiece['drainers'] = [
  {
    kind: 'grooves',
    id: 'drain',
    name: 'drain',
    length: 200,
    count: 4,
    pitch: 30,
    width: 10,
    shallow: 3,
    deep: 8,
    toward: 'front',
    u: 180,
    v: 250,
  } as SlabPiece['drainers'][number],
]

describe('formers in a board box', () => {
  it.each<[string, Partial<SlabPiece>, string[]]>([
    ['a recess', { openings: [dish] }, ['former/dish']],
    [
      'a recess beside a basin',
      { openings: [testBasin, { ...dish, u: { rule: 'fromStart', distance: 60 } }] },
      ['former/dish'],
    ],
    ['a sunken field', { panels: [field(-9)] }, ['former/field']],
    ['a raised field', { panels: [field(9)] }, ['former/ground']],
    ['a frame', { panels: [frame] }, ['former/ground']],
    ['a sunken field in a frame', { panels: [field(-9), frame] }, ['former/ground', 'former/field']],
    ['sunken letters', { lettering: [letters(-4)] }, ['former/word']],
    ['raised letters', { lettering: [letters(4)] }, ['former/ground']],
    ['a recess underneath', { openings: [{ ...dish, on: 'bottom' }] }, ['former/dish']],
    ['face up', { openings: [dish], attitude: { down: 'bottom', turnDeg: 0 } }, ['former/dish']],
  ])('fill with the cast all of the box: %s', (_, over, ids) => {
    const piece = testSlab(over)
    const { station, pieceStation, findings } = plan(piece)
    expect(findings.filter((f) => f.code === 'not-in-mould')).toEqual([])
    const formers = station!.parts.filter((p) => p.role === 'former')
    expect(formers.map((p) => p.id)).toEqual(ids)
    const { geometry } = pieceStation
    const depth = piece.thickness + geometry.relief.top + geometry.relief.bottom
    const box = measureLoop(geometry.outline).area * depth
    const inside = ['former', 'knockout', 'wrap']
    const parts = station!.parts.filter((p) => inside.includes(p.role))
    const filled = parts.reduce((sum, p) => sum + measure(p.recipe).volume, measure(geometry.recipe!).volume)
    expect(filled / box).toBeCloseTo(1, 4)
    for (const former of formers) expect(measure(former.recipe).volume).toBeGreaterThan(100)
    const hung = formers.filter((p) => p.pull[2] > 0)
    expect(hung.length).toBe(
      over.openings?.some((o) => o.depth !== null && o.on !== piece.attitude.down) ? 1 : 0,
    )
    expect(station!.figures.holdDown.length).toBe(
      hung.length + (over.openings?.some((o) => o.depth === null) ? 1 : 0),
    )
    // Strips stand as high as the raised work asks.
    const strip = station!.figures.parts.find((p) => p.role === 'strip')!
    expect(strip.widthMm).toBeCloseTo(depth + 18, 6)
    const text = says(station!.operations).join(' ')
    for (const former of formers) expect(text).toContain(former.name)
    expect(plan(piece, true).station!.parts.map((p) => p.id)).toEqual(station!.parts.map((p) => p.id))
  })
  it('forms every groove of a drainer on its own', () => {
    const { station } = plan(testSlab({ drainers: grooves }))
    const formers = station?.parts.filter((p) => p.role === 'former') ?? []
    expect(formers.length).toBe(4)
  })
  it.each<[string, Partial<SlabPiece>, RegExp]>([
    [
      'raised work on the open face',
      { panels: [field(9)], attitude: { down: 'bottom', turnDeg: 0 } },
      /lies open/,
    ],
    [
      'raised work beside beaded edges',
      {
        panels: [field(9)],
        sides: Object.fromEntries(
          Object.entries(testSlab().sides).map(([id, s]) => [id, { ...s, top: { kind: 'bead', size: 6 } }]),
        ),
      },
      /shaped edges/,
    ],
    ['letters on a side', { lettering: [letters(-3, 'side/front')] }, /on its sides/],
  ])('says what it does not form: %s', (_, over, why) => expect(whyNoMould(testSlab(over))).toMatch(why))
  it.each([
    ['once across', { bedX: 450, bedY: 700 }, 'former-in-pieces'],
    ['over a small bed', { bedX: 220, bedY: 220 }, 'former-in-pieces'],
    ['the long way round', { bedX: 330, bedY: 1300 }, 'former-in-pieces'],
    ['too many', { bedX: 60, bedY: 60 }, 'former-over-bed'],
    ['not at all', { bedX: 1300, bedY: 1300 }, null],
  ])('printed in pieces that fit the bed and make up the whole: %s', (_, bed, code) => {
    const stock = {
      ...testStock,
      printers: testStock.printers.map((p) => ({ ...p, bedZ: 200, ...bed })),
    }
    const slab = testSlab({ panels: [field(9)] })
    const build = (formersPrinted: boolean) => {
      const piece = { ...slab, mould: withChoice(slab.mould, { formersPrinted }) }
      return planMouldStation(
        piece,
        planPieceStation(kernel, piece, 2300, false),
        stock,
        testStock.mixes[0]!,
        { kernel },
      )
    }
    const [{ station, findings }, plain] = [build(true), build(false)]
    const told = findings.filter((f) => f.code.startsWith('former-'))
    expect(told.map((f) => f.code)).toEqual(code ? [code] : [])
    const formers = station!.parts.filter((p) => p.role === 'former')
    const [whole] = plain.station!.parts.filter((p) => p.role === 'former')
    expect(new Set(formers.map((p) => p.id)).size).toBe(formers.length)
    expect(formers[0]!.id).toBe(whole!.id)
    expect(station!.figures.prints.map((p) => p.partId)).toEqual(formers.map((p) => p.id))
    const sum = formers.reduce((all, p) => all + measure(p.recipe).volume, 0)
    expect(sum / measure(whole!.recipe).volume).toBeCloseTo(1, 5)
    if (code === 'former-over-bed') return
    expect(told[0]?.facts.pieces ?? 1).toBe(formers.length)
    for (const { lengthMm, widthMm } of formers) {
      const [l, w] = [Math.max(lengthMm, widthMm), Math.min(lengthMm, widthMm)]
      expect([l <= Math.max(bed.bedX, bed.bedY) + 1e-6, w <= Math.min(bed.bedX, bed.bedY) + 1e-6]).toEqual([
        true,
        true,
      ])
    }
    const glued = station!.operations.filter((op) => op.code === 'glue-up-formers')
    expect(glued.map(partIdsOf)).toEqual(formers.length > 1 ? [formers.map((p) => p.id)] : [])
  })
  it('printed: a wall and a lattice, each as its solid is, flat side down, or told that it is over the bed', () => {
    const printed = (piece: SlabPiece, patch: MouldPatch = {}) =>
      plan({ ...piece, mould: withChoice(piece.mould, { formersPrinted: true, ...patch }) })
    const { station, findings } = printed(
      testSlab({
        openings: [dish, { ...dish, id: 'under', on: 'bottom', u: { rule: 'fromStart', distance: 100 } }],
      }),
    )
    const { prints, materials } = station!.figures
    expect(prints.map((p) => [p.partId, p.lies.z[2]])).toEqual([
      ['former/dish', 1],
      ['former/under', -1],
    ])
    const filament = testStock.filaments.find((f) => f.id === boxChoiceOf(testSlab().mould).filament)!
    for (const row of prints) {
      const body = measure(station!.parts.find((p) => p.id === row.partId)!.recipe)
      const wall = Math.min(body.volume, body.area * boxChoiceOf(testSlab().mould).shellWall)
      const grams = (wall + 0.1 * (body.volume - wall)) * filament.densityKgPerM3 * 1e-6
      expect(row.grams / grams).toBeCloseTo(1, 3)
    }
    expect(materials[0]!.amount * 1000).toBeCloseTo(
      prints.reduce((sum, p) => sum + p.grams, 0),
      6,
    )
    expect(findings.map((f) => f.code)).not.toContain('former-over-bed')
    expect(
      printed(testSlab({ openings: [dish] }), { printer: 'gone' }).findings.map((f) => f.code),
    ).toContain('printer-missing')
    expect(
      printed(testSlab({ openings: [dish] }), { filament: 'gone' }).findings.map((f) => f.code),
    ).toContain('filament-missing')
  })
})
