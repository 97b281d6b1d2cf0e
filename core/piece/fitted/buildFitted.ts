import {
  addBulks,
  edgeDeep,
  findCrossing,
  type Kernel,
  type LoftLoop,
  loftPoints,
  lostSides,
  measureRecipe,
  measureRegion,
  type PathCorner,
  type SideProfile,
  type SolidRecipe,
  shiftPath,
} from '../../geometry/index.ts'
import { type FittedPiece, findingList } from '../../job/index.ts'
import { levelFace } from '../frames.ts'
import { loftLoop, reverseLoftLoop } from '../loftLoop.ts'
import type { PieceNote } from '../told.ts'
import type { Built, PieceFigures } from '../types.ts'
import { wallProfile } from '../wallProfile.ts'
import type { PieceFindings } from '../words.ts'
import { measuredPath } from './measured.ts'

const SQUARE = { kind: 'square' } as const

/** A lid, plug, cap or sleeve made to fit what was measured. */
export function buildFitted(_: Kernel, piece: FittedPiece): Built {
  const { findings, raise } = findingList<PieceFindings>('piece', piece.id, 'piece', piece.id)
  const measured = measuredPath(piece.measured)
  if (!measured) raise('measured-does-not-close', 'stop', { part: piece.part })
  const raw = measured ?? measuredPath({ kind: 'round', diameter: 100 })!
  const names = { side: (id: string) => `side/${id}`, corner: (a: string, b: string) => `corner/${a}-${b}` }
  const lean = Math.tan((piece.taperDeg * Math.PI) / 180) * reachOf(piece)
  const out = outsideOf(piece, lean)
  // The plan of the whole part starts at the origin.
  const grown = loftPoints(
    loftLoop(raw, names, () => [{ z: 0, inset: -out, name: '' }]),
    0,
  )
  const min = grown.reduce<[number, number]>(
    (m, p) => [Math.min(m[0], p[0]), Math.min(m[1], p[1])],
    [Infinity, Infinity],
  )
  const path = shiftPath(raw, -min[0], -min[1])
  const plan = grown.map(([x, y]): [number, number] => [x - min[0], y - min[1]])
  const size = grown.reduce<[number, number]>(
    (m, p) => [Math.max(m[0], p[0] - min[0]), Math.max(m[1], p[1] - min[1])],
    [0, 0],
  )
  const loop = (profile: (id: string) => SideProfile): LoftLoop => loftLoop(path, names, profile)
  const bodies = fittedBodies(piece, loop, lean)
  for (const { recipe } of bodies) {
    const lost = [recipe.low, recipe.high].flatMap((z) =>
      [recipe.outline, ...recipe.holes].flatMap((l) => lostSides(l, z)),
    )
    if (lost.length > 0 && !findings.some((f) => f.code === 'fit-closes'))
      raise('fit-closes', 'stop', {
        part: piece.part,
        clearanceMm: piece.clearance,
        taperDeg: piece.taperDeg,
        seatMm: piece.seat,
      })
  }
  const rings = bodies.flatMap(({ recipe }) =>
    [recipe.low, recipe.high].map((z) => loftPoints(recipe.outline, z)),
  )
  if (findings.length === 0 && rings.some((r) => findCrossing(r) !== null || measureRegion([r]) <= 1))
    raise('fit-closes', 'stop', {
      part: piece.part,
      clearanceMm: piece.clearance,
      taperDeg: piece.taperDeg,
      seatMm: piece.seat,
    })
  if (edgeDeep(piece.edge) >= piece.thickness)
    raise('edge-too-deep', 'stop', {
      side: 'upper',
      edgeMm: edgeDeep(piece.edge),
      thicknessMm: piece.thickness,
      fitsMm: piece.thickness / 2,
    })
  if (piece.part === 'lid' && piece.overlap <= piece.clearance && piece.seat > 0)
    raise('lid-falls-in', 'stop', { overlapMm: piece.overlap, clearanceMm: piece.clearance })
  if (piece.clearance === 0) raise('no-clearance', 'warn', { part: piece.part })
  const stopped = findings.some((f) => f.level === 'stop')
  const height = bodies.reduce((most, b) => Math.max(most, b.exactHigh), 0)
  const joined = bodies.map((b) => b.recipe)
  const recipe: SolidRecipe = joined.length === 1 ? joined[0]! : { kind: 'union', of: joined }
  const topLoop = bodies.at(-1)!.recipe.outline
  const region = [loftPoints(topLoop, height)]
  const foot = [loftPoints(bodies[0]!.recipe.outline, 0)]
  return {
    geometry: {
      length: size[0],
      width: size[1],
      height,
      low: 0,
      thickness: height,
      outline: plan.map((from, i) => ({ name: 'side', from, to: plan[(i + 1) % plan.length]!, arc: null })),
      openings: [],
      recipe: stopped ? null : recipe,
      faces: stopped ? [] : [levelFace('top', region, height), levelFace('bottom', foot, 0)],
      blocks: [],
      thinnest:
        piece.part === 'cap' || piece.part === 'sleeve'
          ? { mm: Math.min(piece.wall, piece.thickness), where: 'the wall' }
          : null,
    },
    bulk: stopped ? null : addBulks(bodies.map((b) => [1, measureRecipe(b.exact)!] as const)),
    showFaceArea: Math.abs(measureRegion(region)),
    findings,
    notes: stopped ? [] : fitNotes(piece, lean, raw),
  }
}

/** The length over which the part and what it fits stand side by side. */
const reachOf = (piece: FittedPiece): number =>
  piece.part === 'plug' || piece.part === 'sleeve' ? piece.thickness : piece.seat

/** How far the part reaches beyond what was measured, mm; negative when it lies inside. */
function outsideOf(piece: FittedPiece, lean: number): number {
  switch (piece.part) {
    case 'lid':
      return piece.overlap
    case 'cap':
      return piece.clearance + lean + piece.wall
    case 'plug':
    case 'sleeve':
      return -piece.clearance
  }
}

type Loft = Extract<SolidRecipe, { kind: 'loft' }>
type Body = { readonly recipe: Loft; readonly exact: Loft; readonly exactHigh: number }

/** The lofts the part is joined of, lowest first; `exact` without the overlap that joins them. */
function fittedBodies(
  piece: FittedPiece,
  loop: (profile: (id: string) => SideProfile) => LoftLoop,
  lean: number,
): Body[] {
  const { clearance, seat, thickness, wall } = piece
  const upright = (inset: number, low: number, high: number, edge: FittedPiece['edge'] = SQUARE) =>
    loop((id) =>
      wallProfile({
        low,
        high,
        insetLow: inset,
        insetHigh: inset,
        top: edge,
        bottom: SQUARE,
        names: { wall: `side/${id}`, top: `edge/${id}/top`, bottom: `edge/${id}/bottom` },
      }),
    )
  const leaning = (name: string, low: number, insetLow: number, high: number, insetHigh: number) =>
    loop((id) => [
      { z: low, inset: insetLow, name: `${name}/${id}` },
      { z: high, inset: insetHigh, name: `${name}/${id}` },
    ])
  const loft = (outline: LoftLoop, low: number, high: number, holes: LoftLoop[] = []): Loft => ({
    kind: 'loft',
    outline,
    holes,
    low,
    high,
    lowName: 'bottom',
    highName: 'top',
  })
  const only = (recipe: Loft): Body => ({ recipe, exact: recipe, exactHigh: recipe.high })
  switch (piece.part) {
    case 'lid': {
      const plate = only(
        loft(upright(-piece.overlap, seat, seat + thickness, piece.edge), seat, seat + thickness),
      )
      if (seat <= 0) return [plate]
      const outline = leaning('seat', 0, clearance + lean, seat, clearance)
      const plug: Body = {
        recipe: loft(outline, 0, seat + Math.min(0.5, thickness / 2)),
        exact: loft(outline, 0, seat),
        exactHigh: seat,
      }
      return [plug, plate]
    }
    case 'plug':
      return [only(loft(leaning('side', 0, clearance + lean, thickness, clearance), 0, thickness))]
    case 'sleeve': {
      const outline = leaning('side', 0, clearance + lean, thickness, clearance)
      const bore = reverseLoftLoop(upright(clearance + lean + wall, 0, thickness))
      // A hole's own insets count the other way.
      return [
        only(
          loft(outline, 0, thickness, [
            bore.map((s) => ({ ...s, profile: s.profile.map((p) => ({ ...p, inset: -p.inset })) })),
          ]),
        ),
      ]
    }
    case 'cap': {
      const outside = -(clearance + lean + wall)
      const skirt = upright(outside, 0, seat)
      const mouth = reverseLoftLoop(leaning('inside', 0, -(clearance + lean), seat, -clearance)).map((s) => ({
        ...s,
        profile: s.profile.map((p) => ({ ...p, inset: -p.inset })),
      }))
      const top = only(loft(upright(outside, seat, seat + thickness, piece.edge), seat, seat + thickness))
      if (seat <= 0) return [top]
      return [
        { recipe: loft(skirt, 0, seat, [mouth]), exact: loft(skirt, 0, seat, [mouth]), exactHigh: seat },
        top,
      ]
    }
  }
}

/** Play, and the outline of a timber cap or foot that fits the same place. */
function fitNotes(piece: FittedPiece, lean: number, raw: readonly PathCorner[]): PieceFigures['notes'] {
  return [
    { code: 'play-least', valueMm: piece.clearance },
    // The taper takes up depth x tan(angle).
    { code: 'play-far', valueMm: piece.clearance + lean },
    ...timberOutline(raw, piece.part === 'cap' ? 0 : piece.clearance),
  ]
}

/** More sides than these are given by their box: nobody marks them out one by one. */
const MOST_SIDES = 8

/**
 * The measured outline moved in by the clearance, as it is marked out on a board: each straight side, and with four of
 * them both diagonals; round and many-sided ones by their length and width.
 */
function timberOutline(raw: readonly PathCorner[], clearance: number): PieceFigures['notes'] {
  const names = { side: (id: string) => id, corner: (from: string) => from }
  const ring = loftPoints(
    loftLoop(raw, names, () => [{ z: 0, inset: clearance, name: '' }]),
    0,
  )
  const between = (i: number, j: number) => {
    const [p, q] = [ring[i % ring.length]!, ring[j % ring.length]!]
    return Math.hypot(p[0] - q[0], p[1] - q[1])
  }
  const plain = raw.every((c) => c.run.kind === 'line' && c.radius === 0)
  if (!plain || raw.length > MOST_SIDES || ring.length !== raw.length) {
    const across = (k: 0 | 1) => Math.max(...ring.map((p) => p[k])) - Math.min(...ring.map((p) => p[k]))
    return [
      { code: 'cap-length', valueMm: across(0) },
      { code: 'cap-width', valueMm: across(1) },
    ]
  }
  return [
    ...raw.map((c, i): PieceNote => ({ code: 'cap-side', side: c.side, valueMm: between(i, i + 1) })),
    ...(raw.length === 4
      ? ([
          { code: 'cap-diagonal', valueMm: between(0, 2) },
          { code: 'cap-other-diagonal', valueMm: between(1, 3) },
        ] as const)
      : []),
  ]
}
