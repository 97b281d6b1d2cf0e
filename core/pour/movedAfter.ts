import { STRIP_MPA } from '../release/index.ts'
import type { Operation } from '../work/index.ts'

/** Strength that a cast is first turned or lifted off its base at: what stands ready for that stands before it. */
const frees = (op: Operation): boolean =>
  op.notBefore.some((c) => c.kind === 'strength' && c.mpa >= STRIP_MPA.turn)

/**
 * How a cast is moved, among what comes off it: its bearers lie ready before it is freed, it is moved once all is off, and
 * set where it stays when it may be used. `day` is what is done before anything comes off.
 */
export function movedAfter(
  moving: readonly Operation[],
  strips: readonly Operation[],
  day: readonly Operation[],
): Operation[] {
  const freed = strips.findIndex(frees)
  const before = freed < 0 ? strips : strips.slice(0, freed)
  const last = (before.length > 0 ? before : day.slice(-1)).map((op) => op.id)
  return moving.map((op): Operation => {
    switch (op.code) {
      case 'lay-out-bearers':
        return { ...op, needs: [...op.needs, ...last], leads: freed < 0 ? [] : [strips[freed]!.id] }
      case 'set-in-ground':
        return { ...op, needs: [...op.needs, 'move/cast', 'use'] }
      default:
        return { ...op, needs: [...op.needs, ...(strips.length > 0 ? strips.map((s) => s.id) : last)] }
    }
  })
}
