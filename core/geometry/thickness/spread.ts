import type { Surface } from './surface.ts'

/** A point of a triangle, and the area it stands for, mm2. */
export type Spot = readonly [triangle: number, u: number, v: number, area: number]

/** Steps of the R2 sequence (Roberts, 2018): each next point falls into the largest gap of those before. */
const [STEP_U, STEP_V] = [0.7548776662466927, 0.5698402909980532]

/**
 * Points inside the triangles about `spacing` mm apart, evenly by area, the same at every run; a face that is small
 * gets `leastAFace` of them all the same, so that none is passed over.
 */
export function* spread(
  { mesh, count, areas }: Surface,
  spacing: number,
  leastAFace: number,
): Generator<Spot> {
  const { faceOfTriangle, faceNames } = mesh
  const [faceArea, largest] = [new Float64Array(faceNames.length), new Int32Array(faceNames.length).fill(-1)]
  for (let t = 0; t < count; t += 1) {
    const f = faceOfTriangle[t]!
    faceArea[f]! += areas[t]!
    if (largest[f]! < 0 || areas[t]! > areas[largest[f]!]!) largest[f] = t
  }
  const cell = Float64Array.from(faceArea, (area) =>
    Math.min(spacing ** 2, area / leastAFace || spacing ** 2),
  )
  const owed = new Float64Array(faceNames.length)
  const given = new Uint8Array(faceNames.length)
  let placed = 0
  for (let t = 0; t < count; t += 1) {
    const f = faceOfTriangle[t]!
    owed[f]! += areas[t]! / cell[f]!
    const n = Math.floor(owed[f]!)
    if (n === 0) continue
    const each = (owed[f]! * cell[f]!) / n
    owed[f] = 0
    given[f] = 1
    for (let i = 0; i < n; i += 1, placed += 1) {
      const [u, v] = [(0.5 + placed * STEP_U) % 1, (0.5 + placed * STEP_V) % 1]
      yield u + v > 1 ? [t, 1 - u, 1 - v, each] : [t, u, v, each]
    }
  }
  for (let f = 0; f < faceNames.length; f += 1)
    if (!given[f] && largest[f]! >= 0) yield [largest[f]!, 1 / 3, 1 / 3, faceArea[f]!]
}
