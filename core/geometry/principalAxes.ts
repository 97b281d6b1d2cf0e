import type { Vector } from './recipe.ts'

/**
 * The three axes about which some directions are spread: eigenvectors of the sum of weight n n^T, by Jacobi's rotations
 * (Golub and Van Loan, Matrix Computations, 8.5), the one with the least spread first. The faces of what was drawn along an
 * axis are square to it, so that it comes first: of a cylinder with no ends, its axis.
 */
export function principalAxes(of: readonly { readonly normal: Vector; readonly area: number }[]): Vector[] {
  const a = [0, 1, 2].map((i) =>
    [0, 1, 2].map((j) => of.reduce((sum, { normal, area }) => sum + area * normal[i]! * normal[j]!, 0)),
  )
  const v = [0, 1, 2].map((i) => [0, 1, 2].map((j) => (i === j ? 1 : 0)))
  const turn = (m: number[][], i: number, j: number, c: number, s: number): void => {
    for (const row of m) {
      const [p, q] = [row[i]!, row[j]!]
      row[i] = c * p - s * q
      row[j] = s * p + c * q
    }
  }
  for (let sweep = 0; sweep < SWEEPS; sweep += 1)
    for (const [i, j] of [
      [0, 1],
      [0, 2],
      [1, 2],
    ] as const) {
      if (Math.abs(a[i]![j]!) < 1e-15) continue
      const angle = 0.5 * Math.atan2(2 * a[i]![j]!, a[j]![j]! - a[i]![i]!)
      const [c, s] = [Math.cos(angle), Math.sin(angle)]
      turn(a, i, j, c, s)
      const [p, q] = [a[i]!, a[j]!]
      a[i] = p.map((n, k) => c * n - s * q[k]!)
      a[j] = q.map((n, k) => s * p[k]! + c * n)
      turn(v, i, j, c, s)
    }
  return [0, 1, 2].sort((i, j) => a[i]![i]! - a[j]![j]!).map((i): Vector => [v[0]![i]!, v[1]![i]!, v[2]![i]!])
}
const SWEEPS = 12
