import { type Loop, rectangleLoop, type SolidRecipe, type Vector } from '../geometry/index.ts'
import type { Edge } from '../job/index.ts'
import type { Board } from '../stock/index.ts'
import type { Laminate } from './laminate.ts'
import type { MouldPart } from './types.ts'

/** A part before it has its letter. */
export type BarePart = Omit<MouldPart, 'label'> & {
  readonly laminate: Laminate | null
  /** Of a part that is not a straight board: mm3, kg/m3. */
  readonly mass?: { readonly volume: number; readonly kgPerM3: number }
  /** Of a strip that forms an edge: its shape. */
  readonly shapedAs?: Exclude<Edge['kind'], 'square' | 'bead'>
  /** What it keeps the fill out of where it is hollow, mm3. */
  readonly displaces?: number
}

export const prism = (
  outline: Loop,
  low: number,
  high: number,
  name: string,
  holes: readonly Loop[] = [],
): SolidRecipe => ({
  kind: 'prism',
  outline,
  holes,
  low,
  high,
  lowName: `${name}/under`,
  highName: `${name}/top`,
})

export const oneLayer = (board: Board) => [
  { boardId: board.id, name: board.name, thicknessMm: board.thickness },
]

export const UP: Vector = [0, 0, 1]
export const DOWN: Vector = [0, 0, -1]

/** A part that is no straight board: what is not told of it is left empty. */
export const barePart = (
  told: Pick<BarePart, 'id' | 'role' | 'source' | 'name' | 'recipe' | 'pull'> & Partial<BarePart>,
): BarePart => ({
  boardId: null,
  lengthMm: 0,
  widthMm: 0,
  thicknessMm: 0,
  layers: [],
  laminate: null,
  leaves: 0,
  bevels: null,
  bend: null,
  ...told,
})

/** A plain rectangle in plan, its sides named after the part. */
export const rectangle = (
  name: string,
  [x0, y0]: readonly [number, number],
  [x1, y1]: readonly [number, number],
): Loop =>
  rectangleLoop([x0, y0], x1 - x0, y1 - y0, [0, 0, 0, 0], {
    sides: ['front', 'right', 'back', 'left'].map((s) => `${name}/${s}`) as [string, string, string, string],
    corners: [name, name, name, name],
  })

/** A solid on one side of an upright or level plane through a point. */
export const trimmed = (solid: SolidRecipe, normal: Vector, offset: number, name: string): SolidRecipe => ({
  kind: 'trimmed',
  solid,
  normal,
  offset,
  name,
})
