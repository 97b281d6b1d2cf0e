import { readFileSync } from 'node:fs'
import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel, SolidRecipe, Vector } from '../geometry/index.ts'
import { type Job, type Piece, readJob } from '../job/index.ts'
import { holdFonts, LETTER_FONTS, pouredPlacement } from '../piece/index.ts'
import { anyPiece, seeded } from '../testing/anyPiece.ts'
import { rounds } from '../testing/rounds.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testJob } from '../testing/testPiece.ts'
import { planPiece } from '../testing/wholeLine.ts'
import { isStripping, type Operation } from '../work/index.ts'
import { filmSteps, frameAt, stuckParts } from './film.ts'
import { type Tilt, tiltedPoint } from './tilt.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
  await holdFonts(LETTER_FONTS.map((f) => f.id))
})
const read = readJob(readFileSync(new URL('../../demo/kestrel-rise.hollow.json', import.meta.url), 'utf8'))
if (!read.ok) throw new Error('the demo job does not read')
const demo = read.job

const op = (id: string, turned: boolean): Operation => ({ id, attitude: { turned } }) as unknown as Operation
const move = (partId: string, operationId: string, by: Vector, rigid = true) => ({
  partId,
  operationId,
  rigid,
  rightMm: by[0],
  backMm: by[1],
  tilt: null,
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
  it('what no step tells of is stuck to what leaves; what is left on stays', () => {
    const about = { ...op('left', false), about: [{ kind: 'part', id: 'vessel' }] } as unknown as Operation
    const bare = { ...op('a', false), about: [] } as unknown as Operation
    expect(
      stuckParts(['strip', 'vessel', 'bead'], [[bare], [about]], [move('strip', 'a', [1, 0, 0])]),
    ).toEqual(['bead'])
  })
  it('without a step there is one still picture', () => {
    expect(frameAt([], 0)).toEqual({ offsets: {}, tilts: {}, fading: {}, off: [], turned: 0 })
  })
})

describe('the order that is given, proved by moving the solids', () => {
  /** What chords of one round that slide on another share: so thick over what a part meets, mm, and mm3 of faces that touch. */
  const [SLIDES, TOUCH] = [0.06, 2]
  const volumeShared = (part: SolidRecipe, by: Vector, standing: readonly SolidRecipe[]): number =>
    kernel.withSolids((scope) => {
      const moved = scope.keep(scope.solid(part).body.translate(by[0], by[1], by[2]))
      return standing.reduce(
        (sum, s) => sum + Math.max(0, scope.keep(moved.intersect(scope.solid(s).body)).volume()),
        0,
      )
    })
  /** A part as it stands once it is tilted. */
  const tiltedBy = (solid: SolidRecipe, tilt: Tilt | null): SolidRecipe => {
    if (!tilt) return solid
    const origin = tiltedPoint([0, 0, 0], tilt)
    const [x, y, z] = [[1, 0, 0] as const, [0, 1, 0] as const, [0, 0, 1] as const].map((v) =>
      tiltedPoint(v, tilt).map((n, k) => n - origin[k]!),
    ) as unknown as [Vector, Vector, Vector]
    return { kind: 'moved', solid, by: { x, y, z, origin } }
  }
  /** Acts whose parts were moved, over all pieces. */
  let moved = 0
  const prove = (piece: Piece, job: Job) => {
    const plan = planPiece(kernel, job, piece)
    const { release, mould, piece: station } = plan.stations
    const recipe = station?.geometry.recipe
    if (!release || !mould || !recipe || release.figures.partsTrapped > 0) return
    const cast: SolidRecipe = {
      kind: 'moved',
      solid: recipe,
      by: pouredPlacement(piece.attitude, station.geometry),
    }
    const recipeOf = new Map(mould.parts.map((p) => [p.id, p.recipe]))
    const order = plan.work.filter(isStripping).map((op) => op.id)
    const rigid = release.figures.moves
      .filter((m) => m.rigid)
      .sort((a, b) => order.indexOf(a.operationId) - order.indexOf(b.operationId))
    for (const [i, m] of rigid.entries()) {
      // What leaves later stands yet; what leaves in the same act goes with it.
      const later = rigid.slice(i).filter((o) => o.operationId !== m.operationId)
      const standing = [cast, ...later.map((o) => recipeOf.get(o.partId)!)]
      const meets = release.figures.drafts.find((d) => d.partId === m.partId)?.meetsMm2 ?? 0
      for (const share of [0.08, 0.5, 1]) {
        const by = [m.rightMm * share, m.backMm * share, m.upMm * share] as const
        const volume = volumeShared(tiltedBy(recipeOf.get(m.partId)!, m.tilt), by, standing)
        expect([piece.name, m.partId, share, volume <= TOUCH + SLIDES * meets, volume]).toEqual([
          piece.name,
          m.partId,
          share,
          true,
          volume,
        ])
      }
      moved += 1
    }
  }
  const seeds = Array.from({ length: rounds(8, 80) }, (_, i) => 9100 + i)
  it.each(seeds)('of any piece by its own method, seed %d', (seed) => {
    const piece = anyPiece(seeded(seed))
    prove(piece, testJob(piece))
  })
  it.each(demo.pieces.filter((p) => p.kind !== 'imported').map((p): [string, Piece] => [p.name, p]))(
    'of %s in the demo job',
    (_, piece) => prove(piece, demo),
  )
  it('moved parts enough to prove anything', () => expect(moved).toBeGreaterThan(100))
})
