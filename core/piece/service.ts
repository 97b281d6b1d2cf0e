import { type Change, type Finding, findingList, type Piece, type Service } from '../job/index.ts'
import { massToForce } from '../units/convert.ts'
import { turnedProfile } from './turned/turnedProfile.ts'
import type { PieceFigures } from './types.ts'
import type { PieceFindings } from './words.ts'

export type ServiceFigures = {
  readonly fill: Service['fill']
  readonly fillKg: number
  readonly filledKg: number
  /** What stands on each foot; null without feet. */
  readonly footKg: number | null
  /** On the ground under its foot; null on feet, and where it stands on no flat foot. */
  readonly groundKPa: number | null
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
    footMm2,
  }: { holdsLitres: number; concreteKg: number; depthMm: number; footMm2: number },
): ServiceFigures {
  const { kgPerM3, rest } = FILLS[service.fill]
  const fillKg = (holdsLitres * kgPerM3) / 1000
  const filledKg = concreteKg + fillKg
  return {
    fill: service.fill,
    fillKg,
    filledKg,
    footKg: service.feet > 0 ? filledKg / service.feet : null,
    groundKPa: service.feet > 0 || footMm2 <= 0 ? null : (massToForce(filledKg) / footMm2) * 1000,
    pushKPa: massToForce((rest * (kgPerM3 - WATER) + WATER) * depthMm * 1e-9) * 1000,
  }
}

/** The flat face a hollow piece stands on, mm2: of a box its foot, of a turned piece the ring at its lowest; 0 without one. */
export function footArea(piece: Extract<Piece, { service: unknown }>): number {
  if (piece.kind === 'box') {
    const taper = piece.built ? 0 : piece.taper
    return Math.max(0, piece.length - 2 * taper) * Math.max(0, piece.width - 2 * taper)
  }
  const profile = turnedProfile(piece)
  if (!profile) return 0
  const lowest = Math.min(...profile.map((p) => p.z))
  const radius = Math.max(...profile.filter((p) => p.z < lowest + 1e-6).map((p) => p.radius))
  return Math.PI * Math.max(0, radius ** 2 - (piece.bore / 2) ** 2)
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
    raise('filled-weight', 'note', { filledKg: own.filledKg, fill: own.fill, groundKPa: own.groundKPa ?? 0 })
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
  // A box of panels has no drains cut in it.
  if (piece.kind === 'box' && !piece.built && piece.drains.count > 0 && service.fill !== 'water') {
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
