import type { BoxChoice, Opening } from '../../job/index.ts'
import { insetShape } from '../../piece/index.ts'
import type { Plug, Tube } from '../../stock/index.ts'

export type KnockoutKind = BoxChoice['knockoutKinds'][string]

/** Wrap that makes up the difference between a tube and its opening is at most this thick, mm [own]. */
export const MOST_WRAP = 12

/** Whether boards stood on edge fill it: a rectangle with square corners and upright walls. */
export const goesOnEdge = ({ shape, draftDeg }: Pick<Opening, 'shape' | 'draftDeg'>): boolean =>
  shape.kind === 'rectangle' && shape.radius === 0 && draftDeg === 0

/** What an opening is made by: boards lying where the maker named nothing, or boards on edge that would not fill it. */
export function knockoutKind(
  mould: BoxChoice,
  opening: Pick<Opening, 'id' | 'shape' | 'draftDeg'>,
): KnockoutKind {
  const chosen = mould.knockoutKinds[opening.id] ?? 'laminate'
  return chosen === 'edge' && !goesOnEdge(opening) ? 'laminate' : chosen
}

/** The widest tube that goes into a round opening with its wrap; null where none comes within a wrap of it. */
export function tubeFor(diameter: number, wrap: number, tubes: readonly Tube[]): Tube | null {
  const outside = (t: Tube) => t.inside + 2 * t.wall
  const fitting = tubes.filter((t) => outside(t) <= diameter - 2 * wrap + 1e-6)
  const widest = fitting.reduce<Tube | null>((a, b) => (a && outside(a) >= outside(b) ? a : b), null)
  return widest && (diameter - outside(widest)) / 2 <= MOST_WRAP ? widest : null
}

/** A bought plug is taken for an opening this near its own size, mm, and draft, degrees [own]. */
export const PLUG_NEAR = { mm: 0.5, deg: 0.25 }

/**
 * Where an opening is widest, seen from the face it is entered by: walls that lean in are widest there, walls that lean
 * out at the far end. `spanMm` is how far its former reaches from and to, measured from that face.
 */
export function wideEnd(
  { shape, draftDeg, on }: Pick<Opening, 'shape' | 'draftDeg' | 'on'>,
  [near, far]: readonly [number, number],
): { readonly shape: Opening['shape']; readonly on: Opening['on'] } {
  const lean = Math.tan((draftDeg * Math.PI) / 180)
  return {
    shape: insetShape(shape, lean * (draftDeg > 0 ? near : far)),
    on: draftDeg >= 0 ? on : on === 'top' ? 'bottom' : 'top',
  }
}

const across = (shape: Opening['shape']): readonly [number, number, number] | null =>
  shape.kind === 'round'
    ? [shape.diameter, shape.diameter, shape.diameter / 2]
    : shape.kind === 'rectangle'
      ? [shape.length, shape.width, shape.radius]
      : null

/** How far a plug is from an opening, mm over all its sizes; null where it cannot form it at all. */
export function plugAway(opening: Opening, plug: Plug, deep: number): number | null {
  const own = across(wideEnd(opening, [0, deep]).shape)
  if (!own || plug.height < deep) return null
  const sizes = [plug.length, plug.width, plug.radius].map((size, k) => Math.abs(size - own[k]!))
  return (
    Math.max(...sizes) + 4 * Math.max(0, Math.abs(plug.draftDeg - Math.abs(opening.draftDeg)) - PLUG_NEAR.deg)
  )
}

/** The plug in stock that forms an opening, and the one that comes nearest. */
export function plugFor(
  opening: Opening,
  plugs: readonly Plug[],
  deep: number,
): { readonly fits: Plug | null; readonly nearest: Plug | null } {
  const near = plugs
    .flatMap((plug) => {
      const away = plugAway(opening, plug, deep)
      return away === null ? [] : [{ plug, away }]
    })
    .sort((a, b) => a.away - b.away)[0]
  return { fits: near && near.away <= PLUG_NEAR.mm ? near.plug : null, nearest: near?.plug ?? null }
}
