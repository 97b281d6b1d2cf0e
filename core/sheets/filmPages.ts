import {
  type DrawnBody,
  type Kernel,
  lineDrawing,
  meshSolid,
  type NamedMesh,
  type Point,
  type SeenLine,
  type SolidRecipe,
  turnedEye,
  USUAL_EYE,
  type Vector,
} from '../geometry/index.ts'
import { pouredPlacement, pouredSize } from '../piece/index.ts'
import {
  type FilmFrame,
  type FilmStep,
  filmSteps,
  frameAt,
  stuckParts,
  type Tilt,
  tiltedPoint,
} from '../release/index.ts'
import { wordsStyle } from '../units/index.ts'
import { isStripping, type Timed, tell } from '../work/index.ts'
import { PageWriter } from './pageWriter.ts'
import { MARGIN, PAPER, type ShopSheetInput, titleBlock } from './sheetFrame.ts'
import type { Page } from './types.ts'
import { clock } from './workPages.ts'

/** Cells of a page each way at most; under the title, above the foot, and for what a frame is called, mm on paper. */
const [COLUMNS, ROWS] = [3, 3]
const [HEAD, FOOT, TOLD] = [30, 12, 12]
/** A step is drawn so far into it: what leaves is seen clear of where it stood. */
const INTO = 0.6
/** Finer moulds than this are not drawn in line, triangles. */
const FINEST = 400_000
/** What leaves, what stands, and the cast, mm on paper. */
const WEIGHTS = { leaves: 0.4, stands: 0.14, cast: 0.26 } as const

type Told = { readonly lines: ReturnType<typeof linesOf>; readonly steps: readonly FilmStep[] }

const linesOf = ({ work, settings }: ShopSheetInput) =>
  tell(work.filter(isStripping), wordsStyle(settings)) as readonly {
    readonly short: string
    readonly of: readonly Timed[]
  }[]

/** How many pages the film takes. */
export const filmPageCount = (input: ShopSheetInput): number =>
  (input.stations.release?.figures.moves.length ?? 0) === 0
    ? 0
    : Math.ceil(linesOf(input).length / (COLUMNS * ROWS))

/** The mould coming apart, a small line drawing for each step, as the film on the stage shows it; empty without its solids. */
export function filmPages(kernel: Kernel, input: ShopSheetInput): Page[] {
  const { mould, release, piece: station } = input.stations
  const moves = release?.figures.moves ?? []
  const { recipe } = station.geometry
  if (!mould || moves.length === 0 || !recipe) return []
  const lines = linesOf(input)
  const longest = Math.max(...pouredSize(input.piece.attitude, station.geometry))
  const told: Told = {
    lines,
    steps: filmSteps(
      lines.map(({ of }) => of),
      moves,
      longest,
    ),
  }
  const cast: SolidRecipe = {
    kind: 'moved',
    solid: recipe,
    by: pouredPlacement(input.piece.attitude, station.geometry),
  }
  const stuck = new Set(
    stuckParts(
      mould.parts.map((p) => p.id),
      lines.map(({ of }) => of),
      moves,
    ),
  )
  const bodies = kernel.withSolids((scope) => [
    { id: CAST, mesh: meshSolid(scope.solid(cast)) },
    ...mould.parts
      .filter((p) => !stuck.has(p.id))
      .map((p) => ({ id: p.id, mesh: meshSolid(scope.solid(p.recipe)) })),
  ])
  const fine = bodies.reduce((sum, b) => sum + b.mesh.triangles.length / 3, 0) > FINEST
  const drawings = told.steps.map((step, i) =>
    fine ? [] : drawn(bodies, frameOf(told.steps, step, i), longAxis(input)),
  )
  return pagesOf(input, told, drawings)
}
const CAST = ''

/** A step part of the way into it; where nothing leaves, as it lies by its end. */
const frameOf = (steps: readonly FilmStep[], step: FilmStep, i: number): FilmFrame =>
  frameAt(steps, i + (step.moves.length > 0 ? INTO : 1))

const longAxis = ({ piece, stations }: ShopSheetInput): Vector => {
  const [x, y] = pouredSize(piece.attitude, stations.piece.geometry)
  return x >= y ? [1, 0, 0] : [0, 1, 0]
}

type Line = SeenLine & { readonly weight: number }

/** A body as it is tilted at a moment. */
function tiltedMesh(mesh: NamedMesh, tilt: Tilt | undefined): NamedMesh {
  if (!tilt) return mesh
  const positions = Float32Array.from(mesh.positions)
  for (let i = 0; i < positions.length; i += 3)
    positions.set(tiltedPoint([positions[i]!, positions[i + 1]!, positions[i + 2]!], tilt), i)
  return { ...mesh, positions }
}

function drawn(
  bodies: readonly { readonly id: string; readonly mesh: NamedMesh }[],
  frame: FilmFrame,
  axis: Vector,
): Line[] {
  const here = bodies.filter((b) => !frame.off.includes(b.id))
  const placed = here.map(
    ({ id, mesh }): DrawnBody => ({
      mesh: tiltedMesh(mesh, frame.tilts[id]),
      by: frame.offsets[id] ?? [0, 0, 0],
    }),
  )
  const eye = frame.turned > 0.5 ? turnedEye(USUAL_EYE, axis) : USUAL_EYE
  return lineDrawing(placed, eye).map((line) => {
    const { id } = here[line.body]!
    const by = frame.offsets[id]
    const leaves = (by !== undefined && Math.hypot(...by) > 1e-6) || frame.tilts[id] !== undefined
    return { ...line, weight: id === CAST ? WEIGHTS.cast : leaves ? WEIGHTS.leaves : WEIGHTS.stands }
  })
}

function pagesOf(input: ShopSheetInput, { lines }: Told, drawings: readonly (readonly Line[])[]): Page[] {
  const [width, height] = PAPER[input.settings.paper]
  const scale = scaleOf(drawings, width, height, lines.length)
  const pages: Page[] = []
  for (let from = 0; from < lines.length; from += COLUMNS * ROWS) {
    const page = new PageWriter(width, height)
    titleBlock(page, input, 'OUT OF THE MOULD')
    const here = lines.slice(from, from + COLUMNS * ROWS)
    const { w, h, columns } = cells(width, height, here.length)
    here.forEach((line, i) => {
      const [x, y] = [MARGIN + (i % columns) * w, height - HEAD - (Math.floor(i / columns) + 1) * h]
      drawFrame(page, drawings[from + i]!, { x, y: y + TOLD, w, h: h - TOLD }, scale)
      page.fit([x + 2, y + 6], `${from + i + 1}  ${line.short}`, 4, w - 4, { bold: true })
      const start = line.of[0]!.startMinutes
      const latest = line.of[0]!.latestMinutes
      if (start !== null)
        page.fit(
          [x + 2, y + 1.6],
          `from ${clock(start)}${latest === null ? '' : `, not after ${clock(latest)}`}`,
          3,
          w - 4,
        )
    })
    pages.push(page.page('film'))
  }
  return pages
}

type Cell = { readonly x: number; readonly y: number; readonly w: number; readonly h: number }

function cells(width: number, height: number, count: number) {
  const columns = Math.min(COLUMNS, count)
  const rows = Math.ceil(Math.min(count, COLUMNS * ROWS) / columns)
  return { columns, w: (width - 2 * MARGIN) / columns, h: (height - HEAD - FOOT) / rows }
}

/** All frames at one scale, so that they compare; 1 of an empty film. */
function scaleOf(
  drawings: readonly (readonly Line[])[],
  width: number,
  height: number,
  count: number,
): number {
  const { w, h } = cells(width, height, Math.min(count, COLUMNS * ROWS))
  const need = drawings.map((d) => {
    const { min, max } = boundsOf(d)
    return Math.max((max[0] - min[0]) / (w - 6), (max[1] - min[1]) / (h - TOLD - 4))
  })
  return Math.max(1e-6, ...need.filter(Number.isFinite))
}

function boundsOf(lines: readonly Line[]): { min: Point; max: Point } {
  const points = lines.flatMap((l) => [l.from, l.to])
  const of = (k: 0 | 1, pick: (a: number, b: number) => number, from: number) =>
    points.reduce((best, p) => pick(best, p[k]), from)
  return {
    min: [of(0, Math.min, Infinity), of(1, Math.min, Infinity)],
    max: [of(0, Math.max, -Infinity), of(1, Math.max, -Infinity)],
  }
}

function drawFrame(page: PageWriter, lines: readonly Line[], cell: Cell, scale: number): void {
  const { min, max } = boundsOf(lines)
  const at = ([x, y]: Point): Point => [
    cell.x + cell.w / 2 + (x - (min[0] + max[0]) / 2) / scale,
    cell.y + cell.h / 2 + (y - (min[1] + max[1]) / 2) / scale,
  ]
  for (const { from, to, weight } of lines) page.line([at(from), at(to)], weight)
}
