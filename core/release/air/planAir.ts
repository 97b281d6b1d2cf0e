import type { Finding, Piece } from '../../job/index.ts'
import { act, type Operation, operation, partRefs } from '../../work/index.ts'
import { otherWaysUp, type WayUp } from '../waysUp.ts'
import type { LevelRoof, TrappedAir } from './airPockets.ts'

/** A vent of so much lets air out and closes by its own drop, mm. */
export const VENT_MM = 6

export type AirFigures = {
  /** Whether what it holds is known: a mould that is open nowhere, or not yet built as solids, tells nothing. */
  readonly examined: boolean
  readonly pockets: readonly {
    readonly partId: string
    readonly face: string
    /** Its highest place, as poured. */
    readonly xMm: number
    readonly yMm: number
    readonly zMm: number
    readonly deepMm: number
    readonly volumeLitres: number
    readonly areaM2: number
    readonly vented: boolean
  }[]
  /** Level faces that look down on the fill, the largest first. */
  readonly roofs: readonly { readonly partId: string; readonly face: string; readonly areaM2: number }[]
}

export const NO_AIR: AirFigures = { examined: false, pockets: [], roofs: [] }

/** Air that comes to more than this share of the cast, and to more than so much, loses the cast [own]. */
const [LOST, MUCH] = [0.01, 0.02]
/** A level face smaller than this, mm2, or narrower, mm, is tapped free by hand [own]. */
const ROOF = { area: 10_000, wide: 30 } as const

export function airFigures({ pockets, roofs, examined }: TrappedAir, vented: boolean): AirFigures {
  return {
    examined,
    pockets: pockets.map(({ partId, face, top, deepMm, volumeMm3, areaMm2 }) => ({
      partId,
      face,
      xMm: top[0],
      yMm: top[1],
      zMm: top[2],
      deepMm,
      volumeLitres: volumeMm3 / 1e6,
      areaM2: areaMm2 / 1e6,
      vented,
    })),
    roofs: roofs
      .filter((r) => r.areaMm2 >= ROOF.area && r.wideMm >= ROOF.wide)
      .map(({ partId, face, areaMm2 }: LevelRoof) => ({ partId, face, areaM2: areaMm2 / 1e6 })),
  }
}

type Told = Pick<Finding, 'code' | 'level' | 'facts' | 'remedies'> & { readonly partId: string }

/** What is said of the air that stays: pockets without a vent, and level faces. */
export function airFindings(
  piece: Piece,
  nameOf: (partId: string) => string,
  { pockets, roofs }: AirFigures,
  castLitres: number,
  ups: readonly WayUp[],
): Told[] {
  const held = pockets.filter((p) => !p.vented)
  const [worst] = held
  const litres = held.reduce((sum, p) => sum + p.volumeLitres, 0)
  const [roof] = roofs
  return [
    ...(worst
      ? [
          {
            code: 'air-trapped',
            level: litres > MUCH && litres > LOST * castLitres ? ('stop' as const) : ('warn' as const),
            partId: worst.partId,
            facts: {
              part: nameOf(worst.partId),
              more: held.length - 1,
              volumeLitres: litres,
              deepMm: worst.deepMm,
            },
            remedies: airCures(piece, ups),
          },
        ]
      : []),
    ...(roof
      ? [
          {
            code: 'air-roof',
            level: 'note' as const,
            partId: roof.partId,
            facts: {
              part: nameOf(roof.partId),
              more: new Set(roofs.map((r) => r.partId)).size - 1,
              areaM2: roofs.reduce((sum, r) => sum + r.areaM2, 0),
            },
            remedies: [],
          },
        ]
      : []),
  ]
}

/** What lets the air out: a vent, or the piece with another face down. */
function airCures(piece: Piece, ups: readonly WayUp[]): Finding['remedies'] {
  return [
    {
      code: 'vented',
      facts: { diameterMm: VENT_MM },
      changes: [{ type: 'releaseChosen', pieceId: piece.id, patch: { vented: true } }],
    },
    ...otherWaysUp(piece, ups, 'airLitres'),
  ]
}

/** Minutes of hands a vent takes, to drill and to cut back [own]. */
const WORK = { drill: 5, cut: 3 } as const

/** Vents drilled once for each mould, after all of it stands, and their nibs cut off every cast when it is out. */
export function ventOperations(
  { pockets }: AirFigures,
  nameOf: (partId: string) => string,
  {
    built,
    waxed,
    off,
  }: Record<'built' | 'waxed', readonly string[]> & { readonly off: readonly Operation[] },
): { readonly drill: readonly Operation[]; readonly cut: readonly Operation[] } {
  const vented = pockets.filter((p) => p.vented)
  const last = off.at(-1)
  if (vented.length === 0) return { drill: [], cut: [] }
  const ids = [...new Set(vented.map((p) => p.partId))]
  const told = {
    diameterMm: VENT_MM,
    names: ids.map(nameOf),
    places: vented.map(({ xMm, yMm, zMm }) => ({ xMm, yMm, zMm })),
  }
  return {
    drill: [
      operation({
        ...act('drill-vents', told),
        id: 'drill/vents',
        station: 'release',
        per: 'mould',
        about: partRefs(ids),
        minutes: WORK.drill * vented.length,
        needs: built,
        leads: waxed,
      }),
    ],
    cut: last
      ? [
          {
            ...operation({
              ...act('cut-vents', { vents: vented.length }),
              id: 'cut/vents',
              station: 'release',
              per: 'cast',
              about: [],
              minutes: WORK.cut * vented.length,
              needs: [last.id],
            }),
            attitude: last.attitude,
          },
        ]
      : [],
  }
}
