import {
  addBulks,
  type Bulk,
  edgeSize,
  type Kernel,
  MeshMissing,
  measureLoop,
  measureSolid,
  type Point,
  type SolidRecipe,
} from '../geometry/index.ts'
import type { Finding, Piece, VoidFormer } from '../job/index.ts'
import { massOf, mm3ToLitres } from '../units/convert.ts'
import { buildBox } from './box/buildBox.ts'
import { faceWords } from './faceWords.ts'
import { placeInserts } from './features/checkInserts.ts'
import { checkVoid } from './features/checkVoid.ts'
import { type PlacedVoid, planVoid } from './features/voidFormer.ts'
import { buildFitted } from './fitted/buildFitted.ts'
import { buildImported } from './imported/buildImported.ts'
import { adviseAttitude } from './kinds.ts'
import { letteringSolids } from './lettering/letteringSolid.ts'
import { checkService, footArea, serviceFigures } from './service.ts'
import { buildSlab } from './slab/buildSlab.ts'
import { halfSize, sidesOf } from './slab/outlineLoop.ts'
import { fieldLevels } from './slab/panels.ts'
import { buildSwept } from './swept/buildSwept.ts'
import { buildTurned } from './turned/buildTurned.ts'
import type { Built, PieceFigures, PieceGeometry, PieceStation } from './types.ts'

/** One builder for each kind of piece. */
const BUILDERS: {
  readonly [K in Piece['kind']]: (kernel: Kernel, piece: Extract<Piece, { kind: K }>) => Built
} = {
  slab: buildSlab,
  turned: buildTurned,
  swept: buildSwept,
  box: buildBox,
  imported: buildImported,
  fitted: buildFitted,
}
const build = (kernel: Kernel, piece: Piece): Built =>
  (BUILDERS[piece.kind] as (kernel: Kernel, piece: Piece) => Built)(kernel, piece)

/** The piece as its recipe tells it, before anything is measured: the same for quick figures and for the solid. */
export type DescribedPiece = {
  readonly built: Built
  readonly letters: readonly Finding[]
  readonly lettering: PieceGeometry['formed']
  readonly body: SolidRecipe | null
  readonly bulk: Bulk | null
}

export function describePiece(kernel: Kernel, piece: Piece): DescribedPiece {
  const built = build(kernel, piece)
  const { geometry: bare } = built
  const letters =
    bare.recipe === null
      ? { solids: [], findings: [] }
      : letteringSolids(
          kernel,
          piece,
          bare.faces,
          Math.min(bare.length, bare.width, bare.height),
          piece.kind === 'slab' ? fieldLevels(piece) : [],
        )
  const stopped = letters.findings.some((f) => f.level === 'stop')
  return {
    built,
    letters: letters.findings,
    lettering: letters.solids.map((l) => ({
      id: l.id,
      name: `letters ${JSON.stringify(piece.lettering.find((p) => p.id === l.id)?.text ?? '')}`,
      face: l.face,
      raised: l.raised,
      recipe: l.recipe,
      volume: l.bulk.volume,
    })),
    body: stopped ? null : withLetters(bare.recipe, letters.solids),
    bulk:
      built.bulk &&
      addBulks([[1, built.bulk], ...letters.solids.map((l) => [l.raised ? 1 : -1, l.bulk] as const)]),
  }
}

/**
 * The first station: what is cast, as it will stand. `quick` gives figures from exact sums where the kind has them;
 * the full run measures the solid. A piece that cannot be built still has its sizes, and findings that say why.
 */
export function planPieceStation(
  kernel: Kernel,
  piece: Piece,
  hardenedKgPerM3: number,
  quick: boolean,
  described: DescribedPiece = describePiece(kernel, piece),
): PieceStation {
  const { built, letters, body, bulk: quickBulk } = described
  const { geometry: bare } = built
  const solid = body && !(quick && quickBulk) ? measureBody(kernel, body) : null
  const inserts = placeInserts(
    kernel,
    piece,
    bare.faces,
    faceWords(bare.faces, bare.openings, [...(bare.formed ?? []), ...described.lettering]),
    [bare.length, bare.width, bare.height],
    quick ? null : body,
  )
  const former = piece.voidFormer && body ? planVoid(kernel, body, piece.voidFormer) : null
  const attitudeFindings = checkAttitude(piece, built)
  const findings = [
    ...built.findings,
    ...letters,
    ...inserts.findings,
    ...(body ? checkVoid(kernel, piece, former, inserts.recipes) : []),
    ...attitudeFindings,
  ]
  const stopped = findings.some((f) => f.level === 'stop')
  const geometry: PieceGeometry = {
    ...bare,
    noMesh: bare.noMesh ?? [],
    drilled: bare.drilled ?? [],
    formed: [...(bare.formed ?? []), ...described.lettering],
    ...withRelief(bare, piece),
    kind: piece.kind,
    recipe: stopped ? null : body,
    inserts: inserts.recipes,
    voidFormer: stopped ? null : former,
  }
  const volume = solid?.volume ?? Math.max(0, quickBulk?.volume ?? 0)
  const whole =
    solid?.centroid ?? (quickBulk && volume > 0 ? quickBulk.moment.map((m) => m / volume) : [0, 0, 0])
  // Foam weighs next to nothing: the balance is that of the concrete round it.
  const hollow = former && volume > former.volume ? former : null
  const centroid = hollow
    ? whole.map((m, k) => (m * volume - hollow.centroid[k]! * hollow.volume) / (volume - hollow.volume))
    : whole
  const figures = pieceFigures(piece, built, geometry, {
    volume,
    centroid: [centroid[0]!, centroid[1]!, centroid[2]!],
    area: solid?.area ?? quickBulk?.area ?? 0,
    from: solid ? 'solid' : 'quick',
    hardenedKgPerM3,
    inserts: inserts.items,
    void: former,
    blocks: stopped ? [] : blockFigures(kernel, geometry, hardenedKgPerM3, quick),
  })
  const inUse = 'service' in piece ? checkService(piece, figures) : []
  return { figures, findings: [...findings, ...inUse], geometry }
}

/** The box grown by letters that stand out of the top or the underside. */
function withRelief(bare: Built['geometry'], piece: Piece): Pick<PieceGeometry, 'relief' | 'low' | 'height'> {
  const raised = (face: string) =>
    piece.lettering.reduce((most, l) => (l.on === face ? Math.max(most, l.depth) : most), 0)
  const own = bare.relief ?? { top: 0, bottom: 0 }
  const relief = { top: Math.max(own.top, raised('top')), bottom: Math.max(own.bottom, raised('bottom')) }
  const low = Math.min(bare.low, -relief.bottom)
  return { relief, low, height: bare.height + (relief.top - own.top) + (bare.low - low) }
}

/** The body with raised letters joined and sunk ones cut. */
function withLetters(
  body: SolidRecipe | null,
  letters: readonly { readonly raised: boolean; readonly recipe: SolidRecipe }[],
): SolidRecipe | null {
  if (!body || letters.length === 0) return body
  const raised = letters.filter((l) => l.raised).map((l) => l.recipe)
  const sunk = letters.filter((l) => !l.raised).map((l) => l.recipe)
  const joined: SolidRecipe = raised.length === 0 ? body : { kind: 'union', of: [body, ...raised] }
  return sunk.length === 0 ? joined : { kind: 'difference', from: joined, minus: sunk }
}

function measureBody(kernel: Kernel, recipe: SolidRecipe) {
  try {
    return kernel.withSolids((scope) => measureSolid(scope.solid(recipe).body))
  } catch (error) {
    if (error instanceof MeshMissing) return null
    throw error
  }
}

/** The face that is down must be one the piece has. */
function checkAttitude(piece: Piece, { geometry }: Built): Finding[] {
  const { down } = piece.attitude
  // A sphere or an egg has no flat face: it stands in its form as it will stand, or upside down.
  if (geometry.recipe === null || down === 'top' || down === 'bottom') return []
  if (geometry.faces.some((f) => f.name === down)) return []
  const first = adviseAttitude(piece).down
  return [
    {
      code: 'no-face-down',
      level: 'stop',
      station: 'piece',
      about: [{ pieceId: piece.id, kind: 'choice', id: 'attitude' }],
      facts: { face: down },
      remedies: [
        {
          code: 'no-face-down',
          facts: { face: first },
          changes: [
            {
              type: 'pieceDescribed',
              pieceId: piece.id,
              patch: {
                attitude: {
                  down: geometry.faces.some((f) => f.name === first)
                    ? first
                    : (geometry.faces[0]?.name ?? 'bottom'),
                  turnDeg: 0,
                },
              },
            },
          ],
        },
      ],
    },
  ]
}

function blockFigures(
  kernel: Kernel,
  geometry: PieceGeometry,
  density: number,
  quick: boolean,
): PieceFigures['blocks'] {
  if (quick) return geometry.blocks.map(({ id, name }) => ({ id, name, volumeLitres: 0, weightKg: 0 }))
  return kernel.withSolids((scope) =>
    geometry.blocks.map(({ id, name, recipe }) => {
      const { body } = scope.solid(recipe)
      const former = geometry.voidFormer && scope.solid(geometry.voidFormer.recipe).body
      const hollow = former ? scope.keep(body.intersect(former)).volume() : 0
      const volume = measureSolid(body).volume - hollow
      return { id, name, volumeLitres: mm3ToLitres(volume), weightKg: massOf(volume, density) }
    }),
  )
}

type Measured = {
  readonly volume: number
  readonly centroid: readonly [number, number, number]
  readonly area: number
  readonly from: 'quick' | 'solid'
  readonly hardenedKgPerM3: number
  readonly inserts: PieceFigures['inserts']['items']
  readonly void: PlacedVoid | null
  readonly blocks: PieceFigures['blocks']
}

function pieceFigures(piece: Piece, built: Built, geometry: PieceGeometry, m: Measured): PieceFigures {
  const displaced =
    m.inserts.reduce((sum, i) => sum + i.displacedLitres, 0) + mm3ToLitres(m.void?.volume ?? 0)
  const insertKg =
    m.inserts.reduce((sum, i) => sum + i.massKg, 0) + sleeveKg(piece, geometry) + (m.void?.massKg ?? 0)
  const volume = Math.max(0, m.volume - displaced * 1e6)
  const concreteKg = massOf(volume, m.hardenedKgPerM3) + insertKg
  const plan = Math.max(1, geometry.length * geometry.width)
  const advised = adviseAttitude(piece)
  const area = Math.max(1, piece.kind === 'slab' ? built.showFaceArea : plan)
  const side = piece.kind === 'slab' ? piece.sides : {}
  return {
    kind: piece.kind,
    lengthMm: geometry.length,
    widthMm: geometry.width,
    heightMm: geometry.height,
    thicknessMm: geometry.thickness,
    volumeLitres: mm3ToLitres(volume),
    volumeFrom: m.from,
    concreteKg,
    weightKg: concreteKg,
    weightPerAreaKgPerM2: concreteKg / (area * 1e-6),
    centreOfGravity: { xMm: m.centroid[0], yMm: m.centroid[1], zMm: m.centroid[2] },
    showFaceAreaM2: built.showFaceArea * 1e-6,
    perimeterMm: measureLoop(geometry.outline).perimeter,
    surfaceAreaM2: m.area * 1e-6,
    poured: pouredWords(piece, geometry),
    attitude: { down: piece.attitude.down, advised: advised.down, reason: advised.reason },
    thinnestMm: geometry.thinnest?.mm ?? null,
    thinnestWhere: geometry.thinnest?.where ?? '',
    edges:
      piece.kind === 'slab'
        ? sidesOf(piece).map((id) => {
            const { top, bottom } = side[id]!
            return {
              side: id,
              topKind: top.kind,
              topSizeMm: edgeSize(top),
              bottomKind: bottom.kind,
              bottomSizeMm: edgeSize(bottom),
            }
          })
        : [],
    openings: [...geometry.openings, ...geometry.drilled].map((o) => {
      const [u, v] = halfSize(o.shape, o.turnDeg)
      return {
        id: o.openingId,
        key: o.key,
        name: o.name,
        shape: o.shape.kind,
        lengthMm: 2 * u,
        widthMm: 2 * v,
        cornerRadiusMm:
          o.shape.kind === 'round'
            ? u
            : o.shape.kind === 'rectangle'
              ? o.shape.radius
              : o.shape.kind === 'slot'
                ? o.shape.width / 2
                : 0,
        depthMm: o.depth,
        made: o.made,
        centreXMm: o.centre[0],
        centreYMm: o.centre[1],
      }
    }),
    holds: holdsFigures(built, concreteKg),
    service: serviceOf(piece, built, geometry, concreteKg),
    inside: insideFigures(built),
    finished: built.finished ? { lengthMm: built.finished[0], widthMm: built.finished[1] } : null,
    drilled: drilledFigures(geometry, m.hardenedKgPerM3),
    blocks: m.blocks,
    voidFormer: piece.voidFormer && m.void && voidFigures(piece.voidFormer, m.void, m.hardenedKgPerM3),
    inserts: { count: m.inserts.length, massKg: insertKg, displacedLitres: displaced, items: m.inserts },
    notes: built.notes ?? [],
  }
}

const voidFigures = (
  { cover }: VoidFormer,
  { volume, massKg, low, high, region }: PlacedVoid,
  hardenedKgPerM3: number,
): NonNullable<PieceFigures['voidFormer']> => {
  const { min, max } = boundPoints(region.flat())
  return {
    volumeLitres: mm3ToLitres(volume),
    massKg,
    savedKg: massOf(volume, hardenedKgPerM3) - massKg,
    coverMm: cover,
    lengthMm: max[0] - min[0],
    widthMm: max[1] - min[1],
    heightMm: high - low,
  }
}

const boundPoints = (points: readonly Point[]): { min: Point; max: Point } => ({
  min: [Math.min(...points.map((p) => p[0])), Math.min(...points.map((p) => p[1]))],
  max: [Math.max(...points.map((p) => p[0])), Math.max(...points.map((p) => p[1]))],
})

/** `show face down` for flat work, else the face that is down. */
function pouredWords(piece: Piece, geometry: PieceGeometry): string {
  const { down } = piece.attitude
  if (piece.kind === 'slab' && down === 'top') return 'show face down'
  if (piece.kind === 'slab' && down === 'bottom') return 'show face up'
  return `${geometry.faces.find((f) => f.name === down)?.words ?? down} down`
}

const SLEEVE_KG_PER_M3 = { steel: 7850, stainless: 7900, pvc: 1400, copper: 8960, aluminium: 2700 } as const

/** Mass of a sleeve that stays in the axis of a turned piece, kg. */
function sleeveKg(piece: Piece, { height }: PieceGeometry): number {
  if (piece.kind !== 'turned' || !piece.sleeve) return 0
  const { outside, wall, material } = piece.sleeve
  const inner = Math.max(0, outside - 2 * wall)
  return (Math.PI / 4) * (outside ** 2 - inner ** 2) * height * 1e-9 * SLEEVE_KG_PER_M3[material]
}

function drilledFigures(
  { drilled, thickness }: PieceGeometry,
  hardenedKgPerM3: number,
): PieceFigures['drilled'] {
  const volume = drilled.reduce(
    (sum, o) => sum + measureLoop(o.loop).area * Math.min(o.depth ?? thickness, thickness),
    0,
  )
  return {
    count: drilled.length,
    volumeLitres: mm3ToLitres(volume),
    massKg: massOf(volume, hardenedKgPerM3),
  }
}

/** Water, kg/m3. */
const WATER = 1000

function insideFigures({ inside, findings }: Built): PieceFigures['inside'] {
  if (!inside || findings.some((f) => f.level === 'stop')) return null
  return {
    rimLengthMm: inside.rim[0],
    rimWidthMm: inside.rim[1],
    floorLengthMm: inside.floor[0],
    floorWidthMm: inside.floor[1],
    wallAtRimMm: inside.wallRim,
    wallAtFloorMm: inside.wallFloor,
    depthMm: inside.depth,
  }
}

function serviceOf(
  piece: Piece,
  built: Built,
  geometry: PieceGeometry,
  concreteKg: number,
): PieceFigures['service'] {
  const holds = holdsFigures(built, concreteKg)
  if (!('service' in piece) || !piece.service || !holds) return null
  return serviceFigures(piece.service, {
    holdsLitres: holds.volumeLitres,
    concreteKg,
    depthMm: built.inside?.depth ?? geometry.height,
    footMm2: footArea(piece),
  })
}

function holdsFigures({ holds, findings }: Built, concreteKg: number): PieceFigures['holds'] {
  if (!holds || holds <= 0 || findings.some((f) => f.level === 'stop')) return null
  return { volumeLitres: mm3ToLitres(holds), fullKg: concreteKg + massOf(holds, WATER) }
}
