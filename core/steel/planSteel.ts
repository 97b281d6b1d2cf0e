import { strengthCurve } from '../ageing/index.ts'
import { type Kernel, outlineFromAbove, type Region } from '../geometry/index.ts'
import { findingList, type Piece } from '../job/index.ts'
import { atWidest, faceWordsOf, type PieceGeometry, type PieceStation } from '../piece/index.ts'
import { type Memo, noMemo, runStation } from '../station.ts'
import type { Mesh, Mix } from '../stock/index.ts'
import { massOf } from '../units/convert.ts'
import { act, type Operation, operation } from '../work/index.ts'
import { type FlatPlate, flatPlate, isFlat } from './handling/flatPlate.ts'
import { handlingFindings, toldMoves, turnStrength } from './handling/judgeHandling.ts'
import { planHandling } from './handling/planHandling.ts'
import { type JudgedLand, judgeLands, landFindings } from './lands.ts'
import { matFindings } from './mat/matFindings.ts'
import { type Mat, planMat } from './mat/planMat.ts'
import { fixingFindings, fixingsOf } from './pullOut.ts'
import { planStanding, type Standing, standingFindings } from './standing/standing.ts'
import { takesMesh } from './takesMesh.ts'
import { isLetter, type JudgedPlace, judgePlace } from './thickness/judgePlaces.ts'
import { type LeastThickness, leastThickness } from './thickness/leastThickness.ts'
import { mapThickness, type ThicknessMap, wallSamples } from './thickness/thicknessMap.ts'
import { thinFindings } from './thickness/thinFindings.ts'
import { thinPlaces } from './thickness/thinPlaces.ts'
import type { SteelFigures, SteelStation } from './types.ts'
import type { SteelFindings } from './words.ts'

/** Exposures with frost, wet ground or standing water. */
const WET: ReadonlySet<string> = new Set(['outdoors', 'soil', 'wet-room'])

/** Cover by exposure: 15 mm dry, 30 outdoors or wet unless the mesh does not rust; at least 1.5 x the largest stone. */
export function coverFor(piece: Piece, mesh: Mesh | undefined, mix: Mix): number {
  return Math.max(WET.has(piece.exposure) && mesh?.finish === 'plain' ? 30 : 15, 1.5 * mix.largestStone)
}

export type SteelOptions = {
  readonly mixes: readonly Mix[]
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
  { mixes, quick, people }: SteelOptions,
  memo: Memo = noMemo,
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

  const cut = slab && chosen && geometry.recipe ? planMat(kernel, slab, geometry, chosen, cover, memo) : null
  // Where nothing of it fits there is none: nothing is laid, and the concrete is judged as plain.
  const mat = cut && cut.sheet.wires.length > 0 ? cut : null
  const inside = mat ? 'mesh' : piece.steel.kind === 'fibre' ? 'fibre' : 'none'
  const lands = slab && geometry.recipe ? judgeLands(slab, geometry, memo) : []
  const least = leastThickness(piece, geometry, mix, inside)
  const map =
    geometry.recipe && !quick
      ? runStation(memo, 'thickness', { recipe: geometry.recipe }, (i) => mapThickness(kernel, i.recipe))
          .value
      : null
  const places = map ? placesOf(piece, geometry, map, least) : null
  const thinnest = thinnestOf(piece, geometry, places, lands)
  if (places) findings.push(...thinFindings(piece, geometry, places, { least, mix, mixes, inside }))
  for (const { a, b, angleDeg, lengthMm } of feathersOf(map, geometry))
    raise('feather-edge', angleDeg < SHARP ? 'warn' : 'note', { angleDeg, lengthMm, a, b })
  if (slab && cut) matFindings(slab, cut, cover, meshes, (p, m) => coverFor(p, m, mix), raise)
  if (slab)
    findings.push(...landFindings(slab, lands, atWidest(slab, [...geometry.openings, ...geometry.drilled])))

  const massKg = mat?.massKg ?? 0
  const concrete = Math.max(
    0,
    figures.volumeLitres * 1e6 - (mat ? (massKg / mat.mesh.densityKgPerM3) * 1e9 : 0),
  )
  const insertKg = figures.inserts.massKg
  const strippingKg = massOf(concrete, mix.freshKgPerM3) + massKg + insertKg
  const flat = flatOf(kernel, piece, geometry, quick, memo)
  const handling = flat ? planHandling(flat, piece, mix, { people, kg: strippingKg }) : null
  const moves = handling
    ? toldMoves(handling, mix, strengthCurve(mix, mix.f28[piece.mix.water]), piece.pour.temperature)
    : []
  if (handling) findings.push(...handlingFindings(piece, handling, moves, mix, geometry.thickness))
  const placedKg = massOf(concrete, mix.hardenedKgPerM3) + massKg + insertKg
  const standing = quick ? null : planStanding(kernel, piece, geometry, figures, placedKg, memo)
  if (standing) findings.push(...standingFindings(piece, geometry, standing, placedKg))
  const fixings = fixingsOf(piece, geometry, mix.f28[piece.mix.water])
  findings.push(...fixingFindings(piece, fixings))
  const result: SteelFigures = {
    kind: inside,
    ...matFigures(mat, piece, geometry.thickness),
    coverMm: cover,
    coverFrom: piece.steel.cover === null ? 'exposure' : 'choice',
    fibreKg: inside === 'fibre' ? (piece.steel.fibre.kgPerM3 * concrete) / 1e9 : 0,
    leastThicknessMm: least.mm,
    leastRule: least.rule,
    thinnestMm: thinnest?.mm ?? null,
    thinnestWhere: thinnest?.where ?? '',
    thinnestFrom: thinnest?.exact === false ? 'solid' : 'measures',
    thinPlaces: toldPlaces(geometry, places ?? [], least.mm),
    placedKg,
    standing: standing && toldStanding(standing),
    strippingKg,
    turnMpa: turnStrength(moves),
    fixings,
    handling:
      handling && flat
        ? {
            longerWayMm: handling.way.length,
            bearersMm: handling.bearers,
            proposedMm: handling.proposed,
            moves,
          }
        : null,
    lands: lands.map(({ level: _, long: __, wantedMm: ___, ...land }) => land),
  }
  return {
    figures: result,
    findings,
    wires: mat?.sheet.wires ?? [],
    thickness: map && { ...map, samples: walls(map, places ?? [], faceWordsOf(geometry)) },
    handling,
    front: quick ? null : frontOf(kernel, geometry, memo),
    operations: layMat(result),
  }
}

/** The plate of a flat piece; while it is dragged only one that is known already. */
function flatOf(
  kernel: Kernel,
  piece: Piece,
  geometry: PieceGeometry,
  quick: boolean,
  memo: Memo,
): FlatPlate | null {
  if (!geometry.recipe || !isFlat(piece, geometry)) return null
  try {
    return runStation(memo, 'plate', { recipe: geometry.recipe }, () => {
      if (quick) throw new Unknown()
      return flatPlate(kernel, geometry)
    }).value
  } catch (error) {
    if (error instanceof Unknown) return null
    throw error
  }
}
class Unknown extends Error {}

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

/** A feather edge sharper than this breaks off, degrees [own]. */
const SHARP = 30

/** Feather edges by what meets there: all arrises of a fluted shaft are one. Strokes of letters are judged by themselves. */
function feathersOf(map: ThicknessMap | null, geometry: PieceGeometry) {
  const words = faceWordsOf(geometry)
  const found = new Map<string, { a: string; b: string; angleDeg: number; lengthMm: number }>()
  for (const { faces, angleDeg, length } of map?.feathers ?? []) {
    if (faces.some(isLetter)) continue
    const [a, b] = faces.map(words).sort() as [string, string]
    const known = found.get(`${a}|${b}`)
    found.set(`${a}|${b}`, {
      a,
      b,
      angleDeg: Math.min(angleDeg, known?.angleDeg ?? 180),
      lengthMm: length + (known?.lengthMm ?? 0),
    })
  }
  return [...found.values()]
}

const placesOf = (
  piece: Piece,
  geometry: PieceGeometry,
  map: ThicknessMap,
  least: LeastThickness,
): JudgedPlace[] =>
  thinPlaces(map, Math.max(least.mm, least.better ?? 0), faceWordsOf(geometry)).map((place) =>
    judgePlace(piece, geometry, place, least),
  )

type Thinnest = { readonly mm: number; readonly where: string; readonly exact: boolean }

/** The thinnest of the piece: from its solid once it rests; before that only where its own measures tell it. */
function thinnestOf(
  piece: Piece,
  geometry: PieceGeometry,
  places: readonly JudgedPlace[] | null,
  lands: readonly JudgedLand[],
): Thinnest | null {
  const land = lands.reduce<JudgedLand | null>((a, b) => (!a || b.leastMm < a.leastMm ? b : a), null)
  const words = faceWordsOf(geometry)
  const place = places?.find((p) => p.judgedAs !== 'letters' && p.judgedAs !== 'stub')
  const own: Thinnest | null = place
    ? { mm: place.leastMm, where: whereOf(piece, place, words), exact: place.exact }
    : places === null
      ? byMeasures(piece, geometry)
      : null
  if (!land || (own && own.mm <= land.leastMm)) return own
  return own && { mm: land.leastMm, where: `between ${land.between[0]} and ${land.between[1]}`, exact: true }
}

const WHOLE = 'the slab itself'
const isWhole = (faces: readonly string[]): boolean => faces.includes('top') && faces.includes('bottom')
const whereOf = (piece: Piece, { faces }: JudgedPlace, words: (face: string) => string): string => {
  if (isWhole(faces)) return piece.kind === 'slab' ? WHOLE : 'from underside to top'
  const [a, b] = faces.map(words) as [string, string]
  return a === b ? `across the ${a}` : `between ${a} and ${b}`
}

/** What a piece's own measures say of its thinnest; null where only its solid tells. */
function byMeasures(piece: Piece, { thickness, thinnest, formed, recipe }: PieceGeometry): Thinnest | null {
  if (!recipe) return null
  // The wall of a bowl is thinner between its rim and its foot than either.
  if (thinnest && !(piece.kind === 'turned' && piece.turned.form === 'bowl'))
    return { ...thinnest, exact: true }
  return piece.kind === 'slab' && formed.length === 0 ? { mm: thickness, where: WHOLE, exact: true } : null
}

/** Samples as they are drawn: walls, without nibs, ridges and letters, which are carried by what they stand on. */
function walls(
  map: ThicknessMap,
  places: readonly JudgedPlace[],
  words: (face: string) => string,
): ThicknessMap['samples'] {
  const pairs = new Set(
    places.flatMap((p) =>
      p.judgedAs === 'stub' || p.judgedAs === 'letters' ? [pairOf(p.faces.map(words))] : [],
    ),
  )
  return wallSamples(map).filter((s) => !pairs.has(pairOf([words(s.face), words(s.across)])))
}

const pairOf = (names: readonly string[]): string => [...names].sort().join('|')

/** A place thicker than so many times what is wanted, or than the thinnest, is none [own]. */
const [THICK, NEAR] = [2, 1.25]
/** Places told in figures at most, one of each pair of faces. */
const TOLD = 8

const toldPlaces = (
  geometry: PieceGeometry,
  places: readonly JudgedPlace[],
  wanted: number,
): SteelFigures['thinPlaces'] => {
  const words = faceWordsOf(geometry)
  const most = Math.max(THICK * wanted, NEAR * (places[0]?.leastMm ?? 0))
  return places
    .filter((p) => p.judgedAs !== 'letters' && p.judgedAs !== 'stub' && p.leastMm <= most)
    .filter(
      (p, i, all) => all.findIndex((o) => pairOf(o.faces.map(words)) === pairOf(p.faces.map(words))) === i,
    )
    .slice(0, TOLD)
    .map((p) => ({
      between: [words(p.faces[0]), words(p.faces[1])],
      judgedAs: p.judgedAs as 'wall' | 'work' | 'land',
      whole: isWhole(p.faces),
      leastMm: p.leastMm,
      lengthMm: p.lengthMm,
      widthMm: p.widthMm,
      wantedMm: p.judgedAs === 'wall' || p.judgedAs === 'work' ? p.wantedMm : null,
      xMm: p.at[0] + (p.into[0] * p.leastMm) / 2,
      yMm: p.at[1] + (p.into[1] * p.leastMm) / 2,
      zMm: p.at[2] + (p.into[2] * p.leastMm) / 2,
    }))
}

function matFigures(mat: Mat | null, { attitude }: Piece, thickness: number) {
  if (!mat)
    return {
      meshName: null,
      wireMm: 0,
      heightMm: null,
      layAtFillMm: null,
      depthSchool: null,
      coverToShowFaceMm: null,
      lengthwaysWires: 0,
      crosswaysWires: 0,
      wirePieces: 0,
      totalWireMm: 0,
      sheetLengthMm: 0,
      sheetWidthMm: 0,
      sheetCount: 0,
      lapsMm: 0,
      massKg: 0,
      cost: null,
      steelShare: 0,
    }
  const { mesh, sheet, height, school } = mat
  return {
    meshName: mesh.name,
    wireMm: mesh.wire,
    heightMm: height,
    layAtFillMm: (attitude.down === 'top' ? thickness - height : height) - mesh.wire,
    depthSchool: SCHOOLS[school],
    coverToShowFaceMm: mat.above,
    lengthwaysWires: sheet.lengthways,
    crosswaysWires: sheet.crossways,
    wirePieces: sheet.wires.length,
    totalWireMm: sheet.totalLength,
    sheetLengthMm: sheet.sheetLength,
    sheetWidthMm: sheet.sheetWidth,
    sheetCount: mat.sheets,
    lapsMm: mat.laps,
    massKg: mat.massKg,
    cost: mesh.price == null ? null : mesh.price * mat.sheets,
    steelShare: ((Math.PI / 4) * mesh.wire ** 2) / (mesh.spacing * thickness),
  }
}
const SCHOOLS = {
  middle: 'middle',
  'stretched-face': 'stretched face',
  'weather-face': 'weather face',
} as const

/** Minutes to lay a mat and set it on its cover [own]. */
const LAY_MINUTES = 3
/** Works for this share of its initial set [own]. */
const WORKS = 0.5

/** The mat goes in when the fill stands at its level. */
const layMat = ({ layAtFillMm, coverMm }: SteelFigures): Operation[] =>
  layAtFillMm === null
    ? []
    : [
        operation({
          ...act('lay-mesh', { fillMm: layAtFillMm, coverMm }),
          id: 'lay/mat',
          station: 'steel',
          per: 'cast',
          about: [{ kind: 'mat', id: 'mat' }],
          minutes: LAY_MINUTES,
          notAfter: [{ kind: 'set', of: 'initial', setShare: WORKS }],
        }),
      ]
