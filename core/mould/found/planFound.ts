import type { Change, Finding, TurnedPiece } from '../../job/index.ts'
import { pressureAt } from '../../mechanics/index.ts'
import type { Vessel } from '../../stock/index.ts'
import type { BarePart } from '../bareParts.ts'
import { holdDownForce } from '../boardBox/fixings.ts'
import { type CastBody, castBody, levelSections, regionBox } from '../castBody.ts'
import { boardMissing, finding, rowMissing, tooLargeFindings, wearFindings } from '../checkMould.ts'
import {
  type BuiltMould,
  type MethodInput,
  type MouldedPiece,
  type MouldMethod,
  NOTHING_BESIDE,
} from '../method.ts'
import { misfit } from '../misfit.ts'
import { surfaceOf } from '../surfaces.ts'
import type { MouldFact } from '../types.ts'
import { foundBuilding, foundOff } from './foundOrder.ts'
import { vesselBase, vesselParts } from './foundParts.ts'
import {
  diameterAt,
  FILL_KG_PER_L,
  leastDraft,
  narrowsAt,
  overhang,
  type Ring,
  ringsAs,
  vesselVolume,
  wallGrowth,
} from './vessel.ts'

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

/** A bucket, bin or bowl to hand: filled as it stands, rim down without its floor, or two of them rim to rim. */
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
    const { mould } = piece
    const base = stock.boards.find((b) => b.id === mould.baseBoard)
    if (mould.stands === 'upside-down' && !base)
      return { built: null, findings: [boardMissing(piece, 'the base', mould.baseBoard)] }
    const body = castBody(input)
    const rings = ringsAs(vessel.rings, mould.stands)
    const top = rings.at(-1)!.height
    const joined = mould.stands === 'joined'
    const height = Math.min(top, body.height)
    const fill = vesselVolume(rings, height)
    const hole = Math.max(HOLE.least, HOLE.share * Math.min(body.length, body.width))
    const parts = vesselParts(vessel, mould.stands, body, hole)
    const bases = mould.stands === 'upside-down' && base ? [vesselBase(base, body, vessel)] : []
    const order = { ...mould, vessel: parts, base: bases, fillKg: fill / 1e6, holeMm: hole }
    const life = mould.comesOff === 'whole' ? vessel.casts : 1
    const casts = Math.ceil(piece.plannedCasts / piece.mouldCount)
    const each = joined ? 2 : 1
    const lost = mould.comesOff !== 'whole'
    const built: BuiltMould = {
      ...NOTHING_BESIDE,
      parts: [...bases, ...parts],
      materials: [
        {
          code: 'vessel',
          facts: { row: vessel.name, casts: life },
          amount: each * (lost ? casts : 1),
          unit: 'piece',
          cost: vessel.price === null ? null : vessel.price * each * (lost ? casts : 1),
          isPart: false,
          ...(lost && { forCasts: casts }),
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
      holdDown: liftRows(piece, rings, height, parts, mix.freshKgPerM3),
      fixings: mould.bag
        ? [{ code: 'bag', facts: { acrossMm: bagWidth(rings) }, amount: casts, unit: 'piece' }]
        : [],
      hours: HOURS * each,
      life,
      faceM2: body.area / 1e6,
      depth: body.height,
      facts: vesselFacts(vessel, rings, body, fill, mix.freshKgPerM3, mould.comesOff),
      building: foundBuilding(order),
      // Inside of what is closed nothing is waxed any more, and a bag covers what is.
      afterRelease: ['join/halves', 'stand/vessel', 'line/bag'].filter((id) =>
        foundBuilding(order).some((op) => op.id === id && op.per === 'cast'),
      ),
      off: foundOff(order),
      faces: [
        ...(bases.length > 0
          ? [
              {
                face: 'base' as const,
                partIds: bases.map((p) => p.id),
                areaM2: ((Math.PI / 4) * rings[0]!.diameter ** 2) / 1e6,
                ...(mould.bag ? ({ material: 'bag', surface: 'film' } as const) : surfaceOf(base!)),
              },
            ]
          : []),
        {
          face: 'inside',
          partIds: parts.map((p) => p.id),
          areaM2: insideArea(rings, height) / 1e6,
          material: mould.bag ? 'bag' : 'smooth plastic',
          surface: mould.bag || mould.comesOff === 'left-on' ? 'film' : 'smooth',
        },
      ],
      top: joined ? 'hole' : 'rim',
      vents: joined ? 1 : 0,
      check: (layouts) => [
        ...tooLargeFindings(piece, layouts),
        ...checkFound(input, piece, vessel, rings, body),
      ],
    }
    return { built, findings: [] }
  },
}

/** The hole that two halves are filled by, as a share of what is cast, and its least, mm; a bag's slack, a share [own]. */
const HOLE = { share: 0.15, least: 40 }
const BAG_SLACK = 1.3
const bagWidth = (rings: readonly Ring[]): number =>
  Math.ceil(((Math.PI / 2) * Math.max(...rings.map((r) => r.diameter)) * BAG_SLACK) / 50) * 50

/** What lifts: a wall that leans over the fill, and the upper of two halves. */
function liftRows(
  piece: FoundPiece,
  rings: readonly Ring[],
  height: number,
  parts: readonly BarePart[],
  freshKgPerM3: number,
): BuiltMould['holdDown'] {
  const { stands } = piece.mould
  if (stands === 'upright') return []
  const upper = parts.at(-1)!
  const half = rings.at(-1)!.height / 2
  const from = stands === 'joined' ? half : 0
  const over = rings.filter((r) => r.height >= from - 1e-6).map((r) => ({ ...r, height: r.height - from }))
  const volume = overhang(over, height - from)
  return volume <= 0
    ? []
    : [
        {
          partId: upper.id,
          name: upper.name,
          holdForceN: holdDownForce(volume, 0, freshKgPerM3),
          screws: 0,
        },
      ]
}

function vesselFacts(
  vessel: Vessel,
  rings: readonly Ring[],
  body: CastBody,
  fill: number,
  freshKgPerM3: number,
  comesOff: FoundPiece['mould']['comesOff'],
): MouldFact[] {
  return [
    { code: 'vessel-holds', facts: {}, value: vesselVolume(rings, rings.at(-1)!.height) / 1e6, unit: 'L' },
    { code: 'vessel-fill', facts: {}, value: fill / 1e6, unit: 'L' },
    { code: 'vessel-water', facts: {}, value: fill / 1e6, unit: 'kg' },
    ...(comesOff === 'whole'
      ? [
          {
            code: 'vessel-draft',
            facts: { wantedDeg: DRAFT },
            value: leastDraft(vessel.rings, Math.min(body.height, vessel.rings.at(-1)!.height)),
            unit: 'deg',
          } as const,
        ]
      : []),
    {
      code: 'vessel-grows',
      facts: {},
      value: wallGrowth(
        pressureAt(body.height, freshKgPerM3) / 1000,
        rings[0]!.diameter / 2,
        vessel.elasticity,
        vessel.wall,
      ),
      unit: 'mm',
    },
  ]
}

/** Floor and wall of a vessel up to a height, mm2. */
function insideArea(rings: readonly Ring[], height: number): number {
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

const STEPS = 16

function checkFound(
  { kernel, quick, mix }: MethodInput<'found'>,
  piece: FoundPiece,
  vessel: Vessel,
  rings: readonly Ring[],
  body: CastBody,
): Finding[] {
  const { stands, comesOff, bag } = piece.mould
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
        shaped(piece, rings, top),
      ),
    )
  else if (stands === 'joined' && body.height < top - FITS)
    // Closed over, it is filled to its crown or not at all.
    found.push(
      finding(
        piece,
        'vessel-differs',
        'stop',
        'half/upper',
        { differsMm: top - body.height, heightMm: body.height, vessel: vessel.name },
        shaped(piece, rings, top),
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
          shaped(piece, rings, stands === 'joined' ? top : Math.min(top, body.height)),
        ),
      )
  }
  // Whichever way it stands a cast leaves through its rim.
  const own = Math.min(vessel.rings.at(-1)!.height, stands === 'upright' ? body.height : Infinity)
  const narrow = comesOff === 'whole' ? narrowsAt(vessel.rings, own) : null
  if (narrow !== null)
    found.push(
      finding(piece, 'vessel-locks', 'warn', 'vessel', { heightMm: narrow, vessel: vessel.name }, [
        { type: 'mouldChosen', pieceId: piece.id, patch: { comesOff: 'cut' } },
      ]),
    )
  else if (comesOff === 'whole' && !bag && leastDraft(vessel.rings, own) < DRAFT)
    found.push(
      finding(piece, 'vessel-sticks', 'note', 'vessel', {
        draftDeg: leastDraft(vessel.rings, own),
        wantedDeg: DRAFT,
      }),
    )
  if (vessel.lip && comesOff === 'whole')
    found.push(finding(piece, 'vessel-lip', 'note', 'vessel', { vessel: vessel.name }))
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
  if (bag && stands !== 'joined') found.push(finding(piece, 'bag-folds', 'note', 'vessel', {}))
  if (comesOff === 'whole') found.push(...wearFindings(piece, vessel.casts))
  return found
}

/** The piece takes the vessel's own shape up to a height: a frustum where that is one, else its profile. */
function shaped(piece: TurnedPiece, rings: readonly Ring[], height: number): Change[] {
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
