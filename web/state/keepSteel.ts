import type { PiecePlan } from '../../core/plan.ts'

/**
 * A plan with what only the solid tells of its steel (how thick, how it bends) taken from the last solid of the same
 * piece, until its own is there: an old figure, dimmed, for none.
 */
export function keepSteel(plan: PiecePlan, last: PiecePlan | null): PiecePlan {
  const { steel } = plan.stations
  const old = last?.id === plan.id ? last.stations.steel : null
  if (!steel || !old) return plan
  const { figures } = steel
  const measured = figures.thinPlaces.length > 0
  return {
    ...plan,
    stations: {
      ...plan.stations,
      steel: {
        ...steel,
        thickness: steel.thickness ?? old.thickness,
        handling: steel.handling ?? old.handling,
        front: steel.front ?? old.front,
        bars: figures.bars ? steel.bars : old.bars,
        cuts: measured ? steel.cuts : old.cuts,
        bentWires: figures.advice ? steel.bentWires : old.bentWires,
        figures: {
          ...figures,
          ...(!measured && {
            thinnestMm: old.figures.thinnestMm,
            thinnestWhere: old.figures.thinnestWhere,
            thinnestFrom: old.figures.thinnestFrom,
            thinPlaces: old.figures.thinPlaces,
          }),
          handling: figures.handling ?? old.figures.handling,
          bars: figures.bars ?? old.figures.bars,
          advice: figures.advice ?? old.figures.advice,
          standing: figures.standing ?? old.figures.standing,
          ...(!figures.advice && { tying: old.figures.tying, apronStrips: old.figures.apronStrips }),
        },
      },
    },
  }
}
