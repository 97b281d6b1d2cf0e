import {
  countSurfaces,
  measureRegion,
  type Point,
  type Region,
  type SolidRecipe,
} from '../../geometry/index.ts'
import type { Finding } from '../../job/index.ts'
import { type SheetStock, type Stock, sheetStock } from '../../stock/index.ts'
import { massOf } from '../../units/convert.ts'
import { act, inTurn, type Operation } from '../../work/index.ts'
import { type BarePart, barePart, DOWN, prism, rectangle } from '../bareParts.ts'
import { holdDownForce } from '../boardBox/fixings.ts'
import { LIFE } from '../boardBox/life.ts'
import { build, oneByOne, undo } from '../buildingOrder.ts'
import { type CastBody, castBody, levelSections, regionLoops, undercut } from '../castBody.ts'
import { finding, rowMissing, tooLargeFindings, wearFindings } from '../checkMould.ts'
import { type BuiltMould, type MethodInput, type MouldMethod, NOTHING_BESIDE } from '../method.ts'
import type { MouldFact, Undoing } from '../types.ts'
import { routerSteps } from './router.ts'
import { castInTiles, LEAST, tilesOf } from './tiles.ts'

/** Hours [own]: set out; a layer cut and glued; a m2 of hollow routed, filled and coated. */
const HOURS = { start: 0.5, layer: 0.3, faceM2: 4 }
/** Least floor below the hollow, mm [own]. */
const FLOOR = 20
/** Coat over foam, L a m2 in two coats, and filler, kg a m2 [own]. */
const COAT = { litres: 0.5, fillerKg: 0.8 }
/** Registration dowels a joint, and the margin they need, mm [own]. */
const DOWELS = { each: 4, margin: 25 }
const DOWEL = { diameterMm: 10, each: DOWELS.each }

/** How layers of a thickness stand under a hollow of a height: from the top down, whole, a floor below. */
export function layerHeights(
  height: number,
  thickness: number,
  floor = FLOOR,
): readonly (readonly [number, number])[] {
  const count = Math.ceil((height + Math.min(floor, thickness)) / thickness - 1e-9)
  return Array.from({ length: count }, (_, i) => {
    const low = height - (count - i) * thickness
    return [low, low + thickness] as const
  })
}

/** A block glued up from sheets of foam or board, the piece routed out of it layer by layer. */
export const layersMethod: MouldMethod<'layers'> = {
  id: 'layers',
  name: 'layered block',
  misfit: () => null,
  reason: 'bowls, ramps and odd forms without a printer: sheets, glue and a router',
  finish: 'as good as its filler and coat: sanded smooth, or left in steps',
  guesses: () => true,
  estimate(input) {
    const sheet = stackOf(input)
    if (!sheet) return null
    const body = castBody(input)
    const { length, width, count } = blockOf(input, body, sheet)
    return {
      hours: HOURS.start + HOURS.layer * count + (HOURS.faceM2 * body.area) / 1e6,
      life: lifeOf(sheet, input.stock),
      faceM2: body.area / 1e6,
      materialCost:
        sheet.price === null
          ? null
          : (sheet.price * count * length * width * 1.15) / (sheet.length * sheet.width),
    }
  },
  build(input) {
    const { piece, stock, quick } = input
    const sheet = stackOf(input)
    const first = stock.foams[0]
    if (!sheet)
      return {
        built: null,
        findings: [
          rowMissing(piece, 'layers-missing', piece.mould.layerStock, first && { layerStock: first.id }),
        ],
      }
    const body = castBody(input)
    const margin = piece.mould.blockMargin
    const { length, width, heights } = blockOf(input, body, sheet)
    const plan = rectangle('block', [-margin, -margin], [body.length + margin, body.width + margin])
    const tiles = tilesOf([length, width], sheet, piece.mould.trim)
    const parts = heights.flatMap(([low, high], i): BarePart[] => {
      const all = tiles(i)
      const inCast = quick || all.length === 1 ? null : castInTiles(input, body, all, [low, high])
      // What lies wholly in the hollow is no piece.
      const kept = all.filter(
        ([from, to], k) =>
          !inCast || (to[0] - from[0]) * (to[1] - from[1]) * (high - low) - inCast[k]! > LEAST,
      )
      return kept.map(([from, to], k): BarePart => {
        const id = all.length > 1 ? `layer/${i + 1}/${k + 1}` : `layer/${i + 1}`
        const at = ([x, y]: Point): Point => [x - margin, y - margin]
        const whole = prism(rectangle(id, at(from), at(to)), low, high, id)
        const recipe: SolidRecipe =
          high <= 1e-9 ? whole : { kind: 'difference', from: whole, minus: [body.recipe] }
        const [l, w] = [to[0] - from[0], to[1] - from[1]]
        const share =
          (((Math.min(high, body.height) - Math.max(low, 0)) / body.height) * (l * w)) / (length * width)
        return barePart({
          id,
          role: 'layer',
          source: { of: 'layer', n: i + 1, tile: all.length > 1 ? k + 1 : 0 },
          together: 'layers',
          name: all.length > 1 ? `layer ${i + 1}, piece ${k + 1} of ${kept.length}` : `layer ${i + 1}`,
          boardId: sheet.id,
          lengthMm: l,
          widthMm: w,
          thicknessMm: sheet.thickness,
          layers: [{ boardId: sheet.id, name: sheet.name, thicknessMm: sheet.thickness }],
          pull: DOWN,
          leaves: heights.length - 1 - i,
          mass: {
            volume: Math.max(
              1,
              inCast
                ? l * w * (high - low) - inCast[all.indexOf(kept[k]!)]!
                : l * w * sheet.thickness - Math.max(0, share) * body.volume,
            ),
            kgPerM3: sheet.densityKgPerM3,
          },
          recipe,
        })
      })
    })
    const shape = quick ? null : measureShape(input, body, heights)
    const joints = heights.length - 1
    const glue =
      shape?.jointAreas.reduce((sum, a) => sum + Math.max(0, length * width - a), 0) ??
      joints * length * width * 0.5
    const faceM2 = body.area / 1e6
    const raw = stock.foams.some((f) => f.id === sheet.id)
    const doweled = margin >= DOWELS.margin
    const facts: MouldFact[] = [
      { code: 'layer-block', facts: { row: sheet.name }, value: heights.length, unit: '' },
      { code: 'glue-faces', facts: {}, value: glue / 1e6, unit: 'm2' },
      doweled
        ? { code: 'dowels', facts: DOWEL, value: DOWELS.each * joints, unit: '' }
        : { code: 'no-dowels', facts: { marginMm: DOWELS.margin }, value: 0, unit: '' },
      { code: 'filler', facts: {}, value: COAT.fillerKg * faceM2, unit: 'kg' },
      { code: 'layer-coat', facts: {}, value: COAT.litres * faceM2, unit: 'L' },
      ...(shape
        ? ([
            { code: 'router-passes', facts: {}, value: shape.router.steps.length, unit: '' },
            { code: 'router-ridge', facts: {}, value: shape.router.ridgeMm, unit: 'mm' },
          ] as const)
        : []),
    ]
    const life = shape?.locks && raw ? 1 : lifeOf(sheet, stock)
    const built: BuiltMould = {
      ...NOTHING_BESIDE,
      parts,
      holdDown: (shape?.islands ?? []).map((volume, i) => ({
        partId: 'layer/1',
        name: `loose core ${i + 1}`,
        holdForceN: holdDownForce(volume, massOf(volume, sheet.densityKgPerM3), input.mix.freshKgPerM3),
        screws: 0,
      })),
      hours: HOURS.start + HOURS.layer * heights.length + HOURS.faceM2 * faceM2,
      life,
      faceM2,
      depth: body.height,
      facts,
      fixings: [
        ...(doweled
          ? [
              {
                code: 'dowel-rods' as const,
                facts: { ...DOWEL, lengthMm: Math.round(sheet.thickness * 1.2) },
                amount: DOWELS.each * joints,
                unit: 'piece' as const,
              },
            ]
          : []),
        {
          code: raw ? 'foam-adhesive' : 'block-glue',
          facts: {},
          amount: (glue / 1e6) * (raw ? 0.25 : 0.18),
          unit: 'kg',
        },
        { code: 'filler-bought', facts: {}, amount: COAT.fillerKg * faceM2, unit: 'kg' },
        { code: 'coat-bought', facts: {}, amount: COAT.litres * faceM2, unit: 'L' },
      ],
      router: shape?.router.steps ?? [],
      outlines: shape
        ? shape.middles.map((region, i) => ({
            name: `layer ${i + 1}`,
            loops: [plan, ...regionLoops(region, 'layer')],
          }))
        : [],
      building: layersBuilding({
        parts,
        sheet,
        layers: heights.length,
        dowels: doweled ? DOWELS.each * joints : 0,
        passes: shape?.router.steps.length ?? 0,
        mirrored: piece.attitude.down === 'top',
        foam: raw,
        cores: shape?.islands.length ?? 0,
      }),
      off: layersOff(parts, raw, life, shape),
      faces: [
        {
          face: 'inside',
          partIds: parts.map((p) => p.id),
          areaM2: faceM2,
          material: raw ? 'coated foam' : 'coated board',
          surface: 'coated',
        },
      ],
      top: 'rim',
      check: (layouts) => [
        ...tooLargeFindings(piece, layouts),
        ...(shape ? checkShape(input, shape, raw) : []),
        ...wearFindings(piece, life),
      ],
    }
    return { built, findings: [] }
  },
}

const stackOf = ({ piece, stock }: Pick<MethodInput<'layers'>, 'piece' | 'stock'>): SheetStock | undefined =>
  sheetStock(stock).find((s) => s.id === piece.mould.layerStock)

function blockOf({ piece }: MethodInput<'layers'>, body: CastBody, sheet: SheetStock) {
  const heights = layerHeights(body.height, sheet.thickness)
  const margin = 2 * piece.mould.blockMargin
  return { length: body.length + margin, width: body.width + margin, heights, count: heights.length }
}

const lifeOf = (sheet: SheetStock, stock: Stock): number => {
  const foam = stock.foams.find((f) => f.id === sheet.id)
  const board = stock.boards.find((b) => b.id === sheet.id)
  return foam?.casts ?? (board ? LIFE[board.material] : 1)
}

/** Area of a ring, negative where it is a hole. */
const signedArea = (ring: Region[number]): number =>
  ring.reduce((sum, [x, y], i) => {
    const [u, v] = ring[(i + 1) % ring.length]!
    return sum + (x * v - u * y) / 2
  }, 0)

type Shape = {
  /** The hollow halfway up each layer; nothing where a layer is all floor. */
  readonly middles: readonly Region[]
  readonly jointAreas: readonly number[]
  readonly router: ReturnType<typeof routerSteps>
  readonly locks: ReturnType<typeof undercut>
  /** Volumes of what stands loose in the block, mm3. */
  readonly islands: readonly number[]
  /** Where the hollow that the block fills is open: over the fill, on the block's own floor, or no core at all. */
  readonly cored: 'above' | 'below' | null
}

function measureShape(
  input: MethodInput<'layers'>,
  body: CastBody,
  heights: readonly (readonly [number, number])[],
): Shape {
  const { kernel, piece } = input
  const inside = heights.slice(1).map(([low]) => low)
  const [low, high] = [heights[0]![0], body.height]
  const plan = rectangle('block', [-1, -1], [body.length + 1, body.width + 1])
  const block: SolidRecipe = {
    kind: 'difference',
    from: prism(plan, low, high, 'block'),
    minus: [body.recipe],
  }
  const islands = kernel.withSolids((scope) => {
    const solid = scope.solid(block)
    if (countSurfaces(solid) === 1) return []
    return (
      solid.body
        .decompose()
        .map((b) => scope.keep(b))
        .filter((b) => b.boundingBox().min[2] > low + 1e-6 && b.volume() > 1)
        // Scraps between chords are no core.
        .filter((b) => b.volume() > 1e-6 * body.volume)
        .map((b) => b.volume())
    )
  })
  const middles = levelSections(
    kernel,
    body.recipe,
    heights.map(([a, b]) => (Math.max(a, 0) + b) / 2),
  )
  return {
    middles,
    cored: coredAt(kernel, body),
    jointAreas: levelSections(kernel, body.recipe, inside).map(measureRegion),
    router: routerSteps(kernel, body, piece.mould.routerPass),
    locks: undercut(kernel, body),
    islands,
  }
}

/** A hollow is open where it is widest: drains through a floor are narrower than what they drain. */
function coredAt(kernel: MethodInput['kernel'], body: CastBody): Shape['cored'] {
  const near = Math.min(1, body.height / 4)
  const [below, above] = levelSections(kernel, body.recipe, [near, body.height - near]).map((region) =>
    region.reduce((sum, ring) => sum + Math.max(0, -signedArea(ring)), 0),
  ) as [number, number]
  if (below === 0 && above === 0) return null
  return above > below ? 'above' : 'below'
}

function checkShape({ piece }: MethodInput<'layers'>, shape: Shape, raw: boolean): Finding[] {
  const found: Finding[] = []
  if (shape.locks)
    found.push(
      raw
        ? finding(piece, 'undercut-breaks', 'note', 'layer/1', { heightMm: shape.locks.z })
        : finding(
            piece,
            'undercut-locks',
            'stop',
            'layer/1',
            { heightMm: shape.locks.z, awayMm: 0, instead: 'rubber' },
            [{ type: 'mouldChosen', pieceId: piece.id, patch: { method: 'brushed' } }],
          ),
    )
  if (shape.islands.length > 0)
    found.push(finding(piece, 'core-floats', 'warn', 'layer/1', { cores: shape.islands.length }))
  return found
}

type Told = {
  readonly parts: readonly BarePart[]
  readonly sheet: SheetStock
  readonly layers: number
  readonly dowels: number
  readonly passes: number
  readonly mirrored: boolean
  readonly foam: boolean
  readonly cores: number
}

function layersBuilding({ parts, sheet, layers, dowels, passes, mirrored, foam, cores }: Told): Operation[] {
  const joints = layers - 1
  return inTurn([
    build('cut/layers', act('cut-layers', { pieces: parts.length, layers, sheet: sheet.name }), parts, {
      work: 10 + 4 * parts.length,
    }),
    ...(joints > 0
      ? [build('dowel/layers', act('dowel-layers', { dowels }), parts, { work: 5 + 3 * joints })]
      : []),
    build('rout/hollow', act('rout-hollow', { passes, mirrored, layers }), parts, { work: 20 + 2 * passes }),
    ...(joints > 0
      ? [
          build('glue/layers', act('glue-layers', { layers, dowels }), parts, {
            work: 10 + 5 * joints,
            wait: 12 * 60,
          }),
        ]
      : []),
    build('sand/hollow', act('sand-hollow', {}), parts, { work: 60, wait: 4 * 60 }),
    build('coat/hollow', act('coat-hollow', { foam }), parts, { work: 30, wait: 24 * 60 }),
    ...(cores > 0
      ? [build('anchor/cores', act('anchor-cores', { cores }), parts, { work: 20 * cores })]
      : []),
    build('check/hollow', act('check-hollow', {}), parts, { work: 10 }),
  ])
}

/**
 * Cores that hang over the fill come out first. Foam that lasts one cast is broken away; where it also fills a hollow
 * that opens downward the cast is turned over in it, and dug out from above. A block that is kept is turned over and
 * drawn off.
 */
function layersOff(parts: readonly BarePart[], foam: boolean, life: number, shape: Shape | null): Undoing[] {
  const kept = !foam || life > 1
  const loose = shape?.islands.length ?? 0
  const hung = loose > 0 ? loose : !kept && shape?.cored === 'above' ? 1 : 0
  const filled = !kept && hung === 0 && shape?.cored === 'below'
  return oneByOne([
    ...(hung > 0
      ? [
          undo('out/cores', act('dig-core', { cores: hung, foam }), [], {
            from: 'sides',
            minutes: DIG * hung,
          }),
        ]
      : []),
    ...(kept || filled
      ? [undo('turn', act('turn-in-block', { massKg: 0 }), [], { from: 'turn', turns: 'padded board' })]
      : []),
    ...(filled ? [undo('out/core', act('dig-core-up', {}), [], { minutes: DIG })] : []),
    kept
      ? undo('off/block', act('block-off', {}), parts)
      : undo('off/block', act('break-foam', {}), parts, { from: 'sides', minutes: 60 }),
  ])
}
/** Minutes to dig a core out [own]. */
const DIG = 30
