import type { BarePart } from '../bareParts.ts'
import { step, WORK } from '../buildingOrder.ts'
import type { BuiltMould } from '../method.ts'
import type { BuildStep } from '../types.ts'

/** A card tube from bare stock to ready to pour. */
export function tubeOrder(built: Omit<BuiltMould, 'order'>): BuildStep[] {
  const of = (role: BarePart['role']) => built.parts.filter((p) => p.role === role)
  const [tube, core, cleats, base] = [of('tube'), of('core'), of('cleat'), of('base')]
  return [
    step(
      'cut',
      'Cut the tube to height, square, with a sheet of paper wrapped round it for a line; cut base and cleats.',
      tube,
      20,
    ),
    step(
      'tape',
      'Wax the inside twice or line it with film, its seam lapped; tape the outside of the foot against damp.',
      tube,
      20,
      15,
    ),
    step('mark', 'Draw the tube’s outside on the base, and its middle.', base, 6),
    ...(core.length > 0
      ? [
          step(
            'fix',
            'Slit the core lengthways, tape it closed, wax it, and fix it upright on the middle by a disc that fits inside; hold its top by a bridge.',
            core,
            25,
          ),
        ]
      : []),
    step(
      'fix',
      'Stand the tube on its line and screw the cleats to the base round it.',
      [...tube, ...cleats],
      4 * WORK.place,
    ),
    step(
      'seal',
      'Run a bead round its foot outside, and inside where a rounded edge is wanted.',
      tube,
      10,
      180,
    ),
    ...(built.straps.count > 0
      ? [
          step(
            'brace',
            `Strap it: ${built.straps.count} turns of filament tape from the foot up, spaced as listed.`,
            tube,
            built.straps.count * 3,
          ),
        ]
      : []),
    step(
      'check',
      'Plumb it on two sides and stay its top before it is filled: it is top-heavy as it fills.',
      tube,
      10,
    ),
  ]
}
