import type { Panel } from '../../job/index.ts'

type Frame = Extract<Panel, { kind: 'frame' }>
/** A point of a trim's section: in from its outer side, and above its foot, mm. */
export type TrimPoint = { readonly inset: number; readonly rise: number }

const STEPS = 24

/** Unit curves from (0, 0) to (1, 1) of our own profile library; the section is closed by the tall side and the foot. */
const CURVES: Readonly<
  Record<Exclude<Frame['trim'], 'own' | 'bead'>, readonly (readonly [number, number])[]>
> = {
  bevel: [
    [0, 0],
    [1, 1],
  ],
  // Hollow: a quarter ellipse about the upper outer corner.
  cove: arc((t) => [Math.sin(t), 1 - Math.cos(t)]),
  // Full: a quarter ellipse about the lower inner corner.
  ovolo: arc((t) => [1 - Math.cos(t), Math.sin(t)]),
  // Hollow below, full above.
  ogee: [
    ...arc((t) => [Math.sin(t) / 2, (1 - Math.cos(t)) / 2]),
    ...arc((t) => [1 - Math.cos(t) / 2, 0.5 + Math.sin(t) / 2]).slice(1),
  ].map(([x, y]) => [x!, y!] as const),
  stepped: [
    [0, 0],
    [0, 1 / 3],
    [1 / 3, 1 / 3],
    [1 / 3, 2 / 3],
    [2 / 3, 2 / 3],
    [2 / 3, 1],
    [1, 1],
  ],
}

function arc(at: (t: number) => readonly [number, number]): (readonly [number, number])[] {
  return Array.from({ length: STEPS + 1 }, (_, i) => at((Math.PI / 2) * (i / STEPS)))
}

/** The closed section of a frame's trim, anticlockwise from its outer foot, scaled to its width and height. */
export function trimSection(frame: Frame): TrimPoint[] {
  const { width, height, tallSide } = frame
  const place = (points: readonly (readonly [number, number])[]): TrimPoint[] =>
    points.map(([x, y]) => ({ inset: x * width, rise: y * height }))
  if (frame.trim === 'own') return ownSection(frame)
  if (frame.trim === 'bead')
    return [
      ...place(
        Array.from({ length: 2 * STEPS + 1 }, (_, i) => {
          const t = (Math.PI * i) / (2 * STEPS)
          return [(1 + Math.cos(t)) / 2, Math.sin(t)] as const
        }),
      ),
    ]
  const curve = CURVES[frame.trim]
  const section = [[0, 0] as const, [1, 0] as const, ...[...curve].reverse().filter(([x, y]) => x + y > 0)]
  const inner = place(section)
  if (tallSide === 'inner') return inner
  return inner.map((p) => ({ ...p, inset: width - p.inset })).reverse()
}

/** An imported section, fitted to the frame's width and height, its lowest line the foot. */
function ownSection({ own, width, height }: Frame): TrimPoint[] {
  if (own.length < 3) return []
  const [xs, ys] = [own.map(([x]) => x), own.map(([, y]) => y)]
  const [x0, y0] = [Math.min(...xs), Math.min(...ys)]
  const [w, h] = [Math.max(...xs) - x0 || 1, Math.max(...ys) - y0 || 1]
  const points = own.map(([x, y]) => ({ inset: ((x - x0) / w) * width, rise: ((y - y0) / h) * height }))
  const twice = points.reduce((sum, p, i) => {
    const q = points[(i + 1) % points.length]!
    return sum + p.inset * q.rise - q.inset * p.rise
  }, 0)
  return twice < 0 ? points.reverse() : points
}
