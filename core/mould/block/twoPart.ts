import { heightAt, type Loop, type Point, type SolidRecipe, type Vector } from '../../geometry/index.ts'
import { act, inTurn, type Operation } from '../../work/index.ts'
import { type BarePart, barePart, DOWN, prism, UP } from '../bareParts.ts'
import { sidesOff } from '../boxRound.ts'
import { build, oneByOne, undo } from '../buildingOrder.ts'
import { type CastBody, castBody, greatestSection } from '../castBody.ts'
import { localTops } from '../closed/localTops.ts'
import type { MethodInput } from '../method.ts'
import { cylinderAlong } from '../shells/flangedShells.ts'
import { partingSurface } from '../shells/partingSurface.ts'
import { undercutOf } from '../shells/undercut.ts'
import type { MouldFact, Undoing } from '../types.ts'
import { type Poured, pourRubber } from './blockOrder.ts'

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
  readonly vents: number
  readonly facts: readonly MouldFact[]
  readonly building: (box: readonly BarePart[]) => Operation[]
  readonly off: (box: readonly BarePart[]) => Undoing[]
  /** How far the cast stands out over rubber that must pass it as the halves part, the worst of both, mm. */
  readonly undercutMm: () => number
}

/**
 * A block in two halves round the whole pattern, parted level at its greatest section or along where it is widest, keyed by half balls in the wall,
 * filled through a hole at the highest point, with an air hole at every other top.
 */
export function twoPart(
  input: MethodInput<'block'>,
  { wall, cover }: { readonly wall: number; readonly cover: number },
  pour: Poured,
  block: Loop,
): TwoPart {
  const { rubber } = pour
  const { kernel, quick } = input
  const body = castBody(input)
  const { height } = body
  const parting = quick ? height / 2 : greatestSection(kernel, body).z
  // Followed where it is widest, else level at the greatest section.
  const curved =
    input.piece.mould.rubberParting === 'curve' && !quick
      ? partingSurface(kernel, body, parting, -cover - 1)
      : null
  const surface = curved?.surface ?? null
  const at = (place: Point): number => (surface ? heightAt(surface, place) : parting)
  const tops: readonly Vector[] = quick
    ? [[body.length / 2, body.width / 2, height]]
    : localTops(kernel, body).filter(([x, y, z]) => z > at([x, y]))
  const hole = Math.min(HOLE.most, Math.max(HOLE.least, HOLE.share * Math.min(body.length, body.width)))
  const bores = tops.map((at, i) =>
    cylinderAlong(
      at,
      UP,
      i === 0 ? hole / 2 : HOLE.vent,
      Math.min(5, height / 4),
      height + 2 * cover,
      i === 0 ? 'filling hole' : 'air hole',
    ),
  )
  const radius = Math.min(KEY.most, Math.max(KEY.least, wall * KEY.share), wall * 0.45)
  const places = keyPlaces(body, wall)
  const keys = join(places.map((place) => ball(place, at(place), radius)))
  const solid = (low: number, high: number): SolidRecipe => prism(block, low, high, 'rubber')
  const lower: SolidRecipe = {
    kind: 'difference',
    from: join([
      surface
        ? { kind: 'intersection', of: [solid(-cover, height + cover), surface] }
        : solid(-cover, parting),
      keys,
    ]),
    minus: [body.recipe],
  }
  const upper: SolidRecipe = {
    kind: 'difference',
    from: surface ? solid(-cover, height + cover) : solid(parting, height + cover),
    minus: [...(surface ? [surface] : []), body.recipe, keys, ...bores],
  }
  const plan = (body.length + 2 * wall) * (body.width + 2 * wall)
  const share = height > 0 ? parting / height : 0.5
  const guess = {
    lower: Math.max(0, plan * (cover + parting) - body.volume * share),
    upper: Math.max(0, plan * (cover + height - parting) - body.volume * (1 - share)),
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
      source: { of: 'shell', is: id, n: id === 'lower' ? 1 : 2 },
      name: `${id} half of the block`,
      lengthMm: body.length + 2 * wall,
      widthMm: body.width + 2 * wall,
      thicknessMm: thick,
      pull,
      leaves: id === 'upper' ? 0 : 1,
      mass: { volume: volumes[id], kgPerM3: rubber.densityKgPerM3 },
      recipe,
    })
  const { from, to } = curved ?? { from: parting, to: parting }
  const parts = [half('lower', lower, cover + to, DOWN), half('upper', upper, cover + height - from, UP)]
  return {
    ...volumes,
    parting,
    vents: Math.max(0, tops.length - 1),
    parts,
    facts: [
      { code: 'parting-height', facts: { level: from === to }, value: from, unit: 'mm' },
      ...(from < to ? [{ code: 'parting-rise', facts: {}, value: to, unit: 'mm' } as const] : []),
      { code: 'keys', facts: {}, value: places.length, unit: '' },
      { code: 'filling-hole', facts: {}, value: hole, unit: 'mm' },
      {
        code: 'air-holes',
        facts: { diameterMm: 2 * HOLE.vent },
        value: Math.max(0, tops.length - 1),
        unit: '',
      },
    ],
    building: (box) =>
      buildingOf(parts, box, { keys: places.length, vents: tops.length - 1, from, to }, pour, volumes),
    off: (box) => halvesOff(parts, box),
    undercutMm: () => undercutOf(kernel, body, parting, surface),
  }
}

/** Box and upper half off, the cast turned onto its top in the lower half, and that flexed off. */
function halvesOff([lower, upper]: readonly BarePart[], box: readonly BarePart[]): Undoing[] {
  const sides = sidesOff(box).map((u, i) => (i === 0 ? { ...u, from: 'sides' as const } : u))
  return oneByOne([
    undo('off/straps', act('straps-off', {}), [], { from: 'sides' }),
    ...sides,
    undo('off/upper', act('upper-half-off', {}), [upper!]),
    undo('off/lower', act('lower-half-off', {}), [lower!, ...box.filter((p) => p.role === 'base')], {
      from: 'turn',
    }),
  ])
}

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

type Setting = Readonly<Record<'keys' | 'vents' | 'from' | 'to', number>>

function buildingOf(
  [down, up]: readonly BarePart[],
  box: readonly BarePart[],
  { keys, vents, from, to }: Setting,
  rubber: Poured,
  { lower, upper }: { readonly lower: number; readonly upper: number },
): Operation[] {
  return inTurn([
    build('cut/box', act('cut-box', {}), box, { work: 20 }),
    build('bed/pattern', act('bed-in-clay', { fromMm: from, toMm: to }), [], { work: 60 }),
    build('press/keys', act('press-keys', { keys }), [], { work: 15 }),
    build('stand/rods', act('stand-rods', { vents }), [up!], { work: 15 }),
    pourRubber('upper', rubber, upper, [up!]),
    build('off/clay', act('clay-off', {}), [up!], { work: 30 }),
    pourRubber('lower', rubber, lower, [down!]),
    build('part/halves', act('part-halves', {}), [down!, up!], { work: 20 }),
  ])
}
