import { type Fault, type Finding, findingList, type PlannedPour, type PourRecord } from '../job/index.ts'
import type { MixStation } from '../mix/index.ts'
import type { PieceStation } from '../piece/index.ts'
import type { PourStation } from '../pour/index.ts'
import { CATALOGUE_VERSION, type Mix } from '../stock/index.ts'
import type { LogFindings } from './words.ts'

/** Planned against measured for one figure of one pour; null where it was not measured. */
export type Compared = {
  readonly planned: number | null
  readonly actual: number | null
  readonly offByPercent: number | null
}

export type ComparedPour = {
  readonly id: string
  readonly on: string
  readonly bags: Compared
  readonly waterLitresPerBag: Compared
  readonly stripHours: Compared
  readonly weightKg: Compared
  readonly temperatureDegC: Compared
  readonly faults: readonly Fault[]
  readonly causes: readonly string[]
  readonly nextTime: string
}

export type LogFigures = {
  readonly pours: readonly ComparedPour[]
  readonly pourCount: number
  /** Mean difference of bags used from bags planned, over pours that measured them. */
  readonly offByPercent: number | null
  readonly learnedWastePercent: number | null
  readonly nextTime: string | null
  /** What a record made now would freeze. */
  readonly plannedNow: PlannedPour
}

export type LogStation = { readonly figures: LogFigures; readonly findings: readonly Finding[] }

/** Learning: 0.3 new + 0.7 old, from the third pour; a figure more than 40 percent off asks first. */
const LEARN = { from: 3, share: 0.3, doubt: 40 } as const

/** Likely causes of a fault, the first to check first. Our own ranking. */
const CAUSES: Readonly<Record<Fault, readonly string[]>> = {
  none: [],
  'bug-holes': ['too much release', 'little compaction', 'poured fast', 'stiff mix'],
  honeycomb: ['dry or coarse mix', 'blocked by steel', 'corners not rammed'],
  ghosting: ['steel under 12 mm from the face', 'steel shaken against it'],
  crack: ['no bar at the corner', 'stripped late', 'flipped early'],
  'crumbled-arris': ['stripped below 8 MPa'],
  stuck: ['no wax', 'no draft', 'swollen core'],
  'uneven-colour': ['water or pigment differed', 'patchy drying', 'release'],
}

type Inputs = { readonly piece: PieceStation; readonly mix: MixStation; readonly pour: PourStation }

/** The eighth station: what did happen, and what it teaches. */
export function planLogStation(
  pieceId: string,
  pours: readonly PourRecord[],
  { piece: { figures }, mix, pour }: Inputs,
  mixRow: Mix,
): LogStation {
  const own = pours
    .filter((p) => p.pieceId === pieceId)
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
  const compared = own.map(comparePour)
  const offs = compared.map((p) => p.bags.offByPercent).filter((n) => n !== null)
  const learned = learnWaste(own, mixRow)
  const { findings, raise } = findingList<LogFindings>('log', pieceId, 'choice', 'log')
  const last = own.at(-1)
  if (last?.nextTime) raise('next-time', 'note', { said: last.nextTime, on: last.on })
  const now = mix.figures.wastePercent
  if (learned !== null && Math.abs(learned - now) > 1) {
    const rounded = Math.max(0, Math.round(learned))
    raise(
      Math.abs(learned - now) > LEARN.doubt ? 'waste-doubtful' : 'waste-learned',
      'note',
      { learnedPercent: rounded, nowPercent: now, pours: own.length },
      [
        {
          code: 'waste-learned',
          facts: { learnedPercent: rounded },
          changes: [{ type: 'mixChosen', pieceId, patch: { wastePercent: rounded } }],
        },
      ],
    )
  }
  const strip = pour.figures.firstStripMinutes
  return {
    figures: {
      pours: compared,
      pourCount: own.length,
      offByPercent: offs.length === 0 ? null : offs.reduce((a, b) => a + b, 0) / offs.length,
      learnedWastePercent: learned,
      nextTime: last?.nextTime || null,
      plannedNow: {
        catalogueVersion: CATALOGUE_VERSION,
        volumeLitres: figures.volumeLitres,
        bags: mix.figures.mixedBags,
        waterLitresPerBag: mix.figures.waterPerBagLitres,
        concreteKg: figures.concreteKg,
        stripHours: strip === null ? null : strip / 60,
        temperatureDegC: pour.figures.temperatureDegC,
      },
    },
    findings,
  }
}

function comparePour({ id, on, planned, actual, faults, nextTime }: PourRecord): ComparedPour {
  const compare = (a: number | null, b: number | null): Compared => ({
    planned: a,
    actual: b,
    offByPercent: a === null || b === null || a === 0 ? null : (b / a - 1) * 100,
  })
  return {
    id,
    on,
    bags: compare(planned.bags, actual.bags),
    waterLitresPerBag: compare(planned.waterLitresPerBag, actual.waterLitresPerBag),
    stripHours: compare(planned.stripHours, actual.stripHours),
    weightKg: compare(planned.concreteKg, actual.weightKg),
    temperatureDegC: { planned: planned.temperatureDegC, actual: actual.temperatureDegC, offByPercent: null },
    faults,
    causes: [...new Set(faults.flatMap((f) => CAUSES[f]))],
    nextTime,
  }
}

/** Waste as the pours showed it, percent; null before the third pour that measured its bags. */
export function learnWaste(pours: readonly PourRecord[], mix: Mix): number | null {
  const seen = pours.flatMap(({ planned, actual }) =>
    actual.bags === null || planned.volumeLitres === 0
      ? []
      : [((actual.bags * mix.yieldLitres) / planned.volumeLitres - 1) * 100],
  )
  if (seen.length < LEARN.from) return null
  return seen.slice(1).reduce((old, next) => LEARN.share * next + (1 - LEARN.share) * old, seen[0]!)
}
