import { warmth } from '../ageing/index.ts'
import type { Change, Finding, Piece } from '../job/index.ts'
import type { Filament, Mix } from '../stock/index.ts'
import type { PourFigures, PourInput } from './types.ts'

/** Above this in the middle concrete may crack months later; so much warmer than its face it cracks as it cools, degC. */
const [HOT, APART] = [70, 20]
/** It is poured no cooler than this to stay cool, degC [own]. */
const COOLEST = 8

/** As thick as a slab of its volume and surface: a wall of a hollow piece, not its outside [own], mm. */
const thickOf = ({ volumeLitres, surfaceAreaM2 }: PourInput['stations']['piece']['figures']): number =>
  surfaceAreaM2 > 0 ? (2 * volumeLitres) / surfaceAreaM2 : 0

/** How warm it grows: its thickness as that of a slab of its volume and surface. */
export const heatOf = (
  figures: PourInput['stations']['piece']['figures'],
  mix: Pick<Mix, 'bagKg' | 'cementPercent' | 'yieldLitres'>,
  pouredDegC: number,
): Pick<PourFigures, 'coreDegC' | 'faceDegC'> =>
  warmth(pouredDegC, (mix.bagKg * mix.cementPercent * 10) / mix.yieldLitres, thickOf(figures))

type Told = Pick<Finding, 'code' | 'level' | 'facts' | 'remedies'>

/** What the heat of its own setting does to the piece and to a printed mould, with what keeps it cool. */
export function heatFindings(
  piece: Piece,
  { coreDegC, faceDegC }: Pick<PourFigures, 'coreDegC' | 'faceDegC'>,
  /** Of a printed mould what it is printed from, and all that it could be. */
  print: { readonly of: Filament; readonly filaments: readonly Filament[] } | null,
): Told[] {
  const told: Told[] = []
  const { temperature } = piece.pour
  const cooler = (by: number): Finding['remedies'] => {
    if (temperature.kind !== 'constant') return []
    const degC = Math.floor(temperature.degC - by)
    return degC < COOLEST
      ? []
      : [
          {
            code: 'cooler',
            facts: { coolerDegC: degC },
            changes: [
              { type: 'pourPlanned', pieceId: piece.id, patch: { temperature: { kind: 'constant', degC } } },
            ],
          },
        ]
  }
  if (coreDegC > HOT)
    told.push({
      code: 'core-hot',
      level: 'warn',
      facts: { coreDegC, mostDegC: HOT },
      remedies: cooler(coreDegC - HOT + 1),
    })
  else if (coreDegC - faceDegC > APART)
    told.push({
      code: 'core-apart',
      level: 'warn',
      facts: { coreDegC, faceDegC, apartDegC: APART },
      remedies: [],
    })
  if (print && coreDegC > print.of.softensDegC) {
    const firmer = print.filaments.find((f) => f.softensDegC > coreDegC)
    told.push({
      code: 'print-softens',
      level: 'warn',
      facts: { coreDegC, softensDegC: print.of.softensDegC, filament: print.of.name },
      remedies: [
        ...(firmer
          ? [
              {
                code: 'filament',
                facts: { filament: firmer.name },
                changes: [
                  { type: 'mouldChosen', pieceId: piece.id, patch: { filament: firmer.id } } satisfies Change,
                ],
              },
            ]
          : []),
        ...cooler(coreDegC - print.of.softensDegC + 1),
      ],
    })
  }
  return told
}
