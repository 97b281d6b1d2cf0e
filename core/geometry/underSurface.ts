import { emptyMesh, faceIndex, meshToSolid } from './facedMesh.ts'
import type { Solid, SolidScope } from './kernel.ts'
import type { Point } from './outline.ts'
import type { SolidRecipe } from './recipe.ts'

export type Under = Extract<SolidRecipe, { kind: 'under' }>

/** Where the columns and rows of such a surface stand, the outermost as far out as it reaches. */
function lines({ origin: [x, y], cell, heights, reach }: Under): readonly [xs: number[], ys: number[]] {
  const along = (from: number, count: number) => [
    from - reach,
    ...Array.from({ length: count }, (_, i) => from + i * cell),
    from + (count - 1) * cell + reach,
  ]
  return [along(x, heights[0]!.length), along(y, heights.length)]
}

/** The height in a row and column counted with those outermost, which repeat the ones beside them. */
function cornerHeight({ heights }: Under, row: number, column: number): number {
  const within = (n: number, count: number) => Math.min(Math.max(n - 1, 0), count - 1)
  const of = heights[within(row, heights.length)]!
  return of[within(column, of.length)]!
}

/** All that lies under a surface of squares, down to a level, as far round as it reaches. */
export function underSurface(scope: SolidScope, recipe: Under): Solid {
  const mesh = emptyMesh()
  const face = faceIndex(mesh, recipe.name)
  const [xs, ys] = lines(recipe)
  const add = (x: number, y: number, z: number): number => mesh.vertices.push(x, y, z) / 3 - 1
  const top = ys.map((y, j) => xs.map((x, i) => add(x, y, cornerHeight(recipe, j, i))))
  const tri = (a: number, b: number, c: number): void => {
    mesh.triangles.push(a, b, c)
    mesh.faces.push(face)
  }
  for (let j = 0; j + 1 < ys.length; j += 1)
    for (let i = 0; i + 1 < xs.length; i += 1) {
      const [a, b, c, d] = [top[j]![i]!, top[j]![i + 1]!, top[j + 1]![i + 1]!, top[j + 1]![i]!]
      tri(a, b, c)
      tri(a, c, d)
    }
  // Its rim, anticlockwise from above, down to the level, and the floor as a fan.
  const [w, h] = [xs.length - 1, ys.length - 1]
  const rim: readonly (readonly [number, number])[] = [
    ...xs.slice(0, -1).map((_, i) => [i, 0] as const),
    ...ys.slice(0, -1).map((_, j) => [w, j] as const),
    ...xs.slice(1).map((_, i) => [w - i, h] as const),
    ...ys.slice(1).map((_, j) => [0, h - j] as const),
  ]
  const foot = rim.map(([i, j]) => add(xs[i]!, ys[j]!, recipe.low))
  const under = add((xs[0]! + xs[w]!) / 2, (ys[0]! + ys[h]!) / 2, recipe.low)
  rim.forEach(([i, j], k) => {
    const n = (k + 1) % rim.length
    const [ni, nj] = rim[n]!
    tri(top[j]![i]!, foot[k]!, foot[n]!)
    tri(top[j]![i]!, foot[n]!, top[nj]![ni]!)
    tri(under, foot[n]!, foot[k]!)
  })
  return meshToSolid(scope, mesh)
}

/** How high such a surface stands at a place. */
export function heightAt(surface: Under, [x, y]: Point): number {
  const { origin, cell, heights } = surface
  const place = (n: number, from: number, count: number): readonly [number, number] => {
    const at = Math.min(Math.max((n - from) / cell, 0), count - 1)
    const low = Math.min(Math.floor(at), Math.max(0, count - 2))
    return [low, at - low]
  }
  const [i, u] = place(x, origin[0], heights[0]!.length)
  const [j, v] = place(y, origin[1], heights.length)
  const at = (dj: number, di: number) => cornerHeight(surface, j + dj + 1, i + di + 1)
  // The same diagonal as its triangles have.
  return u >= v
    ? at(0, 0) + (at(0, 1) - at(0, 0)) * u + (at(1, 1) - at(0, 1)) * v
    : at(0, 0) + (at(1, 0) - at(0, 0)) * v + (at(1, 1) - at(1, 0)) * u
}

/** A surface by the height that it has at each place, over a box of so many squares the longer way. */
export function surfaceOver(
  [min, max]: readonly [Point, Point],
  squares: number,
  height: (at: Point) => number,
): Pick<Under, 'origin' | 'cell' | 'heights'> {
  const [w, d] = [max[0] - min[0], max[1] - min[1]]
  const cell = Math.max(w, d) / squares
  const count = (n: number) => Math.max(1, Math.ceil(n / cell - 1e-9)) + 1
  return {
    origin: min,
    cell,
    heights: Array.from({ length: count(d) }, (_, j) =>
      // To a micrometre: a recipe is written out for its key.
      Array.from(
        { length: count(w) },
        (__, i) => Math.round(height([min[0] + i * cell, min[1] + j * cell]) * 1000) / 1000,
      ),
    ),
  }
}
