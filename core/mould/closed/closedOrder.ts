import { act, inTurn, type Operation } from '../../work/index.ts'
import type { BarePart } from '../bareParts.ts'
import { build, eachCast, oneByOne, undo } from '../buildingOrder.ts'
import type { Undoing } from '../types.ts'

/** Hours a laid-up shell hardens before the next is laid against it [own]. */
const HARDENS = 24 * 60

/** How two shells meet: whether drawn apart up and down, along a curve, and how far off upright. */
type Joint = { readonly level: boolean; readonly curve: boolean; readonly leanDeg: number }

/** From the pattern to two shells that stand closed. */
export const closedBuilding = (
  [near, far]: readonly [BarePart, BarePart],
  material: string,
  vents: number,
  straps: number,
  { level, curve }: Joint,
): Operation[] =>
  inTurn([
    build('bed/pattern', act('bed-for-joint', { level, curve }), [near], { work: curve ? 75 : 45 }),
    build('lay-up/first', act('lay-up-shell', { name: far.name, material }), [far], {
      work: 60,
      wait: HARDENS,
    }),
    build('lay-up/second', act('lay-up-second', { name: near.name }), [near], { work: 60, wait: HARDENS }),
    build('open/shells', act('open-shells', { vents }), [near, far], { work: 40 }),
    eachCast(build('close/shells', act('close-shells', { straps }), [near, far], { work: 20 })),
  ])

/** How the two shells come off. */
export const closedOff = ([near, far]: readonly [BarePart, BarePart], { level, leanDeg }: Joint): Undoing[] =>
  oneByOne([
    undo('off/far', act('upper-shell-off', { name: far.name, level, leanDeg }), [far], { from: 'sides' }),
    ...(level
      ? [
          undo('turn', act('turn-in-shell', { name: near.name, massKg: 0 }), [], {
            from: 'turn',
            turns: 'padded board',
          }),
        ]
      : []),
    undo('off/near', act('shell-off', { name: near.name, level, leanDeg }), [near], { from: 'turn' }),
  ])
