import type { Kernel } from './geometry/index.ts'
import { applyChange, type Change, type Job, type Piece } from './job/index.ts'
import { defaultWaste } from './mix/index.ts'
import { type HeldDimension, planPieceStation } from './piece/index.ts'
import { USUAL_DENSITY, withRecipes } from './stock/index.ts'
import { teamLimit } from './work/index.ts'

export type HoldWhat = 'weight' | 'volume' | 'bags' | 'people'
export type HoldTarget = { readonly what: HoldWhat; readonly value: number }

export type HoldAnswer = {
  readonly target: number
  /** `held` reaches the target; `nearest` is the closest that can be built within the limits. */
  readonly kind: 'held' | 'nearest' | 'none'
  readonly mm: number
  readonly reached: number
  readonly changes: readonly Change[]
}

/** The continuous figure that stands for a target: kilograms, litres, bags as a fraction, kilograms for people. */
export const holdGoal = ({ what, value }: HoldTarget): number =>
  what === 'people' ? teamLimit(value) : value

/** Looks along the limits, and halvings between two of them: to a hundredth of a millimetre over 3 m. */
const SCAN = 24
const HALVINGS = 30

/**
 * Solves a measure so that a figure is held. The limits are scanned first, since a figure need not rise all along;
 * where none reaches the target, the nearest that can be built is given.
 */
export function holdFigure(
  kernel: Kernel,
  job: Job,
  piece: Piece,
  dimension: HeldDimension,
  target: HoldTarget,
  limits: { readonly min: number; readonly max: number },
  shouldStop: () => boolean = () => false,
): HoldAnswer | null {
  const goal = holdGoal(target)
  const figure = (mm: number): number | null =>
    heldFigure(kernel, job, piece, dimension.changes(mm), target.what)
  const at = Array.from({ length: SCAN + 1 }, (_, i) => limits.min + ((limits.max - limits.min) * i) / SCAN)
  const seen: { mm: number; value: number }[] = []
  let unbuildable: number | null = null
  for (const mm of at) {
    if (shouldStop()) return null
    const value = figure(mm)
    const last = seen.at(-1)
    if (value === null) {
      // The last size that can be built may lie anywhere before this one; so may the first after it.
      if (unbuildable === null && last) seen.push(lastBuildable(figure, last, mm))
      unbuildable = mm
      continue
    }
    if (unbuildable !== null) seen.push(lastBuildable(figure, { mm, value }, unbuildable))
    unbuildable = null
    seen.push({ mm, value })
  }
  const crossed = seen.findIndex((s, i) => i > 0 && (seen[i - 1]!.value - goal) * (s.value - goal) <= 0)
  const bracket: [number, number] | null = crossed > 0 ? [seen[crossed - 1]!.mm, seen[crossed]!.mm] : null
  const answer = (kind: HoldAnswer['kind'], mm: number, reached: number): HoldAnswer => ({
    target: target.value,
    kind,
    mm: Math.round(mm * 100) / 100,
    reached,
    changes: dimension.changes(Math.round(mm * 100) / 100),
  })
  const [first] = seen
  if (!first) return { target: target.value, kind: 'none', mm: dimension.value, reached: 0, changes: [] }
  if (!bracket) {
    const near = seen.reduce((a, b) => (Math.abs(b.value - goal) < Math.abs(a.value - goal) ? b : a), first)
    return answer('nearest', near.mm, near.value)
  }
  let [low, high] = bracket
  const lowSign = Math.sign((figure(low) ?? goal) - goal)
  for (let i = 0; i < HALVINGS && high - low > 1e-4; i += 1) {
    if (shouldStop()) return null
    const middle = (low + high) / 2
    const value = figure(middle)
    if (value === null) break
    if (Math.sign(value - goal) === lowSign) low = middle
    else high = middle
  }
  const mm = (low + high) / 2
  const reached = figure(Math.round(mm * 100) / 100)
  if (reached === null) return answer('nearest', low, figure(low) ?? 0)
  // Where the figure jumps past the target, as bags do with the waste of small pours, no size gives it.
  return answer(Math.abs(reached - goal) <= 0.005 * goal ? 'held' : 'nearest', mm, reached)
}

/** Between a size that can be built and one that cannot, the outermost that can, to a twentieth of a millimetre. */
function lastBuildable(
  figure: (mm: number) => number | null,
  built: { readonly mm: number; readonly value: number },
  not: number,
): { mm: number; value: number } {
  let [good, bad] = [built, not]
  while (Math.abs(bad - good.mm) > 0.05) {
    // On the steps in which it is given, so that what is given can be built.
    const mm = Math.round(((good.mm + bad) / 2) * 100) / 100
    const value = figure(mm)
    if (value === null) bad = mm
    else good = { mm, value }
  }
  return good
}

/** The figure after a change; null where the piece cannot be built. */
function heldFigure(
  kernel: Kernel,
  job: Job,
  piece: Piece,
  changes: readonly Change[],
  what: HoldWhat,
): number | null {
  const changed = changes.reduce(applyChange, { ...job, pieces: [piece] }).pieces[0]!
  const mix = withRecipes(job.stock).mixes.find((m) => m.id === piece.mix.mix)
  const { figures, geometry } = planPieceStation(
    kernel,
    changed,
    mix?.hardenedKgPerM3 ?? USUAL_DENSITY.hardenedKgPerM3,
    true,
  )
  if (geometry.recipe === null) return null
  if (what === 'weight' || what === 'people') return figures.concreteKg
  if (what === 'volume') return figures.volumeLitres
  const waste = piece.mix.wastePercent ?? defaultWaste(figures.volumeLitres)
  return mix ? (figures.volumeLitres * (1 + waste / 100)) / mix.yieldLitres : null
}
