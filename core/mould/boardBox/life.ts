import type { Board } from '../../stock/index.ts'

/** Casts a mould face lasts at most [own], by material. */
export const LIFE: Readonly<Record<Board['material'], number>> = {
  melamine: 5,
  mdf: 4,
  'birch-ply': 8,
  'spruce-ply': 8,
  'film-faced-ply': 30,
  hardboard: 4,
}
