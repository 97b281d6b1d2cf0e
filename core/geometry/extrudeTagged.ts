import { loopChords } from './chords.ts'
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
  { outline, holes, low, high, lowName, highName }: Prism,
): Solid {
  const { Mesh, Manifold, triangulate } = scope.kernel
  const loops = [outline, ...holes.map(reverseLoop)].map(loopChords)
  const names: string[] = [lowName, highName]
  const faceOf = new Map(names.map((name, i) => [name, i]))
  const face = (name: string): number => {
    const known = faceOf.get(name)
    if (known !== undefined) return known
    names.push(name)
    faceOf.set(name, names.length - 1)
    return names.length - 1
  }

  const points: Point[] = loops.flatMap((l) => l.points)
  const count = points.length
  const vertices = new Float32Array(count * 6)
  points.forEach(([x, y], i) => {
    vertices.set([x, y, low], i * 3)
    vertices.set([x, y, high], (count + i) * 3)
  })
  const triangles: number[] = []
  const faces: number[] = []
  const caps = triangulate(loops.map((l) => l.points.map(([x, y]) => [x, y] as [number, number])))
  for (const [a, b, c] of caps) {
    triangles.push(a, c, b, count + a, count + b, count + c)
    faces.push(0, 1)
  }
  let first = 0
  for (const loop of loops) {
    const n = loop.points.length
    for (let i = 0; i < n; i += 1) {
      const a = first + i
      const b = first + ((i + 1) % n)
      triangles.push(a, b, count + b, a, count + b, count + a)
      const id = face(loop.names[i]!)
      faces.push(id, id)
    }
    first += n
  }
  const id = Manifold.reserveIDs(1)
  const mesh = new Mesh({
    numProp: 3,
    vertProperties: vertices,
    triVerts: Uint32Array.from(triangles),
    runIndex: Uint32Array.from([0, triangles.length]),
    runOriginalID: Uint32Array.from([id]),
    faceID: Uint32Array.from(faces),
  })
  const body = scope.keep(new Manifold(mesh))
  return { body, names: new Map([[id, names]]) }
}
