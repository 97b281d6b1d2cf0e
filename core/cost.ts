import type { Job, Piece } from './job/index.ts'
import type { PiecePlan } from './plan.ts'
import { priceOf } from './shopping.ts'

/** What one cast costs of each thing; null where something of it has no price. */
export type CostOf = {
  readonly mould: number | null
  readonly mix: number | null
  readonly steel: number | null
  /** Agents, sealers and abrasives that have a price, and how many have none. */
  readonly faces: number
  readonly unpricedCount: number
  readonly hours: number
  /** Hours at the shop's price; null without one. */
  readonly work: number | null
}

/**
 * What one cast costs over all stations: its share of the mould, the mix, the steel, what goes on the faces, and the hours
 * of hands. Null without a mix or a mould.
 */
export function costOfCast(job: Job, piece: Piece, { stations, work }: PiecePlan): CostOf | null {
  const { mould, mix, steel } = stations
  if (!mix || !mould || !steel) return null
  const { plannedCasts } = piece
  const { meshName, meshCut, bars } = steel.figures
  const sheetPrice = job.stock.meshes.find((m) => m.name === meshName)?.price ?? null
  const mesh = !meshCut
    ? 0
    : sheetPrice === null
      ? null
      : (meshCut.sheets.length / meshCut.castCount) * sheetPrice
  const rods = (bars?.cut ?? []).reduce<number | null>((sum, b) => {
    const price = job.stock.bars.find((row) => row.id === b.barId)?.price ?? null
    return sum === null || price === null ? null : sum + b.bars.length * price
  }, 0)
  const taken = work.flatMap((op) =>
    op.takes.map((t) => ({
      cost: priceOf(job, t.name),
      amount: t.amount,
      share: op.per === 'mould' ? 1 / plannedCasts : 1,
    })),
  )
  const hours = work.reduce(
    (sum, op) =>
      sum + ((op.work.workMinutes * op.work.hands) / 60) * (op.per === 'mould' ? 1 / plannedCasts : 1),
    0,
  )
  return {
    mould: mould.figures.costPerCast,
    mix: mix.figures.costPerCast,
    // Fibre has no price in the stock.
    steel: mesh === null || rods === null || mix.figures.fibreKg > 0 ? null : mesh + rods,
    faces: taken.reduce((sum, t) => sum + (t.cost ?? 0) * t.amount * t.share, 0),
    unpricedCount: new Set(
      work.flatMap((op) => op.takes.flatMap((t) => (priceOf(job, t.name) === null ? [t.name] : []))),
    ).size,
    hours,
    work: job.settings.hourPrice === null ? null : hours * job.settings.hourPrice,
  }
}

/** All of it, hours too where they have a price; null where something has none. */
export function totalCost({ mould, mix, steel, faces, work }: CostOf): number | null {
  const parts = [mould, mix, steel]
  return parts.some((n) => n === null)
    ? null
    : parts.reduce((a: number, n) => a + n!, 0) + faces + (work ?? 0)
}

/** What a bought one costs above one's own, and what an hour of one's own is then worth; null where it cannot be told. */
export function againstBought(
  cost: CostOf,
  bought: number,
): { readonly saved: number; readonly perHour: number | null } | null {
  const total = totalCost(cost)
  if (total === null) return null
  const without = total - (cost.work ?? 0)
  return { saved: bought - total, perHour: cost.hours > 0 ? (bought - without) / cost.hours : null }
}
