/** Keeps the last results of each station by their inputs; lives with the host that makes it. */
export type Memo = <T>(name: string, key: string, work: () => T) => T

/** A memo of at most `limit` results a name, least recently used first out. */
export function stationMemo(limit = 8): Memo {
  const held = new Map<string, Map<string, unknown>>()
  return <T>(name: string, key: string, work: () => T): T => {
    const results = held.get(name) ?? new Map<string, unknown>()
    held.set(name, results)
    if (results.has(key)) {
      const value = results.get(key) as T
      results.delete(key)
      results.set(key, value)
      return value
    }
    const value = work()
    results.set(key, value)
    if (results.size > limit) results.delete(results.keys().next().value!)
    return value
  }
}

/** No memory at all: every station is worked out. */
export const noMemo: Memo = (_, __, work) => work()
