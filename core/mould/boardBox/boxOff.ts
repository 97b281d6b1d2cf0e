import { edgeSize } from '../../geometry/index.ts'
import { act } from '../../work/index.ts'
import type { BarePart } from '../bareParts.ts'
import { namesOf, OFF, undo } from '../buildingOrder.ts'
import type { ScrewRow, Undoing } from '../types.ts'
import type { BoxedSlab } from './boxedSlab.ts'
import { howFixed } from './boxOrder.ts'
import { isScrewed } from './fixingSchools.ts'

/** Minutes to take a screw out [own]. */
const UNSCREW = 0.5

const isOf = ({ source }: BarePart, ...is: string[]): boolean =>
  source.of === 'opening' && is.includes(source.is)

/**
 * How a box comes off: what hangs over the open face, knockouts eased while they move, sides in the order of their laps
 * and windows, then the slab is turned with its base still on, or broken free of it, and the rest drawn.
 */
export function boxOff(piece: BoxedSlab, parts: readonly BarePart[], screws: readonly ScrewRow[]): Undoing[] {
  const of = (...roles: BarePart['role'][]) => parts.filter((p) => roles.includes(p.role))
  const strips = of('strip')
  const knockouts = of('knockout')
  const wraps = of('wrap').filter((p) => p.source.of === 'opening')
  const formers = of('former')
  const [hung, laid] = [formers.filter((p) => p.pull[2] > 0), formers.filter((p) => p.pull[2] <= 0)]
  const acts: Undoing[] = []
  if (hung.length > 0)
    acts.push(undo('off/hung', act('lift-hung', { names: namesOf(hung) }), hung, { from: 'set' }))
  const eased = knockouts.filter((p) => isOf(p, 'boards', 'plug'))
  if (eased.length > 0)
    acts.push(
      undo(
        'ease/knockouts',
        act('ease-knockouts', {
          names: namesOf(eased),
          screwed: eased.some((p) => howFixed(p, piece) === 'screws'),
        }),
        [],
        {
          at: eased.map((p) => p.id),
          from: 'set',
          whileItMoves: true,
          minutes: OFF.part * eased.length,
        },
      ),
    )
  const sideScrews = screws.reduce((sum, s) => sum + s.count, 0)
  if (strips.length > 0)
    acts.push(
      undo(
        'out/side-screws',
        sideScrews > 0
          ? act('side-screws-out', { screws: sideScrews })
          : act('sides-let-go', { by: isScrewed(piece.mould.fixing) ? 'none' : piece.mould.fixing }),
        [],
        {
          at: strips.map((p) => p.id),
          from: 'sides',
          minutes: Math.max(OFF.part, sideScrews * UNSCREW),
        },
      ),
    )
  const sides = byWindow(strips, piece).map((p) => sideOff(p, piece))
  acts.push(...sides)
  const sided = sides.map((u) => u.id)
  const skins = of('skin')
  if (skins.length > 0)
    acts.push(
      undo(
        'off/skins',
        act('skins-off', { names: namesOf(skins), ribs: of('rib').length > 0 }),
        [...of('rib'), ...skins],
        {
          from: windowOfAll(skins, piece),
          after: sided,
        },
      ),
    )
  const corners = of('corner')
  if (corners.length > 0)
    acts.push(
      undo('off/corners', act('corners-off', { names: namesOf(corners) }), corners, {
        from: 'sides',
        after: [...sided, ...(skins.length > 0 ? ['off/skins'] : [])],
      }),
    )
  const standing = acts.map((u) => u.id)
  const base = [...of('base'), ...of('sealant')]
  if (piece.attitude.down === 'top') {
    acts.push(
      undo('turn', act('turn-on-base', { massKg: 0 }), [], {
        at: base.map((p) => p.id),
        from: 'turn',
        turns: 'bearers',
        after: standing,
      }),
    )
    acts.push(undo('off/base', act('peel-base', {}), base, { after: ['turn'] }))
  } else acts.push(undo('off/base', act('break-free', {}), base, { from: 'turn', after: standing }))
  const bare = { after: ['off/base'] }
  const liners = of('liner')
  if (liners.length > 0)
    acts.push(undo('off/side-liners', act('roll-liners-off', { names: namesOf(liners) }), liners, bare))
  const chamfers = of('chamfer')
  if (chamfers.length > 0)
    acts.push(undo('off/chamfers', act('chamfers-off', { names: namesOf(chamfers) }), chamfers, bare))
  if (laid.length > 0)
    acts.push(undo('out/formers', act('draw-formers', { names: namesOf(laid) }), laid, bare))
  const wedges = knockouts.filter((p) => isOf(p, 'wedge'))
  if (wedges.length > 0)
    acts.push(
      undo(
        'out/wedges',
        act('draw-wedges', { names: namesOf(wedges), down: wedges[0]!.pull[2] < 0 }),
        wedges,
        bare,
      ),
    )
  /** A knockout's wrap comes out with it. */
  const withWraps = (own: readonly BarePart[]) => [
    ...own,
    ...wraps.filter((w) =>
      own.some(
        (k) => k.source.of === 'opening' && w.source.of === 'opening' && k.source.key === w.source.key,
      ),
    ),
  ]
  const out = (id: string, told: Parameters<typeof undo>[1], own: readonly BarePart[], after = bare.after) =>
    own.length > 0 ? [undo(id, told, withWraps(own), { after })] : []
  const halves = knockouts.filter((p) => isOf(p, 'first half', 'second half'))
  const tubes = knockouts.filter((p) => isOf(p, 'tube'))
  const foam = knockouts.filter((p) => isOf(p, 'foam'))
  const wide = eased.filter((p) => p.recipe.kind === 'moved')
  const pressed = eased.filter((p) => !wide.includes(p))
  acts.push(
    ...out('out/halves', act('fold-halves', { names: namesOf(halves) }), halves, ['off/base', 'out/wedges']),
    ...out('out/tubes', act('draw-tubes', { names: namesOf(tubes) }), [
      ...tubes,
      ...knockouts.filter((p) => isOf(p, 'disc')),
    ]),
    ...out('out/foam', act('dig-out', { names: namesOf(foam) }), foam),
    ...out(
      'out/wide',
      act('wide-end-out', { names: namesOf(wide), down: (wide[0]?.pull[2] ?? 0) < 0 }),
      wide,
    ),
    ...out('out/pressed', act('press-out', { names: namesOf(pressed) }), pressed),
  )
  return acts
}

/** 8 MPa where the side's show edge is sharp, else 5. */
function windowOf(part: BarePart, piece: BoxedSlab): 'sides' | 'sharp' {
  if (part.source.of !== 'side') return 'sides'
  // A skin round a corner stands between two sides: it waits as for the sharper.
  const side = piece.sides[part.source.side]
  return side && edgeSize(side.top) > 0 ? 'sides' : 'sharp'
}

const windowOfAll = (parts: readonly BarePart[], piece: BoxedSlab): 'sides' | 'sharp' =>
  parts.some((p) => windowOf(p, piece) === 'sharp' || p.source.of !== 'side') ? 'sharp' : 'sides'

const sideOff = (strip: BarePart, piece: BoxedSlab): Undoing =>
  undo(`off/${strip.id}`, act('side-off', { name: strip.name, runPast: piece.mould.runPast > 0 }), [strip], {
    from: windowOf(strip, piece),
    after: ['out/side-screws', ...(strip.leavesAfter ?? []).map((id) => `off/${id}`)],
  })

/** Of the strips that nothing laps over any more, those with rounded edges first, else as they leave. */
function byWindow(strips: readonly BarePart[], piece: BoxedSlab): BarePart[] {
  const left = [...strips].sort((a, b) => a.leaves - b.leaves)
  const order: BarePart[] = []
  while (left.length > 0) {
    const free = left.filter((p) => !(p.leavesAfter ?? []).some((id) => left.some((q) => q.id === id)))
    const next = free.find((p) => windowOf(p, piece) === 'sides') ?? free[0] ?? left[0]!
    order.push(next)
    left.splice(left.indexOf(next), 1)
  }
  return order
}
