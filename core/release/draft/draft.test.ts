import { beforeAll, describe, expect, it } from 'vitest'
import { type Kernel, measureSolid, type SolidRecipe, type Vector } from '../../geometry/index.ts'
import { newBox, newTurned, type TurnedPiece, withChoice } from '../../job/index.ts'
import type { MouldPart, Undoing } from '../../mould/index.ts'
import { anyPiece, seeded } from '../../testing/anyPiece.ts'
import { block, less, barePart as part, turnedBody as turned } from '../../testing/bodies.ts'
import { rounds } from '../../testing/rounds.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testJob, testStock } from '../../testing/testPiece.ts'
import { planPiece } from '../../testing/wholeLine.ts'
import { meetMould } from './meetMould.ts'
import { draftWanted, partDrafts } from './partDrafts.ts'
import { movesOf, planDraft } from './planDraft.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})

const draftsOf = (cast: SolidRecipe, parts: readonly MouldPart[]) =>
  partDrafts(meetMould(kernel, cast, parts), (id) => parts.find((p) => p.id === id)!.pull)

/** A frustum in one shell, open above. */
const frustum = (foot: number, top: number, high: number) => {
  const body = turned([
    [0, 0],
    [foot, 0],
    [top, high],
    [0, high],
  ])
  const most = Math.max(foot, top) + 20
  const shell = less(
    turned([
      [0, -10],
      [most, -10],
      [most, high],
      [0, high],
    ]),
    body,
  )
  return { body, shell: part('shell', shell, [0, 0, -1]) }
}

describe('the draft of a frustum in one shell', () => {
  it.each([
    // foot, top, height: the slope of its side, and what is wanted
    [100, 110, 120, 3],
    [100, 104, 60, 2],
    [60, 60, 20, 1],
    [150, 147, 200, 3],
    [80, 80 + 100 * Math.tan(Math.PI / 36), 100, 3],
  ])('foot %d, top %d, %d high', (foot, top, high, wanted) => {
    const { body, shell } = frustum(foot, top, high)
    const [row] = draftsOf(body, [shell])
    const slope = Math.atan2(top - foot, high)
    const side = Math.PI * (foot + top) * Math.hypot(top - foot, high)
    const deg = (slope * 180) / Math.PI
    // Chords lean as the round does, to within their own sagitta.
    expect(row!.leastDeg).toBeCloseTo(deg, 2)
    expect(row!.meetsMm2 / (side + Math.PI * foot ** 2)).toBeCloseTo(1, 2)
    expect(row!.lockedMm2 / side).toBeCloseTo(deg < 0 ? 1 : 0, 2)
    const steep = deg < 3 - 0.02
    expect(row!.wantedDeg).toBe(steep ? wanted : 0)
    if (steep) expect(row!.gripMm).toBeCloseTo(high, 3)
    expect(row!.shortMm2 / side).toBeCloseTo(steep && deg < wanted - 0.25 ? 1 : 0, 2)
    expect(row!.coversMm2 / (Math.PI * Math.max(foot, deg > 0 ? top : foot) ** 2)).toBeCloseTo(1, 2)
  })
  it('wants more the deeper it is gripped', () => {
    expect([0, 24.9, 25, 99.9, 100, 3000].map(draftWanted)).toEqual([1, 1, 2, 2, 3, 3])
  })
})

describe('what grips', () => {
  const slab = block(0, 0, 400, 300, 0, 50)
  const side = part('front', block(-20, -18, 440, 18, -18, 50), [0, -1, 0])
  const base = part('base', block(0, 0, 400, 300, -18, 0), [0, 0, -1])
  it('a side and a base leave square off their faces and want none', () => {
    const rows = draftsOf(slab, [base, side])
    expect(rows.map((r) => [r.partId, Math.round(r.meetsMm2), r.wantedDeg, r.shortMm2])).toEqual([
      ['base', 120_000, 0, 0],
      ['front', 20_000, 0, 0],
    ])
    expect(rows.map((r) => r.leastDeg)).toEqual([90, 90])
    expect(rows.map((r) => Math.round(r.coversMm2))).toEqual([120_000, 20_000])
  })
  it.each<[string, SolidRecipe, number, number]>([
    ['a square core is gripped all round', block(100, 100, 60, 60, 0, 50), 2, 4 * 60 * 50],
    [
      'one along an edge is open to one side: its two ends grip it',
      block(0, 100, 60, 60, 0, 50),
      2,
      2 * 60 * 50,
    ],
    ['one in a corner is gripped from nowhere', block(0, 0, 60, 60, 0, 50), 0, 0],
  ])('%s', (_, core, wantedDeg, shortMm2) => {
    const [row] = draftsOf(less(slab, core), [part('core', core, [0, 0, 1])])
    expect([row!.wantedDeg, Math.round(row!.shortMm2)]).toEqual([wantedDeg, shortMm2])
  })
  it('where two boards meet under one face the face is shared between them', () => {
    const halves = [
      part('left', block(0, 0, 130, 300, -18, 0), [0, 0, -1]),
      part('right', block(130, 0, 270, 300, -18, 0), [0, 0, -1]),
    ]
    const [left, right] = draftsOf(slab, halves)
    expect(left!.meetsMm2 / 39_000).toBeCloseTo(1, 1)
    expect(left!.meetsMm2 + right!.meetsMm2).toBeCloseTo(120_000, 3)
  })
})

describe('of any piece by its own method', () => {
  const seeds = Array.from({ length: rounds(6, 60) }, (_, i) => 7000 + i)
  it.each(seeds)(
    'the pieces of its surface come to all of it, and each move ends past the cast, seed %d',
    (seed) => {
      const piece = anyPiece(seeded(seed))
      const plan = planPiece(kernel, testJob(piece), piece)
      const { release, mould } = plan.stations
      if (!release?.draft || !mould) return
      const { positions, part: behind, partIds, degrees } = release.draft
      expect(degrees.length).toBe(positions.length / 9)
      expect(Array.from(degrees, Number.isNaN)).toEqual(Array.from(behind, (at) => at < 0))
      const known = new Set(mould.parts.map((p) => p.id))
      expect(partIds.filter((id) => !known.has(id))).toEqual([])
      for (const move of release.figures.moves) {
        expect(release.operations.map((op) => op.id)).toContain(move.operationId)
        expect(Math.hypot(move.rightMm, move.backMm, move.upMm)).toBeGreaterThanOrEqual(10 - 1e-6)
      }
      for (const row of release.figures.drafts) {
        expect(row.shortMm2).toBeLessThanOrEqual(row.meetsMm2 + 1e-6)
        expect(row.coversMm2).toBeLessThanOrEqual(row.meetsMm2 + 1e-6)
        expect(row.lockedMm2 > 0 ? row.leastDeg! < 0 : true).toBe(true)
      }
    },
  )
  it('the areas of the pieces are the area of the cast', () => {
    const { body, shell } = frustum(100, 110, 120)
    const { areas } = meetMould(kernel, body, [shell])
    const area = kernel.withSolids((scope) => measureSolid(scope.solid(body).body).area)
    expect(areas.reduce((sum, a) => sum + a, 0) / area).toBeCloseTo(1, 6)
  })
})

describe('how far a part goes', () => {
  const slab = block(0, 0, 400, 300, 0, 50)
  const act = { id: 'off', partIds: ['p'], rigid: true } as unknown as Undoing
  it.each<[string, SolidRecipe, Vector, readonly [number, number, number]]>([
    ['a side only clears its face', block(0, -18, 400, 18, 0, 50), [0, -1, 0], [0, -10, 0]],
    ['a core goes through all of its depth', block(100, 100, 60, 60, 0, 50), [0, 0, 1], [0, 0, 50]],
    [
      'one that stands through goes by all of itself',
      block(100, 100, 60, 60, -18, 50),
      [0, 0, 1],
      [0, 0, 68],
    ],
  ])('%s', (_, recipe, way, [x, y, z]) => {
    const [move] = movesOf(kernel, slab, [part('p', recipe, way)], [act], {})
    expect([move!.rightMm, move!.backMm, move!.upMm].map((n) => Math.round(n * 1e3) / 1e3 + 0)).toEqual([
      x,
      y,
      z,
    ])
  })
  it('by another way where that is how it leaves', () => {
    const one = [part('p', block(100, 100, 60, 60, 0, 50), [0, 0, 1])]
    expect(movesOf(kernel, slab, one, [act], { p: [0, 0, -1] })[0]!.upMm).toBeCloseTo(-50)
    const { rows } = planDraft(kernel, less(slab, one[0]!.recipe), one, [act], { p: [1, 0, 0] })
    expect(rows[0]!.leastDeg).toBe(-90)
  })
})

describe('what is short of draft is told, and cured', () => {
  const told = { id: 'p', name: 'P', start: '2026-05-30T09:00', zone: 'UTC' }
  const finding = (piece: Parameters<typeof planPiece>[2]) =>
    planPiece(kernel, testJob(piece), piece).findings.find((f) => f.code === 'draft-short')
  const pot = (coreDraftDeg: number) => {
    const piece = {
      ...newBox(told, testStock),
      radiusOutside: 0,
      radiusInside: 0,
      drains: { count: 0, diameter: 25 },
      coreDraftDeg,
    }
    return { ...piece, mould: withChoice(piece.mould, { method: 'planks' }) }
  }
  it('the core of a planter without draft is, with a slope and a wedge as cures; with 4 degrees it is not', () => {
    const short = finding(pot(0))
    expect([short?.level, short?.facts.draftDegrees, short?.facts.wantedDegrees]).toEqual(['warn', 0, 3])
    expect(short?.remedies.map((r) => r.code)).toEqual(['tapered', 'parted'])
    expect(finding(pot(4))).toBeUndefined()
  })
  it('such a core is told to come off within a day, and late at the pour when it does not', () => {
    const whole = (piece: Parameters<typeof planPiece>[2]) => planPiece(kernel, testJob(piece), piece)
    const core = whole(pot(0))
    const drawn = core.work.find((op) => op.code === 'core-drawn')!
    // At 20 degC a day of age is a day.
    expect(drawn.latestMinutes).toBeCloseTo(1440, 6)
    const late = core.findings.find((f) => f.code === 'gripped-late')
    expect(late?.facts).toMatchObject({ step: 'core drawn', startMinutes: drawn.startMinutes })
    expect(drawn.startMinutes).toBeGreaterThan(1440)
    const sloped = whole(pot(4))
    expect(sloped.work.find((op) => op.code === 'core-drawn')!.latestMinutes).toBeNull()
    expect(sloped.findings.map((f) => f.code)).not.toContain('gripped-late')
  })
  it('a turned piece in one printed shell, straight up: so long as it is not drafted', () => {
    const drum = (top: number): TurnedPiece => {
      const piece = newTurned(told, testStock)
      return {
        ...piece,
        turned: { form: 'frustum', height: 150, bottom: 160, top },
        mould: withChoice(piece.mould, { method: 'printed', shells: 1 }),
      }
    }
    const short = finding(drum(160))
    expect(short?.facts).toMatchObject({ draftDegrees: 0, wantedDegrees: 3 })
    // 3.8 degrees.
    expect(finding({ ...drum(180) })).toBeUndefined()
  })
})
