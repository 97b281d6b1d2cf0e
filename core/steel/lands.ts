import type { Gap, Loop, Segment } from '../geometry/index.ts'
import type { Change, Finding, Level, SlabPiece } from '../job/index.ts'
import {
  atWidest,
  moveOpening,
  outlineEdges,
  outlinePath,
  type PieceGeometry,
  type PlacedOpening,
  sideNamesOf,
} from '../piece/index.ts'
import { type Memo, runStation } from '../station.ts'
import { measureGaps } from './gaps.ts'
import type { Land } from './types.ts'

/** Lands wider than the thickness and than this are not looked at, mm [own]. */
const WIDE = 150

export type JudgedLand = Land & {
  readonly level: Level | null
  readonly long: boolean
  readonly wantedMm: number
}

/** The concrete left between openings, and between openings and the outline, each judged. */
export function judgeLands(
  piece: SlabPiece,
  { openings: cast, drilled, outline, thickness: own, length, width }: PieceGeometry,
  memo: Memo,
): JudgedLand[] {
  const openings = atWidest(piece, [...cast, ...drilled])
  // In a tall piece a land is judged by the plan: a column is not thin beside a hole along it.
  const thickness = Math.min(own, Math.max(50, Math.min(length, width) / 4))
  const edges = outlineEdges(outlinePath(piece.outline), sideNamesOf(piece.outline))
  // The gaps are the plan's alone: a change of thickness does not measure them again.
  const { value: gaps } = runStation(
    memo,
    'gaps',
    { outline, openings, reach: Math.max(WIDE, thickness) },
    measureGaps,
  )
  return gaps.map(({ gap, of, against }) => {
    const a = openings[of]!
    const b = against === null ? null : openings[against]!
    return judge(
      gap,
      thickness,
      [a.name, b ? b.name : edgeName(gap, outline, edges)],
      b ? [a.openingId, b.openingId] : [a.openingId],
      a.shape.kind === 'round' || b?.shape.kind === 'round',
    )
  })
}

/** The side of the outline a gap ends at: the one its foot lies on. */
function edgeName({ to }: Gap, outline: Loop, edges: ReturnType<typeof outlineEdges>): string {
  const off = ({ from, to: end, arc }: Segment): number => {
    if (arc) return Math.abs(Math.hypot(to[0] - arc.centre[0], to[1] - arc.centre[1]) - arc.radius)
    const [dx, dy] = [end[0] - from[0], end[1] - from[1]]
    const t = Math.max(
      0,
      Math.min(1, ((to[0] - from[0]) * dx + (to[1] - from[1]) * dy) / (dx * dx + dy * dy || 1)),
    )
    return Math.hypot(to[0] - from[0] - dx * t, to[1] - from[1] - dy * t)
  }
  const nearest = [...outline].sort((a, b) => off(a) - off(b))[0]!
  return `${edges.get(nearest.name)!.words} edge`
}

/**
 * A long rail (narrow for more than 3 x its width) warns under 50 mm or under the thickness; a short bridge, as beside
 * a round hole, is a note under the thickness and warns under max(T/2, 15). Under max(T/4, 10) either stops the pour.
 */
function judge(
  gap: Gap,
  thickness: number,
  between: [string, string],
  openingIds: string[],
  round: boolean,
): JudgedLand {
  const { least, from, to, narrowLength } = gap
  const long = !round && narrowLength > 3 * least
  const stopUnder = Math.max(thickness / 4, 10)
  const warnUnder = long ? Math.max(50, thickness) : Math.max(thickness / 2, 15)
  const level: Level | null =
    least < stopUnder - 1e-6
      ? 'stop'
      : least < warnUnder - 1e-6
        ? 'warn'
        : !long && least < thickness - 1e-6
          ? 'note'
          : null
  return {
    between,
    openingIds,
    leastMm: least,
    narrowLengthMm: narrowLength,
    fromXMm: from[0],
    fromYMm: from[1],
    toXMm: to[0],
    toYMm: to[1],
    level,
    long,
    wantedMm: Math.ceil(warnUnder / 5) * 5,
  }
}

type Barred = JudgedLand & { readonly held: boolean }

/** Findings for narrow lands, one for each pair of features, with moves along the gap as remedies. */
export function landFindings(
  piece: SlabPiece,
  lands: readonly JudgedLand[],
  openings: readonly PlacedOpening[],
  /** Places, in the list, of lands that have bars along them. */
  barred: readonly number[] = [],
): Finding[] {
  const groups = new Map<string, Barred[]>()
  for (const [n, bare] of lands.entries()) {
    if (!bare.level) continue
    const held = bare.level === 'warn' && barred.includes(n)
    const land: Barred = held ? { ...bare, level: 'note', held } : { ...bare, held }
    const key = `${held}|${land.openingIds.join('|')}|${land.openingIds.length === 1 ? land.between[1] : ''}|${land.level}`
    groups.set(key, [...(groups.get(key) ?? []), land])
  }
  return [...groups.values()].map((group): Finding => {
    const worst = group.reduce((a, b) => (b.leastMm < a.leastMm ? b : a))
    const name = (id: string) => piece.openings.find((o) => o.id === id)!.name
    const [first, second] = worst.openingIds
    const facts = {
      opening: name(first!),
      count: group.length,
      to: second && second !== first ? name(second) : worst.between[1],
      landMm: worst.leastMm,
      thicknessMm: piece.thickness,
      long: worst.long ? 'rail' : 'bridge',
      wantedMm: worst.wantedMm,
    }
    return {
      code: worst.held ? 'land-barred' : worst.level === 'note' ? 'land-short' : 'land-narrow',
      level: worst.level!,
      station: 'steel',
      about: [...new Set(worst.openingIds)].flatMap((id) =>
        openings
          .filter((o) => o.openingId === id)
          .map((o) => ({ pieceId: piece.id, kind: 'opening' as const, id, face: `opening/${o.key}` })),
      ),
      facts,
      remedies: worst.level === 'note' ? [] : landRemedies(piece, worst, facts),
    }
  })
}

/** Moves one feature away from the other along the gap, to the wanted land in whole steps. */
function landRemedies(piece: SlabPiece, land: JudgedLand, facts: Finding['facts']): Finding['remedies'] {
  const [dx, dy] = [land.fromXMm - land.toXMm, land.fromYMm - land.toYMm]
  const along = Math.abs(dx) >= Math.abs(dy) ? 0 : 1
  const away = Math.sign(along === 0 ? dx : dy)
  const by = land.wantedMm - land.leastMm
  if (away === 0 || by <= 0) return []
  const move = (openingId: string, direction: number) => {
    const shift: [number, number] = along === 0 ? [direction * by, 0] : [0, direction * by]
    const way = along === 0 ? (direction > 0 ? 'right' : 'left') : direction > 0 ? 'back' : 'forward'
    const change: Change = moveOpening(piece, openingId, shift)
    const moved = piece.openings.find((o) => o.id === openingId)!
    return {
      code: `move-${openingId}-${way}`,
      facts: { ...facts, moved: moved.name, byMm: by, way },
      changes: [change],
    }
  }
  const [first, second] = land.openingIds
  const remedies: Finding['remedies'][number][] = [move(first!, away)]
  if (second && second !== first) remedies.push(move(second, -away))
  if (land.long && land.level === 'warn')
    remedies.push({
      code: 'bars',
      facts,
      changes: [
        {
          type: 'steelChosen',
          pieceId: piece.id,
          patch: { bars: { ...piece.steel.bars, rails: true } },
        },
      ],
    })
  return remedies
}
