import type { Finding, MethodId, Piece } from '../job/index.ts'
import type { Mix, Stock } from '../stock/index.ts'
import type { Dosed } from './doses.ts'

/** How a mix stands or runs, from the stiffest. */
export const BANDS = ['packing', 'placing', 'flowing', 'levelling'] as const
export type Band = (typeof BANDS)[number]

/** How wide a cup of 100 mm across and 100 high lies when it is lifted off, mm; null where it has no bound [own]. */
export const SPREAD: Readonly<Record<Band, { readonly fromMm: number; readonly toMm: number | null }>> = {
  packing: { fromMm: 100, toMm: 110 },
  placing: { fromMm: 110, toMm: 140 },
  flowing: { fromMm: 140, toMm: 190 },
  levelling: { fromMm: 190, toMm: null },
}

const WATERS: readonly Piece['mix']['water'][] = ['stiff', 'medium', 'limit']
/** From half of its usual dose on, a plasticiser makes a mix run one band further; from one and a half on, two [own]. */
const bandsRunOn = (dosed: readonly Dosed[]): number =>
  Math.round(
    dosed.reduce(
      (sum, { row, percent }) => sum + (row.kind === 'plasticiser' ? percent / row.percent : 0),
      0,
    ),
  )

/** The band a mix is in: by its water, of a premix with glass fibre one further, and by its plasticiser. Example: medium water, no dose: placing. */
export const bandOf = (
  { water }: Pick<Piece['mix'], 'water'>,
  { family }: Pick<Mix, 'family'>,
  dosed: readonly Dosed[],
): Band =>
  BANDS[
    Math.min(BANDS.length - 1, WATERS.indexOf(water) + (family === 'glass-fibre' ? 1 : 0) + bandsRunOn(dosed))
  ]!

/** What a mould and a face ask of the mix that fills them. */
export type Asks = {
  readonly method: MethodId
  /** Whether it is filled through a hole. */
  readonly hole: boolean
  /** Whether more is filled above an open face of the first fill. */
  readonly stacked: boolean
  /** Whether letters, fields or a textured face stand in the mould. */
  readonly relief: boolean
}

export type Wanted = {
  readonly least: Band
  readonly most: Band
  /** What asks for the least, and for the most. */
  readonly leastFor: 'hole' | 'relief' | 'any'
  readonly mostFor: 'packed' | 'stacked' | 'any'
}

/** The bands that will do [own]: what runs through a hole must flow, what stands on wet concrete or in packed sand must not. */
export const bandsFor = ({ method, hole, stacked, relief }: Asks): Wanted => ({
  ...(hole
    ? { least: 'flowing', leastFor: 'hole' }
    : relief
      ? { least: 'placing', leastFor: 'relief' }
      : { least: 'packing', leastFor: 'any' }),
  ...(method === 'packed'
    ? { most: 'placing', mostFor: 'packed' }
    : stacked
      ? { most: 'placing', mostFor: 'stacked' }
      : { most: 'levelling', mostFor: 'any' }),
})

type Told = Pick<Finding, 'code' | 'level' | 'facts' | 'remedies'>

/** What is too stiff or too wet for the mould, with the waters and doses that bring it where it should be. */
export function consistencyFindings(
  piece: Pick<Piece, 'id' | 'mix'>,
  mix: Mix,
  dosed: readonly Dosed[],
  asks: Asks,
  doses: Stock['doses'],
): Told[] {
  const band = bandOf(piece.mix, mix, dosed)
  const wanted = bandsFor(asks)
  const at = BANDS.indexOf(band)
  const [least, most] = [BANDS.indexOf(wanted.least), BANDS.indexOf(wanted.most)]
  if (at >= least && at <= most) return []
  const fits = (next: Band) => BANDS.indexOf(next) >= least && BANDS.indexOf(next) <= most
  const change = (patch: Partial<Piece['mix']>): Finding['remedies'][number]['changes'] => [
    { type: 'mixChosen', pieceId: piece.id, patch },
  ]
  const waters = WATERS.filter(
    (water) => water !== piece.mix.water && fits(bandOf({ water }, mix, dosed)),
  ).map((water) => ({
    code: `water-${water}`,
    facts: { waterLitres: mix.waterLitres[water], f28Mpa: mix.f28[water] },
    changes: change({ water }),
  }))
  if (at > most) {
    const plain = piece.mix.doses.filter(
      ({ dose }) => dosed.find((d) => d.row.id === dose)?.row.kind !== 'plasticiser',
    )
    const without = dosed.filter((d) => d.row.kind !== 'plasticiser')
    return [
      {
        code: 'too-wet',
        level: 'warn',
        facts: { band, most: wanted.most, why: wanted.mostFor },
        remedies: [
          ...(without.length < dosed.length && fits(bandOf(piece.mix, mix, without))
            ? [{ code: 'no-plasticiser', facts: {}, changes: change({ doses: plain }) }]
            : []),
          ...waters,
        ],
      },
    ]
  }
  const plasticiser = doses.find((d) => d.kind === 'plasticiser')
  const helped = plasticiser && [...dosed, { row: plasticiser, percent: plasticiser.percent }]
  return [
    {
      code: 'too-stiff',
      level: 'warn',
      facts: { band, least: wanted.least, why: wanted.leastFor },
      remedies: [
        ...(helped &&
        fits(bandOf(piece.mix, mix, helped)) &&
        piece.mix.doses.length < 8 &&
        !piece.mix.doses.some((d) => d.dose === plasticiser.id)
          ? [
              {
                code: 'plasticiser',
                facts: { dose: plasticiser.name },
                changes: change({
                  doses: [...piece.mix.doses, { dose: plasticiser.id, percent: plasticiser.percent }],
                }),
              },
            ]
          : []),
        ...waters,
      ],
    },
  ]
}
