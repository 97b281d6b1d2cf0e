import { type Kernel, type SolidRecipe, squareTo, type Vector } from '../../geometry/index.ts'
import type { MouldPart, Undoing } from '../../mould/index.ts'
import type { Tilt } from '../tilt.ts'
import { type Meeting, meetMould, type Stander } from './meetMould.ts'
import { draftOf, type PartDraft, partDrafts } from './partDrafts.ts'

/** A cast as its mould lets it go: each flat piece of its surface, with the part behind it, or what is cast in, and the draft of that part there. */
export type DraftMap = Pick<Meeting, 'positions' | 'part' | 'partIds'> & {
  /** Between the face and the way of the part behind it, degrees; NaN where it is open, or stays. */
  readonly degrees: Float32Array
  /** Whether the part is rigid, by its place in `partIds`. */
  readonly rigid: readonly boolean[]
}

/** One part's way out. */
export type PartMove = {
  readonly partId: string
  /** The act by which it leaves. */
  readonly operationId: string
  readonly rigid: boolean
  /** How far it goes until it is clear of the cast, as poured: to the right, to the back, up. */
  readonly rightMm: number
  readonly backMm: number
  readonly upMm: number
  /** Of what is tilted off before it goes that way: about which edge, and how far. */
  readonly tilt: Tilt | null
}

export type DraftRow = PartDraft & { readonly rigid: boolean }

/** What is cast in stays, and has none. */
const UP: Vector = [0, 0, 1]

/** The way of a part: another than its pull where that is how it leaves. */
export const waysOf =
  (parts: readonly MouldPart[], other: Readonly<Record<string, Vector>>) =>
  (partId: string): Vector =>
    other[partId] ?? parts.find((p) => p.id === partId)?.pull ?? UP

/** The draft of every part that meets the cast, with the map it is read from. */
export function planDraft(
  kernel: Kernel,
  cast: SolidRecipe,
  parts: readonly MouldPart[],
  acts: readonly Undoing[],
  ways: Readonly<Record<string, Vector>>,
  castIn: readonly Stander[] = [],
  /** Of what is tilted off: its pull is not how it leaves, and nothing of it is locked by that. */
  tilts: Readonly<Record<string, Tilt>> = {},
): { readonly rows: readonly DraftRow[]; readonly meeting: Meeting; readonly map: DraftMap } {
  const meeting = meetMould(kernel, cast, [...parts, ...castIn])
  const wayOf = waysOf(parts, ways)
  const ofMould = new Set(parts.map((p) => p.id))
  const rigid = new Set(acts.flatMap((u) => (u.rigid ? u.partIds : [])))
  const bodyOf = new Map(acts.flatMap((u) => (u.asOne ? u.partIds.map((id) => [id, u.id] as const) : [])))
  const { positions, part, partIds, normals } = meeting
  const degrees = Float32Array.from(part, (at, i) =>
    at < 0 || !ofMould.has(partIds[at]!)
      ? Number.NaN
      : draftOf([normals[3 * i]!, normals[3 * i + 1]!, normals[3 * i + 2]!], wayOf(partIds[at]!)),
  )
  return {
    rows: partDrafts(meeting, wayOf, (id) => bodyOf.get(id) ?? id)
      .filter((r) => r.leastDeg !== null && ofMould.has(r.partId))
      .map((r) => ({
        ...r,
        ...(tilts[r.partId] && { lockedMm2: 0, shortMm2: 0 }),
        rigid: rigid.has(r.partId),
      })),
    meeting,
    map: { positions, part, partIds, degrees, rigid: partIds.map((id) => rigid.has(id)) },
  }
}

/** A part is lifted at least so far clear, mm. */
const CLEAR = 10

/** Acts by which a part is not taken off at all: it is the skin of the piece from then on. */
const STAYS_ON: ReadonlySet<Undoing['code']> = new Set(['vessel-left-on'])

/** How each part that leaves moves, in the order of the acts: until all of it is past all of the cast along its way. */
export function movesOf(
  kernel: Kernel,
  cast: SolidRecipe,
  parts: readonly MouldPart[],
  acts: readonly Undoing[],
  ways: Readonly<Record<string, Vector>>,
  tilts: Readonly<Record<string, Tilt>> = {},
): PartMove[] {
  const wayOf = waysOf(parts, ways)
  return kernel.withSolids((scope) => {
    const reach = (recipe: SolidRecipe, way: Vector): { readonly from: number; readonly to: number } => {
      const [u, v] = squareTo(way)
      const { min, max } = scope
        .keep(
          scope
            .solid(recipe)
            .body.transform([
              u[0],
              v[0],
              way[0],
              0,
              u[1],
              v[1],
              way[1],
              0,
              u[2],
              v[2],
              way[2],
              0,
              0,
              0,
              0,
              1,
            ]),
        )
        .boundingBox()
      return { from: min[2], to: max[2] }
    }
    const known = new Map<string, number>()
    const farOf = (way: Vector): number => {
      const key = way.join()
      const far = known.get(key) ?? reach(cast, way).to
      known.set(key, far)
      return far
    }
    return acts.flatMap((u) =>
      (STAYS_ON.has(u.code) ? [] : u.partIds).flatMap((partId): PartMove[] => {
        const part = parts.find((p) => p.id === partId)
        if (!part) return []
        const way = tilts[partId]?.draw ?? wayOf(partId)
        const by = Math.max(CLEAR, farOf(way) - reach(part.recipe, way).from)
        return [
          {
            partId,
            operationId: u.id,
            rigid: u.rigid,
            rightMm: way[0] * by,
            backMm: way[1] * by,
            upMm: way[2] * by,
            tilt: tilts[partId] ?? null,
          },
        ]
      }),
    )
  })
}
