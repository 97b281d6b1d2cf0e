import { measureSolid, movedBy, type Placement } from '../../geometry/index.ts'
import type { Finding } from '../../job/index.ts'
import type { Filament, Printer } from '../../stock/index.ts'
import type { BarePart } from '../bareParts.ts'
import { finding, rowMissing } from '../checkMould.ts'
import type { MethodInput } from '../method.ts'
import { printFigures } from '../printed/printFigures.ts'
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

/** Formers as prints: a wall all round of the chosen thickness and a lattice within, the flat side on the bed. */
export function printedFormers(input: MethodInput, formers: readonly BarePart[]): PrintedFormers {
  const { piece, stock, kernel, quick } = input
  const printer = stock.printers.find((p) => p.id === piece.mould.printer)
  const filament = stock.filaments.find((f) => f.id === piece.mould.filament)
  if (!printer || !filament)
    return { parts: formers, prints: [], materials: [], findings: missing(input, printer) }
  const findings: Finding[] = []
  const prints: PrintRow[] = []
  const parts = formers.map((part): BarePart => {
    const whole = part.mass?.volume ?? 0
    const solid = quick ? null : kernel.withSolids((s) => measureSolid(s.solid(part.recipe).body))
    const wall = Math.min(whole, (solid?.area ?? 0) * piece.mould.shellWall)
    const laid = solid ? wall + (whole - wall) * INFILL : whole * 0.4
    const size = [0, 1, 2].map((k) => (solid ? solid.max[k]! - solid.min[k]! : 0)) as [number, number, number]
    const { cost: _, ...figures } = printFigures(laid, printer, filament)
    prints.push({
      partId: part.id,
      name: part.name,
      ...figures,
      lies: part.pull[2] > 0 ? TURNED_OVER : AS_IT_STANDS,
    })
    if (solid && !fits(size, printer))
      findings.push(
        finding(
          piece,
          'former-over-bed',
          'warn',
          part.id,
          {
            part: part.name,
            lengthMm: size[0],
            widthMm: size[1],
            bedXMm: printer.bedX,
            bedYMm: printer.bedY,
          },
          [{ type: 'mouldChosen', pieceId: piece.id, patch: { formersPrinted: false } }],
        ),
      )
    return {
      ...part,
      ...(solid && { lengthMm: size[0], widthMm: size[1], thicknessMm: size[2] }),
      mass: { volume: whole, kgPerM3: whole > 0 ? (filament.densityKgPerM3 * laid) / whole : 0 },
    }
  })
  const grams = prints.reduce((sum, r) => sum + r.grams, 0)
  return { parts, prints, materials: [filamentRow(filament, prints, grams)], findings }
}

const fits = ([l, w, h]: readonly [number, number, number], { bedX, bedY, bedZ }: Printer): boolean =>
  Math.max(l, w) <= Math.max(bedX, bedY) && Math.min(l, w) <= Math.min(bedX, bedY) && h <= bedZ

const filamentRow = (filament: Filament, prints: readonly PrintRow[], grams: number): MaterialRow => ({
  name: filament.name,
  amount: grams / 1000,
  unit: 'kg',
  cost: filament.pricePerKg === null ? null : (grams / 1000) * filament.pricePerKg,
  note: `${prints.reduce((sum, r) => sum + r.filamentM, 0).toFixed(0)} m for the formers`,
  isPart: false,
})

const missing = ({ piece, stock }: MethodInput, printer: Printer | undefined): Finding[] =>
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
