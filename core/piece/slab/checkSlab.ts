import {
  edgeDeep,
  edgesBeside,
  findCrossing,
  isWithinEdges,
  type Kernel,
  type Loop,
  loftPoints,
  loopRegion,
  lostSides,
  measureRegion,
} from '../../geometry/index.ts'
import type { About, Change, Edge, Finding, Opening, SlabPiece } from '../../job/index.ts'
import type { PlacedOpening } from '../types.ts'
import { checkDrilled } from './checkDrilled.ts'
import { checkSlabFeatures } from './checkFeatures.ts'
import { checkOpeningPlaces, checkOpeningShapes, checkPlacing } from './checkOpenings.ts'
import { checkOverlaps } from './checkOverlaps.ts'
import { openingCures } from './cures.ts'
import {
  asPolygon,
  nameOfSide,
  outlineEdges,
  outlinePath,
  outlineSize,
  sideNamesOf,
  sidesOf,
} from './outlineLoop.ts'
import { atWidest, type Placing } from './placing.ts'
import { type Cure, type Raise, roundDown } from './raise.ts'
import { openingHole, outlineLoft } from './slabSolid.ts'

const CORNERS = ['front left', 'front right', 'back right', 'back left'] as const

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
  checkDrilled(piece, outline, openings, raise)
  if (findings.every((f) => f.level !== 'stop' || !BLIND.has(f.code))) {
    checkOpeningPlaces(kernel, piece, outline, atWidest(piece, openings), raise)
    checkSlabFeatures(kernel, piece, outline, openings, raise)
    checkOverlaps(kernel, piece, raise)
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
  const edges = outlineEdges(outlinePath(piece.outline), sideNamesOf(piece.outline))
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
        side: gone.length > 0 ? gone.map((e) => e.words).join(', ') : '',
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
    return opening.depth === null && opening.made === 'cast'
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
      if (closed || !ring.every((p) => isWithinEdges(p, beside))) {
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
        : `${nameOfSide(piece.outline, at(i - 1).side)} to ${nameOfSide(piece.outline, corner.side)}`
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

/** An edge no deeper than fits: round ones keep their shape, others their way in. */
const madeToFit = (edge: Exclude<Edge, { kind: 'square' }>, fits: number): Edge =>
  edge.kind === 'bead' || (edge.kind === 'chamfer' && edge.rise === undefined)
    ? { ...edge, size: fits }
    : { ...edge, rise: fits }

function checkEdges(piece: SlabPiece, raise: Raise): void {
  for (const side of sidesOf(piece)) {
    const { top, bottom, taper, apron } = piece.sides[side]!
    const sum = edgeDeep(top) + edgeDeep(bottom)
    const rim = edgeDeep(top) >= edgeDeep(bottom) ? 'top' : 'bottom'
    const about: About[] = [{ pieceId: piece.id, kind: 'side', id: side, face: `edge/${side}/${rim}` }]
    const { length, width } = outlineSize(piece.outline)
    if (apron && apron.thickness >= Math.min(length, width))
      raise({
        code: 'apron-fills',
        level: 'stop',
        about,
        facts: {
          side: nameOfSide(piece.outline, side),
          thicknessMm: apron.thickness,
          acrossMm: Math.min(length, width),
        },
        changes: [{ type: 'sideChanged', pieceId: piece.id, side, patch: { apron: null } }],
      })
    if (Math.abs(taper) > piece.thickness * 2)
      raise({
        code: 'taper-flat',
        level: 'warn',
        about,
        facts: { side: nameOfSide(piece.outline, side), taperMm: taper, thicknessMm: piece.thickness },
      })
    if (sum > piece.thickness) {
      const fits = roundDown(
        Math.min(
          piece.thickness / 2,
          Math.max(0, piece.thickness - Math.min(edgeDeep(top), edgeDeep(bottom))),
        ),
      )
      raise({
        code: 'edge-too-deep',
        level: 'stop',
        about,
        facts: {
          side: nameOfSide(piece.outline, side),
          edgeMm: sum,
          thicknessMm: piece.thickness,
          fitsMm: fits,
        },
        changes: (['top', 'bottom'] as const).flatMap((name): Change[] => {
          const edge = piece.sides[side]![name]
          if (edge.kind === 'square' || edgeDeep(edge) <= fits) return []
          return [
            {
              type: 'edgeChanged',
              pieceId: piece.id,
              side,
              rim: name,
              edge: fits > 0 ? madeToFit(edge, fits) : { kind: 'square' },
            },
          ]
        }),
      })
    }
  }
}
