/** A rectangle to cut, mm; `length` lies along the sheet's length (and its grain) unless it may be turned. */
export type LayoutPart = { readonly id: string; readonly length: number; readonly width: number }

export type SheetStock = { readonly length: number; readonly width: number }

export type LayoutOptions = {
  /** Width of the saw cut between neighbours; none at the sheet's edge. */
  readonly kerf: number
  /** Taken off every edge of the sheet first. */
  readonly trim: number
  /** Whether parts may lie across the sheet. */
  readonly turnParts: boolean
  /** How many orders the search tries; the same number gives the same layout. */
  readonly tries?: number
  /** How often the usual count of work; 1 when not said. */
  readonly effort?: number
  /** How far the search is, 0 to 1. */
  readonly onProgress?: (share: number) => void
  readonly shouldStop?: () => boolean
}

export type PlacedPart = {
  readonly id: string
  readonly x: number
  readonly y: number
  readonly length: number
  readonly width: number
  readonly turned: boolean
}

/** One straight cut right across what it divides. `crossways` cuts at an x, `lengthways` at a y. */
export type SheetCut = {
  readonly way: 'crossways' | 'lengthways'
  readonly at: number
  readonly from: number
  readonly to: number
}

export type LaidSheet = {
  readonly parts: readonly PlacedPart[]
  /** In the order they are made: each crosses one piece of board that earlier cuts left. */
  readonly cuts: readonly SheetCut[]
  readonly offcuts: readonly { x: number; y: number; length: number; width: number }[]
  /** Part area over sheet area. */
  readonly usedShare: number
}

export type Layout = {
  readonly sheets: readonly LaidSheet[]
  /** No layout can use fewer sheets than this. */
  readonly lowerBound: number
  /** Whether it is known that no layout uses fewer. */
  readonly proven: boolean
  /** Parts larger than the trimmed sheet, either way they may lie. */
  readonly tooLarge: readonly string[]
}

/**
 * A guillotine tree. Sizes are grown by one kerf, and so is the sheet: then parts and cuts add up without it.
 * A `pair` stands side by side along the length, or behind one another across it.
 */
export type Block =
  | {
      readonly kind: 'part'
      readonly index: number
      readonly turned: boolean
      readonly w: number
      readonly h: number
    }
  | {
      readonly kind: 'pair'
      readonly along: boolean
      readonly a: Block
      readonly b: Block
      readonly w: number
      readonly h: number
    }
