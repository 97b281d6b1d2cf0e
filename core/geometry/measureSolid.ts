import type { Manifold } from 'manifold-3d'

/** What a body measures: mm3, mm2, mm. A body with no volume has no centroid. */
export type SolidMeasure = {
  readonly volume: number
  readonly area: number
  readonly centroid: readonly [number, number, number] | null
  readonly min: readonly [number, number, number]
  readonly max: readonly [number, number, number]
}

/**
 * Volume, area, centroid and box. The centroid is the boundary integral over triangles: each spans a tetrahedron
 * with the box's middle, of signed volume a . (b x c) / 6 and centroid (a + b + c)/4.
 */
export function measureSolid(body: Manifold): SolidMeasure {
  const { min, max } = body.boundingBox()
  const mesh = body.getMesh()
  const { vertProperties: v, triVerts: t, numProp: stride } = mesh
  const [ox, oy, oz] = [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2, (min[2] + max[2]) / 2]
  let six = 0
  let [mx, my, mz] = [0, 0, 0]
  for (let i = 0; i < t.length; i += 3) {
    const [a, b, c] = [t[i]! * stride, t[i + 1]! * stride, t[i + 2]! * stride]
    const [ax, ay, az] = [v[a]! - ox, v[a + 1]! - oy, v[a + 2]! - oz]
    const [bx, by, bz] = [v[b]! - ox, v[b + 1]! - oy, v[b + 2]! - oz]
    const [cx, cy, cz] = [v[c]! - ox, v[c + 1]! - oy, v[c + 2]! - oz]
    const d = ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx)
    six += d
    mx += d * (ax + bx + cx)
    my += d * (ay + by + cy)
    mz += d * (az + bz + cz)
  }
  const centroid =
    six === 0 ? null : ([ox + mx / (4 * six), oy + my / (4 * six), oz + mz / (4 * six)] as const)
  return { volume: body.volume(), area: body.surfaceArea(), centroid, min: [...min], max: [...max] }
}
