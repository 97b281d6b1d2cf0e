import { type FlatRegion, flatFaces, type SolidRecipe } from '../../geometry/index.ts'
import type { Finding, Piece } from '../../job/index.ts'
import { screwPull } from '../../mechanics/index.ts'
import { describePiece, pouredPlacement } from '../../piece/index.ts'
import type { Board } from '../../stock/index.ts'
import { massOf } from '../../units/convert.ts'
import { type BarePart, barePart, DOWN, oneLayer, prism, rectangle, UP } from '../bareParts.ts'
import { chamferLengths } from '../boardBox/chamferLengths.ts'
import { holdDownForce, sealantVolume } from '../boardBox/fixings.ts'
import { LIFE } from '../boardBox/life.ts'
import { type CastBody, castBody } from '../castBody.ts'
import { boardMissing, finding, tooLargeFindings } from '../checkMould.ts'
import { type BuiltMould, type MethodInput, type MouldMethod, NOTHING_BESIDE } from '../method.ts'
import { surfaceOf } from '../surfaces.ts'
import type { MouldFace, MouldFact, ScrewRow, SealantRow } from '../types.ts'
import { battensBehind, pushOn } from './battens.ts'
import { besidePlanks } from './besidePlanks.ts'
import { checkPlanks, otherWay } from './checkPlanks.ts'
import type { CoreBox } from './cores.ts'
import { edgesOf, plainPiece, planksMisfit } from './plainPiece.ts'
import { jointsOf, type Plank, plankOutlines } from './plankParts.ts'
import { planksBuilding, planksOff, type Stood } from './planksOrder.ts'
import { standRound } from './standRound.ts'

/** More flat faces than this are a curve in chords, or no piece that is boxed. */
const MOST_FACES = 80
/** Hours [own]: set out, a board cut and fixed, a core put together, a batten. */
const HOURS = { start: 1, board: 0.3, core: 1, batten: 0.1 }
/** The base goes on past the boards all round, screws stay from ends, mm [own]. */
const [MARGIN, END] = [20, 40]
/** Bridges that hang a core across the open top, mm wide [own]. */
const BRIDGE = 70
/** Flat boards behind every flat face of the cast but its open top: profiles, lids, tapered and stepped blocks, pots. */
export const planksMethod: MouldMethod<'planks'> = {
  id: 'planks',
  name: 'box of planks',
  misfit: planksMisfit,
  reason: 'flat faces at any angle: boards, a saw that tilts, and screws',
  finish: 'smooth from faced board, a line at every joint',
  build(input) {
    const { piece, pieceStation, stock, mix, kernel } = input
    const board = stock.boards.find((b) => b.id === piece.mould.sideBoard)
    const baseBoard = stock.boards.find((b) => b.id === piece.mould.baseBoard)
    const sealant = stock.sealants.find((s) => s.id === piece.mould.sealant)
    const missing: Finding[] = [
      ...(baseBoard ? [] : [boardMissing(piece, 'the base', piece.mould.baseBoard)]),
      ...(board ? [] : [boardMissing(piece, 'the sides', piece.mould.sideBoard)]),
      ...(sealant ? [] : [finding(piece, 'sealant-missing', 'stop', 'choice', { row: piece.mould.sealant })]),
    ]
    if (!board || !baseBoard || !sealant) return { built: null, findings: missing }
    const body = castBody(input)
    const by = pouredPlacement(piece.attitude, pieceStation.geometry)
    const bare = describePiece(kernel, plainPiece(piece)).body
    if (!bare) return { built: null, findings: [] }
    const plain: SolidRecipe = { kind: 'moved', solid: bare, by }
    const faces = kernel.withSolids((s) => flatFaces(s.solid(plain), MOST_FACES))
    if (!faces)
      return {
        built: null,
        findings: [
          finding(piece, 'planks-many', 'stop', 'choice', { most: MOST_FACES }, [otherWay(piece, 'layers')]),
        ],
      }
    const { stands, shapes, cores, planks } = standRound(input, faces, body, board)
    const pushes = planks.map((p) => pushOn(p, planks, body.height, mix.freshKgPerM3))
    const { battens: spacing } = piece.mould
    const battens =
      spacing === null
        ? []
        : planks.flatMap((p, i) =>
            pushes[i]!.bare ? battensBehind(p, pushes[i]!, board, spacing, body.height) : [],
          )
    // Plugs and strips cost next to nothing: where only that is asked they are left out.
    const beside = input.costsOnly
      ? { plugs: [], edges: [], bought: [] }
      : besidePlanks(piece, { plain, body, by, kernel })
    const base = basePart(planks, faces, body, baseBoard)
    const hung = cores.filter((c) => c.opens === 'up')
    const bridges = hung.length > 0 ? bridgeParts(body, board) : []
    const parts = [
      base,
      ...planks.map((p) => p.part),
      ...battens,
      ...bridges,
      ...beside.plugs,
      ...beside.edges,
    ]
    const joints = jointsOf(planks)
    const screws = screwRows(planks, stands, { board, baseBoard, depth: body.height, mix })
    const sealing = sealantRows(piece, planks, stands, joints)
    const life = Math.min(LIFE[board.material], LIFE[baseBoard.material])
    const open = stands.flatMap((s, i) => (s === 'open' ? [faces[i]!] : []))
    const stood: Stood = {
      base,
      planks,
      cores,
      battens,
      ...beside,
      bridges,
      screws,
      sealantM: sealing.reduce((sum, r) => sum + r.lengthMm, 0) / 1000,
      mirrored: piece.attitude.down === 'top',
    }
    const area = (list: readonly Plank[]) => list.reduce((sum, p) => sum + faces[p.shape.face]!.area, 0) / 1e6
    const outer = planks.filter((p) => p.core === null)
    const built: BuiltMould = {
      ...NOTHING_BESIDE,
      parts,
      screws,
      sealant: sealing,
      holdDown: cores.map((core, i) => {
        const first = planks.find((p) => p.core === core)!.part
        const mass = massOf(
          planks.filter((p) => p.core === core).reduce((sum, p) => sum + p.part.mass!.volume, 0),
          board.densityKgPerM3,
        )
        const force = holdDownForce(core.volume, mass, mix.freshKgPerM3)
        return {
          partId: first.id,
          name: cores.length === 1 ? 'core' : `core ${i + 1}`,
          holdForceN: force,
          screws: core.opens === 'down' ? Math.max(4, Math.ceil(force / baseBoard.screwHold)) : 0,
        }
      }),
      fixings: beside.bought,
      lengths: chamferLengths(beside.edges),
      hours:
        HOURS.start + HOURS.board * planks.length + HOURS.core * cores.length + HOURS.batten * battens.length,
      life,
      faceM2: shapes.reduce((sum, s) => sum + faces[s.face]!.area, 0) / 1e6,
      depth: body.height,
      facts: facts(planks, joints, cores, battens.length),
      outlines: plankOutlines(planks),
      building: planksBuilding(stood),
      off: planksOff(stood),
      faces: mouldFaces(
        base,
        faces,
        stands,
        outer,
        planks.filter((p) => p.core),
        area,
        board,
        baseBoard,
        beside.plugs,
      ),
      top: 'rim',
      check: (layouts) => [
        ...tooLargeFindings(piece, layouts),
        ...checkPlanks(input, { faces, body, board, planks, cores, isOpen: open.length > 0, life }),
      ],
    }
    return { built, findings: [] }
  },
}

/** The board under it all, past the boards that stand on it. */
function basePart(
  planks: readonly Plank[],
  faces: readonly FlatRegion[],
  body: CastBody,
  board: Board,
): BarePart {
  const t = planks[0]?.part.thicknessMm ?? 0
  const out = planks.reduce(
    (most, { shape }) => {
      const { normal } = faces[shape.face]!
      const reach = (k: 0 | 1) =>
        shape.outside[0]!.map(
          ([x, y]) => shape.by.origin[k] + x * shape.by.x[k] + y * shape.by.y[k] + t * normal[k],
        )
      return [
        Math.max(most[0]!, ...reach(0).map((x) => Math.max(-x, x - body.length))),
        Math.max(most[1]!, ...reach(1).map((y) => Math.max(-y, y - body.width))),
      ]
    },
    [0, 0],
  )
  const [x, y] = [out[0]! + MARGIN, out[1]! + MARGIN]
  return barePart({
    id: 'base',
    role: 'base',
    source: { of: 'cast' },
    name: 'base',
    boardId: board.id,
    lengthMm: body.length + 2 * x,
    widthMm: body.width + 2 * y,
    thicknessMm: board.thickness,
    layers: oneLayer(board),
    pull: DOWN,
    recipe: prism(
      rectangle('base', [-x, -y], [body.length + x, body.width + y]),
      -board.thickness,
      0,
      'base',
    ),
  })
}

/** Two bridges across the open top, from which a core hangs. */
const bridgeParts = (body: CastBody, board: Board): BarePart[] =>
  [1, 2].map((n): BarePart => {
    const t = board.thickness
    const x = (body.length * n) / 3 - BRIDGE / 2
    const id = `bridge/${n}`
    return barePart({
      id,
      role: 'cleat',
      source: { of: 'cast' },
      name: `bridge ${n}`,
      together: 'bridges',
      boardId: board.id,
      lengthMm: body.width + 2 * t,
      widthMm: BRIDGE,
      thicknessMm: t,
      layers: oneLayer(board),
      pull: UP,
      recipe: prism(rectangle(id, [x, -t], [x + BRIDGE, body.width + t]), body.height, body.height + t, id),
    })
  })

type Screwed = {
  readonly board: Board
  readonly baseBoard: Board
  readonly depth: number
  readonly mix: MethodInput['mix']
}

/** Screws along every joint, and up through the base into what stands on it. */
function screwRows(
  planks: readonly Plank[],
  stands: readonly string[],
  { board, baseBoard, depth, mix }: Screwed,
): ScrewRow[] {
  const pull = screwPull({
    school: 'stand',
    height: depth,
    spacing: 1,
    baseThickness: baseBoard.thickness,
    sideThickness: board.thickness,
    freshKgPerM3: mix.freshKgPerM3,
  })
  const most = 10 * board.thickness
  const spacing = Math.max(END, Math.min(most, board.screwHold / pull))
  const row = (
    plank: Plank,
    where: string,
    length: number,
    apart: number,
    from: ScrewRow['from'],
  ): ScrewRow => {
    const count = Math.max(2, Math.ceil(Math.max(0, length - 2 * END) / apart - 1e-9) + 1)
    const end = Math.min(END, length / 4)
    const step = (length - 2 * end) / (count - 1)
    return {
      where,
      partId: plank.part.id,
      lengthMm: 2 * board.thickness,
      count,
      spacingMm: step,
      positionsMm: Array.from({ length: count }, (_, i) => end + i * step),
      from,
    }
  }
  const seen = new Set<string>()
  return [
    ...planks
      .filter((p) => p.core === null)
      .flatMap((p) =>
        p.shape.edges
          .flat()
          .filter((e) => stands[e.beside] === 'base')
          .map((e) => row(p, `${p.part.name} to base`, e.lengthMm, spacing, 'below')),
      ),
    ...jointsOf(planks)
      .filter(({ edge }) => edge.lengthMm > END)
      .flatMap(({ over, under, edge }): ScrewRow[] => {
        const where = `${over.part.name} to ${under.part.name}`
        if (seen.has(where)) return []
        seen.add(where)
        return [{ ...row(over, where, edge.lengthMm, most, 'outside'), intoId: under.part.id }]
      }),
  ]
}

/** A bead along the base as its edge there asks, and one along every other joint. */
function sealantRows(
  piece: Piece,
  planks: readonly Plank[],
  stands: readonly string[],
  joints: ReturnType<typeof jointsOf>,
): SealantRow[] {
  const whole = [...new Map(planks.map((p) => [p.shape.face, p])).values()]
  const foot = whole.reduce(
    (sum, p) =>
      sum +
      p.shape.edges
        .flat()
        .filter((e) => stands[e.beside] === 'base')
        .reduce((own, e) => own + e.lengthMm, 0),
    0,
  )
  const { base } = edgesOf(piece)
  const rows = [
    { where: 'base joint', lengthMm: foot, radiusMm: base.kind === 'bead' ? base.size : 0 },
    {
      where: 'joints of the boards',
      lengthMm: joints.reduce((sum, j) => sum + j.edge.lengthMm, 0),
      radiusMm: 0,
    },
  ]
  return rows
    .filter((r) => r.lengthMm > 0)
    .map((r) => ({ ...r, millilitres: sealantVolume(r.lengthMm, r.radiusMm) }))
}

function facts(
  planks: readonly Plank[],
  joints: ReturnType<typeof jointsOf>,
  cores: readonly CoreBox[],
  battens: number,
): MouldFact[] {
  const laps = joints.filter((j) => j.edge.kind === 'over').length
  const mitres = joints.length - laps
  return [
    { code: 'planks', facts: { laps, mitres }, value: planks.length, unit: '' },
    ...(battens > 0 ? [{ code: 'battens', facts: {}, value: battens, unit: '' } as const] : []),
    ...cores.map(
      (c): MouldFact => ({
        code: 'core-box',
        facts: { deepMm: c.depth, draftDeg: Math.round(c.draftDeg * 10) / 10 },
        value: c.volume / 1e6,
        unit: 'L',
      }),
    ),
  ]
}

function mouldFaces(
  base: BarePart,
  faces: readonly FlatRegion[],
  stands: readonly string[],
  outer: readonly Plank[],
  inner: readonly Plank[],
  area: (list: readonly Plank[]) => number,
  board: Board,
  baseBoard: Board,
  plugs: readonly BarePart[],
): MouldFace[] {
  const foot = faces.reduce((sum, f, i) => sum + (stands[i] === 'base' ? f.area : 0), 0) / 1e6
  const ids = (list: readonly Plank[]) => list.map((p) => p.part.id)
  const once = [...new Map(inner.map((p) => [p.shape.face, p])).values()]
  return [
    { face: 'base', partIds: [base.id], areaM2: foot, ...surfaceOf(baseBoard) },
    { face: 'sides', partIds: ids(outer), areaM2: area(outer), ...surfaceOf(board) },
    ...(inner.length > 0
      ? [{ face: 'core', partIds: ids(inner), areaM2: area(once), ...surfaceOf(board) } as const]
      : []),
    ...(plugs.length > 0
      ? [
          {
            face: 'hole-plugs',
            partIds: plugs.map((p) => p.id),
            areaM2: plugs.reduce((sum, p) => sum + Math.PI * p.widthMm * p.lengthMm, 0) / 1e6,
            material: 'raw timber',
            surface: 'raw',
          } as const,
        ]
      : []),
  ]
}
