import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { loopRegion, type Point } from '../../geometry/index.ts'
import { applyChange, emptyJob, newOpening, newSlab, type Outline, type SlabPiece } from '../../job/index.ts'
import { startingStock } from '../../stock/index.ts'
import {
  testBasinBelow,
  testDrainer,
  testFrame,
  testInsert,
  testLetters,
} from '../../testing/testFeatures.ts'
import { freePlace, moveToFree, placedFree } from './freePlace.ts'
import { outlineLoop, outlineSize } from './outlineLoop.ts'
import { placeOpenings, resolvePlacing } from './placing.ts'

const stock = startingStock()
const told = { id: 'p', name: 'Piece', start: '2026-05-30T09:00', zone: 'UTC' }
const corner = (x: number, y: number, side: string) => ({
  x,
  y,
  radius: 0,
  side,
  run: { kind: 'line' } as const,
})
const slab = (outline: Outline, patch: Partial<SlabPiece> = {}): SlabPiece => {
  const piece = newSlab({ ...told, length: 900, width: 500, thickness: 45 }, stock)
  const sides =
    outline.kind === 'polygon'
      ? Object.fromEntries(outline.corners.map((c) => [c.side, piece.sides.front!]))
      : piece.sides
  return { ...piece, outline, sides, ...patch }
}
const rectangle = (length: number, width: number): Outline => ({
  kind: 'rectangle',
  length,
  width,
  radii: [0, 0, 0, 0],
})
/** An L whose notch is at the back right. */
const L: Outline = {
  kind: 'polygon',
  corners: [
    corner(0, 0, 'front'),
    corner(1400, 0, 'right'),
    corner(1400, 500, 'inner-back'),
    corner(600, 500, 'inner-right'),
    corner(600, 1100, 'back'),
    corner(0, 1100, 'left'),
  ],
}
const round = (id: string, diameter: number) => newOpening(id, id, { kind: 'round', diameter })
const basin = (id: string, length = 380, width = 280) =>
  newOpening(id, id, { kind: 'rectangle', length, width, radius: 0 })
const at = (opening: ReturnType<typeof basin>, u: number, v: number): ReturnType<typeof basin> => ({
  ...opening,
  u: { rule: 'centred', offset: u },
  v: { rule: 'centred', offset: v },
})

describe('the largest free room of a plan', () => {
  it.each<[string, SlabPiece, Point, Point | null]>([
    ['nothing on it: the middle', slab(rectangle(900, 500)), [190, 140], [450, 250]],
    // As wide as the slab is: any place along it has as much room, the middle is the nearest.
    ['long: the middle still', slab(rectangle(3000, 300)), [50, 50], [1500, 150]],
    [
      'a basin in the middle: nothing as large goes beside it',
      slab(rectangle(900, 500), { openings: [basin('a')] }),
      [190, 140],
      null,
    ],
    ['larger than the slab', slab(rectangle(300, 300)), [200, 100], null],
    ['as large as the slab: nothing would be left', slab(rectangle(300, 300)), [150, 150], null],
  ])('%s', (_, piece, half, expected) => expect(freePlace(piece, half)).toEqual(expected))

  it('stays out of the notch of an L, and off what is there', () => {
    const piece = slab(L)
    const first = placedFree(piece, basin('basin'))!
    const withBasin = { ...piece, openings: [first] }
    const tap = placedFree(withBasin, round('tap', 35))!
    expect(overlaps({ ...withBasin, openings: [first, tap] })).toEqual([])
  })
  it('is not in its own way: an opening off the plan is moved back, one with no room is not', () => {
    const gone = at(basin('a'), 2000, 0)
    const piece = slab(rectangle(900, 500), { openings: [gone] })
    const change = moveToFree(piece, 'a')!
    const job = { ...emptyJob('j', 'J', stock), pieces: [piece] }
    const [moved] = applyChange(job, change).pieces as SlabPiece[]
    expect(moved!.openings[0]!.u).toEqual({ rule: 'centred', offset: 0 })
    const full = slab(rectangle(900, 500), { openings: [basin('b', 880, 480), gone] })
    expect(moveToFree(full, 'a')).toBeNull()
  })
  it.each<[string, Partial<SlabPiece>]>([
    ['a drainer', { drainers: [{ ...testDrainer, u: 450, v: 250 }] }],
    ['letters', { lettering: [testLetters] }],
    ['an insert', { inserts: [testInsert] }],
    [
      'a frame',
      { panels: [{ ...testFrame, shape: { kind: 'rectangle', length: 120, width: 70, radius: 0 } }] },
    ],
    ['the basin in one', { basin: testBasinBelow }],
  ])('keeps clear of %s', (_, patch) => {
    const bare = freePlace(slab(rectangle(900, 500)), [30, 30])!
    const found = freePlace(slab(rectangle(900, 500), patch), [30, 30])!
    expect(bare).toEqual([450, 250])
    expect(Math.hypot(found[0] - 450, found[1] - 250)).toBeGreaterThan(30)
  })

  it('never lands on another or over the outline, and finds room wherever there plainly is some', () => {
    const size = fc.integer({ min: 20, max: 400 })
    const outline = fc.oneof(
      fc.constant(L),
      fc
        .tuple(fc.integer({ min: 200, max: 2000 }), fc.integer({ min: 200, max: 900 }))
        .map(([l, w]) => rectangle(l, w)),
    )
    fc.assert(
      fc.property(outline, fc.array(fc.tuple(size, size), { minLength: 1, maxLength: 6 }), (plan, sizes) => {
        let piece = slab(plan)
        for (const [i, [l, w]] of sizes.entries()) {
          const opening = i % 2 ? round(`o${i}`, l) : basin(`o${i}`, l, w)
          const placed = placedFree(piece, opening)
          const { length, width } = outlineSize(plan)
          const [across, deep] = i % 2 ? [l, l] : [l, w]
          if (!placed && piece.openings.length === 0 && plan.kind === 'rectangle')
            expect(across + 4 > length - 1 || deep + 4 > width - 1).toBe(true)
          if (placed) piece = { ...piece, openings: [...piece.openings, placed] }
        }
        expect(overlaps(piece)).toEqual([])
      }),
      { seed: 11, numRuns: 60 },
    )
  })
})

/** Openings whose boxes meet, or whose corners lie outside the plan: said plainly, by every pair and every corner. */
function overlaps(piece: SlabPiece): string[] {
  const placed = placeOpenings(piece, resolvePlacing(piece)).map((o) => ({
    name: o.name,
    ring: loopRegion(o.loop)[0]!,
  }))
  const plan = loopRegion(outlineLoop(piece.outline))[0]!
  const bad = placed.flatMap(({ name, ring }) =>
    ring.every((p) => inside(p, plan)) ? [] : [`${name} outside`],
  )
  placed.forEach((a, i) => {
    for (const b of placed.slice(i + 1))
      if (a.ring.some((p) => inside(p, b.ring)) || b.ring.some((p) => inside(p, a.ring)))
        bad.push(`${a.name} on ${b.name}`)
  })
  return bad
}
function inside([x, y]: Point, ring: readonly Point[]): boolean {
  let odd = false
  ring.forEach(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!
    if (ay > y !== by > y && x < ax + ((bx - ax) * (y - ay)) / (by - ay)) odd = !odd
  })
  return odd
}
