import { type Kernel, type Loop, meshSolid, type SolidRecipe, type Vector } from '../geometry/index.ts'
import type { Finding, Piece } from '../job/index.ts'
import { bestPulls, type MouldPart, type MouldStation, moulded, type Undoing } from '../mould/index.ts'
import { type PieceStation, pouredLoop, pouredPlacement } from '../piece/index.ts'
import { type Memo, noMemo, runStation } from '../station.ts'
import type { SteelStation } from '../steel/index.ts'
import type { Stock } from '../stock/index.ts'
import { massOf } from '../units/convert.ts'
import { act, type Operation } from '../work/index.ts'
import { airHoleOperations, airHoles } from './air/airHoles.ts'
import { airPockets } from './air/airPockets.ts'
import { airFigures, airFindings, NO_AIR, ventOperations } from './air/planAir.ts'
import { comeOff } from './comeOff.ts'
import { coverOf, type Meeting, type Stander } from './draft/meetMould.ts'
import { type DraftRow, movesOf, planDraft } from './draft/planDraft.ts'
import { DEEP, isGripped, shortOfDraft } from './draft/shortOfDraft.ts'
import { faceLives } from './faceLife.ts'
import { fitsTwoWays, markOperations } from './fitsTwoWays.ts'
import { lookedAt } from './lookedAt.ts'
import { makingFindings, makingOperations, makingRows } from './making.ts'
import { mustNotMeet } from './mustNotMeet.ts'
import { pullFigures } from './pull/pullFigures.ts'
import { takeOff } from './takeOff.ts'
import type { Tilt } from './tilt.ts'
import { type LookedAt, trappedParts } from './trappedParts.ts'
import { faceOperations, treatFaces } from './treatFaces.ts'
import type { ReleaseFigures, ReleaseStation } from './types.ts'
import { otherWaysUp, type WayUp, waysUp } from './waysUp.ts'

/** What the mould's own station says of a lock. */
const TOLD_BY_MOULD: ReadonlySet<string> = new Set(['undercut-locks', 'pull-locks'])
/** Depth from which a rigid knockout wants draft or a wrap, mm, and the draft, degrees [own]. */
const DRAFT = { depth: 25, deg: 2 } as const
/** Wrap that lets a straight knockout go, mm [own]. */
const WRAP = 3

export type ReleaseInput = {
  readonly piece: Piece
  readonly pieceStation: PieceStation
  readonly mould: MouldStation
  readonly steel: SteelStation | null
  readonly stock: Pick<Stock, 'agents' | 'boards' | 'rubbers' | 'sealers'>
  readonly freshKgPerM3: number
  /** What a closed base holds the cast down by at its first lift. */
  readonly suctionKPa: number
  /** While it is dragged only what a plan tells is looked at. */
  readonly quick: boolean
}

/** The fourth station: what goes on the faces, and in which order the mould comes off. */
export function planReleaseStation(
  kernel: Kernel,
  {
    piece,
    pieceStation: { geometry, figures },
    mould,
    steel,
    stock,
    freshKgPerM3,
    suctionKPa,
    quick,
  }: ReleaseInput,
  memo: Memo = noMemo,
  /** How far the look for its way out is, 0 to 1. */
  onProgress: (share: number) => void = () => {},
): ReleaseStation {
  const findings: Finding[] = []
  const raise = (
    code: string,
    level: Finding['level'],
    facts: Finding['facts'],
    remedies: Finding['remedies'] = [],
    part?: string,
  ) =>
    findings.push({
      code,
      level,
      station: 'release',
      about: [{ pieceId: piece.id, kind: part ? 'part' : 'choice', id: part ?? 'release' }],
      facts,
      remedies,
    })
  const face = stock.agents.find((a) => a.id === piece.release.faceAgent)
  const seal = stock.agents.find((a) => a.id === piece.release.edgeSeal)
  if (!face) raise('agent-missing', 'stop', { row: piece.release.faceAgent })
  if (!seal) raise('agent-missing', 'stop', { row: piece.release.edgeSeal })
  for (const { agent } of Object.values(piece.release.faces))
    if (agent && !stock.agents.some((a) => a.id === agent)) raise('agent-missing', 'stop', { row: agent })
  const patternAgent = piece.release.pattern.agent
  if (patternAgent && mould.figures.making.length > 0 && !stock.agents.some((a) => a.id === patternAgent))
    raise('agent-missing', 'stop', { row: patternAgent })
  const left = piece.release.leftOut !== null
  const { off } = mould
  const { faces, parts: listed } = mould.figures
  const agents = treatFaces(faces, stock, { face, seal, ...piece.release })
  for (const f of mustNotMeet(piece, agents, stock))
    findings.push({
      ...f,
      station: 'release',
      about: [{ pieceId: piece.id, kind: 'choice', id: f.face }],
    })
  const making = makingRows(mould.figures.making, piece.release, stock)
  for (const f of makingFindings(piece, making, mould.figures, stock))
    raise(f.code, f.level, f.facts, f.remedies)
  const depth = geometry.thickness

  const wrapped = new Set(
    mould.parts.flatMap((p) => (p.role === 'wrap' && p.source.of === 'opening' ? [p.source.key] : [])),
  )
  // Draft, a wrap, a slit tube, foam that is dug out and halves with a wedge let go by themselves.
  const straight = mould.parts.filter(
    (p) =>
      p.source.of === 'opening' &&
      p.source.is === 'boards' &&
      p.recipe.kind === 'prism' &&
      !wrapped.has(p.source.key),
  )
  if (straight.length > 0 && depth > DRAFT.depth)
    raise(
      'knockout-locks',
      'warn',
      { knockouts: straight.length, depthMm: depth, draftDegrees: DRAFT.deg, wrapMm: WRAP },
      [
        {
          code: 'knockout-locks',
          facts: { wrapMm: WRAP },
          changes: [{ type: 'mouldChosen', pieceId: piece.id, patch: { wrap: WRAP } }],
        },
      ],
    )
  if (left)
    raise('release-left-out', 'warn', { reason: piece.release.leftOut! }, [
      {
        code: 'release-left-out',
        facts: {},
        changes: [{ type: 'releaseChosen', pieceId: piece.id, patch: { leftOut: null } }],
      },
    ])
  const castKg =
    steel?.figures.strippingKg ?? massOf(figures.volumeLitres * 1e6, freshKgPerM3) + figures.inserts.massKg
  const { operations: strips, circle } = takeOff(off, listed, castKg, steel?.figures.turnMpa)
  if (circle.length > 0) raise('order-circle', 'stop', { parts: namesIn(circle, off, mould.parts) })
  const by = pouredPlacement(piece.attitude, geometry)
  const poured = (loop: Loop) => pouredLoop(loop, piece.attitude, geometry)
  const slab = {
    outline: poured(geometry.outline),
    openings: geometry.openings.map((o) => poured(o.loop)),
    thickness: depth,
    solid: geometry.recipe && {
      kind: 'moved' as const,
      // As its mould takes it: a fine mesh without what no mould keeps.
      solid: moulded(piece, geometry.recipe),
      by,
    },
  }
  const castIn = [
    ...geometry.inserts.map(({ id, name, recipe }) => ({ id, name, recipe })),
    ...(geometry.voidFormer
      ? [{ id: 'void-former', name: 'void former', recipe: geometry.voidFormer.recipe }]
      : []),
  ].map(({ id, name, recipe }) => ({
    id: `cast-in/${id}`,
    name,
    recipe: { kind: 'moved' as const, solid: recipe, by },
  }))
  const nameOf = (id: string): string =>
    mould.parts.find((p) => p.id === id)?.name ?? castIn.find((c) => c.id === id)?.name ?? id
  const inOrder = strips.map((op) => off.find((o) => o.id === op.id)!)
  const order = inOrder.flatMap((u) => (u.rigid ? u.partIds : []))
  const { trapped, examined, ways, tilts } =
    piece.kind === 'slab'
      ? trappedParts(
          kernel,
          slab,
          mould.parts,
          inOrder.flatMap((u) => u.partIds),
          new Set(order),
        )
      : { trapped: [], examined: [], ways: new Map<string, Vector>(), tilts: new Map<string, Tilt>() }
  for (const { partId, name, by } of trapped) raise('part-trapped', 'stop', { part: name, by }, [], partId)
  const bySolids = quick
    ? null
    : fromSolids(
        kernel,
        memo,
        slab.solid,
        mould,
        inOrder,
        { examined, ways, tilts },
        castIn,
        isParted(piece),
        onProgress,
      )
  const { locked, overRubber, looked } = bySolids ?? { locked: [], overRubber: [], looked: [] }
  for (const { partId, name, by } of locked)
    if (by !== null) raise('part-trapped', 'stop', { part: name, by }, [], partId)
  const [worst] = overRubber.toSorted((a, b) => b.mm - a.mm)
  if (worst)
    raise(
      'jacket-undercut',
      'warn',
      { part: worst.name, more: overRubber.length - 1, byMm: worst.mm },
      jacketCures(piece),
      worst.partId,
    )
  const ups = quick ? [] : allWaysUp(kernel, memo, piece, geometry)
  const inCast = locked.filter((l) => l.by === null)
  // What the mould's own station has told of it is not told again.
  if (inCast.length > 0 && !mould.findings.some((f) => TOLD_BY_MOULD.has(f.code)))
    raise(
      'part-locked',
      'stop',
      {
        part: inCast[0]!.name,
        more: inCast.length - 1,
        byMm: Math.max(...inCast.map((l) => l.mm)),
      },
      [...otherWaysUp(piece, ups, 'lockedM2'), ...lockCures(piece)],
      inCast[0]!.partId,
    )
  const held = new Set(locked.map((l) => l.partId))
  // What never leaves is told as that, and not that it leaves late.
  const grips = (bySolids?.rows ?? []).filter((r) => !held.has(r.partId) && isGripped(r, mould.parts))
  const steep = shortOfDraft(piece, mould.parts, grips)
  if (steep) raise('draft-short', steep.level, steep.facts, steep.remedies, steep.partId)
  const air = bySolids ? airFigures(bySolids.air, piece.release.vented) : NO_AIR
  for (const f of airFindings(piece, nameOf, air, figures.volumeLitres, ups))
    raise(f.code, f.level, f.facts, f.remedies, f.partId)
  const holes = bySolids ? airHoles(bySolids.rows, inOrder, mould) : []
  const turning = strips.filter((op) => off.find((o) => o.id === op.id)!.turns)
  const result: ReleaseFigures = {
    agents,
    making,
    lives: faceLives(mould, stock, Math.ceil(piece.plannedCasts / piece.mouldCount)),
    partsTrapped: trapped.length + locked.length,
    partsExamined: examined.length + looked.length,
    partsUnexamined: order.length - examined.length - looked.length,
    drafts: bySolids?.rows ?? [],
    moves: bySolids?.moves ?? [],
    pulls: bySolids?.pulls ?? null,
    air,
    airHoles: holes,
    waysUp: ups,
    waitMinutes: agents.reduce((most, a) => Math.max(most, a.waitMinutes), 0),
    faceAreaM2: faces.reduce((sum, f) => sum + f.areaM2, 0),
    suctionKPa,
    suctionN: figures.showFaceAreaM2 * 1e3 * suctionKPa,
    turnKg: turning.length > 0 ? Math.max(...turning.map((op) => op.attitude!.massKg)) : null,
    turns: turning.length,
    leftOut: piece.release.leftOut,
  }
  const later = new Set(mould.afterRelease)
  const onFaces = faceOperations(agents, faces, mould)
  const between = {
    built: mould.operations.flatMap((op) => (later.has(op.id) ? [] : [op.id])),
    waxed: [...onFaces.flatMap((op) => (op.per === 'cast' ? [op.id] : [])), ...later],
  }
  const vents = ventOperations(air, nameOf, { ...between, off: strips })
  const letIn = airHoleOperations(holes, nameOf, between)
  const marks = quick
    ? []
    : markOperations(
        runStation(
          memo,
          'fits two ways',
          { parts: mould.parts.map(({ id, name, role, recipe }) => ({ id, name, role, recipe })), order },
          (i) => fitsTwoWays(kernel, mould.parts, new Set(i.order)),
        ).value,
        between,
      )
  const looks = lookedAt(agents, grips, mould.parts, air, {
    needs: [...vents.drill, ...letIn, ...onFaces].map((op) => op.id),
    leads: mould.afterRelease,
  })
  return {
    figures: result,
    findings,
    draft: bySolids?.map ?? null,
    operations: [
      ...makingOperations(making, mould.figures),
      ...vents.drill,
      ...letIn,
      ...marks,
      ...onFaces,
      ...looks,
      ...whileFree(strips, inOrder, grips).map((op) =>
        tilted(lifted(op, ways), bySolids?.tilts ?? Object.fromEntries(tilts)),
      ),
      ...vents.cut,
    ],
  }
}

/** Each face that may be down, and how it would lie then: a slab on its broad faces, what has no flat face as it stands or over. */
function allWaysUp(
  kernel: Kernel,
  memo: Memo,
  piece: Piece,
  geometry: PieceStation['geometry'],
): readonly WayUp[] {
  if (!geometry.recipe) return []
  const flat = piece.kind === 'slab' ? [] : geometry.faces.map((f) => f.name)
  const ways = [...new Set([piece.attitude.down, ...(flat.length > 0 ? flat : ['top', 'bottom'])])].map(
    (down) => ({
      down,
      face: geometry.faces.find((f) => f.name === down)?.words ?? (down === 'bottom' ? 'underside' : down),
      by: pouredPlacement({ down, turnDeg: 0 }, geometry),
    }),
  )
  return runStation(memo, 'ways up', { recipe: geometry.recipe, ways }, (i) =>
    waysUp(
      kernel.withSolids((scope) => meshSolid(scope.solid(i.recipe))),
      i.ways,
    ),
  ).value
}

/** Of the look for its way out, what is done once all parts were moved, and once the draft is known: about. */
const SHARES = { cameOff: 0.35, drafted: 0.7 } as const

/** Places of a surface that ways to part it are judged by. */
const PLACES = 1200
function waysToPart(meeting: Meeting, onProgress: (share: number) => void) {
  const { open } = coverOf(meeting)
  return pullFigures(bestPulls(meeting.cast, { places: PLACES, covered: (t) => open[t] === 0, onProgress }))
}

/** Whether where its mould is parted is chosen, and so which ways it is drawn. */
const isParted = (piece: Piece): boolean => piece.kind === 'imported' || PARTED.has(piece.mould.method)
const PARTED: ReadonlySet<Piece['mould']['method']> = new Set(['printed', 'closed', 'block', 'brushed'])

/** What the solids tell of the way out: what is locked, by what, how each part moves, and its draft. */
function fromSolids(
  kernel: Kernel,
  memo: Memo,
  cast: SolidRecipe | null,
  { parts }: MouldStation,
  acts: readonly Undoing[],
  plan: Pick<LookedAt, 'examined' | 'ways' | 'tilts'>,
  castIn: readonly Stander[],
  shaped: boolean,
  onProgress: (share: number) => void,
) {
  if (!cast) return null
  const told = {
    cast,
    parts: parts.map(({ id, name, recipe, pull }) => ({ id, name, recipe, pull })),
    acts,
  }
  const came = runStation(memo, 'come off', { ...told, skip: plan.examined }, (i) =>
    comeOff(kernel, i.cast, parts, i.acts, new Set(i.skip)),
  ).value
  onProgress(SHARES.cameOff)
  const ways = { ...Object.fromEntries(plan.ways), ...came.ways }
  const tilts = { ...Object.fromEntries(plan.tilts), ...came.tilts }
  const draft = runStation(memo, 'draft', { ...told, ways, tilts, castIn, shaped }, (i) => {
    const { rows, map, meeting } = planDraft(kernel, i.cast, parts, i.acts, i.ways, i.castIn, i.tilts)
    onProgress(SHARES.drafted)
    return {
      pulls: i.shaped
        ? waysToPart(meeting, (share) => onProgress(SHARES.drafted + (1 - SHARES.drafted) * share))
        : null,
      rows,
      map,
      air: airPockets(meeting),
      moves: movesOf(kernel, i.cast, parts, i.acts, i.ways, i.tilts),
    }
  }).value
  return { locked: came.locked, overRubber: came.overRubber, looked: came.examined, tilts, ...draft }
}

/** Age at 20 degC from which concrete has shrunk onto a rigid part that it grips without draft [own]. */
const GRIPPED_MINUTES = 24 * 60

/** What is gripped from two sides with less draft than it wants comes off within a day, unless it was eased before. */
function whileFree(
  strips: readonly Operation[],
  acts: readonly Undoing[],
  grips: readonly DraftRow[],
): Operation[] {
  const gripped = new Set(grips.flatMap((r) => (r.gripMm > DEEP ? [r.partId] : [])))
  const eased = new Set(acts.flatMap((u) => (u.whileItMoves ? u.at : [])))
  return strips.map((op, i) =>
    op.notAfter.length === 0 && acts[i]!.partIds.some((id) => gripped.has(id) && !eased.has(id))
      ? { ...op, notAfter: [{ kind: 'aged', ageMinutes: GRIPPED_MINUTES }] }
      : op,
  )
}

/** What lets a rigid part go that would scrape into the cast: the other way up, parted, or made of rubber; each is tried. */
const lockCures = (piece: Piece): Finding['remedies'] => [
  ...(piece.kind === 'imported'
    ? (['as-is', 'x-up', 'y-up'] as const)
        .filter((turn) => turn !== piece.turn)
        .map((turn) => ({
          code: `pattern-${turn}`,
          facts: {},
          changes: [{ type: 'shapeChanged' as const, pieceId: piece.id, patch: { turn } }],
        }))
    : []),
  ...(['brushed', 'block', 'layers'] as const)
    .filter((method) => method !== piece.mould.method)
    .map((method) => ({
      code: method,
      facts: {},
      changes: [{ type: 'mouldChosen' as const, pieceId: piece.id, patch: { method } }],
    })),
]

/** Other ways to part a jacket, by which it may draw off its rubber. */
const jacketCures = ({ id, mould }: Piece): Finding['remedies'] =>
  mould.method !== 'brushed'
    ? []
    : [
        ...([2, 4] as const)
          .filter((shells) => shells !== mould.shells || mould.seam === 'curve')
          .map((shells) => ({
            code: `jacket-in-${shells}`,
            facts: { shells },
            changes: [
              { type: 'mouldChosen' as const, pieceId: id, patch: { shells, seam: 'straight' as const } },
            ],
          })),
        ...(mould.seam === 'curve'
          ? []
          : [
              {
                code: 'jacket-curve',
                facts: {},
                changes: [{ type: 'mouldChosen' as const, pieceId: id, patch: { seam: 'curve' as const } }],
              },
            ]),
      ]

const namesIn = (circle: readonly string[], off: MouldStation['off'], parts: readonly MouldPart[]): string =>
  circle
    .flatMap((id) => off.find((o) => o.id === id)!.partIds)
    .map((id) => parts.find((p) => p.id === id)?.name ?? id)
    .join(', ')

/** A side that leaves upward is not told to be tapped outward. */
function lifted(op: Operation, ways: ReadonlyMap<string, Vector>): Operation {
  if (op.code !== 'side-off') return op
  const way = op.about.map((ref) => ways.get(ref.id)).find((found) => found !== undefined)
  return way && way[2] > 0.9 ? { ...op, ...act('side-lifted', { name: op.facts.name }) } : op
}

/** What leaves by no straight way is tilted off, its head or its foot first. */
function tilted(op: Operation, tilts: Readonly<Record<string, Tilt>>): Operation {
  if (op.code !== 'side-off') return op
  const tilt = op.about.map((ref) => tilts[ref.id]).find((found) => found !== undefined)
  return tilt
    ? {
        ...op,
        ...act('side-tilted', {
          name: op.facts.name,
          first: tilt.deg > 0 ? 'head' : 'foot',
          tiltDeg: Math.round(Math.abs(tilt.deg)),
        }),
      }
    : op
}
