import { emptyMesh, faceIndex, meshToSolid } from './facedMesh.ts'
import type { Solid, SolidScope } from './kernel.ts'
import type { Point } from './outline.ts'
import type { SolidRecipe } from './recipe.ts'

export type Under = Extract<SolidRecipe, { kind: 'under' }>

/** The places of a surface of rings: `i` round, anticlockwise from the right, `k` outward; the last ring goes on level. */
export function placeOnRing({ middle, radii }: Pick<Under, 'middle' | 'radii'>, i: number, k: number): Point {
  const a = (2 * Math.PI * i) / radii.length
  const r = (radii[i]! * (k + 1)) / RINGS
  return [middle[0] + r * Math.cos(a), middle[1] + r * Math.sin(a)]
}
/** Rings from the middle of such a surface to its edge, evenly along each radius. */
export const RINGS = 20

/** All that lies under a surface of rings, down to a level, as far round as it reaches. */
export function underSurface(scope: SolidScope, recipe: Under): Solid {
  const { middle, radii, heights, atMiddle, reach, low, name } = recipe
  const mesh = emptyMesh()
  const n = radii.length
  const face = faceIndex(mesh, name)
  const add = (x: number, y: number, z: number): number => mesh.vertices.push(x, y, z) / 3 - 1
  const centre = add(middle[0], middle[1], atMiddle)
  const rings = Array.from({ length: RINGS }, (_, k) =>
    Array.from({ length: n }, (__, i) => {
      const [x, y] = placeOnRing(recipe, i, k)
      return add(x, y, heights[k]![i]!)
    }),
  )
  const far = (i: number): Point => {
    const a = (2 * Math.PI * i) / n
    return [middle[0] + reach * Math.cos(a), middle[1] + reach * Math.sin(a)]
  }
  const rim = Array.from({ length: n }, (_, i) => add(...far(i), heights[RINGS - 1]![i]!))
  const foot = Array.from({ length: n }, (_, i) => add(...far(i), low))
  const under = add(middle[0], middle[1], low)
  const tri = (a: number, b: number, c: number): void => {
    mesh.triangles.push(a, b, c)
    mesh.faces.push(face)
  }
  for (let i = 0; i < n; i += 1) {
    const j = (i + 1) % n
    tri(centre, rings[0]![i]!, rings[0]![j]!)
    const outward = [...rings, rim]
    for (let k = 0; k + 1 < outward.length; k += 1) {
      const [a, b] = [outward[k]!, outward[k + 1]!]
      tri(a[i]!, b[i]!, b[j]!)
      tri(a[i]!, b[j]!, a[j]!)
    }
    tri(rim[i]!, foot[i]!, foot[j]!)
    tri(rim[i]!, foot[j]!, rim[j]!)
    tri(under, foot[j]!, foot[i]!)
  }
  return meshToSolid(scope, mesh)
}

/** How high such a surface stands at a place. */
export function heightAt({ middle, radii, heights, atMiddle }: Under, [x, y]: Point): number {
  const n = radii.length
  const [dx, dy] = [x - middle[0], y - middle[1]]
  const turn = ((Math.atan2(dy, dx) / (2 * Math.PI)) * n + n) % n
  const i = Math.floor(turn) % n
  const [j, t] = [(i + 1) % n, turn - Math.floor(turn)]
  const edge = radii[i]! * (1 - t) + radii[j]! * t
  const out = Math.min(RINGS, edge > 0 ? (Math.hypot(dx, dy) / edge) * RINGS : RINGS)
  const at = (k: number): number =>
    k === 0 ? atMiddle : heights[k - 1]![i]! * (1 - t) + heights[k - 1]![j]! * t
  const k = Math.min(RINGS - 1, Math.floor(out))
  return at(k) + (at(k + 1) - at(k)) * (out - k)
}
