import type { MouldChoice } from '../../job/index.ts'
import type { Rubber } from '../../stock/index.ts'
import { act, inTurn, type Operation } from '../../work/index.ts'
import type { BarePart } from '../bareParts.ts'
import { sidesOff } from '../boxRound.ts'
import { build, oneByOne, undo, WAIT, WORK } from '../buildingOrder.ts'
import { holdRows } from '../holdDown.ts'
import type { BuiltMould } from '../method.ts'
import type { Undoing } from '../types.ts'
import { rubberAmounts } from './rubber.ts'

/** A rubber, and what of it is poured beside the gap. */
export type Poured = { readonly rubber: Rubber; readonly wastePercent: number }

/** A pot of rubber weighed and poured, left until it may be opened. */
export function pourRubber(
  half: 'whole' | 'upper' | 'lower',
  { rubber, wastePercent }: Poured,
  volume: number,
  parts: readonly BarePart[],
): Operation {
  const { kg, a, b, potMinutes } = rubberAmounts(rubber, volume, wastePercent)
  return build(
    `pour/${half}`,
    act('pour-rubber', { half, rubber: rubber.name, kg, aKg: a.kg, bKg: b.kg, potMinutes }),
    parts,
    { work: 20, wait: rubber.demouldHours * 60 },
  )
}

/** A rubber block in one, from pattern to mould. */
export function blockBuilding(
  box: readonly BarePart[],
  whole: readonly BarePart[],
  rubber: Poured,
  volume: number,
  hold: BuiltMould['holdDown'][number],
  by: MouldChoice['holdBy'],
): Operation[] {
  const [base] = box
  const sides = box.filter((p) => p.role === 'strip')
  const [row] = holdRows([hold], by)
  return inTurn([
    build('cut/box', act('cut-box', {}), [base!], { work: 20 }),
    build(
      'hold/pattern',
      act('hold-pattern', {
        forceN: hold.holdForceN,
        by: row!.by,
        screws: row!.screws,
        glueCm2: row!.glueMm2 / 100,
        weightKg: row!.weightKg,
      }),
      [],
      { work: 10 },
    ),
    build('box/pattern', act('box-pattern', {}), sides, { work: sides.length * WORK.place }),
    build('seal/box', act('seal-box', {}), sides, { work: 15, wait: WAIT.hotGlue }),
    pourRubber('whole', rubber, volume, whole),
    build('open/block', act('open-block', {}), whole, { work: 20 }),
  ])
}

/** The box comes apart, the rubber is flexed off the cast, never the cast pulled from the rubber. */
export const blockOff = (box: readonly BarePart[], whole: readonly BarePart[]): Undoing[] => {
  const sides = sidesOff(box).map((u, i) => (i === 0 ? { ...u, from: 'sides' as const } : u))
  return oneByOne([
    ...sides,
    undo('turn', act('turn-in-rubber', { massKg: 0 }), [], { from: 'turn', turns: 'padded board' }),
    undo('off/rubber', act('rubber-off', {}), [...box.filter((p) => p.role === 'base'), ...whole]),
  ])
}
