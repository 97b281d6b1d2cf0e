import {
  type FeatherEdge,
  featherEdges,
  type Kernel,
  measureSolid,
  meshSolid,
  type SolidRecipe,
  sampleThickness,
  type ThicknessSample,
  WALL,
} from '../../geometry/index.ts'

/** Balls looked for over a surface, and triangles looked at for them: on fine rounds there are fewer [own]. */
const [SAMPLES, BUDGET] = [900, 1_200_000]
/** On the smallest face, unless there are so many faces (letters) that it would be all of them; walls followed [own]. */
const [A_FACE, MANY_FACES, FOLLOWED] = [10, 80, 24]
/** A wedge sharper than 45 degrees chips: a feather edge. A mitre at 45 is none. */
const FEATHER = 44.5

export type ThicknessMap = {
  readonly samples: readonly ThicknessSample[]
  /** Between samples, mm. */
  readonly spacing: number
  readonly feathers: readonly FeatherEdge[]
  /** By face: its box and its area, mm2. */
  readonly faces: ReadonlyMap<string, FaceBox>
}

export type FaceBox = { readonly min: Point3; readonly max: Point3; readonly area: number }
type Point3 = readonly [number, number, number]

/** How thick a solid is all over, by the largest balls inside it. */
export function mapThickness(
  kernel: Kernel,
  recipe: SolidRecipe,
  onProgress?: (share: number) => void,
): ThicknessMap {
  return kernel.withSolids((s) => {
    const solid = s.solid(recipe)
    const mesh = meshSolid(solid)
    const { area } = measureSolid(solid.body)
    const spacing = Math.sqrt(area / SAMPLES)
    const samples = sampleThickness(mesh, {
      spacing,
      budget: BUDGET,
      leastAFace: mesh.faceNames.length > MANY_FACES ? 1 : A_FACE,
      followed: FOLLOWED,
      ...(onProgress && { onProgress }),
    })
    // Where the budget held for fewer they lie further apart.
    const spread = samples.filter((s) => s.area > 0).length
    return {
      samples,
      spacing: Math.max(spacing, Math.sqrt(area / Math.max(1, spread))),
      feathers: featherEdges(mesh, FEATHER),
      faces: boxFaces(mesh),
    }
  })
}

function boxFaces({ positions: p, triangles, faceOfTriangle, faceNames }: ReturnType<typeof meshSolid>) {
  const boxes = faceNames.map(() => ({
    min: [Infinity, Infinity, Infinity],
    max: [-Infinity, -Infinity, -Infinity],
    area: 0,
  }))
  for (let t = 0; t < faceOfTriangle.length; t += 1) {
    const box = boxes[faceOfTriangle[t]!]!
    const at = (k: number, j: number) => p[triangles[3 * t + k]! * 3 + j]!
    for (let k = 0; k < 3; k += 1)
      for (let j = 0; j < 3; j += 1) {
        box.min[j] = Math.min(box.min[j]!, at(k, j))
        box.max[j] = Math.max(box.max[j]!, at(k, j))
      }
    const side = (k: number) => [0, 1, 2].map((j) => at(k, j) - at(0, j)) as [number, number, number]
    const [[ux, uy, uz], [vx, vy, vz]] = [side(1), side(2)]
    box.area += Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx) / 2
  }
  return new Map(faceNames.map((name, i) => [name, boxes[i] as unknown as FaceBox]))
}

/** Samples that tell how thick a wall is: those whose two faces lie opposite; of a lump without any, all. */
export function wallSamples({ samples }: ThicknessMap): readonly ThicknessSample[] {
  const opposed = samples.filter((s) => s.counted && s.facingDeg > WALL)
  return opposed.length > 0 ? opposed : samples
}
