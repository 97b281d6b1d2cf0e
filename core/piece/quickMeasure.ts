import {
  type EdgeShape,
  edgeInset,
  edgeIntegrals,
  edgeSize,
  type Loop,
  measureLoop,
  type Point,
} from '../geometry/index.ts'
import type { Piece } from '../job/index.ts'
import { SIDES } from './outlineLoop.ts'
import type { PlacedOpening } from './types.ts'

export type QuickMeasure = {
  readonly volume: number
  readonly centroid: readonly [number, number, number]
  readonly faceArea: number
}

/**
 * Volume (mm3) and centroid of a slab from exact areas and edge lengths, for figures while something is dragged.
 * Held against the solid by test within the chord error.
 */
export function quickMeasure(piece: Piece, outline: Loop, openings: readonly PlacedOpening[]): QuickMeasure {
  const whole = measureLoop(outline)
  let faceArea = whole.area
  let [mx, my] = [whole.area * whole.centroid[0], whole.area * whole.centroid[1]]
  for (const { loop } of openings) {
    const hole = measureLoop(loop)
    faceArea -= hole.area
    mx -= hole.area * hole.centroid[0]
    my -= hole.area * hole.centroid[1]
  }
  const { thickness } = piece
  let volume = faceArea * thickness
  let moment: [number, number, number] = [mx * thickness, my * thickness, (volume * thickness) / 2]
  const take = (removed: number, [x, y]: Point, z: number) => {
    volume -= removed
    moment = [moment[0] - removed * x, moment[1] - removed * y, moment[2] - removed * z]
  }
  const rims = Object.fromEntries(piece.openings.map((o) => [o.id, o.rim]))
  for (const rim of ['top', 'bottom'] as const) {
    const level = (size: number) => (rim === 'top' ? thickness - size / 4 : size / 4)
    for (const piecewise of outlineRemovals(piece, rim))
      take(piecewise.volume, piecewise.at, level(piecewise.size))
    for (const opening of openings) {
      const edge = rims[opening.openingId]![rim]
      const removed = rimRemoval(opening.loop, edge)
      if (removed > 0) take(removed, opening.centre, level(edgeSize(edge)))
    }
  }
  return { volume, centroid: [moment[0] / volume, moment[1] / volume, moment[2] / volume], faceArea }
}

/** Levels of the sum over a rim's depth. */
const LEVELS = 240

type Removal = { readonly volume: number; readonly at: Point; readonly size: number }

/**
 * Each side's run at its full length, then each corner's correction: where two runs cross they share d1 d2, a rounded
 * corner was never there for (1 - pi/4) R^2, and inside it (1 - pi/4)(R - d)^2 more is gone than the runs take.
 */
function outlineRemovals(piece: Piece, rim: 'top' | 'bottom'): Removal[] {
  const { length, width, radii } = piece.outline
  const edges = SIDES.map((side): EdgeShape => piece.sides[side][rim])
  const ends: Point[] = [
    [0, 0],
    [length, 0],
    [length, width],
    [0, width],
  ]
  const removals = edges.map((edge, i): Removal => {
    const [a, b] = [ends[i]!, ends[(i + 1) % 4]!]
    const run = Math.hypot(b[0] - a[0], b[1] - a[1])
    return {
      volume: edgeIntegrals(edge).area * run,
      at: [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2],
      size: edgeSize(edge),
    }
  })
  ends.forEach((corner, i) => {
    const [a, b] = [edges[(i + 3) % 4]!, edges[i]!]
    const size = Math.max(edgeSize(a), edgeSize(b))
    if (size === 0) return
    removals.push({ volume: cornerCorrection(a, b, radii[i]!, size), at: corner, size })
  })
  return removals
}

function cornerCorrection(a: EdgeShape, b: EdgeShape, radius: number, size: number): number {
  const beyond = (d: number) => Math.max(0, radius - d) ** 2 - radius ** 2
  let sum = 0
  for (let i = 0; i < LEVELS; i += 1) {
    const w = ((i + 0.5) * size) / LEVELS
    const [da, db] = [edgeInset(a, w), edgeInset(b, w)]
    sum += -da * db + ((1 - Math.PI / 4) / 2) * (beyond(da) + beyond(db))
  }
  return (sum * size) / LEVELS
}

/** An opening's rim: straight runs A l, and at each corner a turn of Pappus, sweep (R A + B/2). */
function rimRemoval(loop: Loop, edge: EdgeShape): number {
  const { area, second } = edgeIntegrals(edge)
  if (area === 0) return 0
  const arcs = loop.some((s) => s.arc)
  const runs = loop.reduce((sum, { from, to, arc }) => {
    if (!arc) return sum + area * Math.hypot(to[0] - from[0], to[1] - from[1])
    return sum + arc.sweepRad * (arc.radius * area + second / 2)
  }, 0)
  return arcs ? runs : runs + 2 * Math.PI * (second / 2)
}
