import { type Change, type Finding, findingList, type Piece, type Service } from '../job/index.ts'
import { massToForce } from '../units/convert.ts'
import type { PieceFigures } from './types.ts'
import type { PieceFindings } from './words.ts'

export type ServiceFigures = {
  readonly fill: Service['fill']
  readonly fillKg: number
  readonly filledKg: number
  /** What stands on each foot; null without feet. */
  readonly footKg: number | null
  /** On what it stands on, by its whole plan. */
  readonly groundKPa: number
  /** On the inside of a wall at the floor, its drains blocked and water in it to the rim. */
  readonly pushKPa: number
}

/** What a filling weighs wet through, kg/m3, and how much of the weight under water pushes sideways [own]. */
const FILLS: Readonly<Record<Service['fill'], { readonly kgPerM3: number; readonly rest: number }>> = {
  soil: { kgPerM3: 1800, rest: 0.5 },
  gravel: { kgPerM3: 1900, rest: 0.4 },
  water: { kgPerM3: 1000, rest: 0 },
}
const WATER = 1000
/** From this weight on a filled piece is told of, kg; walls that lean out so far let ice slide up, degrees [own]. */
const [HEAVY, SLIDES] = [100, 3]
/** Floor that one drain serves, m2 [own]. */
const DRAINED = 0.15

/**
 * A hollow piece in use. Pushed at the floor as if its drains were blocked: what stands in the water by earth pressure
 * at rest, K0 = 0.5 for soil, of its weight under water, and the water in full: (K0 (rho - 1000) + 1000) g h.
 */
export function serviceFigures(
  service: Service,
  {
    holdsLitres,
    concreteKg,
    depthMm,
    planMm2,
  }: { holdsLitres: number; concreteKg: number; depthMm: number; planMm2: number },
): ServiceFigures {
  const { kgPerM3, rest } = FILLS[service.fill]
  const fillKg = (holdsLitres * kgPerM3) / 1000
  const filledKg = concreteKg + fillKg
  return {
    fill: service.fill,
    fillKg,
    filledKg,
    footKg: service.feet > 0 ? filledKg / service.feet : null,
    groundKPa: (massToForce(filledKg) / planMm2) * 1000,
    pushKPa: massToForce((rest * (kgPerM3 - WATER) + WATER) * depthMm * 1e-9) * 1000,
  }
}

/** What a maker should know of a piece in use: its weight filled, ice, drains that lead nowhere. */
export function checkService(
  piece: Extract<Piece, { service: unknown }>,
  figures: Pick<PieceFigures, 'service' | 'inside'>,
): Finding[] {
  const { findings, raise } = findingList<PieceFindings>('piece', piece.id, 'piece', piece.id)
  const { service } = piece
  const own = figures.service
  if (!service || !own) return findings
  const shape = (patch: Extract<Change, { type: 'shapeChanged' }>['patch']) => [
    { code: 'cure', facts: {}, changes: [{ type: 'shapeChanged' as const, pieceId: piece.id, patch }] },
  ]
  const set = (patch: Partial<Service>) => shape({ service: { ...service, ...patch } })
  if (own.filledKg > HEAVY)
    raise('filled-weight', 'note', { filledKg: own.filledKg, fill: own.fill, groundKPa: own.groundKPa })
  const { inside } = figures
  const outdoors = piece.exposure === 'outdoors' || piece.exposure === 'soil'
  const lean = inside
    ? (Math.atan(
        Math.min(inside.rimLengthMm - inside.floorLengthMm, inside.rimWidthMm - inside.floorWidthMm) /
          2 /
          Math.max(1, inside.depthMm),
      ) *
        180) /
      Math.PI
    : null
  if (outdoors && !service.lined && lean !== null && lean < SLIDES)
    raise('frost-bursts', 'warn', { leanDeg: lean, wantedDeg: SLIDES, fill: own.fill }, set({ lined: true }))
  if (piece.kind === 'box' && piece.drains.count > 0 && service.fill !== 'water') {
    if (service.feet === 0) raise('no-feet', 'note', { drains: piece.drains.count }, set({ feet: 4 }))
    const floor = inside ? (inside.floorLengthMm * inside.floorWidthMm) / 1e6 : 0
    const wanted = Math.ceil(floor / DRAINED - 1e-9)
    if (piece.drains.count < wanted)
      raise(
        'drains-few',
        'note',
        { drains: piece.drains.count, wanted, floorM2: floor, eachM2: DRAINED },
        shape({ drains: { ...piece.drains, count: wanted } }),
      )
  }
  return findings
}
