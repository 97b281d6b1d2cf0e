/** Mulberry32: a small seeded generator, numbers from 0 to 1 that are the same everywhere. */
export function seeded(seed: number): () => number {
  let state = (seed * 0x9e3779b1 + 0x6d2b79f5) | 0
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), state | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}
