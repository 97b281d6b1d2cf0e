import { type EdgeShape, edgeSize, type Loop, reverseLoop, type SolidRecipe } from '../geometry/index.ts'
import type { Piece, Rim } from '../job/index.ts'
import { SIDES } from './outlineLoop.ts'
import type { PlacedOpening } from './types.ts'

type RimName = 'top' | 'bottom'

/** What the edge treatments of one rim take off; null where every edge is square. `level` is the rim's z. */
export function outlineRim(
  piece: Piece,
  loop: Loop,
  rim: RimName,
  level: number,
  into: 1 | -1,
): SolidRecipe | null {
  const edges: Record<string, EdgeShape> = {}
  const names: Record<string, string> = {}
  for (const side of SIDES) {
    const edge = piece.sides[side][rim]
    if (edgeSize(edge) === 0) continue
    edges[`side/${side}`] = edge
    names[`side/${side}`] = `edge/${side}/${rim}`
  }
  return Object.keys(edges).length === 0 ? null : { kind: 'rimCutter', loop, edges, names, level, into }
}

/** The same for one opening's rim, all round. */
export function openingRim(
  opening: PlacedOpening,
  edge: EdgeShape,
  rim: RimName,
  level: number,
  into: 1 | -1,
): SolidRecipe | null {
  if (edgeSize(edge) === 0) return null
  const edges: Record<string, EdgeShape> = {}
  const names: Record<string, string> = {}
  for (const { name } of opening.loop) {
    edges[name] = edge
    names[name] = `opening/${opening.key}/rim/${rim}`
  }
  return { kind: 'rimCutter', loop: reverseLoop(opening.loop), edges, names, level, into }
}

/** The slab as placed: its plan with its openings, less what the edges take off. Nothing may cross: check first. */
export function slabRecipe(piece: Piece, outline: Loop, openings: readonly PlacedOpening[]): SolidRecipe {
  const { thickness } = piece
  const rims: Readonly<Record<string, Rim>> = Object.fromEntries(piece.openings.map((o) => [o.id, o.rim]))
  const cutters = [
    outlineRim(piece, outline, 'top', thickness, -1),
    outlineRim(piece, outline, 'bottom', 0, 1),
    ...openings.flatMap((o) => [
      openingRim(o, rims[o.openingId]!.top, 'top', thickness, -1),
      openingRim(o, rims[o.openingId]!.bottom, 'bottom', 0, 1),
    ]),
  ].filter((cutter) => cutter !== null)
  const body: SolidRecipe = {
    kind: 'prism',
    outline,
    holes: openings.map((o) => o.loop),
    low: 0,
    high: thickness,
    lowName: 'bottom',
    highName: 'top',
  }
  return cutters.length === 0 ? body : { kind: 'difference', from: body, minus: cutters }
}
