import type { Loop, Point, Segment } from '../../core/geometry/index.ts'
import type { OpeningShape, Piece } from '../../core/job/index.ts'
import { silhouette } from '../../core/piece/index.ts'

export type ToScreen = (p: Point) => Point

const show = ([x, y]: Point): string => `${x.toFixed(2)} ${y.toFixed(2)}`

/** A loop as an SVG path; `mirrored` when the view looks from below, `scale` px a mm. Arcs stay arcs. */
export function loopPath(loop: Loop, toScreen: ToScreen, scale: number, mirrored: boolean): string {
  const first = loop[0]
  if (!first) return ''
  const steps = loop.map(({ to, arc }) => {
    if (!arc) return `L ${show(toScreen(to))}`
    const r = (arc.radius * scale).toFixed(3)
    // On screen y runs down, which turns an anticlockwise arc into sweep 0; a mirror turns it back.
    const sweep = arc.sweepRad > 0 === mirrored ? 1 : 0
    return `A ${r} ${r} 0 ${Math.abs(arc.sweepRad) > Math.PI ? 1 : 0} ${sweep} ${show(toScreen(to))}`
  })
  return `M ${show(toScreen(first.from))} ${steps.join(' ')} Z`
}

/** A piece's small drawing as one path that fits `box` px, about the origin. */
export function silhouettePath(piece: Piece, box: readonly [number, number]): string {
  const rings = silhouette(piece)
  const xs = rings.flat().map((p) => p[0])
  const ys = rings.flat().map((p) => p[1])
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const k = Math.min(box[0] / Math.max(1e-6, x1 - x0), box[1] / Math.max(1e-6, y1 - y0))
  const at: ToScreen = ([x, y]) => [(x - (x0 + x1) / 2) * k, ((y0 + y1) / 2 - y) * k]
  return rings
    .map((ring) => (ring.length > 2 ? ringPath(ring, at) : `M ${ring.map((p) => show(at(p))).join(' L ')}`))
    .join(' ')
}

/** A polygon's path, y up. */
export const ringPath = (ring: readonly Point[], toScreen: ToScreen): string =>
  `M ${ring.map((p) => show(toScreen(p))).join(' L ')} Z`

/** One segment of a loop as an open path. */
export function openPath(segment: Segment, toScreen: ToScreen, scale: number, mirrored: boolean): string {
  return loopPath([segment], toScreen, scale, mirrored).replace(/ Z$/, '')
}

/** An opening's size as it is written beside it. */
export function shapeText(shape: OpeningShape, text: (mm: number) => string): string {
  switch (shape.kind) {
    case 'round':
      return `d ${text(shape.diameter)}`
    case 'slot':
      return `slot ${text(shape.length)} × ${text(shape.width)}`
    case 'rectangle':
      return `${text(shape.length)} × ${text(shape.width)}${shape.radius > 0 ? ` r ${text(shape.radius)}` : ''}`
    case 'polygon':
      return `${shape.corners.length} sides`
  }
}
