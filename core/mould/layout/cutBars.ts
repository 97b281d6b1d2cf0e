/** A length to be cut, mm. */
export type BarPart = { readonly id: string; readonly length: number }

export type BarLayout = {
  /** Bars by the parts cut from each, in order from its end. */
  readonly bars: readonly (readonly BarPart[])[]
  readonly tooLong: readonly string[]
  /** No cutting uses fewer. */
  readonly lowerBound: number
  readonly proven: boolean
}

/** Steps of the exact search before the best so far is kept. */
const MOST_STEPS = 150_000
const SLACK = 1e-6

/**
 * Lengths cut from bars of one length, a kerf between neighbours: first-fit decreasing, then branch and bound over
 * where each part goes, in the order of length, until the bound of Martello and Toth (1990), "Lower bounds and
 * reduction procedures for the bin packing problem", is met or the steps are used up. Parts longer than a bar are told.
 */
export function cutBars(parts: readonly BarPart[], bar: number, kerf: number): BarLayout {
  const room = bar + kerf
  const fits = parts.filter((p) => p.length + kerf <= room + SLACK)
  const tooLong = parts.filter((p) => !fits.includes(p)).map((p) => p.id)
  const sorted = [...fits].sort((a, b) => b.length - a.length)
  const sizes = sorted.map((p) => p.length + kerf)
  const lowerBound = boundBars(sizes, room)
  const first = firstFit(sizes, room)
  const best =
    fewest(first) === lowerBound ? { places: first, whole: true } : branch(sizes, room, first, lowerBound)
  const bars: BarPart[][] = Array.from({ length: fewest(best.places) }, () => [])
  sorted.forEach((part, i) => {
    bars[best.places[i]!]!.push(part)
  })
  const proven = bars.length === lowerBound || best.whole
  return { bars, tooLong, lowerBound: proven ? bars.length : lowerBound, proven }
}

const fewest = (places: readonly number[]): number => (places.length === 0 ? 0 : Math.max(...places) + 1)

function firstFit(sizes: readonly number[], room: number): number[] {
  const left: number[] = []
  return sizes.map((size) => {
    const at = left.findIndex((r) => size <= r + SLACK)
    if (at >= 0) left[at] = left[at]! - size
    else left.push(room - size)
    return at >= 0 ? at : left.length - 1
  })
}

/** L2: for each size k, parts over room - k stand alone, those over half a bar too; the rest fills what these leave. */
function boundBars(sizes: readonly number[], room: number): number {
  let bound = Math.ceil(sizes.reduce((sum, s) => sum + s, 0) / room - SLACK)
  for (const k of new Set(sizes.filter((s) => s <= room / 2))) {
    const large = sizes.filter((s) => s > room - k + SLACK)
    const middle = sizes.filter((s) => s <= room - k + SLACK && s > room / 2 + SLACK)
    const small = sizes.filter((s) => s <= room / 2 + SLACK && s >= k - SLACK)
    const over = sum(small) - (middle.length * room - sum(middle))
    bound = Math.max(bound, large.length + middle.length + Math.max(0, Math.ceil(over / room - SLACK)))
  }
  return Math.max(bound, sizes.filter((s) => s > room / 2 + SLACK).length, sizes.length > 0 ? 1 : 0)
}
const sum = (list: readonly number[]): number => list.reduce((total, s) => total + s, 0)

function branch(
  sizes: readonly number[],
  room: number,
  first: readonly number[],
  bound: number,
): { places: readonly number[]; whole: boolean } {
  let best: readonly number[] = first
  let most = fewest(first)
  let steps = 0
  const left: number[] = []
  const places: number[] = []
  const after = sizes.map((_, i) => sum(sizes.slice(i)))
  const place = (i: number): void => {
    if (most === bound || steps > MOST_STEPS) return
    steps += 1
    if (i === sizes.length) {
      best = [...places]
      most = left.length
      return
    }
    const size = sizes[i]!
    const spare = left.reduce((total, r) => total + r, 0)
    if (left.length + Math.max(0, Math.ceil((after[i]! - spare) / room - SLACK)) >= most) return
    const tried = new Set<string>()
    // Equal parts go to bars in order: which of them is which does not matter.
    const from = i > 0 && Math.abs(sizes[i - 1]! - size) < SLACK ? places[i - 1]! : 0
    for (let b = from; b < left.length; b += 1) {
      const key = left[b]!.toFixed(4)
      if (size > left[b]! + SLACK || tried.has(key)) continue
      tried.add(key)
      left[b] = left[b]! - size
      places.push(b)
      place(i + 1)
      places.pop()
      left[b] = left[b]! + size
    }
    if (left.length + 1 < most) {
      left.push(room - size)
      places.push(left.length - 1)
      place(i + 1)
      places.pop()
      left.pop()
    }
  }
  place(0)
  return { places: best, whole: steps <= MOST_STEPS }
}
