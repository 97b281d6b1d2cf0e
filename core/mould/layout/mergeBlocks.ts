import { groupKinds, type Item, type Kind, resolveKinds } from './kinds.ts'
import type { Block } from './types.ts'

type Entry = {
  readonly block: Block
  readonly used: Uint8Array
  readonly count: number
  readonly area: number
}

/** Waste inside a block, as a share of the sheet, that each round of the search allows. */
const ROUNDS = [1e-7, 1e-4, 5e-4, 0.002, 0.006, 0.015, 0.03, 0.06]
/** Blocks kept in one round. */
const MOST_BLOCKS = 2500
const SLACK = 1e-6

/**
 * The guillotine block of most part area that fits one sheet, built from below: blocks are joined in pairs, and a join
 * is kept only while the waste inside it stays under the round's limit. Lists cut without waste from one sheet are
 * found in the first round. After Wang (1983), "Two algorithms for constrained two-dimensional cutting stock".
 * Equal parts count as one kind, so that swapping them is not searched.
 */
export function mergeBlocks(
  items: readonly Item[],
  w: number,
  h: number,
  turn: boolean,
  shouldStop?: () => boolean,
): Block | null {
  const kinds = groupKinds(items, turn)
  const total = items.reduce((sum, i) => sum + i.w * i.h, 0)
  let best: Entry | null = null
  for (const share of ROUNDS) {
    if (shouldStop?.()) break
    const found = mergeRound(kinds, items.length, w, h, turn, share * w * h)
    if (found && (!best || found.area > best.area + SLACK)) best = found
    if (best && best.area > total - 1e-3) break
  }
  return best && resolveKinds([best.block], kinds)[0]!
}

function mergeRound(
  kinds: readonly Kind[],
  all: number,
  w: number,
  h: number,
  turn: boolean,
  waste: number,
): Entry | null {
  const list: Entry[] = []
  const bySignature = new Map<string, Entry[]>()
  let best: Entry | null = null

  function keep(entry: Entry): void {
    const key = entry.used.join(',')
    const same = bySignature.get(key) ?? []
    if (same.some((e) => e.block.w <= entry.block.w + SLACK && e.block.h <= entry.block.h + SLACK)) return
    same.push(entry)
    bySignature.set(key, same)
    list.push(entry)
    if (!best || entry.area > best.area) best = entry
  }

  kinds.forEach((kind, k) => {
    const used = new Uint8Array(kinds.length)
    used[k] = 1
    const ways = turn && Math.abs(kind.w - kind.h) > SLACK ? [false, true] : [false]
    for (const turned of ways) {
      const [bw, bh] = turned ? [kind.h, kind.w] : [kind.w, kind.h]
      if (bw <= w + SLACK && bh <= h + SLACK)
        keep({
          block: { kind: 'part', index: k, turned, w: bw, h: bh },
          used,
          count: 1,
          area: kind.w * kind.h,
        })
    }
  })
  for (let i = 0; i < list.length && list.length < MOST_BLOCKS; i += 1) {
    const a = list[i]!
    for (let j = 0; j <= i && list.length < MOST_BLOCKS; j += 1) {
      const b = list[j]!
      if (a.count + b.count > all) continue
      for (const along of [true, false]) {
        const bw = along ? a.block.w + b.block.w : Math.max(a.block.w, b.block.w)
        const bh = along ? Math.max(a.block.h, b.block.h) : a.block.h + b.block.h
        if (bw > w + SLACK || bh > h + SLACK || bw * bh - a.area - b.area > waste) continue
        const used = addUsed(a.used, b.used, kinds)
        if (!used) continue
        keep({
          block: { kind: 'pair', along, a: a.block, b: b.block, w: bw, h: bh },
          used,
          count: a.count + b.count,
          area: a.area + b.area,
        })
        if (a.count + b.count === all) return best
      }
    }
  }
  return best
}

function addUsed(a: Uint8Array, b: Uint8Array, kinds: readonly Kind[]): Uint8Array | null {
  const sum = new Uint8Array(a.length)
  for (let k = 0; k < a.length; k += 1) {
    sum[k] = a[k]! + b[k]!
    if (sum[k]! > kinds[k]!.indices.length) return null
  }
  return sum
}
