import { isWithin, type Point, type Region } from '../../geometry/index.ts'
import type { Piece } from '../../job/index.ts'
import { type PlateMesh, type Resting, UnstablePlate } from '../../mechanics/index.ts'
import type { Mix } from '../../stock/index.ts'
import { massToForce } from '../../units/convert.ts'
import type { FlatPlate } from './flatPlate.ts'
import { type Peak, peakStress, stressBands } from './peakStress.ts'
import {
  bearerPoints,
  carryingHands,
  type LongWay,
  liftingHands,
  longWay,
  shared,
  spansAcross,
  turnEdge,
} from './supports.ts'

/** What is done with a piece, or to it, that bends it: a flat one, or (laid, by its ends) a bar. */
export type Move = 'turn' | 'bearers' | 'carry' | 'use' | 'lay' | 'ends'

/** Where it rests or is held, and with how much, N. */
export type Held = {
  readonly at: Point
  readonly forceN: number
  readonly by: 'edge' | 'hand' | 'bearer' | 'support'
}

export type MoveCheck = {
  readonly move: Move
  /** What bends it, at rest, kg. */
  readonly massKg: number
  /** Peak with the jerk of handling, or with the load of use. */
  readonly peakMpa: number
  readonly at: Point
  /** Of a bar: how far along it from its end, mm. */
  readonly along?: number
  /** Which face is stretched there, as placed. */
  readonly stretched: 'top' | 'bottom'
  /** Strength at which the margin is 1. */
  readonly neededMpa: number
  readonly held: readonly Held[]
  /** A triangle each, MPa, above 0 where the face below as it lies is stretched. */
  readonly bands: Float32Array
}

export type Handling = {
  /** The triangles of its plan, as placed. */
  readonly mesh: PlateMesh
  readonly plan: Region
  /** Its longer way: from and to are the middles of its two ends. */
  readonly way: { readonly length: number; readonly width: number; readonly from: Point; readonly to: Point }
  /** Along the longer way, mm. */
  readonly bearers: readonly number[]
  readonly proposed: readonly number[]
  /** Where it is carried. */
  readonly hands: readonly Point[]
  /** Chosen hands that miss the piece: then it is carried where it usually is. */
  readonly off: number
  /** Four hands a fifth of its length in. */
  readonly inward: readonly Point[]
  readonly checks: readonly MoveCheck[]
  /** Moves that it would tip in: no figures. */
  readonly unstable: readonly Move[]
}

/** Handling jerks [domain practice]. */
const JERK = 1.5
/** fr = 0.62 lambda sqrt(fc), half of it allowed; lambda of lightweight concrete (ACI 318). */
const [RUPTURE, LIGHT] = [0.62, 0.75]
/** A board of 18 mm that is turned with the piece, kg/m2, where its mould is not known. */
const BASE_KG_PER_M2 = 12
/** Someone on it: 1 kN over 100 x 100. */
const PERSON = { n: 1000, patch: 100 }
/** What a support at an end reaches under it, mm. */
const BEARING = 25

/** The strength at which a stress has a margin, MPa. `neededStrength(0.98, 1, 1)` is 10. */
export const neededStrength = (stress: number, margin: number, lambda: number): number =>
  ((2 * margin * stress) / (RUPTURE * lambda)) ** 2

/** Half of the modulus of rupture, MPa. `allowedStress(35, 1)` is 1.83. */
export const allowedStress = (fc: number, lambda: number): number => (RUPTURE * lambda * Math.sqrt(fc)) / 2

export const lambdaOf = ({ family }: Pick<Mix, 'family'>): number => (family === 'lightweight' ? LIGHT : 1)

export type Handled = {
  readonly people: number
  /** At stripping. */
  readonly kg: number
  /** What the base it lies on holds it down by when it is lifted off first. */
  readonly suctionKPa: number
  readonly turn: Turned | null
}

/** The mould that is still on it when it is turned over, with its cores, kg; null where it is not turned over. */
export type Turned = { readonly withKg: number | null }

/** How a flat piece of `kg` at stripping stands being turned about its long edge, set on bearers, carried flat, and used. */
export function planHandling(
  flat: FlatPlate,
  piece: Piece,
  mix: Mix,
  { people, kg, suctionKPa, turn }: Handled,
): Handling {
  const { plate, plan } = flat
  const way = longWay(plan)
  const lambda = lambdaOf(mix)
  // Its weight as it is, with its steel, spread as it is thick.
  const volume = plate.areas.reduce((sum, a, e) => sum + a * plate.thickness[e]!, 0)
  const weightOf = (mass: number, factor: number) =>
    plate.pressed((e) => (plate.thickness[e]! / volume) * massToForce(mass) * factor)
  const fresh = weightOf(kg, JERK)
  const area = plate.areas.reduce((sum, a) => sum + a, 0)
  // It is turned with its base and what is in it, spread over it.
  const under = piece.attitude.down === 'top' ? 'top' : 'bottom'
  const withKg = turn ? turn.withKg : under === 'top' ? area * 1e-6 * BASE_KG_PER_M2 : null
  const [turns, baseKg] = [withKg !== null, withKg ?? 0]
  const base = plate.pressed(() => (massToForce(baseKg) / area) * JERK)
  const withBase = fresh.map((f, i) => f + base[i]!)
  const unstable: Move[] = []
  const checks: MoveCheck[] = []
  const told = (
    move: Move,
    massKg: number,
    tries: readonly (() => { found: Resting; held: Held[]; points: readonly Point[] })[],
    below: 'top' | 'bottom',
  ): void => {
    let worst: { peak: Peak; found: Resting; held: Held[] } | null = null
    for (const attempt of tries) {
      try {
        const { found, held, points } = attempt()
        const peak = peakStress(flat, found.stress, points)
        if (!worst || peak.mpa > worst.peak.mpa) worst = { peak, found, held }
      } catch (error) {
        if (!(error instanceof UnstablePlate)) throw error
        unstable.push(move)
        return
      }
    }
    if (!worst) {
      unstable.push(move)
      return
    }
    const { peak, found, held } = worst
    const above = below === 'top' ? 'bottom' : 'top'
    checks.push({
      move,
      massKg,
      peakMpa: peak.mpa,
      at: peak.at,
      stretched: peak.below ? below : above,
      neededMpa: neededStrength(peak.mpa, 1, lambda),
      held,
      bands: stressBands(flat, found.stress),
    })
  }

  const edge = turnEdge(flat, way)
  const lifting = liftingHands(flat, way, people)
  // What stays on its base is torn off it first: the worse of a jerk and of the suction.
  const sucked = plate.pressed(() => suctionKPa * 1e-3)
  const torn = turns ? null : weightOf(kg, 1).map((f, i) => f + sucked[i]!)
  told(
    'turn',
    kg + baseKg,
    [withBase, ...(torn ? [torn] : [])].map((load) => () => {
      const points = [...edge, ...lifting]
      const found = plate.rest(load, points)
      return {
        found,
        held: heldBy(points, found, (i) => (i < edge.length ? 'edge' : 'hand')),
        points: lifting,
      }
    }),
    under,
  )

  const proposed = proposeBearers(flat, way, fresh)
  const bearers = piece.steel.handling.bearers ?? proposed
  const rests = bearers.flatMap((s) => bearerPoints(flat, way, s))
  told(
    'bearers',
    kg,
    [
      () => {
        const found = plate.rest(fresh, rests)
        return { found, held: heldBy(rests, found, () => 'bearer'), points: [] }
      },
    ],
    'bottom',
  )

  const chosen = piece.steel.handling.hands
  const off = (chosen ?? []).filter((p) => !inRegion(p, plan)).length
  const hands = chosen && off === 0 ? chosen : carryingHands(flat, way, people)
  const centre = middleOf(flat)
  const total = massToForce(kg) * JERK
  told(
    'carry',
    kg,
    (shared(hands, total, centre) ?? []).map((forces) => () => {
      const loads = hands.map((at, i) => ({ at, force: forces[i]! }))
      const found = plate.carried(fresh, loads)
      return {
        found,
        held: hands.map((at, i) => ({ at, forceN: forces[i]!, by: 'hand' as const })),
        points: hands,
      }
    }),
    'bottom',
  )

  const { use } = piece.steel.handling
  if (use !== 'bedded') {
    const points =
      use === 'ends'
        ? [BEARING, way.length - BEARING].flatMap((s) => bearerPoints(flat, way, s))
        : use === 'supports'
          ? rests
          : railPoints(flat, way)
    const placedKg = (kg * mix.hardenedKgPerM3) / mix.freshKgPerM3
    const own = weightOf(placedKg, 1)
    told(
      'use',
      placedKg,
      personPlaces(flat, way).map((at) => () => {
        const found = plate.rest(own, points, patch(at))
        return { found, held: heldBy(points, found, () => 'support'), points: [] }
      }),
      'bottom',
    )
  }
  return {
    mesh: plate.mesh,
    plan,
    way: {
      length: way.length,
      width: way.width,
      from: way.at(0, way.width / 2),
      to: way.at(way.length, way.width / 2),
    },
    bearers,
    proposed,
    hands,
    off,
    inward: carryingHands(flat, way, 4),
    checks,
    unstable,
  }
}

const inRegion = (p: Point, region: Region): boolean =>
  region.reduce((odd, ring) => (isWithin(p, ring) ? !odd : odd), false)

const heldBy = (points: readonly Point[], { reactions }: Resting, by: (i: number) => Held['by']): Held[] =>
  points.map((at, i) => ({ at, forceN: reactions[i]!, by: by(i) }))

/** Shares of its length at which two bearers are tried: 0.207 is best under an even strip. */
const TRIED = [0.12, 0.16, 0.2, 0.24, 0.28]

/** Two bearers as far in from both ends as bends it least. */
function proposeBearers(flat: FlatPlate, way: LongWay, load: Float64Array): number[] {
  let [best, least]: [readonly number[] | null, number] = [null, Infinity]
  for (const share of TRIED) {
    const places = [share * way.length, (1 - share) * way.length]
    try {
      const { stress } = flat.plate.rest(
        load,
        places.flatMap((s) => bearerPoints(flat, way, s)),
      )
      const { mpa } = peakStress(flat, stress, [])
      if (mpa < least) [best, least] = [places, mpa]
    } catch (error) {
      if (!(error instanceof UnstablePlate)) throw error
    }
  }
  return (best ?? [0.2 * way.length, 0.8 * way.length]).map((s) => Math.round(s))
}

/** Rails along both long edges. */
function railPoints(flat: FlatPlate, way: LongWay): Point[] {
  const count = Math.max(4, Math.ceil(way.length / (2 * flat.size)))
  return Array.from({ length: count + 1 }, (_, i) =>
    Math.min(Math.max((way.length * i) / count, 1), way.length - 1),
  ).flatMap((s) => {
    const spans = spansAcross(flat.plan, way, s)
    const [first, last] = [spans[0], spans.at(-1)]
    if (!first || !last) return []
    const inset = Math.min(BEARING, (last[1] - first[0]) / 4)
    return [way.at(s, first[0] + inset), way.at(s, last[1] - inset)]
  })
}

/** Where someone may stand or lean: along the middle and along both edges. */
function personPlaces(flat: FlatPlate, way: LongWay): Point[] {
  const half = PERSON.patch / 2
  return [0.02, 0.25, 0.5, 0.75, 0.98].flatMap((share) => {
    const s = Math.min(Math.max(share * way.length, half), way.length - half)
    return spansAcross(flat.plan, way, s).flatMap(([a, b]) => {
      if (b - a < PERSON.patch) return [way.at(s, (a + b) / 2)]
      return [a + half, (a + b) / 2, b - half].map((d) => way.at(s, d))
    })
  })
}

const patch = ([x, y]: Point) =>
  [-1, 0, 1].flatMap((i) =>
    [-1, 0, 1].map((j) => ({
      at: [x + (i * PERSON.patch) / 3, y + (j * PERSON.patch) / 3] as const,
      force: PERSON.n / 9,
    })),
  )

function middleOf({ plate }: FlatPlate): Point {
  let [mass, x, y] = [0, 0, 0]
  plate.middles.forEach((p, e) => {
    const m = plate.areas[e]! * plate.thickness[e]!
    mass += m
    x += m * p[0]
    y += m * p[1]
  })
  return [x / mass, y / mass]
}
