/** A pivot that falls below this share of what it was is rounding: nothing holds that unknown. */
const LOOSE = 1e-12

/** Nothing holds some unknown of it. */
export class LooseSystem extends Error {
  constructor() {
    super('The plate is not held in place.')
  }
}

/**
 * A symmetric positive definite system kept by its lower rows from their first entry to the diagonal (skyline, or
 * profile, storage), solved by Cholesky's L L' in place: Jennings, Matrix Computation for Engineers, 1977.
 */
export class BandedSystem {
  readonly size: number
  private readonly first: Int32Array
  private readonly start: Int32Array
  private readonly values: Float64Array
  private factored = false

  /** `first[i]` is the first column of row i that can hold an entry. */
  constructor(first: Int32Array) {
    this.size = first.length
    this.first = first
    this.start = new Int32Array(this.size + 1)
    for (let i = 0; i < this.size; i += 1) this.start[i + 1] = this.start[i]! + i - first[i]! + 1
    this.values = new Float64Array(this.start[this.size]!)
  }

  /** Adds to entry (i, j) and to its mirror image. */
  add(i: number, j: number, value: number): void {
    const [row, column] = i >= j ? [i, j] : [j, i]
    this.values[this.at(row, column)]! += value
  }

  /** The solution for one right side, which is left as it was. Throws when the system is not held in place. */
  solve(right: Float64Array): Float64Array {
    this.factor()
    const { first, start, values: v, size } = this
    const x = right.slice()
    // Before its first load nothing moves in the way down.
    let from = 0
    while (from < size && x[from] === 0) from += 1
    for (let i = from; i < size; i += 1) {
      const row = start[i]! - first[i]!
      let sum = x[i]!
      for (let k = Math.max(from, first[i]!); k < i; k += 1) sum -= v[row + k]! * x[k]!
      x[i] = sum / v[row + i]!
    }
    for (let i = size - 1; i >= 0; i -= 1) {
      const row = start[i]! - first[i]!
      const own = x[i]! / v[row + i]!
      x[i] = own
      for (let k = first[i]!; k < i; k += 1) x[k]! -= v[row + k]! * own
    }
    return x
  }

  private at(row: number, column: number): number {
    return this.start[row]! + column - this.first[row]!
  }

  /** Done once; throws when the system is not held in place. */
  factor(): void {
    if (this.factored) return
    const { first, start, values: v, size } = this
    for (let i = 0; i < size; i += 1) {
      const rowStart = start[i]! - first[i]!
      for (let j = first[i]!; j <= i; j += 1) {
        const own = v[rowStart + j]!
        let sum = own
        const otherStart = start[j]! - first[j]!
        for (let k = Math.max(first[i]!, first[j]!); k < j; k += 1)
          sum -= v[rowStart + k]! * v[otherStart + k]!
        if (j < i) v[rowStart + j] = sum / v[start[j + 1]! - 1]!
        else {
          if (!(sum > LOOSE * own)) throw new LooseSystem()
          v[rowStart + i] = Math.sqrt(sum)
        }
      }
    }
    this.factored = true
  }
}
