import type { Sealant } from '../stock/index.ts'
import type { BuiltMould } from './method.ts'
import type { HardwareRow, MouldFigures } from './types.ts'

/** Lengths screws come in, mm. */
const LENGTHS = [16, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 120, 140, 160, 180, 200]
/** The shank that goes into the edge of a board without splitting it, mm [own]. */
const SCREW_MM = 4
/** Spares of what is dropped or stripped; wood glue and foam adhesive spread, kg a m2 [own]. */
const SPARE = 1.1
const GLUE_KG_PER_M2 = 0.18
/** A screw from below stops this far short of the face it must not come through, and bites this far at least, mm. */
const SHORT_OF = 4
const BITE = 25

/** The longest screw that is no longer than this; the shortest made where none is. */
export const screwLength = (most: number): number =>
  LENGTHS.filter((l) => l <= most + 1e-9).at(-1) ?? LENGTHS[0]!

type Told = {
  readonly built: BuiltMould
  readonly holdDown: MouldFigures['holdDown']
  readonly baseThickness: number
  readonly sealant: Sealant | undefined
  readonly cartridges: number
  readonly glueAreaM2: number
}

/** What is bought by the piece to put a mould together: screws by length, sealant, tape, glue, and the method's own. */
export function hardwareRows({
  built,
  holdDown,
  baseThickness,
  sealant,
  cartridges,
  glueAreaM2,
}: Told): HardwareRow[] {
  const screws = new Map<number, number>()
  const add = (length: number, count: number) => screws.set(length, (screws.get(length) ?? 0) + count)
  for (const row of built.screws) add(screwLength(row.lengthMm), row.count)
  for (const { partId, screws: count, by } of holdDown) {
    const part = built.parts.find((p) => p.id === partId)
    if (!part || count === 0 || by !== 'screws') continue
    const most = baseThickness + Math.max(0, part.thicknessMm - SHORT_OF)
    add(screwLength(Math.min(baseThickness + BITE, most)), count)
  }
  return [
    ...[...screws.entries()]
      .sort(([a], [b]) => a - b)
      .map(
        ([length, count]): HardwareRow => ({
          code: 'screws',
          facts: { diameterMm: SCREW_MM, lengthMm: length, count },
          amount: Math.ceil(count * SPARE),
          unit: 'piece',
        }),
      ),
    ...(sealant && cartridges > 0
      ? [
          {
            code: 'sealant' as const,
            facts: { row: sealant.name },
            amount: cartridges,
            unit: 'cartridge' as const,
          },
        ]
      : []),
    ...(built.tapeLengthMm > 0
      ? [{ code: 'packing-tape' as const, facts: {}, amount: built.tapeLengthMm / 1000, unit: 'm' as const }]
      : []),
    ...(glueAreaM2 > 0
      ? [
          {
            code: 'wood-glue' as const,
            facts: {},
            amount: glueAreaM2 * GLUE_KG_PER_M2,
            unit: 'kg' as const,
          },
        ]
      : []),
    ...holdDown
      .filter((h) => h.by === 'glue' && h.holdForceN > 0)
      .map(
        (h): HardwareRow => ({
          code: 'glue-under',
          facts: { part: h.name },
          amount: Math.ceil(h.glueMm2 / 100),
          unit: 'cm2',
        }),
      ),
    ...(built.straps.count > 0
      ? [{ code: 'filament-tape' as const, facts: {}, amount: built.straps.count, unit: 'turn' as const }]
      : []),
    ...(built.fixings ?? []),
  ]
}
