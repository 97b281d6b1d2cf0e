import type { Solid } from './kernel.ts'

/** A mesh to draw: single-precision vertices, triangles, and for each triangle the index of its face's name. */
export type NamedMesh = {
  readonly positions: Float32Array
  readonly triangles: Uint32Array
  readonly faceOfTriangle: Uint16Array
  readonly faceNames: readonly string[]
}

/** The mesh of a solid with the face names it was built with. */
export function meshSolid({ body, names }: Solid): NamedMesh {
  const mesh = body.getMesh()
  const { vertProperties, triVerts, numProp, runIndex, runOriginalID, faceID } = mesh
  const count = vertProperties.length / numProp
  const positions = new Float32Array(count * 3)
  for (let i = 0; i < count; i += 1)
    positions.set(vertProperties.subarray(i * numProp, i * numProp + 3), i * 3)
  const faceNames: string[] = []
  const indexOf = new Map<string, number>()
  const faceOfTriangle = new Uint16Array(triVerts.length / 3)
  for (let run = 0; run < runOriginalID.length; run += 1) {
    const label = names.get(runOriginalID[run]!) ?? names.get(-1)
    for (let t = runIndex[run]! / 3; t < runIndex[run + 1]! / 3; t += 1) {
      const name = (typeof label === 'string' ? label : label?.[faceID[t]!]) ?? 'face'
      let index = indexOf.get(name)
      if (index === undefined) {
        index = faceNames.push(name) - 1
        indexOf.set(name, index)
      }
      faceOfTriangle[t] = index
    }
  }
  return { positions, triangles: Uint32Array.from(triVerts), faceOfTriangle, faceNames }
}
