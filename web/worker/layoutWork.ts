import type { MouldChoice } from '../../core/job/index.ts'
import {
  type BoardLayout,
  cutLengths,
  EFFORTS,
  isOpen,
  type LengthLayout,
  layAgain,
  layOnBoard,
  type MouldFigures,
  type SawChoice,
  type SheetRow,
} from '../../core/mould/index.ts'
import type { SheetStock, Stock } from '../../core/stock/index.ts'

/** A list of one's own: parts of a sheet, or lengths of a bar. */
export type OwnList =
  | {
      readonly of: 'sheets'
      readonly rows: readonly (SheetRow & { readonly name: string })[]
      readonly board: SheetStock
      readonly saw: SawChoice
    }
  | {
      readonly of: 'bars'
      readonly parts: readonly { readonly name: string; readonly lengthMm: number }[]
      readonly stockLengthMm: number
      readonly kerf: number
    }

export type LayoutAsk =
  /** The sheets and bars of a mould, beyond the first answer. */
  | {
      readonly kind: 'mould'
      readonly figures: MouldFigures
      readonly stock: Stock
      readonly mould: MouldChoice
      readonly mouldCount: number
    }
  | { readonly kind: 'own'; readonly list: OwnList }

export type Laid = ReturnType<typeof layAgain>
export type OwnLaid = { readonly sheets: BoardLayout | null; readonly bars: LengthLayout | null }

export type LayoutAnswer = {
  /** With how many times the usual work it was found. */
  readonly effort: number
  /** Whether it is looked for no further: it is proven, or the most work is done. */
  readonly done: boolean
} & ({ readonly kind: 'mould'; readonly laid: Laid } | { readonly kind: 'own'; readonly laid: OwnLaid })

/** The answers one after the other, each by more work, until no layout can be better or the most work is done. */
export function* lookLonger(ask: LayoutAsk): Generator<LayoutAnswer> {
  if (ask.kind === 'mould') {
    let figures = ask.figures
    for (const effort of EFFORTS.filter((e) => e > ask.figures.layoutEffort)) {
      if (!isOpen(figures)) return
      const laid = layAgain(figures, ask, effort)
      figures = { ...figures, ...laid }
      yield { kind: 'mould', laid, effort, done: !isOpen(figures) || effort === EFFORTS.at(-1) }
    }
    return
  }
  for (const effort of EFFORTS) {
    const laid = layOwn(ask.list, effort)
    const done = (laid.sheets ?? laid.bars)!.proven || effort === EFFORTS.at(-1)
    yield { kind: 'own', laid, effort, done }
    if (done) return
  }
}

const layOwn = (list: OwnList, effort: number): OwnLaid =>
  list.of === 'sheets'
    ? { sheets: layOnBoard(list.rows, list.board, list.saw, 1, { effort }), bars: null }
    : { sheets: null, bars: cutLengths('bar', list.stockLengthMm, list.parts, effort, list.kerf) }
