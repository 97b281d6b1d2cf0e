import type { Kernel } from '../geometry/index.ts'
import { loopChords, type Point, type Region } from '../geometry/index.ts'
import type { FittedPiece, Piece, SlabPiece } from '../job/index.ts'
import { buildFitted } from './fitted/buildFitted.ts'
import { importedSize } from './imported/buildImported.ts'
import { outlineLoop, outlineSize } from './slab/outlineLoop.ts'
import { placeOpenings, resolvePlacing } from './slab/placing.ts'
import { sweptProfile } from './swept/buildSwept.ts'
import { turnedProfile } from './turned/turnedProfile.ts'

/** The box of a piece as placed, from its own figures alone: for frames and icons before it is planned. */
export function pieceBox(piece: Piece): { length: number; width: number; height: number } {
  switch (piece.kind) {
    case 'slab':
      return { ...outlineSize(piece.outline), height: piece.thickness }
    case 'turned': {
      if (piece.turned.form === 'fluted') {
        const { diameter, height } = piece.turned
        return { length: diameter, width: diameter, height }
      }
      const profile = turnedProfile(piece)!
      const d = 2 * Math.max(1e-3, ...profile.map((p) => p.radius))
      return { length: d, width: d, height: Math.max(1e-3, ...profile.map((p) => p.z)) }
    }
    case 'swept': {
      const { size } = sweptProfile(piece)
      return { length: Math.max(1e-3, size[0]), width: piece.width, height: Math.max(1e-3, size[1]) }
    }
    case 'box':
      return { length: piece.length, width: piece.width, height: piece.height }
    case 'imported': {
      const [length, width, height] = importedSize(piece)
      return { length, width, height: Math.max(1e-3, height - piece.foot) }
    }
    case 'fitted': {
      // A fitted part is built without the solid library.
      const { length, width, height } = buildFitted(null as unknown as Kernel, piece).geometry
      return { length, width, height }
    }
  }
}

/** A small drawing of what the piece is: flat work in plan, what stands from the front. Rings, y up, mm. */
export function silhouette(piece: Piece): Region {
  const { length, width, height } = pieceBox(piece)
  const box = (l: number, h: number): Point[] => [
    [0, 0],
    [l, 0],
    [l, h],
    [0, h],
  ]
  switch (piece.kind) {
    case 'slab': {
      const tall = piece.thickness > 1.2 * Math.max(length, width)
      if (tall) {
        const lean = Math.max(0, ...Object.values(piece.sides).map((s) => -s.taper))
        return [
          [
            [0, 0],
            [length, 0],
            [length - lean, piece.thickness],
            [lean, piece.thickness],
          ],
        ]
      }
      const openings = placeOpenings(piece, resolvePlacing(piece))
      return [
        ...[outlineLoop(piece.outline), ...openings.map((o) => o.loop)].map((l) => loopChords(l, 40).points),
        ...slabMarks(piece, length, width),
      ]
    }
    case 'turned': {
      if (piece.turned.form === 'fluted') {
        const { diameter: d, count } = piece.turned
        const lines = Array.from(
          { length: Math.min(7, Math.floor(count / 2)) },
          (_, i, all = Math.min(7, Math.floor(count / 2))) => {
            const x = d / 2 - (d / 2) * Math.cos((Math.PI * (i + 1)) / (all + 1))
            return [
              [x, 0],
              [x, height],
            ] as Point[]
          },
        )
        return [box(d, height), ...lines]
      }
      const profile = turnedProfile(piece)!
      const R = length / 2
      const outer = profile.filter((p) => p.name !== 'inside' && p.name !== 'bore' && p.name !== 'floor')
      return [
        [
          ...outer.map((p): Point => [R + p.radius, p.z]),
          ...[...outer].reverse().map((p): Point => [R - p.radius, p.z]),
        ],
      ]
    }
    case 'swept': {
      const { points } = sweptProfile(piece)
      return [points]
    }
    case 'box': {
      const t = piece.built ? 0 : piece.taper
      const [low, high] = [Math.max(0, t), Math.max(0, -t)]
      return [
        [
          [low, 0],
          [length - low, 0],
          [length - high, height],
          [high, height],
        ],
        [
          [piece.wall + high, height],
          [piece.wall + low, piece.floor],
          [length - piece.wall - low, piece.floor],
          [length - piece.wall - high, height],
        ],
      ]
    }
    case 'imported':
      return [
        [
          [length / 2, 0],
          [length, height / 2],
          [length / 2, height],
          [0, height / 2],
        ],
      ]
    case 'fitted':
      return fittedMarks(piece, length, height)
  }
}

/** What tells a slab from a plain one: the edge of a basin, a frame, a field; a line of letters. */
function slabMarks(piece: SlabPiece, length: number, width: number): Point[][] {
  const ring = (cx: number, cy: number, l: number, w: number): Point[] => [
    [cx - l / 2, cy - w / 2],
    [cx + l / 2, cy - w / 2],
    [cx + l / 2, cy + w / 2],
    [cx - l / 2, cy + w / 2],
    [cx - l / 2, cy - w / 2],
  ]
  const lines: Point[][] = []
  if (piece.basin) {
    const { u, v, length: l, width: w } = piece.basin
    lines.push(ring(u, v, l, w), ring(u, v, l * 0.8, w * 0.75))
  }
  for (const p of piece.panels) {
    const inset = p.shape.kind === 'inset' ? p.shape.margin : null
    if (inset !== null) lines.push(ring(length / 2, width / 2, length - 2 * inset, width - 2 * inset))
    else if (p.shape.kind === 'rectangle')
      lines.push(ring(length / 2 + p.u, width / 2 + p.v, p.shape.length, p.shape.width))
  }
  for (const l of piece.lettering.filter((t) => t.on === 'top').slice(0, 1)) {
    const half = Math.min(length * 0.35, l.text.length * l.height * 0.25)
    lines.push([
      [length / 2 - half, width / 2],
      [length / 2 + half, width / 2],
    ])
  }
  return lines.map(open)
}

/** A line that is drawn but not filled: walked there and back. */
const open = (line: readonly Point[]): Point[] => [...line, ...[...line].reverse()]

/** A fitted part cut through its middle, with what it fits hinted at. */
function fittedMarks(piece: FittedPiece, length: number, height: number): Point[][] {
  const h = Math.max(height, length * 0.16)
  const k = h / height
  const { overlap, clearance, wall } = piece
  const seat = piece.seat * k
  switch (piece.part) {
    case 'lid': {
      const inset = overlap + clearance
      return [
        [
          [inset, 0],
          [length - inset, 0],
          [length - inset, seat],
          [length, seat],
          [length, h],
          [0, h],
          [0, seat],
          [inset, seat],
        ],
      ]
    }
    case 'cap':
      return [
        [
          [0, 0],
          [wall, 0],
          [wall, seat],
          [length - wall, seat],
          [length - wall, 0],
          [length, 0],
          [length, h],
          [0, h],
        ],
      ]
    case 'plug': {
      const lean = length * 0.06
      return [
        [
          [lean, 0],
          [length - lean, 0],
          [length, h],
          [0, h],
        ],
      ]
    }
    case 'sleeve':
      return [0, length - wall].map((x): Point[] => [
        [x, 0],
        [x + wall, 0],
        [x + wall, h],
        [x, h],
      ])
  }
}
