import { loopChords } from './chords.ts'
import { closeCap, emptyMesh, faceIndex, meshToSolid } from './facedMesh.ts'
import type { Solid, SolidScope } from './kernel.ts'
import { type Point, reverseLoop } from './outline.ts'
import type { SolidRecipe } from './recipe.ts'

type Prism = Extract<SolidRecipe, { kind: 'prism' }>

/**
 * A straight prism of an outline with holes, with one face id for each named side. A plain extrusion would lose the
 * names; a mesh built with its own face ids keeps them through booleans. Loops must not cross: that is checked before.
 */
export function extrudeTagged(
  scope: SolidScope,
  { outline, holes, low, high, lowName, highName, lowPlane }: Prism,
): Solid {
  const mesh = emptyMesh()
  const loops = [outline, ...holes.map(reverseLoop)].map((l) => loopChords(l, scope.coarser))
  const under = ([x, y]: Point): number =>
    lowPlane ? lowPlane.at + lowPlane.slopeX * x + lowPlane.slopeY * y : low
  const total = loops.reduce((sum, l) => sum + l.points.length, 0)
  for (const { points } of loops) for (const p of points) mesh.vertices.push(p[0], p[1], under(p))
  for (const { points } of loops) for (const [x, y] of points) mesh.vertices.push(x, y, high)
  let first = 0
  const [bottom, top] = [[], []] as { points: readonly Point[]; first: number }[][]
  for (const { points, names } of loops) {
    bottom!.push({ points, first })
    top!.push({ points, first: total + first })
    points.forEach((_, i) => {
      const [a, b] = [first + i, first + ((i + 1) % points.length)]
      const face = faceIndex(mesh, names[i]!)
      mesh.triangles.push(a, b, total + b, a, total + b, total + a)
      mesh.faces.push(face, face)
    })
    first += points.length
  }
  closeCap(scope, mesh, bottom!, lowName, true)
  closeCap(scope, mesh, top!, highName, false)
  return meshToSolid(scope, mesh)
}
