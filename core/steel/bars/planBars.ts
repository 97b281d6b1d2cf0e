import {
  bandFromAbove,
  boundSolid,
  type Kernel,
  measureRegion,
  offsetRegion,
  type SolidRecipe,
} from '../../geometry/index.ts'
import type { Piece, SlabPiece } from '../../job/index.ts'
import { atWidest, type PieceGeometry } from '../../piece/index.ts'
import { type Memo, runStation } from '../../station.ts'
import type { Bar } from '../../stock/index.ts'
import { castIn } from '../castIn.ts'
import type { JudgedLand } from '../lands.ts'
import { isPost, longWay, sizeOf } from '../longWay.ts'
import { matRegion } from '../mat/matRegion.ts'
import { LEAST_COVER, type Mat, schoolOf } from '../mat/planMat.ts'
import { takesMesh } from '../takesMesh.ts'
import { planCage } from './cage.ts'
import { type InsideCorner, insideCorners, planCornerBars, rimCorners } from './cornerBars.ts'
import { planHoops } from './hoops.ts'
import { ownBars } from './ownBars.ts'
import { planRails } from './rails.ts'
import type { PlacedBar } from './types.ts'

/** The bar that is taken where none is chosen is the nearest to this, mm. */
const USUAL = 8
/** A bar in a slab is no thicker than this share of it; steel closer to a show face shows through, mm. */
export const FIFTH = 5
export const GHOSTING = 12
/** A slab thinner than this takes a mat and no cage, mm [own]. */
const THICK = 100
/** Of ties against uprights: EN 1992-1-1, 9.5.3, and the thinnest that is bent on a bench, mm. */
const [TIE, LEAST_TIE] = [0.25, 4]

/** A swept piece is as wide as its profile is swept: along y. */
const ACROSS = 1

/** Which bars serve a piece at all. */
export type TakesBars = {
  readonly rails: boolean
  readonly corners: boolean
  readonly hoops: boolean
  readonly cage: boolean
  /** Of a swept piece, along its profile. */
  readonly ribs: boolean
}

export type Bars = {
  readonly bars: readonly PlacedBar[]
  readonly takes: TakesBars
  readonly main: Bar | null
  readonly cover: number
  /** Of bars in a slab: from its underside to their middle; null of others. */
  readonly height: number | null
  readonly barred: readonly number[]
  readonly bare: {
    readonly rails: number
    readonly corners: number
    readonly short: number
    readonly own: number
    readonly ownShort: number
  }
  /** Which were asked for and find no room. */
  readonly none: readonly ('cage' | 'ribs' | 'hoops')[]
  /** What hoops keep in a wall that is too thin for the cover; null where they keep it. */
  readonly hoopCover: number | null
  /** Ties and hoops, mm apart; null where there are none. */
  readonly apart: number | null
  /** Area of a cage's uprights over that of its section; 0 without a cage. */
  readonly share: number
  /** Its cage is one of ribs. */
  readonly alongProfile: boolean
}

/** What of a piece's bars stands by itself: the whole, or each of its blocks. */
const bodiesOf = (geometry: PieceGeometry): { id: string; recipe: SolidRecipe }[] =>
  geometry.blocks.length > 1
    ? geometry.blocks.map(({ id, recipe }) => ({ id, recipe }))
    : geometry.recipe
      ? [{ id: 'cage', recipe: geometry.recipe }]
      : []

/** A body less what else is cast in: nothing keeps its cover from a pipe that counts as concrete. */
const without = (from: SolidRecipe, minus: readonly SolidRecipe[]): SolidRecipe =>
  minus.length === 0 ? from : { kind: 'difference', from, minus }

/** What bars a piece could have, from its solid; while that is not there, those of a slab. */
function takesBars(
  kernel: Kernel,
  piece: Piece,
  geometry: PieceGeometry,
  quick: boolean,
  memo: Memo,
): TakesBars {
  const flat = takesMesh(piece, geometry)
  const bodies = quick ? [] : bodiesOf(geometry)
  const { value } = runStation(memo, 'posts', { bodies }, (i) => ({
    cage: i.bodies.some(({ recipe }) => isPost(sizeOf(kernel, recipe))),
    across: i.bodies.some(({ recipe }) => longWay(sizeOf(kernel, recipe)) === ACROSS),
    hollow: i.bodies.length === 1 && isHollow(kernel, i.bodies[0]!.recipe),
  }))
  const slab = piece.kind === 'slab' && flat
  return {
    rails: slab && geometry.openings.length > 0,
    corners:
      slab &&
      (geometry.openings.some((o) => insideCorners(o.loop, true).length > 0) ||
        insideCorners(geometry.outline, false).length > 0 ||
        rimOf(piece, geometry).length > 0),
    hoops: !slab && value.hollow,
    // A thin slab has its mat.
    cage: value.cage && !value.hollow && !(slab && geometry.thickness < THICK),
    // Along its width a cage does what ribs would.
    ribs: piece.kind === 'swept' && !value.across && !value.hollow,
  }
}

/** Corners of the rim of a basin with straight sides: its shell stiffens the slab there, and it cracks beside it. */
const rimOf = (piece: Piece, { noMesh }: PieceGeometry): InsideCorner[] => {
  const basin = piece.kind === 'slab' ? piece.basin : null
  const plan = noMesh[0]?.[0]
  return basin && plan && basin.form !== 'bowl' && basin.form !== 'superellipse' ? rimCorners(plan) : []
}

/** Whether a body goes round a hollow that is open above: a section of its upper half has a hole. */
function isHollow(kernel: Kernel, recipe: SolidRecipe): boolean {
  const { min, max } = boundSolid(kernel, recipe)
  return HEIGHTS.some((share) => {
    const z = min[2] + (max[2] - min[2]) * share
    const areas = bandFromAbove(kernel, recipe, z - 0.5, z + 0.5).map((ring) => measureRegion([ring]))
    return -Math.min(0, ...areas) > HOLLOW * Math.max(0, ...areas)
  })
}
/** Heights that are looked at: a hole in the wall may break the ring at one of them. */
const HEIGHTS = [0.9, 0.75, 0.55] as const
/** A hole of so much of a section makes it hollow: less is a pipe's way. */
const HOLLOW = 0.2

export type BarsInput = {
  readonly piece: Piece
  readonly geometry: PieceGeometry
  readonly stock: readonly Bar[]
  readonly mat: Mat | null
  readonly lands: readonly JudgedLand[]
  readonly coverOf: (bar: Bar) => number
  /** Without the solid: only what lies in a slab. */
  readonly quick: boolean
}

/** The bars of a piece where they lie; null of one that cannot be built. */
export function planBars(kernel: Kernel, input: BarsInput, memo: Memo): Bars | null {
  const { piece, geometry, stock, mat, coverOf } = input
  if (!geometry.recipe) return null
  const { bars: choice } = piece.steel
  const takes = takesBars(kernel, piece, geometry, input.quick, memo)
  const wants = {
    rails: choice.rails && takes.rails,
    corners: choice.corners && takes.corners,
    hoops: choice.hoops && takes.hoops,
    cage: choice.cage && takes.cage,
    ribs: choice.ribs && takes.ribs,
  }
  const main =
    choice.row === null
      ? usualBar(stock, takesMesh(piece, geometry) ? mostIn(geometry.thickness, mat) : null)
      : (stock.find((b) => b.id === choice.row) ?? null)
  const none: Bars = {
    bars: [],
    takes,
    main,
    cover: main ? coverOf(main) : 0,
    height: null,
    barred: [],
    bare: { rails: 0, corners: 0, short: 0, own: 0, ownShort: 0 },
    none: [],
    hoopCover: null,
    apart: null,
    share: 0,
    alongProfile: false,
  }
  const own = piece.kind === 'slab' && takesMesh(piece, geometry) && choice.own.length > 0
  if (!main || !(own || Object.values(wants).includes(true))) return none
  const inSlab = piece.kind === 'slab' && (own || wants.rails || wants.corners)
  const laid = inSlab ? barsInSlab(kernel, piece, input, main, wants) : null
  const shaped =
    wants.cage || wants.ribs || wants.hoops
      ? runStation(
          memo,
          'bars',
          {
            bodies: bodiesOf(geometry),
            inserts: castIn(geometry),
            cover: none.cover,
            main,
            tie: tieFor(stock, main),
            apart: choice.apart,
            wants,
          },
          (i) => {
            const cages =
              i.wants.cage || i.wants.ribs
                ? i.bodies.flatMap(
                    ({ id, recipe }) =>
                      planCage(kernel, recipe, { ...i, id, ...(i.wants.ribs && { axis: ACROSS }) }) ?? [],
                  )
                : []
            const hoops = i.wants.hoops
              ? planHoops(kernel, without(i.bodies[0]!.recipe, i.inserts), 'wall', i.main, {
                  cover: i.cover,
                  apart: i.apart,
                })
              : null
            return { cages, hoops }
          },
        ).value
      : null
  const cages = shaped?.cages ?? []
  return {
    ...none,
    ...laid,
    bars: [...(laid?.bars ?? []), ...cages.flatMap((c) => c.bars), ...(shaped?.hoops?.bars ?? [])],
    none: [
      ...(wants.cage && cages.length === 0 ? (['cage'] as const) : []),
      ...(wants.ribs && cages.length === 0 ? (['ribs'] as const) : []),
      ...(wants.hoops && !shaped?.hoops ? (['hoops'] as const) : []),
    ],
    hoopCover: shaped?.hoops && shaped.hoops.cover < none.cover ? shaped.hoops.cover : null,
    apart: cages.find((c) => c.apart > 0)?.apart ?? shaped?.hoops?.apart ?? null,
    share: wants.ribs ? 0 : Math.max(0, ...cages.map((c) => c.share)),
    alongProfile: wants.ribs && cages.length > 0,
  }
}

/** Bars in a flat slab lie on its mat, or where a mat would lie, as far as the concrete over and under them allows. */
function barsInSlab(
  kernel: Kernel,
  piece: SlabPiece,
  { geometry, mat, lands, coverOf }: BarsInput,
  main: Bar,
  wants: Pick<TakesBars, 'rails' | 'corners'>,
) {
  const { thickness } = geometry
  const d = main.diameter
  const cover = coverOf(main)
  const height = heightIn(thickness, d, cover, mat, schoolOf(piece))
  const openings = atWidest(piece, [...geometry.openings, ...geometry.drilled])
  // A narrow land leaves less beside them than the cover: they lie in its middle.
  const kept = Math.min(cover, ...lands.filter((l) => l.long).map((l) => (l.leastMm - d) / 2 - 0.1))
  const regionAt = (c: number) =>
    offsetRegion(
      kernel,
      matRegion(kernel, piece, geometry, openings, {
        low: height - d / 2,
        high: height + d / 2,
        cover: Math.max(LEAST_COVER, c),
      }),
      -d / 2,
      'mitre',
    )
  const rails = wants.rails
    ? planRails(lands, openings, regionAt(kept), main, { cover: Math.max(LEAST_COVER, kept), height })
    : { bars: [], barred: [], bare: 0 }
  const corners = wants.corners
    ? planCornerBars(
        [
          ...insideCorners(geometry.outline, false),
          ...openings.filter((o) => o.shape.kind !== 'round').flatMap((o) => insideCorners(o.loop, true)),
          ...rimOf(piece, geometry),
        ],
        regionAt(cover),
        main,
        { cover, height },
      )
    : { bars: [], bare: 0, short: 0 }
  const laid = ownBars(piece.steel.bars.own, regionAt(cover), main, height)
  return {
    bars: [...rails.bars, ...corners.bars, ...laid.bars],
    height,
    barred: rails.barred,
    bare: {
      rails: rails.bare,
      corners: corners.bare,
      short: corners.short,
      own: laid.bare,
      ownShort: laid.short,
    },
  }
}

function heightIn(
  thickness: number,
  diameter: number,
  cover: number,
  mat: Mat | null,
  school: ReturnType<typeof schoolOf>,
): number {
  if (!mat) {
    if (school === 'middle') return thickness / 2
    const at = cover + diameter / 2
    return school === 'stretched-face' ? Math.min(at, thickness / 2) : Math.max(thickness - at, thickness / 2)
  }
  // Tied on to the mat on the side where more concrete is left.
  const off = mat.mesh.wire + diameter / 2
  return mat.below >= mat.above ? mat.height - off : mat.height + off
}

/** The thickest bar that a slab takes: a fifth of it, and what leaves concrete over it on its mat, mm. */
const mostIn = (thickness: number, mat: Mat | null): number =>
  Math.min(thickness / FIFTH, mat ? Math.max(mat.below, mat.above) - GHOSTING : Infinity)

/** The bar nearest to 8 mm that can be bent and is no thicker than `most`; null of an empty stock. */
export function usualBar(stock: readonly Bar[], most: number | null): Bar | null {
  const bendable = stock.filter((b) => b.material !== 'glass-fibre')
  const thin = bendable.filter((b) => most === null || b.diameter <= most)
  return (
    [...(thin.length > 0 ? thin : bendable)].sort(
      (a, b) => Math.abs(a.diameter - USUAL) - Math.abs(b.diameter - USUAL),
    )[0] ?? null
  )
}

/** Ties of the same stuff, a quarter of the uprights' diameter or the thinnest above it. */
function tieFor(stock: readonly Bar[], main: Bar): Bar {
  const least = Math.max(LEAST_TIE, TIE * main.diameter)
  const fit = stock.filter(
    (b) => b.material === main.material && b.diameter >= least && b.diameter <= main.diameter,
  )
  return fit.sort((a, b) => a.diameter - b.diameter)[0] ?? main
}
