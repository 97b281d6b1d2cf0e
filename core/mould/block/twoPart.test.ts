import { describe, expect, it } from 'vitest'
import { measureSolid, movedBy, openKernel, type SolidRecipe } from '../../geometry/index.ts'
import type { MouldChoice, Piece } from '../../job/index.ts'
import { type MouldPatch, newTurned, withChoice } from '../../job/index.ts'
import { planPieceStation, pouredPlacement, pouredSize } from '../../piece/index.ts'
import { says } from '../../testing/says.ts'
import { testSlab, testStock } from '../../testing/testPiece.ts'
import { planMouldStation } from '../index.ts'
import { undercutOf } from '../shells/undercut.ts'
import { undercutShare } from './rubber.ts'

const kernel = await openKernel({ coarser: 4 })
const volume = (recipe: SolidRecipe) => kernel.withSolids((s) => measureSolid(s.solid(recipe).body).volume)
const told = { id: 'p', name: 'P', start: '2026-05-30T09:00', zone: 'UTC' }
const turned = (over: Parameters<typeof newTurned>[2]): Piece => newTurned(told, testStock, over)
const plan = (piece: Piece, patch: MouldPatch = {}, quick = false, stock = testStock) => {
  const chosen = { ...piece, mould: withChoice(piece.mould, { method: 'block' as const, ...patch }) }
  const pieceStation = planPieceStation(kernel, chosen, 2300, false)
  return {
    pieceStation,
    ...planMouldStation(chosen, pieceStation, stock, testStock.mixes[0]!, { kernel, quick }),
  }
}
const ball = turned({ turned: { form: 'sphere', diameter: 120, foot: 30 } })
const bowl = turned({ turned: { form: 'bowl', outside: 160, height: 80, wall: 12, exponent: 2, foot: 40 } })

describe('a block in two halves', () => {
  it.each<[string, Piece]>([
    ['a ball on a foot', ball],
    ['a bowl', bowl],
    [
      'a slab',
      testSlab({ thickness: 20, outline: { kind: 'rectangle', length: 90, width: 60, radii: [0, 0, 0, 0] } }),
    ],
  ])('with the cast and its bores fills the box: %s', (_, piece) => {
    const { station, pieceStation, findings } = plan(piece, { rubberParts: 2, rubberWall: 15 })
    expect(findings.filter((f) => f.level === 'stop')).toEqual([])
    const [lower, upper] = ['lower', 'upper'].map(
      (id) => station!.parts.find((p) => p.id === `rubber/${id}`)!,
    )
    const [l, w, h] = pouredSize(piece.attitude, pieceStation.geometry)
    const cast: SolidRecipe = {
      kind: 'moved',
      solid: pieceStation.geometry.recipe!,
      by: pouredPlacement(piece.attitude, pieceStation.geometry),
    }
    const block = (l + 30) * (w + 30) * (h + 30)
    const filled = volume(lower!.recipe) + volume(upper!.recipe) + volume(cast)
    // Only the filling hole and the air holes are left.
    const hole = station!.figures.facts.find((f) => f.code === 'filling-hole')!.value
    const bores = (Math.PI / 4) * hole ** 2 * (15 + h) + 40 * (h + 15)
    expect(block - filled).toBeGreaterThan((Math.PI / 4) * hole ** 2 * 10)
    expect(block - filled).toBeLessThan(bores)
    for (const half of [lower!, upper!])
      expect(volume({ kind: 'intersection', of: [half.recipe, cast] })).toBeLessThan(1)
    expect(volume({ kind: 'intersection', of: [lower!.recipe, upper!.recipe] })).toBeLessThan(1)
    // Keys stand proud of one half and are sunk in the other: drawn up a little, the halves are free of one another.
    const up: SolidRecipe = {
      kind: 'moved',
      solid: upper!.recipe,
      by: movedBy([0, 0, 2]),
    }
    expect(volume({ kind: 'intersection', of: [lower!.recipe, up] })).toBeLessThan(1)
    const aside: SolidRecipe = {
      kind: 'moved',
      solid: upper!.recipe,
      by: movedBy([2, 0, 0]),
    }
    expect(volume({ kind: 'intersection', of: [lower!.recipe, aside] })).toBeGreaterThan(5)
    const text = says(station!.operations).join(' ')
    expect(text).toMatch(/clay up to|clay smooth/)
    expect(plan(piece, { rubberParts: 2 }, true).station!.parts.length).toBe(station!.parts.length)
  })
  it('a block in one that must open too far says so, and two halves cure it', () => {
    const one = plan(ball)
    const found = one.findings.find((f) => f.code === 'rubber-must-stretch')!
    expect(Number(found.facts.percent)).toBeGreaterThan(100)
    expect(found.remedies.at(-1)!.changes[0]).toMatchObject({ patch: { rubberParts: 2 } })
    expect(plan(ball, { rubberParts: 2 }).findings.map((f) => f.code)).not.toContain('rubber-must-stretch')
    const flat = testSlab({
      thickness: 20,
      outline: { kind: 'rectangle', length: 90, width: 60, radii: [0, 0, 0, 0] },
    })
    expect(plan(flat).findings.map((f) => f.code)).not.toContain('rubber-must-stretch')
  })
  it.each<[number, number]>([
    [60, 0.2],
    [80, 0.2],
    [35, 0.6],
    [10, 1],
    [0, 1],
  ])('rubber of Shore A %d takes an undercut of %d of its wall', (shore, share) => {
    expect(undercutShare(shore)).toBeCloseTo(share, 9)
  })
  // A cone on its foot, r 40 at z 0 to 30 at z 60, draws from a joint at its foot; a waist of 20 under a rim of 40 locks 20.
  it.each<[string, [number, number][], number, number]>([
    [
      'what draws both ways',
      [
        [0, 0],
        [40, 0],
        [50, 30],
        [40, 60],
        [0, 60],
      ],
      30,
      0,
    ],
    [
      'a waist below the joint',
      [
        [0, 0],
        [40, 0],
        [20, 20],
        [50, 40],
        [40, 60],
        [0, 60],
      ],
      40,
      20,
    ],
    [
      'a rim above it',
      [
        [0, 0],
        [50, 0],
        [20, 30],
        [45, 60],
        [0, 60],
      ],
      0.1,
      25,
    ],
  ])('of %s the sections tell how far it locks', (_, profile, parting, mm) => {
    const steps = 48
    const recipe: SolidRecipe = {
      kind: 'stack',
      levels: profile.slice(1, -1).map(([r, z]) => ({
        z,
        points: Array.from({ length: steps }, (_, i) => [
          60 + r * Math.cos((2 * Math.PI * i) / steps),
          60 + r * Math.sin((2 * Math.PI * i) / steps),
        ]),
      })),
      name: 'x',
      lowName: 'x',
      highName: 'x',
    }
    const body = { recipe, length: 120, width: 120, height: 60, relief: false, volume: 1, area: 1 }
    // Sixteen levels a half miss a little of the narrowest and the widest.
    const found = undercutOf(kernel, body, parting)
    expect(found).toBeLessThanOrEqual(mm + 1e-6)
    expect(found).toBeGreaterThanOrEqual(mm * 0.84)
  })
  it('halves with more undercut than hard rubber takes want a softer one; a thick cover, and its waste, are weighed out', () => {
    const corners = (
      [
        [0, 0],
        [40, 0],
        [22, 20],
        [50, 40],
        [40, 60],
        [0, 60],
      ] as const
    ).map(([x, y], i) => ({
      x,
      y,
      radius: 0,
      side: `s${i}`,
      run: { kind: 'line' as const },
    }))
    const waisted = turned({ turned: { form: 'profile', corners } })
    const hard = { ...testStock.rubbers[0]!, hardnessShoreA: 70, leastWall: 10 }
    const soft = { ...hard, id: 'soft', name: 'soft', hardnessShoreA: 5 }
    const job = (rubber: string) =>
      plan(waisted, { rubberParts: 2, rubber, rubberWall: 20 }, false, {
        ...testStock,
        rubbers: [hard, soft],
      })
    const found = job(hard.id).findings.find((f) => f.code === 'rubber-undercut')!
    expect(found.facts).toMatchObject({ shore: 70, softest: 'soft' })
    const undercut = Number(found.facts.undercutMm)
    expect(undercut).toBeGreaterThan(15)
    // A fifth of the wall and of what stands behind the undercut beside it.
    expect(found.facts.takesMm).toBeCloseTo(0.2 * (20 + undercut), 9)
    expect(job('soft').findings.map((f) => f.code)).not.toContain('rubber-undercut')
  })
  it('a cover of its own makes the block taller, and what is left in the pot more of it', () => {
    const tile = testSlab({
      thickness: 20,
      outline: { kind: 'rectangle', length: 90, width: 60, radii: [0, 0, 0, 0] },
    })
    const kg = (patch: MouldPatch) =>
      plan(tile, { rubberWall: 15, ...patch }).station!.figures.materials[0]!.amount
    const block = (wall: number, cover: number) =>
      (90 + 2 * wall) * (60 + 2 * wall) * (20 + cover) - 90 * 60 * 20
    expect(kg({ rubberOver: 25 }) / kg({})).toBeCloseTo(block(15, 25) / block(15, 15), 4)
    expect(kg({ rubberWaste: 20 }) / kg({})).toBeCloseTo(1.2 / 1.07, 6)
    const { station } = plan(tile, { rubberParts: 2, rubberWall: 15, rubberOver: 25 })
    const halves = station!.figures.parts.filter((p) => p.role === 'rubber')
    expect(halves.reduce((sum, p) => sum + p.thicknessMm, 0)).toBeCloseTo(20 + 50, 6)
  })
  it.each([
    ['a tile', 20, false],
    ['a thick one', 200, true],
  ])('a pour that outlasts the pot is told, by its kilograms: %s', (_, thickness, told) => {
    const piece = testSlab({
      thickness,
      outline: { kind: 'rectangle', length: 300, width: 300, radii: [0, 0, 0, 0] },
    })
    const { station, findings } = plan(piece, { rubberWall: 40 })
    const found = findings.find((f) => f.code === 'pot-life-short')
    expect(found !== undefined).toBe(told)
    const kg = station!.figures.materials[0]!.amount
    if (found) expect(found.facts.pourMinutes).toBe(Math.ceil(5 + 1.5 * kg))
  })
  it.each<[MouldChoice['holdBy'], RegExp]>([
    ['screws', /screws from below/],
    ['glue', /cm² of glue/],
    ['weight', /kg on a bridge/],
  ])('the pattern is held by %s, as much as its uplift asks', (holdBy, words) => {
    const { station } = plan(bowl, { holdBy })
    const [row] = station!.figures.holdDown
    expect(row!.by).toBe(holdBy)
    expect(row!.weightKg).toBeCloseTo(row!.holdForceN / 9.80665, 2)
    // 0.05 N/mm2 under it.
    expect(row!.glueMm2 * 0.05).toBeCloseTo(row!.holdForceN, 6)
    expect(says(station!.operations).join(' ')).toMatch(words)
    expect(station!.figures.hardware.some((h) => h.code === 'glue-under')).toBe(holdBy === 'glue')
  })
})
