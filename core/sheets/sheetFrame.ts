import type { FinishStation } from '../finish/index.ts'
import type { Piece, Settings } from '../job/index.ts'
import type { MixStation } from '../mix/index.ts'
import type { MouldStation } from '../mould/index.ts'
import type { PieceGeometry, PieceStation, PlacedOpening } from '../piece/index.ts'
import type { PourStation } from '../pour/index.ts'
import type { ReleaseStation } from '../release/index.ts'
import type { SteelStation } from '../steel/index.ts'
import type { Timed } from '../work/index.ts'
import type { PageWriter } from './pageWriter.ts'
import { textWidth } from './textWidth.ts'

export type ShopSheetInput = {
  readonly jobName: string
  readonly piece: Piece
  readonly settings: Settings
  /** Everything that is done, in order. */
  readonly work: readonly Timed[]
  readonly stations: {
    readonly piece: PieceStation
    readonly mould: MouldStation | null
    readonly steel: SteelStation
    readonly release: ReleaseStation | null
    readonly mix: MixStation
    readonly pour: PourStation
    readonly finish: FinishStation | null
  }
}

/** Landscape pages, mm. */
export const PAPER = { A4: [297, 210], Letter: [279.4, 215.9] } as const
export const MARGIN = 10

/** Where the column of tables beside the drawing begins, as a share of the page's width. */
export const TABLES = 0.69

/** More openings than this are listed on a page of their own. */
export const OPENINGS_DRAWN = 6

/** What stands on the drawing page: rows of the cut list, and the table of openings where it has room for all. */
export type Drawn = { readonly cutRows: number; readonly openings: boolean }

/** The head of every page: what it is, of which job, which way up. */
export function titleBlock(
  page: PageWriter,
  { jobName, piece, stations }: ShopSheetInput,
  right: string,
): void {
  const { poured } = stations.piece.figures
  const wide = page.width - 2 * MARGIN
  page.fit([MARGIN, page.height - 13], piece.name, 7, wide - textWidth(right, 5, true) - 6, { bold: true })
  page.fit(
    [MARGIN, page.height - 19],
    `${jobName} · ${piece.attitude.down === 'top' ? `AS POURED, ${poured.toUpperCase()}: the plan is a mirror image` : `as poured, ${poured}`}`,
    3.4,
    wide,
  )
  page.text([page.width - MARGIN, page.height - 13], right, 5, { align: 'right', bold: true })
  page.line(
    [
      [MARGIN, page.height - 22],
      [page.width - MARGIN, page.height - 22],
    ],
    0.4,
  )
}

/** Every opening of the finished piece: what is cast in, then what is drilled later. */
export const allOpenings = ({
  openings,
  drilled,
}: Pick<PieceGeometry, 'openings' | 'drilled'>): readonly PlacedOpening[] => [...openings, ...drilled]

/** An opening's size as it is written on a sheet. */
export function openingSize({ shape, depth, made }: PlacedOpening, size: (mm: number) => string): string {
  const deep = `${depth === null ? '' : `, ${size(depth)} deep`}${made === 'drilled' ? ', drilled later' : ''}`
  switch (shape.kind) {
    case 'round':
      return `d ${size(shape.diameter)}${deep}`
    case 'rectangle':
      return `${size(shape.length)} x ${size(shape.width)}${shape.radius > 0 ? ` r ${size(shape.radius)}` : ''}${deep}`
    case 'slot':
      return `slot ${size(shape.length)} x ${size(shape.width)}${deep}`
    case 'polygon':
      return `outline of ${shape.corners.length} sides${deep}`
  }
}
