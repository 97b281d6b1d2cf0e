import type { WordsStyle } from '../../job/index.ts'
import { count, listed, told } from './act.ts'

/** An end of a piece as it is placed; either where both are alike. */
export type EndWord = 'left' | 'right' | 'front' | 'back' | 'either'
const ends: Readonly<Record<EndWord, string>> = {
  left: 'its left end',
  right: 'its right end',
  front: 'its front',
  back: 'its back',
  either: 'either end',
}

type Moved = {
  readonly massKg: number
  /** Null where it is not lifted by hand. */
  readonly liftPeople: number | null
}
const heavy = (f: Moved, { kg }: Pick<WordsStyle, 'kg'>): string =>
  `${kg(f.massKg)}, ${f.liftPeople === null ? 'not by hand: hoist, A-frame or trolley' : f.liftPeople === 1 ? 'one person' : `${f.liftPeople} people`}`

/** How a cast is set down, moved and stood where it stays. */
export const MOVE_ACTS = {
  'lay-out-bearers': told(
    'bearers',
    (f: { fromMm: readonly number[]; end: EndWord }, s) =>
      `Lay ${f.fromMm.length === 2 ? 'two' : f.fromMm.length} softwood bearers out where it will lie, ${f.end === 'either' ? `each ${s.mm(f.fromMm[0]!)} from an end` : `${listed(f.fromMm.map(s.mm))} from ${ends[f.end]}`}, felt on them, level with each other.`,
  ),
  'move-cast': told(
    'move it',
    (
      f: Moved & {
        way: 'edge' | 'bar' | 'post' | 'blocks' | 'lump'
        blockCount: number
        /** Of what is flat: strength from which it may be carried flat; 0 never. */
        flatMpa: number
        leastMpa: number
        /** Where straps go round a bar. */
        fromMm: readonly number[]
      },
      s,
    ) =>
      ({
        edge: `Move it on edge${
          f.flatMpa === 0
            ? ', never flat'
            : f.flatMpa > f.leastMpa + 1e-9
              ? `, flat only from ${s.mpa(Math.ceil(f.flatMpa - 0.05), 0)}`
              : ' or flat'
        }: ${heavy(f, s)}. A corner board under every strap and hand; tip it up on wood, never on a corner.`,
        bar: `Move it on straps or bearers ${listed(f.fromMm.map(s.mm))} from one end: ${heavy(f, s)}. A corner board under every strap.`,
        post: `Move it standing, strapped to a trolley: ${heavy(f, s)}. Laid down only on bearers ${listed(f.fromMm.map(s.mm))} from one end, a corner board under every strap.`,
        blocks: `Move the ${count(f.blockCount, 'block')} one by one, the heaviest ${heavy(f, s)}. A corner board under every strap.`,
        lump: `Move it on straps round its thickest part, never by a rim, a wall or a neck: ${heavy(f, s)}. Set it down on its whole foot, on something soft.`,
      })[f.way],
  ),
  'set-in-ground': told(
    'set it in the ground',
    (
      f: Moved & {
        holeMm: number
        holeDepthMm: number
        depthMm: number
        bedLitres: number
        concreteLitres: number
      },
      s,
    ) =>
      `Dig a hole ${s.mm(f.holeMm)} across and ${s.mm(f.holeDepthMm)} deep, open to drain below; ram ${s.of('volume', f.bedLitres, 0)} of gravel level in it. Lower it in, ${heavy(f, s)}, ${s.mm(f.depthMm)} of it below ground; plumb it both ways on thin wedges and hold it with two props at right angles, two thirds up. ${s.of('volume', f.concreteLitres, 0)} of concrete round it in rodded lifts, its top sloped to shed water. The props stay two days; nobody leans on it for a week.`,
  ),
}
