import { type Kernel, measureRegion, type Region } from '../../geometry/index.ts'
import { type CastBody, levelSections, regionBox, regionPerimeter } from '../castBody.ts'
import type { RouterStep } from '../types.ts'

/** Passes told at most. */
const MOST = 400

/**
 * The steps that cut a sloped or rounded hollow with a straight bit: each pass as wide as the section at its own depth,
 * so that nothing is taken off that must stay; the ridges between are sanded. A step of s with an inset of d leaves a
 * ridge of s d / sqrt(s^2 + d^2) square to the slope.
 */
export function routerSteps(
  kernel: Kernel,
  body: CastBody,
  pass: number,
): { readonly steps: readonly RouterStep[]; readonly outlines: readonly Region[]; readonly ridgeMm: number } {
  const count = Math.min(MOST, Math.max(1, Math.ceil(body.height / pass - 1e-9)))
  const depth = body.height / count
  // Hair above the floor of the pass, where a level floor still has its full section.
  const heights = Array.from(
    { length: count },
    (_, i) => body.height - (i + 1) * depth + Math.min(0.01, depth / 10),
  )
  const outlines = levelSections(kernel, body.recipe, heights)
  let [before, ridge] = [measureRegion(outlines[0] ?? []), 0]
  const steps = outlines.map((region, i): RouterStep => {
    const { min, max } = regionBox(region)
    const areaMm2 = measureRegion(region)
    const around = regionPerimeter(region)
    const inMm = around > 0 ? Math.max(0, (before - areaMm2) / around) : 0
    before = areaMm2
    // A floor that ends the hollow is level, not a ridge.
    if (inMm > 0 && areaMm2 > 0 && inMm < 4 * depth)
      ridge = Math.max(ridge, (depth * inMm) / Math.hypot(depth, inMm))
    return {
      pass: i + 1,
      depthMm: (i + 1) * depth,
      lengthMm: max[0] - min[0],
      widthMm: max[1] - min[1],
      areaMm2,
      inMm,
    }
  })
  return { steps, outlines, ridgeMm: ridge }
}
