import type { PieceStation } from '../piece/index.ts'
import { massToForce } from '../units/convert.ts'

export type VoidHold = {
  /** What the fresh concrete lifts it by, less its own weight. */
  readonly upliftN: number
  /** What holds it down must bear. */
  readonly holdForceN: number
  /** Wires that go over it, each to be trusted with 250 N [own]. */
  readonly straps: number
}

/** A strap of tying wire, doubled, to a screw in the base or a bridge, N [own]. */
const STRAP = 250

/**
 * What lifts a void former while it is poured, and what must hold it: the larger of twice the net uplift and one and a
 * half times the concrete it displaces, less its weight. 2 L of 33 kg/m3 in 2350: lifted by 45.5 N, held against 90.9.
 */
export function voidHold(
  former: PieceStation['figures']['voidFormer'],
  freshKgPerM3: number,
): VoidHold | null {
  if (!former) return null
  const displacedKg = (former.volumeLitres * freshKgPerM3) / 1000
  const upliftN = Math.max(0, massToForce(displacedKg - former.massKg))
  const holdForceN = Math.max(2 * upliftN, massToForce(1.5 * displacedKg - former.massKg))
  return { upliftN, holdForceN, straps: Math.max(2, Math.ceil(holdForceN / STRAP)) }
}
