import type { SolidRecipe } from '../../geometry/index.ts'
import type { Change, Finding, TurnedPiece } from '../../job/index.ts'
import { pressureAt } from '../../mechanics/index.ts'
import type { Vessel } from '../../stock/index.ts'
import { act, inTurn } from '../../work/index.ts'
import { barePart } from '../bareParts.ts'
import { build, oneByOne, undo } from '../buildingOrder.ts'
import { type CastBody, castBody, levelSections, regionBox } from '../castBody.ts'
import { finding, rowMissing, wearFindings } from '../checkMould.ts'
import {
  type BuiltMould,
  type MethodInput,
  type MouldedPiece,
  type MouldMethod,
  NOTHING_BESIDE,
} from '../method.ts'
import { misfit } from '../misfit.ts'
import type { MouldFact } from '../types.ts'
import { diameterAt, FILL_KG_PER_L, leastDraft, narrowsAt, vesselVolume, wallGrowth } from './vessel.ts'

/** Marked, drilled, waxed and stood level, h [own]. */
export const HOURS = 0.5
/** A piece follows a vessel this near, mm; draft under which it sticks, degrees; growth that shows, mm [own]. */
export const FITS = 2
const DRAFT = 1
const GROWTH = 1
/** A weighed volume that differs by more is another vessel, or one read wrong; grain packs as it likes. */
const MEASURED = { water: 0.02, rice: 0.05, 'dry-sand': 0.05 } as const
const FILL_WORDS = { water: 'water', rice: 'rice', 'dry-sand': 'dry sand' } as const
type FoundPiece = Extract<MouldedPiece<'found'>, { kind: 'turned' }>
const VESSEL = { id: 'vessel' } as const
/** Drilled through its floor, mm [own]. */
const AIR_HOLE = 3
/** Moulded plastic. */
const KG_PER_M3 = 950

/** A bucket, bin or bowl to hand, filled as it stands. */
export const foundMethod: MouldMethod<'found'> = {
  id: 'found',
  name: 'found vessel',
  misfit(piece) {
    if (piece.kind !== 'turned') return misfit('not-round')
    return piece.attitude.down === 'top' || piece.attitude.down === 'bottom' ? null : misfit('lies-in-pour')
  },
  reason: 'round work the size of a bucket or bowl: no mould to build',
  finish: 'glossy from the plastic, every scratch of it too',
  build(input) {
    const { stock, mix } = input
    const piece = input.piece as FoundPiece
    const vessel = stock.vessels.find((v) => v.id === piece.mould.vessel)
    const first = stock.vessels[0]
    if (!vessel)
      return {
        built: null,
        findings: [rowMissing(piece, 'vessel-missing', piece.mould.vessel, first && { vessel: first.id })],
      }
    const body = castBody(input)
    const { rings, wall } = vessel
    const top = rings.at(-1)!.height
    const recipe = vesselRecipe(vessel, body)
    const holds = vesselVolume(rings, top)
    const fill = vesselVolume(rings, Math.min(top, body.height))
    const plastic = rings.slice(1).reduce(
      (sum, upper, i) => {
        const lower = rings[i]!
        const slant = Math.hypot(upper.height - lower.height, (upper.diameter - lower.diameter) / 2)
        return sum + (Math.PI * (upper.diameter + lower.diameter) * slant * wall) / 2
      },
      (Math.PI * rings[0]!.diameter ** 2 * wall) / 4,
    )
    const facts: MouldFact[] = [
      { code: 'vessel-holds', facts: {}, value: holds / 1e6, unit: 'L' },
      { code: 'vessel-fill', facts: {}, value: fill / 1e6, unit: 'L' },
      { code: 'vessel-water', facts: {}, value: fill / 1e6, unit: 'kg' },
      {
        code: 'vessel-draft',
        facts: { wantedDeg: DRAFT },
        value: leastDraft(rings, body.height),
        unit: 'deg',
      },
      {
        code: 'vessel-grows',
        facts: {},
        value: wallGrowth(
          pressureAt(body.height, mix.freshKgPerM3) / 1000,
          rings[0]!.diameter / 2,
          vessel.elasticity,
          wall,
        ),
        unit: 'mm',
      },
    ]
    const built: BuiltMould = {
      ...NOTHING_BESIDE,
      parts: [
        barePart({
          id: 'vessel',
          role: 'shell',
          source: { of: 'cast' },
          name: vessel.name,
          lengthMm: rings.at(-1)!.diameter + 2 * wall,
          widthMm: rings.at(-1)!.diameter + 2 * wall,
          thicknessMm: top + wall,
          pull: [0, 0, -1],
          mass: { volume: plastic, kgPerM3: KG_PER_M3 },
          recipe,
        }),
      ],
      materials: [
        {
          code: 'vessel',
          facts: { row: vessel.name, casts: vessel.casts },
          amount: 1,
          unit: 'piece',
          cost: vessel.price,
          isPart: false,
        },
      ],
      alternatives: stock.vessels
        .filter((v) => v.id !== vessel.id)
        .map((v) => ({
          code: 'other-vessel',
          facts: {
            row: v.name,
            footMm: v.rings[0]!.diameter,
            rimMm: v.rings.at(-1)!.diameter,
            heightMm: v.rings.at(-1)!.height,
          },
          amount: vesselVolume(v.rings, v.rings.at(-1)!.height) / 1e6,
          unit: 'L',
          cost: v.price,
          isPart: false,
        })),
      hours: HOURS,
      life: vessel.casts,
      faceM2: body.area / 1e6,
      depth: body.height,
      facts,
      building: inTurn([
        build('look/inside', act('look-inside', {}), [VESSEL], { work: 5 }),
        build('mark/fill', act('mark-fill', { waterKg: fill / 1e6 }), [VESSEL], { work: 10 }),
        build('drill/floor', act('drill-floor', { holeMm: AIR_HOLE }), [VESSEL], { work: 5 }),
        build('stand/vessel', act('stand-vessel', {}), [VESSEL], { work: 10 }),
      ]),
      off: oneByOne([
        undo('turn', act('turn-in-vessel', { massKg: 0 }), [], { from: 'turn', turns: 'padded board' }),
        undo('off/vessel', act('vessel-off', {}), [VESSEL]),
      ]),
      faces: [
        {
          face: 'inside',
          partIds: [VESSEL.id],
          areaM2: insideArea(rings, Math.min(top, body.height)) / 1e6,
          material: 'smooth plastic',
          surface: 'smooth',
        },
      ],
      top: 'rim',
      check: () => checkFound(input, piece, vessel, body),
    }
    return { built, findings: [] }
  },
}

/** Floor and wall of a vessel up to a height, mm2. */
function insideArea(rings: Vessel['rings'], height: number): number {
  const used = [...rings.filter((r) => r.height < height), { height, diameter: diameterAt(rings, height)! }]
  return used.slice(1).reduce(
    (sum, upper, i) => {
      const lower = used[i]!
      const slant = Math.hypot(upper.height - lower.height, (upper.diameter - lower.diameter) / 2)
      return sum + (Math.PI / 2) * (upper.diameter + lower.diameter) * slant
    },
    (Math.PI / 4) * rings[0]!.diameter ** 2,
  )
}

/** The vessel as it stands round the piece, its inside as measured. */
function vesselRecipe({ rings, wall }: Vessel, body: CastBody): SolidRecipe {
  const inside = rings.map((r) => ({ radius: r.diameter / 2, z: r.height, name: 'vessel/inside' }))
  const outside = rings
    .map((r) => ({ radius: r.diameter / 2 + wall, z: r.height, name: 'vessel/outside' }))
    .reverse()
  // Anticlockwise in radius and height: under the floor outward, up the outside, down the inside.
  return {
    kind: 'turned',
    at: [body.length / 2, body.width / 2],
    profile: [
      { radius: 0, z: -wall, name: 'vessel/under' },
      { radius: outside.at(-1)!.radius, z: -wall, name: 'vessel/outside' },
      ...[...outside].reverse(),
      ...[...inside].reverse(),
      { radius: 0, z: 0, name: 'vessel/inside' },
    ],
  }
}

const STEPS = 16

function checkFound(
  { kernel, quick, mix }: MethodInput<'found'>,
  piece: FoundPiece,
  vessel: Vessel,
  body: CastBody,
): Finding[] {
  const { rings } = vessel
  const found: Finding[] = []
  const top = rings.at(-1)!.height
  if (body.height > top + FITS)
    found.push(
      finding(
        piece,
        'vessel-short',
        'stop',
        'vessel',
        { heightMm: body.height, vesselMm: top },
        shaped(piece, vessel, top),
      ),
    )
  else if (!quick) {
    const heights = Array.from({ length: STEPS }, (_, i) => (body.height * (i + 0.5)) / STEPS)
    const strays = levelSections(kernel, body.recipe, heights).map((region, i) => {
      const { min, max } = regionBox(region)
      return Math.abs(max[0] - min[0] - (diameterAt(rings, heights[i]!) ?? 0))
    })
    const most = Math.max(...strays)
    if (most > FITS)
      found.push(
        finding(
          piece,
          'vessel-differs',
          'stop',
          'vessel',
          { differsMm: most, heightMm: heights[strays.indexOf(most)]!, vessel: vessel.name },
          shaped(piece, vessel, Math.min(top, body.height)),
        ),
      )
  }
  const narrow = narrowsAt(rings, body.height)
  if (narrow !== null)
    found.push(finding(piece, 'vessel-locks', 'warn', 'vessel', { heightMm: narrow, vessel: vessel.name }))
  else if (leastDraft(rings, body.height) < DRAFT)
    found.push(
      finding(piece, 'vessel-sticks', 'note', 'vessel', {
        draftDeg: leastDraft(rings, body.height),
        wantedDeg: DRAFT,
      }),
    )
  if (vessel.lip) found.push(finding(piece, 'vessel-lip', 'note', 'vessel', { vessel: vessel.name }))
  const growth = wallGrowth(
    pressureAt(body.height, mix.freshKgPerM3) / 1000,
    rings[0]!.diameter / 2,
    vessel.elasticity,
    vessel.wall,
  )
  if (growth > GROWTH) found.push(finding(piece, 'vessel-soft', 'warn', 'vessel', { growthMm: growth }))
  const { vesselWaterKg, vesselFill } = piece.mould
  const holds = vesselVolume(rings, Math.min(top, body.height)) / 1e6
  const weighed = vesselWaterKg === null ? null : vesselWaterKg / FILL_KG_PER_L[vesselFill]
  if (weighed !== null && Math.abs(weighed / holds - 1) > MEASURED[vesselFill])
    found.push(
      finding(
        piece,
        'vessel-measure-differs',
        'warn',
        'vessel',
        {
          weighedKg: vesselWaterKg!,
          fill: FILL_WORDS[vesselFill],
          weighedLitres: weighed,
          saysLitres: holds,
        },
        [{ type: 'mouldChosen', pieceId: piece.id, patch: { vesselWaterKg: null } }],
      ),
    )
  found.push(...wearFindings(piece, vessel.casts))
  return found
}

/** The piece takes the vessel's own shape up to a height: a frustum where that is one, else its profile. */
function shaped(piece: TurnedPiece, { rings }: Vessel, height: number): Change[] {
  const down = piece.attitude.down
  const used = [
    ...rings.filter((r) => r.height < height - 1e-6),
    { height, diameter: diameterAt(rings, height)! },
  ]
  const flip = (z: number) => (down === 'top' ? height - z : z)
  const [foot, rim] = [used[0]!, used.at(-1)!]
  const turned: TurnedPiece['turned'] =
    used.length === 2
      ? {
          form: 'frustum',
          bottom: down === 'top' ? rim.diameter : foot.diameter,
          top: down === 'top' ? foot.diameter : rim.diameter,
          height,
        }
      : {
          form: 'profile',
          corners: profileOf(used.map((r): [number, number] => [r.diameter / 2, flip(r.height)])),
        }
  return [{ type: 'shapeChanged', pieceId: piece.id, patch: { turned, bore: 0 } }]
}

/** A half section from its outside points: along the axis, out, up the outside and back. */
function profileOf(outside: readonly (readonly [number, number])[]) {
  const up = outside[0]![1] < outside.at(-1)![1] ? outside : [...outside].reverse()
  const points = [[0, up[0]![1]] as const, ...up, [0, up.at(-1)![1]] as const]
  return points.map(([x, y], i) => ({
    x,
    y,
    radius: 0,
    side: `side-${i + 1}`,
    run: { kind: 'line' as const },
  }))
}
