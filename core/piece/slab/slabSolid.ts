import {
  type EdgeShape,
  edgeSize,
  type LoftLoop,
  type LoftSide,
  type Point,
  type SideProfile,
  type SolidRecipe,
} from '../../geometry/index.ts'
import type { Opening, Side, SlabPiece } from '../../job/index.ts'
import { loftLoop, negated, reverseLoftLoop } from '../loftLoop.ts'
import type { PlacedOpening } from '../types.ts'
import { wallProfile } from '../wallProfile.ts'
import { OUTLINE_NAMES, openingPath, outlineEdges, outlinePath, sideNamesOf } from './outlineLoop.ts'

const SQUARE: EdgeShape = { kind: 'square' }
/** Cutters run this far beyond open faces, mm. */
export const OVERSHOOT = 1

export const deepestApron = (piece: SlabPiece): number =>
  Object.values(piece.sides).reduce((most, s) => Math.max(most, s.apron?.drop ?? 0), 0)

/** A side's bare wall, edges and liner left out: from its foot (the underside, or the end of its apron) to the top. */
export function sideWall(
  side: Side,
  thickness: number,
): { readonly low: number; readonly high: number; readonly insetLow: number; readonly insetHigh: number } {
  const low = side.apron ? -side.apron.drop : 0
  const run = side.seam ? 0 : side.taper
  const full = (run / thickness) * (thickness - low)
  return { low, high: thickness, insetLow: Math.max(0, full), insetHigh: Math.max(0, -full) }
}

/** A side's profile from its foot to the top. */
export function sideProfile(id: string, side: Side, thickness: number): SideProfile {
  const wall = sideWall(side, thickness)
  return wallProfile({
    ...wall,
    insetLow: side.liner + wall.insetLow,
    insetHigh: side.liner + wall.insetHigh,
    top: side.seam ? SQUARE : side.top,
    bottom: side.seam ? SQUARE : side.bottom,
    names: { wall: `side/${id}`, top: `edge/${id}/top`, bottom: `edge/${id}/bottom` },
  })
}

/** The outline as a loft's loop, each side with its own profile. */
export const outlineLoft = (piece: SlabPiece): LoftLoop =>
  loftLoop(outlinePath(piece.outline), OUTLINE_NAMES, (id) =>
    sideProfile(id, piece.sides[id]!, piece.thickness),
  )

/** Stands for the number of a wall until an opening's loop gives it. */
const EACH = '*'

/** How an opening's walls lean: 0 at the face it is entered from, inward at the other. */
function openingProfile(opening: Opening, key: string, thickness: number, floor: number): SideProfile {
  const from = opening.on === 'top' ? thickness : 0
  const lean = Math.tan((opening.draftDeg * Math.PI) / 180) * Math.abs(from - floor)
  // In a hole's loop material is on the left: a wall that leans into the hole has a negative inset.
  const atFloor = -lean
  const [low, high] = opening.on === 'top' ? [floor, thickness] : [0, floor]
  const through = opening.depth === null
  const wall = (n: string) => `opening/${key}/wall/${n}`
  return wallProfile({
    low,
    high,
    insetLow: opening.on === 'top' ? atFloor : 0,
    insetHigh: opening.on === 'top' ? 0 : atFloor,
    top: through || opening.on === 'top' ? opening.rim.top : SQUARE,
    bottom: through || opening.on === 'bottom' ? opening.rim.bottom : SQUARE,
    names: { wall: wall(EACH), top: `opening/${key}/rim/top`, bottom: `opening/${key}/rim/bottom` },
  })
}

/** An opening's boundary as a loft's loop, anticlockwise; its walls are numbered. */
function openingLoft(placed: PlacedOpening, profile: SideProfile): LoftLoop {
  const wall = (n: string) => `opening/${placed.key}/wall/${n}`
  const named = (n: string): SideProfile =>
    profile.map((s) => (s.name === wall(EACH) ? { ...s, name: wall(n) } : s))
  return loftLoop(
    openingPath(placed.shape, placed.centre, placed.turnDeg),
    { side: wall, corner: (before, after) => wall(`${before}-${after}`) },
    named,
  )
}

/** A through opening as a hole of the slab's own loft. */
export const openingHole = (opening: Opening, placed: PlacedOpening, thickness: number): LoftLoop =>
  reverseLoftLoop(
    openingLoft(placed, openingProfile(opening, placed.key, thickness, opening.on === 'top' ? 0 : thickness)),
  )

/** What fills a through opening from `low` to `high`, its rims included. */
export function openingPlug(
  opening: Opening,
  placed: PlacedOpening,
  thickness: number,
  low: number,
  high: number,
): SolidRecipe {
  const profile = negated(
    openingProfile(opening, placed.key, thickness, opening.on === 'top' ? 0 : thickness),
  )
  const name = `opening/${placed.key}`
  return {
    kind: 'loft',
    outline: openingLoft(placed, profile),
    holes: [],
    low,
    high,
    lowName: name,
    highName: name,
  }
}

/** What a blind opening takes away; `past` is how far it runs on beyond its face. */
export function recessCutter(
  opening: Opening,
  placed: PlacedOpening,
  thickness: number,
  past = OVERSHOOT,
): SolidRecipe {
  const depth = opening.depth!
  const top = opening.on === 'top'
  const floor = top ? thickness - depth : depth
  const profile = negated(openingProfile(opening, placed.key, thickness, floor))
  return {
    kind: 'loft',
    outline: openingLoft(placed, profile),
    holes: [],
    low: top ? floor : -past,
    high: top ? thickness + past : floor,
    lowName: `opening/${placed.key}/floor`,
    highName: `opening/${placed.key}/floor`,
  }
}

/** The slab as one loft, its through openings as holes; with aprons, deep enough for the deepest. */
export function slabBody(
  piece: SlabPiece,
  openings: readonly PlacedOpening[],
): Extract<SolidRecipe, { kind: 'loft' }> {
  const byId = new Map(piece.openings.map((o) => [o.id, o]))
  return {
    kind: 'loft',
    outline: outlineLoft(piece),
    holes: openings
      .filter((o) => o.depth === null)
      .map((o) => openingHole(byId.get(o.openingId)!, o, piece.thickness)),
    low: -deepestApron(piece),
    high: piece.thickness,
    lowName: 'bottom',
    highName: 'top',
  }
}

/** What is cut from below so that only the aprons hang down: one step for each depth of apron. */
export function apronCutters(piece: SlabPiece): SolidRecipe[] {
  const drops = [...new Set(Object.values(piece.sides).flatMap((s) => (s.apron ? [s.apron.drop] : [])))].sort(
    (a, b) => b - a,
  )
  return drops.map((drop, i) => {
    const high = i + 1 < drops.length ? -drops[i + 1]! : 0
    return {
      kind: 'loft',
      outline: loftLoop(
        outlinePath(piece.outline),
        { side: (id) => `apron/${id}/back`, corner: (a, b) => `apron/${a}-${b}/back` },
        (id) => {
          const { apron, liner } = piece.sides[id]!
          const inset = apron && apron.drop >= drop - 1e-9 ? apron.thickness + liner : -OVERSHOOT
          return [{ z: 0, inset, name: `apron/${id}/back` }]
        },
      ),
      holes: [],
      low: -drop - (i === 0 ? OVERSHOOT : 0),
      high,
      lowName: 'bottom',
      highName: high === 0 ? 'bottom' : `apron/step-${i + 1}`,
    }
  })
}

/** Of a rounded corner, the share of its radius within which no corner of a groove lies: 1 - 1/sqrt 2. */
const OFF_ROUND = 1 - Math.SQRT1_2

/**
 * Drip grooves under straight sides. Where the next side has one too they meet in a mitre; else a groove stops short of
 * the corner by its own inset.
 */
export function dripCutters(piece: SlabPiece, past = OVERSHOOT): SolidRecipe[] {
  const edges = outlineEdges(outlinePath(piece.outline), sideNamesOf(piece.outline))
  const grooves = outlineLoft(piece).map((side) => grooveOf(piece, side, edges.get(side.name)!))
  return grooves.flatMap((groove, i): SolidRecipe[] => {
    if (!groove) return []
    const before = grooves[(i + grooves.length - 1) % grooves.length]
    const after = grooves[(i + 1) % grooves.length]
    const own = { outer: groove.line(groove.inner), inner: groove.line(groove.inner + groove.width) }
    const mitre = (other: Groove | null | undefined, radius: number): [Point, Point] | null => {
      if (!other || other === groove || other.level !== groove.level) return null
      if (Math.min(groove.inner, other.inner) < radius * OFF_ROUND) return null
      const outer = meet(own.outer, other.line(other.inner))
      const inner = meet(own.inner, other.line(other.inner + other.width))
      return outer && inner ? [outer, inner] : null
    }
    const [start, end] = [mitre(before, groove.side.radius), mitre(after, after?.side.radius ?? 0)]
    const at = (along: number): [Point, Point] => [
      groove.at(along, groove.inner),
      groove.at(along, groove.inner + groove.width),
    ]
    const [a, d] = start ?? at(groove.short)
    const [b, c] = end ?? at(groove.length - groove.short)
    const corners = [a, b, c, d]
    const name = `drip/${groove.id}`
    return [
      {
        kind: 'prism',
        outline: corners.map((from, k) => ({ name, from, to: corners[(k + 1) % 4]!, arc: null })),
        holes: [],
        low: groove.level - past,
        high: groove.level + groove.depth,
        lowName: name,
        highName: name,
      },
    ]
  })
}

type Line = { readonly from: Point; readonly along: Point }
type Groove = NonNullable<ReturnType<typeof grooveOf>>

/** A drip groove along its side; null where the side has none, is curved or too short for it. */
function grooveOf(piece: SlabPiece, side: LoftSide, { id }: { readonly id: string }) {
  const { drip, apron, liner } = piece.sides[id]!
  if (!drip || side.arc) return null
  const length = Math.hypot(side.to[0] - side.from[0], side.to[1] - side.from[1])
  if (length - 2 * drip.inset < drip.width) return null
  const along: Point = [(side.to[0] - side.from[0]) / length, (side.to[1] - side.from[1]) / length]
  const at = (s: number, inset: number): Point => [
    side.from[0] + along[0] * s - along[1] * inset,
    side.from[1] + along[1] * s + along[0] * inset,
  ]
  return {
    id,
    side,
    length,
    at,
    line: (inset: number): Line => ({ from: at(0, inset), along }),
    short: drip.inset,
    inner: drip.inset + liner,
    width: drip.width,
    depth: drip.depth,
    level: apron ? -apron.drop : 0,
  }
}

/** Where two lines cross; null where they run alike. */
function meet(a: Line, b: Line): Point | null {
  const cross = a.along[0] * b.along[1] - a.along[1] * b.along[0]
  if (Math.abs(cross) < 1e-6) return null
  const s = ((b.from[0] - a.from[0]) * b.along[1] - (b.from[1] - a.from[1]) * b.along[0]) / cross
  return [a.from[0] + a.along[0] * s, a.from[1] + a.along[1] * s]
}

/** Whether a side has nothing but a square, beaded or chamfered edge. */
export const isPlainSide = ({ taper, liner, drip, apron }: Side): boolean =>
  taper === 0 && liner === 0 && drip === null && apron === null

/** What an edge takes off at most along a side, mm. */
export const sideInset = (side: Side): number =>
  Math.max(edgeSize(side.top), edgeSize(side.bottom)) + Math.abs(side.taper) + side.liner
