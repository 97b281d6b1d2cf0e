import type { CornerOfPath, Outline } from '../../../../core/job/index.ts'

const polygon = (points: readonly (readonly [number, number, number?])[]): Outline => ({
  kind: 'polygon',
  corners: points.map(
    ([x, y, rise], i): CornerOfPath => ({
      x: Math.round(x * 100) / 100,
      y: Math.round(y * 100) / 100,
      radius: 0,
      side: i === 0 ? 'front' : `side-${i + 1}`,
      run: rise ? { kind: 'arc', rise: Math.round(rise * 1e4) / 1e4 } : { kind: 'line' },
    }),
  ),
})

/** Plans to start from, fitted to a length and a width; every corner can then be dragged or typed. */
export const PLANS: readonly { name: string; outline: (l: number, w: number) => Outline }[] = [
  {
    name: 'rectangle',
    outline: (length, width) => ({ kind: 'rectangle', length, width, radii: [0, 0, 0, 0] }),
  },
  {
    name: 'L',
    outline: (l, w) =>
      polygon([
        [0, 0],
        [l, 0],
        [l, w / 2],
        [l * 0.45, w / 2],
        [l * 0.45, w],
        [0, w],
      ]),
  },
  {
    name: 'U',
    outline: (l, w) =>
      polygon([
        [0, 0],
        [l, 0],
        [l, w],
        [l * 0.7, w],
        [l * 0.7, w * 0.45],
        [l * 0.3, w * 0.45],
        [l * 0.3, w],
        [0, w],
      ]),
  },
  {
    name: 'T',
    outline: (l, w) =>
      polygon([
        [l * 0.35, 0],
        [l * 0.65, 0],
        [l * 0.65, w * 0.55],
        [l, w * 0.55],
        [l, w],
        [0, w],
        [0, w * 0.55],
        [l * 0.35, w * 0.55],
      ]),
  },
  {
    name: 'notched',
    outline: (l, w) =>
      polygon([
        [0, 0],
        [l, 0],
        [l, w],
        [l * 0.78, w],
        [l * 0.78, w * 0.7],
        [l * 0.55, w * 0.7],
        [l * 0.55, w],
        [0, w],
      ]),
  },
  {
    name: 'round',
    outline: (l, w) => {
      const d = Math.min(l, w)
      return polygon([
        [0, d / 2, d / 2],
        [d, d / 2, d / 2],
      ])
    },
  },
  {
    name: 'six-sided',
    outline: (l) => {
      const r = l / 2
      return polygon(
        Array.from(
          { length: 6 },
          (_, i) =>
            [r + r * Math.cos(((i - 2) * Math.PI) / 3), r + r * Math.sin(((i - 2) * Math.PI) / 3)] as const,
        ),
      )
    },
  },
  {
    name: 'ring part',
    outline: (l) => {
      // A 90 degree part of a ring, outside radius l/2, inside half of it.
      const [R, r] = [l / Math.SQRT2, l / Math.SQRT2 / 2]
      const s = Math.SQRT1_2
      return polygon([
        [-r * s, r * s, -r * (1 - s)],
        [r * s, r * s],
        [R * s, R * s, R * (1 - s)],
        [-R * s, R * s],
      ])
    },
  },
]
