import type { ChoiceOf } from '../../job/index.ts'
import { act, inTurn, type Operation } from '../../work/index.ts'
import type { BarePart } from '../bareParts.ts'
import { build, eachCast, oneByOne, undo } from '../buildingOrder.ts'
import type { Undoing } from '../types.ts'

/** Drilled through the floor of what is filled as it stands, mm [own]. */
const AIR_HOLE = 3

export type Standing = Pick<ChoiceOf<'found'>, 'stands' | 'bag' | 'comesOff'>
type Told = Standing & {
  readonly vessel: readonly BarePart[]
  readonly base: readonly BarePart[]
  readonly fillKg: number
  readonly holeMm: number
}

/** From what was found to what can be filled. */
export function foundBuilding({ stands, bag, comesOff, vessel, base, fillKg, holeMm }: Told): Operation[] {
  const look = build('look/inside', act('look-inside', {}), vessel, { work: 5 })
  const bagged = bag ? [eachCast(build('line/bag', act('line-with-bag', {}), vessel, { work: 10 }))] : []
  switch (stands) {
    case 'upright':
      return inTurn([
        look,
        build('mark/fill', act('mark-fill', { waterKg: fillKg }), vessel, { work: 10 }),
        // What is cut off or left on needs no air under it, and a bag brings its own.
        ...(comesOff === 'whole' && !bag
          ? [build('drill/floor', act('drill-floor', { holeMm: AIR_HOLE }), vessel, { work: 5 })]
          : []),
        ...bagged,
        build('stand/vessel', act('stand-vessel', {}), vessel, { work: 10 }),
      ])
    case 'upside-down':
      return inTurn([
        look,
        build('cut/floor', act('cut-floor-out', {}), vessel, { work: 15 }),
        build('cut/base', act('cut-list', { pieces: base.length }), base, { work: 4 }),
        eachCast(
          build('stand/rim-down', act('stand-rim-down', {}), [...vessel, ...base], { work: 15, wait: 180 }),
        ),
        ...bagged,
      ])
    case 'joined':
      return inTurn([
        look,
        build('cut/hole', act('cut-fill-hole', { holeMm }), vessel, { work: 15 }),
        eachCast(build('join/halves', act('join-halves', {}), vessel, { work: 20, wait: 60 })),
        eachCast(build('stand/vessel', act('stand-vessel', {}), vessel, { work: 10 })),
      ])
  }
}

/** How it leaves the cast, or why it does not. */
export function foundOff({ stands, bag, comesOff, vessel, base }: Told): Undoing[] {
  const left = comesOff === 'left-on'
  const own = () =>
    left
      ? act('vessel-left-on', {})
      : comesOff === 'cut'
        ? act('vessel-slit', {})
        : stands === 'upside-down'
          ? act('vessel-lifted', {})
          : bag
            ? act('lift-by-bag', {})
            : act('vessel-off', {})
  if (stands === 'upside-down')
    return oneByOne([
      undo('off/vessel', own(), vessel, { from: 'sides' }),
      undo('off/base', act('column-off-base', {}), base, { from: 'turn' }),
    ])
  if (stands === 'joined')
    return oneByOne([
      ...(left ? [] : [undo('off/upper', act('upper-half-lifted', {}), [vessel[1]!], { from: 'sides' })]),
      undo('off/vessel', own(), left ? vessel : [vessel[0]!], { from: 'turn' }),
    ])
  return oneByOne([
    ...(left || comesOff === 'cut'
      ? []
      : [undo('turn', act('turn-in-vessel', { massKg: 0 }), [], { from: 'turn', turns: 'padded board' })]),
    undo('off/vessel', own(), vessel, { from: 'turn' }),
  ])
}
