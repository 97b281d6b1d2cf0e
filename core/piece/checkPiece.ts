import {
  boundLoop,
  combineRegions,
  edgeSize,
  type Kernel,
  type Loop,
  loopRegion,
  measureRegion,
  type Region,
} from '../geometry/index.ts'
import type { About, Change, Finding, Piece } from '../job/index.ts'
import { SIDES } from './outlineLoop.ts'
import type { Placing } from './placing.ts'
import type { PlacedOpening } from './types.ts'

const CORNERS = ['front left', 'front right', 'back right', 'back left'] as const
/** Areas below this (mm2) are rounding. */
const NOTHING = 0.01

type Raise = (
  finding: Omit<Finding, 'station' | 'about' | 'remedies'> & {
    about: readonly About[]
    changes?: readonly Change[]
  },
) => void

/** Everything that keeps a slab from being built, and what is odd about it. All are collected. */
export function checkPiece(
  kernel: Kernel,
  piece: Piece,
  outline: Loop,
  openings: readonly PlacedOpening[],
  placing: Placing,
): Finding[] {
  const findings: Finding[] = []
  const raise: Raise = ({ changes, ...finding }) =>
    findings.push({
      ...finding,
      station: 'piece',
      remedies: changes ? [{ code: finding.code, facts: finding.facts, changes }] : [],
    })
  checkRadii(piece, raise)
  checkEdges(piece, raise)
  checkOpeningShapes(piece, raise)
  checkPlacing(piece, placing, raise)
  if (findings.every((f) => f.code !== 'corner-radius' && f.code !== 'opening-radius'))
    checkOpeningPlaces(kernel, piece, outline, openings, raise)
  return findings
}

/** Half a step of room is left so that no side vanishes by rounding. */
const roundDown = (mm: number): number => Math.floor(mm * 2) / 2

function checkRadii(piece: Piece, raise: Raise): void {
  const { length, width, radii } = piece.outline
  const sides = [length, width, length, width]
  radii.forEach((radius, i) => {
    const most = Math.min(sides[i]! - radii[(i + 1) % 4]!, sides[(i + 3) % 4]! - radii[(i + 3) % 4]!)
    if (radius === 0 || radius <= most + 1e-9) return
    const fits = roundDown(Math.min(length, width) / 2)
    raise({
      code: 'corner-radius',
      level: 'stop',
      about: [{ pieceId: piece.id, kind: 'corner', id: CORNERS[i]! }],
      facts: { corner: CORNERS[i]!, radiusMm: radius, mostMm: Math.max(0, most), fitsMm: fits },
      changes: [
        {
          type: 'outlineChanged',
          pieceId: piece.id,
          outline: { ...piece.outline, radii: radii.map((r) => Math.min(r, fits)) as typeof radii },
        },
      ],
    })
  })
}

function checkEdges(piece: Piece, raise: Raise): void {
  const { length, width } = piece.outline
  SIDES.forEach((side, i) => {
    const { top, bottom } = piece.sides[side]
    const sum = edgeSize(top) + edgeSize(bottom)
    const rim = edgeSize(top) >= edgeSize(bottom) ? 'top' : 'bottom'
    const about: About[] = [{ pieceId: piece.id, kind: 'side', id: side, face: `edge/${side}/${rim}` }]
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
        facts: { side, edgeMm: sum, thicknessMm: piece.thickness, fitsMm: fits },
        changes: (['top', 'bottom'] as const).flatMap((name): Change[] => {
          const edge = piece.sides[side][name]
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
    if (i >= 2) return
    const across = i === 0 ? width : length
    const opposite = SIDES[i + 2]!
    for (const name of ['top', 'bottom'] as const) {
      const both = edgeSize(piece.sides[side][name]) + edgeSize(piece.sides[opposite][name])
      if (both >= across)
        raise({
          code: 'edges-meet',
          level: 'stop',
          about: [...about, { pieceId: piece.id, kind: 'side', id: opposite }],
          facts: { side, opposite, edgesMm: both, acrossMm: across },
        })
    }
  })
}

function checkOpeningShapes(piece: Piece, raise: Raise): void {
  for (const { id, name, shape, rim } of piece.openings) {
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
    if (edgeSize(rim.top) + edgeSize(rim.bottom) > piece.thickness)
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

function checkPlacing(piece: Piece, placing: Placing, raise: Raise): void {
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

function checkOpeningPlaces(
  kernel: Kernel,
  piece: Piece,
  outline: Loop,
  openings: readonly PlacedOpening[],
  raise: Raise,
): void {
  const whole = loopRegion(outline)
  const regions: Region[] = openings.map((o) => loopRegion(o.loop))
  const boxes = openings.map((o) => boundLoop(o.loop))
  const { length, width, radii } = piece.outline
  const rounding = Math.max(...radii)
  openings.forEach((opening, i) => {
    const { min, max } = boxes[i]!
    const clear =
      min[0] >= rounding && min[1] >= rounding && max[0] <= length - rounding && max[1] <= width - rounding
    if (clear && min[0] > 0 && min[1] > 0 && max[0] < length && max[1] < width) return
    const outside = measureRegion(combineRegions(kernel, 'difference', [regions[i]!, whole]))
    const touches = min[0] <= 1e-6 || min[1] <= 1e-6 || max[0] >= length - 1e-6 || max[1] >= width - 1e-6
    if (outside <= NOTHING && !touches) return
    const all = measureRegion(regions[i]!)
    const side = [
      [-min[0], 'left'],
      [max[0] - length, 'right'],
      [-min[1], 'front'],
      [max[1] - width, 'back'],
    ].sort((a, b) => (b[0] as number) - (a[0] as number))[0]!
    raise({
      code: outside > all - NOTHING ? 'opening-outside' : 'opening-across',
      level: 'stop',
      about: [{ pieceId: piece.id, kind: 'opening', id: opening.openingId, face: `opening/${opening.key}` }],
      facts: { opening: opening.name, side: side[1] as string, beyondMm: Math.max(0, side[0] as number) },
    })
  })
  for (let i = 0; i < openings.length; i += 1) {
    for (let j = i + 1; j < openings.length; j += 1) {
      const [a, b] = [boxes[i]!, boxes[j]!]
      if (a.max[0] <= b.min[0] || b.max[0] <= a.min[0] || a.max[1] <= b.min[1] || b.max[1] <= a.min[1])
        continue
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
      })
    }
  }
}
