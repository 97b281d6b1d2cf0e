import { BufferAttribute, BufferGeometry, DoubleSide, Ray, Vector3 } from 'three'
import { MeshBVH } from 'three-mesh-bvh'
import type { Vector } from '../recipe.ts'
import { type Surface, smoothNormals } from './surface.ts'

/** The largest ball inside a solid that touches its surface at a point. */
export type Ball = {
  readonly at: Vector
  /** Out of the solid. */
  readonly normal: Vector
  readonly diameter: number
  /** The triangle it touches on its other side. */
  readonly contact: number
  /** Between its two contacts, seen from its middle: 180 across a wall, 180 less the angle of a wedge. */
  readonly facingDeg: number
  /** Straight through: how far, mm, to which triangle, and how that faces it. */
  readonly through: { readonly distance: number; readonly contact: number; readonly facingDeg: number }
}

export type BallFinder = {
  readonly find: (triangle: number, u: number, v: number) => Ball | null
  /** Triangles looked at so far: what the work is counted in. */
  readonly looked: () => number
}

/** A ball ends where no surface is nearer to its middle than its radius, by this share; steps at most. */
const [CLOSE, STEPS] = [4e-3, 60]
/** Surfaces that turn from each other by less than this are one round, not two sides, as a cosine: 50 degrees. */
const ROUND = Math.cos((50 * Math.PI) / 180)
/** A ball smaller than this lies on an edge and tells nothing, mm. */
const NONE = 0.01
/** A ray starts so far inside, mm. */
const SKIN = 1e-3

/**
 * Finds such balls: as wide as a ray to the far side allows, then shrunk to the nearest other surface until none is
 * nearer (Ma, Bae and Choi, 3D medial axis point approximation, 2012). The next chords of its own round are no other
 * surface. Null at a point on an edge, or with nothing behind it.
 */
export function ballInside(surface: Surface): BallFinder {
  const { mesh, normals, pointAt } = surface
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(mesh.positions, 3))
  geometry.setIndex(new BufferAttribute(Uint32Array.from(mesh.triangles), 1))
  const tree = new MeshBVH(geometry, { indirect: true })
  const [centre, point, found] = [new Vector3(), new Vector3(), new Vector3()]
  const ray = new Ray()
  const smooth = smoothNormals(surface)
  let looked = 0
  const find = (t: number, u: number, v: number): Ball | null => {
    const at = pointAt(t, u, v)
    const [nx, ny, nz] = smooth(t, u, v)
    const turn = (k: number) => nx * normals[3 * k]! + ny * normals[3 * k + 1]! + nz * normals[3 * k + 2]!
    ray.origin.set(at[0] - nx * SKIN, at[1] - ny * SKIN, at[2] - nz * SKIN)
    ray.direction.set(-nx, -ny, -nz)
    const far = tree.raycastFirst(ray, DoubleSide)
    if (!far || far.faceIndex == null) return null
    const facing = (k: number) => (Math.acos(Math.max(-1, Math.min(1, turn(k)))) * 180) / Math.PI
    const through = {
      distance: far.distance + SKIN,
      contact: far.faceIndex,
      facingDeg: facing(far.faceIndex),
    }
    const touch = new Vector3(at[0] - nx * far.distance, at[1] - ny * far.distance, at[2] - nz * far.distance)
    let [radius, contact] = [(far.distance + SKIN) / 2, far.faceIndex]
    for (let step = 0; step < STEPS; step += 1) {
      centre.set(at[0] - nx * radius, at[1] - ny * radius, at[2] - nz * radius)
      let [best, index] = [radius * (1 - CLOSE), -1]
      tree.shapecast({
        boundsTraverseOrder: (box) => box.distanceToPoint(centre),
        intersectsBounds: (_box, _leaf, away) => (away ?? 0) < best,
        intersectsTriangle: (triangle, k) => {
          looked += 1
          if (turn(k) > ROUND) return false
          triangle.closestPointToPoint(centre, point)
          const away = point.distanceTo(centre)
          if (away < best) {
            best = away
            index = k
            found.copy(point)
          }
          return false
        },
      })
      if (index < 0) break
      const [dx, dy, dz] = [at[0] - found.x, at[1] - found.y, at[2] - found.z]
      const along = nx * dx + ny * dy + nz * dz
      if (along <= 1e-9) break
      radius = (dx * dx + dy * dy + dz * dz) / (2 * along)
      contact = index
      touch.copy(found)
    }
    if (radius < NONE) return null
    // Towards the touch from the middle: of a face its normal, of an edge what lies between those of its faces.
    touch.sub(centre.set(at[0] - nx * radius, at[1] - ny * radius, at[2] - nz * radius)).normalize()
    const apart = nx * touch.x + ny * touch.y + nz * touch.z
    return {
      at,
      normal: [nx, ny, nz],
      diameter: 2 * radius,
      contact,
      facingDeg: (Math.acos(Math.max(-1, Math.min(1, apart))) * 180) / Math.PI,
      through,
    }
  }
  return { find, looked: () => looked }
}
