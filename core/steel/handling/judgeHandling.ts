import {
  ageForStrength,
  type StrengthCurve,
  strengthAt,
  type TemperatureCourse,
  timeForAge,
} from '../../ageing/index.ts'
import type { Change, Finding, Level, Piece, Remedy } from '../../job/index.ts'
import type { Mix } from '../../stock/index.ts'
import { allowedStress, type Handling, lambdaOf, type Move } from './planHandling.ts'

/** Nothing is turned or carried below this, MPa [own]. */
export const LEAST_MPA = 10
/** A margin under which it will probably crack, one under which it is not done, and one that wants care. */
const [CRACKS, NOT, CARE] = [0.6, 1, 1.3]
/** What may be done otherwise. */
const MAY: ReadonlySet<Move> = new Set(['carry', 'ends', 'lay'])
/** Age at which it is used, minutes at 20 degC. */
const USED = 28 * 1440

/** One move as it is told: what it needs, and when. */
export type ToldMove = {
  readonly move: Move
  readonly massKg: number
  readonly peakMpa: number
  readonly stretched: 'top' | 'bottom'
  readonly xMm: number
  readonly yMm: number
  /** Of a bar, from its end; null of what is flat. */
  readonly alongMm: number | null
  /** Never less than 10. */
  readonly neededMpa: number
  /** Null where the mix has not got there at 28 days: nobody counts on what it gains after. */
  readonly earliestMinutes: number | null
  readonly startMarginShare: number
  readonly fullMarginShare: number
}

/** The moves of a piece with the hours of its mix at its temperatures. */
export function toldMoves(
  { checks }: Pick<Handling, 'checks'>,
  mix: Mix,
  curve: StrengthCurve,
  course: TemperatureCourse,
): ToldMove[] {
  const lambda = lambdaOf(mix)
  const full = strengthAt(curve, USED)
  return checks.map((c): ToldMove => {
    const neededMpa = Math.max(LEAST_MPA, c.neededMpa)
    const age = ageForStrength(curve, neededMpa)
    return {
      move: c.move,
      massKg: c.massKg,
      peakMpa: c.peakMpa,
      stretched: c.stretched,
      xMm: c.at[0],
      yMm: c.at[1],
      alongMm: c.along ?? null,
      neededMpa,
      earliestMinutes: age === null || age > USED ? null : timeForAge(course, age),
      startMarginShare: c.peakMpa > 0 ? allowedStress(LEAST_MPA, lambda) / c.peakMpa : 1000,
      fullMarginShare: c.peakMpa > 0 ? allowedStress(full, lambda) / c.peakMpa : 1000,
    }
  })
}

/** Strength at which the piece may be turned over and set down on its bearers, MPa; never less than 10. */
export const turnStrength = (moves: readonly ToldMove[]): number =>
  moves.reduce(
    (most, m) => (m.move === 'turn' || m.move === 'bearers' ? Math.max(most, m.neededMpa) : most),
    LEAST_MPA,
  )

type HeldWays = Pick<Handling, 'unstable' | 'off' | 'inward'>

/** What is told of the moves: which wait, which crack it, which tip it. */
export function handlingFindings(
  piece: Piece,
  handling: HeldWays,
  moves: readonly ToldMove[],
  mix: Mix,
  thickness: number,
): Finding[] {
  const finding = (
    code: string,
    level: Level,
    facts: Finding['facts'],
    remedies: Remedy[] = [],
  ): Finding => ({
    code,
    level,
    station: 'steel',
    about: [{ pieceId: piece.id, kind: 'choice', id: `handling/${facts.move}` }],
    facts,
    remedies,
  })
  const unstable = handling.unstable.map((move) =>
    finding(
      'move-unstable',
      'warn',
      { move },
      piece.steel.handling.bearers || piece.steel.handling.hands ? [held(piece, {})] : [],
    ),
  )
  const missed = handling.off
    ? [finding('hands-off', 'warn', { move: 'carry', count: handling.off }, [held(piece, {})])]
    : []
  return [
    ...missed,
    ...unstable,
    ...moves.flatMap((m): Finding[] => {
      const facts = {
        move: m.move,
        marginShare: m.move === 'use' ? m.fullMarginShare : m.startMarginShare,
        fullShare: m.fullMarginShare,
        neededMpa: m.neededMpa,
        peakMpa: m.peakMpa,
        xMm: m.xMm,
        yMm: m.yMm,
        stretched: m.stretched,
        ...(m.alongMm !== null && { alongMm: m.alongMm }),
        hoursMinutes: m.earliestMinutes ?? 0,
      }
      const cures = remediesOf(piece, handling, m, mix, thickness)
      if (m.move === 'use') {
        const margin = m.fullMarginShare
        if (margin >= CARE) return []
        return [
          finding('use-cracks', margin < CRACKS ? 'stop' : margin < NOT ? 'warn' : 'note', facts, cures),
        ]
      }
      // At full strength it would still crack: what must be done stops the pour, what may be done otherwise warns.
      if (m.fullMarginShare < NOT || m.earliestMinutes === null)
        return [finding('move-cracks', MAY.has(m.move) ? 'warn' : 'stop', facts, cures)]
      if (m.neededMpa > LEAST_MPA + 1e-9)
        return [finding('move-waits', 'note', facts, m.move === 'carry' ? cures : [])]
      return []
    }),
  ]
}

const held = (piece: Piece, patch: Partial<Piece['steel']['handling']>, code = 'as-proposed'): Remedy => ({
  code,
  facts: {},
  changes: [
    {
      type: 'steelChosen',
      pieceId: piece.id,
      patch: { handling: { ...piece.steel.handling, bearers: null, hands: null, ...patch } },
    },
  ],
})

/** Held or set down elsewhere, or thicker: stress falls as the thickness grows. */
function remediesOf(piece: Piece, handling: HeldWays, m: ToldMove, mix: Mix, thickness: number): Remedy[] {
  const { steel } = piece
  const chosen = steel.handling.bearers ?? steel.handling.hands
  const wanted = thickness * Math.max(1, m.peakMpa / allowedStress(LEAST_MPA, lambdaOf(mix)))
  const thicker: Change | null =
    piece.kind === 'slab' && m.alongMm === null
      ? { type: 'thicknessChanged', pieceId: piece.id, thickness: Math.ceil(wanted / 5) * 5 }
      : null
  return [
    ...(chosen && (m.move === 'bearers' || m.move === 'carry') ? [held(piece, {})] : []),
    ...(m.move === 'carry' && handling.inward.length === 4
      ? [
          held(
            piece,
            {
              bearers: steel.handling.bearers,
              hands: handling.inward.map(([x, y]) => [Math.round(x), Math.round(y)]),
            },
            'hands-inward',
          ),
        ]
      : []),
    ...(m.move !== 'carry' && thicker && wanted < 3 * thickness
      ? [{ code: 'thicker', facts: { thicknessMm: Math.ceil(wanted / 5) * 5 }, changes: [thicker] }]
      : []),
  ]
}
