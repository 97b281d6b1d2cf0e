import type { Loop, Point, SolidRecipe, Vector } from '../../geometry/index.ts'
import type { Rubber } from '../../stock/index.ts'
import { inText } from '../../units/index.ts'
import { type BarePart, barePart, DOWN, prism, UP } from '../bareParts.ts'
import { sealPattern, step } from '../buildingOrder.ts'
import { type CastBody, castBody, greatestSection } from '../castBody.ts'
import { localTops } from '../closed/localTops.ts'
import type { MethodInput } from '../method.ts'
import { cylinderAlong } from '../shells/flangedShells.ts'
import type { BuildStep, MouldFact } from '../types.ts'

/** Filling hole: a share of the smaller way across, within limits; an air hole, mm [own]. */
const HOLE = { share: 0.3, least: 15, most: 60, vent: 3 }
/** Balls pressed halfway into the clay, so that the halves find each other: share of the wall, limits, and how far apart, mm [own]. */
const KEY = { share: 0.28, least: 3, most: 12, spacing: 120 }
/** A ball is drawn with this many sides, at these heights above its middle, radians. */
const ROUND = 10
const BANDS = [-80, -35, 0, 35, 80].map((deg) => (deg * Math.PI) / 180)

const join = (of: readonly SolidRecipe[]): SolidRecipe => ({ kind: 'union', of })

export type TwoPart = {
  readonly parts: readonly BarePart[]
  /** Of each half, mm3. */
  readonly lower: number
  readonly upper: number
  readonly parting: number
  readonly facts: readonly MouldFact[]
  readonly order: (board: readonly BarePart[], weigh: (volume: number) => string) => BuildStep[]
  readonly comesOff: readonly { readonly partIds: readonly string[]; readonly text: string }[]
}

/**
 * A block in two halves round the whole pattern, parted level at its greatest section, keyed by half balls in the wall,
 * filled through a hole at the highest point, with an air hole at every other top.
 */
export function twoPart(input: MethodInput, wall: number, rubber: Rubber, block: Loop): TwoPart {
  const { kernel, quick } = input
  const body = castBody(input)
  const { height } = body
  const parting = quick ? height / 2 : greatestSection(kernel, body).z
  const tops: readonly Vector[] = quick
    ? [[body.length / 2, body.width / 2, height]]
    : localTops(kernel, body).filter(([, , z]) => z > parting)
  const hole = Math.min(HOLE.most, Math.max(HOLE.least, HOLE.share * Math.min(body.length, body.width)))
  const bores = tops.map((at, i) =>
    cylinderAlong(
      at,
      UP,
      i === 0 ? hole / 2 : HOLE.vent,
      Math.min(5, height / 4),
      height + 2 * wall,
      i === 0 ? 'filling hole' : 'air hole',
    ),
  )
  const radius = Math.min(KEY.most, Math.max(KEY.least, wall * KEY.share), wall * 0.45)
  const places = keyPlaces(body, wall)
  const keys = join(places.map((at) => ball(at, parting, radius)))
  const solid = (low: number, high: number): SolidRecipe => prism(block, low, high, 'rubber')
  const lower: SolidRecipe = {
    kind: 'difference',
    from: join([solid(-wall, parting), keys]),
    minus: [body.recipe],
  }
  const upper: SolidRecipe = {
    kind: 'difference',
    from: solid(parting, height + wall),
    minus: [body.recipe, keys, ...bores],
  }
  const plan = (body.length + 2 * wall) * (body.width + 2 * wall)
  const share = height > 0 ? parting / height : 0.5
  const guess = {
    lower: Math.max(0, plan * (wall + parting) - body.volume * share),
    upper: Math.max(0, plan * (wall + height - parting) - body.volume * (1 - share)),
  }
  // Both in one scope, so that cast and keys are built once.
  const volumes = quick
    ? guess
    : kernel.withSolids((s) => ({
        lower: s.solid(lower).body.volume(),
        upper: s.solid(upper).body.volume(),
      }))
  const half = (id: 'lower' | 'upper', recipe: SolidRecipe, thick: number, pull: Vector): BarePart =>
    barePart({
      id: `rubber/${id}`,
      role: 'rubber',
      name: `${id} half of the block`,
      lengthMm: body.length + 2 * wall,
      widthMm: body.width + 2 * wall,
      thicknessMm: thick,
      pull,
      leaves: id === 'upper' ? 0 : 1,
      mass: { volume: volumes[id], kgPerM3: rubber.densityKgPerM3 },
      recipe,
    })
  const parts = [
    half('lower', lower, wall + parting, DOWN),
    half('upper', upper, wall + height - parting, UP),
  ]
  return {
    ...volumes,
    parting,
    parts,
    facts: [
      {
        label: 'Parting above the foot',
        value: parting,
        unit: 'mm',
        note: 'level, at the greatest section: bed the pattern in clay to here',
      },
      {
        label: 'Keys',
        value: places.length,
        unit: '',
        note: 'balls about half as thick as the wall, pressed halfway into the clay',
      },
      { label: 'Filling hole', value: hole, unit: 'mm', note: 'at the highest point, a funnel over it' },
      {
        label: 'Air holes',
        value: Math.max(0, tops.length - 1),
        unit: '',
        note: `${inText(6)}, one at every other top`,
      },
    ],
    order: (boards, weigh) => orderOf(parts, boards, places.length, tops.length - 1, rubber, weigh, volumes),
    comesOff: [
      {
        partIds: boards(parts),
        text: 'Straps off, box sides off. Loosen the upper half all round with the fingers and let air in, then peel it up.',
      },
      {
        partIds: ['rubber/upper'],
        text: 'Flex the lower half down off the cast; the cast is never pulled from it. Cut the sprue and the vents off while it is green.',
      },
    ],
  }
}

const boards = (parts: readonly BarePart[]): string[] =>
  parts.filter((p) => p.id.endsWith('upper')).map((p) => p.id)

/** Round the wall, one at each corner and between them no further apart than the spacing. */
function keyPlaces({ length, width }: CastBody, wall: number): Point[] {
  const out = -wall / 2
  const [l, w] = [length + wall, width + wall]
  const along = (n: number) => Math.max(1, Math.ceil(n / KEY.spacing))
  const [nx, ny] = [along(l), along(w)]
  return [
    ...Array.from({ length: nx + 1 }, (_, i): Point[] => [
      [out + (l * i) / nx, out],
      [out + (l * i) / nx, out + w],
    ]).flat(),
    ...Array.from({ length: Math.max(0, ny - 1) }, (_, i): Point[] => [
      [out, out + (w * (i + 1)) / ny],
      [out + l, out + (w * (i + 1)) / ny],
    ]).flat(),
  ]
}

/** A ball about a place on the parting, of few flat faces: it is pressed into clay. */
const ball = ([x, y]: Point, z: number, radius: number): SolidRecipe => ({
  kind: 'stack',
  levels: BANDS.map((a) => ({
    z: z + radius * Math.sin(a),
    points: Array.from({ length: ROUND }, (_, i): Point => {
      const turn = (2 * Math.PI * i) / ROUND
      const r = radius * Math.cos(a)
      return [x + r * Math.cos(turn), y + r * Math.sin(turn)]
    }),
  })),
  name: 'key',
  lowName: 'key',
  highName: 'key',
})

function orderOf(
  parts: readonly BarePart[],
  box: readonly BarePart[],
  keys: number,
  vents: number,
  rubber: Rubber,
  weigh: (volume: number) => string,
  { lower, upper }: { readonly lower: number; readonly upper: number },
): BuildStep[] {
  const [down, up] = [
    parts.filter((p) => p.id === 'rubber/lower'),
    parts.filter((p) => p.id === 'rubber/upper'),
  ]
  const cures = rubber.demouldHours * 60
  return [
    sealPattern(),
    step('cut', 'Cut the box; fix its base level.', box, 20),
    step(
      'fix',
      `Bed the pattern in soft clay inside the box, its foot on a block, clay smooth and square to it up to the parting line, at the height listed. Use clay that the rubber’s maker allows: sulphur stops some from curing.`,
      [],
      60,
    ),
    step('mark', `Press ${keys} balls halfway into the clay in the middle of the wall, for keys.`, [], 15),
    step(
      'fix',
      `Stand a rod for the filling hole on the highest point${vents > 0 ? ` and ${vents} thin ones on every other top` : ''}.`,
      up,
      15,
    ),
    step('wax', 'Brush on the pattern’s release, two thin coats; wipe off what pools.', [], 15, 20),
    step(
      'pour',
      `Upper half: ${weigh(upper)}; a thin stream into the lowest corner, within the pot life.`,
      up,
      20,
      cures,
    ),
    step(
      'check',
      'Turn the box over, take base and clay away, leave the pattern in its half. Wash the last clay off; dry it.',
      up,
      30,
    ),
    step(
      'wax',
      'Release on the cured rubber face, two coats, into the keys: rubber bonds to rubber. Then the pattern again.',
      up,
      15,
      30,
    ),
    step('pour', `Lower half: ${weigh(lower)}, poured the same way.`, down, 20, cures),
    step(
      'check',
      'Open the box, part the halves from one corner, take the pattern out. Put the mould back into its box to fill it, strapped round, the filling hole up.',
      parts,
      20,
    ),
  ]
}
