/** The triangles round each vertex of a mesh whose coinciding vertices are made one by `vertexOf`. */
export function trianglesRound(
  triangles: Uint32Array,
  vertexOf: Uint32Array,
): (vertex: number) => Uint32Array {
  const start = new Uint32Array(vertexOf.length + 1)
  for (const i of triangles) start[vertexOf[i]! + 1]! += 1
  for (let v = 1; v < start.length; v += 1) start[v]! += start[v - 1]!
  const next = start.slice(0, -1)
  const touching = new Uint32Array(triangles.length)
  for (let e = 0; e < triangles.length; e += 1) {
    const v = vertexOf[triangles[e]!]!
    touching[next[v]!] = Math.floor(e / 3)
    next[v]! += 1
  }
  return (v) => touching.subarray(start[v]!, start[v + 1]!)
}
