import type { Vector } from '../../geometry/index.ts'
import type { Bar } from '../../stock/index.ts'

export type BarPurpose = 'rail' | 'corner' | 'hoop' | 'upright' | 'tie' | 'own'

/** One bar where it lies, as placed: the corners of its centre line, mm. */
export type PlacedBar = {
  readonly id: string
  readonly purpose: BarPurpose
  readonly bar: Bar
  readonly path: readonly Vector[]
  /** Round, and closed: a tie with its hooks, a ring with its lap. */
  readonly closed: boolean
}

export type MarkedBar = PlacedBar & { readonly mark: string }

/** Bars of one row, shape and size. */
export type BentBars = {
  readonly mark: string
  readonly purpose: BarPurpose
  readonly barId: string
  readonly count: number
  readonly shape: BarShape
  /** Outside, along each leg from one end to the other; the diameter of a ring; empty of a closed shape of many legs. */
  readonly legsMm: readonly number[]
  /** What is cut off for one, hooks and laps in it. */
  readonly cutMm: number
  /** Of one, where it is longer than a bar of the stock. */
  readonly pieces: number
}

/** Straight; bent at its ends; a closed tie; a round ring; a closed ring of any other line. */
export type BarShape = 'straight' | 'bent' | 'tie' | 'ring' | 'hoop'
