/** A pivot smaller than this share of the largest entry is none. */
const SINGULAR = 1e-10

/** The solution of a small dense system by elimination with the largest pivot; null where it has none. The rows are used up. */
export function solveDense(rows: Float64Array[], right: Float64Array): Float64Array | null {
  const n = rows.length
  const largest = rows.reduce((most, row) => row.reduce((m, v) => Math.max(m, Math.abs(v)), most), 0)
  for (let k = 0; k < n; k += 1) {
    let pivot = k
    for (let i = k + 1; i < n; i += 1) if (Math.abs(rows[i]![k]!) > Math.abs(rows[pivot]![k]!)) pivot = i
    if (Math.abs(rows[pivot]![k]!) < SINGULAR * largest) return null
    ;[rows[k], rows[pivot]] = [rows[pivot]!, rows[k]!]
    ;[right[k], right[pivot]] = [right[pivot]!, right[k]!]
    for (let i = k + 1; i < n; i += 1) {
      const f = rows[i]![k]! / rows[k]![k]!
      if (f === 0) continue
      for (let j = k; j < n; j += 1) rows[i]![j]! -= f * rows[k]![j]!
      right[i]! -= f * right[k]!
    }
  }
  const x = new Float64Array(n)
  for (let i = n - 1; i >= 0; i -= 1) {
    let sum = right[i]!
    for (let j = i + 1; j < n; j += 1) sum -= rows[i]![j]! * x[j]!
    x[i] = sum / rows[i]![i]!
  }
  return x
}
