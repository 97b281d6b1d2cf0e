import { type Kernel, measureRegion } from '../geometry/index.ts'
import { levelSections, regionLoops } from './castBody.ts'
import { type MouldPart, type PartOutline, type PartRole, planOf } from './types.ts'

/** Parts glued up from boards that may be cut to other than an upright plan. */
const SHAPED: readonly PartRole[] = ['knockout', 'former']
/** A section is taken so far within a part's ends, mm; areas closer than this share are one line. */
const [WITHIN, SAME] = [0.02, 0.002]

/**
 * Lines of parts that are cut from boards and stand on no upright plan, as drafted and split knockouts and formers are:
 * at their lower and upper end, once where both are one.
 */
export function cutOutlines(kernel: Kernel, parts: readonly MouldPart[]): PartOutline[] {
  return parts
    .filter((p) => SHAPED.includes(p.role) && p.layers.length > 0 && planOf(p) === null)
    .flatMap((part): PartOutline[] => {
      const { min, max } = kernel.withSolids((s) => s.solid(part.recipe).body.boundingBox())
      const sections = levelSections(kernel, part.recipe, [min[2] + WITHIN, max[2] - WITHIN])
      const [low, high] = sections.map((region) => regionLoops(region, part.name))
      if (!low || !high || low.length + high.length === 0) return []
      const name = `${part.label} ${part.name}`
      const [a, b] = sections.map(measureRegion)
      return Math.abs(a! - b!) <= SAME * Math.max(a!, b!)
        ? [{ name, loops: low }]
        : [
            { name: `${name}, below`, loops: low },
            { name: `${name}, above`, loops: high },
          ]
    })
}
