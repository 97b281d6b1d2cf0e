import type { Loop, Point, SolidRecipe } from '../../geometry/index.ts'
import type { BoxPiece } from '../../job/index.ts'
import type { PieceNote } from '../told.ts'
import type { Block } from '../types.ts'

export type BoxPanel = Block & {
  /** As a slab of its own: length, width, thickness, and the angle of each mitred end. */
  readonly length: number
  readonly width: number
  readonly thickness: number
  readonly mitred: boolean
  /** Which it is, as it stands before the word panel: `front`; a divider is called by it alone. */
  readonly which: string
  readonly divider: boolean
}

/** What a cartridge of adhesive holds, mm3 [own]. */
const CARTRIDGE = 300_000

/** The panels of a built box in place, and the glue lines between them. */
export function boxPanels(piece: BoxPiece): { panels: BoxPanel[]; glueLines: PieceNote[] } {
  const { length: L, width: W, height: H, wall: w, floor: f } = piece
  const { corners, floor, glue: g, dividers } = piece.built!
  const low = floor === 'under' ? f + g : 0
  const rise = H - low
  const panel = (
    is: 'floor' | 'side' | 'divider',
    id: string,
    which: string,
    plan: readonly Point[],
    z0: number,
    z1: number,
    size: [number, number, number],
  ): BoxPanel => ({
    id: `panel-${id}`,
    name: is === 'divider' ? which : `${which} panel`,
    which,
    divider: is === 'divider',
    recipe: prism(`panel/${id}`, plan, z0, z1),
    length: size[0],
    width: size[1],
    thickness: size[2],
    mitred: corners === 'mitre' && is === 'side',
  })
  const rect = (x0: number, y0: number, x1: number, y1: number): Point[] => [
    [x0, y0],
    [x1, y0],
    [x1, y1],
    [x0, y1],
  ]
  const plans: Record<'front' | 'right' | 'back' | 'left', Point[]> =
    corners === 'pinwheel'
      ? {
          front: rect(0, 0, L - w - g, w),
          right: rect(L - w, 0, L, W - w - g),
          back: rect(w + g, W - w, L, W),
          left: rect(0, w + g, w, W),
        }
      : corners === 'butt'
        ? {
            front: rect(0, 0, L, w),
            back: rect(0, W - w, L, W),
            left: rect(0, w + g, w, W - w - g),
            right: rect(L - w, w + g, L, W - w - g),
          }
        : mitredPlans(L, W, w, g)
  const sides = (Object.keys(plans) as (keyof typeof plans)[]).map((id) => {
    const xs = plans[id].map((p) => p[0])
    const ys = plans[id].map((p) => p[1])
    const long =
      id === 'front' || id === 'back' ? Math.max(...xs) - Math.min(...xs) : Math.max(...ys) - Math.min(...ys)
    return panel('side', id, id, plans[id], low, H, [long, rise, w])
  })
  const under = floor === 'under'
  const floorPlan = under ? rect(0, 0, L, W) : rect(w + g, w + g, L - w - g, W - w - g)
  const [fl, fw] = under ? [L, W] : [L - 2 * (w + g), W - 2 * (w + g)]
  const base = panel('floor', 'floor', 'floor', floorPlan, 0, f, [fl, fw, f])
  const clear = L - 2 * w
  const inner = H - f - g
  const across = Array.from({ length: dividers }, (_, i) => {
    const x = w + (clear * (i + 1)) / (dividers + 1) - w / 2
    return panel(
      'divider',
      `divider-${i + 1}`,
      `divider ${i + 1}`,
      rect(x, w + g, x + w, W - w - g),
      f + g,
      H,
      [W - 2 * (w + g), inner, w],
    )
  })
  const joint = corners === 'mitre' ? w * Math.SQRT2 : w
  const floorLine = under ? 2 * (L + W - 2 * w) : 2 * (fl + fw)
  const dividerLine = dividers * (2 * inner + W - 2 * (w + g))
  const adhesive = 1.1 * g * (joint * 4 * rise + w * (floorLine + dividerLine))
  return {
    panels: [base, ...sides, ...across],
    glueLines: [
      { code: 'glue-corners', widthMm: joint, valueMm: 4 * rise },
      { code: 'glue-floor', valueMm: floorLine },
      ...(dividers > 0 ? [{ code: 'glue-dividers' as const, valueMm: dividerLine }] : []),
      ...(adhesive > 0
        ? [
            {
              code: 'panel-adhesive' as const,
              volumeLitres: adhesive / 1e6,
              cartridges: Math.ceil(adhesive / CARTRIDGE - 1e-9),
            },
          ]
        : []),
    ],
  }
}

/** Four trapezoids that meet on the diagonals; each gives up half the glue line, measured square to the mitre. */
function mitredPlans(
  L: number,
  W: number,
  w: number,
  g: number,
): Record<'front' | 'right' | 'back' | 'left', Point[]> {
  const s = g / Math.SQRT2
  return {
    front: [
      [s, 0],
      [L - s, 0],
      [L - w - s, w],
      [w + s, w],
    ],
    right: [
      [L, s],
      [L, W - s],
      [L - w, W - w - s],
      [L - w, w + s],
    ],
    back: [
      [L - s, W],
      [s, W],
      [w + s, W - w],
      [L - w - s, W - w],
    ],
    left: [
      [0, W - s],
      [0, s],
      [w, w + s],
      [w, W - w - s],
    ],
  }
}

function prism(name: string, plan: readonly Point[], low: number, high: number): SolidRecipe {
  const outline: Loop = plan.map((from, i) => ({
    name: `${name}/${i + 1}`,
    from,
    to: plan[(i + 1) % plan.length]!,
    arc: null,
  }))
  return { kind: 'prism', outline, holes: [], low, high, lowName: `${name}/under`, highName: `${name}/top` }
}
