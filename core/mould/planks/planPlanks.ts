import { type FlatRegion, flatFaces, type SolidRecipe } from '../../geometry/index.ts'
import type { Change, Finding, Piece } from '../../job/index.ts'
import { pressureAt, screwPull } from '../../mechanics/index.ts'
import { describePiece, pouredPlacement } from '../../piece/index.ts'
import type { Board } from '../../stock/index.ts'
import { massOf, massToForce } from '../../units/convert.ts'
import { type BarePart, barePart, DOWN, oneLayer, prism, rectangle, UP } from '../bareParts.ts'
import { chamferLengths } from '../boardBox/chamferLengths.ts'
import { holdDownForce, sealantVolume } from '../boardBox/fixings.ts'
import { LIFE } from '../boardBox/life.ts'
import { SAW_TILT } from '../boardBox/strips.ts'
import { type CastBody, castBody } from '../castBody.ts'
import { boardMissing, finding, TALL, tooLargeFindings, wearFindings } from '../checkMould.ts'
import { type BuiltMould, type MethodInput, type MouldMethod, NOTHING_BESIDE } from '../method.ts'
import { surfaceOf } from '../surfaces.ts'
import type { MouldFace, MouldFact, ScrewRow, SealantRow } from '../types.ts'
import {
  battenSpacing,
  battensBehind,
  LEAST_SPACING,
  type Pushed,
  plankBow,
  plankLimit,
  pushOn,
} from './battens.ts'
import { besidePlanks } from './besidePlanks.ts'
import { collision } from './collide.ts'
import { type CoreBox, coresOf } from './cores.ts'
import { edgesOf, plainPiece, planksMisfit } from './plainPiece.ts'
import { facing, jointsOf, type Plank, partWall, plankOutlines, plankParts } from './plankParts.ts'
import { coversOf, plankShape, standOf } from './plankShapes.ts'
import { planksBuilding, planksOff, type Stood } from './planksOrder.ts'

/** More flat faces than this are a curve in chords, or no piece that is boxed. */
const MOST_FACES = 80
/** Hours [own]: set out, a board cut and fixed, a core put together, a batten. */
const HOURS = { start: 1, board: 0.3, core: 1, batten: 0.1 }
/** The base goes on past the boards all round, screws stay from ends, mm [own]. */
const [MARGIN, END] = [20, 40]
/** Bridges that hang a core across the open top, mm wide [own]. */
const BRIDGE = 70
/** Draft that a rigid core wants, degrees, by its depth, mm. */
const DRAFTS: readonly (readonly [upTo: number, deg: number])[] = [
  [25, 1],
  [100, 2],
  [Infinity, 3],
]
export const coreDraft = (depth: number): number => DRAFTS.find(([upTo]) => depth <= upTo)![1]

type Input = MethodInput<'planks'>

/** What stands round the cast for a board of a thickness. */
function standRound(input: Input, faces: readonly FlatRegion[], body: CastBody, board: Board) {
  const { piece, pieceStation } = input
  const stands = faces.map((f) => standOf(f, body.height))
  const covers = coversOf(faces, piece.mould.corners)
  const shapes = faces.flatMap((_, i) =>
    stands[i] === 'plank' ? [plankShape(faces, i, stands, board.thickness, covers)] : [],
  )
  const cores = coresOf(faces, stands, shapes)
  const by = pouredPlacement(piece.attitude, pieceStation.geometry)
  const words = new Map(pieceStation.geometry.faces.map((f) => [f.name, f.words]))
  const whole = plankParts(faces, shapes, cores, board, (f) => words.get(f.name) ?? facing(f.normal, by))
  const planks =
    piece.mould.core === 'collapsible' ? cores.reduce((all, core) => partWall(all, core), whole) : whole
  return { stands, shapes, cores, planks }
}

/** Flat boards behind every flat face of the cast but its open top: profiles, lids, tapered and stepped blocks, pots. */
export const planksMethod: MouldMethod<'planks'> = {
  id: 'planks',
  name: 'box of planks',
  misfit: planksMisfit,
  reason: 'flat faces at any angle: boards, a saw that tilts, and screws',
  finish: 'smooth from faced board, a line at every joint',
  build(input) {
    const { piece, pieceStation, stock, mix, kernel, quick } = input
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
      ),
      top: 'rim',
      check: (layouts) => [
        ...tooLargeFindings(piece, layouts),
        ...(open.length === 0 ? [noOpenTop(piece, pieceStation.geometry.faces)] : []),
        ...(quick ? [] : checkPlaces(input, faces, body, board, planks)),
        ...checkCores(piece, cores),
        ...checkSaw(piece, planks),
        ...checkBow(input, planks, board),
        ...checkLift(piece, faces, planks, body.height, mix.freshKgPerM3),
        ...checkTall(piece, body.height, mix.freshKgPerM3),
        ...tooled(piece),
        ...(piece.inserts.length > 0
          ? [
              finding(piece, 'not-in-mould', 'warn', 'choice', {
                features: piece.inserts
                  .slice(0, 4)
                  .map((i) => i.name)
                  .join(', '),
                count: piece.inserts.length,
              }),
            ]
          : []),
        ...wearFindings(piece, life),
      ],
    }
    return { built, findings: [] }
  },
}

const otherWay = (piece: Piece, method: 'layers'): Change => ({
  type: 'mouldChosen',
  pieceId: piece.id,
  patch: { method },
})

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
  ]
}

/** Nothing level at the top of the pour: turned so that one of its level faces has another over it, it may have. */
function noOpenTop(piece: Piece, faces: MethodInput['pieceStation']['geometry']['faces']): Finding {
  const flipped = faces.filter((f) => {
    const against = faces.some((g) => {
      const dot = f.frame.z.reduce((sum, n, k) => sum + n * g.frame.z[k]!, 0)
      return g !== f && dot < -0.9999
    })
    return against && f.name !== piece.attitude.down
  })
  const found = finding(piece, 'no-open-top', 'stop', 'choice', {})
  return {
    ...found,
    remedies: flipped.slice(0, 3).map((f) => ({
      code: 'no-open-top',
      facts: { face: f.words },
      changes: [
        { type: 'pieceDescribed', pieceId: piece.id, patch: { attitude: { down: f.name, turnDeg: 0 } } },
      ],
    })),
  }
}

/** Boards that stand in each other's place, as in a hollow narrower than two of them; the thickest in stock that do not. */
function checkPlaces(
  input: Input,
  faces: readonly FlatRegion[],
  body: CastBody,
  board: Board,
  planks: readonly Plank[],
): Finding[] {
  const { piece, stock, kernel } = input
  const closed = planks.find((p) => p.shape.closesMm !== null)
  const pair = closed ? null : collision(kernel, planks)
  if (!closed && !pair) return []
  const room = (other: Board): boolean => {
    const stood = standRound(input, faces, body, other).planks
    return stood.every((p) => p.shape.closesMm === null) && collision(kernel, stood) === null
  }
  const thinner = stock.boards
    .filter((b) => b.thickness < board.thickness)
    .sort((a, b) => b.thickness - a.thickness)
    .find(room)
  const part = closed ?? pair![0]
  return [
    finding(
      piece,
      'planks-meet',
      'stop',
      part.part.id,
      {
        board: part.part.name,
        other: pair ? pair[1].part.name : '',
        thicknessMm: board.thickness,
        instead: thinner?.name ?? '',
      },
      [
        thinner
          ? { type: 'mouldChosen', pieceId: piece.id, patch: { sideBoard: thinner.id } }
          : otherWay(piece, 'layers'),
      ],
    ),
  ]
}

/** Whether each core can leave: whole along its walls, or once a wall is parted. */
function checkCores(piece: Input['piece'], cores: readonly CoreBox[]): Finding[] {
  return cores.flatMap((core, i): Finding[] => {
    const name = cores.length === 1 ? 'core' : `core ${i + 1}`
    if (core.opens === null)
      return [finding(piece, 'core-shut-in', 'stop', 'choice', { core: name }, [otherWay(piece, 'layers')])]
    const wanted = coreDraft(core.depth)
    if (piece.mould.core === 'collapsible' || core.draftDeg >= wanted - 0.05) return []
    return [
      finding(
        piece,
        'core-locks',
        core.draftDeg < -0.05 ? 'stop' : 'warn',
        'choice',
        { core: name, draftDeg: Math.round(core.draftDeg * 10) / 10, wantedDeg: wanted, deepMm: core.depth },
        [{ type: 'mouldChosen', pieceId: piece.id, patch: { core: 'collapsible' } }],
      ),
    ]
  })
}

/** Ends and edges that no saw tilts to. */
function checkSaw(piece: Piece, planks: readonly Plank[]): Finding[] {
  return planks.flatMap(({ part, shape }): Finding[] => {
    const most = Math.max(0, ...shape.edges.flat().map((e) => Math.abs(e.bevelDeg)))
    return most > SAW_TILT + 0.05
      ? [
          finding(piece, 'bevel-too-steep', 'warn', part.id, {
            strip: part.name,
            bevelDeg: most,
            sawDeg: SAW_TILT,
          }),
        ]
      : []
  })
}

/** Boards that bow under the fill: battens behind those that have room, a stiffer board for the rest; each cure reckoned again. */
function checkBow({ piece, stock, mix }: Input, planks: readonly Plank[], board: Board): Finding[] {
  const depth = depthOf(planks)
  const pushed = planks.map((plank) => ({ plank, push: pushOn(plank, planks, depth, mix.freshKgPerM3) }))
  const bowOf = (push: Pushed, own: Board, battens: number | null) =>
    plankBow(push, own, mix.freshKgPerM3, push.bare ? battens : null)
  const bowedBy = (own: Board, battens: number | null) =>
    pushed.filter(({ push }) => bowOf(push, own, battens) > plankLimit(push))
  const now = piece.mould.battens
  const bowed = bowedBy(board, now)
  if (bowed.length === 0) return []
  const worst = bowed.reduce((a, b) => (bowOf(b.push, board, now) > bowOf(a.push, board, now) ? b : a))
  const spacingFor = (own: Board): number | null => {
    const bare = bowedBy(own, null).filter(({ push }) => push.bare)
    const spacing = Math.min(now ?? Infinity, ...bare.map(({ push }) => battenSpacing(push, own)))
    return Number.isFinite(spacing) && spacing >= LEAST_SPACING ? spacing : null
  }
  const stiffer = stock.boards
    .filter((b) => b.id !== board.id && b.thickness >= board.thickness)
    .sort((a, b) => a.thickness - b.thickness || a.elasticityAcross - b.elasticityAcross)
  const cures = [board, ...stiffer].flatMap((own) => [
    { own, battens: now },
    { own, battens: spacingFor(own) },
  ])
  const cure = cures.find(({ own, battens }) => bowedBy(own, battens).length === 0)
  const battens = cure && cure.battens !== now ? cure.battens : null
  const other = cure && cure.own !== board ? cure.own : null
  const patch: Partial<Input['piece']['mould']> | null = cure
    ? { ...(battens !== null && { battens }), ...(other && { sideBoard: other.id }) }
    : null
  return [
    finding(
      piece,
      'planks-bow',
      'warn',
      worst.plank.part.id,
      {
        board: worst.plank.part.name,
        bowMm: bowOf(worst.push, board, now),
        limitMm: plankLimit(worst.push),
        boards: bowed.length,
        spacingMm: battens ?? 0,
        instead: other?.name ?? '',
      },
      patch === null ? undefined : [{ type: 'mouldChosen', pieceId: piece.id, patch }],
    ),
  ]
}

/** Height of the fill over the base: of the highest point that a board reaches. */
const depthOf = (planks: readonly Plank[]): number =>
  Math.max(
    0,
    ...planks.flatMap(({ shape }) =>
      shape.cast.flat().map(([x, y]) => shape.by.origin[2] + x * shape.by.x[2] + y * shape.by.y[2]),
    ),
  )

/** A board that stands over the fill is lifted by rho g times what stands between it and the surface. */
function checkLift(
  piece: Piece,
  faces: readonly FlatRegion[],
  planks: readonly Plank[],
  height: number,
  freshKgPerM3: number,
): Finding[] {
  const over = planks.flatMap((plank) => {
    const { normal, area, centroid } = faces[plank.shape.face]!
    if (plank.core || normal[2] < LEANS) return []
    const lift = massToForce(freshKgPerM3 * area * normal[2] * (height - centroid[2]) * 1e-9)
    return [{ plank, lift, level: normal[2] > 0.9 }]
  })
  const total = over.reduce((sum, o) => sum + o.lift, 0)
  if (over.length === 0 || total < LEAST_LIFT) return []
  const worst = over.reduce((a, b) => (b.lift > a.lift ? b : a))
  return [
    finding(piece, 'planks-lift', 'warn', worst.plank.part.id, {
      board: worst.plank.part.name,
      boards: over.length,
      liftN: total,
      holdN: 1.5 * total,
      covers: over.filter((o) => o.level).length,
    }),
  ]
}
/** Boards that lean over the fill by less than 3 degrees are held by their screws; lifts below this, N, are none [own]. */
const [LEANS, LEAST_LIFT] = [Math.sin((3 * Math.PI) / 180), 20]

function checkTall(piece: Piece, depth: number, freshKgPerM3: number): Finding[] {
  const pressure = pressureAt(depth, freshKgPerM3)
  return depth > TALL.deep || pressure > TALL.pressure
    ? [finding(piece, 'tall-form', 'stop', 'choice', { depthMm: depth, pressureKPa: pressure })]
    : []
}

/** The edge at the open top is rounded by hand. */
function tooled(piece: Piece): Finding[] {
  const { top } = edgesOf(piece)
  return top.kind === 'square'
    ? []
    : [
        finding(piece, 'top-edge-tooled', 'note', 'choice', {
          down: piece.attitude.down === 'top' ? 'foot' : 'rim',
        }),
      ]
}
