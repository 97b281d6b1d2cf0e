import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { insetPath, measureSolid, movedBy, openKernel, type SolidRecipe } from '../../geometry/index.ts'
import {
  type BoxChoice,
  boxChoiceOf,
  type MouldPatch,
  newOpening,
  type Opening,
  plainSide,
  type Side,
  type SlabPiece,
  withChoice,
} from '../../job/index.ts'
import { planPieceStation, pouredPlacement } from '../../piece/index.ts'
import { itemName } from '../../testing/says.ts'
import { BEAD, testSlab, testStock } from '../../testing/testPiece.ts'
import { planMouldStation, whyNoMould } from '../index.ts'
import type { MouldPart } from '../types.ts'
import { asBoxed } from './boxedSlab.ts'
import { boxInside, boxPath } from './boxInside.ts'
import { leaningStrips } from './leaning.ts'

const kernel = await openKernel({ coarser: 4 })
const volume = (recipe: SolidRecipe) => kernel.withSolids((s) => measureSolid(s.solid(recipe).body).volume)
const both = (a: SolidRecipe, b: SolidRecipe) => volume({ kind: 'intersection', of: [a, b] })
const plan = (piece: SlabPiece) => {
  const pieceStation = planPieceStation(kernel, piece, 2300, false)
  return {
    pieceStation,
    ...planMouldStation(piece, pieceStation, testStock, testStock.mixes[0]!, { kernel, quick: false }),
  }
}
const sides = (over: Partial<Record<string, Partial<Side>>>, names = ['front', 'right', 'back', 'left']) =>
  Object.fromEntries(names.map((id) => [id, { ...plainSide(), ...over[id] }]))
const mould = (patch: MouldPatch) => ({ mould: withChoice(testSlab().mould, patch) })
const bottom = { attitude: { down: 'bottom', turnDeg: 0 } } as const
const apron = { drop: 60, thickness: 30 }
const RAD = Math.PI / 180
const INSIDE: readonly MouldPart['role'][] = [
  'former',
  'knockout',
  'wrap',
  'corner',
  'liner',
  'sealant',
  'chamfer',
]

/** Cast and parts fill the box; its strips close it all round, and nothing stands in another's place. */
function expectClosed(piece: SlabPiece) {
  const { station, pieceStation, findings } = plan(piece)
  expect(findings.filter((f) => f.level === 'stop').map((f) => [f.code, f.facts])).toEqual([])
  const { geometry } = pieceStation
  const boxed = asBoxed(piece)!
  const { full, high, low } = boxed.poured
  const cast: SolidRecipe = {
    kind: 'moved',
    solid: geometry.recipe!,
    by: pouredPlacement(piece.attitude, geometry),
  }
  const within = (from: number, to: number): SolidRecipe => {
    const bare = {
      ...boxed,
      sides: Object.fromEntries(Object.entries(boxed.sides).map(([k, s]) => [k, { ...s, liner: 0 }])),
    }
    const inside = boxInside(bare, geometry, from, to, 'all')
    return inside.kind === 'loft'
      ? { ...inside, outline: inside.outline.map((s) => ({ ...s, radius: 0 })) }
      : inside
  }
  const parts = station!.parts
  const inner = parts.filter((p) => INSIDE.includes(p.role) && !p.id.endsWith('/disc'))
  const filled = inner.map((p) => volume(p.recipe))
  // Above the strike-off line only aprons, what is behind them and the ends of liners stand.
  const top = full > high ? [cast, ...inner.map((p) => p.recipe)].map((r) => both(r, within(high, full))) : []
  const below = filled.reduce((a, b) => a + b, volume(cast)) - top.reduce((a, b) => a + b, 0)
  expect(below / volume(within(0, high))).toBeCloseTo(1, 3)
  const strips = parts.filter((p) => p.role === 'strip')
  for (const [i, a] of strips.entries()) {
    expect(both(a.recipe, cast)).toBeLessThan(1)
    for (const b of [...strips.slice(i + 1), ...inner]) expect(both(a.recipe, b.recipe)).toBeLessThan(2)
  }
  // A hair outside the cast there is board everywhere, from the base to strike-off.
  const inside = within(0, high)
  if (inside.kind === 'loft') {
    const hair: SolidRecipe = {
      ...inside,
      outline: inside.outline.map((s) => ({
        ...s,
        profile: s.profile.map((step) => ({ ...step, inset: step.inset - 0.5 })),
      })),
    }
    const around = volume(hair) - volume(inside)
    const covered = strips.reduce(
      (sum, s) => sum + both(s.recipe, { kind: 'difference', from: hair, minus: [inside] }),
      0,
    )
    expect(covered / around).toBeGreaterThan(0.97)
    expect(covered / around).toBeLessThan(1.001)
  }
  expect(low).toBeGreaterThanOrEqual(0)
  // Every board weighs what its solid does.
  for (const p of station!.figures.parts.filter((q) => q.boardId !== null)) {
    const board = testStock.boards.find((b) => b.id === p.boardId)!
    const solid = parts.find((q) => q.id === p.id)!
    expect(p.weightKg / (volume(solid.recipe) * board.densityKgPerM3 * 1e-9)).toBeCloseTo(1, 3)
  }
  return station!
}

describe('sides that lean, are lined or have an apron', () => {
  it.each<[string, Partial<SlabPiece>]>([
    ['a front that leans in', { sides: sides({ front: { taper: 12 } }) }],
    [
      'all round, wrapped',
      {
        sides: sides({
          front: { taper: 10 },
          right: { taper: 10 },
          back: { taper: 10 },
          left: { taper: 10 },
        }),
      },
    ],
    [
      'all round, standing',
      {
        sides: sides({ front: { taper: -10 }, right: { taper: 6 }, back: { taper: 10 } }),
        ...mould({ school: 'stand' }),
      },
    ],
    [
      'mitred, face up',
      {
        sides: sides({ front: { taper: 9 }, left: { taper: -7 } }),
        ...mould({ school: 'mitre' }),
        ...bottom,
      },
    ],
    ['a seam stays square', { sides: sides({ front: { taper: 9, seam: true } }) }],
    ['a lined front', { sides: sides({ front: { liner: 8 } }) }],
    [
      'two lined sides that meet, one leaning',
      { sides: sides({ front: { liner: 8, taper: 6 }, right: { liner: 5 } }) },
    ],
    ['an apron, top down', { sides: sides({ front: { apron } }) }],
    ['an apron, underside down', { sides: sides({ front: { apron } }), ...bottom }],
    ['aprons that meet', { sides: sides({ front: { apron }, right: { apron } }) }],
    [
      'aprons of two depths, top down',
      { sides: sides({ front: { apron }, right: { apron: { drop: 25, thickness: 20 } } }) },
    ],
    [
      'aprons of three depths round two corners',
      {
        sides: sides({
          front: { apron },
          right: { apron: { drop: 85, thickness: 45 } },
          back: { apron: { drop: 25, thickness: 60 } },
        }),
      },
    ],
    [
      'aprons of two depths',
      { sides: sides({ front: { apron }, right: { apron: { drop: 25, thickness: 20 } } }), ...bottom },
    ],
    [
      'an apron with beads',
      { sides: sides({ front: { apron, bottom: BEAD }, back: { bottom: BEAD } }), ...bottom },
    ],
    [
      'rounded corners that lean',
      {
        outline: { kind: 'rectangle', length: 600, width: 400, radii: [40, 0, 25, 0] },
        sides: sides({ front: { taper: 8 }, back: { taper: 5 } }),
      },
    ],
    [
      'an L that leans at its inside corner',
      {
        outline: {
          kind: 'polygon',
          corners: [
            [0, 0],
            [700, 0],
            [700, 250],
            [350, 250],
            [350, 500],
            [0, 500],
          ].map(([x, y], i) => ({ x: x!, y: y!, radius: 0, side: `s${i}`, run: { kind: 'line' as const } })),
        },
        sides: sides({ s0: { taper: 8 }, s2: { taper: 8 }, s3: { taper: 8 } }, [
          's0',
          's1',
          's2',
          's3',
          's4',
          's5',
        ]),
      },
    ],
  ])('stand round the cast without gap or overlap: %s', (_, over) => {
    expectClosed(testSlab(over))
  })

  it('any four-sided plan with any leans, in all three schools', () => {
    const lean = fc.integer({ min: -14, max: 14 })
    fc.assert(
      fc.property(
        fc.tuple(lean, lean, lean, lean),
        fc.integer({ min: -80, max: 120 }),
        fc.constantFrom('wrap', 'stand', 'mitre'),
        fc.constantFrom('top', 'bottom'),
        fc.constantFrom('melamine-12', 'melamine-18'),
        (tapers, skew, school, down, other) => {
          const points = [
            [0, 0],
            [600, Math.min(skew, 0)],
            [600 + skew, 400],
            [40, 430],
          ] as const
          const names = ['s0', 's1', 's2', 's3']
          expectClosed(
            testSlab({
              outline: {
                kind: 'polygon',
                corners: points.map(([x, y], i) => ({
                  x,
                  y,
                  radius: 0,
                  side: `s${i}`,
                  run: { kind: 'line' },
                })),
              },
              sides: sides(Object.fromEntries(names.map((n, i) => [n, { taper: tapers[i]! }])), names),
              attitude: { down, turnDeg: 0 },
              ...mould({ school, sideBoards: { s1: other } }),
            }),
          )
        },
      ),
      { numRuns: 15 },
    )
  }, 60_000)

  // A box of n equal sides that lean s off upright, mitred: tan(mitre) = sin s tan(180/n), sin(tilt) = cos s sin(180/n).
  it.each([
    [4, 10],
    [4, -25],
    [6, 15],
    [8, 40],
    [5, 0],
  ])('are sawn at the compound angles of a mitred box: %d sides leaning %d degrees', (n, s) => {
    const corners = Array.from({ length: n }, (_, i) => ({
      x: 400 * Math.cos((2 * Math.PI * i) / n),
      y: 400 * Math.sin((2 * Math.PI * i) / n),
      radius: 0,
      side: `s${i}`,
      run: { kind: 'line' } as const,
    }))
    const rad = (deg: number) => (deg * Math.PI) / 180
    const deg = (r: number) => (r * 180) / Math.PI
    const strips = leaningStrips(
      corners,
      () => 18,
      { ...boxChoiceOf(testSlab().mould), school: 'mitre' },
      () => ({ at: 0, slope: Math.tan(rad(s)) }),
      () => [0, 100],
    )
    for (const strip of strips.values()) {
      expect(strip.edgeDeg).toBeCloseTo(s, 6)
      expect(strip.end.tiltDeg).toBeCloseTo(deg(Math.asin(Math.cos(rad(s)) * Math.sin(Math.PI / n))), 6)
      // Leaning in, the upper edge is the shorter one.
      expect(strip.end.mitreDeg).toBeCloseTo(-deg(Math.atan(Math.sin(rad(s)) * Math.tan(Math.PI / n))), 6)
      expect([strip.start.tiltDeg, strip.start.mitreDeg]).toEqual([
        expect.closeTo(strip.end.tiltDeg, 6),
        expect.closeTo(strip.end.mitreDeg, 6),
      ])
      expect(strip.width).toBeCloseTo(100 / Math.cos(rad(s)) + 18 * Math.abs(Math.tan(rad(s))), 6)
    }
  })

  it('a path is set in by each side on its own', () => {
    const square = boxPath(asBoxed(testSlab())!, { length: 900 })
    const moved = insetPath(square, (side) => (side === 'front' ? 10 : side === 'right' ? 3 : 0))
    expect(moved.map((c) => [c.x, c.y])).toEqual(
      expect.arrayContaining(
        [
          [3, 10],
          [900, 10],
          [900, 500],
          [3, 500],
        ].map((p) => p.map((v) => expect.closeTo(v, 9))),
      ),
    )
  })

  it.each<[string, Partial<SlabPiece>, RegExp]>([
    [
      'a leaning side beside an apron',
      { sides: sides({ front: { apron }, right: { taper: 4 } }) },
      /leans beside an apron/,
    ],
    [
      'a bent corner beside a leaning side',
      {
        outline: { kind: 'rectangle', length: 600, width: 400, radii: [40, 0, 0, 0] },
        sides: sides({ front: { taper: 4 } }),
        ...mould({ rounds: 'bent' }),
      },
      /choose blocks/,
    ],
  ])('what it does not form is said: %s', (_, over, why) => expect(whyNoMould(testSlab(over))).toMatch(why))
})

describe('knockouts', () => {
  const opening = (
    over: Partial<Opening>,
    shape: Opening['shape'] = { kind: 'rectangle', length: 200, width: 120, radius: 20 },
  ) => ({
    openings: [{ ...newOpening('hole', 'hole', shape), ...over }],
  })
  const round = (diameter: number): Opening['shape'] => ({ kind: 'round', diameter })
  const kind = (k: BoxChoice['knockoutKinds'][string], more: MouldPatch = {}) =>
    mould({ knockoutKinds: { hole: k }, ...more })
  it.each<[string, Partial<Opening>, number, number]>([
    // Walls that lean in are widest where they are entered, those that lean out at the far end, 45 mm on.
    ['lean in, entered on the base', { draftDeg: 4 }, 200, -1],
    ['lean out, entered on the base', { draftDeg: -4 }, 200 + 2 * 45 * Math.tan(4 * RAD), 1],
    ['lean in, entered above', { draftDeg: 4, on: 'bottom' }, 200, 1],
    ['lean out, entered above', { draftDeg: -4, on: 'bottom' }, 200 + 2 * 45 * Math.tan(4 * RAD), -1],
    ['upright', {}, 200, 1],
  ])('are cut to their wide end and leave by it: %s', (_, over, length, up) => {
    const { station } = plan(testSlab(opening(over)))
    const part = station!.parts.find((p) => p.id === 'knockout/hole')!
    expect([part.lengthMm, part.pull[2]]).toEqual([expect.closeTo(length, 6), up])
    // As large as listed.
    const { min, max } = kernel.withSolids((k) => measureSolid(k.solid(part.recipe).body))
    expect(max[0]! - min[0]!).toBeCloseTo(part.lengthMm, 2)
  })
  it.each<[string, Partial<SlabPiece>, string[]]>([
    ['draft, wide at the base', { ...opening({ draftDeg: 4 }) }, ['knockout/hole']],
    [
      'draft, wide above',
      { ...opening({ draftDeg: 4, on: 'bottom' }), ...mould({ wrap: 2 }) },
      ['knockout/hole', 'wrap/hole'],
    ],
    ['the size given is the small end', { ...opening({ draftDeg: -4 }) }, ['knockout/hole']],
    [
      'the small end at the base, with a wrap',
      { ...opening({ draftDeg: -5, on: 'bottom', turnDeg: 12 }), ...mould({ wrap: 2 }) },
      ['knockout/hole', 'wrap/hole'],
    ],
    [
      'two halves that widen',
      { ...opening({ draftDeg: -3 }), ...kind('split') },
      ['knockout/hole/wedge', 'knockout/hole/first', 'knockout/hole/second'],
    ],
    ['draft, face up', { ...opening({ draftDeg: 6 }, round(80)), ...bottom }, ['knockout/hole']],
    [
      'a turned one with a wrap',
      { ...opening({ turnDeg: 30 }), ...mould({ wrap: 3 }) },
      ['knockout/hole', 'wrap/hole'],
    ],
    ['foam', { ...opening({}), ...kind('foam') }, ['knockout/hole']],
    [
      'two halves and a wedge',
      { ...opening({}), ...kind('split') },
      ['knockout/hole/wedge', 'knockout/hole/first', 'knockout/hole/second'],
    ],
    [
      'two halves with draft, turned',
      { ...opening({ draftDeg: 3, turnDeg: 20 }), ...kind('split', { wrap: 1 }) },
      ['knockout/hole/wedge', 'knockout/hole/first', 'knockout/hole/second', 'wrap/hole'],
    ],
    [
      'above an apron’s floor',
      { ...opening({}), sides: sides({ front: { apron } }), ...bottom },
      ['knockout/hole'],
    ],
  ])('fill their opening: %s', (_, over, ids) => {
    const station = expectClosed(testSlab(over))
    expect(station.parts.filter((p) => ['knockout', 'wrap'].includes(p.role)).map((p) => p.id)).toEqual(ids)
    const wedge = station.parts.find((p) => p.id.endsWith('/wedge'))
    const halves = station.parts.filter((p) => p.id.endsWith('/first') || p.id.endsWith('/second'))
    // The wedge is wider the way it leaves, so that it is never held between the halves.
    if (wedge) for (const h of halves) expect(both(moved(wedge.recipe, wedge.pull), h.recipe)).toBeLessThan(1)
  })
  it('a tube of stock, its wrap making up the size; one that comes nowhere near is boards again, and told', () => {
    const tube = testStock.tubes.find((t) => t.id === 'tube-150')!
    const outside = tube.inside + 2 * tube.wall
    const { station, findings } = plan(testSlab({ ...opening({}, round(outside + 6)), ...kind('tube') }))
    expect(station!.parts.filter((p) => p.role === 'knockout').map((p) => p.id)).toEqual([
      'knockout/hole',
      'knockout/hole/disc',
    ])
    expect(volume(station!.parts.find((p) => p.role === 'wrap')!.recipe)).toBeCloseTo(
      (Math.PI / 4) * ((outside + 6) ** 2 - outside ** 2) * 45,
      -4,
    )
    expect(station!.figures.materials.map((m) => [itemName(m), m.amount])).toEqual([[tube.name, 0.045]])
    // It floats by all it keeps out.
    expect(station!.figures.holdDown[0]!.holdForceN).toBeGreaterThan(
      0.5 * 9.8 * 2300 * (Math.PI / 4) * outside ** 2 * 45e-9,
    )
    expect(findings.map((f) => f.code)).not.toContain('no-tube-knockout')
    const none = plan(testSlab({ ...opening({}, round(31)), ...kind('tube') }))
    expect(none.findings.map((f) => f.code)).toContain('no-tube-knockout')
    const square = plan(testSlab({ ...opening({}), ...kind('tube') }))
    expect(square.findings.map((f) => f.code)).toContain('no-tube-knockout')
  })
  it('a split one is taped round once, and weighs as much as whole', () => {
    const weigh = (k: BoxChoice['knockoutKinds'][string]) => {
      const { figures } = plan(testSlab({ ...opening({}), ...kind(k) })).station!
      const own = figures.parts.filter((p) => p.role === 'knockout')
      return [figures.tapeLengthMm, own.reduce((sum, p) => sum + p.weightKg, 0)] as const
    }
    const [whole, halves] = [weigh('laminate'), weigh('split')]
    expect(halves[0]).toBeCloseTo(whole[0], 6)
    expect(halves[1] / whole[1]).toBeCloseTo(1, 3)
  })
  it('foam and tube are bought for every cast, a plug once', () => {
    const tube = testStock.tubes.find((t) => t.id === 'tube-150')!
    const cost = (k: BoxChoice['knockoutKinds'][string], plannedCasts: number) => {
      const [across, draftDeg] = k === 'bought' ? [110, 2] : [tube.inside + 2 * tube.wall + 4, 0]
      const piece = testSlab({ ...opening({ draftDeg }, round(across)), ...kind(k), plannedCasts })
      return plan(piece).station!.figures.materials[0]!.cost!
    }
    for (const k of ['foam', 'tube'] as const) expect(cost(k, 4) / cost(k, 1)).toBeCloseTo(4, 6)
    expect(cost('bought', 4)).toBe(cost('bought', 1))
  })
  it('a tall one of many boards is offered in a tube that fits, else in foam', () => {
    const tall = (diameter: number) =>
      plan(testSlab({ ...opening({}, round(diameter)), thickness: 400 })).findings.find(
        (f) => f.code === 'knockout-many-layers',
      )
    const tube = testStock.tubes[0]!
    expect(tall(tube.inside + 2 * tube.wall + 4)!.remedies[0]!.changes[0]).toMatchObject({
      patch: { knockoutKinds: { hole: 'tube' } },
    })
    expect(tall(31)!.remedies[0]!.changes[0]).toMatchObject({ patch: { knockoutKinds: { hole: 'foam' } } })
    expect(plan(testSlab(opening({}, round(60)))).findings.map((f) => f.code)).not.toContain(
      'knockout-many-layers',
    )
  })
  it('a bought plug where one is the size, at its own price; else the opening is made as the nearest', () => {
    const plug = testStock.plugs.find((p) => p.id === 'plug-round-110')!
    const as = (diameter: number, draftDeg: number, k: 'bought' | 'laminate') =>
      plan(testSlab({ ...opening({ draftDeg }, round(diameter)), ...kind(k) }))
    const fits = as(110.3, plug.draftDeg, 'bought')
    expect(fits.station!.figures.materials.map((m) => [itemName(m), m.cost])).toEqual([
      [plug.name, plug.price],
    ])
    expect(fits.station!.figures.cutList.some((r) => r.role === 'knockout')).toBe(false)
    expect(fits.findings.map((f) => f.code)).not.toContain('no-bought-knockout')
    const offered = as(110, plug.draftDeg, 'laminate').findings.find((f) => f.code === 'buying-beats-making')!
    expect(offered.remedies[0]!.changes[0]).toMatchObject({ patch: { knockoutKinds: { hole: 'bought' } } })
    expect(as(110, 0, 'laminate').findings.map((f) => f.code)).not.toContain('buying-beats-making')
    const other = as(100, 0, 'bought')
    const told = other.findings.find((f) => f.code === 'no-bought-knockout')!
    expect(told.facts.nearest).toBe(plug.name)
    expect(told.remedies[0]!.changes[0]).toMatchObject({
      patch: { draftDeg: 2, shape: { kind: 'round', diameter: 110 } },
    })
    expect(other.station!.figures.cutList.some((r) => r.role === 'knockout')).toBe(true)
  })
})

const moved = (solid: SolidRecipe, [x, y, z]: readonly [number, number, number]): SolidRecipe => ({
  kind: 'moved',
  solid,
  by: movedBy([x * 20, y * 20, z * 20]),
})
