import type { Point } from '../../geometry/index.ts'
import type { Change, Opening, Piece, PlaceRule, SlabPiece } from '../../job/index.ts'
import type { PlacedOpening } from '../types.ts'
import { halfSize, insetShape, outlineSize, shapeLoop } from './outlineLoop.ts'
import { patternPlaces } from './pattern.ts'

export type PlacingProblem = {
  readonly code: 'lost' | 'circular'
  readonly openingId: string
  readonly axis: Axis
  readonly onto: string
}
type Axis = 'u' | 'v'

export type Placing = {
  /** Middle of each opening, or of its row, by opening id. */
  readonly middles: ReadonlyMap<string, Point>
  readonly problems: readonly PlacingProblem[]
}

/** Half of what an opening, its pattern included, takes up along an axis. */
export function reach(opening: Opening, axis: Axis): number {
  const k = axis === 'u' ? 0 : 1
  const half = halfSize(opening.shape, opening.turnDeg)[k]
  const { pattern } = opening
  if (!pattern) return half
  switch (pattern.kind) {
    case 'row':
      return pattern.along === axis ? half + ((pattern.count - 1) * pattern.pitch) / 2 : half
    case 'grid':
      return (
        half +
        (axis === 'u'
          ? ((pattern.countU - 1) * pattern.pitchU) / 2
          : ((pattern.countV - 1) * pattern.pitchV) / 2)
      )
    case 'circle':
      return half + pattern.diameter / 2
    // Its rule is the piece's own width: it is placed as one of them.
    case 'spread':
      return half
  }
}

/**
 * Where the rules put each opening. A rule onto an opening that is gone, or that leads back to itself, is a problem;
 * the opening then stands in the piece's middle so that it can still be seen and moved.
 */
export function resolvePlacing(piece: SlabPiece): Placing {
  const byId = new Map(piece.openings.map((o) => [o.id, o]))
  const problems: PlacingProblem[] = []
  const found = new Map<string, number>()
  const size = outlineSize(piece.outline)

  function middle(opening: Opening, axis: Axis, asking: readonly string[]): number {
    const key = `${axis}:${opening.id}`
    const known = found.get(key)
    if (known !== undefined) return known
    const total = axis === 'u' ? size.length : size.width
    const rule = opening[axis]
    let at = total / 2
    if (asking.includes(opening.id)) {
      problems.push({ code: 'circular', openingId: opening.id, axis, onto: asking.at(-1) ?? opening.id })
      return at
    }
    if ('opening' in rule) {
      const other = byId.get(rule.opening)
      if (!other) problems.push({ code: 'lost', openingId: opening.id, axis, onto: rule.opening })
      else
        at = fromOther(
          rule,
          middle(other, axis, [...asking, opening.id]),
          reach(other, axis),
          reach(opening, axis),
        )
    } else at = fromSides(rule, total, reach(opening, axis))
    found.set(key, at)
    return at
  }

  const middles = new Map(
    piece.openings.map((o): [string, Point] => [o.id, [middle(o, 'u', []), middle(o, 'v', [])]]),
  )
  return { middles, problems }
}

function fromSides(rule: Exclude<PlaceRule, { opening: string }>, total: number, own: number): number {
  switch (rule.rule) {
    case 'fromStart':
      return rule.distance + own
    case 'fromEnd':
      return total - rule.distance - own
    case 'centred':
      return total / 2 + rule.offset
  }
}

function fromOther(
  rule: Extract<PlaceRule, { opening: string }>,
  other: number,
  otherReach: number,
  own: number,
): number {
  switch (rule.rule) {
    case 'centredOn':
      return other + rule.offset
    case 'beyond':
      return other + otherReach + rule.gap + own
    case 'short':
      return other - otherReach - rule.gap - own
  }
}

/** Every opening of a piece with its boundary, patterns spread out. */
export function placeOpenings(piece: SlabPiece, placing: Placing): PlacedOpening[] {
  const size = outlineSize(piece.outline)
  return piece.openings.flatMap((opening) => {
    const middle = placing.middles.get(opening.id)!
    const places = patternPlaces(opening, middle, size)
    return places.map((centre, i): PlacedOpening => {
      const key = opening.pattern ? `${opening.id}.${i + 1}` : opening.id
      return {
        openingId: opening.id,
        key,
        name: opening.pattern ? `${opening.name} ${i + 1}` : opening.name,
        shape: opening.shape,
        turnDeg: opening.turnDeg,
        centre,
        loop: shapeLoop(opening.shape, centre, key, opening.turnDeg),
        on: opening.on,
        depth: opening.depth,
        made: opening.made,
      }
    })
  })
}

/** Openings where they are widest: one whose walls lean outward from the face it is entered by is wider at its far end. */
export const atWidest = (piece: SlabPiece, placed: readonly PlacedOpening[]): PlacedOpening[] =>
  placed.map((o) => {
    const { draftDeg } = piece.openings.find(({ id }) => id === o.openingId)!
    if (draftDeg >= 0) return o
    const by = Math.tan((-draftDeg * Math.PI) / 180) * Math.min(o.depth ?? piece.thickness, piece.thickness)
    const shape = insetShape(o.shape, -by)
    return { ...o, shape, loop: shapeLoop(shape, o.centre, o.key, o.turnDeg) }
  })

/** The piece as it is cast: without what is drilled once it is out of its mould. */
export const asCast = <P extends Piece>(piece: P): P =>
  piece.kind === 'slab' && piece.openings.some((o) => o.made === 'drilled')
    ? { ...piece, openings: piece.openings.filter((o) => o.made === 'cast') }
    : piece

/** The same rule with its figure changed so that the opening stands `by` mm further along the axis. */
export function movedRule(rule: PlaceRule, by: number): PlaceRule {
  const tidy = (n: number) => Math.round(n * 1e4) / 1e4
  switch (rule.rule) {
    case 'fromStart':
      return { ...rule, distance: tidy(rule.distance + by) }
    case 'fromEnd':
      return { ...rule, distance: tidy(rule.distance - by) }
    case 'centred':
    case 'centredOn':
      return { ...rule, offset: tidy(rule.offset + by) }
    case 'beyond':
      return { ...rule, gap: tidy(rule.gap + by) }
    case 'short':
      return { ...rule, gap: tidy(rule.gap - by) }
  }
}

/** The change that moves an opening while it keeps the kind of rule it is placed by. */
export function moveOpening(piece: SlabPiece, openingId: string, by: Point): Change {
  const opening = piece.openings.find((o) => o.id === openingId)
  if (!opening) throw new Error(`no opening ${openingId}`)
  const patch: { u?: PlaceRule; v?: PlaceRule } = {}
  if (by[0] !== 0) patch.u = movedRule(opening.u, by[0])
  if (by[1] !== 0) patch.v = movedRule(opening.v, by[1])
  return { type: 'openingChanged', pieceId: piece.id, openingId, patch }
}

/** Removes an opening; those placed by it keep their place, measured from the left and front from now on. */
export function removeOpening(piece: SlabPiece, openingId: string): Change[] {
  const { middles } = resolvePlacing(piece)
  const freed = piece.openings.flatMap((opening): Change[] => {
    if (opening.id === openingId) return []
    const patch: { u?: PlaceRule; v?: PlaceRule } = {}
    for (const axis of ['u', 'v'] as const) {
      const rule = opening[axis]
      if (!('opening' in rule) || rule.opening !== openingId) continue
      const at = middles.get(opening.id)![axis === 'u' ? 0 : 1]
      patch[axis] = { rule: 'fromStart', distance: Math.round((at - reach(opening, axis)) * 1e4) / 1e4 }
    }
    return patch.u || patch.v
      ? [{ type: 'openingChanged', pieceId: piece.id, openingId: opening.id, patch }]
      : []
  })
  return [...freed, { type: 'openingRemoved', pieceId: piece.id, openingId }]
}
