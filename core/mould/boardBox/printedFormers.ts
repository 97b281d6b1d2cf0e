import {
  bodiesOf,
  measureSolid,
  movedBy,
  type Placement,
  type SolidMeasure,
  type SolidRecipe,
  type Vector,
} from '../../geometry/index.ts'
import type { Finding } from '../../job/index.ts'
import type { Filament, Printer } from '../../stock/index.ts'
import { type BarePart, trimmed } from '../bareParts.ts'
import { finding, rowMissing } from '../checkMould.ts'
import type { BoxMethodId, MethodInput } from '../method.ts'
import { bedOf } from '../printed/onBed.ts'
import { printFigures } from '../printed/printFigures.ts'
import type { Bed } from '../printed/split.ts'
import type { MaterialRow, PrintRow } from '../types.ts'

/** Of what is not wall, this share is laid down as a lattice [own]. */
const INFILL = 0.1
const AS_IT_STANDS: Placement = movedBy([0, 0, 0])
/** What hangs from a bridge is printed upside down: its flat side was up. */
const TURNED_OVER: Placement = { x: [1, 0, 0], y: [0, -1, 0], z: [0, 0, -1], origin: [0, 0, 0] }

export type PrintedFormers = {
  readonly parts: readonly BarePart[]
  readonly prints: readonly PrintRow[]
  readonly materials: readonly MaterialRow[]
  readonly findings: readonly Finding[]
}

/** More pieces than this are no former to glue up [own]. */
const MOST_PIECES = 36

/**
 * Formers as prints: a wall all round of the chosen thickness and a lattice within, the flat side on the bed. One over
 * the bed is parted evenly into pieces that fit it, glued before it is set.
 */
export function printedFormers(
  input: MethodInput<BoxMethodId>,
  formers: readonly BarePart[],
): PrintedFormers {
  const { piece, stock, kernel, quick } = input
  const printer = stock.printers.find((p) => p.id === piece.mould.printer)
  const filament = stock.filaments.find((f) => f.id === piece.mould.filament)
  if (!printer || !filament)
    return { parts: formers, prints: [], materials: [], findings: missing(input, printer) }
  const findings: Finding[] = []
  const prints: PrintRow[] = []
  const printed = (part: BarePart): BarePart => {
    const solid = quick ? null : kernel.withSolids((s) => measureSolid(s.solid(part.recipe).body))
    const whole = solid?.volume ?? part.mass?.volume ?? 0
    const wall = Math.min(whole, (solid?.area ?? 0) * piece.mould.shellWall)
    const laid = solid ? wall + (whole - wall) * INFILL : whole * 0.4
    const { cost: _, ...figures } = printFigures(laid, printer, filament)
    prints.push({
      partId: part.id,
      name: part.name,
      ...figures,
      lies: part.pull[2] > 0 ? TURNED_OVER : AS_IT_STANDS,
    })
    const size = solid && sizeOf(solid)
    return {
      ...part,
      ...(size && { lengthMm: size[0], widthMm: size[1], thicknessMm: size[2] }),
      mass: { volume: whole, kgPerM3: whole > 0 ? (filament.densityKgPerM3 * laid) / whole : 0 },
    }
  }
  const parts = formers.flatMap((part): BarePart[] => {
    const solid = quick ? null : kernel.withSolids((s) => measureSolid(s.solid(part.recipe).body))
    const bed = bedOf(printer)
    const cuts = solid ? cutsFor(solid, bed) : [[], [], []]
    const count = cuts.reduce((product, offsets) => product * (offsets.length + 1), 1)
    if (!solid || count === 1) return [printed(part)]
    const pieces = count > MOST_PIECES ? [] : piecesOf(input, part, cuts)
    const [lengthMm, widthMm] = sizeOf(solid)
    findings.push(
      finding(
        piece,
        pieces.length > 0 ? 'former-in-pieces' : 'former-over-bed',
        pieces.length > 0 ? 'note' : 'warn',
        part.id,
        {
          part: part.name,
          lengthMm,
          widthMm,
          bedXMm: bed.x,
          bedYMm: bed.y,
          pieces: pieces.length,
        },
        [{ type: 'mouldChosen', pieceId: piece.id, patch: { formersPrinted: false } }],
      ),
    )
    return pieces.length > 0 ? pieces.map(printed) : [printed(part)]
  })
  const grams = prints.reduce((sum, r) => sum + r.grams, 0)
  return { parts, prints, materials: [filamentRow(filament, prints, grams)], findings }
}

type Box = Pick<SolidMeasure, 'min' | 'max'>
const sizeOf = ({ min, max }: Box): [number, number, number] => [
  max[0] - min[0],
  max[1] - min[1],
  max[2] - min[2],
]

/** Even offsets along x, y and z at which a body is parted so that each piece fits the bed, the way round that takes fewer. */
function cutsFor({ min, max }: Box, bed: Bed): number[][] {
  const [x, y, z] = sizeOf({ min, max })
  const count = (size: number, room: number) => Math.max(1, Math.ceil(size / room - 1e-9))
  const [straight, turned] = [
    [count(x, bed.x), count(y, bed.y)],
    [count(x, bed.y), count(y, bed.x)],
  ] as const
  const plan = straight[0] * straight[1] <= turned[0] * turned[1] ? straight : turned
  return [...plan, count(z, bed.z)].map((n, k) =>
    Array.from({ length: n - 1 }, (_, i) => min[k]! + ((max[k]! - min[k]!) * (i + 1)) / n),
  )
}

/** What lies between the cuts, each body of it a part; the first keeps the id. */
function piecesOf(
  { kernel }: MethodInput<BoxMethodId>,
  part: BarePart,
  cuts: readonly (readonly number[])[],
): BarePart[] {
  let bodies: SolidRecipe[] = [part.recipe]
  cuts.forEach((offsets, k) => {
    const way = [0, 1, 2].map((i) => (i === k ? 1 : 0)) as unknown as Vector
    const back = way.map((n) => 0 - n) as unknown as Vector
    bodies = bodies.flatMap((body) =>
      [...offsets, null].map((to, i) => {
        const from = offsets[i - 1]
        const beyond = from === undefined ? body : trimmed(body, way, from, 'joint')
        return to === null ? beyond : trimmed(beyond, back, -to, 'joint')
      }),
    )
  })
  const { source } = part
  return bodies
    .flatMap((recipe) => {
      const count = kernel.withSolids((s) => bodiesOf(s, s.solid(recipe)).length)
      return Array.from(
        { length: count },
        (_, at): SolidRecipe => ({ kind: 'body', solid: recipe, at, name: 'joint' }),
      )
    })
    .map((recipe, i, all) => ({
      ...part,
      source:
        source.of === 'feature' || source.of === 'ground'
          ? { ...source, n: i + 1, count: all.length }
          : source,
      id: i === 0 ? part.id : `${part.id}/${i + 1}`,
      name: `${part.name}, piece ${i + 1}`,
      recipe,
    }))
}

const filamentRow = (filament: Filament, prints: readonly PrintRow[], grams: number): MaterialRow => ({
  code: 'filament-formers',
  facts: { row: filament.name, metres: prints.reduce((sum, r) => sum + r.filamentM, 0) },
  amount: grams / 1000,
  unit: 'kg',
  cost: filament.pricePerKg === null ? null : (grams / 1000) * filament.pricePerKg,
  isPart: false,
})

const missing = ({ piece, stock }: MethodInput<BoxMethodId>, printer: Printer | undefined): Finding[] =>
  printer
    ? [
        rowMissing(
          piece,
          'filament-missing',
          piece.mould.filament,
          stock.filaments[0] && { filament: stock.filaments[0].id },
        ),
      ]
    : [
        rowMissing(
          piece,
          'printer-missing',
          piece.mould.printer,
          stock.printers[0] && { printer: stock.printers[0].id },
        ),
      ]
