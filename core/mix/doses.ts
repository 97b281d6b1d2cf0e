import type { Finding, Piece } from '../job/index.ts'
import type { Dose, Mix, Stock } from '../stock/index.ts'
import type { Batch, DosePart } from './types.ts'

/** Never more pigment than this, percent of the cement: the face dusts and loses strength. */
export const MOST_PIGMENT = 10

/** A dose that was chosen, with its row of the stock. */
export type Dosed = { readonly row: Dose; readonly percent: number }

/** Those that are in the stock, and the ids of those that are not. */
export function dosesOf(
  { mix }: Pick<Piece, 'mix'>,
  { doses }: Pick<Stock, 'doses'>,
): { readonly dosed: readonly Dosed[]; readonly missing: readonly string[] } {
  const found = mix.doses.map(({ dose, percent }) => ({
    id: dose,
    row: doses.find((d) => d.id === dose),
    percent,
  }))
  return {
    dosed: found.flatMap(({ row, percent }) => (row ? [{ row, percent }] : [])),
    missing: found.flatMap(({ id, row }) => (row ? [] : [id])),
  }
}

/** Times as long until it sets, by all that is dosed; each by as much of its usual dose as goes in. */
export const setShare = (dosed: readonly Dosed[]): number =>
  dosed.reduce((share, { row, percent }) => share * row.setFactor ** Math.min(1, percent / row.percent), 1)

/** What goes into so much dry mix: of its cement's mass. Example: 2 percent on 25 kg at 17 percent cement, 0.085 kg. */
export const doseParts = (
  dosed: readonly Dosed[],
  dryKg: number,
  mix: Pick<Mix, 'cementPercent'>,
): DosePart[] =>
  dosed.map(({ row, percent }) => ({
    doseId: row.id,
    name: row.name,
    kind: row.kind,
    cementPercent: percent,
    amountKg: (dryKg * mix.cementPercent * percent) / 10_000,
  }))

type Told = Pick<Finding, 'code' | 'level' | 'facts' | 'remedies'>

/** What is wrong with the doses chosen, each with what mends it. */
export function doseFindings(
  piece: Pick<Piece, 'id' | 'mix'>,
  dosed: readonly Dosed[],
  missing: readonly string[],
  batches: readonly Batch[],
  /** Whether steel, wire or another metal lies in it. */
  metal: boolean,
): Told[] {
  const { doses } = piece.mix
  const put = (next: Piece['mix']['doses']): Finding['remedies'][number]['changes'] => [
    { type: 'mixChosen', pieceId: piece.id, patch: { doses: next } },
  ]
  const without = (id: string) => doses.filter((d) => d.dose !== id)
  const told: Told[] = missing.map((id) => ({
    code: 'dose-missing',
    level: 'stop',
    facts: { row: id },
    remedies: [{ code: 'dose-missing', facts: {}, changes: put(without(id)) }],
  }))
  const pigments = dosed.filter((d) => d.row.kind === 'pigment')
  const pigmentPercent = pigments.reduce((sum, d) => sum + d.percent, 0)
  if (pigmentPercent > MOST_PIGMENT)
    told.push({
      code: 'pigment-over',
      level: 'stop',
      facts: { percent: pigmentPercent, mostPercent: MOST_PIGMENT },
      remedies: [
        {
          code: 'pigment-over',
          facts: { mostPercent: MOST_PIGMENT },
          // All by one share, so that the shade of several stays.
          changes: put(
            doses.map((d) =>
              pigments.some((p) => p.row.id === d.dose)
                ? { ...d, percent: Math.floor(((d.percent * MOST_PIGMENT) / pigmentPercent) * 100) / 100 }
                : d,
            ),
          ),
        },
      ],
    })
  for (const { row, percent } of dosed)
    if (percent > row.mostPercent && !(row.kind === 'pigment' && pigmentPercent > MOST_PIGMENT))
      told.push({
        code: 'dose-high',
        level: 'warn',
        facts: { dose: row.name, percent, mostPercent: row.mostPercent },
        remedies: [
          {
            code: 'dose-high',
            facts: { mostPercent: row.mostPercent },
            changes: put(doses.map((d) => (d.dose === row.id ? { ...d, percent: row.mostPercent } : d))),
          },
        ],
      })
  const chloride = dosed.find((d) => d.row.kind === 'chloride')
  if (chloride && (metal || pigments.length > 0))
    told.push({
      code: 'chloride-meets',
      level: 'stop',
      facts: { dose: chloride.row.name, metal: metal ? 'yes' : 'no' },
      remedies: [{ code: 'chloride-meets', facts: {}, changes: put(without(chloride.row.id)) }],
    })
  // A back coat is not seen.
  const seen = batches.filter((b) => b.coat !== 'back')
  if (pigments.length > 0 && new Set(seen.map((b) => b.dryKg.toFixed(3))).size > 1)
    told.push({
      code: 'colour-differs',
      level: 'warn',
      facts: { batches: seen.length },
      remedies: [
        {
          code: 'colour-differs',
          facts: {},
          changes: [{ type: 'mixChosen', pieceId: piece.id, patch: { portion: 'weighed' } }],
        },
      ],
    })
  return told
}
