import { boundLoop, combineRegions, type Kernel, type Point } from '../geometry/index.ts'
import { findingList, type Piece } from '../job/index.ts'
import { atWidest, type PieceStation } from '../piece/index.ts'
import { type Memo, noMemo, runStation } from '../station.ts'
import type { Mesh, Mix } from '../stock/index.ts'
import { massOf } from '../units/convert.ts'
import { act, type Operation, operation } from '../work/index.ts'
import { judgeLands, landFindings } from './lands.ts'
import { meshRegion, meshSheet } from './meshSheet.ts'
import { thinRemedies } from './thicker.ts'
import { thinnestOf } from './thinnest.ts'
import type { SteelFigures, SteelStation } from './types.ts'
import type { SteelFindings } from './words.ts'

/** Steel nearer than this to the show face shows through (ghosting), mm. */
const GHOSTING = 12
/** Exposures with frost or wet ground. */
const OUTSIDE: ReadonlySet<string> = new Set(['outdoors', 'soil'])
/** Sheets lap by one square and this, mm. */
const LAP = 50

/** Cover by exposure: 15 mm dry, 30 outdoors or wet unless the mesh does not rust; at least 1.5 x the largest stone. */
export function coverFor(piece: Piece, mesh: Mesh | undefined, mix: Mix): number {
  const rusts = mesh?.finish === 'plain'
  const wet = OUTSIDE.has(piece.exposure) || piece.exposure === 'wet-room'
  return Math.max(wet && rusts ? 30 : 15, 1.5 * mix.largestStone)
}

/** The third station: what goes inside, and whether the piece is thick enough for it. */
export function planSteelStation(
  kernel: Kernel,
  piece: Piece,
  { geometry, figures }: PieceStation,
  meshes: readonly Mesh[],
  mix: Mix,
  { mixes, quick }: { readonly mixes: readonly Mix[]; readonly quick: boolean },
  memo: Memo = noMemo,
): SteelStation {
  const slab = piece.kind === 'slab' ? piece : null
  const wanted = slab !== null && piece.steel.kind === 'mesh'
  const chosen = wanted ? meshes.find((m) => m.id === piece.steel.mesh) : undefined
  const { thickness } = geometry
  const cover = piece.steel.cover ?? coverFor(piece, chosen, mix)
  const { findings, raise } = findingList<SteelFindings>('steel', piece.id, 'piece', piece.id)
  if (wanted && !chosen) raise('mesh-missing', 'stop', { row: piece.steel.mesh })
  if (!slab && piece.steel.kind === 'mesh') raise('mesh-for-slabs', 'note', { kind: piece.kind })

  const buildable = geometry.recipe !== null
  const { outline, noMesh } = geometry
  // A bit must not meet the mat: it is kept clear of what is drilled later as of what is cast in.
  const all = [...geometry.openings, ...geometry.drilled]
  const openings = slab ? atWidest(slab, all) : all
  // A mat is the plan's and the cover's: a change of thickness alone does not cut it again.
  const sheet =
    chosen && buildable
      ? runStation(memo, 'mat', { outline, openings, noMesh, mesh: chosen, cover }, (i) => cutMesh(kernel, i))
          .value
      : null
  // Where nothing of it fits there is none: nothing is laid, and the concrete is judged as plain.
  const fits = sheet?.wires.length !== 0
  const mesh = fits ? chosen : undefined
  const massKg =
    mesh && sheet ? massOf(sheet.totalLength * (Math.PI / 4) * mesh.wire ** 2, mesh.densityKgPerM3) : 0
  const depth = piece.steel.depth ?? (thickness < 60 ? 'middle' : 'stretched-face')
  const height = mesh ? (depth === 'middle' ? thickness / 2 : cover + mesh.wire) : null
  const down = piece.attitude.down
  const lands = slab && buildable ? judgeLands(slab, geometry, memo) : []
  // Where the thinnest is not the slab (a basin's shell), no mesh runs through it.
  const least = leastThickness(piece, geometry, mix, geometry.thinnest ? undefined : mesh, cover)
  const steelVolume = mesh ? (massKg / mesh.densityKgPerM3) * 1e9 : 0
  const volume = figures.volumeLitres * 1e6
  const insertKg = figures.inserts.massKg
  const thinnestLand = lands.reduce<(typeof lands)[number] | null>(
    (a, b) => (!a || b.leastMm < a.leastMm ? b : a),
    null,
  )
  // What no measure of a piece tells is looked for in its solid, once it rests.
  const measured =
    !slab && !geometry.thinnest && geometry.recipe && !quick
      ? runStation(memo, 'thinnest', { recipe: geometry.recipe }, (i) => thinnestOf(kernel, i.recipe)).value
      : null
  const own = geometry.thinnest ?? (slab ? { mm: thickness, where: 'the slab itself' } : measured)
  const landIsThinnest = thinnestLand !== null && own !== null && thinnestLand.leastMm < own.mm
  const sheets = mesh && sheet ? sheetsFor(sheet.sheetLength, sheet.sheetWidth, mesh) : { count: 0, laps: 0 }
  const result: SteelFigures = {
    kind: mesh ? 'mesh' : 'none',
    meshName: mesh?.name ?? null,
    wireMm: mesh?.wire ?? 0,
    coverMm: cover,
    coverFrom: piece.steel.cover === null ? 'exposure' : 'choice',
    heightMm: height,
    layAtFillMm: height === null || !mesh ? null : (down === 'top' ? thickness - height : height) - mesh.wire,
    depthSchool: mesh ? (depth === 'middle' ? 'middle' : 'stretched face') : null,
    coverToShowFaceMm: height === null || !mesh ? null : thickness - height - mesh.wire,
    lengthwaysWires: sheet?.lengthways ?? 0,
    crosswaysWires: sheet?.crossways ?? 0,
    wirePieces: sheet?.wires.length ?? 0,
    totalWireMm: sheet?.totalLength ?? 0,
    sheetLengthMm: sheet?.sheetLength ?? 0,
    sheetWidthMm: sheet?.sheetWidth ?? 0,
    sheetCount: sheets.count,
    lapsMm: sheets.laps,
    massKg,
    cost: mesh?.price == null ? null : mesh.price * sheets.count,
    steelShare: mesh ? ((Math.PI / 4) * mesh.wire ** 2) / (mesh.spacing * thickness) : 0,
    leastThicknessMm: least,
    thinnestMm: landIsThinnest ? thinnestLand.leastMm : (own?.mm ?? null),
    thinnestWhere: landIsThinnest
      ? `between ${thinnestLand.between[0]} and ${thinnestLand.between[1]}`
      : (own?.where ?? ''),
    thinnestFrom: own !== null && own === measured ? 'solid' : 'measures',
    placedKg: massOf(Math.max(0, volume - steelVolume), mix.hardenedKgPerM3) + massKg + insertKg,
    strippingKg: massOf(Math.max(0, volume - steelVolume), mix.freshKgPerM3) + massKg + insertKg,
    lands: lands.map(({ level: _, long: __, wantedMm: ___, ...land }) => land),
  }

  if (own && own.mm < least - 1e-6)
    raise(
      'too-thin',
      // A sample of a relief may be a sharp edge: it is told, and stops nothing.
      own.mm < 0.75 * least && own !== measured ? 'stop' : 'warn',
      {
        thicknessMm: own.mm,
        leastMm: least,
        mix: mix.name,
        with: mesh && !geometry.thinnest ? 'mesh' : 'no mesh',
        where: geometry.thinnest?.where ?? '',
      },
      thinRemedies(
        piece,
        { thinnest: own.mm, least, plain: !mesh || geometry.thinnest !== null },
        mix,
        mixes,
        slab && !geometry.thinnest ? { type: 'thicknessChanged', pieceId: piece.id, thickness: least } : null,
      ),
    )
  if (chosen && !fits) raise('mesh-does-not-fit', 'warn', { coverMm: cover, spacingMm: chosen.spacing })
  if (mesh && result.coverToShowFaceMm !== null && result.coverToShowFaceMm < GHOSTING)
    raise('ghosting', 'warn', { coverMm: Math.max(0, result.coverToShowFaceMm), wantedMm: GHOSTING })
  if (
    mesh &&
    height !== null &&
    Math.min(height, thickness - height) - mesh.wire < cover - 1e-6 &&
    thickness >= least
  )
    raise('cover-short', 'warn', {
      coverMm: Math.min(height, thickness - height) - mesh.wire,
      wantedMm: cover,
    })
  if (result.sheetCount > 1)
    raise('mesh-laps', 'note', { sheets: result.sheetCount, lapMm: mesh!.spacing + LAP })
  if (slab) findings.push(...landFindings(slab, lands, openings))
  return { figures: result, findings, wires: sheet?.wires ?? [], operations: layMat(result) }
}

/** Minutes to lay a mat and set it on its cover [own]. */
const LAY_MINUTES = 3

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
/** Works for this share of its initial set [own]. */
const WORKS = 0.5

function cutMesh(
  kernel: Kernel,
  {
    outline,
    openings,
    noMesh,
    mesh,
    cover,
  }: Pick<PieceStation['geometry'], 'outline' | 'openings' | 'noMesh'> & {
    readonly mesh: Mesh
    readonly cover: number
  },
) {
  const clear = meshRegion(kernel, outline, openings, cover)
  const region = noMesh.length === 0 ? clear : combineRegions(kernel, 'difference', [clear, ...noMesh])
  const { min, max } = boundLoop(outline)
  const box: { min: Point; max: Point } = {
    min: [min[0] + cover, min[1] + cover],
    max: [max[0] - cover, max[1] - cover],
  }
  return meshSheet(region, box, mesh.spacing)
}

/** Least thickness: by the mix, and with mesh at least two covers and two wires; without it 50 mm outdoors or above half a metre. */
function leastThickness(
  piece: Piece,
  { length, width }: PieceStation['geometry'],
  mix: Mix,
  mesh: Mesh | undefined,
  cover: number,
): number {
  if (mesh) return Math.max(mix.leastThickness.mesh, 2 * cover + 2 * mesh.wire, 3 * mix.largestStone)
  const small = Math.max(length, width) < 500 && !OUTSIDE.has(piece.exposure)
  return Math.max(
    mix.leastThickness.plain,
    mix.family === 'structural' && !small ? 50 : 0,
    3 * mix.largestStone,
  )
}

/** Sheets bought for a mat, with a lap of one square and 50 mm where two meet. */
function sheetsFor(length: number, width: number, mesh: Mesh): { count: number; laps: number } {
  if (length <= 0 || width <= 0) return { count: 0, laps: 0 }
  const lap = mesh.spacing + LAP
  const across = (extent: number, sheet: number) =>
    extent <= sheet ? 1 : 1 + Math.ceil((extent - sheet) / (sheet - lap))
  const straight = [across(length, mesh.length), across(width, mesh.width)] as const
  const turned = [across(length, mesh.width), across(width, mesh.length)] as const
  const [a, b] = straight[0] * straight[1] <= turned[0] * turned[1] ? straight : turned
  return { count: a * b, laps: (a - 1) * width + (b - 1) * length }
}
