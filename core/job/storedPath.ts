import type { PathCorner } from '../geometry/index.ts'
import type { CornerOfPath } from './schema.ts'

/** A path as the document keeps it: plain corners of its own, to a tenth of a micrometre. */
export const storedPath = (corners: readonly PathCorner[]): CornerOfPath[] =>
  corners.map(({ x, y, radius, side, run }) => ({
    x: tidy(x),
    y: tidy(y),
    radius,
    side,
    run:
      run.kind === 'spline'
        ? { kind: 'spline', through: run.through.map(([px, py]): [number, number] => [tidy(px), tidy(py)]) }
        : { ...run },
  }))

const tidy = (n: number): number => Math.round(n * 1e4) / 1e4
