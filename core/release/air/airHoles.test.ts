import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel, SolidRecipe, Vector } from '../../geometry/index.ts'
import { newBox, newTurned, type Opening, type Piece, withChoice } from '../../job/index.ts'
import { block, less, union } from '../../testing/bodies.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testBasin, testJob, testSlab, testStock } from '../../testing/testPiece.ts'
import { planPiece } from '../../testing/wholeLine.ts'
import { meetMould } from '../draft/meetMould.ts'
import { partDrafts } from '../draft/partDrafts.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})

describe('how deep a part is closed all round', () => {
  const box = (low: number, high: number) => block(0, 0, 400, 300, low, high)
  /** 60 mm round its foot, opening by 10 degrees. */
  const funnel = (high: number): SolidRecipe => ({
    kind: 'turned',
    at: [200, 150],
    profile: [
      { radius: 0, z: 50, name: 'foot' },
      { radius: 60, z: 50, name: 'foot' },
      { radius: 60 + high * Math.tan((10 * Math.PI) / 180), z: 50 + high, name: 'wall' },
      { radius: 0, z: 50 + high, name: 'top' },
    ],
  })
  const UP: Vector = [0, 0, 1]
  it.each<[string, SolidRecipe, SolidRecipe, Vector, number]>([
    [
      'a straight core',
      less(box(0, 200), block(100, 100, 200, 100, 50, 200)),
      block(100, 100, 200, 100, 50, 300),
      UP,
      150,
    ],
    ['a core of 10 degrees is closed all the same', less(box(0, 200), funnel(150)), funnel(250), UP, 150],
    ['a cup round it', box(0, 200), less(block(-20, -20, 440, 340, -20, 200), box(0, 300)), [0, 0, -1], 200],
    ['a base lets air in from every side', box(0, 200), block(-20, -20, 440, 340, -20, 0), [0, 0, -1], 0],
    [
      'a groove is open at its ends',
      less(box(0, 200), block(-1, 100, 402, 50, 100, 200)),
      block(-50, 100, 500, 50, 100, 300),
      UP,
      0,
    ],
    ['a side', box(0, 200), block(-20, -20, 20, 340, 0, 200), [-1, 0, 0], 0],
    [
      'two sides at a corner',
      box(0, 200),
      less(block(-20, -20, 440, 340, 0, 200), block(0, 0, 440, 340, -1, 201)),
      [-Math.SQRT1_2, -Math.SQRT1_2, 0],
      0,
    ],
  ])('%s', (_, cast, part, way, deep) => {
    const [row] = partDrafts(meetMould(kernel, cast, [{ id: 'part', recipe: part }]), () => way)
    expect(Math.round(row!.closedMm)).toBe(deep)
  })
})

describe('what a closing wall covers', () => {
  const UP: Vector = [0, 0, 1]
  const DOWN: Vector = [0, 0, -1]
  const post = union(block(0, 0, 400, 300, 0, 40), block(150, 100, 100, 100, 40, 140))
  const cup = (low: number, high: number, roof: number) =>
    less(block(100, 50, 200, 200, low, high + roof), block(150, 100, 100, 100, 0, high))
  it.each<[string, SolidRecipe, SolidRecipe, Vector, number]>([
    ['a cap over a post: its roof', post, cup(40, 140, 20), UP, 100 * 100],
    // Its foot stands on the slab too, but out there air comes in from all sides.
    ['a ring round a post: nothing', post, cup(40, 140, 0), UP, 0],
    [
      'a long core: its end',
      less(block(0, 0, 900, 300, 0, 100), block(20, 140, 860, 20, 40, 101)),
      block(20, 140, 860, 20, 40, 140),
      UP,
      860 * 20,
    ],
    [
      'a shell under a block: its floor',
      block(0, 0, 400, 300, 0, 100),
      less(block(-20, -20, 440, 340, -20, 100), block(0, 0, 400, 300, 0, 200)),
      DOWN,
      400 * 300,
    ],
  ])('%s', (_, cast, part, way, covers) => {
    const [row] = partDrafts(meetMould(kernel, cast, [{ id: 'part', recipe: part }]), () => way)
    expect(Math.abs(row!.closedCoversMm2 - covers)).toBeLessThanOrEqual(0.02 * covers)
    const { min, max } = kernel.withSolids((s) => s.solid(part).body.boundingBox())
    if (covers === 0) expect(row!.closedAt).toBeNull()
    // In the middle of it, as near as its pieces lie.
    else
      for (const k of [0, 1])
        expect(Math.abs(row!.closedAt![k]! - (min[k]! + max[k]!) / 2)).toBeLessThan(
          0.01 * (max[k]! - min[k]!),
        )
  })
})

describe('air holes', () => {
  const told = { id: 'a', name: 'A', start: '2026-05-30T09:00', zone: 'UTC' }
  const drum = (diameter: number, height: number): Piece => {
    const piece = newTurned(told, testStock, { turned: { form: 'cylinder', diameter, height } })
    return { ...piece, mould: withChoice(piece.mould, { method: 'printed', shells: 1 }) }
  }
  const recess = (depth: number | null, diameter = 60): Piece =>
    testSlab({
      thickness: 100,
      openings: [{ ...testBasin, shape: { kind: 'round', diameter }, depth, fixture: null } as Opening],
    })
  const planter = newBox(told, testStock, { radiusOutside: 0, radiusInside: 0 })
  it.each<[string, Piece, number[]]>([
    ['a shell in one', drum(200, 100), [1]],
    ['a wide one has one for each quarter of a square metre', drum(800, 100), [3]],
    ['a low one lets go by itself', drum(200, 20), []],
    ['a deep recess', recess(60), [1]],
    ['a shallow one', recess(20), []],
    ['one that goes through covers nothing', recess(null), []],
    ['a narrow one', recess(60, 20), []],
    [
      'the core of a planter has its own',
      { ...planter, mould: withChoice(planter.mould, { method: 'planks' }) },
      [],
    ],
  ])('%s', (_, piece, holes) => {
    const { stations, work } = planPiece(kernel, testJob(piece), piece)
    const { airHoles } = stations.release!.figures
    expect(airHoles.map((h) => h.holes)).toEqual(holes)
    const at = (id: string) => work.findIndex((op) => op.id === id)
    const [drill, tape, water] = [at('drill/air-holes'), at('tape/air-holes'), at('mix/1')]
    expect([drill >= 0, tape >= 0]).toEqual([holes.length > 0, holes.length > 0])
    if (holes.length > 0) expect(drill < tape && tape < water).toBe(true)
  })
  it('names the part that covers most of what leaves as one', () => {
    const { stations } = planPiece(kernel, testJob(drum(500, 100)), drum(500, 100))
    const [hole] = stations.release!.figures.airHoles
    const covers = (id: string) =>
      stations.release!.figures.drafts.find((d) => d.partId === id)!.closedCoversMm2
    expect(Math.max(...hole!.withIds.map(covers))).toBe(covers(hole!.partId))
    expect(hole!.coversM2).toBeCloseTo(Math.PI * 0.25 ** 2, 2)
  })
})
