import {
  combineRegions,
  type Kernel,
  type Loop,
  loopRegion,
  offsetRegion,
  type Point,
  type Region,
} from '../../geometry/index.ts'
import { insetShape, type PlacedOpening, shapeLoop } from '../../piece/index.ts'
import type { Wire } from '../types.ts'

export type MeshSheet = {
  /** Wires along x and along y, counted as lines of the grid, whatever openings cut out of them. */
  readonly lengthways: number
  readonly crossways: number
  readonly wires: readonly Wire[]
  readonly totalLength: number
  readonly sheetLength: number
  readonly sheetWidth: number
}

/** What the mesh may fill: the outline in by the cover, openings out by the cover, round at their corners. */
export function meshRegion(
  kernel: Kernel,
  outline: Loop,
  openings: readonly PlacedOpening[],
  cover: number,
): Region {
  const inside = offsetRegion(kernel, loopRegion(outline), -cover, 'mitre')
  const grown = openings.map((o) =>
    o.shape.kind === 'polygon'
      ? offsetRegion(kernel, loopRegion(o.loop), cover, 'round')
      : loopRegion(shapeLoop(insetShape(o.shape, -cover), o.centre, o.key, o.turnDeg)),
  )
  return grown.length === 0 ? inside : combineRegions(kernel, 'difference', [inside, ...grown])
}

/**
 * A mesh sheet cut for a slab: the grid is centred on the outline less cover, its wires clipped to what is inside,
 * and pieces under one square dropped; none where there are not two wires each way. 1000 x 600 at cover 15 and spacing 100: 10 crossways and 6 lengthways wires.
 */
export function meshSheet(region: Region, box: { min: Point; max: Point }, spacing: number): MeshSheet {
  const [length, width] = [box.max[0] - box.min[0], box.max[1] - box.min[1]]
  const none: MeshSheet = {
    lengthways: 0,
    crossways: 0,
    wires: [],
    totalLength: 0,
    sheetLength: 0,
    sheetWidth: 0,
  }
  if (length <= 0 || width <= 0 || region.length === 0) return none
  const lines = (low: number, extent: number) => {
    const count = Math.floor(extent / spacing + 1e-9) + 1
    const first = low + (extent - (count - 1) * spacing) / 2
    return Array.from({ length: count }, (_, i) => first + i * spacing)
  }
  const across = lines(box.min[0], length).map((x) => clipLine(region, 0, x))
  const along = lines(box.min[1], width).map((y) => clipLine(region, 1, y))
  const kept = (spans: readonly (readonly [number, number])[]) =>
    spans.filter(([a, b]) => b - a >= Math.min(spacing, length, width))
  const wires: Wire[] = [
    ...across.flatMap(({ at, spans }) => kept(spans).map(([a, b]): Wire => ({ from: [at, a], to: [at, b] }))),
    ...along.flatMap(({ at, spans }) => kept(spans).map(([a, b]): Wire => ({ from: [a, at], to: [b, at] }))),
  ]
  const used = (list: typeof across) => list.filter(({ spans }) => kept(spans).length > 0).length
  const [lengthways, crossways] = [used(along), used(across)]
  // One wire is no mat: nothing holds it where it is laid.
  if (lengthways < 2 || crossways < 2) return none
  return {
    lengthways,
    crossways,
    wires,
    totalLength: wires.reduce((sum, w) => sum + Math.hypot(w.to[0] - w.from[0], w.to[1] - w.from[1]), 0),
    sheetLength: length,
    sheetWidth: width,
  }
}

/** Where the line `axis` = at runs inside the region: sorted spans along the other axis. Even-odd crossings. */
function clipLine(region: Region, axis: 0 | 1, at: number): { at: number; spans: [number, number][] } {
  const other = axis === 0 ? 1 : 0
  const crossings: number[] = []
  for (const ring of region) {
    ring.forEach((p, i) => {
      const q = ring[(i + 1) % ring.length]!
      if (p[axis] <= at === q[axis] <= at) return
      crossings.push(p[other] + ((q[other] - p[other]) * (at - p[axis])) / (q[axis] - p[axis]))
    })
  }
  crossings.sort((a, b) => a - b)
  const spans: [number, number][] = []
  for (let i = 0; i + 1 < crossings.length; i += 2) spans.push([crossings[i]!, crossings[i + 1]!])
  return { at, spans }
}
