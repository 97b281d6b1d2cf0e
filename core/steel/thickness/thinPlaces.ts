import type { ThicknessSample } from '../../geometry/index.ts'
import { type FaceBox, type ThicknessMap, wallSamples } from './thicknessMap.ts'

type Vector = readonly [number, number, number]

/** A place where two faces come near each other: how near, how far it runs, and where it is. */
export type ThinPlace = {
  readonly faces: readonly [string, string]
  readonly leastMm: number
  /** The longer way and the shorter. */
  readonly lengthMm: number
  readonly widthMm: number
  /** From its middle, or its free edge, to where it is as thick as wanted; infinite where it is nowhere. */
  readonly reachMm: number
  readonly at: Vector
  /** From the least sample into the concrete, a unit vector: the middle of its ball lies half the least along it. */
  readonly into: Vector
  /** Between parallel faces it is exact, else from samples and a little less may lie between them. */
  readonly exact: boolean
  /** Both faces stand: concrete beside a hole, not above or under one. */
  readonly upright: boolean
}

/** Within so much of its least, a place is the same place; samples this many spacings apart belong together. */
const [SAME, TOGETHER] = [1.05, 2.5]
/** Faces within this of parallel, degrees; and a normal that is this level, as its part along z. */
const [PARALLEL, LEVEL] = [179.9, 0.5]
/** So much of a face is all of it. */
const WHOLE = 0.85

/**
 * The places of a map by the pair of faces they lie between, faces of one name as one, the thinnest first. What is thinner than `wanted` mm is one
 * place as far as it hangs together; else the least of the pair stands for it. A recess of 220 x 160 that leaves 1 mm:
 * `{leastMm: 1, lengthMm: 220, widthMm: 160}`.
 */
export function thinPlaces(
  map: ThicknessMap,
  wanted: number,
  nameOf: (face: string) => string = (face) => face,
): ThinPlace[] {
  const thick = map.samples.filter((s) => s.thickness >= wanted - 1e-6)
  const pairs = new Map<string, ThicknessSample[]>()
  for (const sample of wallSamples(map)) {
    const key = [nameOf(sample.face), nameOf(sample.across)].sort().join('|')
    const list = pairs.get(key)
    if (list) list.push(sample)
    else pairs.set(key, [sample])
  }
  return [...pairs.values()]
    .flatMap((samples) => {
      const thin = samples.filter((s) => s.thickness < wanted - 1e-6)
      if (thin.length > 0) return clusters(thin, map.spacing).map((c) => placeOf(c, map, thick))
      const least = Math.min(...samples.map((s) => s.thickness))
      return [
        placeOf(
          samples.filter((s) => s.thickness <= SAME * least),
          map,
          thick,
        ),
      ]
    })
    .sort((a, b) => a.leastMm - b.leastMm)
}

/** Samples that hang together. */
function clusters(samples: readonly ThicknessSample[], spacing: number): ThicknessSample[][] {
  const left = new Set(samples)
  const found: ThicknessSample[][] = []
  for (const seed of samples) {
    if (!left.delete(seed)) continue
    const cluster = [seed]
    for (const here of cluster)
      for (const other of left) {
        const reach = TOGETHER * spacing + Math.max(here.thickness, other.thickness)
        if (away(here.at, other.at) > reach) continue
        left.delete(other)
        cluster.push(other)
      }
    found.push(cluster)
  }
  return found
}

const away = (a: Vector, b: Vector): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])

function placeOf(
  samples: readonly ThicknessSample[],
  map: ThicknessMap,
  thick: readonly ThicknessSample[],
): ThinPlace {
  const least = samples.reduce((a, b) => (b.thickness < a.thickness ? b : a))
  const [length, width] = extents(samples, least, map)
  return {
    faces: [least.face, least.across],
    leastMm: least.thickness,
    lengthMm: length,
    widthMm: width,
    reachMm: Math.min(reachOf(samples, thick), thick.length > 0 ? width : Infinity),
    at: least.at,
    into: [-least.normal[0], -least.normal[1], -least.normal[2]],
    exact: least.facingDeg > PARALLEL,
    upright: samples.every((s) => Math.abs(s.normal[2]) < LEVEL),
  }
}

/** The furthest that any of a place's samples lies from where it is thick. */
const reachOf = (samples: readonly ThicknessSample[], thick: readonly ThicknessSample[]): number =>
  samples.reduce((most, { at }) => {
    const near = thick.reduce((least, t) => Math.min(least, away(at, t.at)), Infinity)
    return Math.max(most, near)
  }, 0)

/** How far the samples of a place run, the longer way first: of a whole face, its box. */
function extents(
  samples: readonly ThicknessSample[],
  least: ThicknessSample,
  map: ThicknessMap,
): [number, number] {
  const smaller = [least.face, least.across]
    .map((name) => ({ name, box: map.faces.get(name) }))
    .filter((f): f is { name: string; box: FaceBox } => f.box !== undefined)
    .sort((a, b) => a.box.area - b.box.area)[0]
  const own = smaller ? samples.filter((s) => s.face === smaller.name) : samples
  if (smaller && own.reduce((sum, s) => sum + s.area, 0) > WHOLE * smaller.box.area) {
    return boxExtents(smaller.box)
  }
  const points = own.length > 0 ? own : samples
  const [u, v] = tangents(least.normal)
  const flat = points.map(({ at }) => [dot(at, u), dot(at, v)] as const)
  const mean = [0, 1].map((k) => flat.reduce((sum, p) => sum + p[k as 0]!, 0) / flat.length)
  const spread = (f: (x: number, y: number) => number) =>
    flat.reduce((sum, [x, y]) => sum + f(x - mean[0]!, y - mean[1]!), 0)
  const turn = 0.5 * Math.atan2(2 * spread((x, y) => x * y), spread((x) => x * x) - spread((_, y) => y * y))
  const [c, s] = [Math.cos(turn), Math.sin(turn)]
  const cell = Math.sqrt(Math.max(...points.map((p) => p.area)))
  const along = (f: (p: readonly [number, number]) => number): number => {
    const all = flat.map(f)
    return Math.max(...all) - Math.min(...all) + cell
  }
  const both = [along(([x, y]) => c * x + s * y), along(([x, y]) => c * y - s * x)].sort((a, b) => b - a)
  // No further than the smaller of its faces.
  const [most, across] = smaller ? boxExtents(smaller.box) : [Infinity, Infinity]
  return [Math.min(both[0]!, most), Math.min(both[1]!, across)]
}

const boxExtents = ({ min, max }: FaceBox): [number, number] => {
  const [a, b] = [0, 1, 2].map((k) => max[k]! - min[k]!).sort((p, q) => q - p)
  return [a!, b!]
}

const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]

function tangents([x, y, z]: Vector): [Vector, Vector] {
  const aside: Vector = Math.abs(z) < 0.9 ? [0, 0, 1] : [1, 0, 0]
  const u: Vector = [y * aside[2] - z * aside[1], z * aside[0] - x * aside[2], x * aside[1] - y * aside[0]]
  const length = Math.hypot(...u)
  const unit: Vector = [u[0] / length, u[1] / length, u[2] / length]
  return [unit, [y * unit[2] - z * unit[1], z * unit[0] - x * unit[2], x * unit[1] - y * unit[0]]]
}
