import {
  boundLoop,
  combineRegions,
  edgeDeep,
  findCrossing,
  isWithin,
  type Kernel,
  type Loop,
  loopChords,
  loopRegion,
  measureRegion,
  type Point,
  pointToEdge,
  type Region,
} from '../../geometry/index.ts'
import type { About, SlabPiece } from '../../job/index.ts'
import type { PlacedOpening } from '../types.ts'
import { openingCures } from './cures.ts'
import { outlineEdges, outlinePath, outlineSize, shapeLoop, sideNamesOf } from './outlineLoop.ts'
import type { Placing } from './placing.ts'
import { type Raise, roundDown } from './raise.ts'

/** Areas below this (mm2) are rounding. */
const NOTHING = 0.01

/** Openings whose own shape, depth or rim cannot be. */
export function checkOpeningShapes(piece: SlabPiece, raise: Raise): void {
  for (const { id, name, shape, rim, depth, made } of piece.openings) {
    const about: About[] = [{ pieceId: piece.id, kind: 'opening', id }]
    if (shape.kind === 'rectangle' && shape.radius * 2 > Math.min(shape.length, shape.width) + 1e-9) {
      const most = Math.min(shape.length, shape.width) / 2
      raise({
        code: 'opening-radius',
        level: 'stop',
        about,
        facts: { opening: name, radiusMm: shape.radius, mostMm: most },
        changes: [
          {
            type: 'openingChanged',
            pieceId: piece.id,
            openingId: id,
            patch: { shape: { ...shape, radius: roundDown(most) }, fixture: null },
          },
        ],
      })
    }
    if (shape.kind === 'polygon') {
      const ring = loopRegion(shapeLoop(shape, [0, 0], 'x'))[0]!
      if (findCrossing(ring) || measureRegion([ring]) <= 0)
        raise({ code: 'opening-crosses', level: 'stop', about, facts: { opening: name } })
    }
    if (depth !== null && depth >= piece.thickness)
      raise({
        code: 'recess-through',
        level: 'stop',
        about,
        facts: { opening: name, depthMm: depth, thicknessMm: piece.thickness },
        changes: [{ type: 'openingChanged', pieceId: piece.id, openingId: id, patch: { depth: null } }],
      })
    else if (made === 'cast' && edgeDeep(rim.top) + edgeDeep(rim.bottom) > (depth ?? piece.thickness))
      raise({
        code: 'rim-too-deep',
        level: 'stop',
        about,
        facts: {
          opening: name,
          edgeMm: edgeDeep(rim.top) + edgeDeep(rim.bottom),
          thicknessMm: piece.thickness,
        },
        changes: [
          {
            type: 'openingChanged',
            pieceId: piece.id,
            openingId: id,
            patch: { rim: { top: { kind: 'square' }, bottom: { kind: 'square' } } },
          },
        ],
      })
  }
}

/** Rules of placing that lead nowhere or in a circle. */
export function checkPlacing(piece: SlabPiece, placing: Placing, raise: Raise): void {
  for (const { code, openingId, axis, onto } of placing.problems) {
    const opening = piece.openings.find((o) => o.id === openingId)!
    const other = piece.openings.find((o) => o.id === onto)
    raise({
      code: code === 'lost' ? 'placing-lost' : 'placing-circular',
      level: 'stop',
      about: [{ pieceId: piece.id, kind: 'opening', id: openingId }],
      facts: { opening: opening.name, onto: other?.name ?? onto, axis },
      changes: [
        {
          type: 'openingChanged',
          pieceId: piece.id,
          openingId,
          patch: { [axis]: { rule: 'centred', offset: 0 } },
        },
      ],
    })
  }
}

/** How far a ring reaches beyond the outline, mm, and the side of it that it reaches over; 0 where it only touches. */
function furthestBeyond(ring: readonly Point[], outline: Loop): { side: string; beyond: number } {
  const { points, names } = loopChords(outline)
  const edges = points.map((from, i) => [from, points[(i + 1) % points.length]!] as const)
  let [side, beyond, nearest] = ['', 0, Infinity]
  for (const p of ring) {
    const far = edges.map((edge) => pointToEdge(p, edge))
    const least = Math.min(...far)
    const name = names[far.indexOf(least)]!
    if (least > beyond && !isWithin(p, points)) [side, beyond] = [name, least]
    else if (beyond === 0 && least < nearest) [side, nearest] = [name, least]
  }
  return { side, beyond }
}

/** Openings that reach beyond the outline or into one another. */
export function checkOpeningPlaces(
  kernel: Kernel,
  piece: SlabPiece,
  outline: Loop,
  openings: readonly PlacedOpening[],
  raise: Raise,
): void {
  const whole = loopRegion(outline)
  const regions: Region[] = openings.map((o) => loopRegion(o.loop))
  const boxes = openings.map((o) => boundLoop(o.loop))
  const { length, width } = outlineSize(piece.outline)
  const edges = outlineEdges(outlinePath(piece.outline), sideNamesOf(piece.outline))
  const rounding =
    piece.outline.kind === 'rectangle' ? Math.max(...piece.outline.radii) : Number.POSITIVE_INFINITY
  openings.forEach((opening, i) => {
    const { min, max } = boxes[i]!
    const clear =
      min[0] >= rounding && min[1] >= rounding && max[0] <= length - rounding && max[1] <= width - rounding
    if (clear && min[0] > 0 && min[1] > 0 && max[0] < length && max[1] < width) return
    const outside = measureRegion(combineRegions(kernel, 'difference', [regions[i]!, whole]))
    const touches =
      piece.outline.kind === 'polygon'
        ? outside > NOTHING
        : min[0] <= 1e-6 || min[1] <= 1e-6 || max[0] >= length - 1e-6 || max[1] >= width - 1e-6
    if (outside <= NOTHING && !touches) return
    const all = measureRegion(regions[i]!)
    const { side, beyond } = furthestBeyond(regions[i]![0]!, outline)
    const [code, level] =
      outside > all - NOTHING
        ? (['opening-outside', 'stop'] as const)
        : outside > NOTHING
          ? (['opening-across', 'stop'] as const)
          : (['opening-touches', 'stop'] as const)
    raise({
      code,
      level,
      about: [{ pieceId: piece.id, kind: 'opening', id: opening.openingId, face: `opening/${opening.key}` }],
      facts: { opening: opening.name, side: edges.get(side)?.words ?? side, beyondMm: beyond },
      cures: openingCures(piece, opening.openingId),
    })
  })
  for (let i = 0; i < openings.length; i += 1) {
    for (let j = i + 1; j < openings.length; j += 1) {
      const [a, b] = [boxes[i]!, boxes[j]!]
      if (a.max[0] <= b.min[0] || b.max[0] <= a.min[0] || a.max[1] <= b.min[1] || b.max[1] <= a.min[1])
        continue
      const [first, second] = [openings[i]!, openings[j]!]
      const apart =
        first.depth !== null &&
        second.depth !== null &&
        first.on !== second.on &&
        first.depth + second.depth < piece.thickness
      if (apart) continue
      const shared = measureRegion(combineRegions(kernel, 'intersection', [regions[i]!, regions[j]!]))
      if (shared <= NOTHING) continue
      raise({
        code: 'openings-overlap',
        level: 'stop',
        about: [openings[i]!, openings[j]!].map((o) => ({
          pieceId: piece.id,
          kind: 'opening',
          id: o.openingId,
          face: `opening/${o.key}`,
        })),
        facts: { opening: openings[i]!.name, other: openings[j]!.name, sharedMm2: Math.round(shared) },
        // The later one gives way.
        cures: openingCures(piece, second.openingId),
      })
    }
  }
}
