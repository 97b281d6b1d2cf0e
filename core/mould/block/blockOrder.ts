import type { MouldChoice, Piece } from '../../job/index.ts'
import type { Stock } from '../../stock/index.ts'
import type { BarePart } from '../bareParts.ts'
import { sealPattern, step, WORK } from '../buildingOrder.ts'
import { holdRows, holdWords } from '../holdDown.ts'
import type { BuiltMould } from '../method.ts'
import type { BuildStep } from '../types.ts'

type Told = {
  readonly piece: Piece
  readonly stock: Stock
  readonly built: Omit<BuiltMould, 'order'>
}

/** A rubber block in one, from pattern to mould. */
export function blockOrder({ piece, stock, built }: Told): BuildStep[] {
  const rubber = stock.rubbers.find((r) => r.id === piece.mould.rubber)
  const of = (role: BarePart['role']) => built.parts.filter((p) => p.role === role)
  const need = built.materials[0]
  const hold = built.holdDown[0]
  return [
    sealPattern(),
    step(
      'wax',
      'Brush on the pattern’s release, two thin coats, into every corner; wipe off what pools.',
      [],
      15,
      20,
    ),
    step('cut', 'Cut the box and fix its base flat and level.', of('base'), 20),
    step(
      'fix',
      `Fix the pattern down, its open face on the base, against ${hold ? hold.holdForceN.toFixed(0) : '0'} N of uplift: ${holdMeans(piece.mould.holdBy, hold)}.`,
      of('base'),
      10,
    ),
    step(
      'fix',
      'Box it, faced side in, the same wall all round.',
      of('strip'),
      of('strip').length * WORK.place,
    ),
    step(
      'seal',
      'Seal every joint with hot glue or clay that the rubber bears: it finds a pinhole.',
      of('strip'),
      15,
      5,
    ),
    step(
      'pour',
      `Weigh ${need ? `${need.amount.toFixed(2)} kg of ${need.name}, ${need.note.split(';')[0]}` : 'the rubber'}; mix, and pour a thin stream into the lowest corner within the pot life.`,
      of('rubber'),
      20,
      (rubber?.demouldHours ?? 24) * 60,
    ),
    step(
      'check',
      'Open the box, lift the block off the pattern, trim its flash, and put it back into its box the other way up: the hollow is the mould.',
      of('rubber'),
      20,
    ),
  ]
}

/** What holds a pattern down, in words. */
function holdMeans(by: MouldChoice['holdBy'], hold: BuiltMould['holdDown'][number] | undefined): string {
  if (by === 'screws') return `${hold?.screws ?? 2} screws from below`
  const [row] = holdRows(hold ? [hold] : [], by)
  return row ? holdWords(row) : 'well held'
}
