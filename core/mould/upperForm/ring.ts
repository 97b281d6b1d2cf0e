import {
  type Kernel,
  type Loop,
  measureSolid,
  type Placement,
  type Point,
  type SolidRecipe,
  sectionAreas,
  type Vector,
} from '../../geometry/index.ts'
import type { Basin } from '../../job/index.ts'
import type { Board } from '../../stock/index.ts'
import { type BarePart, barePart, oneLayer, prism, rectangle, trimmed, UP } from '../bareParts.ts'
import { levelSections, regionLoops } from '../castBody.ts'
import type { PartOutline } from '../types.ts'

/** How wide the layers of a ring stand round the shell at its foot, mm [own]. */
const BAND = 50
/** A shell whose top is narrower than this is left open above, to be filled and rounded by hand, mm [own]. */
const MOUTH = 150
/** A mouth that takes more than this share of the shell's width is wide enough, however small the shell is [own]. */
const WIDE = 0.4

type Told = {
  readonly basin: Basin
  readonly board: Board
  /** The shell's outside as poured, uncut. */
  readonly shell: SolidRecipe
  readonly by: Placement
  /** Box of the shell above the slab's back, as poured, mm. */
  readonly min: Vector
  readonly max: Vector
  /** Back of the slab and top of the shell, as poured, mm. */
  readonly back: number
  readonly top: number
}

export type Ring = {
  readonly parts: readonly BarePart[]
  /** Of leaning boards, or of layers sawn to the shell. */
  readonly of: 'boards' | 'layers'
  /** Where it ends, as poured, mm. */
  readonly top: number
  /** Whether the shell goes on above it, rounded by hand. */
  readonly crown: boolean
  /** Whether its top falls with the basin's floor, so that the fill is struck off along it. */
  readonly falls: boolean
}

/**
 * What encloses the shell of a basin all round, from the slab's back up: four leaning boards where its corners are
 * square and its floor level, else layers of board, each sawn to the shell.
 */
export function ringRound(told: Told): Ring {
  const { basin } = told
  if (basin.form === 'frustum' && basin.radius < 0.5) return boardRing(told)
  return layerRing(told)
}

/** What each layer is sawn to, at its lower face and at its upper one: the saw follows the lower, tilted to the upper. */
export function ringOutlines(kernel: Kernel, told: Told, ring: Ring): PartOutline[] {
  if (ring.of === 'boards') return []
  const { board, shell, back, min, max } = told
  const block = blockOf(min, max)
  const heights = ring.parts.flatMap((_, i): [number, number] => [
    back + i * board.thickness + 0.01,
    Math.min(ring.top, back + (i + 1) * board.thickness) - 0.01,
  ])
  return levelSections(kernel, shell, heights).map((region, i) => ({
    name: `upper form layer ${Math.floor(i / 2) + 1}, ${i % 2 === 0 ? 'below' : 'above'}`,
    loops: [rectangle('layer', ...block), ...regionLoops(region, 'layer')],
  }))
}

/** Glue between its layers, m2: each face less what the shell takes of it. */
export function ringGlueM2(kernel: Kernel, { shell, back, board }: Told, ring: Ring): number {
  if (ring.of === 'boards') return 0
  const joints = ring.parts.slice(1).map((_, i) => back + (i + 1) * board.thickness)
  const taken = kernel.withSolids((scope) => sectionAreas(scope.solid(shell), UP, joints))
  const { lengthMm, widthMm } = ring.parts[0]!
  return taken.reduce((sum, area) => sum + Math.max(0, lengthMm * widthMm - area), 0) / 1e6
}

const blockOf = (min: Vector, max: Vector): [Point, Point] => [
  [min[0] - BAND, min[1] - BAND],
  [max[0] + BAND, max[1] + BAND],
]

/** What the fill lifts a ring by: all that stands under its inside, mm3 of fill. */
export function standsOver(kernel: Kernel, { shell, back }: Told, ring: Ring): number {
  return kernel.withSolids((scope) => {
    const solid = scope.solid(shell)
    const [area] = sectionAreas(solid, UP, [back + 0.01])
    const within = measureSolid(
      scope.solid(trimmed(trimmed(shell, UP, back, 'ring'), [0, 0, -1], -ring.top, 'ring')).body,
    )
    return Math.max(0, area! * (ring.top - back) - within.volume)
  })
}

/** The highest level at which a bowl that stands upside down is still wide enough to be filled, over its slab's back. */
function mouthOf({ basin, back, top }: Told): number {
  if (basin.form !== 'bowl') return top
  const [a, depth] = [Math.min(basin.length, basin.width) / 2 + basin.shell, basin.depth + basin.shell]
  const wanted = Math.min(MOUTH, WIDE * 2 * a) / (2 * a)
  // Of a superellipse of depth: |k|^n + |h|^n = 1, h from the slab's face to the foot.
  const share = Math.max(0, 1 - wanted ** basin.exponent) ** (1 / basin.exponent)
  const face = top - depth
  return Math.max(back + Math.min(20, (top - back) / 2), face + depth * share)
}

function layerRing(told: Told): Ring {
  const { basin, board, shell, min, max, back, top } = told
  const mouth = mouthOf(told)
  const t = board.thickness
  const count = Math.max(1, Math.ceil((mouth - back) / t - 1e-6))
  const falls = basin.form === 'ramp'
  const [from, to] = blockOf(min, max)
  const parts = Array.from({ length: count }, (_, i): BarePart => {
    const [low, high] = [back + i * t, Math.min(mouth, back + (i + 1) * t)]
    const id = `form/layer/${i + 1}`
    const whole: SolidRecipe = {
      kind: 'difference',
      from: prism(rectangle(id, from, to), low, high, id),
      minus: [shell],
    }
    return barePart({
      id,
      role: 'form',
      source: { of: 'basin', is: 'form' },
      name: `upper form layer ${i + 1}`,
      together: 'upper form layers',
      boardId: board.id,
      lengthMm: to[0] - from[0],
      widthMm: to[1] - from[1],
      thicknessMm: t,
      layers: oneLayer(board),
      pull: UP,
      leaves: count - 1 - i,
      recipe: falls ? underFall(whole, told) : whole,
    })
  })
  return { parts, of: 'layers', top: mouth, crown: mouth < top - 1, falls }
}

/**
 * Under the plane that the shell's foot follows, so that the ring's top falls with the basin's floor. As placed the foot
 * is z = T - depth - shell s - slope (x - x0), s the plane's length over its run; as poured its height is what T lacks.
 */
function underFall(solid: SolidRecipe, { basin, by }: Told): SolidRecipe {
  const slope = basin.fall / basin.length
  const tilt = Math.hypot(slope, 1)
  const [x, y] = by.x
  const start = basin.u - basin.length / 2
  const along = x * by.origin[0] + y * by.origin[1]
  const offset = (slope * (start + along) - basin.depth - basin.shell * tilt) / tilt
  return trimmed(solid, [(slope * x) / tilt, (slope * y) / tilt, -1 / tilt], offset, 'form')
}

/** Four boards that lean with the shell, mitred where they meet. */
function boardRing(told: Told): Ring {
  const { basin, board, shell, min, max, back, top } = told
  const t = board.thickness
  const lean = Math.tan((basin.draftDeg * Math.PI) / 180)
  const sides = formSides([min[0], min[1]], [max[0], max[1]], t, (top - back) * lean + 1)
  const parts = sides.map(({ id, name, loop, pull, length }): BarePart => {
    const along: Vector = [-pull[1] * t, pull[0] * t, 0]
    const shifted = (k: -1 | 0 | 1): SolidRecipe => ({
      kind: 'moved',
      solid: shell,
      by: {
        x: [1, 0, 0],
        y: [0, 1, 0],
        z: [0, 0, 1],
        origin: [pull[0] * t + along[0] * k, pull[1] * t + along[1] * k, 0],
      },
    })
    return barePart({
      id: `form/${id}`,
      role: 'form',
      source: { of: 'basin', is: 'form' },
      name: `upper form ${name}`,
      together: id === 'left' || id === 'right' ? 'upper form ends' : 'upper form sides',
      boardId: board.id,
      lengthMm: length,
      widthMm: (top - back) * Math.hypot(1, lean),
      thicknessMm: t,
      layers: oneLayer(board),
      pull,
      mass: { volume: length * (top - back) * t, kgPerM3: board.densityKgPerM3 },
      recipe: {
        kind: 'difference',
        from: {
          // Each shell is cut to the board first: little is then left to join.
          kind: 'union',
          of: ([-1, 0, 1] as const).map(
            (k): SolidRecipe => ({
              kind: 'intersection',
              of: [prism(loop, back, top, `form/${id}`), shifted(k)],
            }),
          ),
        },
        minus: [shell],
      },
    })
  })
  return { parts, of: 'boards', top, crown: false, falls: false }
}

/** Four mitred quarters of a ring between two rectangles. */
function formSides(
  [x0, y0]: readonly [number, number],
  [x1, y1]: readonly [number, number],
  t: number,
  leans: number,
) {
  // The boards lean inward above: a ring just wide enough for all of the lean is cut to the shell.
  const d = Math.max(1, Math.min(leans, Math.min(x1 - x0, y1 - y0) / 2 - 1))
  const quad = (id: string, points: readonly (readonly [number, number])[]): Loop =>
    points.map((p, i) => ({
      name: `form/${id}`,
      from: p,
      to: points[(i + 1) % points.length]!,
      arc: null,
    }))
  const [a, b, c, e] = [
    [x0 - t, y0 - t],
    [x1 + t, y0 - t],
    [x1 + t, y1 + t],
    [x0 - t, y1 + t],
  ] as const
  const [p, q, r, s] = [
    [x0 + d, y0 + d],
    [x1 - d, y0 + d],
    [x1 - d, y1 - d],
    [x0 + d, y1 - d],
  ] as const
  return [
    {
      id: 'front',
      name: 'front',
      loop: quad('front', [a, b, q, p]),
      pull: [0, -1, 0] as Vector,
      length: x1 - x0 + 2 * t,
    },
    {
      id: 'right',
      name: 'right',
      loop: quad('right', [b, c, r, q]),
      pull: [1, 0, 0] as Vector,
      length: y1 - y0 + 2 * t,
    },
    {
      id: 'back',
      name: 'back',
      loop: quad('back', [c, e, s, r]),
      pull: [0, 1, 0] as Vector,
      length: x1 - x0 + 2 * t,
    },
    {
      id: 'left',
      name: 'left',
      loop: quad('left', [e, a, p, s]),
      pull: [-1, 0, 0] as Vector,
      length: y1 - y0 + 2 * t,
    },
  ]
}
