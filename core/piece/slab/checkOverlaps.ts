import { combineRegions, type Kernel, measureRegion, type Region } from '../../geometry/index.ts'
import type { About, SlabPiece } from '../../job/index.ts'
import { footprintCures } from './cures.ts'
import { type Footprint, footprints } from './footprints.ts'
import type { Raise } from './raise.ts'

/** Areas that two features may share, mm2: less is the width of a line. */
const NOTHING = 1
/** Told at most: the first few say enough. */
const TOLD = 20

/** Pairs that are told as something else: two openings, and what is cast in beside an opening or another of its kind. */
const toldElsewhere = (a: Footprint, b: Footprint): boolean => {
  const lists = [a.list, b.list]
  if (a.list === b.list) return a.list === 'openings' || a.list === 'inserts'
  return lists.includes('openings') && (lists.includes('inserts') || lists.includes('basin'))
}

/**
 * Features that stand in one another's place on a face: letters over a frame, grooves into a basin. What lies wholly
 * within a field, or within what a frame goes round, is meant so.
 */
export function checkOverlaps(kernel: Kernel, piece: SlabPiece, raise: Raise): void {
  const all = footprints(piece).map((of) => ({ of, box: boxOf(of.region) }))
  const told = new Set<string>()
  for (const [i, a] of all.entries())
    for (const b of all.slice(i + 1)) {
      if (told.size >= TOLD) return
      if (toldElsewhere(a.of, b.of) || !a.of.on.some((face) => b.of.on.includes(face))) continue
      if (a.box[2] <= b.box[0] || b.box[2] <= a.box[0] || a.box[3] <= b.box[1] || b.box[3] <= a.box[1])
        continue
      const pair = `${a.of.list}/${a.of.id} ${b.of.list}/${b.of.id}`
      if (told.has(pair)) continue
      const shared = measureRegion(combineRegions(kernel, 'intersection', [a.of.region, b.of.region]))
      const within = (inner: Footprint, outer: Footprint) =>
        outer.open && shared > measureRegion(inner.region) - NOTHING
      if (shared <= NOTHING || within(a.of, b.of) || within(b.of, a.of)) continue
      told.add(pair)
      raise({
        code: 'features-overlap',
        level: 'warn',
        about: [a.of, b.of].map(
          ({ list, id }): About => ({
            pieceId: piece.id,
            kind: list === 'openings' ? 'opening' : 'feature',
            id,
          }),
        ),
        facts: { feature: b.of.name, other: a.of.name, sharedMm2: Math.round(shared) },
        // The later one gives way.
        cures: footprintCures(piece, b.of),
      })
    }
}

type Box = readonly [left: number, low: number, right: number, high: number]
const boxOf = (region: Region): Box => {
  const [xs, ys] = [region.flat().map((p) => p[0]), region.flat().map((p) => p[1])]
  return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)]
}
