import type { Piece } from '../job/index.ts'
import type { MouldPart, MouldStation } from '../mould/index.ts'
import type { StripStep } from './types.ts'

const names = (parts: readonly MouldPart[]): string => parts.map((p) => p.name).join(', ')
const ids = (parts: readonly MouldPart[]): string[] => parts.map((p) => p.id)

/** The order in which a mould comes off, by its method. */
export function strippingOrder(piece: Piece, mould: MouldStation): StripStep[] {
  switch (mould.figures.methodId) {
    case 'tube':
      return tubeOff(mould)
    case 'block':
      return mould.figures.comesOff.length > 0 ? told(mould) : rubberOff(mould)
    case 'board-box':
      return boxOff(piece, mould)
    default:
      return told(mould)
  }
}

/** As the method itself tells it. */
const told = ({ figures }: MouldStation): StripStep[] =>
  figures.comesOff.map((s) => ({ code: 'strip', ...s }))

/** A card tube is slit and peeled; a core closes in on itself. */
function tubeOff({ parts }: MouldStation): StripStep[] {
  const of = (...roles: MouldPart['role'][]) => ids(parts.filter((p) => roles.includes(p.role)))
  const core = of('core')
  return [
    ...(core.length > 0
      ? [
          {
            code: 'ease-knockouts' as const,
            partIds: core,
            text: 'From final set, pull the tape off the slit of the core and turn it in on itself.',
          },
          {
            code: 'knockouts-out' as const,
            partIds: core,
            text: 'Draw the core out along the axis; what is stuck is soaked and peeled.',
          },
        ]
      : []),
    {
      code: 'strip',
      partIds: [...of('cleat'), ...of('tube')],
      text: 'Straps off, cleats off. Slit the tube from top to foot with a knife set to its wall, and peel it away: it never slides.',
    },
    {
      code: 'lift-base',
      partIds: of('base'),
      text: 'Break the column free of its base: tip it onto battens, never onto its edge.',
    },
  ]
}

/** The box comes apart, the rubber is flexed off the cast, never the cast pulled from the rubber. */
function rubberOff({ parts }: MouldStation): StripStep[] {
  const strips = [...parts.filter((p) => p.role === 'strip')].sort((a, b) => a.leaves - b.leaves)
  const of = (role: MouldPart['role']) => ids(parts.filter((p) => p.role === role))
  return [
    { code: 'strip', partIds: ids(strips), text: `Box sides off in this order: ${names(strips)}.` },
    { code: 'flip', partIds: of('base'), text: 'Turn rubber and cast over onto a padded board.' },
    {
      code: 'lift-base',
      partIds: [...of('base'), ...of('rubber')],
      text: 'Lift the box base away. Work the rubber loose all round with the fingers, let air in, then roll it off the cast.',
    },
  ]
}

/** How knockouts leave, by what they are. */
function outText(knockouts: readonly MouldPart[]): string {
  const halves = knockouts.filter((p) => p.id.endsWith('/first') || p.id.endsWith('/second'))
  const tubes = knockouts.filter((p) => knockouts.some((d) => d.id === `${p.id}/disc`))
  const discs = knockouts.filter((p) => p.id.endsWith('/disc'))
  const whole = knockouts.filter((p) => ![...halves, ...tubes, ...discs].includes(p))
  const foam = whole.filter((p) => p.layers.length === 0)
  const wide = whole.filter((p) => !foam.includes(p) && p.recipe.kind === 'moved')
  const pressed = whole.filter((p) => !foam.includes(p) && !wide.includes(p))
  const lines = [
    ...(halves.length > 0 ? ['Fold the halves inward and lift them out.'] : []),
    ...(tubes.length > 0
      ? [`Cut the tape of ${names(tubes)}, turn the card in on itself and draw it out.`]
      : []),
    ...(foam.length > 0 ? [`Dig ${names(foam)} out in pieces.`] : []),
    ...(wide.length > 0
      ? [
          `${names(wide)}: out by the wide end, ${wide[0]!.pull[2] < 0 ? 'which was down' : 'which was up'}; a tap on the narrow one.`,
        ]
      : []),
    ...(pressed.length > 0 ? [`Press the knockouts out: ${names(pressed)}.`] : []),
  ]
  return lines.join(' ')
}

/** The order in which a box comes off. Sides slide off first; then the slab is turned with its base still on. */
function boxOff(piece: Piece, { parts }: MouldStation): StripStep[] {
  const strips = parts.filter((p) => p.role === 'strip')
  const knockouts = parts.filter((p) => p.role === 'knockout')
  const corners = parts.filter((p) => p.role === 'corner' || p.role === 'chamfer')
  const base = parts.filter((p) => p.role === 'base')
  const order = [...strips].sort((a, b) => a.leaves - b.leaves)
  const formers = parts.filter((p) => p.role === 'former')
  const [hung, laid] = [formers.filter((p) => p.pull[2] > 0), formers.filter((p) => p.pull[2] <= 0)]
  const liners = parts.filter((p) => p.role === 'liner')
  const wedges = knockouts.filter((p) => p.id.endsWith('/wedge'))
  const steps: StripStep[] = []
  if (hung.length > 0)
    steps.push({
      code: 'strip',
      partIds: ids(hung),
      text: `Once the concrete stands by itself, lift off what hangs from the bridges, straight up: ${names(hung)}.`,
    })
  if (knockouts.length > 0) {
    steps.push({
      code: 'knockout-screws',
      partIds: ids(knockouts),
      text: `Take out the screws of the knockouts from below: ${names(knockouts)}.`,
    })
    steps.push({
      code: 'ease-knockouts',
      partIds: ids(knockouts),
      text: 'From final set, turn and ease each knockout until it moves; do not pull it yet.',
    })
  }
  if (strips.length > 0)
    steps.push({
      code: 'strip-screws',
      partIds: ids(strips),
      text: 'Take out every screw of the sides. Count them.',
    })
  const lever =
    piece.mould.runPast > 0
      ? 'lever at the ends that run past, never against the concrete'
      : 'tap outward at both ends, never lever against the concrete'
  if (order.length > 0)
    steps.push({
      code: 'strip',
      partIds: ids(order),
      text: `Sides off in this order: ${names(order)}; ${lever}.`,
    })
  const skins = parts.filter((p) => p.role === 'skin')
  const ribs = parts.filter((p) => p.role === 'rib')
  if (skins.length > 0)
    steps.push({
      code: 'strip',
      partIds: [...ids(ribs), ...ids(skins)],
      text: `Prise the ribs off ${names(skins)}, then peel each skin away from one end.`,
    })
  if (corners.length > 0)
    steps.push({
      code: 'strip',
      partIds: ids(corners),
      text: `Off with ${names(corners)}, outward from the corner.`,
    })
  if (piece.attitude.down === 'top') {
    steps.push({
      code: 'flip',
      partIds: ids(base),
      text: 'Turn the slab over with its base still on, onto battens across its length.',
    })
    steps.push({
      code: 'lift-base',
      partIds: ids(base),
      text: 'Peel the base off from one short end, with a thin wedge at each corner.',
    })
  } else
    steps.push({
      code: 'lift-base',
      partIds: ids(base),
      text: 'Break the slab free of its base: wedge one end up, slide battens under, then lift.',
    })
  if (liners.length > 0)
    steps.push({
      code: 'strip',
      partIds: ids(liners),
      text: `Roll ${names(liners)} off from one end, slowly, out of the texture and not along it.`,
    })
  if (laid.length > 0)
    steps.push({
      code: 'strip',
      partIds: ids(laid),
      text: `Draw the formers out of the face: ${names(laid)}. What is stuck is warmed or soaked, never levered.`,
    })
  if (wedges.length > 0)
    steps.push({
      code: 'knockouts-out',
      partIds: ids(wedges),
      text: `Draw the wedges first, by a screw driven into each, ${wedges[0]!.pull[2] < 0 ? 'out of the face that was down' : 'out of the back'}: ${names(wedges)}.`,
    })
  const rest = knockouts.filter((p) => !wedges.includes(p))
  if (rest.length > 0) steps.push({ code: 'knockouts-out', partIds: ids(rest), text: outText(rest) })
  return steps
}
