import { groupKinds, type Item, resolveKinds } from './kinds.ts'
import type { Block } from './types.ts'

const SLACK = 1e-6

export type Proof =
  | { readonly kind: 'proven'; readonly blocks: readonly Block[] }
  | { readonly kind: 'too-long' }

/** A smallest block of one list: its box, and the two it is joined from. */
type Smallest = {
  readonly w: number
  readonly h: number
  readonly turned: boolean
  readonly along: boolean
  readonly from: readonly [list: number, entry: number, list: number, entry: number] | null
}

/**
 * The fewest sheets that a list can be cut from by cuts right across, proven by working out every way: for each list
 * of parts all smallest boxes that hold it (any guillotine pattern is two smaller ones side by side or one behind the
 * other, and only boxes that no other is within matter), then the fewest lists that fit a sheet and make up the whole.
 * Equal parts count as one kind. A list that wants more than `mostPairs` pairs of lists joined is too long (1.5 million
 * take about half a second). Sizes are grown by a kerf, as is the sheet.
 */
export function proveSheets(
  items: readonly Item[],
  w: number,
  h: number,
  turn: boolean,
  mostPairs: number,
): Proof {
  const kinds = groupKinds(items, turn)
  const counts = kinds.map((k) => k.indices.length)
  const pairs = counts.reduce((product, c) => (product * (c + 1) * (c + 2)) / 2, 1)
  if (pairs > mostPairs) return { kind: 'too-long' }
  // A list is a number: how many of each kind, in mixed radix.
  const radix = counts.map((_, k) => counts.slice(0, k).reduce((product, c) => product * (c + 1), 1))
  const lists = counts.reduce((product, c) => product * (c + 1), 1)
  const digits = Array.from({ length: lists }, (_, s) =>
    Uint8Array.from(counts, (c, k) => Math.floor(s / radix[k]!) % (c + 1)),
  )
  const area = digits.map((d) => d.reduce((sum, n, k) => sum + n * kinds[k]!.w * kinds[k]!.h, 0))
  const smallest: Smallest[][] = Array.from({ length: lists }, () => [])
  for (let list = 1; list < lists; list += 1) {
    if (area[list]! > w * h + SLACK) continue
    smallest[list] = boxesOf(list)
  }

  function boxesOf(list: number): Smallest[] {
    const own = digits[list]!
    const found: Smallest[] = []
    const add = (box: Smallest) => {
      if (box.w > w + SLACK || box.h > h + SLACK) return
      if (found.some((f) => f.w <= box.w + SLACK && f.h <= box.h + SLACK)) return
      for (let i = found.length - 1; i >= 0; i -= 1)
        if (box.w <= found[i]!.w + SLACK && box.h <= found[i]!.h + SLACK) found.splice(i, 1)
      found.push(box)
    }
    const kind = own.findIndex((n) => n > 0)
    if (radix[kind] === list) {
      const part = kinds[kind]!
      add({ w: part.w, h: part.h, turned: false, along: false, from: null })
      if (turn) add({ w: part.h, h: part.w, turned: true, along: false, from: null })
    }
    eachPart(list, (a) => {
      const b = list - a
      // Either order is the same join.
      if (a > b || smallest[a]!.length === 0 || smallest[b]!.length === 0) return
      smallest[a]!.forEach((p, i) => {
        smallest[b]!.forEach((q, j) => {
          const from = [a, i, b, j] as const
          add({ w: p.w + q.w, h: Math.max(p.h, q.h), turned: false, along: true, from })
          add({ w: Math.max(p.w, q.w), h: p.h + q.h, turned: false, along: false, from })
        })
      })
    })
    return found
  }

  /** Every list that is part of this one, itself and nothing left out. */
  function eachPart(list: number, visit: (part: number) => void): void {
    const own = digits[list]!
    const walk = (k: number, part: number): void => {
      if (k === own.length) {
        if (part !== 0 && part !== list) visit(part)
        return
      }
      for (let n = 0; n <= own[k]!; n += 1) walk(k + 1, part + n * radix[k]!)
    }
    walk(0, 0)
  }

  const fewest = new Float64Array(lists).fill(Number.POSITIVE_INFINITY)
  const sheet = new Int32Array(lists)
  fewest[0] = 0
  for (let list = 1; list < lists; list += 1) {
    const first = digits[list]!.findIndex((n) => n > 0)
    const take = (part: number) => {
      // The sheet that holds the first part left: which one it is does not matter.
      if (smallest[part]!.length === 0 || digits[part]![first]! === 0) return
      const count = fewest[list - part]! + 1
      if (count < fewest[list]!) {
        fewest[list] = count
        sheet[list] = part
      }
    }
    take(list)
    eachPart(list, take)
  }
  const tree = (list: number, entry: number): Block => {
    const box = smallest[list]![entry]!
    if (!box.from) {
      const kind = digits[list]!.findIndex((n) => n > 0)
      return { kind: 'part', index: kind, turned: box.turned, w: box.w, h: box.h }
    }
    const [a, i, b, j] = box.from
    return { kind: 'pair', along: box.along, a: tree(a, i), b: tree(b, j), w: box.w, h: box.h }
  }
  const blocks: Block[] = []
  for (let list = lists - 1; list > 0; list -= sheet[list]!) {
    if (sheet[list] === 0) return { kind: 'too-long' }
    blocks.push(tree(sheet[list]!, 0))
  }
  return { kind: 'proven', blocks: resolveKinds(blocks, kinds) }
}
