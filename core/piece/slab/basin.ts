import {
  addBulks,
  type Bulk,
  bulkAt,
  chordCount,
  loftPoints,
  measureWithin,
  type PathCorner,
  type Point,
  type SolidRecipe,
} from '../../geometry/index.ts'
import type { Basin, SlabPiece } from '../../job/index.ts'
import { loftLoop } from '../loftLoop.ts'
import { openingPath } from './outlineLoop.ts'

/** Points round one level of a bowl, and its levels from foot to rim, at least. */
const BOWL = { around: 120, levels: 40 } as const

/** So many that no chord of a basin's curve strays by more than 0.05 mm; the same at all its levels. */
function chordsOf({ length, width, depth, shell }: Basin): { around: number; levels: number } {
  const largest = Math.max(length, width) / 2 + shell
  return {
    around: Math.max(BOWL.around, 4 * Math.ceil(chordCount(largest, 2 * Math.PI) / 4)),
    levels: Math.max(BOWL.levels, chordCount(Math.max(largest, depth + shell), Math.PI / 2)),
  }
}

/** A level of a superellipse of semi-axes a and b: |x/a|^n + |y/b|^n = 1. */
export function superellipse(
  a: number,
  b: number,
  n: number,
  [cx, cy]: Point,
  count: number = BOWL.around,
): Point[] {
  return Array.from({ length: count }, (_, i): Point => {
    const t = (2 * Math.PI * i) / count
    const [c, s] = [Math.cos(t), Math.sin(t)]
    return [cx + Math.sign(c) * a * Math.abs(c) ** (2 / n), cy + Math.sign(s) * b * Math.abs(s) ** (2 / n)]
  })
}

/**
 * Area of a superellipse of semi-axes a and b: 4 a b G(1 + 1/n)^2 / G(1 + 2/n), G the gamma function, by the polygon that
 * is cast. `superellipseArea(1, 1, 2)` is 3.14.
 */
export function superellipseArea(a: number, b: number, n: number): number {
  const points = superellipse(a, b, n, [0, 0], 4 * BOWL.around)
  return Math.abs(
    points.reduce((sum, [x, y], i) => {
      const [nx, ny] = points[(i + 1) % points.length]!
      return sum + x * ny - nx * y
    }, 0) / 2,
  )
}

export type BasinSolids = {
  /** The shell's outside, from its foot up to the top of the slab. */
  readonly outside: SolidRecipe
  /** What is hollow, overshooting the top. */
  readonly core: SolidRecipe
  readonly holes: readonly SolidRecipe[]
  /** Lowest point of the shell, as placed. */
  readonly low: number
  /** Plan of the shell at the underside of the slab. */
  readonly plan: readonly Point[]
}

/** The core of a basin in a slab and the shell round it. */
export function basinSolids(piece: SlabPiece, basin: Basin): BasinSolids {
  const top = piece.thickness
  const { depth, fall, shell } = basin
  const deepest = basin.form === 'ramp' ? depth + fall : depth
  const body =
    basin.form === 'bowl'
      ? bowl(basin, top)
      : basin.form === 'superellipse'
        ? straightOval(basin, top)
        : frustum(basin, top)
  const low = top - deepest - shell
  const middle = top - depth
  const waste: SolidRecipe[] =
    basin.waste > 0
      ? [
          cylinder(
            'basin/waste',
            [basin.u + (basin.form === 'ramp' ? wasteShift(basin) : 0), basin.v],
            basin.waste / 2,
            low - 1,
            top + 1,
          ),
        ]
      : []
  const overflow: SolidRecipe[] =
    basin.overflow > 0
      ? [
          {
            kind: 'moved',
            solid: cylinder('basin/overflow', [0, 0], basin.overflow / 2, 0, basin.width / 2 + shell * 3),
            by: {
              x: [1, 0, 0],
              y: [0, 0, -1],
              z: [0, 1, 0],
              origin: [basin.u, basin.v, middle + Math.max(basin.overflow, (depth - shell) * 0.62)],
            },
          },
        ]
      : []
  return { outside: body.outside, core: body.core, holes: [...waste, ...overflow], low, plan: body.plan }
}

/**
 * What a basin adds to its slab: the shell that hangs below the underside, less the core up to the top and the waste
 * through the floor. Null where a hole meets more than a flat floor.
 */
export function basinBulk(piece: SlabPiece, basin: Basin): Bulk | null {
  const { outside, core } = basinSolids(piece, basin)
  const waste = wasteBulk(piece, basin)
  const top = piece.thickness
  const parts = [
    [1, measureWithin(outside, [])],
    [-1, measureWithin(outside, [{ normal: [0, 0, 1], offset: 0 }])],
    [-1, measureWithin(core, [])],
    // The core overshoots the top.
    [1, measureWithin(core, [{ normal: [0, 0, 1], offset: top }])],
    [-1, waste],
  ] as const
  if (basin.overflow > 0 || parts.some(([, bulk]) => bulk === null)) return null
  return addBulks(parts.map(([sign, bulk]) => [sign, bulk!] as const))
}

/** What a basin holds, level with the slab's top, its waste shut, mm3; null where its core is known only as a solid. */
export function basinHolds(piece: SlabPiece, basin: Basin): number | null {
  const { core } = basinSolids(piece, basin)
  const [whole, above] = [[], [{ normal: [0, 0, 1] as const, offset: piece.thickness }]].map((planes) =>
    measureWithin(core, planes),
  )
  return whole && above ? whole.volume - above.volume : null
}

function wasteBulk(piece: SlabPiece, b: Basin): Bulk | null {
  if (b.waste <= 0) return bulkAt(0, [0, 0, 0])
  if (b.form === 'bowl') return null
  const r = b.waste / 2
  const lean = Math.tan((b.draftDeg * Math.PI) / 180) * (b.depth + (b.form === 'ramp' ? b.fall : 0))
  const shift = b.form === 'ramp' ? wasteShift(b) : 0
  const corner = b.form === 'superellipse' ? 0 : Math.max(0, b.radius)
  const room = (across: number) => across / 2 - lean - corner
  if (r > room(b.width) || Math.abs(shift) + r > room(b.length)) return null
  const slope = b.form === 'ramp' ? b.fall / b.length : 0
  const thick = b.shell * Math.sqrt(1 + slope * slope)
  const floor = piece.thickness - b.depth - slope * (shift + b.length / 2)
  return bulkAt(Math.PI * r * r * thick, [b.u + shift, b.v, floor - thick / 2])
}

/** The waste of a ramp stands at its low end. */
const wasteShift = (b: Basin): number =>
  b.length / 2 - Math.min(b.length / 4, b.waste * 1.5 + b.depth * Math.tan((b.draftDeg * Math.PI) / 180))

function cylinder(name: string, at: Point, radius: number, low: number, high: number): SolidRecipe {
  return {
    kind: 'turned',
    at,
    profile: [
      { radius: 0, z: low, name },
      { radius, z: low, name },
      { radius, z: high, name },
      { radius: 0, z: high, name },
    ],
  }
}

/**
 * A rounded rectangle whose walls lean in by the draft; its shell stands off by the shell's thickness measured square
 * to the wall. A ramp's floor falls along the length.
 */
function frustum(b: Basin, top: number) {
  const draft = (b.draftDeg * Math.PI) / 180
  const name = 'basin/wall'
  const path: PathCorner[] = openingPath(
    {
      kind: 'rectangle',
      length: b.length,
      width: b.width,
      radius: Math.min(b.radius, b.length / 2, b.width / 2),
    },
    [b.u, b.v],
    0,
  )
  const names = { side: () => name, corner: () => name }
  const deepest = b.form === 'ramp' ? b.depth + b.fall : b.depth
  const floor = top - deepest
  const insetAt = (z: number) => Math.tan(draft) * (top - z)
  const core: SolidRecipe = {
    kind: 'loft',
    outline: loftLoop(path, names, () => [
      { z: floor, inset: insetAt(floor), name },
      { z: top, inset: 0, name },
    ]),
    holes: [],
    low: floor,
    high: top + 1,
    lowName: 'basin/floor',
    highName: 'top',
  }
  const out = b.shell / Math.cos(draft)
  const outer = 'basin/shell'
  const outsideLoop = loftLoop(
    path.map((c) => ({ ...c, radius: c.radius })),
    { side: () => outer, corner: () => outer },
    () => [
      { z: floor - b.shell, inset: insetAt(floor - b.shell) - out, name: outer },
      { z: top, inset: -out, name: outer },
    ],
  )
  const outside: SolidRecipe = {
    kind: 'loft',
    outline: outsideLoop,
    holes: [],
    low: floor - b.shell,
    high: top - 0.5,
    lowName: 'basin/foot',
    highName: 'top',
  }
  const plan = loftPoints(outsideLoop, 0)
  if (b.form !== 'ramp') return { core, outside, plan }
  // Below a plane that falls along the length nothing is hollow; the shell's foot follows it.
  const slope = b.fall / b.length
  const tilt = Math.hypot(slope, 1)
  const above = (z0: number): { normal: readonly [number, number, number]; offset: number } => ({
    normal: [slope / tilt, 0, 1 / tilt],
    offset: (z0 + slope * (b.u - b.length / 2)) / tilt,
  })
  return {
    core: { kind: 'trimmed', solid: core, ...above(top - b.depth), name: 'basin/floor' } as SolidRecipe,
    outside: {
      kind: 'trimmed',
      solid: outside,
      ...above(top - b.depth - b.shell * tilt),
      name: 'basin/foot',
    } as SolidRecipe,
    plan,
  }
}

/**
 * A superellipse whose wall leans in by the draft down to a level floor. Its shell is the curve parallel to the wall's
 * own at each level, so that it is as thick all round.
 */
function straightOval(b: Basin, top: number) {
  const draft = (b.draftDeg * Math.PI) / 180
  const floor = top - b.depth
  const [name, out] = ['basin/wall', b.shell / Math.cos(draft)]
  const { around: count } = chordsOf(b)
  const level = (z: number) => {
    const lean = Math.tan(draft) * (top - z)
    return superellipse(b.length / 2 - lean, b.width / 2 - lean, b.exponent, [b.u, b.v], count)
  }
  const around = (z: number) => {
    const lean = Math.tan(draft) * (top - z)
    return parallelTo(level(z), b, lean, out)
  }
  const core: SolidRecipe = {
    kind: 'stack',
    levels: [
      { z: floor, points: level(floor) },
      { z: top, points: level(top) },
      { z: top + 1, points: level(top) },
    ],
    name,
    lowName: 'basin/floor',
    highName: 'top',
  }
  const outside: SolidRecipe = {
    kind: 'stack',
    levels: [
      { z: floor - b.shell, points: around(floor - b.shell) },
      { z: top - 0.5, points: around(top - 0.5) },
    ],
    name: 'basin/shell',
    lowName: 'basin/foot',
    highName: 'top',
  }
  return { core, outside, plan: around(0) }
}

/** Points of a superellipse moved out square to it: the gradient of |x/a|^n + |y/b|^n points that way. */
function parallelTo(points: readonly Point[], b: Basin, lean: number, out: number): Point[] {
  const [a, c, n] = [b.length / 2 - lean, b.width / 2 - lean, b.exponent]
  return points.map(([x, y]): Point => {
    const [dx, dy] = [x - b.u, y - b.v]
    const gx = (Math.sign(dx) * Math.abs(dx / a) ** (n - 1)) / a
    const gy = (Math.sign(dy) * Math.abs(dy / c) ** (n - 1)) / c
    const size = Math.hypot(gx, gy) || 1
    return [x + (gx / size) * out, y + (gy / size) * out]
  })
}

/** A bowl: superellipses whose size follows a superellipse of depth. Its shell is the same, larger by the thickness. */
function bowl(b: Basin, top: number) {
  const count = chordsOf(b)
  const levels = (a: number, w: number, depth: number) =>
    Array.from({ length: count.levels + 1 }, (_, i) => {
      const t = (Math.PI / 2) * (i / count.levels)
      const k = Math.max(0.02, Math.sin(t) ** (2 / b.exponent))
      return {
        z: top - depth * Math.cos(t) ** (2 / b.exponent),
        points: superellipse(a * k, w * k, b.exponent, [b.u, b.v], count.around),
      }
    })
  const inner = levels(b.length / 2, b.width / 2, b.depth)
  const rim = inner.at(-1)!
  const core: SolidRecipe = {
    kind: 'stack',
    levels: [...inner, { z: top + 1, points: rim.points }],
    name: 'basin/wall',
    lowName: 'basin/floor',
    highName: 'top',
  }
  const outer = levels(b.length / 2 + b.shell, b.width / 2 + b.shell, b.depth + b.shell)
  const under = outer.filter((l) => l.z < top - 0.5)
  const outside: SolidRecipe = {
    kind: 'stack',
    levels: under,
    name: 'basin/shell',
    lowName: 'basin/foot',
    highName: 'top',
  }
  const plan = superellipse(
    b.length / 2 + b.shell,
    b.width / 2 + b.shell,
    b.exponent,
    [b.u, b.v],
    count.around,
  )
  return { core, outside, plan }
}
