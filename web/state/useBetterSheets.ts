import { useEffect, useState } from 'react'
import type { Job, Piece } from '../../core/job/index.ts'
import { isOpen } from '../../core/mould/index.ts'
import type { PiecePlan } from '../../core/plan.ts'
import type { Laid } from '../worker/layoutWork.ts'
import { startLooking } from '../worker/lookLonger.ts'
import { onceReleased } from './pressed.ts'

/** How long a plan rests before its sheets are looked for again, ms. */
const REST = 500

/** A plan with better sheets and bars in the place of its own. */
export function withSheets(plan: PiecePlan, laid: Laid): PiecePlan {
  const { mould } = plan.stations
  if (!mould) return plan
  return {
    ...plan,
    stations: { ...plan.stations, mould: { ...mould, figures: { ...mould.figures, ...laid } } },
  }
}

type Found = { readonly plan: PiecePlan; readonly laid: Laid | null; readonly done: boolean }

/**
 * Looks on for fewer sheets and bars while a settled plan is shown, where fewer are not ruled out: what is found so far,
 * and whether it is looked for yet.
 */
export function useBetterSheets(
  plan: PiecePlan | null,
  job: Job,
  piece: Piece | undefined,
): { better: Laid | null; looking: boolean } {
  const [found, setFound] = useState<Found | null>(null)
  const figures = plan?.stations.mould?.figures
  const open = figures !== undefined && isOpen(figures)
  const { stock } = job
  const mould = piece?.mould
  const mouldCount = piece?.mouldCount
  useEffect(() => {
    if (!plan || !figures || !open || !mould || mouldCount === undefined) return
    let stop = () => {}
    const begin = setTimeout(() => {
      stop = startLooking(
        { kind: 'mould', figures, stock, mould, mouldCount },
        (answer) => {
          if (answer.kind === 'mould')
            onceReleased(() => setFound({ plan, laid: answer.laid, done: answer.done }))
        },
        () => setFound({ plan, laid: null, done: true }),
      )
    }, REST)
    return () => {
      clearTimeout(begin)
      stop()
    }
  }, [plan, figures, open, stock, mould, mouldCount])
  const own = found && found.plan === plan ? found : null
  return { better: own?.laid ?? null, looking: open && !own?.done }
}
