import type { MouldChoice, Piece } from '../../job/index.ts'
import type { Stock } from '../../stock/index.ts'
import { inText } from '../../units/index.ts'
import type { BarePart } from '../bareParts.ts'
import { namesOf, step, WAIT, WORK } from '../buildingOrder.ts'
import type { BuiltMould } from '../method.ts'
import { type BuildStep, planOf } from '../types.ts'
import { sealantReady } from './fixings.ts'
import { openingKeyOf } from './knockoutChoice.ts'

type Told = {
  readonly piece: Piece
  readonly stock: Stock
  readonly built: Omit<BuiltMould, 'order'>
}

/** Knockouts from this size across get an air hole and handles, mm [own]. */
const HANDLED = 60
/** A joint this near the next knockout cannot be tooled once that one stands, mm [own]. */
const REACH = 60

/** A board box from bare boards to ready to pour. */
export function boxOrder({ piece, stock, built }: Told): BuildStep[] {
  const { parts } = built
  const of = (...roles: BarePart['role'][]) => parts.filter((p) => roles.includes(p.role))
  const [base] = of('base')
  const strips = [...of('strip')].sort((a, b) => b.leaves - a.leaves)
  const [skins, ribs, corners, knockouts, wraps, chamfers] = [
    of('skin'),
    of('rib'),
    of('corner'),
    of('knockout'),
    of('wrap'),
    of('chamfer'),
  ]
  const steps: BuildStep[] = []
  const cuts = parts.reduce((sum, p) => sum + p.layers.length, 0)
  steps.push(
    step(
      'cut',
      `Cut the list, the saw set once for each width: ${cuts} ${cuts === 1 ? 'piece' : 'pieces'}. Label each on its back.`,
      [],
      cuts * WORK.cut,
    ),
  )
  const leaning = strips.filter((p) => p.bevels && p.bevels.edgeDeg !== 0)
  if (leaning.length > 0)
    steps.push(
      step(
        'cut',
        `Saw ${namesOf(leaning)} with the blade tilted for the edges first, then each end by its two angles: the blade’s tilt and the swing across the face. Try both on waste, and mark which face is in before the saw is set.`,
        leaning,
        leaning.length * WORK.cut * 2,
      ),
    )
  const laminated = [...knockouts, ...corners, ...of('former')].filter((p) => p.layers.length > 1)
  if (laminated.length > 0)
    steps.push(
      step(
        'laminate',
        `Laminate ${namesOf(laminated)}: glue, clamp, leave an hour; then trim to size.`,
        laminated,
        laminated.length * WORK.laminate,
        WAIT.glue,
      ),
    )
  const raw = [...knockouts.filter((p) => p.layers.length > 0 && !p.id.endsWith('/disc')), ...corners]
  if (raw.length > 0) steps.push(...sealEdges(piece, stock, raw, built.tapeLengthMm))
  const held = knockouts.filter(
    (p) => p.layers.length > 0 && Math.min(p.lengthMm, p.widthMm) >= HANDLED && !p.id.endsWith('/disc'),
  )
  if (held.length > 0)
    steps.push(
      step(
        'cut',
        `Drill a thin air hole right through ${namesOf(held)}, waxed shut for the pour, and drive two screws into the top of each for handles: without air it holds like a sucker.`,
        held,
        held.length * WORK.place,
      ),
    )
  if (base)
    steps.push(
      step(
        'mark',
        piece.attitude.down === 'top'
          ? 'Mark the plan on the faced side of the base as the mould lies: a mirror image, the piece’s left on your right. Check it against the drawing, front towards you.'
          : 'Mark the plan on the faced side of the base as it will stand, front towards you.',
        [base],
        10,
      ),
    )
  for (const strip of strips) {
    const row = built.screws.find((s) => s.partId === strip.id)
    steps.push(
      step(
        'fix',
        `Fix ${strip.name} to the base${row ? `: ${row.count} screws in pilot holes, placed as listed` : ''}; faced side in.`,
        [strip],
        WORK.place + (row?.count ?? 0) * WORK.screw,
      ),
    )
  }
  const cornerScrews = built.screws.find((s) => s.where === 'corners')
  if (cornerScrews)
    steps.push(
      step(
        'fix',
        `A screw at each corner, ${cornerScrews.count} in all.`,
        strips,
        cornerScrews.count * WORK.screw,
      ),
    )
  if (ribs.length > 0)
    steps.push(
      step(
        'fix',
        `Screw the ribs to base and strips, then bend ${namesOf(skins)} into them and tack to each rib.`,
        [...ribs, ...skins],
        ribs.length * WORK.place + skins.length * 20,
      ),
    )
  if (corners.length > 0)
    steps.push(
      step('fix', `Glue in ${namesOf(corners)}.`, corners, corners.length * WORK.place, WAIT.hotGlue),
    )
  if (chamfers.length > 0)
    steps.push(
      step(
        'fix',
        `Stick the chamfer strips in: ${namesOf(chamfers)}.`,
        chamfers,
        chamfers.length * WORK.place,
      ),
    )
  const liners = of('liner')
  if (liners.length > 0)
    steps.push(
      step(
        'fix',
        `Stick ${namesOf(liners)} to ${liners.length === 1 ? 'its strip' : 'their strips'}, texture in, cut ${inText(1)} full and pressed home; mitre where two meet.`,
        liners,
        liners.length * WORK.place * 2,
      ),
    )
  const formers = of('former').filter((p) => !isApronBack(p))
  // Pieces of one former: the first has its id, the others a number after it.
  const joined = formers.filter(
    (p) => formers.some((q) => q.id === `${p.id}/2`) || formers.some((q) => p.id.startsWith(`${q.id}/`)),
  )
  if (joined.length > 0)
    steps.push(
      step(
        'fix',
        `Glue up ${namesOf(joined)} on a flat board, fill the joints and sand them flush.`,
        joined,
        joined.length * WORK.place * 3,
        WAIT.hotGlue,
      ),
    )
  const [hung, laid] = [formers.filter((p) => p.pull[2] > 0), formers.filter((p) => p.pull[2] <= 0)]
  if (laid.length > 0)
    steps.push(
      step(
        'fix',
        `Stick ${namesOf(laid)} to the base${piece.attitude.down === 'top' ? ', mirrored' : ''}, sealed at every edge.`,
        laid,
        laid.length * WORK.place * 2,
        WAIT.hotGlue,
      ),
    )
  if (hung.length > 0)
    steps.push(
      step(
        'fix',
        `Hang ${namesOf(hung)} from a bridge across the sides, at its depth.`,
        hung,
        hung.length * WORK.place * 3,
      ),
    )
  const backs = of('former').filter(isApronBack)
  if (backs.length > 0)
    steps.push(
      step(
        'fix',
        `Screw ${namesOf(backs)} to bridges across the sides, ${backs.length === 1 ? 'its foot' : 'their feet'} on the strike-off line, and try the whole in place. ${backs.length === 1 ? 'It is' : 'They are'} set once the slab is filled and stiff enough not to slump under the apron, and wet enough to bond.`,
        backs,
        backs.length * WORK.place * 3,
      ),
    )
  const bead = built.sealant.reduce((sum, r) => sum + r.lengthMm, 0) / 1000
  const waxFirst = piece.mould.bead === 'wax-first'
  if (waxFirst)
    steps.push(
      step(
        'wax',
        'Wax the faces before the bead: what is wiped away peels off them. Keep wax out of the joints themselves.',
        [...(base ? [base] : []), ...strips],
        WORK.wax,
      ),
    )
  steps.push(...placeKnockouts(knockouts, wraps, piece.mould.holdBy))
  const sealant = stock.sealants.find((s) => s.id === piece.mould.sealant)
  if (bead > 0)
    steps.push(
      step(
        'seal',
        `Run and tool the sealant in every joint that is left. ${waxFirst ? 'Then leave it to cure in full.' : 'Leave it to cure in full before any wax: solvents soften it.'}`,
        parts.filter((p) => p.role === 'sealant'),
        bead * WORK.beadPerM,
        sealant ? sealantReady(built.sealant, sealant) : 0,
      ),
    )
  if (piece.mould.braceSpacing !== null && built.bowing.some((b) => b.bracesMm.length > 0))
    steps.push(
      step(
        'brace',
        `Brace the tops: ${built.bowing.reduce((sum, b) => sum + b.bracesMm.length, 0)} in all, before it is filled.`,
        strips,
        built.bowing.reduce((sum, b) => sum + b.bracesMm.length, 0) * WORK.place,
      ),
    )
  steps.push(lastLook(piece))
  return steps
}

/** Raw edges are taped or lacquered while they can be got at: before anything is fixed. */
function sealEdges(piece: Piece, stock: Stock, raw: readonly BarePart[], tapeLengthMm: number): BuildStep[] {
  const agent = stock.agents.find((a) => a.id === piece.release.edgeSeal)
  const metres = tapeLengthMm / 1000
  if (agent?.kind === 'packing-tape' || !agent)
    return [
      step(
        'tape',
        `Tape the raw edges of ${namesOf(raw)}, over the top too, before they are fixed.`,
        raw,
        metres * WORK.tapePerM,
      ),
    ]
  return [
    step(
      'lacquer',
      `Seal the raw edges of ${namesOf(raw)} with ${agent.name}, ${agent.coats} ${agent.coats === 1 ? 'coat' : 'coats'}, before they are fixed. It must be hard right through before wax.`,
      raw,
      raw.length * WORK.place * agent.coats,
      agent.coats * agent.waitMinutes + agent.readyMinutes,
    ),
  ]
}

/** A board behind an apron that rises above the fill. */
const isApronBack = (p: BarePart): boolean => p.id.startsWith('apron/') && p.pull[2] > 0

/** A knockout's parts by the opening they fill, the wedge of a split one left out. */
const setDown = (knockouts: readonly BarePart[]): BarePart[] =>
  knockouts.filter((k) => !k.id.endsWith('/wedge') && !k.id.endsWith('/second') && !k.id.endsWith('/disc'))

/** How a knockout is fixed, by what it is made of. */
function setText(knockout: BarePart, wrapped: boolean, by: MouldChoice['holdBy']): string {
  const wrap = wrapped ? ', its wrap on' : ''
  if (knockout.id.endsWith('/first'))
    return `Stand both halves and the wedge of ${knockout.name.replace(', first half', '')} on their mark, wide end ${knockout.pull[2] < 0 ? 'down' : 'up'}, taped round as one${wrap}; screw the halves down from below, never the wedge. Grease the wedge.`
  if (knockout.displaces !== undefined)
    return `Screw the centring disc of ${knockout.name} to its mark, slip the slit and taped tube over it${wrap}, and weigh or strap it down: card floats.`
  if (knockout.layers.length === 0)
    return `Stick ${knockout.name} down on its mark with spray adhesive${wrap} and hold it from above: foam floats.`
  if (by === 'glue')
    return `Glue ${knockout.name} down on its mark${wrap}, as much glue as listed; measure it from two sides again before it sets.`
  if (by === 'weight')
    return `Seal ${knockout.name} down on its mark${wrap} under a bridge that bears the weight listed; measure it from two sides again.`
  return `Screw ${knockout.name} down from below on its mark${wrap}; measure it from two sides again.`
}

/** The largest first; one is sealed round before a smaller one stands so near that no finger goes between. */
function placeKnockouts(
  knockouts: readonly BarePart[],
  wraps: readonly BarePart[],
  by: MouldChoice['holdBy'],
): BuildStep[] {
  const bySize = setDown(knockouts).sort((a, b) => b.lengthMm * b.widthMm - a.lengthMm * a.widthMm)
  const placed: BarePart[] = []
  const sealed = new Set<string>()
  const steps: BuildStep[] = []
  for (const knockout of bySize) {
    const near = placed.filter((p) => !sealed.has(p.id) && gapBetween(p, knockout) < REACH)
    if (near.length > 0) {
      for (const p of near) sealed.add(p.id)
      steps.push(
        step(
          'seal',
          `Seal round ${namesOf(near)} now: ${knockout.name} will stand too near to reach it.`,
          near,
          near.length * WORK.place,
        ),
      )
    }
    const wrap = wraps.find((w) => w.id === `wrap/${openingKeyOf(knockout.id)}`)
    steps.push(
      step(
        'fix',
        setText(knockout, wrap !== undefined, by),
        wrap ? [knockout, wrap] : [knockout],
        WORK.place + 4,
      ),
    )
    placed.push(knockout)
  }
  return steps
}

/** Clear ground between the boxes of two parts, mm. */
function gapBetween(a: BarePart, b: BarePart): number {
  const box = (part: BarePart) => {
    const points = planOf(part)?.map((s) => s.from) ?? [[0, 0] as const]
    const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
    return { x: [Math.min(...xs), Math.max(...xs)], y: [Math.min(...ys), Math.max(...ys)] } as const
  }
  const [p, q] = [box(a), box(b)]
  const apart = (m: readonly [number, number], n: readonly [number, number]) =>
    Math.max(0, m[0] - n[1], n[0] - m[1])
  return Math.hypot(apart(p.x, q.x), apart(p.y, q.y))
}

const lastLook = (piece: Piece): BuildStep =>
  step(
    'check',
    `Last look before it is waxed and filled: level, every knockout fast and at its height, no screw point through, ${piece.attitude.down === 'top' ? 'the plan a mirror image of the piece' : 'the plan as the piece will stand'}.`,
    [],
    10,
  )
