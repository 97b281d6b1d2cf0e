import { type Kernel, type Loop, measureLoop } from '../geometry/index.ts'
import type { Finding, Piece } from '../job/index.ts'
import type { MouldPart, MouldStation } from '../mould/index.ts'
import { type PieceStation, pouredLoop } from '../piece/index.ts'
import type { Agent, Board, Skin, Stock } from '../stock/index.ts'
import { strippingOrder } from './strippingOrder.ts'
import { trappedParts } from './trappedParts.ts'
import type { AgentRow, ReleaseFigures, ReleaseStation } from './types.ts'

/** Depth from which a rigid knockout wants draft or a wrap, mm. */
const DRAFT_DEPTH = 25
/** Suction of a waxed, smooth closed base, MPa; section area times this is what the first lift overcomes. */
const SUCTION = 0.001

const FACED: readonly Board['material'][] = ['melamine', 'film-faced-ply']
/** Sheets that soak: sealed before anything else. */
const RAW_SKINS: readonly Skin['material'][] = ['hardboard', 'flexible-ply', 'birch-ply']
const MATERIAL_WORD: Readonly<Record<Board['material'], string>> = {
  melamine: 'melamine face',
  mdf: 'MDF',
  'birch-ply': 'birch ply',
  'spruce-ply': 'spruce ply',
  'film-faced-ply': 'film face',
  hardboard: 'hardboard',
}

/** Parts whose face the concrete meets, in moulds that are shaped. */
const FACES: readonly MouldPart['role'][] = ['shell', 'jacket', 'layer', 'rubber', 'skin', 'liner']

/** The fourth station: what goes on the faces, and in which order the mould comes off. */
export function planReleaseStation(
  kernel: Kernel,
  piece: Piece,
  { geometry, figures }: PieceStation,
  mould: MouldStation,
  stock: Stock,
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

  const agents: AgentRow[] = []
  const boardOf = (part: MouldPart) =>
    stock.boards.find((b) => b.id === (part.boardId ?? part.layers[0]?.boardId))
  const depth = geometry.thickness
  const strips = mould.parts.filter((p) => p.role === 'strip')
  const base = mould.parts.find((p) => p.role === 'base')
  const left = piece.release.leftOut !== null
  const add = (
    faceName: string,
    parts: readonly MouldPart[],
    areaM2: number,
    agent: Agent | undefined,
    material: string,
    note: string,
  ) => {
    if (!agent || areaM2 <= 0) return
    agents.push(agentRow(faceName, parts, areaM2, agent, material, note))
  }
  const { methodId } = mould.figures
  if (methodId === 'tube' && face && !left) {
    const tubes = mould.parts.filter((p) => p.role === 'tube' || p.role === 'core')
    add(
      'card tube, inside',
      tubes,
      figures.surfaceAreaM2,
      face,
      'card',
      'or line it with film; keep the outside dry, it swells',
    )
  }
  if (methodId === 'block')
    agents.push({
      face: 'rubber',
      material: 'rubber',
      partIds: ['rubber'],
      areaM2: figures.surfaceAreaM2,
      agent: 'none, or a light water-based release',
      coats: 0,
      waitMinutes: 0,
      amount: 0,
      unit: 'litre',
      cost: 0,
      note: 'a film of soapy water makes the rubber last',
    })
  const met = mould.figures.face
  if (met) {
    const parts = mould.parts.filter((p) => FACES.includes(p.role))
    if (met.waxed && face && !left)
      add('mould face', parts, figures.surfaceAreaM2, face, met.material, met.note)
    else if (!met.waxed)
      agents.push({
        face: met.material,
        material: met.material,
        partIds: parts.map((p) => p.id),
        areaM2: methodId === 'lined' ? figures.showFaceAreaM2 : figures.surfaceAreaM2,
        agent: met.note,
        coats: 0,
        waitMinutes: 0,
        amount: 0,
        unit: 'litre',
        cost: 0,
        note: '',
      })
  }
  if (base && face && methodId !== 'block' && (!met || methodId === 'lined')) {
    const skins = mould.parts.filter((p) => p.role === 'skin')
    const skinArea = skins.reduce((sum, p) => sum + p.lengthMm * depth, 0) * 1e-6
    const sideArea = Math.max(0, measureLoop(geometry.outline).perimeter * depth * 1e-6 - skinArea)
    for (const [name, parts, area] of [
      ['base', methodId === 'lined' ? [] : [base], figures.showFaceAreaM2],
      ['sides', strips, sideArea],
      ['bent skins', skins, skinArea],
    ] as const) {
      if (parts.length === 0) continue
      const board = boardOf(parts[0]!)
      const skin = stock.skins.find((s) => s.id === parts[0]!.boardId)
      const material = board ? MATERIAL_WORD[board.material] : (skin?.name ?? 'board')
      const faced = board ? FACED.includes(board.material) : !(skin && RAW_SKINS.includes(skin.material))
      if (!faced) add(name, parts, area, seal, material, 'seal first, raw board soaks and bonds')
      if (!left)
        add(
          name,
          parts,
          area,
          face,
          material,
          face.kind === 'paste-wax' ? 'haze, then buff' : 'a thin film, no pools',
        )
    }
  }
  const rigid = mould.parts.filter((p) => p.role === 'knockout' || p.role === 'corner')
  if (rigid.length > 0) {
    const area = rigid.reduce((sum, p) => sum + edgeArea(p), 0) * 1e-6
    add('knockout and corner edges', rigid, area, seal, 'raw board edge', 'every raw edge, over the top too')
    if (!left && seal?.kind !== 'packing-tape')
      add('knockout and corner edges', rigid, area, face, 'sealed edge', 'after the seal is hard')
  }

  // Draft, a slit tube, foam that is dug out and halves with a wedge let go by themselves.
  const knockouts = mould.parts.filter(
    (p) =>
      p.role === 'knockout' && p.recipe.kind === 'prism' && p.layers.length > 0 && !p.id.endsWith('/disc'),
  )
  if (knockouts.length > 0 && piece.mould.wrap === 0 && depth > DRAFT_DEPTH)
    raise('knockout-locks', 'warn', { knockouts: knockouts.length, depthMm: depth, draftDegrees: 2 }, [
      {
        code: 'knockout-locks',
        facts: { wrapMm: 3 },
        changes: [{ type: 'mouldChosen', pieceId: piece.id, patch: { wrap: 3 } }],
      },
    ])
  if (left)
    raise('release-left-out', 'warn', { reason: piece.release.leftOut! }, [
      {
        code: 'release-left-out',
        facts: {},
        changes: [{ type: 'releaseChosen', pieceId: piece.id, patch: { leftOut: null } }],
      },
    ])
  const sealer = stock.sealers.find((s) => s.id === piece.finish.sealer)
  if (!left && face?.kind === 'oil' && sealer && sealer.school !== 'wax') {
    const wax = stock.agents.find((a) => a.kind === 'paste-wax')
    raise(
      'oil-under-sealer',
      'warn',
      { agent: face.name, sealer: sealer.name },
      wax
        ? [
            {
              code: 'oil-under-sealer',
              facts: { agent: wax.name },
              changes: [{ type: 'releaseChosen', pieceId: piece.id, patch: { faceAgent: wax.id } }],
            },
          ]
        : [],
    )
  }
  const stripping = strippingOrder(piece, mould)
  const poured = (loop: Loop) => pouredLoop(loop, piece.attitude, geometry)
  const slab = {
    outline: poured(geometry.outline),
    openings: geometry.openings.map((o) => poured(o.loop)),
    thickness: depth,
  }
  const leaving = stripping.filter(
    (s) => s.code === 'strip' || s.code === 'lift-base' || s.code === 'knockouts-out',
  )
  // Card is slit and rubber is flexed: only boards can be trapped.
  const trapped =
    methodId === 'board-box'
      ? trappedParts(
          kernel,
          slab,
          mould.parts,
          leaving.flatMap((s) => s.partIds),
        )
      : []
  for (const { partId, name, by } of trapped) raise('part-trapped', 'stop', { part: name, by }, [], partId)
  const result: ReleaseFigures = {
    agents,
    partsTrapped: trapped.length,
    waitMinutes: agents.reduce((most, a) => Math.max(most, a.waitMinutes), 0),
    faceAreaM2: figures.showFaceAreaM2 + measureLoop(geometry.outline).perimeter * depth * 1e-6,
    suctionN: figures.showFaceAreaM2 * 1e6 * SUCTION,
    stripping,
    leftOut: piece.release.leftOut,
  }
  return { figures: result, findings }
}

/** Face of a knockout or corner block that stands in the concrete, mm2. */
function edgeArea(part: MouldPart): number {
  if (part.recipe.kind !== 'prism')
    return part.role === 'knockout' ? 2 * (part.lengthMm + part.widthMm) * part.thicknessMm : 0
  const { outline, low, high } = part.recipe
  const wet = outline.filter((s) => part.role === 'knockout' || s.arc)
  const length = wet.reduce(
    (sum, { from, to, arc }) =>
      sum + (arc ? arc.radius * Math.abs(arc.sweepRad) : Math.hypot(to[0] - from[0], to[1] - from[1])),
    0,
  )
  return length * (high - low)
}

function agentRow(
  face: string,
  parts: readonly MouldPart[],
  areaM2: number,
  agent: Agent,
  material: string,
  note: string,
): AgentRow {
  const amount = (areaM2 * agent.coats) / agent.coverM2PerUnit
  return {
    face,
    material,
    partIds: parts.map((p) => p.id),
    areaM2,
    agent: agent.name,
    coats: agent.coats,
    waitMinutes: agent.coats * agent.waitMinutes + agent.readyMinutes,
    amount,
    unit: agent.unit,
    cost: agent.price === null ? null : amount * agent.price,
    note,
  }
}
