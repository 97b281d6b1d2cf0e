import {
  measureRegion,
  movedBy,
  type Placement,
  type SolidRecipe,
  type Vector,
} from '../../geometry/index.ts'
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
  type Cell,
  cellOf,
  cells,
  cylinderAlong,
  flangePoints,
  measureCells,
  type Parting,
  pullOf,
  wholeShell,
} from '../shells/flangedShells.ts'
import type { MouldFact, PrintRow, Undoing } from '../types.ts'
import { checkPrinted } from './checkPrinted.ts'
import { keyed, keysOf } from './keys.ts'
import { printFigures } from './printFigures.ts'
import { splitPlanes } from './split.ts'

/** Of the bolts through the flanges [own]. */
const THREAD = 'M4'
/** Hours by hand [own]: set up, then clean and fit each part. */
const HOURS = { start: 1, part: 0.4 }
/** Hole of a bolt through a flange, mm. */
const BOLT = { radius: 2.2 }
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
    const { hours: _, ...print } = printFigures(body.area * input.piece.mould.shellWall, printer, filament)
    return {
      hours: HOURS.start + HOURS.part * input.piece.mould.shells,
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
    const splitBelow = (below: number) =>
      splitPlanes(quick ? null : kernel, {
        body,
        shells: choice.shells,
        beyond,
        below,
        bed: { x: printer.bedX, y: printer.bedY, z: printer.bedZ },
      })
    const throughFloor = splitBelow(choice.shellWall)
    const flat = lyingFlat(input, body) && throughFloor.some((p) => Math.abs(p.normal[2]) < 0.5)
    // A floor in one keeps every seam at the arris of the face that lies on it.
    const floor = flat && fitsBed([body.length + 2 * beyond, body.width + 2 * beyond], printer) ? FLOOR : null
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
      high: body.height,
      partings,
      name: 'print',
    }
    const fixings = quick ? [] : partings.map((p) => flangePoints(kernel, told, p, choice.boltSpacing))
    const bolts = fixings.flatMap((points, i) =>
      points
        .filter((_, k) => k % 2 === 0)
        .map((p) =>
          cylinderAlong(
            p,
            partings[i]!.normal,
            BOLT.radius,
            3 * choice.shellWall,
            3 * choice.shellWall,
            'bolt',
          ),
        ),
    )
    const whole = wholeShell({ ...told, holes: bolts })
    const rows: PrintRow[] = []
    const every: readonly Cell[] = floor
      ? [[-1], ...cells(planes).map((c): Cell => [1, ...c])]
      : cells(planes)
    const guess = (body.area * choice.shellWall) / every.length
    const measured = quick ? null : measureCells(kernel, whole, partings, every)
    const parts = every.flatMap((cell, i): BarePart[] => {
      const isFloor = floor !== null && i === 0
      const n = floor ? i - 1 : i
      const short = isFloor ? 'floor' : `part ${n + 1}`
      const name = `printed ${short}`
      const id = isFloor ? 'shell/floor' : `shell/${n + 1}`
      const found = measured?.get(cell.join())
      if (measured && !found) return []
      const met = isFloor ? [FLOOR] : partings
      const keys = keysOf(isFloor ? fixings.slice(0, 1) : fixings, met, cell)
      const recipe: SolidRecipe = {
        kind: 'tidied',
        solid: keyed(cellOf(whole, met, cell, 'seam'), keys),
        within: SLIVER,
        name: 'print',
      }
      const volume = found ? found.volume + keys.volume : guess
      const size = [0, 1, 2].map((k) =>
        found
          ? Math.max(found.max[k]!, ...keys.tips.map((t) => t[k]!)) -
            Math.min(found.min[k]!, ...keys.tips.map((t) => t[k]!))
          : 0,
      )
      const lies = bedPlacement(met, cell, size as [number, number, number], printer)
      const { cost: _, ...figures } = printFigures(volume, printer, filament)
      rows.push({ partId: id, name: short, ...figures, lies })
      return [
        barePart({
          id,
          role: 'shell',
          source: { of: 'shell', is: isFloor ? 'floor' : 'part', n: n + 1 },
          name,
          lengthMm: size[0]!,
          widthMm: size[1]!,
          thicknessMm: size[2]!,
          pull: isFloor ? DOWN : pullOf(planes, floor ? cell.slice(1) : cell, DOWN),
          leaves: i,
          mass: { volume, kgPerM3: filament.densityKgPerM3 },
          recipe,
        }),
      ]
    })
    const grams = rows.reduce((sum, r) => sum + r.grams, 0)
    const metres = rows.reduce((sum, r) => sum + r.filamentM, 0)
    const hours = rows.reduce((sum, r) => sum + r.hours, 0)
    const boltCount = fixings.reduce((sum, points) => sum + Math.ceil(points.length / 2), 0)
    const facts: MouldFact[] = [
      { code: 'plastic', facts: {}, value: grams, unit: 'g' },
      { code: 'filament', facts: {}, value: metres, unit: 'm' },
      {
        code: 'printing',
        facts: { flowMm3PerSecond: printer.flow, idlePercent: printer.idlePercent },
        value: hours,
        unit: 'h',
      },
      { code: 'flange-bolts', facts: { size: THREAD }, value: boltCount, unit: '' },
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
            ]
          : [],
      prints: rows,
      building: printBuilding(parts, boltCount, hours),
      afterRelease: ['close/flanges', 'bed/sand'],
      off: printOff(parts),
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
        ...checkPrinted(input, body, planes, printer, filament, parts.length),
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

const fitsBed = ([l, w]: readonly [number, number], { bedX, bedY }: Printer): boolean =>
  Math.max(l, w) <= Math.max(bedX, bedY) && Math.min(l, w) <= Math.min(bedX, bedY)

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

/** How a part lies on the bed: its first upright seam down where it fits so, else as it stands. */
function bedPlacement(
  partings: readonly Parting[],
  cell: readonly (1 | -1)[],
  [length, width, height]: readonly [number, number, number],
  printer: Printer,
): Placement {
  const stands: Placement = movedBy([0, 0, 0])
  const seam = partings.find((p) => Math.abs(p.normal[2]) < 0.5)
  if (!seam) return stands
  const s = cell[partings.indexOf(seam)]!
  const axis: Vector = [seam.normal[0] * s, seam.normal[1] * s, 0]
  const along: Vector = [-axis[1], axis[0], 0]
  const across = Math.abs(axis[0]) * width + Math.abs(axis[1]) * length
  const out = Math.abs(axis[0]) * length + Math.abs(axis[1]) * width
  const fits =
    out <= printer.bedZ &&
    Math.max(across, height) <= Math.max(printer.bedX, printer.bedY) &&
    Math.min(across, height) <= Math.min(printer.bedX, printer.bedY)
  if (!fits) return stands
  // Rows of the turn: along -> x, up -> y, the seam's outward axis -> z; its transpose's columns are images of x, y, z.
  const rows = [along, [0, 0, 1], axis] as const
  const column = (k: 0 | 1 | 2): Vector => [rows[0][k], rows[1][k], rows[2][k]]
  return { x: column(0), y: column(1), z: column(2), origin: [0, 0, 0] }
}

function printBuilding(parts: readonly BarePart[], bolts: number, hours: number): Operation[] {
  const n = parts.length
  return inTurn([
    build('print', act('print', { parts: n }), parts, { work: 15 * n, wait: hours * 60 }),
    build('try/seams', act('try-seams', { parts: n }), parts, { work: 8 * n }),
    build('fill/prints', act('fill-prints', { parts: n }), parts, { work: 20 + 5 * n }),
    ...(n > 1
      ? [eachCast(build('close/flanges', act('bolt-flanges', { bolts }), parts, { work: 2 * bolts + 5 }))]
      : []),
    eachCast(build('bed/sand', act('bed-in-sand', {}), parts, { work: 10 })),
  ])
}

/** Walls outward of their seams, then what they stood on; a print in one is drawn off upward of the cast. */
function printOff(parts: readonly BarePart[]): Undoing[] {
  const floor = parts.filter((p) => p.source.of === 'shell' && p.source.is === 'floor')
  const walls = parts.filter((p) => !floor.includes(p))
  if (walls.length === 1 && floor.length === 0)
    return oneByOne([
      undo('turn', act('turn-in-print', { massKg: 0 }), [], { from: 'turn', turns: 'padded board' }),
      undo('off/prints', act('print-off', {}), walls),
    ])
  return oneByOne([
    undo('off/prints', act('printed-parts-off', { parts: walls.length }), walls, { from: 'sides' }),
    ...(floor.length > 0 ? [undo('off/floor', act('floor-off', {}), floor, { from: 'turn' })] : []),
  ])
}
