import { loopRegion, type Point } from '../../geometry/index.ts'
import type { Change, Opening, PlaceRule, SlabPiece } from '../../job/index.ts'
import { type Footprint, footprints } from './footprints.ts'
import { outlineLoop, outlineSize } from './outlineLoop.ts'
import { reach } from './placing.ts'

type Ring = readonly Point[]
/** What a new feature must keep clear of: `filled` where nothing may stand within it either. */
type Obstacle = { readonly ring: Ring; readonly filled: boolean }
/** A feature that has its own place already is not in its own way. */
export type Own = Pick<Footprint, 'list' | 'id'>

/** Places tried along each side of the plan, and closer round the best of them. */
const STEPS = 40
const CLOSER = 8
/** Room that is left at the least round what is put in, mm [own]. */
const LEAST = 2
/** Places whose room differs by less are as good as one another, mm. */
const SAME = 0.5

/**
 * The middle of the largest free room on a slab's plan that takes a box of twice `half`: clear of the outline, of
 * openings, drainers, panels, letters, inserts and the basin with its shell. Of places as good, the one nearest to the
 * plan's middle; whole mm, but for the middle itself. null where no room takes it. Within a fortieth of the plan of the
 * best place, by search. A slab of 900 x 500 with nothing on it gives its middle, [450, 250].
 */
export function freePlace(piece: SlabPiece, half: Point, own?: Own): Point | null {
  const { length, width } = outlineSize(piece.outline)
  const obstacles = obstaclesOf(piece, own)
  const middle: Point = [length / 2, width / 2]
  let best: { at: Point; room: number; off: number } | null = null
  const tryAt = (x: number, y: number) => {
    const room = roomAt([x, y], half, obstacles, (best?.room ?? LEAST) - SAME)
    if (room < LEAST) return
    const off = Math.hypot(x - middle[0], y - middle[1])
    const better = !best || room > best.room + SAME || (room > best.room - SAME && off < best.off - 1e-9)
    if (better) best = { at: [x, y], room, off }
  }
  const [x0, y0] = half
  const [stepX, stepY] = [(length - 2 * x0) / STEPS, (width - 2 * y0) / STEPS]
  if (stepX < 0 || stepY < 0) return null
  // From the middle outward: the first of places as good is then the nearest.
  tryAt(...middle)
  for (let i = 0; i <= STEPS; i += 1)
    for (let k = 0; k <= STEPS; k += 1) tryAt(x0 + i * stepX, y0 + k * stepY)
  const found = best as { at: Point } | null
  if (!found) return null
  const [x, y] = found.at
  for (let i = -CLOSER; i <= CLOSER; i += 1)
    for (let k = -CLOSER; k <= CLOSER; k += 1)
      tryAt(Math.round(x + (i * stepX) / CLOSER), Math.round(y + (k * stepY) / CLOSER))
  return (best as unknown as { at: Point }).at
}

/** An opening put into the largest free room: centred where that is the middle, else from the left and the front. */
export function placedFree(piece: SlabPiece, opening: Opening): Opening | null {
  const at = freePlace(piece, [reach(opening, 'u'), reach(opening, 'v')], {
    list: 'openings',
    id: opening.id,
  })
  if (!at) return null
  const { length, width } = outlineSize(piece.outline)
  const rule = (axis: 'u' | 'v'): PlaceRule => {
    const [k, total] = axis === 'u' ? ([0, length] as const) : ([1, width] as const)
    return Math.abs(at[k] - total / 2) < SAME
      ? { rule: 'centred', offset: 0 }
      : { rule: 'fromStart', distance: Math.round(at[k] - reach(opening, axis)) }
  }
  return { ...opening, u: rule('u'), v: rule('v') }
}

/** The change that moves an opening into free room; null where there is none. */
export function moveToFree(piece: SlabPiece, openingId: string): Change | null {
  const opening = piece.openings.find((o) => o.id === openingId)
  const placed = opening && placedFree(piece, opening)
  if (!placed) return null
  return {
    type: 'openingChanged',
    pieceId: piece.id,
    openingId,
    patch: { u: placed.u, v: placed.v },
  }
}

function obstaclesOf(piece: SlabPiece, own: Own | undefined): Obstacle[] {
  const found: Obstacle[] = loopRegion(outlineLoop(piece.outline)).map((ring) => ({ ring, filled: false }))
  for (const { list, id, region, room = region, open } of footprints(piece))
    if (own?.list !== list || own.id !== id) found.push(...room.map((ring) => ({ ring, filled: !open })))
  return found.filter(({ ring }) => ring.length > 2)
}

/** The least distance from a box to anything in its way, mm; -1 where it does not fit. Gives up below `least`. */
function roomAt(at: Point, half: Point, obstacles: readonly Obstacle[], least: number): number {
  let room = Infinity
  for (const [n, { ring, filled }] of obstacles.entries()) {
    let odd = false
    for (let i = 0; i < ring.length; i += 1) {
      const [a, b] = [ring[i]!, ring[i + 1 === ring.length ? 0 : i + 1]!]
      if (a[1] > at[1] !== b[1] > at[1] && at[0] < a[0] + ((b[0] - a[0]) * (at[1] - a[1])) / (b[1] - a[1]))
        odd = !odd
      const far = boxToSegment(at, half, a, b)
      if (far <= 0) return -1
      if (far < room) room = far
      if (room < least) return -1
    }
    // The outline comes first: within it, and outside of all that is filled.
    if (n === 0 ? !odd : filled && odd) return -1
  }
  return room
}

/** Distance between an upright box and a segment; 0 where they meet. */
function boxToSegment([x, y]: Point, [l, w]: Point, a: Point, b: Point): number {
  const [ax, ay, bx, by] = [a[0] - x, a[1] - y, b[0] - x, b[1] - y]
  const [dx, dy] = [bx - ax, by - ay]
  // The part of the segment within the box, by clipping.
  let [t0, t1] = [0, 1]
  for (const [from, by, reach] of [
    [ax, dx, l],
    [ay, dy, w],
  ] as const) {
    if (by === 0) {
      if (Math.abs(from) > reach) t1 = -1
      continue
    }
    const [p, q] = [(-reach - from) / by, (reach - from) / by]
    t0 = Math.max(t0, Math.min(p, q))
    t1 = Math.min(t1, Math.max(p, q))
  }
  if (t0 <= t1) return 0
  const outside = (u: number, v: number) =>
    Math.hypot(Math.max(0, Math.abs(u) - l), Math.max(0, Math.abs(v) - w))
  let least = Math.min(outside(ax, ay), outside(bx, by))
  const length2 = dx * dx + dy * dy
  if (length2 === 0) return least
  for (const [u, v] of [
    [-l, -w],
    [l, -w],
    [l, w],
    [-l, w],
  ] as const) {
    const t = Math.max(0, Math.min(1, ((u - ax) * dx + (v - ay) * dy) / length2))
    least = Math.min(least, Math.hypot(ax + t * dx - u, ay + t * dy - v))
  }
  return least
}
