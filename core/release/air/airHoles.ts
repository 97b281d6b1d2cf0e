import type { Vector } from '../../geometry/index.ts'
import type { MouldPart, MouldStation, Undoing } from '../../mould/index.ts'
import { type ActCode, act, type Operation, operation, partIdsOf, partRefs } from '../../work/index.ts'
import type { DraftRow } from '../draft/planDraft.ts'

/** A body that concrete closes round, or that closes round it, lets go only where air comes in. */
export type AirHoles = {
  /** The part they go through: of those that leave as one the one that covers most. */
  readonly partId: string
  /** All that leaves with it. */
  readonly withIds: readonly string[]
  readonly holes: number
  readonly diameterMm: number
  /** What it covers inside the wall that closes, seen along its way, m2, and how deep it is closed, mm. */
  readonly coversM2: number
  readonly closedMm: number
  /** Where the first goes: on the cast, from its front left corner as poured. */
  readonly at: { readonly xMm: number; readonly yMm: number; readonly zMm: number }
}

/** A hole, mm; one for so much covered, m2; closed less deep than this, mm, or over less, m2, it lets go by itself [own]. */
const HOLE = { mm: 6, eachM2: 0.25, deepMm: 25, leastM2: 0.0004 } as const

/** Acts that have made such a hole already. */
const AIRED: ReadonlySet<ActCode> = new Set(['drill-air', 'box-core', 'drill-floor'])

/** Where air holes are wanted that the method has not. */
export function airHoles(
  rows: readonly DraftRow[],
  acts: readonly Undoing[],
  { parts, operations, figures }: Pick<MouldStation, 'parts' | 'operations' | 'figures'>,
): AirHoles[] {
  const aired = new Set(operations.flatMap((op) => (AIRED.has(op.code) ? partIdsOf(op) : [])))
  const row = new Map(rows.map((r) => [r.partId, r]))
  const bodies = acts.flatMap((u) =>
    !u.rigid ? [] : u.asOne ? [u.partIds] : u.partIds.map((id): readonly string[] => [id]),
  )
  return bodies.flatMap((ids): AirHoles[] => {
    const own = ids.flatMap((id) => row.get(id) ?? [])
    const [most] = own.toSorted((a, b) => b.closedCoversMm2 - a.closedCoversMm2)
    if (!most || ids.some((id) => aired.has(id)) || opensAbove(parts, most.partId, figures.top)) return []
    const closedMm = Math.max(...own.map((r) => r.closedMm))
    const coversM2 = own.reduce((sum, r) => sum + r.closedCoversMm2, 0) / 1e6
    return closedMm > HOLE.deepMm && coversM2 >= HOLE.leastM2
      ? [
          {
            partId: most.partId,
            withIds: ids,
            holes: Math.ceil(coversM2 / HOLE.eachM2),
            diameterMm: HOLE.mm,
            coversM2,
            closedMm,
            at: placeOf(most.closedAt!),
          },
        ]
      : []
  })
}

const placeOf = ([xMm, yMm, zMm]: Vector): AirHoles['at'] => ({ xMm, yMm, zMm })

/** What a closed mould is filled through lets air in as it is lifted off. */
const opensAbove = (parts: readonly MouldPart[], id: string, top: MouldStation['figures']['top']): boolean =>
  top === 'hole' && parts.find((p) => p.id === id)!.pull[2] > 0.9

/** Minutes of hands a hole takes, to drill and to tape [own]. */
const WORK = { drill: 4, tape: 2 } as const

/** The holes drilled once for each mould, and taped over on the face for every cast. */
export function airHoleOperations(
  holes: readonly AirHoles[],
  nameOf: (partId: string) => string,
  { built, waxed }: Record<'built' | 'waxed', readonly string[]>,
): Operation[] {
  if (holes.length === 0) return []
  const count = holes.reduce((sum, h) => sum + h.holes, 0)
  const told = {
    names: holes.map((h) => nameOf(h.partId)),
    holes: count,
    diameterMm: HOLE.mm,
    places: holes.map((h) => h.at),
  }
  const about = partRefs(holes.map((h) => h.partId))
  return [
    operation({
      ...act('drill-air-holes', told),
      id: 'drill/air-holes',
      station: 'release',
      per: 'mould',
      about,
      minutes: WORK.drill * count,
      needs: built,
      leads: ['tape/air-holes'],
    }),
    operation({
      ...act('tape-air-holes', { names: told.names, holes: count }),
      id: 'tape/air-holes',
      station: 'release',
      per: 'cast',
      about,
      minutes: WORK.tape * count,
      needs: ['drill/air-holes'],
      leads: waxed,
    }),
  ]
}
