import type { Loop, Point } from '../../core/geometry/index.ts'
import type { Piece } from '../../core/job/index.ts'
import { outlineLoop, placeOpenings, resolvePlacing } from '../../core/piece/index.ts'

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

/** A piece's plan with its openings as one path, front at the bottom, for silhouettes. */
export function outlinePath(piece: Piece, scale: number): string {
  const { width } = piece.outline
  const toScreen: ToScreen = ([x, y]) => [x * scale, (width - y) * scale]
  const openings = placeOpenings(piece, resolvePlacing(piece))
  return [outlineLoop(piece.outline), ...openings.map((o) => o.loop)]
    .map((l) => loopPath(l, toScreen, scale, false))
    .join(' ')
}

/** A polygon's path, y up. */
export const ringPath = (ring: readonly Point[], toScreen: ToScreen): string =>
  `M ${ring.map((p) => show(toScreen(p))).join(' L ')} Z`
