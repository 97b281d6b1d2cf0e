import type { BoxChoice } from '../../job/index.ts'
import { sidePush } from '../../mechanics/index.ts'
import type { Board, FreshMix } from '../../stock/index.ts'
import type { BarePart } from '../bareParts.ts'
import type { HardwareRow } from '../types.ts'
import type { BoxedSlab } from './boxedSlab.ts'

export type FixingId = BoxChoice['fixing']

type School = {
  /** As it is called in a sentence. */
  readonly name: string
  /** What its bond may be stressed by over a joint, MPa; null where it is no bond, or counts for nothing. */
  readonly bond: number | null
  /** Where it counts for nothing against the push: the deepest form it is used on alone, mm. */
  readonly deepest: number | null
  /** Minutes at 20 degC before the joint is loaded. */
  readonly wait: number
  /** Casts until the edges it tears are spent; null where it tears none. */
  readonly casts: number | null
}

/**
 * A third of the internal bond that particle board of 13 to 20 mm must have (EN 312, type P2: 0.35 MPa): a glued edge
 * fails in the board.
 */
const BOARD_BOND = 0.12

/** How sides are held to their base: strength, wait and what taking them off costs. Ours where no source is named. */
export const SCHOOLS: Readonly<Record<FixingId, School>> = {
  screws: { name: 'screws', bond: null, deepest: null, wait: 0, casts: null },
  'angled-screws': { name: 'angled screws', bond: null, deepest: null, wait: 0, casts: null },
  brads: { name: 'brads and adhesive', bond: BOARD_BOND, deepest: null, wait: 60, casts: 2 },
  'instant-glue': { name: 'instant glue', bond: BOARD_BOND, deepest: null, wait: 2, casts: 2 },
  'hot-glue': { name: 'hot glue', bond: null, deepest: 60, wait: 5, casts: null },
  tape: { name: 'tape', bond: null, deepest: 40, wait: 0, casts: null },
}

/** An angled screw holds in less of the edge than one along its middle [own]. */
export const ANGLED = 0.6
export const isScrewed = (fixing: FixingId): fixing is 'screws' | 'angled-screws' =>
  fixing === 'screws' || fixing === 'angled-screws'

/**
 * Whether the bond or the tape along the base holds a side: a glued joint by the moment of the push about the middle of
 * the board's edge, its top free, and by shear where it is held; what counts for nothing only on shallow forms.
 */
export function bondHolds(piece: BoxedSlab, base: Board, side: Board, mix: FreshMix): boolean {
  const { bond, deepest } = SCHOOLS[piece.mould.fixing]
  const depth = piece.poured.full
  if (bond === null) return deepest !== null && depth <= deepest
  const push = sidePush(depth, mix.freshKgPerM3)
  const edge = piece.mould.school === 'wrap' ? base.thickness : side.thickness
  if (piece.mould.braceSpacing !== null) return ((2 / 3) * push) / edge <= bond
  const arm = depth / 3 + (piece.mould.school === 'wrap' ? edge / 2 : 0)
  return (6 * push * arm) / edge ** 2 + push / edge <= bond
}

/** Brads along a joint, mm apart [own]; a stick of hot glue as a fillet of 6 mm, m [own]; rounds of tape [own]. */
const BRAD_SPACING = 75
const STICK_M = 1
const TAPE_ROUNDS = 2

/** What is bought to fix side strips otherwise than by screws; a ring that is bent round is tacked to its ribs. */
export function fixingHardware(
  piece: BoxedSlab,
  base: Board,
  side: Board,
  strips: readonly BarePart[],
): HardwareRow[] {
  const { fixing } = piece.mould
  if (strips.length === 0) return []
  const round = strips.reduce((sum, s) => sum + (s.bevels?.insideLengthMm ?? s.lengthMm), 0)
  const joint = round + strips.length * piece.poured.full
  const metres = joint / 1000
  switch (fixing) {
    case 'screws':
    case 'angled-screws':
      return []
    case 'brads':
      return [
        {
          code: 'brads',
          facts: { lengthMm: 2 * Math.min(base.thickness, side.thickness) },
          amount: Math.ceil(joint / BRAD_SPACING),
          unit: 'piece',
        },
        { code: 'joint-adhesive', facts: {}, amount: metres, unit: 'm' as const },
      ]
    case 'instant-glue':
      return [{ code: 'instant-glue', facts: {}, amount: metres, unit: 'm' as const }]
    case 'hot-glue':
      return [
        {
          code: 'hot-glue-sticks',
          facts: {},
          amount: Math.ceil(metres / STICK_M),
          unit: 'piece',
        },
      ]
    case 'tape':
      return [
        {
          code: 'side-tape',
          facts: { rounds: TAPE_ROUNDS },
          amount: (TAPE_ROUNDS * (round + 8 * side.thickness)) / 1000,
          unit: 'm',
        },
      ]
  }
}
