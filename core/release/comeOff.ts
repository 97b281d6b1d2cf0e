import {
  type Kernel,
  measureSolid,
  type SolidRecipe,
  type SolidScope,
  squareTo,
  type Vector,
} from '../geometry/index.ts'
import type { MouldPart, Undoing } from '../mould/index.ts'
import type { Tilt } from './tilt.ts'
import { tiltOut } from './tiltOut.ts'
import { wayOut } from './wayOut.ts'

/** A part that scrapes by more than this on its way is locked, mm; more where curves are cut coarser. */
export const SCRAPES = 0.1
/** How far of its own way out a part has come at each look: most of the way first, where what is wide shows most. */
const LOOKS = [0.9, 0.45, 0.15, 0.03] as const
/** Overlaps of less than this are faces that touch, mm3. */
const TOUCH = 1

export type Locked = {
  readonly partId: string
  readonly name: string
  /** What it runs into: null the cast. */
  readonly by: string | null
  /** How deep it would scrape, mm. */
  readonly mm: number
}

export type CameOff = {
  readonly locked: readonly Locked[]
  /** Rigid parts drawn over rubber that still lies on the cast, further into it than it gives. */
  readonly overRubber: readonly Locked[]
  readonly examined: readonly string[]
  /** Of those that leave by another way than their pull. */
  readonly ways: Readonly<Record<string, Vector>>
  /** Of those that leave by no straight way but tilted off. */
  readonly tilts: Readonly<Record<string, Tilt>>
}

type Body = ReturnType<SolidScope['solid']>['body']
type Standing = { readonly part: MouldPart; readonly body: Body; readonly box: Box }
type Box = { readonly min: readonly number[]; readonly max: readonly number[] }

/**
 * Whether the rigid parts of a mould leave a cast, from their solids, act after act in the order given: each is moved along
 * its pull against the cast, and against what still stands. What leaves in one act leaves one by one where it can, else
 * as one. What peels, breaks or bends stands in no way, but what is drawn over rubber that stays on is told. `skip` names parts that were looked at otherwise.
 */
export function comeOff(
  kernel: Kernel,
  cast: SolidRecipe,
  parts: readonly MouldPart[],
  acts: readonly Undoing[],
  skip: ReadonlySet<string>,
): CameOff {
  return kernel.withSolids((scope) => {
    const gives = SCRAPES * Math.max(1, scope.coarser)
    const concrete = scope.solid(cast).body
    const castBox = measureSolid(concrete)
    const rigid = new Set(acts.flatMap((u) => (u.rigid ? u.partIds : [])))
    const standing = new Map<string, Standing>()
    for (const part of parts) {
      if (!rigid.has(part.id)) continue
      const { body } = scope.solid(part.recipe)
      standing.set(part.id, { part, body, box: measureSolid(body) })
    }
    // Rubber goes when its own act comes.
    const soft = new Map<string, Standing>()
    for (const part of parts)
      if (part.givesMm !== undefined) {
        const { body } = scope.solid(part.recipe)
        soft.set(part.id, { part, body, box: measureSolid(body) })
      }
    const locked: Locked[] = []
    const overRubber: Locked[] = []
    const examined: string[] = []
    const ways: Record<string, Vector> = {}
    const tilts: Record<string, Tilt> = {}
    for (const { rigid: stiff, partIds } of acts) {
      if (!stiff) {
        for (const id of partIds) soft.delete(id)
        continue
      }
      const own = partIds.flatMap((id) => standing.get(id) ?? [])
      let left = own.filter(({ part }) => !skip.has(part.id))
      for (const { part, body, box } of left) {
        examined.push(part.id)
        for (const rubber of soft.values()) {
          const mm = scrape(scope, { body, box }, part.pull, [rubber])
          if (mm > Math.max(gives, rubber.part.givesMm!))
            overRubber.push({ partId: part.id, name: part.name, by: rubber.part.name, mm })
        }
        const mm = scrape(scope, { body, box }, part.pull, [{ body: concrete, box: castBox }])
        if (mm <= gives) continue
        const tilt = tiltOut(kernel, part, [
          cast,
          ...[...standing.values()].flatMap((s) => (partIds.includes(s.part.id) ? [] : [s.part.recipe])),
        ])
        if (tilt) {
          tilts[part.id] = tilt
          left = left.filter((s) => s.part.id !== part.id)
          continue
        }
        locked.push({ partId: part.id, name: part.name, by: null, mm })
        left = left.filter((s) => s.part.id !== part.id)
      }
      const others = [...standing.values()].filter((s) => !partIds.includes(s.part.id))
      // One by one, whichever is free; what is left then, all at once.
      for (;;) {
        const free = left.find(
          (s) => scrape(scope, s, s.part.pull, [...others, ...left.filter((o) => o !== s)]) <= gives,
        )
        if (!free) break
        left = left.filter((s) => s !== free)
      }
      const asOne =
        left.length > 1 &&
        left.every((s) => same(s.part.pull, left[0]!.part.pull)) &&
        left.every((s) => scrape(scope, s, s.part.pull, others) <= gives)
      if (!asOne)
        for (const s of left) {
          const round = [...others, ...left.filter((o) => o !== s)]
          const way = wayOut(kernel, s.part, [cast, ...round.map((o) => o.part.recipe)])
          if (way) {
            ways[s.part.id] = way
            continue
          }
          const tilt = tiltOut(kernel, s.part, [cast, ...round.map((o) => o.part.recipe)])
          if (tilt) {
            tilts[s.part.id] = tilt
            continue
          }
          const by = round.find((o) => scrape(scope, s, s.part.pull, [o]) > gives)
          locked.push({
            partId: s.part.id,
            name: s.part.name,
            // By none of them alone: by all that stands round it, which is not the cast.
            by: by?.part.name ?? 'what stands round it',
            mm: scrape(scope, s, s.part.pull, round),
          })
        }
      for (const { part } of own) standing.delete(part.id)
    }
    return { locked, overRubber, examined, ways, tilts }
  })
}

const same = (a: Vector, b: Vector): boolean => a.every((n, k) => Math.abs(n - b[k]!) < 1e-9)

/** How deep a body runs into others on its way along a pull, mm; 0 where it passes clear. */
function scrape(
  scope: SolidScope,
  { body, box }: { readonly body: Body; readonly box: Box },
  pull: Vector,
  others: readonly { readonly body: Body; readonly box: Box }[],
): number {
  const size = [0, 1, 2].map((k) => box.max[k]! - box.min[k]!)
  const reach = Math.hypot(...size.map((s, k) => s * pull[k]!)) || Math.max(...size)
  let most = 0
  for (const share of LOOKS) {
    const by = pull.map((d) => d * share * reach) as [number, number, number]
    const near = others.filter((o) =>
      [0, 1, 2].every(
        (k) => box.min[k]! + by[k]! < o.box.max[k]! - 1e-6 && o.box.min[k]! < box.max[k]! + by[k]! - 1e-6,
      ),
    )
    if (near.length === 0) continue
    const moved = scope.keep(body.translate(by))
    for (const o of near) {
      const overlap = scope.keep(moved.intersect(o.body))
      if (overlap.volume() > TOUCH) most = Math.max(most, widthAcross(scope, overlap, pull))
    }
  }
  return most
}

/** How wide an overlap is, seen along the pull: twice its area over the length round it, of its widest piece, mm. */
function widthAcross(scope: SolidScope, overlap: Body, pull: Vector): number {
  const [u, v] = squareTo(pull)
  const turned = scope.keep(
    overlap.transform([u[0], v[0], pull[0], 0, u[1], v[1], pull[1], 0, u[2], v[2], pull[2], 0, 0, 0, 0, 1]),
  )
  const pieces = scope.keep(turned.project()).decompose()
  return pieces.reduce((most, piece) => {
    const kept = scope.keep(piece)
    const round = kept.toPolygons().reduce(
      (sum, ring) =>
        sum +
        ring.reduce((length, [x, y], i) => {
          const [nx, ny] = ring[(i + 1) % ring.length]!
          return length + Math.hypot(nx - x, ny - y)
        }, 0),
      0,
    )
    return Math.max(most, round > 0 ? (2 * kept.area()) / round : 0)
  }, 0)
}
