import { describe, expect, it } from 'vitest'
import { arcByRise, measureSolid, openKernel, type SolidRecipe } from '../../geometry/index.ts'
import { type CornerOfPath, plainSide, type Side, type SlabPiece } from '../../job/index.ts'
import { planPieceStation, pouredLoop, pouredPlacement } from '../../piece/index.ts'
import { BEAD, testSlab, testStock } from '../../testing/testPiece.ts'
import { prism } from '../bareParts.ts'
import { planMouldStation, whyNoMould } from '../index.ts'

const kernel = await openKernel()
const volume = (recipe: SolidRecipe) => kernel.withSolids((s) => measureSolid(s.solid(recipe).body).volume)
const both = (a: SolidRecipe, b: SolidRecipe) =>
  Math.min(volume({ kind: 'intersection', of: [a, b] }), volume({ kind: 'intersection', of: [b, a] }))

type At = readonly [x: number, y: number, rise?: number]
/** A plan whose side from each corner is straight, or an arc that rises outward. */
const plan = (corners: readonly At[], liners: readonly number[], over: Partial<Side> = {}): SlabPiece => {
  const path = corners.map(
    ([x, y, rise], i): CornerOfPath => ({
      x,
      y,
      radius: 0,
      side: `s${i}`,
      run: rise ? { kind: 'arc', rise } : { kind: 'line' },
    }),
  )
  return testSlab({
    outline: { kind: 'polygon', corners: path },
    sides: Object.fromEntries(path.map((c, i) => [c.side, { ...plainSide(over), liner: liners[i] ?? 0 }])),
  })
}
const bowed: readonly At[] = [
  [0, 0, 60],
  [600, 0],
  [600, 400],
  [0, 400],
]
const disc: readonly At[] = [
  [0, 200, 200],
  [400, 200, 200],
]
const lens: readonly At[] = [
  [0, 0, 90],
  [500, 0, 140],
]

describe('liners on curved sides', () => {
  it.each<[string, SlabPiece]>([
    ['a bowed front', plan(bowed, [8])],
    ['a bowed front and its straight neighbour', plan(bowed, [8, 5])],
    ['the straight sides beside a bare bow', plan(bowed, [0, 6, 0, 6])],
    ['all round', plan(bowed, [8, 8, 8, 8])],
    ['a disc', plan(disc, [10, 10])],
    ['half a disc', plan(disc, [10, 0])],
    ['a lens with sharp ends', plan(lens, [6, 6])],
    [
      'hollow, the bow inward',
      plan(
        [
          [0, 0],
          [600, 0],
          [600, 400, -50],
          [0, 400],
        ],
        [0, 0, 7],
      ),
    ],
    ['with beads', plan(bowed, [8, 5], { top: BEAD })],
    ['face up', { ...plan(bowed, [8, 5]), attitude: { down: 'bottom', turnDeg: 0 } }],
  ])('fill the box with the cast, and stand in nothing: %s', (_, piece) => {
    const pieceStation = planPieceStation(kernel, piece, 2300, false)
    const { geometry } = pieceStation
    const { station, findings } = planMouldStation(piece, pieceStation, testStock, testStock.mixes[0]!, {
      kernel,
    })
    expect(findings.filter((f) => f.level === 'stop')).toEqual([])
    const cast: SolidRecipe = {
      kind: 'moved',
      solid: geometry.recipe!,
      by: pouredPlacement(piece.attitude, geometry),
    }
    const { parts } = station!
    const liners = parts.filter((p) => p.role === 'liner')
    const wanted = Object.entries(piece.sides).filter(([, s]) => s.liner > 0)
    expect(liners.map((p) => p.id).sort()).toEqual(wanted.map(([id]) => `liner/${id}`).sort())
    const inner = parts.filter((p) => ['liner', 'sealant', 'chamfer'].includes(p.role))
    const box = prism(pouredLoop(geometry.outline, piece.attitude, geometry), 0, piece.thickness, 'box')
    const filled = inner.reduce((sum, p) => sum + volume(p.recipe), volume(cast))
    expect(filled / volume(box)).toBeCloseTo(1, 3)
    for (const [i, a] of parts.entries()) {
      expect([a.id, both(a.recipe, cast) < 0.002 * volume(a.recipe) + 5]).toEqual([a.id, true])
      for (const b of parts.slice(i + 1))
        if (a.role === 'liner' || b.role === 'liner')
          expect([a.id, b.id, both(a.recipe, b.recipe) < 5 + 1e-3 * volume(a.recipe)]).toEqual([
            a.id,
            b.id,
            true,
          ])
    }
    for (const p of liners) {
      const solid = volume(p.recipe)
      expect(p.lengthMm * p.widthMm * p.thicknessMm).toBeGreaterThan(0.97 * solid)
      const told = station!.figures.parts.find((q) => q.id === p.id)!
      expect(told.weightKg / (solid * 1100e-9)).toBeCloseTo(1, 1)
    }
  })

  it('is as long as the middle of its thickness: r - t/2 along a bow of its own ends', () => {
    const piece = plan(disc, [10, 10])
    const { station } = planMouldStation(
      piece,
      planPieceStation(kernel, piece, 2300, false),
      testStock,
      testStock.mixes[0]!,
      { kernel },
    )
    const { radius, sweepRad } = arcByRise([0, 200], [400, 200], 200)!
    for (const p of station!.parts.filter((q) => q.role === 'liner'))
      expect(p.lengthMm / ((radius - 5) * Math.abs(sweepRad))).toBeCloseTo(1, 3)
  })

  it.each<[string, SlabPiece, RegExp]>([
    ['a bow that leans', plan(bowed, [], { taper: 4 }), /its curved \w+ side leans/],
    ['a bow with an apron', plan(bowed, [], { apron: { drop: 40, thickness: 30 } }), /has an apron/],
  ])('what it does not form is said: %s', (_, piece, why) => expect(whyNoMould(piece)).toMatch(why))
})
