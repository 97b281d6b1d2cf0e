import type { Board, Skin } from '../stock/index.ts'
import type { MouldFace } from './types.ts'

type Material = Pick<MouldFace, 'material' | 'surface'>

const BOARDS: Readonly<Record<Board['material'], Material>> = {
  melamine: { material: 'melamine face', surface: 'faced' },
  'film-faced-ply': { material: 'film face', surface: 'faced' },
  mdf: { material: 'MDF', surface: 'raw' },
  'birch-ply': { material: 'birch ply', surface: 'raw' },
  'spruce-ply': { material: 'spruce ply', surface: 'raw' },
  hardboard: { material: 'hardboard', surface: 'raw' },
}

/** What the flat face of a board is to fresh concrete. */
export const surfaceOf = (board: Board): Material => BOARDS[board.material]

/** Sheets that soak are sealed; bare aluminium gives off hydrogen; plastics are smooth. */
const SKINS: Readonly<Record<Skin['material'], MouldFace['surface']>> = {
  hardboard: 'raw',
  'flexible-ply': 'raw',
  'birch-ply': 'raw',
  aluminium: 'bare metal',
  vinyl: 'smooth',
  petg: 'smooth',
}

/** What a sheet that is bent round is to fresh concrete. */
export const skinSurface = (skin: Skin): Material => ({
  material: skin.name,
  surface: SKINS[skin.material],
})
