import type { PiecePlan } from '../../core/plan.ts'

/**
 * A plan with what only the solids tell of the way out (moves, draft, air, ways to part it) taken from the last solid of
 * the same piece, until its own is there. A mould of other parts, or one that comes off by other acts, keeps nothing.
 */
export function keepRelease(plan: PiecePlan, last: PiecePlan | null): PiecePlan {
  const { release, mould } = plan.stations
  const old = last?.id === plan.id ? last.stations : null
  if (!release || release.draft || !old?.release?.draft || !mould || !old.mould) return plan
  const same = idsOf(mould.parts) === idsOf(old.mould.parts) && idsOf(mould.off) === idsOf(old.mould.off)
  if (!same) return plan
  const { drafts, moves, air, airHoles, waysUp, pulls } = old.release.figures
  return {
    ...plan,
    stations: {
      ...plan.stations,
      release: {
        ...release,
        draft: old.release.draft,
        figures: { ...release.figures, drafts, moves, air, airHoles, waysUp, pulls },
      },
    },
  }
}

const idsOf = (list: readonly { readonly id: string }[]): string => list.map((x) => x.id).join('|')
