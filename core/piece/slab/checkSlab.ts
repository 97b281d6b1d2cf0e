import {
  boundLoop,
  combineRegions,
  edgeSize,
  findCrossing,
  type Kernel,
  type Loop,
  loftPoints,
  loopChords,
  loopRegion,
  lostSides,
  measureRegion,
  type Region,
} from '../../geometry/index.ts'
import type { About, Change, Finding, Opening, SlabPiece } from '../../job/index.ts'
import type { PlacedOpening } from '../types.ts'
import { checkSlabFeatures } from './checkFeatures.ts'
import { openingCures } from './cures.ts'
import {
  asPolygon,
  outlineEdges,
  outlinePath,
  outlineSize,
  shapeLoop,
  sidesOf,
  sideWords,
} from './outlineLoop.ts'
import type { Placing } from './placing.ts'
import type { Cure, Raise } from './raise.ts'
import { openingHole, outlineLoft } from './slabSolid.ts'

const CORNERS = ['front left', 'front right', 'back right', 'back left'] as const
/** Areas below this (mm2) are rounding. */
const NOTHING = 0.01

/** Everything that keeps a slab from being built, and what is odd about it. All are collected. */
export function checkSlab(
  kernel: Kernel,
  piece: SlabPiece,
  outline: Loop,
  openings: readonly PlacedOpening[],
  placing: Placing,
): Finding[] {
  const findings: Finding[] = []
  const raise: Raise = ({ changes, cures, ...finding }) =>
    findings.push({
      ...finding,
      station: 'piece',
      remedies: (cures ?? (changes ? [{ code: finding.code, changes }] : [])).map((cure) => ({
        ...cure,
        facts: finding.facts,
      })),
    })
  checkRadii(piece, raise)
  if (findings.every((f) => f.level !== 'stop')) checkCrossing(outline, piece, raise)
  checkEdges(piece, raise)
  if (findings.length === 0) checkInsets(piece, raise)
  checkOpeningShapes(piece, raise)
  checkPlacing(piece, placing, raise)
  if (findings.every((f) => f.level !== 'stop' || !BLIND.has(f.code))) {
    checkOpeningPlaces(kernel, piece, outline, openings, raise)
    checkSlabFeatures(kernel, piece, outline, openings, raise)
  }
  if (findings.every((f) => f.level !== 'stop')) checkRims(piece, openings, raise)
  return findings
}

/** Findings after which places cannot be judged: the loops themselves are wrong. */
const BLIND = new Set(['corner-radius', 'opening-radius', 'outline-crosses', 'opening-crosses', 'edges-meet'])

/** An outline that runs over itself, or that is walked clockwise and so has no inside. */
function checkCrossing(outline: Loop, piece: SlabPiece, raise: Raise): void {
  const ring = loopRegion(outline)[0]!
  const crossing = findCrossing(ring)
  if (!crossing && measureRegion([ring]) > 1e-6) return
  raise({
    code: 'outline-crosses',
    level: 'stop',
    about: [{ pieceId: piece.id, kind: 'piece', id: piece.id }],
    facts: {
      xMm: crossing?.at[0] ?? 0,
      yMm: crossing?.at[1] ?? 0,
      how: crossing ? 'crosses' : 'has no inside',
    },
  })
}

/** Sides that their own or their neighbours' edges eat up, at the top and at the foot. */
function checkInsets(piece: SlabPiece, raise: Raise): void {
  const loft = outlineLoft(piece)
  const edges = outlineEdges(outlinePath(piece.outline))
  const { thickness } = piece
  for (const z of [thickness, 0]) {
    const lost = [...new Set(lostSides(loft, z))]
    const crossing = lost.length === 0 ? findCrossing(loftPoints(loft, z)) : null
    if (lost.length === 0 && !crossing) continue
    const gone = lost.map((name) => edges.get(name)!)
    const id = gone[0]?.id ?? sidesOf(piece)[0]!
    raise({
      code: 'edges-meet',
      level: 'stop',
      about: [{ pieceId: piece.id, kind: 'side', id }],
      facts: {
        side: gone.length > 0 ? gone.map((e) => e.words).join(', ') : 'one',
        face: z === 0 ? 'underside' : 'top',
      },
    })
    return
  }
}

/** Rims of openings that run into each other or over the eased outline. */
function checkRims(piece: SlabPiece, openings: readonly PlacedOpening[], raise: Raise): void {
  const through = openings.flatMap((placed) => {
    const opening = piece.openings.find((o) => o.id === placed.openingId)!
    return opening.depth === null
      ? [{ placed, opening, hole: openingHole(opening, placed, piece.thickness) }]
      : []
  })
  const loft = outlineLoft(piece)
  for (const z of [piece.thickness, 0]) {
    const edge = loftPoints(loft, z)
    for (const { placed, opening, hole } of through) {
      const ring = [...loftPoints(hole, z)].reverse()
      const closed = lostSides(hole, z).length > 0 || measureRegion([ring]) <= 0
      const beside = edgesBeside(ring, edge)
      if (closed || !ring.every((p) => isInside(p, beside))) {
        const changed = (code: string, patch: Partial<Omit<Opening, 'id'>>): Cure => ({
          code,
          changes: [{ type: 'openingChanged', pieceId: piece.id, openingId: opening.id, patch }],
        })
        raise({
          code: closed ? 'opening-closes' : 'rim-over-edge',
          level: 'stop',
          about: [{ pieceId: piece.id, kind: 'opening', id: opening.id, face: `opening/${placed.key}` }],
          facts: { opening: placed.name, draftDeg: opening.draftDeg },
          cures: [
            closed
              ? changed('straighten', { draftDeg: 0 })
              : changed('square', { rim: { top: { kind: 'square' }, bottom: { kind: 'square' } } }),
            ...openingCures(piece, opening.id).filter((c) => !closed || c.code === 'take-out'),
          ],
        })
        return
      }
    }
  }
}

type Ring = readonly (readonly [number, number])[]

/** The edges of a ring that a ray to the right from any point of another may cross: the others need not be looked at. */
function edgesBeside(of: Ring, ring: Ring): Ring[] {
  let [left, low, high] = [Infinity, Infinity, -Infinity]
  for (const [x, y] of of) {
    left = Math.min(left, x)
    low = Math.min(low, y)
    high = Math.max(high, y)
  }
  return ring.flatMap((a, i): Ring[] => {
    const b = ring[(i + 1) % ring.length]!
    const clear = Math.max(a[1], b[1]) < low || Math.min(a[1], b[1]) > high || Math.max(a[0], b[0]) < left
    return clear ? [] : [[a, b]]
  })
}

/** Whether a point lies inside a ring, by crossings of a ray to the right with those of its edges that it may cross. */
function isInside([x, y]: readonly [number, number], edges: readonly Ring[]): boolean {
  let odd = false
  for (const [a, b] of edges) {
    const [ax, ay] = a!
    const [bx, by] = b!
    if (ay > y !== by > y && x < ax + ((bx - ax) * (y - ay)) / (by - ay)) odd = !odd
  }
  return odd
}

/** Half a step of room is left so that no side vanishes by rounding. */
const roundDown = (mm: number): number => Math.floor(mm * 2) / 2

/** What a corner's radius leaves of its two sides: each gives r tan(turn/2). */
function checkRadii(piece: SlabPiece, raise: Raise): void {
  const path = outlinePath(piece.outline)
  const n = path.length
  const at = (i: number) => path[(i + n) % n]!
  const half = path.map((c, i): number => {
    const [p, q] = [at(i - 1), at(i + 1)]
    const [ux, uy, vx, vy] = [c.x - p.x, c.y - p.y, q.x - c.x, q.y - c.y]
    return Math.abs(Math.tan(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy) / 2))
  })
  const runs = path.map((c, i) => Math.hypot(at(i + 1).x - c.x, at(i + 1).y - c.y))
  const taken = path.map((c, i) => c.radius * half[i]!)
  path.forEach((corner, i) => {
    if (corner.radius === 0) return
    const [before, after] = [(i + n - 1) % n, (i + 1) % n]
    const name =
      piece.outline.kind === 'rectangle'
        ? CORNERS[i]!
        : `${sideWords(at(i - 1).side)} to ${sideWords(corner.side)}`
    if (at(i - 1).run.kind !== 'line' || corner.run.kind !== 'line') {
      raise({
        code: 'radius-on-curve',
        level: 'warn',
        about: [{ pieceId: piece.id, kind: 'corner', id: name }],
        facts: { corner: name, radiusMm: corner.radius },
      })
      return
    }
    const most = Math.min(runs[i]! - taken[after]!, runs[before]! - taken[before]!) / (half[i]! || 1)
    if (corner.radius <= most + 1e-9) return
    const fits = roundDown(
      Math.min(...[i, before].map((k) => runs[k]! / 2 / Math.max(half[k]!, half[(k + 1) % n]!, 1e-9))),
    )
    const outline = piece.outline
    raise({
      code: 'corner-radius',
      level: 'stop',
      about: [{ pieceId: piece.id, kind: 'corner', id: name }],
      facts: { corner: name, radiusMm: corner.radius, mostMm: Math.max(0, most), fitsMm: Math.max(0, fits) },
      changes: [
        {
          type: 'outlineChanged',
          pieceId: piece.id,
          outline:
            outline.kind === 'rectangle'
              ? { ...outline, radii: outline.radii.map((r) => Math.min(r, fits)) as typeof outline.radii }
              : {
                  kind: 'polygon',
                  corners: asPolygon(outline).corners.map((c) => ({
                    ...c,
                    radius: Math.min(c.radius, Math.max(0, fits)),
                  })),
                },
        },
      ],
    })
  })
}

function checkEdges(piece: SlabPiece, raise: Raise): void {
  for (const side of sidesOf(piece)) {
    const { top, bottom, taper, apron } = piece.sides[side]!
    const sum = edgeSize(top) + edgeSize(bottom)
    const rim = edgeSize(top) >= edgeSize(bottom) ? 'top' : 'bottom'
    const about: About[] = [{ pieceId: piece.id, kind: 'side', id: side, face: `edge/${side}/${rim}` }]
    const { length, width } = outlineSize(piece.outline)
    if (apron && apron.thickness >= Math.min(length, width))
      raise({
        code: 'apron-fills',
        level: 'stop',
        about,
        facts: { side: sideWords(side), thicknessMm: apron.thickness, acrossMm: Math.min(length, width) },
        changes: [{ type: 'sideChanged', pieceId: piece.id, side, patch: { apron: null } }],
      })
    if (Math.abs(taper) > piece.thickness * 2)
      raise({
        code: 'taper-flat',
        level: 'warn',
        about,
        facts: { side: sideWords(side), taperMm: taper, thicknessMm: piece.thickness },
      })
    if (sum > piece.thickness) {
      const fits = roundDown(
        Math.min(
          piece.thickness / 2,
          Math.max(0, piece.thickness - Math.min(edgeSize(top), edgeSize(bottom))),
        ),
      )
      raise({
        code: 'edge-too-deep',
        level: 'stop',
        about,
        facts: { side: sideWords(side), edgeMm: sum, thicknessMm: piece.thickness, fitsMm: fits },
        changes: (['top', 'bottom'] as const).flatMap((name): Change[] => {
          const edge = piece.sides[side]![name]
          if (edge.kind === 'square' || edge.size <= fits) return []
          return [
            {
              type: 'edgeChanged',
              pieceId: piece.id,
              side,
              rim: name,
              edge: fits > 0 ? { ...edge, size: fits } : { kind: 'square' },
            },
          ]
        }),
      })
    }
  }
}

function checkOpeningShapes(piece: SlabPiece, raise: Raise): void {
  for (const { id, name, shape, rim, depth } of piece.openings) {
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
    else if (edgeSize(rim.top) + edgeSize(rim.bottom) > (depth ?? piece.thickness))
      raise({
        code: 'rim-too-deep',
        level: 'stop',
        about,
        facts: {
          opening: name,
          edgeMm: edgeSize(rim.top) + edgeSize(rim.bottom),
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

function checkPlacing(piece: SlabPiece, placing: Placing, raise: Raise): void {
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
function furthestBeyond(ring: Ring, outline: Loop): { side: string; beyond: number } {
  const { points, names } = loopChords(outline)
  const edges = points.map((from, i): Ring => [from, points[(i + 1) % points.length]!])
  let [side, beyond, nearest] = ['', 0, Infinity]
  for (const p of ring) {
    const far = edges.map((edge) => pointToEdge(p, edge))
    const least = Math.min(...far)
    const name = names[far.indexOf(least)]!
    if (least > beyond && !isInside(p, edges)) [side, beyond] = [name, least]
    else if (beyond === 0 && least < nearest) [side, nearest] = [name, least]
  }
  return { side, beyond }
}

function pointToEdge([x, y]: Ring[number], [from, to]: Ring): number {
  const [dx, dy] = [to![0] - from![0], to![1] - from![1]]
  const length2 = dx * dx + dy * dy
  const t = length2 === 0 ? 0 : ((x - from![0]) * dx + (y - from![1]) * dy) / length2
  const along = Math.max(0, Math.min(1, t))
  return Math.hypot(x - from![0] - along * dx, y - from![1] - along * dy)
}

function checkOpeningPlaces(
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
  const edges = outlineEdges(outlinePath(piece.outline))
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
