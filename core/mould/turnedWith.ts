import type { MouldFigures, Undoing } from './types.ts'

/**
 * What of a mould is still on a piece when it is turned over, kg: all but what had to leave before. Null where nothing
 * turns it; of several turns the heaviest. A base of 900 x 500 in 18 mm melamine, its sides off: 5.5.
 */
export function turnedWith(off: readonly Undoing[], parts: MouldFigures['parts']): number | null {
  const turns = off.filter((u) => u.turns)
  if (turns.length === 0) return null
  const weights = new Map(parts.map((p) => [p.id, p.weightKg]))
  const total = off.flatMap((u) => u.partIds).reduce((sum, id) => sum + (weights.get(id) ?? 0), 0)
  return Math.max(...turns.map((turn) => total - goneBefore(off, turn, weights)))
}

function goneBefore(off: readonly Undoing[], turn: Undoing, weights: ReadonlyMap<string, number>): number {
  const byId = new Map(off.map((u) => [u.id, u]))
  const gone = new Set<string>()
  const before = [...turn.after]
  for (const id of before) {
    if (gone.has(id)) continue
    gone.add(id)
    before.push(...(byId.get(id)?.after ?? []))
  }
  return [...gone]
    .flatMap((id) => byId.get(id)?.partIds ?? [])
    .reduce((sum, id) => sum + (weights.get(id) ?? 0), 0)
}
