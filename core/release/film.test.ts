import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel, SolidRecipe, Vector } from '../geometry/index.ts'
import { pouredPlacement } from '../piece/index.ts'
import { anyPiece, seeded } from '../testing/anyPiece.ts'
import { rounds } from '../testing/rounds.ts'
import { METRIC } from '../testing/says.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testJob } from '../testing/testPiece.ts'
import { planPiece } from '../testing/wholeLine.ts'
import { isStripping, type Operation, tell } from '../work/index.ts'
import { filmSteps, frameAt } from './film.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})

const op = (id: string, turned: boolean): Operation => ({ id, attitude: { turned } }) as unknown as Operation
const move = (partId: string, operationId: string, by: Vector, rigid = true) => ({
  partId,
  operationId,
  rigid,
  rightMm: by[0],
  backMm: by[1],
  upMm: by[2],
})

describe('frames of a film', () => {
  const steps = filmSteps(
    [[op('a', false), op('b', false)], [op('turn', true)], [op('base', true)]],
    [move('left', 'a', [-50, 0, 0]), move('skin', 'b', [0, 40, 0], false), move('base', 'base', [0, 0, -20])],
    1000,
  )
  it.each<[number, Record<string, Vector>, string[], number]>([
    // moment, what has come how far, what is off, how far turned
    [0, { left: [0, 0, 0], skin: [0, 0, 0] }, [], 0],
    [0.5, { left: [-55, 0, 0], skin: [0, 50, 0] }, ['bead'], 0],
    [1, {}, ['left', 'skin', 'bead'], 0],
    [1.5, {}, ['left', 'skin', 'bead'], 0.5],
    [2, { base: [0, 0, 0] }, ['left', 'skin', 'bead'], 1],
    [3, { base: [0, 0, -80] }, ['left', 'skin', 'bead'], 1],
    [9, { base: [0, 0, -80] }, ['left', 'skin', 'bead'], 1],
    [-1, { left: [0, 0, 0], skin: [0, 0, 0] }, [], 0],
  ])('at %d', (moment, offsets, off, turned) => {
    const frame = frameAt(steps, moment, ['bead'])
    const plain = Object.fromEntries(
      Object.entries(frame.offsets).map(([id, by]) => [id, by.map((n) => Math.round(n) + 0)]),
    )
    expect(plain).toEqual(offsets)
    expect(frame.off).toEqual(off)
    expect(frame.turned).toBeCloseTo(turned)
  })
  it('what bends fades as it goes, and nothing is drawn further off than the stage holds', () => {
    expect(frameAt(steps, 0.5).fading).toEqual({ skin: 0.5 })
    const [far] = filmSteps([[op('a', false)]], [move('core', 'a', [0, 0, 5000])], 1000)
    expect(far!.moves[0]!.by).toEqual([0, 0, 750])
  })
  it('without a step there is one still picture', () => {
    expect(frameAt([], 0)).toEqual({ offsets: {}, fading: {}, off: [], turned: 0 })
  })
})

describe('the order that is given, proved by moving the solids', () => {
  const TOUCH = 1
  /** What a rigid part shares with the cast and with what still stands when it has come so far, mm3. */
  const shared = (part: SolidRecipe, by: Vector, standing: readonly SolidRecipe[]): number =>
    kernel.withSolids((scope) => {
      const moved = scope.keep(scope.solid(part).body.translate(by[0], by[1], by[2]))
      return standing.reduce(
        (sum, s) => sum + Math.max(0, scope.keep(moved.intersect(scope.solid(s).body)).volume()),
        0,
      )
    })
  it.each(Array.from({ length: rounds(4, 60) }, (_, i) => 9100 + i))('of any piece, seed %d', (seed) => {
    const piece = anyPiece(seeded(seed))
    const plan = planPiece(kernel, testJob(piece), piece)
    const { release, mould, piece: station } = plan.stations
    const recipe = station?.geometry.recipe
    if (!release || !mould || !recipe) return
    const told = new Set(
      plan.findings.filter((f) => ['part-locked', 'part-trapped', 'undercut-locks'].includes(f.code)).length >
        0
        ? mould.parts.map((p) => p.id)
        : [],
    )
    const cast: SolidRecipe = {
      kind: 'moved',
      solid: recipe,
      by: pouredPlacement(piece.attitude, station.geometry),
    }
    const lines = tell(plan.work.filter(isStripping), METRIC).map(({ of }) => of)
    const steps = filmSteps(lines, release.figures.moves, 1)
    expect(new Set(steps.flatMap((s) => s.moves.map((m) => m.partId))).size).toBe(
      new Set(release.figures.moves.map((m) => m.partId)).size,
    )
    if (told.size > 0) return
    const recipeOf = new Map(mould.parts.map((p) => [p.id, p.recipe]))
    const { operationId } = release.figures.moves[0] ?? { operationId: '' }
    expect(release.figures.moves.length === 0 || plan.work.some((w) => w.id === operationId)).toBe(true)
    for (const m of release.figures.moves.filter((f) => f.rigid).slice(0, 12)) {
      const by = [m.rightMm, m.backMm, m.upMm] as const
      for (const share of [0.1, 0.6, 1]) {
        const at = by.map((n) => n * share) as unknown as Vector
        const volume = shared(recipeOf.get(m.partId)!, at, [cast])
        // Chords of curves that slide on one another share slivers: 0.1 mm over what the part meets.
        const meets = release.figures.drafts.find((d) => d.partId === m.partId)?.meetsMm2 ?? 0
        expect([m.partId, share, volume <= TOUCH + 0.1 * meets]).toEqual([m.partId, share, true])
      }
    }
  })
})
