import { beforeAll, describe, expect, it } from 'vitest'
import { heightAt, type Kernel, measureSolid, type SolidRecipe } from '../../geometry/index.ts'
import { type MouldPatch, newSwept, newTurned, type Piece, withChoice } from '../../job/index.ts'
import { planPieceStation } from '../../piece/index.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testStock } from '../../testing/testPiece.ts'
import type { CastBody } from '../castBody.ts'
import { planMouldStation } from '../index.ts'
import { partingSurface } from './partingSurface.ts'
import { undercutOf } from './undercut.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const told = { id: 'p', name: 'P', start: '2026-05-30T09:00', zone: 'UTC' }
/** An arch: a band 40 thick that rises by 60 over 400, 80 wide, lying as it stands. */
const arch = (): Piece => {
  const at = (x: number, y: number, n: number, rise = 0) => ({
    x,
    y,
    radius: 0,
    side: `s${n}`,
    run: rise === 0 ? { kind: 'line' as const } : { kind: 'arc' as const, rise },
  })
  return newSwept(told, testStock, {
    corners: [at(0, 0, 0), at(40, 0, 1, -60), at(360, 0, 2), at(400, 0, 3, 100)],
    width: 80,
    attitude: { down: 'bottom', turnDeg: 0 },
  })
}
const cone = (bottom: number, top: number, over = {}): Piece =>
  newTurned(told, testStock, {
    turned: { form: 'frustum', bottom, top, height: 100 },
    attitude: { down: 'bottom', turnDeg: 0 },
    ...over,
  })
const bodyOf = (piece: Piece): CastBody => {
  const { geometry } = planPieceStation(kernel, piece, 2300, false)
  const { min, max } = kernel.withSolids((s) => measureSolid(s.solid(geometry.recipe!).body))
  const recipe: SolidRecipe = {
    kind: 'moved',
    solid: geometry.recipe!,
    by: { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1], origin: [-min[0], -min[1], -min[2]] },
  }
  const [length, width, height] = [0, 1, 2].map((k) => max[k]! - min[k]!) as [number, number, number]
  return { recipe, length, width, height, relief: false, volume: 0, area: 0 }
}
const moulded = (piece: Piece, patch: MouldPatch) => {
  const own = {
    ...piece,
    mould: withChoice(piece.mould, { method: 'block', rubberParts: 2, ...patch }),
  } as Piece
  const station = planPieceStation(kernel, own, 2300, false)
  return planMouldStation(own, station, testStock, testStock.mixes[0]!, { kernel })
}

describe('a surface that parts a body where it is widest', () => {
  it('of a drum lies level where it is asked for, and goes on level beyond it', () => {
    const surface = partingSurface(kernel, bodyOf(cone(100, 100)), 30, -20)!.surface
    for (const place of [
      [50, 50],
      [90, 50],
      [300, -200],
    ] as const)
      expect(heightAt(surface, place)).toBeCloseTo(30, 3)
  })
  it('of a cone that narrows upward lies at its foot, wherever it was asked for', () => {
    const surface = partingSurface(kernel, bodyOf(cone(100, 60)), 50, -20)!.surface
    expect(heightAt(surface, [130, 50])).toBeLessThan(3)
    // Within it is as near the level as the body is there.
    expect(heightAt(surface, [50, 50])).toBeCloseTo(50, 3)
  })
  it('of an arch follows the band, within it all the way', () => {
    const body = bodyOf(arch())
    const surface = partingSurface(kernel, body, body.height / 2, -20)!.surface
    const [end, crown] = [heightAt(surface, [6, 40]), heightAt(surface, [200, 40])]
    expect(crown).toBeGreaterThan(end)
    // A level joint leaves rubber under the crown that no half draws; the curve leaves none.
    const level = undercutOf(kernel, body, 20)
    const curve = undercutOf(kernel, body, 20, partingSurface(kernel, body, 20, -20)!.surface)
    expect(level).toBeGreaterThan(20)
    expect(curve).toBeLessThan(level / 8)
  })
  it('a hole through a body is shut off level with its edge', () => {
    const { surface } = partingSurface(kernel, bodyOf(cone(100, 100, { bore: 30 })), 50, -20)!
    expect(heightAt(surface, [50, 50])).toBeCloseTo(50, 3)
  })
})

describe('a block in two halves parted along it', () => {
  it('both halves, the cast and the holes are the block: nothing over, nothing between', () => {
    const { station } = moulded(arch(), { rubberParting: 'curve' })
    const [lower, upper] = station!.parts.filter((p) => p.role === 'rubber')
    const shared = kernel.withSolids((s) =>
      s.keep(s.solid(lower!.recipe).body.intersect(s.solid(upper!.recipe).body)).volume(),
    )
    expect(shared).toBeLessThan(1)
    const level = moulded(arch(), { rubberParting: 'level' }).station!
    const all = (of: typeof station) =>
      kernel.withSolids((s) =>
        of!.parts
          .filter((p) => p.role === 'rubber')
          .reduce((sum, p) => sum + s.solid(p.recipe).body.volume(), 0),
      )
    expect(all(station) / all(level)).toBeCloseTo(1, 3)
    const facts = station!.figures.facts.filter((f) => f.code.startsWith('parting')).map((f) => f.value)
    expect(facts[1]!).toBeGreaterThan(facts[0]!)
  })
  it('the curve is offered where a level joint locks', () => {
    const hard = testStock.rubbers.reduce((a, b) => (a.hardnessShoreA > b.hardnessShoreA ? a : b)).id
    const level = moulded(arch(), { rubber: hard, rubberWall: 15 }).findings.find(
      (f) => f.code === 'rubber-undercut',
    )
    expect(level?.remedies.map((r) => r.code)).toContain('along-a-curve')
    const curve = moulded(arch(), { rubber: hard, rubberWall: 15, rubberParting: 'curve' })
    expect(curve.findings.map((f) => f.code)).not.toContain('rubber-undercut')
  })
})
