import { measureRegion, type SolidRecipe, type Vector } from '../../geometry/index.ts'
import type { Finding } from '../../job/index.ts'
import type { Filament, Printer } from '../../stock/index.ts'
import { act, inTurn, type Operation } from '../../work/index.ts'
import type { BarePart } from '../bareParts.ts'
import { barePart, DOWN } from '../bareParts.ts'
import { build, eachCast, oneByOne, undo } from '../buildingOrder.ts'
import { type CastBody, castBody, levelSections } from '../castBody.ts'
import { finding, rowMissing } from '../checkMould.ts'
import { type BuiltMould, type MethodInput, type MouldMethod, NOTHING_BESIDE } from '../method.ts'
import {
  alongWay,
  curvedFlangePoints,
  halvesOf,
  jointAlong,
  jointFacts,
  leanOf,
} from '../shells/curvedJoint.ts'
import {
  type Cell,
  cellOf,
  cells,
  cylinderAlong,
  flangePoints,
  type Parting,
  pullOf,
  wholeShell,
} from '../shells/flangedShells.ts'
import type { MouldFact, PrintRow, Undoing } from '../types.ts'
import { checkPrinted, largerBed, tooManyParts } from './checkPrinted.ts'
import { bodiesIn, farFromEnds, type LoosePart, seamWays } from './looseParts.ts'
import { bedOf, type Lying, waysToLie } from './onBed.ts'
import { printFigures } from './printFigures.ts'
import { type Bed, splitPlanes } from './split.ts'

/** Of the bolts through the flanges [own]. */
const THREAD = 'M4'
/** Hours by hand [own]: set up, then clean and fit each part. */
const HOURS = { start: 1, part: 0.4 }
/** Holes through both flanges by turns, mm: bolts draw a seam together, pins keep it true and are drawn before it opens. */
const BOLT = { radius: 2.2 }
const PIN = { diameter: 4, radius: 2.1 }
/** A hole this near to another seam, or to the edge of its flange, holds nothing, mm. */
const CLEAR = 2
/** The shell ends so far under the open face, mm. */
const MOUTH = 0.01
/** Edges shorter than this are not printed, mm. */
const SLIVER = 0.01

/** Shells printed round the piece, split to the bed, bolted at their flanges. */
export const printedMethod: MouldMethod<'printed'> = {
  id: 'printed',
  name: 'printed shells',
  misfit: () => null,
  reason: 'relief and free forms straight from the model, and the same again next year',
  finish: 'layer lines unless they are filled and sanded',
  guesses: () => true,
  estimate(input) {
    const { printer, filament } = rowsOf(input)
    if (!printer || !filament) return null
    const body = castBody(input)
    // The open face has no wall; flanges and slopes add as much again.
    const { shells, shellWall, flange } = input.piece.mould
    const parts = cells(
      splitPlanes(null, { body, shells, beyond: shellWall + flange, below: shellWall, bed: bedOf(printer) }),
    ).length
    const { hours: _, ...print } = printFigures(body.area * input.piece.mould.shellWall, printer, filament)
    return {
      hours: HOURS.start + HOURS.part * parts,
      life: filament.casts,
      faceM2: body.area / 1e6,
      materialCost: print.cost,
    }
  },
  build(input) {
    const { piece, kernel, quick } = input
    const { printer, filament, findings } = rowsOf(input)
    if (!printer || !filament) return { built: null, findings }
    const { mould: choice } = piece
    const body = castBody(input)
    const beyond = choice.shellWall + choice.flange
    const bed = bedOf(printer)
    const curve = choice.seam === 'curve' && !quick ? jointAlong(kernel, body, choice.pull) : null
    const splitBelow = (below: number) =>
      splitPlanes(quick ? null : kernel, {
        body,
        shells: curve ? 1 : choice.shells,
        beyond,
        below,
        bed,
      })
    const throughFloor = splitBelow(choice.shellWall)
    const flat = !curve && lyingFlat(input, body) && throughFloor.some((p) => Math.abs(p.normal[2]) < 0.5)
    // A floor in one keeps every seam at the arris of the face that lies on it.
    const floor = flat && fitsBed([body.length + 2 * beyond, body.width + 2 * beyond], bed) ? FLOOR : null
    const planes = floor ? splitBelow(0) : throughFloor
    const partings = floor ? [floor, ...planes] : planes
    const told = {
      body,
      inner: body.recipe,
      inside: 0,
      wall: choice.shellWall,
      flange: choice.flange,
      flangeThickness: choice.shellWall,
      low: -choice.shellWall,
      // A hair under the brim of the cast, so that its mouth is open.
      high: body.height - MOUTH,
      partings,
      curve,
      name: 'print',
    }
    const fixings = quick
      ? []
      : partings.map((p, i) =>
          flangePoints(kernel, told, p, choice.boltSpacing).filter((at) => clearOf(at, partings, i)),
        )
    if (curve)
      fixings.push(
        curvedFlangePoints(kernel, curve, told.wall + told.flange / 2, choice.boltSpacing).filter(
          (at) =>
            clearOf(at, partings, -1) && at[2] < told.high - BOLT.radius && at[2] > told.low + BOLT.radius,
        ),
      )
    const through = 3 * choice.shellWall
    const holes = fixings.flatMap((points, i) =>
      points.map((p, k) =>
        cylinderAlong(
          p,
          partings[i]?.normal ?? curve!.way,
          isPin(k) ? PIN.radius : BOLT.radius,
          through,
          through,
          isPin(k) ? 'pin' : 'bolt',
        ),
      ),
    )
    const whole = wholeShell({ ...told, holes })
    const rows: PrintRow[] = []
    const every: readonly Cell[] = floor
      ? [[-1], ...cells(planes).map((c): Cell => [1, ...c])]
      : cells(planes)
    const halves = curve ? halvesOf(whole, curve) : [whole]
    const few = tooManyParts(input, printer, bed, every.length * halves.length)
    if (few) return { built: null, findings: [few] }
    const guess = (body.area * choice.shellWall) / every.length
    const shellSeams = planes.slice(0, curve ? 0 : { 1: 0, 2: 1, 4: 2 }[choice.shells])
    const sides = curve ? ([1, 0] as const) : ([0] as const)
    const all = every.flatMap((cell, i) => sides.map((side) => ({ cell, i, side })))
    const loose = all.flatMap(({ cell, i, side }): LoosePart[] => {
      const isFloor = floor !== null && i === 0
      const met = isFloor ? [FLOOR] : partings
      const recipe: SolidRecipe = {
        kind: 'tidied',
        solid: cellOf(halves[side]!, met, cell, 'seam'),
        within: SLIVER,
        name: 'print',
      }
      const own = isFloor || !floor ? cell : cell.slice(1)
      const told = {
        isFloor,
        pull: isFloor
          ? DOWN
          : curve
            ? alongWay(curve, side === 1 ? 1 : -1)
            : pullOf(shellSeams, own.slice(0, shellSeams.length), DOWN),
        // Of two halves the one before the joint leaves first, whole.
        rank: isFloor ? Infinity : curve ? 1 - side : farFromEnds(planes, own),
        half: curve ? side : null,
      }
      if (quick) return [{ ...told, recipe, volume: guess, box: [0, 0, 0], lying: null }]
      return bodiesIn(kernel, recipe, seamWays(met, cell, curve), bed).map((one) => ({ ...told, ...one }))
    })
    const order = loose.map((_, i) => i).sort((a, b) => loose[a]!.rank - loose[b]!.rank || a - b)
    const propped: string[] = []
    const over: { id: string; lying: Lying }[] = []
    const parts = loose.map(({ isFloor, pull, recipe, volume, box, lying }, i): BarePart => {
      const n = floor ? i : i + 1
      const short = isFloor ? 'floor' : `part ${n}`
      const id = isFloor ? 'shell/floor' : `shell/${n}`
      const { cost: _, ...figures } = printFigures(volume, printer, filament)
      if (lying?.fits && !lying.rests) propped.push(id)
      if (lying && !lying.fits) over.push({ id, lying })
      rows.push({ partId: id, name: short, ...figures, lies: lying?.lies ?? waysToLie([])[0]! })
      return barePart({
        id,
        role: 'shell',
        source: { of: 'shell', is: isFloor ? 'floor' : 'part', n },
        name: `printed ${short}`,
        lengthMm: box[0],
        widthMm: box[1],
        thicknessMm: box[2],
        pull,
        leaves: order.indexOf(i),
        mass: { volume, kgPerM3: filament.densityKgPerM3 },
        recipe,
      })
    })
    const grams = rows.reduce((sum, r) => sum + r.grams, 0)
    const metres = rows.reduce((sum, r) => sum + r.filamentM, 0)
    const hours = rows.reduce((sum, r) => sum + r.hours, 0)
    const pinCount = fixings.reduce((sum, points) => sum + points.filter((_, k) => isPin(k)).length, 0)
    const boltCount = fixings.reduce((sum, points) => sum + points.length, 0) - pinCount
    const facts: MouldFact[] = [
      { code: 'plastic', facts: {}, value: grams, unit: 'g' },
      { code: 'filament', facts: {}, value: metres, unit: 'm' },
      {
        code: 'printing',
        facts: { idlePercent: printer.idlePercent },
        value: hours,
        unit: 'h',
      },
      { code: 'flange-bolts', facts: { size: THREAD }, value: boltCount, unit: '' },
      ...(curve ? jointFacts(curve) : []),
    ]
    const built: BuiltMould = {
      ...NOTHING_BESIDE,
      parts,
      materials: [
        {
          code: 'filament-spool',
          facts: { row: filament.name, metres },
          amount: grams / 1000,
          unit: 'kg',
          cost: filament.pricePerKg === null ? null : (grams / 1000) * filament.pricePerKg,
          isPart: false,
        },
      ],
      hours: HOURS.start + HOURS.part * parts.length,
      life: filament.casts,
      faceM2: body.area / 1e6,
      depth: body.height,
      facts,
      fixings:
        boltCount > 0
          ? [
              {
                code: 'bolts-and-nuts',
                facts: {
                  thread: THREAD,
                  lengthMm: Math.ceil((2 * choice.shellWall + 10) / 5) * 5,
                  where: 'flanges',
                },
                amount: boltCount,
                unit: 'set',
              },
              ...(pinCount > 0
                ? [
                    {
                      code: 'seam-pins' as const,
                      facts: { diameterMm: PIN.diameter, lengthMm: pinLength(choice.shellWall) },
                      amount: pinCount,
                      unit: 'piece' as const,
                    },
                  ]
                : []),
            ]
          : [],
      prints: rows,
      building: printBuilding(parts, { bolts: boltCount, pins: pinCount }, hours),
      afterRelease: ['close/flanges', 'bed/sand'],
      off: curve ? halvesOff(parts, loose, curve.way) : printOff(parts, choice.shells),
      faces: [
        {
          face: 'inside',
          partIds: parts.map((p) => p.id),
          areaM2: body.area / 1e6,
          material: 'printed plastic',
          surface: 'printed',
        },
      ],
      top: 'rim',
      check: () => [
        ...checkPrinted(input, body, planes, curve, printer, filament),
        ...over.slice(0, 1).map(({ id, lying: { size } }) =>
          finding(
            piece,
            'print-over-bed',
            'stop',
            id,
            {
              parts: over.length,
              lengthMm: size[0],
              widthMm: size[1],
              heightMm: size[2],
              bedXMm: bed.x,
              bedYMm: bed.y,
              bedZMm: bed.z,
            },
            largerBed(input, printer),
          ),
        ),
        ...(propped.length > 0
          ? [finding(piece, 'print-on-supports', 'note', propped[0]!, { parts: propped.length })]
          : []),
        ...(flat && !floor
          ? [
              finding(piece, 'seam-on-flat-face', 'note', 'shell/1', {
                bedXMm: printer.bedX,
                bedYMm: printer.bedY,
              }),
            ]
          : []),
      ],
    }
    return { built, findings: [] }
  },
}

/** The joint between floor and walls: a hair above the floor, where the cast has a section to set its flange by. */
const FLOOR: Parting = { normal: [0, 0, 1], offset: 0.02 }
/** A face that takes less of the plan than this is no face to keep a seam off [own]. */
const FLAT = 0.2

/** Whether the piece lies on a flat face of some size, with nothing let into it that a floor would have to carry. */
function lyingFlat({ piece, pieceStation, kernel, quick }: MethodInput<'printed'>, body: CastBody): boolean {
  const face = pieceStation.geometry.faces.find((f) => f.name === piece.attitude.down)
  if (!face || measureRegion(face.region) < FLAT * body.length * body.width) return false
  return !quick && levelSections(kernel, body.recipe, [FLOOR.offset])[0]!.length === 1
}

const fitsBed = ([l, w]: readonly [number, number], { x, y }: Bed): boolean =>
  Math.max(l, w) <= Math.max(x, y) && Math.min(l, w) <= Math.min(x, y)

function rowsOf({ piece, stock }: MethodInput<'printed'>): {
  printer: Printer | undefined
  filament: Filament | undefined
  findings: Finding[]
} {
  const printer = stock.printers.find((p) => p.id === piece.mould.printer)
  const filament = stock.filaments.find((f) => f.id === piece.mould.filament)
  return {
    printer,
    filament,
    findings: [
      ...(printer
        ? []
        : [
            rowMissing(
              piece,
              'printer-missing',
              piece.mould.printer,
              stock.printers[0] && { printer: stock.printers[0].id },
            ),
          ]),
      ...(filament
        ? []
        : [
            rowMissing(
              piece,
              'filament-missing',
              piece.mould.filament,
              stock.filaments[0] && { filament: stock.filaments[0].id },
            ),
          ]),
    ],
  }
}

const pinLength = (wall: number): number => Math.ceil((2 * wall + 14) / 10) * 10

/** Every second hole along a seam takes a pin. */
const isPin = (k: number): boolean => k % 2 === 1

/** Whether a hole on one seam stands clear of all others. */
const clearOf = (p: Vector, partings: readonly Parting[], own: number): boolean =>
  partings.every(
    ({ normal, offset }, i) =>
      i === own ||
      Math.abs(p[0] * normal[0] + p[1] * normal[1] + p[2] * normal[2] - offset) > BOLT.radius + CLEAR,
  )

function printBuilding(
  parts: readonly BarePart[],
  { bolts, pins }: { bolts: number; pins: number },
  hours: number,
): Operation[] {
  const n = parts.length
  return inTurn([
    build('print', act('print', { parts: n }), parts, { work: 15 * n, wait: hours * 60 }),
    build('try/seams', act('try-seams', { parts: n }), parts, { work: 8 * n }),
    build('fill/prints', act('fill-prints', { parts: n }), parts, { work: 20 + 5 * n }),
    ...(n > 1
      ? [
          eachCast(
            build('close/flanges', act('bolt-flanges', { bolts, pins }), parts, {
              work: 2 * bolts + pins + 5,
            }),
          ),
        ]
      : []),
    eachCast(build('bed/sand', act('bed-in-sand', {}), parts, { work: 10 })),
  ])
}

/** Two halves along a curve, each drawn whole however many parts the bed made of it. */
function halvesOff(parts: readonly BarePart[], loose: readonly LoosePart[], way: Vector): Undoing[] {
  const of = (half: 0 | 1) => parts.filter((_, i) => loose[i]!.half === half)
  const level = way[2] > 1 - 1e-6
  const half = { level, leanDeg: leanOf(way) }
  return oneByOne([
    undo('off/before', act('print-half-off', { first: true, ...half }), of(1), { from: 'sides' }),
    ...(level
      ? [undo('turn', act('turn-in-print', { massKg: 0 }), [], { from: 'turn', turns: 'padded board' })]
      : []),
    undo('off/behind', act('print-half-off', { first: false, ...half }), of(0), { from: 'turn' }),
  ])
}

/** Walls outward of their seams, then what they stood on; a print in one is drawn off upward of the cast. */
function printOff(parts: readonly BarePart[], shells: 1 | 2 | 4): Undoing[] {
  const floor = parts.filter((p) => p.source.of === 'shell' && p.source.is === 'floor')
  const walls = parts.filter((p) => !floor.includes(p))
  // One shell is drawn whole, however many parts the bed made of it: none of them leaves by itself.
  if (shells === 1)
    return oneByOne([
      undo('turn', act('turn-in-print', { massKg: 0 }), [], { from: 'turn', turns: 'padded board' }),
      undo('off/prints', act('print-off', {}), parts),
    ])
  return oneByOne([
    undo('off/prints', act('printed-parts-off', { parts: walls.length }), walls, { from: 'sides' }),
    ...(floor.length > 0 ? [undo('off/floor', act('floor-off', {}), floor, { from: 'turn' })] : []),
  ])
}
