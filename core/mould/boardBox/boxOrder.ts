import type { Sealant } from '../../stock/index.ts'
import { act, type Operation } from '../../work/index.ts'
import type { BarePart } from '../bareParts.ts'
import { build, eachCast, namesOf, WAIT, WORK } from '../buildingOrder.ts'
import { type BowRow, planOf, type ScrewRow, type SealantRow } from '../types.ts'
import type { BoxedSlab } from './boxedSlab.ts'
import { isScrewed, SCHOOLS } from './fixingSchools.ts'
import { sealantReady } from './fixings.ts'

type Told = {
  readonly piece: BoxedSlab
  readonly parts: readonly BarePart[]
  readonly screws: readonly ScrewRow[]
  readonly sealing: readonly SealantRow[]
  readonly bowing: readonly BowRow[]
  readonly sealant: Sealant
}

/** Knockouts from this size across get an air hole and handles, mm [own]. */
const HANDLED = 60
/** A joint this near the next knockout cannot be tooled once that one stands, mm [own]. */
const REACH = 60
/** What liners are cut full by, so that they press home, mm [own]. */
const FULL = 1

/** Which opening's part a knockout or wrap is; null for what fills none. */
const openingOf = ({ source }: BarePart) => (source.of === 'opening' ? source : null)
const isOf = (part: BarePart, ...is: string[]): boolean => is.includes(openingOf(part)?.is ?? '')
/** A board behind an apron that rises above the fill. */
const isApronBack = (p: BarePart): boolean => p.source.of === 'apron' && p.pull[2] > 0

/** The operation that fixes a part. */
export const fixId = (part: Pick<BarePart, 'id'>): string => `fix/${part.id}`
/** The operation after which blocks and knockouts have their shape. */
export const SHAPED = 'laminate'
/** What comes after the faces are waxed: formers that hang over them, and the bead where wax goes first. */
export const afterWax = ({ mould }: BoxedSlab): string[] => [
  'hang/formers',
  ...(mould.bead === 'wax-first' ? ['run/bead'] : []),
]

/** A board box from bare boards to what can be waxed and filled. */
export function boxBuilding({ piece, parts, screws, sealing, bowing, sealant }: Told): Operation[] {
  const of = (...roles: BarePart['role'][]) => parts.filter((p) => roles.includes(p.role))
  const base = of('base')
  const strips = [...of('strip')].sort((a, b) => b.leaves - a.leaves)
  const [skins, ribs, corners, knockouts, wraps, chamfers, liners] = (
    ['skin', 'rib', 'corner', 'knockout', 'wrap', 'chamfer', 'liner'] as const
  ).map((role) => of(role)) as [
    BarePart[],
    BarePart[],
    BarePart[],
    BarePart[],
    BarePart[],
    BarePart[],
    BarePart[],
  ]
  const mirrored = piece.attitude.down === 'top'
  const steps: Operation[] = []
  const add = (...step: Parameters<typeof build>) => steps.push(build(...step))
  const sided = strips.map(fixId)

  const cuts = parts.reduce((sum, p) => sum + p.layers.length, 0)
  add('cut/list', act('cut-list', { pieces: cuts }), [], { work: cuts * WORK.cut })
  const leaning = strips.filter((p) => p.bevels && p.bevels.edgeDeg !== 0)
  if (leaning.length > 0)
    add(
      'saw/leaning',
      act('saw-leaning', { names: namesOf(leaning) }),
      leaning,
      {
        work: leaning.length * WORK.cut * 2,
      },
      ['cut/list'],
    )
  const laminated = [...knockouts, ...corners, ...of('former')].filter((p) => p.layers.length > 1)
  if (laminated.length > 0)
    add(
      SHAPED,
      act('laminate', { names: namesOf(laminated) }),
      laminated,
      { work: laminated.length * WORK.laminate, wait: WAIT.glue },
      ['cut/list'],
    )
  const shaped = laminated.length > 0 ? SHAPED : 'cut/list'
  const held = knockouts.filter(
    (p) => isOf(p, 'boards') && p.layers.length > 0 && Math.min(p.lengthMm, p.widthMm) >= HANDLED,
  )
  if (held.length > 0)
    add('drill/air', act('drill-air', { names: namesOf(held) }), held, { work: held.length * WORK.place }, [
      shaped,
    ])
  add('mark/plan', act('mark-plan', { mirrored }), base, { work: 10 }, ['cut/list'])
  const below =
    screws.some((s) => s.from === 'below') ||
    knockouts.some(
      (p) => howFixed(p, piece) === 'screws' || howFixed(p, piece) === 'split' || isOf(p, 'disc'),
    )
  if (below) add('lay/bearers', act('lay-on-bearers', {}), base, { work: 5 }, ['mark/plan'])
  const ready = below ? 'lay/bearers' : 'mark/plan'

  const { fixing } = piece.mould
  const angled = fixing === 'angled-screws'
  const fixedBy = isScrewed(fixing) ? 'none' : fixing
  for (const strip of strips) {
    const row = screws.find((s) => s.partId === strip.id && s.where !== 'corners')
    // What laps over it is put on after it.
    const lapped = strips.filter((s) => strip.id !== s.id && s.leavesAfter?.includes(strip.id))
    add(
      fixId(strip),
      act('fix-side', {
        name: strip.name,
        screws: row?.count ?? 0,
        from: row ? (row.from === 'below' ? 'below' : angled ? 'angled' : 'side') : fixedBy,
      }),
      [strip],
      { work: WORK.place + (row?.count ?? 0) * WORK.screw, wait: SCHOOLS[fixing].wait },
      [ready, ...lapped.map(fixId), ...(leaning.includes(strip) ? ['saw/leaning'] : [])],
    )
  }
  const cornerScrews = screws.find((s) => s.where === 'corners')
  if (cornerScrews)
    add(
      'screw/corners',
      act('screw-corners', { screws: cornerScrews.count }),
      strips,
      { work: cornerScrews.count * WORK.screw },
      sided,
    )
  if (skins.length > 0)
    add(
      'bend/skins',
      act('bend-skins-to-ribs', { names: namesOf(skins) }),
      [...ribs, ...skins],
      { work: ribs.length * WORK.place + skins.length * 20 },
      [ready, ...sided],
    )
  if (corners.length > 0)
    add(
      'glue/corners',
      act('glue-in-corners', { names: namesOf(corners) }),
      corners,
      { work: corners.length * WORK.place, wait: WAIT.hotGlue },
      [shaped, ready, ...sided],
    )
  if (chamfers.length > 0)
    add(
      'stick/chamfers',
      act('stick-chamfers', { names: namesOf(chamfers) }),
      chamfers,
      { work: chamfers.length * WORK.place },
      [ready, ...sided, ...knockouts.filter(isSet).map(fixId)],
    )
  const sideLiners = liners.filter((p) => p.source.of === 'side')
  if (sideLiners.length > 0)
    add(
      'stick/side-liners',
      act('stick-side-liners', { names: namesOf(sideLiners), fullMm: FULL }),
      sideLiners,
      { work: sideLiners.length * WORK.place * 2 },
      sided,
    )
  const formers = of('former').filter((p) => !isApronBack(p))
  const pieces = formers.filter(
    (p) => (p.source.of === 'feature' || p.source.of === 'ground') && p.source.count > 1,
  )
  if (pieces.length > 0)
    add('glue-up/formers', act('glue-up-formers', { names: namesOf(pieces) }), pieces, {
      work: pieces.length * WORK.place * 3,
      wait: WAIT.hotGlue,
    })
  const glued = pieces.length > 0 ? ['glue-up/formers'] : []
  const [hung, laid] = [formers.filter((p) => p.pull[2] > 0), formers.filter((p) => p.pull[2] <= 0)]
  if (laid.length > 0)
    add(
      'stick/formers',
      act('stick-formers', { names: namesOf(laid), mirrored }),
      laid,
      { work: laid.length * WORK.place * 2, wait: WAIT.hotGlue },
      [ready, shaped, ...glued],
    )
  const backs = of('former').filter(isApronBack)
  if (backs.length > 0)
    add(
      'try/apron-backs',
      act('try-apron-backs', { names: namesOf(backs) }),
      backs,
      { work: backs.length * WORK.place * 3 },
      sided,
    )
  steps.push(...placeKnockouts(piece, knockouts, wraps, [ready, shaped, ...sided]))
  const metres = sealing.reduce((sum, r) => sum + r.lengthMm, 0) / 1000
  const fixed = steps.filter((s) => s.code !== 'cut-list').map((s) => s.id)
  if (metres > 0)
    add(
      'run/bead',
      act('run-bead', { lengthM: metres, waxFirst: piece.mould.bead === 'wax-first' }),
      parts.filter((p) => p.role === 'sealant'),
      { work: metres * WORK.beadPerM, wait: sealantReady(sealing, sealant) },
      fixed,
    )
  const braces = bowing.reduce((sum, b) => sum + b.bracesMm.length, 0)
  if (piece.mould.braceSpacing !== null && braces > 0)
    add(
      'brace/tops',
      act('brace-tops', { braces, rows: piece.mould.braceRows }),
      strips,
      { work: braces * WORK.place },
      fixed,
    )
  add(
    'check/plan',
    act('check-plan', { mirrored, screwed: screws.length > 0 || below }),
    [],
    { work: 10 },
    fixed,
  )
  if (hung.length > 0)
    steps.push(
      eachCast(
        build(
          'hang/formers',
          act('hang-formers', { names: namesOf(hung) }),
          hung,
          { work: hung.length * WORK.place * 3 },
          [...sided, ...glued],
        ),
      ),
    )
  return steps
}

/** Parts of a knockout that are fixed by themselves: the wedge and second half of a split one stand with the first. */
const isSet = (knockout: BarePart): boolean => !isOf(knockout, 'wedge', 'second half', 'disc')

type How = 'split' | 'tube' | 'foam' | 'glue' | 'weight' | 'screws'

/** How a knockout is fixed, by what it is made of and what was chosen to hold. */
export function howFixed(knockout: BarePart, { mould }: BoxedSlab): How {
  const is = openingOf(knockout)?.is
  if (is === 'first half' || is === 'second half' || is === 'wedge') return 'split'
  if (is === 'tube' || is === 'disc') return 'tube'
  if (is === 'foam') return 'foam'
  return mould.holdBy
}

/** The largest first; one is sealed round before a smaller one stands so near that no finger goes between. */
function placeKnockouts(
  piece: BoxedSlab,
  knockouts: readonly BarePart[],
  wraps: readonly BarePart[],
  ready: readonly string[],
): Operation[] {
  const bySize = knockouts.filter(isSet).sort((a, b) => b.lengthMm * b.widthMm - a.lengthMm * a.widthMm)
  const placed: BarePart[] = []
  const sealed = new Set<string>()
  const steps: Operation[] = []
  for (const knockout of bySize) {
    const own = openingOf(knockout)!
    const whole = knockouts.filter((k) => openingOf(k)?.key === own.key)
    const near = placed.filter((p) => !sealed.has(p.id) && gapBetween(p, knockout) < REACH)
    const before: string[] = []
    if (near.length > 0) {
      for (const p of near) sealed.add(p.id)
      const id = `bead/round/${near.map((p) => p.id).join('+')}`
      before.push(id)
      steps.push(
        build(
          id,
          act('bead-round', { names: namesOf(near), next: knockout.name }),
          near,
          { work: near.length * WORK.place },
          near.map(fixId),
        ),
      )
    }
    const wrap = wraps.find((w) => openingOf(w)?.key === own.key)
    if (wrap) {
      const id = `wrap/${knockout.id}`
      before.push(id)
      steps.push(
        build(
          id,
          act('wrap-knockout', { name: knockout.name, wrapMm: piece.mould.wrap }),
          [...whole, wrap],
          {
            work: WORK.place,
          },
          ready.filter((r) => r === SHAPED || r === 'cut/list'),
        ),
      )
    }
    steps.push(
      build(
        fixId(knockout),
        act('fix-knockout', {
          name: knockout.name,
          how: howFixed(knockout, piece),
          wide: knockout.pull[2] < 0 ? 'down' : 'up',
        }),
        wrap ? [...whole, wrap] : whole,
        { work: WORK.place + 4 },
        [...ready, ...before, ...placed.map(fixId)],
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
