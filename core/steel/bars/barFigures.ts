import { cutLengths } from '../../mould/index.ts'
import { type Memo, runStation } from '../../station.ts'
import type { Bar } from '../../stock/index.ts'
import { barMass, bendingList, cutLength } from './bendingList.ts'
import { lappedPieces } from './bentLength.ts'
import type { Bars, TakesBars } from './planBars.ts'
import type { BentBars } from './types.ts'

export type BarFigures = {
  readonly takes: TakesBars
  /** Ties are ribs along a profile, and its uprights run across them. */
  readonly alongProfile: boolean
  /** Of the main bars; null of a stock without any. */
  readonly barName: string | null
  readonly diameterMm: number
  readonly coverMm: number
  /** What is kept of it: less only of hoops in a thin wall. */
  readonly keptMm: number
  /** From the underside as placed to their middle; null of what is no slab. */
  readonly heightMm: number | null
  readonly apartMm: number | null
  /** Area of a cage's uprights over that of its section; 0 without a cage. */
  readonly steelShare: number
  readonly massKg: number
  /** Null where a bar has no price. */
  readonly cost: number | null
  readonly bends: readonly (BentBars & { readonly barName: string; readonly diameterMm: number })[]
  /** What is bought for one cast, and how it is cut. */
  readonly cut: readonly {
    readonly barId: string
    readonly barName: string
    readonly lengthMm: number
    readonly count: number
    readonly proven: boolean
    readonly bars: readonly (readonly { readonly mark: string; readonly cutMm: number }[])[]
  }[]
}

/** Bars are cut with shears or a disc: nothing is lost between them that matters, mm [own]. */
const KERF = 2

/** The bars of a piece as a bending list, and cut from the bars of the stock. */
export function barFigures(
  { bars, takes, main, cover, hoopCover, height, apart, share, alongProfile }: Bars,
  memo: Memo,
): BarFigures {
  const rows = new Map<string, Bar>(bars.map((b) => [b.bar.id, b.bar]))
  const list = bendingList(bars)
  const { value: cut } = runStation(memo, 'bars cut', { list, rows: [...rows.values()] }, (i) =>
    i.rows.map((row) => {
      const wanted = i.list
        .filter((b) => b.barId === row.id)
        .flatMap((b) => {
          const { count, each } = lappedPieces(b.cutMm, row.length, row.diameter)
          return Array.from({ length: count * b.count }, () => ({ name: b.mark, lengthMm: each }))
        })
      const laid = cutLengths(row.name, row.length, wanted, 1, KERF)
      return {
        barId: row.id,
        barName: row.name,
        lengthMm: row.length,
        count: laid.bars.length,
        proven: laid.proven,
        bars: laid.bars.map((b) => b.parts.map((p) => ({ mark: p.name, cutMm: p.lengthMm }))),
      }
    }),
  )
  const priced = cut.every((c) => rows.get(c.barId)!.price !== null)
  return {
    takes,
    alongProfile,
    barName: main?.name ?? null,
    diameterMm: main?.diameter ?? 0,
    coverMm: cover,
    keptMm: hoopCover ?? cover,
    heightMm: height,
    apartMm: apart,
    steelShare: share,
    massKg: bars.reduce((sum, b) => sum + barMass(b), 0),
    cost:
      bars.length > 0 && priced ? cut.reduce((sum, c) => sum + c.count * rows.get(c.barId)!.price!, 0) : null,
    bends: list.map((b) => {
      const { name, diameter } = rows.get(b.barId)!
      return { ...b, barName: name, diameterMm: diameter }
    }),
    cut,
  }
}

/** Volume that bars take up in the concrete, mm3. */
export const barVolume = ({ bars }: Bars): number =>
  bars.reduce((sum, b) => {
    const { count, each } = lappedPieces(cutLength(b), b.bar.length, b.bar.diameter)
    return sum + count * each * (Math.PI / 4) * b.bar.diameter ** 2
  }, 0)
