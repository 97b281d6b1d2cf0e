import type { Kernel } from '../geometry/index.ts'
import { loopChords, type Point, type Region } from '../geometry/index.ts'
import type { Piece } from '../job/index.ts'
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
      return [outlineLoop(piece.outline), ...openings.map((o) => o.loop)].map((l) => loopChords(l, 40).points)
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
    case 'fitted': {
      const step = Math.min(length, width) * 0.12
      return [
        box(length, height),
        [
          [step, height * 0.35],
          [length - step, height * 0.35],
        ],
      ]
    }
  }
}
