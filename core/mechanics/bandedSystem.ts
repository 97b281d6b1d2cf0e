/** A pivot that falls below this share of what it was is rounding: nothing holds that unknown. */
const LOOSE = 1e-12

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
    if (!this.factored) this.factor()
    const { first, start, values: v, size } = this
    const x = right.slice()
    for (let i = 0; i < size; i += 1) {
      let sum = x[i]!
      for (let k = first[i]!; k < i; k += 1) sum -= v[start[i]! + k - first[i]!]! * x[k]!
      x[i] = sum / v[start[i + 1]! - 1]!
    }
    for (let i = size - 1; i >= 0; i -= 1) {
      x[i]! /= v[start[i + 1]! - 1]!
      for (let k = first[i]!; k < i; k += 1) x[k]! -= v[start[i]! + k - first[i]!]! * x[i]!
    }
    return x
  }

  private at(row: number, column: number): number {
    return this.start[row]! + column - this.first[row]!
  }

  private factor(): void {
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
          if (!(sum > LOOSE * own)) throw new Error('The plate is not held in place.')
          v[rowStart + i] = Math.sqrt(sum)
        }
      }
    }
    this.factored = true
  }
}
