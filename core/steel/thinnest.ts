import { type Kernel, measureSolid, meshSolid, type SolidRecipe, sampleThickness } from '../geometry/index.ts'

/** About so many points of a surface are looked at; fewer of a mesh that is so fine that each takes long [own]. */
const SAMPLES = { usual: 600, fine: 300, fineTriangles: 20_000 }

/** Faces that lean together by more than 30 degrees are an edge, as the arm of a star is, and no wall [own]. */
const WALL = 150

export type Thinnest = { readonly mm: number; readonly where: string }

/**
 * The thinnest of any solid by the largest balls at points spread over it, mm: between two points it may be a little less.
 * Of a lump without opposed faces, as a cube, its largest ball. Null for one with no inside.
 */
export function thinnestOf(kernel: Kernel, recipe: SolidRecipe): Thinnest | null {
  const samples = kernel.withSolids((s) => {
    const solid = s.solid(recipe)
    const mesh = meshSolid(solid)
    const { area } = measureSolid(solid.body)
    const count = mesh.triangles.length / 3 > SAMPLES.fineTriangles ? SAMPLES.fine : SAMPLES.usual
    return sampleThickness(mesh, Math.sqrt(area / count))
  })
  const opposed = samples.filter((s) => s.counted && s.facingDeg > WALL)
  const looked = opposed.length > 0 ? opposed : samples
  if (looked.length === 0) return null
  return { mm: looked.reduce((least, s) => Math.min(least, s.thickness), Infinity), where: WHERE }
}

/** How a figure that comes from the solid is told: no face is named, and it is rounded to what was looked at. */
export const WHERE = 'by the largest ball inside it'
