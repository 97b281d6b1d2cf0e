import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { measureSolid, type SolidRecipe } from '../geometry/index.ts'
import {
  explainBy,
  type MouldPatch,
  newTurned,
  type Piece,
  type TurnedPiece,
  withChoice,
} from '../job/index.ts'
import { planPieceStation, pouredPlacement } from '../piece/index.ts'
import { METRIC, says } from '../testing/says.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testSlab, testStock, testTop } from '../testing/testPiece.ts'
import { partIdsOf } from '../work/index.ts'
import { potLife, rubberAmounts, rubberWall } from './block/rubber.ts'
import { costOverCasts } from './compareMethods.ts'
import { METHODS, MOULD_WORDS, planMouldStation, whyNoMould } from './index.ts'
import { nearestTube } from './tube/planTube.ts'
import { hoopTension, strapSpacing } from './tube/roundParts.ts'
import type { MethodRow } from './types.ts'

const kernel = await testKernel()
const mix = testStock.mixes[0]!
const told = { id: 'p', name: 'Piece', start: '2026-05-30T09:00', zone: 'UTC' }
const chosen = <P extends Piece>(piece: P, patch: MouldPatch): P => ({
  ...piece,
  mould: withChoice(piece.mould, patch),
})
const plan = (piece: Piece, stock = testStock) => {
  const pieceStation = planPieceStation(kernel, piece, 2300, false)
  return { pieceStation, ...planMouldStation(piece, pieceStation, stock, mix, { kernel }) }
}
const measure = (recipe: SolidRecipe) => kernel.withSolids((s) => measureSolid(s.solid(recipe).body))
const drum = (diameter: number, over: Partial<TurnedPiece> = {}) =>
  newTurned(told, testStock, { turned: { form: 'cylinder', diameter, height: 620 }, ...over })

describe('a card tube', () => {
  it('pulls 3.458 N a mm at the foot of 1 m across 300, strapped every 120 mm', () => {
    expect(hoopTension(1000, 300, 2350)).toBeCloseTo(3.458, 3)
    expect(strapSpacing(1000, 300, 2350)).toBeCloseTo(120.5, 1)
  })
  it('stands round the piece with no gap and no overlap, its core in the axis', () => {
    for (const piece of [
      drum(300),
      drum(200, { bore: 40 }),
      chosen(drum(300, { turned: { form: 'tube', outside: 300, inside: 220, height: 400, floor: 0 } }), {}),
      drum(300, {
        turned: { form: 'tube', outside: 300, inside: 220, height: 400, floor: 50 },
        attitude: { down: 'top', turnDeg: 0 },
      }),
      drum(400, {
        turned: { form: 'tube', outside: 400, inside: 300, height: 300, floor: 60 },
      }),
    ]) {
      const { station, pieceStation } = plan(piece)
      const { parts, figures } = station!
      expect(figures.methodId).toBe('tube')
      const cast: SolidRecipe = {
        kind: 'moved',
        solid: pieceStation.geometry.recipe!,
        by: pouredPlacement(piece.attitude, pieceStation.geometry),
      }
      for (const part of parts) {
        const shared = measure({ kind: 'intersection', of: [part.recipe, cast] }).volume
        // Chords of card and concrete stray by 0.05 mm along the whole bore.
        expect([part.id, shared < 40_000 * 0.05 * 620 * 0.01]).toEqual([part.id, true])
      }
      const tube = parts.find((p) => p.role === 'tube')!
      const { min, max } = measure(tube.recipe)
      expect(max[2] - min[2]).toBeCloseTo(tube.lengthMm, 3)
      expect(max[0] - min[0]).toBeCloseTo(tube.widthMm, 1)
      expect(parts.some((p) => p.role === 'core')).toBe(piece.bore > 0 || piece.turned.form === 'tube')
    }
  })
  it.each<[string, Piece, [string, string][], string]>([
    ['fits', drum(300), [], ''],
    [
      'of another bore, one in stock fits',
      chosen(drum(300), { method: 'tube', tube: 'tube-150' }),
      [['tube-differs', 'stop']],
      'tube-300',
    ],
    [
      'of no bore in stock',
      chosen(drum(320), { method: 'tube', tube: 'tube-300' }),
      [['tube-differs', 'stop']],
      '300',
    ],
    [
      'not in stock',
      chosen(drum(300), { method: 'tube', tube: 'gone' }),
      [['tube-missing', 'stop']],
      'tube-300',
    ],
    [
      'too short and too tall',
      drum(300, { turned: { form: 'cylinder', diameter: 300, height: 3200 } }),
      [
        ['tube-short', 'stop'],
        ['tall-form', 'stop'],
      ],
      '',
    ],
    [
      'with a rounded foot',
      drum(300, { rim: { top: { kind: 'square' }, bottom: { kind: 'bead', size: 8 } } }),
      [['tube-edges', 'note']],
      '',
    ],
  ])('%s', (_, piece, codes, remedy) => {
    const { findings } = plan(piece)
    expect(findings.map((f) => [f.code, f.level])).toEqual(codes)
    // The size of the piece comes last, where it is changed.
    const change = findings[0]?.remedies[0]?.changes.at(-1)
    const offered =
      change?.type === 'mouldChosen'
        ? change.patch.tube
        : change?.type === 'shapeChanged' &&
            'turned' in change.patch &&
            change.patch.turned?.form === 'cylinder'
          ? String(change.patch.turned.diameter)
          : ''
    expect(offered).toBe(remedy)
    for (const f of findings) {
      const said = explainBy(MOULD_WORDS, f, METRIC)!
      expect(`${said.what} ${said.why} ${said.remedy ?? ''}`).not.toMatch(/undefined|NaN/)
    }
  })
  it('is the nearest in stock', () => {
    expect([100, 224, 226, 900].map((d) => nearestTube(d, testStock.tubes)!.inside)).toEqual([
      150, 200, 250, 600,
    ])
  })
})

describe('a rubber block', () => {
  const rubber = testStock.rubbers[0]!
  it('has a wall by the pattern’s size', () => {
    expect([50, 120, 300].map((size) => rubberWall(rubber, size))).toEqual([12, 12, 30])
  })
  it('is weighed by weight or by volume, whichever the product says, and comes to the same', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 40, noNaN: true }),
        fc.constantFrom(...testStock.rubbers),
        (litres, row) => {
          const need = rubberAmounts(row, litres * 1e6, 7)
          expect(need.litres).toBeCloseTo(litres * 1.07, 9)
          expect(need.kg).toBeCloseTo((litres * 1.07 * row.densityKgPerM3) / 1000, 9)
          expect(need.a.kg + need.b.kg).toBeCloseTo(need.kg, 9)
          const ratio = row.ratio.a / row.ratio.b
          expect(
            row.ratio.by === 'weight' ? need.a.kg / need.b.kg : need.a.litres / need.b.litres,
          ).toBeCloseTo(ratio, 9)
          expect(need.a.kg / need.a.litres).toBeCloseTo(row.partsKgPerM3.a / 1000, 9)
        },
      ),
    )
    expect([potLife(rubber, 20), potLife(rubber, 30), potLife(rubber, 10)]).toEqual([20, 10, 40])
  })
  it.each<[string, Piece]>([
    ['a slab with openings', chosen(testTop(), { method: 'block' })],
    ['the same face up', chosen(testTop({ attitude: { down: 'bottom', turnDeg: 0 } }), { method: 'block' })],
    [
      'a cone',
      chosen(drum(1, { turned: { form: 'frustum', bottom: 200, top: 120, height: 150 } }), {
        method: 'block',
      }),
    ],
  ])('holds box less pattern: %s', (_, piece) => {
    const { station, pieceStation, findings } = plan(piece)
    expect(findings.filter((f) => f.level === 'stop')).toEqual([])
    const { parts, figures } = station!
    const part = parts.find((p) => p.role === 'rubber')!
    const box = part.lengthMm * part.widthMm * part.thicknessMm
    const exact = box - pieceStation.figures.volumeLitres * 1e6
    expect(Math.abs(measure(part.recipe).volume / exact - 1)).toBeLessThan(1e-4)
    const [own] = figures.materials
    expect(own!.amount).toBeCloseTo((exact * 1.07 * rubber.densityKgPerM3) / 1e9, 2)
    expect(figures.alternatives.length).toBe(testStock.rubbers.length - 1)
    // The box holds the rubber: its five boards touch the block and share nothing with it.
    for (const other of parts.filter((p) => p !== part)) {
      expect(measure({ kind: 'intersection', of: [part.recipe, other.recipe] }).volume).toBeLessThan(1)
    }
    const union = measure({ kind: 'union', of: parts.map((p) => p.recipe) })
    expect(union.min[2]).toBeCloseTo(-(part.thicknessMm - pieceStation.geometry.height) - 18, 3)
  })
  it('says when its wall is too thin, when it is much rubber, and when there is none', () => {
    const small = chosen(
      testSlab({ outline: { kind: 'rectangle', length: 200, width: 100, radii: [0, 0, 0, 0] } }),
      {
        method: 'block',
      },
    )
    const codes = (piece: Piece, stock = testStock) =>
      plan(piece, stock).findings.map((f) => [f.code, f.level])
    expect(codes(small)).toEqual([])
    expect(codes(chosen(small, { rubberWall: 9 }))).toEqual([['rubber-wall-thin', 'warn']])
    expect(codes(chosen(testTop(), { method: 'block' }))).toEqual([
      ['pot-life-short', 'warn'],
      ['rubber-heavy', 'note'],
    ])
    expect(codes(chosen(small, { rubber: 'gone', sideBoard: 'gone' }))).toEqual([
      ['board-missing', 'stop'],
      ['rubber-missing', 'stop'],
    ])
  })
})

describe('methods side by side', () => {
  const row = (over: Partial<MethodRow>): MethodRow => ({
    id: 'board-box',
    name: 'x',
    chosen: true,
    materialCost: 40,
    buildHours: 3,
    castCost: 0,
    castHours: 0.2,
    lifeCasts: 5,
    ...over,
  })
  it.each([
    [1, 0, 40],
    [5, 0, 8],
    [6, 0, 80 / 6],
    [5, 20, (40 + 60) / 5 + 4],
    [100, 20, 20 + 4],
  ])('over %d casts at %d an hour: %d', (n, hour, cost) =>
    expect(costOverCasts(row({}), n, hour)).toBeCloseTo(cost, 9),
  )
  it('crosses: a box is cheaper for a few, rubber for many', () => {
    const box = row({})
    const rubber = row({ materialCost: 150, buildHours: 6, lifeCasts: 150 })
    const cheaper = (n: number) => costOverCasts(box, n, 0)! < costOverCasts(rubber, n, 0)!
    expect([cheaper(1), cheaper(5), cheaper(40), cheaper(100)]).toEqual([true, true, false, false])
    expect(costOverCasts(row({ materialCost: null }), 3, 0)).toBe(null)
    // What is lost with each cast is paid at each.
    for (const n of [1, 6, 50])
      expect(costOverCasts(row({ castCost: 3 }), n, 20)! - costOverCasts(row({}), n, 20)!).toBeCloseTo(3, 9)
  })
  it('pays for a foam knockout at each cast, for one of boards once, whatever is planned', () => {
    const costs = (kind: 'laminate' | 'foam', plannedCasts: number) => {
      const top = chosen(testTop(), {})
      const { id } = top.openings[0]!
      const own = { ...top, plannedCasts, mould: withChoice(top.mould, { knockoutKinds: { [id]: kind } }) }
      const box = plan(own).station!.figures.methods.find((m) => m.chosen)!
      return [box.castCost, box.materialCost!] as const
    }
    const [foam, again, boards] = [costs('foam', 1), costs('foam', 20), costs('laminate', 1)]
    expect(foam[0]).toBeGreaterThan(0)
    expect(again[0]).toBeCloseTo(foam[0], 9)
    expect(again[1]).toBeCloseTo(foam[1], 9)
    expect(boards[0]).toBe(0)
    expect(boards[1]).toBeGreaterThan(foam[1])
  })
  it('lists those that form the piece, the chosen one built as it stands', () => {
    const { station } = plan(testTop())
    expect(station!.figures.methods.map((m) => [m.id, m.chosen])).toEqual([
      ['board-box', true],
      ['layers', false],
      ['printed', false],
      ['block', false],
      ['brushed', false],
      ['closed', false],
    ])
    const turned = plan(drum(300)).station!.figures.methods
    expect(turned.map((m) => m.id)).toEqual([
      'tube',
      'ring',
      'layers',
      'printed',
      'block',
      'brushed',
      'closed',
      'found',
    ])
    expect(turned.every((m) => m.materialCost! > 0 && m.buildHours > 0)).toBe(true)
  })
  it('offers the methods that do when the chosen one does not', () => {
    const piece = chosen(drum(300), { method: 'board-box' })
    expect(whyNoMould(piece)).toBe('it is turned')
    const [found] = plan(piece).findings
    expect([found!.code, found!.remedies.map((r) => r.code)]).toEqual([
      'no-method',
      ['tube', 'ring', 'layers'],
    ])
    for (const method of METHODS)
      expect(explainBy(MOULD_WORDS, found!, METRIC)!.remedies![method.id]).toBeTruthy()
  })
})

describe('building order', () => {
  const order = (piece: Piece) => plan(piece).station!.operations
  const at = (piece: Piece, what: RegExp) => says(order(piece)).findIndex((text) => what.test(text))
  const inTurn = (piece: Piece, first: RegExp, then: RegExp) => {
    const [a, b] = [at(piece, first), at(piece, then)]
    expect([first.source, a >= 0, then.source, b >= 0, a < b]).toEqual([
      first.source,
      true,
      then.source,
      true,
      true,
    ])
  }
  it('seals round the basin before the tap holes stand in the way, looks last', () => {
    const top = testTop()
    inTurn(top, /^Mark the plan .* mirror image/, /^Fix /)
    inTurn(top, /^Screw basin knockout/, /^Seal round basin knockout now: tap hole/)
    inTurn(top, /^Seal round basin knockout now/, /^Screw tap hole 1 knockout/)
    inTurn(top, /^Screw tap hole 2 knockout/, /^Run and tool the sealant/)
    expect(order(top).at(-1)!.code).toBe('check-plan')
    const apart = testTop({
      openings: [
        { ...top.openings[0]!, v: { rule: 'fromStart', distance: 60 } },
        { ...top.openings[1]!, v: { rule: 'beyond', opening: 'basin', gap: 75 } },
      ],
    })
    expect(at(apart, /^Seal round/)).toBe(-1)
  })
  it('follows the attitude, the school of wax and the braces', () => {
    const face = (piece: Piece) => says(order(piece)).find((text) => text.startsWith('Mark the plan'))!
    expect(face(testTop({ attitude: { down: 'bottom', turnDeg: 0 } }))).toMatch(/as it will stand/)
    for (const bead of ['bead-first', 'wax-first'] as const)
      expect(
        at(chosen(testTop(), { bead }), bead === 'wax-first' ? /peels off the wax/ : /before any wax/),
      ).toBeGreaterThan(0)
    expect(
      at(chosen(testSlab({ thickness: 280 }), { braceSpacing: 300 }), /^Brace the tops/),
    ).toBeGreaterThan(0)
  })
  it('fixes strips so that the last on is the first off', () => {
    for (const corners of ['front-and-back-long', 'ends-long'] as const) {
      const { station } = plan(chosen(testTop(), { corners }))
      const placed = station!.operations.filter((op) => op.code === 'fix-side').flatMap(partIdsOf)
      const leaves = placed.map((id) => station!.parts.find((p) => p.id === id)!.leaves)
      expect(leaves.length).toBe(4)
      expect(leaves).toEqual([...leaves].sort((a, b) => b - a))
    }
  })
  it('adds up work and waits, and names only parts that are there', () => {
    for (const piece of [testTop(), drum(300, { bore: 50 }), chosen(testTop(), { method: 'block' })]) {
      const { station } = plan(piece)
      const steps = station!.operations
      const { readyMinutes } = station!.figures
      const work = steps.reduce((sum, s) => sum + s.work.workMinutes, 0)
      const waits = steps.reduce((sum, s) => sum + s.work.waitMinutes, 0)
      // Waits may run while something else is done.
      expect(readyMinutes).toBeGreaterThanOrEqual(work - 1e-9)
      expect(readyMinutes).toBeLessThanOrEqual(work + waits + 1e-9)
      const ids = new Set(station!.parts.map((p) => p.id))
      for (const s of steps) {
        expect(partIdsOf(s).filter((id) => !ids.has(id))).toEqual([])
        expect(says([s])[0]).not.toMatch(/undefined|NaN|null/)
      }
    }
    // A rubber needs a day to cure; that of its pattern's seal is told with the seal.
    expect(plan(chosen(testTop(), { method: 'block' })).station!.figures.readyMinutes).toBeGreaterThan(
      24 * 60,
    )
  })
})
