import type { Block } from './types.ts'

export type Item = { readonly w: number; readonly h: number; readonly index: number }

/** Parts of one size; `indices` are theirs in the list. */
export type Kind = { readonly w: number; readonly h: number; readonly indices: number[] }

/** Equal parts as one kind, so that swapping them is not searched; the longer way is `w` where parts may be turned. */
export function groupKinds(items: readonly Item[], turn: boolean): Kind[] {
  const kinds = new Map<string, Kind>()
  for (const { w, h, index } of items) {
    const [a, b] = turn && h > w ? [h, w] : [w, h]
    const key = `${a.toFixed(4)}x${b.toFixed(4)}`
    const kind = kinds.get(key)
    if (kind) kind.indices.push(index)
    else kinds.set(key, { w: a, h: b, indices: [index] })
  }
  return [...kinds.values()]
}

/** Gives each part of the blocks its own item again, in the place of its kind. */
export function resolveKinds(blocks: readonly Block[], kinds: readonly Kind[]): Block[] {
  const next = kinds.map(() => 0)
  const walk = (b: Block): Block => {
    if (b.kind === 'pair') return { ...b, a: walk(b.a), b: walk(b.b) }
    const kind = kinds[b.index]!
    const index = kind.indices[next[b.index]!]!
    next[b.index] = next[b.index]! + 1
    return { ...b, index }
  }
  return blocks.map(walk)
}
