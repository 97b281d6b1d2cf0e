import type { PathCorner } from '../geometry/index.ts'

/** Why a file was refused: what is wrong and, where it is known, where. */
export type ReadProblem = {
  readonly code: 'tooLarge' | 'empty' | 'notThis' | 'nothingClosed' | 'tooMany' | 'cutShort' | 'broken'
  readonly text: string
}

/** A closed outline from a drawing, in the file's own unit, anticlockwise, with those that lie inside it. */
export type DrawnOutline = {
  readonly layer: string
  readonly corners: readonly PathCorner[]
  readonly inner: readonly (readonly PathCorner[])[]
  readonly length: number
  readonly width: number
}

export type ReadDrawing =
  | {
      readonly ok: true
      readonly outlines: readonly DrawnOutline[]
      /** Millimetres a unit; null where the file does not say. */
      readonly mmPerUnit: number | null
      /** What was seen and left out: open lines, text, blocks. */
      readonly leftOut: readonly string[]
    }
  | { readonly ok: false; readonly problem: ReadProblem }

/** A triangle mesh from a file, its box at the origin, in the file's own unit. */
export type ReadMesh =
  | {
      readonly ok: true
      readonly positions: Float32Array
      readonly triangles: Uint32Array
      readonly mmPerUnit: number | null
    }
  | { readonly ok: false; readonly problem: ReadProblem }

/** What is read at most. */
export const READ_LIMITS = {
  drawingBytes: 30_000_000,
  meshBytes: 400_000_000,
  segments: 20_000,
  triangles: 1_000_000,
} as const

/** Units a drawing or mesh may be in, with the millimetres of one. */
export const FILE_UNITS = [
  { id: 'mm', name: 'millimetres', mm: 1 },
  { id: 'cm', name: 'centimetres', mm: 10 },
  { id: 'm', name: 'metres', mm: 1000 },
  { id: 'inch', name: 'inches', mm: 25.4 },
  { id: 'foot', name: 'feet', mm: 304.8 },
] as const

/** What is cast is about this large along its longest side, mm: a tile to a table; and most often this [own]. */
const CAST = { least: 50, most: 2500, usual: 400 } as const

/**
 * The likeliest unit of something whose largest extent is `extent`: millimetres where that is a size that is cast, since
 * nearly all who draw moulds draw in them; else the unit that brings it nearest to a usual one. 110 is a tile of 110 mm.
 */
export function likelyUnit(extent: number): (typeof FILE_UNITS)[number] {
  const [mm] = FILE_UNITS
  if (extent >= CAST.least && extent <= CAST.most) return mm
  const off = (unit: number) => Math.abs(Math.log(Math.max(1e-9, extent * unit) / CAST.usual))
  return FILE_UNITS.reduce((a, b) => (off(b.mm) < off(a.mm) ? b : a))
}
