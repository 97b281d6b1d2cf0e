import { beadChords } from '../../geometry/index.ts'
import type { Panel } from '../../job/index.ts'

type Frame = Extract<Panel, { kind: 'frame' }>
/** A point of a trim's section: in from its outer side, and above its foot, mm. */
export type TrimPoint = { readonly inset: number; readonly rise: number }

type Unit = readonly [number, number]

/** Unit curves from (0, 0) to (1, 1) of our own profile library; the section is closed by the tall side and the foot. */
function curve(trim: Exclude<Frame['trim'], 'own' | 'bead'>, chords: number): readonly Unit[] {
  const arc = (at: (c: number, s: number) => Unit): Unit[] =>
    equalArea(Math.PI / 2, chords).map(([c, s]) => at(c, s))
  switch (trim) {
    case 'bevel':
      return [
        [0, 0],
        [1, 1],
      ]
    // Hollow: a quarter ellipse about the upper outer corner.
    case 'cove':
      return arc((c, s) => [s, 1 - c])
    // Full: a quarter ellipse about the lower inner corner.
    case 'ovolo':
      return arc((c, s) => [1 - c, s])
    // Hollow below, full above.
    case 'ogee':
      return [
        ...arc((c, s) => [s / 2, (1 - c) / 2]),
        ...arc((c, s) => [1 - c / 2, 0.5 + s / 2] as const).slice(1),
      ]
    case 'stepped':
      return [
        [0, 0],
        [0, 1 / 3],
        [1 / 3, 1 / 3],
        [1 / 3, 2 / 3],
        [2 / 3, 2 / 3],
        [2 / 3, 1],
        [1, 1],
      ]
  }
}

/**
 * Cosine and sine along an arc of the unit circle in `n` chords, its inner points a little outside it so that the
 * chords enclose exactly its sector: sin(a/n) (2 k + (n - 2) k^2) = a.
 */
function equalArea(sweep: number, n: number): Unit[] {
  const k = (-1 + Math.sqrt(1 + ((n - 2) * sweep) / Math.sin(sweep / n))) / (n - 2)
  return Array.from({ length: n + 1 }, (_, i): Unit => {
    const [t, r] = [(sweep * i) / n, i === 0 || i === n ? 1 : k]
    return [r * Math.cos(t), r * Math.sin(t)]
  })
}

/** The closed section of a frame's trim, anticlockwise from its outer foot, scaled to its width and height. */
export function trimSection(frame: Frame): TrimPoint[] {
  const { width, height, tallSide } = frame
  // Their area is exact: half a bead's chords stray by a hundredth of a millimetre.
  const chords = Math.max(
    5,
    Math.round(beadChords(Math.max(width / (frame.trim === 'bead' ? 2 : 1), height)) / 2),
  )
  const place = (points: readonly (readonly [number, number])[]): TrimPoint[] =>
    points.map(([x, y]) => ({ inset: x * width, rise: y * height }))
  if (frame.trim === 'own') return ownSection(frame)
  if (frame.trim === 'bead')
    return [...place(equalArea(Math.PI, 2 * chords).map(([c, s]): Unit => [(1 + c) / 2, s]))]
  const section = [
    [0, 0] as const,
    [1, 0] as const,
    ...[...curve(frame.trim, chords)].reverse().filter(([x, y]) => x + y > 0),
  ]
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
