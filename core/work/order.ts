import type { Operation } from './operation.ts'

export type Ordered = {
  readonly operations: readonly Operation[]
  /** Operations that wait for one another in a ring, in the order of the list; empty when all can be done. */
  readonly circle: readonly string[]
}

/**
 * Operations so that each comes after all it needs, else in the order given. What is needed but in no list is taken as
 * done. A ring of needs has no first: its members come last, in the order given, and are named.
 * `[b needs a, a]` gives a, b.
 */
export function orderOperations(given: readonly Operation[]): Ordered {
  const known = new Set(given.map((op) => op.id))
  const needs = needsOf(given)
  const waiting = new Map(
    given.map((op) => [op.id, new Set(needs.get(op.id)!.filter((id) => known.has(id) && id !== op.id))]),
  )
  const after = new Map<string, string[]>()
  for (const [id, own] of waiting) for (const n of own) after.set(n, [...(after.get(n) ?? []), id])
  const place = new Map(given.map((op, i) => [op.id, i]))
  const free = given.filter((op) => waiting.get(op.id)!.size === 0).map((op) => place.get(op.id)!)
  const operations: Operation[] = []
  while (free.length > 0) {
    free.sort((a, b) => a - b)
    const op = given[free.shift()!]!
    operations.push(op)
    for (const id of after.get(op.id) ?? []) {
      const left = waiting.get(id)!
      left.delete(op.id)
      if (left.size === 0) free.push(place.get(id)!)
    }
  }
  const done = new Set(operations.map((op) => op.id))
  const rest = given.filter((op) => !done.has(op.id))
  return { operations: [...operations, ...rest], circle: rest.map((op) => op.id) }
}

/** All that each operation of a list comes after: what it needs, and what leads it. */
export function needsOf(operations: readonly Operation[]): ReadonlyMap<string, readonly string[]> {
  const needs = new Map(operations.map((op) => [op.id, [...op.needs]]))
  for (const op of operations) for (const id of op.leads) needs.get(id)?.push(op.id)
  return needs
}
