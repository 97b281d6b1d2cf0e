import { type Kernel, outlineFromAbove, type Region } from '../geometry/index.ts'
import { findingList, type Piece } from '../job/index.ts'
import { atWidest, faceWordsOf, type PieceGeometry, type PieceStation, sideNamesOf } from '../piece/index.ts'
import { type Memo, noMemo, runStation } from '../station.ts'
import type { Bar, Mesh, Mix } from '../stock/index.ts'
import { massOf } from '../units/convert.ts'
import { adviseInside } from './adviseInside.ts'
import { type BarFigures, barFigures, barVolume } from './bars/barFigures.ts'
import { barFindings } from './bars/barFindings.ts'
import { markBars } from './bars/bendingList.ts'
import { planBars } from './bars/planBars.ts'
import { coatFindings } from './coatFindings.ts'
import { coatsOf } from './coats.ts'
import type { Turned } from './handling/planHandling.ts'
import { planMoves } from './handling/planMoves.ts'
import { judgeLands, landFindings } from './lands.ts'
import { matFigures } from './mat/matFigures.ts'
import { matFindings } from './mat/matFindings.ts'
import { matsOf, takesTwo } from './mat/planMat.ts'
import { movingWork } from './moving.ts'
import { fixingFindings, fixingsOf } from './pullOut.ts'
import { planStanding, type Standing, standingFindings } from './standing/standing.ts'
import { steelWork } from './steelWork.ts'
import { TWO, takesMesh } from './takesMesh.ts'
import { cutsThrough } from './thickness/cutsThrough.ts'
import { leastThickness } from './thickness/leastThickness.ts'
import { mapThickness } from './thickness/thicknessMap.ts'
import { thinFindings } from './thickness/thinFindings.ts'
import { feathersOf, placesOf, SHARP, thinnestOf, toldPlaces, walls } from './thickness/told.ts'
import { tyingOf } from './tying.ts'
import type { SteelFigures, SteelStation } from './types.ts'
import { voidHold } from './voidHold.ts'
import type { SteelFindings } from './words.ts'

/** Exposures with frost, wet ground or standing water. */
const WET: ReadonlySet<string> = new Set(['outdoors', 'soil', 'wet-room'])

/** Cover by exposure: 15 mm dry, 30 outdoors or wet unless the mesh does not rust; at least 1.5 x the largest stone. */
export function coverFor(piece: Piece, mesh: Mesh | undefined, mix: Mix): number {
  return Math.max(WET.has(piece.exposure) && mesh?.finish === 'plain' ? 30 : 15, 1.5 * mix.largestStone)
}
const coverForBar = (piece: Piece, bar: Bar, mix: Mix): number =>
  Math.max(WET.has(piece.exposure) && bar.material === 'plain' ? 30 : 15, 1.5 * mix.largestStone)

export type SteelOptions = {
  readonly mixes: readonly Mix[]
  readonly bars: readonly Bar[]
  /** What the base it lies on holds it down by at its first lift. */
  readonly suctionKPa: number
  /** How the mould is turned over with it; null where no mould is known. */
  readonly turn?: Turned | null
  readonly quick: boolean
  /** Who are there to lift. */
  readonly people: number
}

/** The third station: what goes inside, and whether the piece is thick enough for it. */
export function planSteelStation(
  kernel: Kernel,
  piece: Piece,
  { geometry, figures }: PieceStation,
  meshes: readonly Mesh[],
  mix: Mix,
  { mixes, bars: barStock, suctionKPa, turn = null, quick, people }: SteelOptions,
  memo: Memo = noMemo,
  /** How far the thickness map is, 0 to 1: of a fine mesh it takes seconds. */
  onThickness?: (share: number) => void,
): SteelStation {
  const slab = piece.kind === 'slab' ? piece : null
  const meshed = takesMesh(piece, geometry)
  const wanted = meshed && piece.steel.kind === 'mesh'
  const chosen = wanted ? meshes.find((m) => m.id === piece.steel.mesh) : undefined
  const cover = piece.steel.cover ?? coverFor(piece, chosen, mix)
  const { findings, raise } = findingList<SteelFindings>('steel', piece.id, 'piece', piece.id)
  if (wanted && !chosen) raise('mesh-missing', 'stop', { row: piece.steel.mesh })
  if (!meshed && piece.steel.kind === 'mesh')
    raise('mesh-for-slabs', 'note', { kind: piece.kind }, [
      {
        code: 'none',
        facts: {},
        changes: [{ type: 'steelChosen', pieceId: piece.id, patch: { kind: 'none' } }],
      },
    ])

  const cuts =
    slab && chosen && geometry.recipe ? matsOf(kernel, slab, geometry, chosen, { cover, quick }, memo) : []
  const [cut] = cuts
  // Where nothing of it fits there is none: nothing is laid, and the concrete is judged as plain.
  const mats = cuts.filter((m) => m.sheet.wires.length > 0)
  const mat = mats[0] ?? null
  if (slab && chosen && slab.steel.twice && !takesTwo(slab))
    raise('second-mat-thin', 'note', { thicknessMm: slab.thickness, leastMm: TWO }, [
      {
        code: 'one',
        facts: {},
        changes: [{ type: 'steelChosen', pieceId: piece.id, patch: { twice: false } }],
      },
    ])
  const inside = mat ? 'mesh' : piece.steel.kind === 'fibre' ? 'fibre' : 'none'
  const lands = slab && geometry.recipe ? judgeLands(slab, geometry, memo) : []
  const least = leastThickness(piece, geometry, mix, inside)
  const map =
    geometry.recipe && !quick
      ? runStation(memo, 'thickness', { recipe: geometry.recipe }, (i) =>
          mapThickness(kernel, i.recipe, onThickness),
        ).value
      : null
  const places = map ? placesOf(piece, geometry, map, least) : null
  const thinnest = thinnestOf(piece, geometry, places, lands)
  if (places) findings.push(...thinFindings(piece, geometry, places, { least, mix, mixes, inside }))
  for (const { a, b, angleDeg, lengthMm } of feathersOf(map, geometry))
    raise('feather-edge', angleDeg < SHARP ? 'warn' : 'note', { angleDeg, lengthMm, a, b })
  if (slab && cut) matFindings(slab, cut, cover, meshes, (p, m) => coverFor(p, m, mix), raise)
  // Bars along a land are known from the plan alone: a land that has them is told so while it is dragged too.
  const planned = planBars(
    kernel,
    {
      piece,
      geometry,
      stock: barStock,
      mat,
      lands,
      coverOf: (bar) => piece.steel.cover ?? coverForBar(piece, bar, mix),
      quick,
    },
    memo,
  )
  const bars = quick ? null : planned
  if (bars) barFindings(piece, geometry, bars, barStock, raise)
  if (slab)
    findings.push(
      ...landFindings(
        slab,
        lands,
        atWidest(slab, [...geometry.openings, ...geometry.drilled]),
        planned?.barred ?? [],
      ),
    )
  if (figures.voidFormer && figures.voidFormer.coverMm < least.mm - 1e-6)
    raise('void-wall', 'warn', { coverMm: figures.voidFormer.coverMm, leastMm: least.mm, mix: mix.name }, [
      {
        code: 'more',
        facts: { coverMm: least.mm },
        changes: [
          {
            type: 'pieceDescribed',
            pieceId: piece.id,
            patch: { voidFormer: { ...piece.voidFormer!, cover: least.mm } },
          },
        ],
      },
    ])
  const coats = coatsOf(piece, { figures, geometry }, mix.freshKgPerM3, thinnest?.mm ?? null)
  if (coats) coatFindings(piece, coats, mix, mixes, geometry.thickness, raise)
  const told = bars && barFigures(bars, memo)
  const lies = mat?.height ?? told?.heightMm ?? null
  if (lies !== null && piece.steel.placed === 'chairs' && piece.attitude.down === 'top')
    raise('chairs-show', 'warn', {}, [
      {
        code: 'hung',
        facts: {},
        changes: [{ type: 'steelChosen', pieceId: piece.id, patch: { placed: 'hung' } }],
      },
    ])
  if (lies !== null && piece.steel.placed === 'pressed') {
    const deep = piece.attitude.down === 'top' ? lies : geometry.thickness - lies
    if (deep > PRESSED)
      raise('pressed-deep', 'warn', { deepMm: deep, mostMm: PRESSED }, [
        {
          code: 'on-fill',
          facts: {},
          changes: [{ type: 'steelChosen', pieceId: piece.id, patch: { placed: 'on-fill' } }],
        },
      ])
  }
  const matsKg = mats.reduce((sum, m) => sum + m.massKg, 0)
  const massKg = matsKg + (told?.massKg ?? 0)
  const concrete = Math.max(
    0,
    figures.volumeLitres * 1e6 -
      (mat ? (matsKg / mat.mesh.densityKgPerM3) * 1e9 : 0) -
      (bars ? barVolume(bars) : 0),
  )
  const insertKg = figures.inserts.massKg
  const strippingKg = massOf(concrete, mix.freshKgPerM3) + massKg + insertKg
  const placedKg = massOf(concrete, mix.hardenedKgPerM3) + massKg + insertKg
  const moves = planMoves(
    kernel,
    {
      piece,
      geometry,
      mix,
      mats,
      bars: bars?.bars ?? [],
      people,
      kg: strippingKg,
      placedKg,
      suctionKPa,
      turn,
      quick,
    },
    memo,
  )
  findings.push(...moves.findings)
  const standing = quick ? null : planStanding(kernel, piece, geometry, figures, placedKg, memo)
  if (standing) findings.push(...standingFindings(piece, geometry, standing, placedKg))
  const fixings = fixingsOf(piece, geometry, mix.f28[piece.mix.water])
  findings.push(...fixingFindings(piece, fixings, placedKg))
  const result: SteelFigures = {
    kind: piece.steel.kind === 'coats' ? 'coats' : inside,
    advice:
      quick || !geometry.recipe
        ? null
        : adviseInside(
            piece,
            geometry,
            mix,
            (chosen ?? finest(meshes))?.wire ?? 0,
            planned?.takes ?? null,
            thinnest?.mm ?? null,
          ),
    coats,
    ...matFigures(mats, piece, geometry.thickness, (id) => (slab && sideNamesOf(slab.outline).get(id)) ?? ''),
    ...(!mat && told?.heightMm != null && { layAtFillMm: fillUnder(piece, geometry, told) }),
    placed: piece.steel.placed,
    tying: tyingOf(mats, bars?.bars ?? [], piece.steel.placed),
    coverMm: cover,
    coverFrom: piece.steel.cover === null ? 'exposure' : 'choice',
    fibreKg: inside === 'fibre' ? (piece.steel.fibre.kgPerM3 * concrete) / 1e9 : 0,
    leastThicknessMm: least.mm,
    leastRule: least.rule,
    thinnestMm: thinnest?.mm ?? null,
    thinnestWhere: thinnest?.where ?? '',
    thinnestFrom: thinnest?.exact === false ? 'solid' : 'measures',
    thinPlaces: toldPlaces(geometry, places ?? [], least.mm),
    bars: told,
    voidHold: voidHold(figures.voidFormer, mix.freshKgPerM3),
    placedKg,
    standing: standing && toldStanding(standing),
    strippingKg,
    turnMpa: moves.turnMpa,
    fixings,
    handling: moves.told,
    lands: lands.map(({ level: _, long: __, wantedMm: ___, ...land }) => land),
  }
  return {
    figures: result,
    findings,
    wires: mat?.sheet.wires ?? [],
    secondWires: mats[1]?.sheet.wires ?? [],
    bentWires: mats.flatMap((m) => m.aprons.strips).flatMap((s) => [...s.bent, ...s.along]),
    bars: markBars(bars?.bars ?? []),
    thickness: map && { ...map, samples: walls(map, places ?? [], faceWordsOf(geometry)) },
    cuts: map
      ? runStation(memo, 'thin cuts', { recipe: geometry.recipe, places: result.thinPlaces }, (i) =>
          cutsThrough(kernel, i.recipe!, i.places, map),
        ).value
      : [],
    handling: moves.plate,
    front: quick ? null : frontOf(kernel, geometry, memo),
    operations: steelWork(result, piece.voidFormer),
    // While it is dragged it is not known how it bends, nor then how it is moved.
    moving:
      quick && !result.handling
        ? []
        : movingWork({
            figures: result,
            plate: moves.plate,
            stands: geometry.height > Math.max(geometry.length, geometry.width),
            blocksKg: figures.blocks.map((b) => massOf(b.volumeLitres * 1e6, mix.freshKgPerM3)),
          }),
  }
}

/** The mesh of the thinnest wires; undefined of an empty stock. */
const finest = (meshes: readonly Mesh[]): Mesh | undefined => [...meshes].sort((a, b) => a.wire - b.wire)[0]

/** A mat is pressed no deeper than this into a full form, mm [own]: it drags stones down and leaves a seam. */
const PRESSED = 30

/** The fill on which bars without a mat are laid, mm. */
const fillUnder = (
  { attitude }: Piece,
  { thickness }: PieceGeometry,
  { heightMm, diameterMm }: BarFigures,
): number => (attitude.down === 'top' ? thickness - heightMm! : heightMm!) - diameterMm / 2

/** A piece seen from the front: x, and its height. */
const frontOf = (kernel: Kernel, { recipe }: PieceGeometry, memo: Memo): Region | null =>
  recipe &&
  runStation(memo, 'front', { recipe }, () =>
    outlineFromAbove(kernel, {
      kind: 'moved',
      solid: recipe,
      by: { x: [1, 0, 0], y: [0, 0, -1], z: [0, 1, 0], origin: [0, 0, 0] },
    }),
  ).value

const toldStanding = ({ tipping, footing }: Standing): NonNullable<SteelFigures['standing']> => ({
  tips: tipping && {
    pushN: Math.max(0, tipping.pushN),
    pushHeightMm: tipping.pushedAt,
    angleDeg: Math.max(0, tipping.angleDeg),
  },
  footing: footing && {
    depthMm: footing.depth,
    aboveMm: footing.above,
    holeMm: footing.hole,
    holeDepthMm: footing.digs,
    concreteLitres: footing.concreteLitres,
    bedLitres: footing.bedLitres,
  },
})
