import type { Loop } from '../geometry/index.ts'
import { type MouldPart, planOf } from './types.ts'

/** Whether a part is cut to a line that no rip and crosscut make: a base cut to the plan, a rib, a block, a knockout. */
function isDrawn(part: MouldPart): boolean {
  const { role, lengthMm, widthMm } = part
  const outline = planOf(part)
  if (!outline || role === 'strip' || role === 'skin' || role === 'wrap') return false
  return outline.some((s) => s.arc) || outline.length !== 4 || (role === 'base' && lengthMm * widthMm <= 0)
}

/** Outlines of the parts that are cut to a curve or a plan, equal ones once, by label and name. */
export function partOutlines(parts: readonly MouldPart[]): { name: string; loops: Loop[] }[] {
  const seen = new Set<string>()
  return parts.filter(isDrawn).flatMap((part) => {
    const outline = planOf(part)
    if (!outline) return []
    // Ribs of one sort are cut to one line.
    const name = part.role === 'rib' ? (part.together ?? part.name) : part.name
    const key = part.role === 'rib' ? name : part.id
    if (seen.has(key)) return []
    seen.add(key)
    return [
      {
        name: `${part.label} ${name}`.trim(),
        loops: [outline, ...(part.recipe.kind === 'prism' ? part.recipe.holes : [])],
      },
    ]
  })
}
