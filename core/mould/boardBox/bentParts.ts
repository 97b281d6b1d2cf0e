import { reverseLoop, type SolidRecipe } from '../../geometry/index.ts'
import { pressureAt } from '../../mechanics/index.ts'
import { type BarePart, oneLayer, prism } from '../bareParts.ts'
import { type BentSide, ribBlank, ribHeights, ribSpacing } from './bentSides.ts'
import type { BoxPlan } from './boxPlan.ts'
import type { BoxStock } from './boxStock.ts'

/** Skins bent along the curved sides, and the ribs they are tacked to. */
export function bentParts(
  plan: BoxPlan,
  low: number,
  high: number,
  stock: BoxStock,
  overlap: number,
  sideBoard: BoxStock['sideBoard'],
): BarePart[] {
  const { skin } = stock
  if (!skin || plan.bent.length === 0) return []
  const spacing = ribSpacing(skin.elasticity, skin.thickness, pressureAt(high, stock.freshKgPerM3))
  const layer = [{ boardId: skin.id, name: skin.name, thicknessMm: skin.thickness }]
  const skinPart = (
    { id, words, arc, developed, pull }: BentSide,
    lengthMm: number,
    recipe: SolidRecipe,
  ): BarePart => ({
    id: `skin/${id}`,
    role: 'skin',
    source: plan.ring ? { of: 'outline' } : { of: 'side', side: id },
    name: `${words} skin`,
    boardId: skin.id,
    lengthMm: lengthMm || developed,
    widthMm: high - low,
    thicknessMm: skin.thickness,
    layers: layer,
    laminate: null,
    pull,
    leaves: 0,
    bevels: null,
    bend: { radiusMm: arc.radius, angleDeg: (Math.abs(arc.sweepRad) * 180) / Math.PI },
    recipe,
  })
  const ring = plan.ring ? plan.bent : null
  const skins = ring
    ? [
        skinPart(
          { ...ring[0]!, id: 'ring', words: 'ring' },
          ring.reduce((sum, b) => sum + b.developed, 0) + overlap,
          prism(
            ring.map((b) => b.skin[2]!),
            low,
            high,
            'skin/ring',
            [ring.map((b) => reverseLoop([b.skin[0]!])[0]!)],
          ),
        ),
      ]
    : plan.bent.map((b) => skinPart(b, b.developed, prism(b.skin, low, high, `skin/${b.id}`)))
  const ribs = plan.bent.flatMap((b) => {
    const side = sideBoard(b.id)
    return ribHeights(low, high, side.thickness, spacing).map((z, k): BarePart => {
      const [lengthMm, widthMm] = ribBlank(b)
      return {
        id: `rib/${b.id}/${k + 1}`,
        role: 'rib',
        source: { of: 'side', side: b.id },
        together: `${b.words} ribs`,
        name: `${b.words} rib ${k + 1}`,
        boardId: side.id,
        lengthMm,
        widthMm,
        thicknessMm: side.thickness,
        layers: oneLayer(side),
        laminate: null,
        pull: b.pull,
        leaves: 0,
        bevels: null,
        bend: { radiusMm: b.ribRadius, angleDeg: (Math.abs(b.arc.sweepRad) * 180) / Math.PI },
        recipe: prism(b.rib, z, Math.min(high, z + side.thickness), `rib/${b.id}/${k + 1}`),
      }
    })
  })
  return [...skins, ...ribs]
}
