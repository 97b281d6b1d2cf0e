import type { Band, Batch, MixFigures } from '../mix/index.ts'
import type { MouldStation } from '../mould/index.ts'

/** What concrete is driven together with. */
export const COMPACTIONS = ['rod', 'mallet', 'bench', 'saw', 'poker', 'none'] as const
export type Compaction = (typeof COMPACTIONS)[number]

/** Minutes for a quarter square metre and lift, and the deepest lift each reaches through, mm [own]. */
const TOOLS: Readonly<
  Record<Exclude<Compaction, 'none'>, { readonly quarterM2: number; readonly liftMm: number }>
> = {
  rod: { quarterM2: 2, liftMm: 100 },
  mallet: { quarterM2: 3, liftMm: 100 },
  bench: { quarterM2: 2, liftMm: 200 },
  saw: { quarterM2: 3.5, liftMm: 200 },
  poker: { quarterM2: 2, liftMm: 300 },
}
/** The least time at one lift, minutes [own]. */
const LEAST = 1
/** Wet mixes part when they are worked long: half as long at most [own]. */
const WET = 0.5
export const WET_BANDS: ReadonlySet<Band> = new Set(['flowing', 'levelling'])
/** Of a usual poker: its diameter, and how far it acts in diameters, mm. Source: radius of action 8 diameters. */
export const POKER = { diameter: 25, actsMm: 200 } as const
/** It wants so many of its diameters of room, else it beats on mould and steel [own]. */
const POKER_ROOM = 3

/** Moulds that fall to pieces or lose their face when they are shaken [own]. */
const UNSHAKEN: ReadonlySet<string> = new Set(['packed', 'layers'])

/** Moulds that give, or are light enough to be shaken from under: no saw bites on them [own]. */
const GIVES: ReadonlySet<string> = new Set(['block', 'brushed', 'printed', 'found'])
/** More than this is not bounced on its bench by hand, L [own]. */
const BOUNCED = 40

/** What a mould of this method and a mix of this band are best worked with, where nothing is chosen [own]. */
export function usualCompaction(
  mould: Pick<MouldStation, 'figures'> | null,
  { band, volumeLitres }: Pick<MixFigures, 'band' | 'volumeLitres'>,
): Compaction {
  if (band === 'levelling') return 'none'
  if (mould?.figures.top === 'hole') return 'mallet'
  if (mould && UNSHAKEN.has(mould.figures.methodId)) return 'rod'
  if (mould && GIVES.has(mould.figures.methodId)) return volumeLitres > BOUNCED ? 'rod' : 'bench'
  return 'saw'
}

/** Whether a tool shakes the whole mould. */
const shakes = (by: Compaction): boolean => by === 'bench' || by === 'saw'

/** What is wrong with the tool chosen, with what would do. */
export function wrongTool(
  by: Compaction,
  mould: Pick<MouldStation, 'figures'> | null,
  { band }: Pick<MixFigures, 'band'>,
  thinnestMm: number | null,
): 'no-reach' | 'too-narrow' | 'shaken-apart' | 'parts' | 'left-loose' | null {
  const hole = mould?.figures.top === 'hole'
  if (hole && (by === 'rod' || by === 'poker')) return 'no-reach'
  if (by === 'poker' && thinnestMm !== null && thinnestMm < POKER_ROOM * POKER.diameter) return 'too-narrow'
  if (shakes(by) && mould && UNSHAKEN.has(mould.figures.methodId)) return 'shaken-apart'
  if (band === 'levelling' && by !== 'none' && by !== 'mallet') return 'parts'
  return by === 'none' && band !== 'levelling' ? 'left-loose' : null
}

/** One layer of the pour: the batch that ends it, what it is worked for, and what of the fill it is. */
export type Lift = { readonly number: number; readonly minutes: number; readonly litres: number }

/**
 * A pour in lifts no deeper than the tool works through, each ended by the batch that fills it; the map is from that
 * batch's number. What lies in it counts as an even layer over the piece's mean area.
 * Example: 236 L over 0.5 m2 in 11 batches by a saw, 200 mm a lift: 3 lifts.
 */
export function liftsOf(
  by: Compaction,
  batches: readonly Pick<Batch, 'number'>[],
  fills: readonly number[],
  volumeLitres: number,
  /** Of the piece as it is poured. */
  highMm: number,
  band: Band,
): ReadonlyMap<number, Lift> {
  if (by === 'none') return new Map()
  const { quarterM2, liftMm } = TOOLS[by]
  // 1 L over 1 mm is 1 m2.
  const areaM2 = volumeLitres / Math.max(1, highMm)
  const minutes = Math.max(LEAST, (areaM2 / 0.25) * quarterM2 * (WET_BANDS.has(band) ? WET : 1))
  const count = Math.min(batches.length, Math.max(1, Math.ceil(highMm / liftMm - 1e-9)))
  const lifts = new Map<number, Lift>()
  let [filled, before] = [0, 0]
  batches.forEach((batch, i) => {
    filled += fills[i]!
    const due = lifts.size + 1
    // The last of it ends the last lift, whatever was reckoned.
    if (i < batches.length - 1 && (due >= count || filled < (volumeLitres * due) / count - 1e-9)) return
    lifts.set(batch.number, { number: due, minutes, litres: filled - before })
    before = filled
  })
  return lifts
}
