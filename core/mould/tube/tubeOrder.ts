import { act, inTurn, type Operation } from '../../work/index.ts'
import type { BarePart } from '../bareParts.ts'
import { build, oneByOne, undo, WORK } from '../buildingOrder.ts'
import type { Undoing } from '../types.ts'

const of = (parts: readonly BarePart[], ...roles: BarePart['role'][]) =>
  parts.filter((p) => roles.includes(p.role))

/** A card tube from bare stock to what can be filled. */
export function tubeBuilding(parts: readonly BarePart[], straps: number): Operation[] {
  const [tube, core, base] = [of(parts, 'tube'), of(parts, 'core'), of(parts, 'base')]
  return inTurn([
    build('cut/tube', act('cut-tube', {}), [...tube, ...base, ...of(parts, 'cleat')], { work: 20 }),
    build('tape/foot', act('tape-tube-foot', {}), tube, { work: 10 }),
    build('mark/base', act('mark-tube', {}), base, { work: 6 }),
    ...(core.length > 0
      ? [build('fix/core', act('fix-tube-core', { bridged: isOpen(core) }), core, { work: 25 })]
      : []),
    build('stand/tube', act('stand-tube', {}), [...tube, ...of(parts, 'cleat')], { work: 4 * WORK.place }),
    build('bead/foot', act('bead-tube-foot', {}), tube, { work: 10, wait: 180 }),
    ...(straps > 0
      ? [build('strap/tube', act('strap-tube', { turns: straps }), tube, { work: straps * 3 })]
      : []),
    build('stay/top', act('stay-top', {}), tube, { work: 10 }),
  ])
}

/** Whether the core's top stands free; else the floor is cast over it, and it comes out once the base is off. */
const isOpen = (core: readonly BarePart[]): boolean => core.some((p) => p.pull[2] > 0)

/** A card tube is slit and peeled; a core closes in on itself. */
export function tubeOff(parts: readonly BarePart[], straps: number): Undoing[] {
  const core = of(parts, 'core')
  return oneByOne([
    ...(isOpen(core)
      ? [
          undo('ease/core', act('slit-core', {}), [], {
            at: core.map((p) => p.id),
            from: 'set',
            whileItMoves: true,
          }),
          undo('out/core', act('core-out', {}), core),
        ]
      : []),
    undo('off/tube', act('tube-off', { straps: straps > 0 }), of(parts, 'cleat', 'tube'), { from: 'sides' }),
    undo('off/base', act('column-off-base', {}), of(parts, 'base'), { from: 'turn' }),
    ...(core.length > 0 && !isOpen(core)
      ? [
          undo('ease/core', act('slit-core', {}), [], { at: core.map((p) => p.id) }),
          undo('out/core', act('core-out', {}), core),
        ]
      : []),
  ])
}
