import {
  type Kernel,
  type Placement,
  rectangleLoop,
  type SolidRecipe,
  type Vector,
} from '../../geometry/index.ts'
import { findingList, type ImportedPiece } from '../../job/index.ts'
import { levelFace, sideFace } from '../frames.ts'
import type { Built, FlatFace } from '../types.ts'
import type { PieceFindings } from '../words.ts'

/** Extents of the file's mesh in mm after it was turned; the mesh itself starts at the origin. */
export function importedSize({ file, mmPerUnit, turn }: ImportedPiece): Vector {
  const [x, y, z] = file.extents.map((e) => e * mmPerUnit) as [number, number, number]
  if (turn === 'y-up') return [x, z, y]
  if (turn === 'x-up') return [z, y, x]
  return [x, y, z]
}

/** The file's axes as they stand, scaled, its box at the origin and its foot cut off. */
function standing({ file, mmPerUnit: k, turn, foot }: ImportedPiece): Placement {
  const [x, y, z] = file.extents.map((e) => e * k) as [number, number, number]
  switch (turn) {
    case 'as-is':
      return { x: [k, 0, 0], y: [0, k, 0], z: [0, 0, k], origin: [0, 0, -foot] }
    case 'y-up':
      return { x: [k, 0, 0], y: [0, 0, k], z: [0, -k, 0], origin: [0, z, -foot] }
    case 'x-up':
      return { x: [0, 0, k], y: [0, k, 0], z: [-k, 0, 0], origin: [z, 0, -foot] }
    case 'z-down':
      return { x: [k, 0, 0], y: [0, -k, 0], z: [0, 0, -k], origin: [0, y, z - foot + 0 * x] }
  }
}

/** A solid read from a file, scaled, stood up and cut flat for a foot. */
export function buildImported(kernel: Kernel, piece: ImportedPiece): Built {
  const { findings, raise } = findingList<PieceFindings>('piece', piece.id, 'piece', piece.id)
  const [length, width, full] = importedSize(piece)
  const height = full - piece.foot
  const here = kernel.hasMesh(piece.file.id)
  if (!here) raise('mesh-not-here', 'stop', { file: piece.file.name })
  if (height <= 0) raise('foot-cuts-all', 'stop', { footMm: piece.foot, heightMm: full })
  if (piece.use === 'pattern') raise('kept-as-pattern', 'note', { file: piece.file.name })
  const mesh: SolidRecipe = {
    kind: 'moved',
    solid: { kind: 'mesh', id: piece.file.id, name: 'face' },
    by: standing(piece),
  }
  const recipe: SolidRecipe =
    piece.foot > 0 ? { kind: 'trimmed', solid: mesh, normal: [0, 0, 1], offset: 0, name: 'bottom' } : mesh
  const ring: [number, number][] = [
    [0, 0],
    [length, 0],
    [length, width],
    [0, width],
  ]
  const sides = (['front', 'right', 'back', 'left'] as const).flatMap((id, i): FlatFace[] => {
    const [a, b] = [ring[i]!, ring[(i + 1) % 4]!]
    const face = sideFace(`side/${id}`, `${id} of its box`, [
      [a[0], a[1], 0],
      [b[0], b[1], 0],
      [b[0], b[1], height],
      [a[0], a[1], height],
    ])
    return face ? [face] : []
  })
  return {
    geometry: {
      length,
      width,
      height: Math.max(1e-3, height),
      low: 0,
      thickness: Math.max(1e-3, height),
      outline: rectangleLoop([0, 0], length, width, [0, 0, 0, 0], {
        sides: ['side/front', 'side/right', 'side/back', 'side/left'],
        corners: ['corner', 'corner', 'corner', 'corner'],
      }),
      openings: [],
      recipe: here && height > 0 ? recipe : null,
      faces: height > 0 ? [levelFace('top', [ring], height), levelFace('bottom', [ring], 0), ...sides] : [],
      blocks: [],
      thinnest: null,
    },
    bulk: null,
    showFaceArea: length * width,
    findings,
  }
}
