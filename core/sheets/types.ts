import type { Point } from '../geometry/index.ts'
import type { PartRole } from '../mould/index.ts'

/** What a closed shape is made of; each has its own hatch, the same on the stage and on paper. */
export type Material =
  | 'concrete'
  | 'board'
  | 'card'
  | 'rubber'
  | 'sealant'
  | 'foam'
  | 'print'
  | 'plaster'
  | 'earth'
  | 'steel'

/** One mark on a page. Page coordinates are mm from the lower left corner, y up. */
export type Mark =
  | {
      readonly kind: 'line'
      readonly points: readonly Point[]
      readonly closed: boolean
      readonly weight: number
      readonly dash?: readonly [number, number]
      readonly fill?: number
    }
  | {
      readonly kind: 'text'
      readonly at: Point
      readonly text: string
      readonly size: number
      readonly align: 'left' | 'middle' | 'right'
      readonly bold: boolean
      readonly turned?: boolean
    }

export type Page = {
  /** What it is for: the drawing with its cut list, the mesh to cut, bars to bend, the work in order, the mould coming apart. */
  readonly of: 'drawing' | 'mesh' | 'bars' | 'work' | 'film'
  readonly width: number
  readonly height: number
  readonly marks: readonly Mark[]
}

/** A material cut by the section plane: contours in section coordinates, mm at true size. */
export type SectionPart = {
  readonly id: string
  /** Of a part of the mould: its role, and the opening it fills. */
  readonly role: PartRole | null
  readonly openingId: string | null
  readonly material: Material
  readonly layers: readonly number[]
  readonly region: readonly (readonly Point[])[]
}

export type SectionDrawing = {
  readonly length: number
  readonly low: number
  readonly high: number
  readonly parts: readonly SectionPart[]
}

export type SheetsFigures = {
  readonly paper: 'A4' | 'Letter'
  readonly pages: number
  readonly scaleOneTo: number
}
