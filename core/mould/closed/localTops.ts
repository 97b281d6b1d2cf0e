import { type Kernel, sectionOf, type Vector } from '../../geometry/index.ts'
import { type CastBody, levelSections } from '../castBody.ts'

const STEPS = 48

/**
 * The places where air would be caught in a closed mould: going down the cast level by level, every part of a section
 * that nothing above it touches begins a top of its own. The highest first.
 */
export function localTops(kernel: Kernel, body: CastBody): Vector[] {
  const skin = Math.min(0.5, body.height / (4 * STEPS))
  const heights = Array.from(
    { length: STEPS },
    (_, i) => body.height - skin - (i * (body.height - skin)) / STEPS,
  )
  const regions = levelSections(kernel, body.recipe, heights)
  return kernel.withSolids((scope) => {
    const tops: Vector[] = []
    let above: ReturnType<typeof sectionOf> | null = null
    regions.forEach((region, i) => {
      if (region.length === 0) return
      const section = sectionOf(scope, region)
      for (const piece of section.decompose().map((p) => scope.keep(p))) {
        if (piece.area() < 1e-3) continue
        if (above && scope.keep(piece.intersect(above)).area() > 1e-6) continue
        const { min, max } = piece.bounds()
        tops.push([(min[0] + max[0]) / 2, (min[1] + max[1]) / 2, heights[i]!])
      }
      above = section
    })
    return tops
  })
}
