import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel, SolidRecipe } from '../geometry/index.ts'
import { newTurned, type TurnedPiece, withChoice } from '../job/index.ts'
import { block, less, bareAct as off, barePart as part, turnedBody as turned } from '../testing/bodies.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testJob, testStock } from '../testing/testPiece.ts'
import { planPiece } from '../testing/wholeLine.ts'
import { comeOff } from './comeOff.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})

describe('a rigid part on its way out', () => {
  const cone = (foot: number, top: number) =>
    turned([
      [0, 0],
      [foot, 0],
      [top, 200],
      [0, 200],
    ])
  const shellRound = (body: SolidRecipe) =>
    less(
      turned([
        [0, -10],
        [170, -10],
        [170, 200],
        [0, 200],
      ]),
      body,
    )
  it.each([
    // Drawn down off it, it passes over the foot.
    [150, 147, 3],
    [150, 149.95, 0],
    [147, 150, 0],
    [150, 150, 0],
  ])('a shell round a cone of %d at its foot and %d above scrapes %d', (foot, top, mm) => {
    const body = cone(foot, top)
    const { locked, examined } = comeOff(
      kernel,
      body,
      [part('shell', shellRound(body), [0, 0, -1])],
      [off(['shell'])],
      new Set(),
    )
    expect(examined).toEqual(['shell'])
    expect(locked.map((l) => [l.partId, l.by])).toEqual(mm > 0 ? [['shell', null]] : [])
    if (mm > 0) expect(locked[0]!.mm / mm).toBeCloseTo(1, 2)
  })
  const slab = block(0, 0, 400, 300, 0, 50)
  const side = (name: string, y: number, way: number) =>
    part(name, block(-20, y, 440, 18, -20, 50), [0, way, 0])
  it('leaves a plain slab by its sides, and not through a post that stands before one', () => {
    const post = part('post', block(150, -60, 40, 40, -20, 60), [1, 0, 0])
    const parts = [side('front', -18, -1), side('back', 300, 1), post]
    const of = (order: string[]) =>
      comeOff(
        kernel,
        slab,
        parts,
        order.map((id) => off([id])),
        new Set(),
      ).locked
    expect(of(['post', 'front', 'back'])).toEqual([])
    // It could rise: upward nothing is in its way.
    expect(of(['front', 'back', 'post'])).toEqual([])
    const under = less(block(-40, -80, 480, 60, -30, 60), block(-20, -60, 440, 42, -20, 50))
    expect(
      comeOff(
        kernel,
        slab,
        [side('front', -18, -1), part('box', under, [0, -1, 0])],
        [off(['front']), off(['box'])],
        new Set(),
      ).locked.map((l) => [l.partId, l.by]),
    ).toEqual([])
  })
  it('a dovetail is held by the concrete, whatever comes before it', () => {
    const tail = less(
      block(150, 200, 100, 100, 0, 50),
      block(150, 200, 20, 40, 0, 50),
      block(230, 200, 20, 40, 0, 50),
    )
    const cast = less(slab, tail)
    const { locked } = comeOff(kernel, cast, [part('tail', tail, [0, -1, 0])], [off(['tail'])], new Set())
    expect(locked.map((l) => l.by)).toEqual([null])
    expect(comeOff(kernel, cast, [part('tail', tail, [0, 0, 1])], [off(['tail'])], new Set()).locked).toEqual(
      [],
    )
  })
  it('what leaves in one act leaves one by one as it can, or all as one', () => {
    // A ring in two rebated halves: neither draws up alone, the lower not before the upper.
    const lower = less(block(-30, -30, 460, 360, 0, 25), slab)
    const upper = less(block(-30, -30, 460, 360, 25, 50), slab)
    const two = [part('lower', lower, [0, 0, 1]), part('upper', upper, [0, 0, 1])]
    expect(comeOff(kernel, slab, two, [off(['lower', 'upper'])], new Set()).locked).toEqual([])
    const hooked = [
      part(
        'lower',
        less(block(-30, -30, 460, 360, 0, 30), slab, block(-20, -20, 440, 340, 25, 30)),
        [0, 0, 1],
      ),
      part('upper', less(block(-20, -20, 440, 340, 25, 50), slab), [0, 0, 1]),
    ]
    expect(comeOff(kernel, slab, hooked, [off(['upper', 'lower'])], new Set()).locked).toEqual([])
  })
  it('looks past what was looked at otherwise, and what bends stands in no way', () => {
    const body = cone(150, 147)
    const shell = part('shell', shellRound(body), [0, 0, -1])
    expect(comeOff(kernel, body, [shell], [off(['shell'])], new Set(['shell']))).toEqual({
      locked: [],
      overRubber: [],
      examined: [],
      ways: {},
      tilts: {},
    })
    expect(comeOff(kernel, body, [shell], [off(['shell'], false)], new Set())).toEqual({
      locked: [],
      overRubber: [],
      examined: [],
      ways: {},
      tilts: {},
    })
  })
})

describe('told of a whole mould', () => {
  const cone = (bottom: number, top: number, over: Partial<TurnedPiece> = {}): TurnedPiece => {
    const piece = newTurned({ id: 'c', name: 'Cone', start: '2026-05-30T09:00', zone: 'UTC' }, testStock, {
      turned: { form: 'frustum', bottom, top, height: 200 },
      attitude: { down: 'bottom', turnDeg: 0 },
    })
    return { ...piece, mould: withChoice(piece.mould, { method: 'printed', shells: 1 }), ...over }
  }
  const plan = (piece: TurnedPiece, quick = false) => planPiece(kernel, testJob(piece), piece, { quick })
  it('a cone that narrows upward in one printed shell, poured foot down: held all the way, and told once', () => {
    const { stations, findings } = plan(cone(300, 294))
    expect(stations.release!.figures.partsTrapped).toBe(stations.release!.figures.partsExamined)
    expect(stations.release!.figures.partsTrapped).toBeGreaterThan(0)
    expect(findings.filter((f) => f.level === 'stop').map((f) => f.code)).toEqual(['undercut-locks'])
  })
  it('poured the other way up it leaves, and every part was looked at', () => {
    for (const piece of [cone(294, 300), cone(300, 294, { attitude: { down: 'top', turnDeg: 0 } })]) {
      const { figures } = plan(piece).stations.release!
      expect([figures.partsTrapped, figures.partsUnexamined]).toEqual([0, 0])
      expect(figures.partsExamined).toBeGreaterThan(0)
    }
  })
  it('while it is dragged nothing is said of what only the solids tell', () => {
    const { figures } = plan(cone(300, 294), true).stations.release!
    expect([figures.partsTrapped, figures.partsExamined]).toEqual([0, 0])
    expect(figures.partsUnexamined).toBeGreaterThan(0)
  })
})
