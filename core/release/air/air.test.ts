import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel, SolidRecipe } from '../../geometry/index.ts'
import type { MouldPatch, SweptPiece } from '../../job/index.ts'
import { newSwept, withChoice } from '../../job/index.ts'
import { block, turnedBody as turned, union } from '../../testing/bodies.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testJob, testStock } from '../../testing/testPiece.ts'
import { planPiece, proveRemedies } from '../../testing/wholeLine.ts'
import { meetMould } from '../draft/meetMould.ts'
import { airPockets } from './airPockets.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
/** The air in a cast whose mould is a block round it, open above a height. */
function airOf(cast: SolidRecipe, openFrom: number, vents: readonly SolidRecipe[] = []) {
  const mould: SolidRecipe = {
    kind: 'difference',
    from: block(-500, -500, 2000, 2000, -100, openFrom),
    minus: [cast, ...vents],
  }
  return airPockets(meetMould(kernel, cast, [{ id: 'mould', recipe: mould }]))
}
/** A slab open above at 50, with an arm 20 high to its right and a post at the end of the arm. */
const arm = (post: number) =>
  union(block(0, 0, 400, 300, 0, 50), block(390, 100, 160, 40, 0, 20), block(500, 100, 50, 40, 0, post))

describe('where air stays in the pour', () => {
  it.each<[string, SolidRecipe, number, readonly (readonly [number, number, number])[]]>([
    // deep, volume, area of each pocket
    ['a slab open above holds none', block(0, 0, 400, 300, 0, 50), 50, []],
    ['a post lower than the fill holds its top', arm(40), 50, [[20, 50 * 40 * 20, 50 * 40]]],
    ['a post that reaches the fill is open itself', arm(50), 50, []],
    ['an arm without a post leads up to the slab', arm(20), 50, []],
    [
      'a post with two tips, one lower: each holds its own',
      union(arm(30), block(500, 100, 10, 40, 0, 45), block(540, 100, 10, 40, 0, 40)),
      50,
      [
        // The higher one down to the arm, less what the lower holds.
        [25, 50 * 40 * 10 + 10 * 40 * 15, 50 * 40 - 10 * 40],
        [10, 10 * 40 * 10, 10 * 40],
      ],
    ],
  ])('%s', (_, cast, openFrom, expected) => {
    const { pockets, examined } = airOf(cast, openFrom)
    expect(examined).toBe(true)
    expect(pockets.map((p) => [p.deepMm, p.volumeMm3, p.areaMm2].map(Math.round))).toEqual(expected)
    expect(new Set(pockets.map((p) => p.partId))).toEqual(new Set(pockets.length > 0 ? ['mould'] : []))
  })
  it('its highest place is the middle of its level roof, or its peak', () => {
    const round = (n: readonly number[]) => n.map(Math.round)
    expect(round(airOf(arm(40), 50).pockets[0]!.top)).toEqual([525, 120, 40])
  })
  it('a vent at its top lets it out; one beside it does not', () => {
    const vent = (x: number) => block(x, 118, 6, 6, 30, 200)
    expect(airOf(arm(40), 50, [vent(522)]).pockets).toEqual([])
    expect(airOf(arm(40), 50, [vent(450)]).pockets).toHaveLength(1)
  })
  it('a dome beside a spout holds all above the spill', () => {
    // A half ball of radius 100 on a plate 20 high, filled by a spout that ends at 60.
    const ball = turned([
      ...Array.from({ length: 90 }, (_, i) => {
        const a = (i * Math.PI) / 180
        return [100 * Math.cos(a), 20 + 100 * Math.sin(a)] as const
      }),
      [0, 120],
      [0, 20],
    ])
    const cast = union(ball, block(-150, -150, 300, 300, 0, 20), block(120, -20, 20, 40, 0, 60))
    const { pockets } = airOf(cast, 200, [block(120, -20, 20, 40, 60, 300)])
    expect(pockets).toHaveLength(1)
    expect(pockets[0]!.deepMm).toBeCloseTo(100, 0)
    expect(pockets[0]!.volumeMm3 / ((2 / 3) * Math.PI * 1e6)).toBeCloseTo(1, 2)
  })
  it('of a mould that is open nowhere nothing is said', () => {
    expect(airOf(block(0, 0, 400, 300, 0, 50), 90)).toEqual({ pockets: [], roofs: [], examined: false })
  })
  it('a level ledge under the mould is a roof, not a pocket', () => {
    const ledge = union(block(0, 0, 400, 300, 0, 50), block(400, 0, 100, 300, 0, 20))
    const { pockets, roofs } = airOf(ledge, 50)
    expect(pockets).toEqual([])
    expect(roofs.map((r) => [r.areaMm2, r.wideMm].map(Math.round))).toEqual([
      [100 * 300, (2 * 100 * 300) / 800],
    ])
  })
  it.each([1, 5])('a roof that rises by %d degrees', (deg) => {
    const rise = 200 * Math.tan((deg * Math.PI) / 180)
    const wedge: SolidRecipe = {
      kind: 'trimmed',
      solid: block(200, 0, 200, 300, 0, 50),
      normal: [-Math.sin((deg * Math.PI) / 180), 0, -Math.cos((deg * Math.PI) / 180)],
      offset: -(Math.sin((deg * Math.PI) / 180) * 200 + Math.cos((deg * Math.PI) / 180) * (20 + rise)),
      name: 'slope',
    }
    const { roofs, pockets } = airOf(union(block(0, 0, 201, 300, 0, 60), wedge), 60)
    expect(pockets).toEqual([])
    expect(roofs.length).toBe(deg < 3 ? 1 : 0)
  })
})

describe('told of a whole mould', () => {
  const at = (x: number, y: number, n: number) => ({
    x,
    y,
    radius: 0,
    side: `s${n}`,
    run: { kind: 'line' as const },
  })
  /** A seat with an arm that ends 200 lower than its back, upright in layers: 100 x 200 x 300 under the arm has no way out. */
  const seat = (over: Partial<SweptPiece> = {}, mould: MouldPatch = { method: 'layers' }): SweptPiece => {
    const piece = newSwept({ id: 'c', name: 'Seat', start: '2026-05-30T09:00', zone: 'UTC' }, testStock, {
      corners: [
        [0, 0],
        [600, 0],
        [600, 300],
        [500, 300],
        [500, 100],
        [200, 100],
        [200, 500],
        [0, 500],
      ].map(([x, y], n) => at(x!, y!, n)),
      width: 300,
      attitude: { down: 'bottom', turnDeg: 0 },
    })
    return { ...piece, mould: withChoice(piece.mould, mould), ...over }
  }
  const plan = (piece: SweptPiece) => planPiece(kernel, testJob(piece), piece)
  it('air under an arm stops the pour, by its volume, and each cure is proven', () => {
    const job = testJob(seat())
    const proven = proveRemedies(kernel, job, plan(seat()))
    const [finding] = proven.findings.filter((f) => f.code === 'air-trapped')
    expect(finding?.level).toBe('stop')
    expect(finding?.facts.volumeLitres).toBeCloseTo(6, 3)
    expect(finding?.facts.deepMm).toBeCloseTo(200, 3)
    expect(finding?.remedies.map((r) => r.code)).toEqual(['vented', 'turned'])
  })
  it('vented it is drilled once and cut back every cast, and nothing more is said', () => {
    const bare = seat()
    const { stations, findings, work } = plan({ ...bare, release: { ...bare.release, vented: true } })
    expect(findings.map((f) => f.code)).not.toContain('air-trapped')
    expect(stations.release!.figures.air.pockets.map((p) => p.vented)).toEqual([true])
    const order = work.map((op) => op.id)
    expect(order.indexOf('drill/vents')).toBeGreaterThanOrEqual(0)
    expect(order.indexOf('drill/vents')).toBeLessThan(order.indexOf('release/faces'))
    expect(order.indexOf('cut/vents')).toBeGreaterThan(order.indexOf('release/faces'))
    expect(order.filter((id) => id.endsWith('/vents'))).toEqual(['drill/vents', 'check/vents', 'cut/vents'])
  })
  it('poured on its end it holds none, and a closed mould vents its own high places', () => {
    const air = (piece: SweptPiece) => plan(piece).stations.release!.figures.air
    expect(air(seat({ attitude: { down: 'end/front', turnDeg: 0 } }))).toEqual({
      examined: true,
      pockets: [],
      roofs: [],
    })
    const closed = air(seat({}, { method: 'closed' }))
    expect([closed.examined, closed.pockets]).toEqual([true, []])
  })
})
