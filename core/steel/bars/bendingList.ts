import type { Vector } from '../../geometry/index.ts'
import { massOf } from '../../units/convert.ts'
import { bentLength, HELD, hooksLength, lappedPieces, stretchesOf, turnsOf } from './bentLength.ts'
import type { BarShape, BentBars, MarkedBar, PlacedBar } from './types.ts'

/** Closed lines of more corners than this are bent by the drawing, not by legs. */
const TIE_LEGS = 8

/** What one bar is cut to, mm. */
export function cutLength({ path, closed, bar, purpose }: PlacedBar): number {
  const line = bentLength(path, closed, bar.diameter)
  if (!closed) return line
  return (
    line + (purpose === 'tie' && path.length <= TIE_LEGS ? hooksLength(bar.diameter) : HELD * bar.diameter)
  )
}

function shapeOf({ path, closed }: PlacedBar): BarShape {
  if (!closed) return path.length > 2 ? 'bent' : 'straight'
  if (path.length <= TIE_LEGS) return 'tie'
  const middle = [0, 1, 2].map((k) => path.reduce((sum, p) => sum + p[k as 0]!, 0) / path.length)
  const radii = path.map((p) => Math.hypot(...p.map((x, k) => x - middle[k]!)))
  return Math.max(...radii) - Math.min(...radii) < 0.02 * Math.max(...radii) ? 'ring' : 'hoop'
}

/** Outside sizes of the legs, from one end to the other; a ring's outside diameter. */
function legsOf(placed: PlacedBar, shape: BarShape): number[] {
  const { path, closed, bar } = placed
  if (shape === 'hoop') return []
  if (shape === 'ring') return [ringAcross(path) + bar.diameter]
  const turns = turnsOf(path, closed)
  const beyond = (t: number | undefined) => (t === undefined ? 0 : (bar.diameter / 2) * Math.tan(t / 2))
  return stretchesOf(path, closed).map((s, i) =>
    closed
      ? s + beyond(turns[i]) + beyond(turns[(i + 1) % turns.length])
      : s + beyond(turns[i - 1]) + beyond(turns[i]),
  )
}

const ringAcross = (path: readonly Vector[]): number => {
  const perimeter = stretchesOf(path, true).reduce((sum, s) => sum + s, 0)
  return perimeter / Math.PI
}

type Group = { readonly bars: PlacedBar[]; readonly of: Omit<BentBars, 'mark' | 'count'> }

/** Bars that are cut and bent alike, in the order of their marks. */
function alike(bars: readonly PlacedBar[]): Group[] {
  const groups = new Map<string, Group>()
  for (const placed of bars) {
    const shape = shapeOf(placed)
    const legs = legsOf(placed, shape).map(Math.round)
    const cut = cutLength(placed)
    const key = [placed.purpose, placed.bar.id, shape, legs.join('+'), Math.round(cut)].join('|')
    const known = groups.get(key)
    if (known) known.bars.push(placed)
    else
      groups.set(key, {
        bars: [placed],
        of: {
          purpose: placed.purpose,
          barId: placed.bar.id,
          shape,
          legsMm: legs,
          cutMm: cut,
          pieces: lappedPieces(cut, placed.bar.length, placed.bar.diameter).count,
        },
      })
  }
  return [...groups.values()].sort(
    (a, b) => ORDER.indexOf(a.of.purpose) - ORDER.indexOf(b.of.purpose) || b.of.cutMm - a.of.cutMm,
  )
}
const ORDER: readonly PlacedBar['purpose'][] = ['upright', 'tie', 'hoop', 'rail', 'corner', 'own']

/** Bars that are cut and bent alike, as a list with marks a, b ..., the longest first within each purpose. */
export const bendingList = (bars: readonly PlacedBar[]): BentBars[] =>
  alike(bars).map(({ bars: own, of }, i) => ({ mark: markOf(i), count: own.length, ...of }))

/** Each bar with its mark in that list. */
export const markBars = (bars: readonly PlacedBar[]): MarkedBar[] =>
  alike(bars).flatMap(({ bars: own }, i) => own.map((bar) => ({ ...bar, mark: markOf(i) })))

/** a to z, then aa, ab ... */
const markOf = (i: number): string =>
  `${i >= 26 ? String.fromCharCode(96 + Math.floor(i / 26)) : ''}${String.fromCharCode(97 + (i % 26))}`

/** Mass of a bar, kg, laps of its pieces in it. */
export function barMass(placed: PlacedBar): number {
  const { bar } = placed
  const { count, each } = lappedPieces(cutLength(placed), bar.length, bar.diameter)
  return massOf(count * each * (Math.PI / 4) * bar.diameter ** 2, bar.densityKgPerM3)
}
