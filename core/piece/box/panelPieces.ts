import { type BoxPiece, newSlab, plainSide, type SlabPiece } from '../../job/index.ts'
import type { Stock } from '../../stock/index.ts'
import { type BoxPanel, boxPanels } from './panels.ts'

/** Panels of a built-up box that are cast alike. */
export type PanelGroup = {
  readonly panels: readonly BoxPanel[]
  /** `front and back panels`. */
  readonly name: string
}

/** Panels of one size and one kind of ends, in the order of the box: one mould makes them all. */
export function panelGroups(piece: BoxPiece): PanelGroup[] {
  const groups = new Map<string, BoxPanel[]>()
  for (const panel of boxPanels(piece).panels) {
    const sizes = [panel.length, panel.width, panel.thickness].map((mm) => mm.toFixed(3))
    const key = `${sizes.join('x')}${panel.mitred}`
    groups.set(key, [...(groups.get(key) ?? []), panel])
  }
  return [...groups.values()].map((panels) => ({ panels, name: nameOf(panels) }))
}

/** `front panel`, `front and back panels`, `dividers 1 to 3`. */
function nameOf(panels: readonly BoxPanel[]): string {
  if (panels.length === 1) return panels[0]!.name
  const which = panels.map((p) => p.which)
  return `${which.slice(0, -1).join(', ')} and ${which.at(-1)}${panels.every((p) => p.divider) ? '' : ' panels'}`
}

/**
 * The panels of a built-up box as slabs to be cast flat, outside down: equal ones are one piece of several, cast one
 * after another in one mould. A mitre of 45 degrees leans an end in by the thickness towards the inside.
 * Their volumes together are the box's.
 */
export function panelPieces(piece: BoxPiece, stock: Stock): SlabPiece[] {
  return panelGroups(piece).map(({ panels, name }): SlabPiece => {
    const [first] = panels as [BoxPanel]
    const end = () => plainSide(first.mitred ? { taper: first.thickness } : {})
    const slab = newSlab(
      {
        id: `${piece.id}-${first.id}`,
        name: `${piece.name}: ${name}`,
        length: first.length,
        width: first.width,
        thickness: first.thickness,
        start: piece.pour.start,
        zone: piece.pour.zone,
      },
      stock,
    )
    return {
      ...slab,
      exposure: piece.exposure,
      quantity: panels.length * piece.quantity,
      mouldCount: 1,
      plannedCasts: Math.max(slab.plannedCasts, panels.length * piece.quantity),
      steel: piece.steel,
      mix: piece.mix,
      pour: piece.pour,
      finish: piece.finish,
      sides: { front: plainSide(), back: plainSide(), left: end(), right: end() },
    }
  })
}
