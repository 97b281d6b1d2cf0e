import type { MouldFigures, Undoing } from '../mould/index.ts'
import {
  type Act,
  type Attitude,
  type Condition,
  type Operation,
  operation,
  orderOperations,
  partRefs,
} from '../work/index.ts'

/** Strengths at which things may be done, MPa [own]: sides off, a sharp arris freed, the piece turned or carried. */
export const STRIP_MPA = { sides: 5, sharp: 8, turn: 10 } as const
/** What is eased is out within this many final sets: after that the concrete grips it [own]. */
const MOVES = 2

const WINDOWS: Readonly<Record<NonNullable<Undoing['from']>, Condition>> = {
  set: { kind: 'set', of: 'final', setShare: 1 },
  sides: { kind: 'strength', mpa: STRIP_MPA.sides },
  sharp: { kind: 'strength', mpa: STRIP_MPA.sharp },
  turn: { kind: 'strength', mpa: STRIP_MPA.turn },
}

/**
 * A mould's undoings as operations in an order that keeps what comes before what, each with how the piece lies then,
 * what of the mould is still on it, and the mass of both. `castKg` is the piece with its steel, fresh; `turnMpa` the strength at which it is turned.
 */
export function takeOff(
  off: readonly Undoing[],
  parts: MouldFigures['parts'],
  castKg: number,
  turnMpa: number = STRIP_MPA.turn,
): { readonly operations: readonly Operation[]; readonly circle: readonly string[] } {
  const plain = off.map((u) =>
    operation({
      ...({ code: u.code, facts: u.facts } as Act),
      id: u.id,
      station: 'release',
      per: 'cast',
      about: partRefs([...u.partIds, ...u.at]),
      minutes: u.minutes,
      needs: u.after,
      notBefore: u.from ? [u.from === 'turn' ? { kind: 'strength', mpa: turnMpa } : WINDOWS[u.from]] : [],
      notAfter: u.whileItMoves ? [{ kind: 'set', of: 'final', setShare: MOVES }] : [],
    }),
  )
  const { operations, circle } = orderOperations(plain)
  const weights = new Map(parts.map((p) => [p.id, p.weightKg]))
  const standing = new Set(off.flatMap((u) => u.partIds))
  let turned = false
  let lies: Attitude['lies'] = 'base'
  const placed = operations.map((op): Operation => {
    const u = off.find((o) => o.id === op.id)!
    const massOf = () => castKg + [...standing].reduce((sum, id) => sum + (weights.get(id) ?? 0), 0)
    // What is turned is moved with all that is still on it; else what is left is told.
    if (u.turns) {
      const massKg = massOf()
      const attached = [...standing]
      for (const id of u.partIds) standing.delete(id)
      turned = !turned
      lies = u.turns
      return {
        ...op,
        facts: { ...op.facts, massKg },
        attitude: { turned, lies, attached, massKg },
      } as Operation
    }
    for (const id of u.partIds) standing.delete(id)
    return { ...op, attitude: { turned, lies, attached: [...standing], massKg: massOf() } }
  })
  return { operations: placed, circle }
}
