import type { Change, Piece, Remedy } from '../job/index.ts'
import type { Mix, Stock } from '../stock/index.ts'

/** More hands than this get in each other's way at one mould [own]. */
const MOST_PEOPLE = 6
/** It is poured no cooler than this for the sake of time, and by so much cooler, degC [own]. */
const COOLER = { least: 10, by: 6 } as const

/**
 * What lets a pour be placed while its mix still works: one or two more people, a larger mixer, both, a retarder, a cooler day, a
 * slower mix. Each is tried before it is offered.
 */
export function inTimeCures(
  piece: Piece,
  people: number,
  mix: Mix,
  { mixers, doses, mixes }: Pick<Stock, 'mixers' | 'doses' | 'mixes'>,
): Remedy[] {
  const chosen = (patch: Partial<Piece['mix']>): Change[] => [{ type: 'mixChosen', pieceId: piece.id, patch }]
  const holds = mixers.find((m) => m.id === piece.mix.mixer)?.litres ?? 0
  const larger = mixers.filter((m) => m.litres > holds).toSorted((a, b) => a.litres - b.litres)
  const retarder = doses.find(
    (d) => d.kind === 'retarder' && !piece.mix.doses.some((own) => own.dose === d.id),
  )
  const slower = mixes
    .filter((m) => m.initialSet > mix.initialSet)
    .toSorted((a, b) => a.initialSet - b.initialSet)[0]
  const { temperature } = piece.pour
  const cooler = temperature.kind === 'constant' ? Math.round(temperature.degC - COOLER.by) : null
  return [
    ...larger.map((m) => ({
      code: `larger-mixer-${m.litres}`,
      facts: { mixer: m.name },
      changes: chosen({ mixer: m.id }),
    })),
    ...[1, 2]
      .map((more) => people + more)
      .filter((n) => n <= MOST_PEOPLE)
      .map((n) => ({
        code: `people-${n}`,
        facts: { people: n },
        changes: [{ type: 'settingsChanged' as const, patch: { people: n } }],
      })),
    ...(larger.length > 0 && people + 2 <= MOST_PEOPLE
      ? [
          {
            code: 'mixer-and-people',
            facts: { mixer: larger.at(-1)!.name, people: people + 2 },
            changes: [
              ...chosen({ mixer: larger.at(-1)!.id }),
              { type: 'settingsChanged' as const, patch: { people: people + 2 } },
            ],
          },
        ]
      : []),
    ...(retarder && piece.mix.doses.length < 8
      ? [
          {
            code: 'retarder',
            facts: { dose: retarder.name },
            changes: chosen({
              doses: [...piece.mix.doses, { dose: retarder.id, percent: retarder.percent }],
            }),
          },
        ]
      : []),
    ...(cooler !== null && cooler >= COOLER.least
      ? [
          {
            code: 'cooler',
            facts: { coolerDegC: cooler },
            changes: [
              {
                type: 'pourPlanned' as const,
                pieceId: piece.id,
                patch: { temperature: { kind: 'constant' as const, degC: cooler } },
              },
            ],
          },
        ]
      : []),
    ...(slower
      ? [{ code: 'slower-mix', facts: { mix: slower.name }, changes: chosen({ mix: slower.id }) }]
      : []),
  ]
}
