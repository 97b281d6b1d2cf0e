import type { FlatRegion } from '../../geometry/index.ts'
import type { Change, Finding, Piece } from '../../job/index.ts'
import { pressureAt } from '../../mechanics/index.ts'
import type { Board } from '../../stock/index.ts'
import { massToForce } from '../../units/convert.ts'
import { SAW_TILT } from '../boardBox/strips.ts'
import type { CastBody } from '../castBody.ts'
import { finding, TALL, wearFindings } from '../checkMould.ts'
import type { MethodInput } from '../method.ts'
import { battenSpacing, LEAST_SPACING, type Pushed, plankBow, plankLimit, pushOn } from './battens.ts'
import { collision } from './collide.ts'
import type { CoreBox } from './cores.ts'
import { edgesOf } from './plainPiece.ts'
import type { Plank } from './plankParts.ts'
import { standRound } from './standRound.ts'

type Input = MethodInput<'planks'>

/** Draft that a rigid core wants, degrees, by its depth, mm. */
const DRAFTS: readonly (readonly [upTo: number, deg: number])[] = [
  [25, 1],
  [100, 2],
  [Infinity, 3],
]
export const coreDraft = (depth: number): number => DRAFTS.find(([upTo]) => depth <= upTo)![1]

export const otherWay = (piece: Piece, method: 'layers'): Change => ({
  type: 'mouldChosen',
  pieceId: piece.id,
  patch: { method },
})

type Stood = {
  readonly faces: readonly FlatRegion[]
  readonly body: CastBody
  readonly board: Board
  readonly planks: readonly Plank[]
  readonly cores: readonly CoreBox[]
  readonly isOpen: boolean
  readonly life: number
}

/** What is wrong with a box of planks, once it stands. */
export function checkPlanks(
  input: Input,
  { faces, body, board, planks, cores, isOpen, life }: Stood,
): Finding[] {
  const { piece, pieceStation, mix, quick } = input
  return [
    ...(isOpen ? [] : [noOpenTop(piece, pieceStation.geometry.faces)]),
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
