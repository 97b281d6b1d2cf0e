/** A mesh welded: one vertex a place, triangles without area gone. */
export type WeldedMesh = {
  readonly positions: Float32Array
  readonly triangles: Uint32Array
}

export type MeshHealth = {
  readonly triangleCount: number
  readonly vertexCount: number
  /** Facets without area, already left out. */
  readonly zeroAreaCount: number
  readonly duplicateCount: number
  /** Edges of one facet only: holes. */
  readonly openEdgeCount: number
  /** Edges that more than two facets share. */
  readonly crowdedEdgeCount: number
  /** Facets that face against their neighbours. */
  readonly flippedCount: number
  readonly shellCount: number
  /** Of all shells, in the file's unit cubed; what is inside out counts against. */
  readonly volume: number
  readonly extents: readonly [number, number, number]
  readonly closed: boolean
}

/** A table of whole numbers by whole-number keys, open addressing: quick for a million of them. */
class Table {
  readonly keys: Float64Array
  readonly values: Int32Array
  readonly mask: number
  constructor(expected: number) {
    let size = 16
    while (size < expected * 2) size *= 2
    this.keys = new Float64Array(size).fill(-1)
    this.values = new Int32Array(size)
    this.mask = size - 1
  }
  /** The slot of a key, whether it is there or free. */
  slot(key: number): number {
    const [high, low] = [Math.floor(key / 0x100000000), key >>> 0]
    let i = (Math.imul(low ^ Math.imul(high, 0x9e3779b1), 0x85ebca6b) >>> 7) & this.mask
    while (this.keys[i] !== -1 && this.keys[i] !== key) i = (i + 1) & this.mask
    return i
  }
}

/**
 * Vertices that lie in one place are one: hashed by their exact single-precision coordinates. Facets drawn twice are
 * left out, unless nobody asks: `hasTwins` tells whether there can be any.
 */
export function weldMesh(
  positions: Float32Array,
  triangles: Uint32Array,
  { twins = true } = {},
): { mesh: WeldedMesh; zeroAreaCount: number; duplicateCount: number } {
  const bits = new Int32Array(positions.buffer, positions.byteOffset, positions.length)
  const count = positions.length / 3
  let size = 16
  while (size < count * 2) size *= 2
  const table = new Int32Array(size).fill(-1)
  const mask = size - 1
  const to = new Uint32Array(count)
  const kept = new Float32Array(positions.length)
  let vertices = 0
  for (let v = 0; v < count; v += 1) {
    // Minus zero and zero are one place.
    for (let k = 0; k < 3; k += 1) if (positions[v * 3 + k] === 0) bits[v * 3 + k] = 0
    const [x, y, z] = [bits[v * 3]!, bits[v * 3 + 1]!, bits[v * 3 + 2]!]
    let h = Math.imul(x, 0x9e3779b1) ^ Math.imul(y, 0x85ebca6b) ^ Math.imul(z, 0xc2b2ae35)
    h ^= h >>> 15
    let i = h & mask
    for (;;) {
      const at = table[i]!
      if (at === -1) {
        table[i] = v
        to[v] = vertices
        for (let k = 0; k < 3; k += 1) kept[vertices * 3 + k] = positions[v * 3 + k]!
        vertices += 1
        break
      }
      if (bits[at * 3] === x && bits[at * 3 + 1] === y && bits[at * 3 + 2] === z) {
        to[v] = to[at]!
        break
      }
      i = (i + 1) & mask
    }
  }
  const out = new Uint32Array(triangles.length)
  const seen = twins ? new Table(triangles.length / 3) : null
  let n = 0
  let zero = 0
  let twice = 0
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [to[triangles[t]!]!, to[triangles[t + 1]!]!, to[triangles[t + 2]!]!]
    if (a === b || b === c || c === a || isFlat(kept, a, b, c)) {
      zero += 1
      continue
    }
    if (seen) {
      // Three corners in order of size make a key; two facets on the same corners are one drawn twice.
      const [lo, hi] = [Math.min(a, b, c), Math.max(a, b, c)]
      const key = (lo * 1_100_003 + (a + b + c - lo - hi)) * 1_100_009 + hi
      const slot = seen.slot(key)
      if (seen.keys[slot] !== -1) {
        twice += 1
        continue
      }
      seen.keys[slot] = key
    }
    out[n] = a
    out[n + 1] = b
    out[n + 2] = c
    n += 3
  }
  return {
    mesh: { positions: kept.slice(0, vertices * 3), triangles: out.slice(0, n) },
    zeroAreaCount: zero,
    duplicateCount: twice,
  }
}

/**
 * Whether a facet can be there twice: its twin crowds its sides, or where those two are alone, all three sides of one
 * meet the other.
 */
export function hasTwins(sides: Int32Array): boolean {
  for (let f = 0; f < sides.length; f += 3) {
    const [a, b, c] = [sides[f]!, sides[f + 1]!, sides[f + 2]!]
    if (a === -2 || b === -2 || c === -2) return true
    if (a < 0) continue
    const g = Math.floor(a / 3)
    if (Math.floor(b / 3) === g && Math.floor(c / 3) === g) return true
  }
  return false
}

function isFlat(p: Float32Array, a: number, b: number, c: number): boolean {
  const [ux, uy, uz] = [p[b * 3]! - p[a * 3]!, p[b * 3 + 1]! - p[a * 3 + 1]!, p[b * 3 + 2]! - p[a * 3 + 2]!]
  const [vx, vy, vz] = [p[c * 3]! - p[a * 3]!, p[c * 3 + 1]! - p[a * 3 + 1]!, p[c * 3 + 2]! - p[a * 3 + 2]!]
  const [x, y, z] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx]
  return x * x + y * y + z * z === 0
}

/** A bucket of sides longer than this is sorted before equal ones are sought in it. */
const LONG_BUCKET = 24

/**
 * For each side of each facet, the side it meets, or -1 open, -2 crowded; side = 3 x facet + k. Sides are put in
 * buckets by their lower vertex: those that meet lie in one.
 */
export function matchSides({ positions, triangles }: WeldedMesh): Int32Array {
  const first = new Uint32Array(positions.length / 3 + 1)
  const far = new Uint32Array(triangles.length)
  const near = new Uint32Array(triangles.length)
  for (let s = 0; s < triangles.length; s += 1) {
    const [a, b] = [triangles[s]!, triangles[s % 3 === 2 ? s - 2 : s + 1]!]
    near[s] = Math.min(a, b)
    far[s] = Math.max(a, b)
    first[near[s]! + 1]! += 1
  }
  for (let v = 1; v < first.length; v += 1) first[v]! += first[v - 1]!
  const bucket = new Uint32Array(triangles.length)
  const filled = first.slice()
  for (let s = 0; s < triangles.length; s += 1) {
    const v = near[s]!
    bucket[filled[v]!] = s
    filled[v]! += 1
  }
  const sides = new Int32Array(triangles.length).fill(-1)
  for (let v = 0; v + 1 < first.length; v += 1) {
    const [from, to] = [first[v]!, first[v + 1]!]
    const sorted = to - from > LONG_BUCKET
    if (sorted) bucket.subarray(from, to).sort((s, t) => far[s]! - far[t]! || s - t)
    for (let i = from; i < to; i += 1) {
      const s = bucket[i]!
      if (sides[s] !== -1) continue
      for (let j = i + 1; j < to; j += 1) {
        const t = bucket[j]!
        if (far[t] === far[s]) meet(sides, s, t)
        else if (sorted) break
      }
    }
  }
  return sides
}

/** A second side meets the first; a third makes all of them crowded. */
function meet(sides: Int32Array, s: number, t: number): void {
  const other = sides[s]!
  if (other === -1) {
    sides[s] = t
    sides[t] = s
    return
  }
  if (other >= 0) sides[other] = -2
  sides[s] = -2
  sides[t] = -2
}

/** What a welded mesh is like: holes, facets that face the wrong way, shells, volume. */
export function measureHealth(
  mesh: WeldedMesh,
  { zeroAreaCount = 0, duplicateCount = 0, neighbours = findNeighbours(mesh) } = {},
): MeshHealth {
  const { positions, triangles } = mesh
  const { sides, shells, turned, shellCount } = neighbours
  const facets = triangles.length / 3
  let open = 0
  let crowded = 0
  for (let i = 0; i < sides.length; i += 1) {
    if (sides[i] === -1) open += 1
    if (sides[i] === -2) crowded += 1
  }
  // In each shell the fewer of the two ways round are the flipped ones.
  const facing = new Int32Array(shellCount * 2)
  for (let f = 0; f < facets; f += 1) facing[shells[f]! * 2 + turned[f]!]! += 1
  let flipped = 0
  for (let s = 0; s < shellCount; s += 1) flipped += Math.min(facing[s * 2]!, facing[s * 2 + 1]!)
  let [x, y, z] = [0, 0, 0]
  for (let i = 0; i < positions.length; i += 3) {
    if (positions[i]! > x) x = positions[i]!
    if (positions[i + 1]! > y) y = positions[i + 1]!
    if (positions[i + 2]! > z) z = positions[i + 2]!
  }
  return {
    triangleCount: facets,
    vertexCount: positions.length / 3,
    zeroAreaCount,
    duplicateCount,
    openEdgeCount: open,
    crowdedEdgeCount: crowded,
    flippedCount: flipped,
    shellCount,
    volume: meshVolume(mesh),
    extents: [x, y, z],
    closed: open === 0 && crowded === 0 && flipped === 0,
  }
}

/** Sum of the tetrahedra that facets span with the middle of the box. */
export function meshVolume({ positions: p, triangles: t }: WeldedMesh): number {
  let six = 0
  for (let i = 0; i < t.length; i += 3) {
    const [a, b, c] = [t[i]! * 3, t[i + 1]! * 3, t[i + 2]! * 3]
    six +=
      p[a]! * (p[b + 1]! * p[c + 2]! - p[b + 2]! * p[c + 1]!) +
      p[a + 1]! * (p[b + 2]! * p[c]! - p[b]! * p[c + 2]!) +
      p[a + 2]! * (p[b]! * p[c + 1]! - p[b + 1]! * p[c]!)
  }
  return six / 6
}

/** Which sides meet, the shell of each facet, and which way it faces. */
export type Neighbours = { readonly sides: Int32Array } & ReturnType<typeof orient>

export function findNeighbours(mesh: WeldedMesh): Neighbours {
  const sides = matchSides(mesh)
  return { sides, ...orient(mesh, sides) }
}

/** The shell of each facet, and whether it faces against the first facet of its shell. */
function orient(
  { triangles }: WeldedMesh,
  sides: Int32Array,
): { shells: Int32Array; turned: Uint8Array; shellCount: number } {
  const facets = triangles.length / 3
  const shells = new Int32Array(facets).fill(-1)
  const turned = new Uint8Array(facets)
  const queue = new Int32Array(facets)
  let shell = 0
  for (let start = 0; start < facets; start += 1) {
    if (shells[start] !== -1) continue
    shells[start] = shell
    let [head, tail] = [0, 1]
    queue[0] = start
    while (head < tail) {
      const f = queue[head]!
      head += 1
      for (let k = 0; k < 3; k += 1) {
        const s = sides[f * 3 + k]!
        if (s < 0) continue
        const g = Math.floor(s / 3)
        if (shells[g] !== -1) continue
        shells[g] = shell
        // Neighbours that agree walk their shared side opposite ways.
        const from = triangles[f * 3 + k]!
        const agrees = triangles[s] !== from
        turned[g] = agrees ? turned[f]! : 1 - turned[f]!
        queue[tail] = g
        tail += 1
      }
    }
    shell += 1
  }
  return { shells, turned, shellCount: shell }
}

/** Holes with more sides than this are not closed by us: what belongs there is a guess. */
const HOLE_SIDES = 24

export type MeshRepair = {
  readonly mesh: WeldedMesh
  readonly turnedCount: number
  readonly closedHoleCount: number
}

/**
 * What can be mended without guessing: facets of each shell are turned to agree and to face outward, and small flat
 * holes are closed. Larger holes, and edges that more than two facets share, are left and told.
 */
export function repairMesh(mesh: WeldedMesh, neighbours: Neighbours = findNeighbours(mesh)): MeshRepair {
  const { sides, shells, turned, shellCount } = neighbours
  const { positions: p } = mesh
  const triangles = Uint32Array.from(mesh.triangles)
  let turnedCount = 0
  const flip = (f: number) => {
    const b = triangles[f * 3 + 1]!
    triangles[f * 3 + 1] = triangles[f * 3 + 2]!
    triangles[f * 3 + 2] = b
    turnedCount += 1
  }
  for (let f = 0; f < turned.length; f += 1) if (turned[f]) flip(f)
  const volumes = new Float64Array(shellCount)
  for (let f = 0; f < turned.length; f += 1) {
    const [a, b, c] = [triangles[f * 3]! * 3, triangles[f * 3 + 1]! * 3, triangles[f * 3 + 2]! * 3]
    const six =
      p[a]! * (p[b + 1]! * p[c + 2]! - p[b + 2]! * p[c + 1]!) +
      p[a + 1]! * (p[b + 2]! * p[c]! - p[b]! * p[c + 2]!) +
      p[a + 2]! * (p[b]! * p[c + 1]! - p[b + 1]! * p[c]!)
    volumes[shells[f]!]! += six
  }
  // A lone inside-out shell is turned; with several, one that faces inward may be a hollow and is left as it is.
  if (shellCount === 1 && volumes[0]! < 0) for (let f = 0; f < turned.length; f += 1) flip(f)
  const before = turnedCount
  const turnedMesh = turnedCount > 0 ? { positions: p, triangles } : mesh
  const filled = sides.includes(-1) ? closeHoles(turnedMesh) : { mesh: turnedMesh, closed: 0 }
  return {
    mesh: filled.mesh,
    turnedCount: Math.min(before, turned.length),
    closedHoleCount: filled.closed,
  }
}

/** Closes small holes that lie in a plane: a fan from their first corner when it is convex there. */
function closeHoles(mesh: WeldedMesh): { mesh: WeldedMesh; closed: number } {
  const sides = matchSides(mesh)
  const { triangles, positions: p } = mesh
  const next = new Map<number, number>()
  for (let s = 0; s < sides.length; s += 1) {
    if (sides[s] !== -1) continue
    const [a, b] = [triangles[s]!, triangles[s % 3 === 2 ? s - 2 : s + 1]!]
    // The hole is walked the other way round.
    if (next.has(b)) next.set(b, -1)
    else next.set(b, a)
  }
  const added: number[] = []
  let closed = 0
  const done = new Set<number>()
  for (const start of next.keys()) {
    if (done.has(start)) continue
    const ring: number[] = []
    let at: number | undefined = start
    while (at !== undefined && at >= 0 && !done.has(at) && ring.length <= HOLE_SIDES) {
      done.add(at)
      ring.push(at)
      at = next.get(at)
    }
    if (at !== start || ring.length < 3 || ring.length > HOLE_SIDES || !fansFlat(p, ring)) continue
    for (let k = 1; k + 1 < ring.length; k += 1) added.push(ring[0]!, ring[k]!, ring[k + 1]!)
    closed += 1
  }
  if (added.length === 0) return { mesh, closed: 0 }
  const all = new Uint32Array(triangles.length + added.length)
  all.set(triangles)
  all.set(added, triangles.length)
  return { mesh: { positions: p, triangles: all }, closed }
}

/** Whether a fan from a ring's first corner lies flat and turns one way. */
function fansFlat(p: Float32Array, ring: readonly number[]): boolean {
  let first: [number, number, number] | null = null
  for (let k = 1; k + 1 < ring.length; k += 1) {
    const [a, b, c] = [ring[0]! * 3, ring[k]! * 3, ring[k + 1]! * 3]
    const [ux, uy, uz] = [p[b]! - p[a]!, p[b + 1]! - p[a + 1]!, p[b + 2]! - p[a + 2]!]
    const [vx, vy, vz] = [p[c]! - p[a]!, p[c + 1]! - p[a + 1]!, p[c + 2]! - p[a + 2]!]
    const n: [number, number, number] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx]
    const length = Math.hypot(...n)
    if (length === 0) continue
    const unit: [number, number, number] = [n[0] / length, n[1] / length, n[2] / length]
    if (!first) first = unit
    else if (unit[0] * first[0] + unit[1] * first[1] + unit[2] * first[2] < 0.999) return false
  }
  return first !== null
}
