import { useMemo } from 'react'
import { wordsStyle } from '../../core/units/index.ts'
import { type Timed, type Told, tell } from '../../core/work/index.ts'
import { usePlan } from './PlanContext.tsx'
import { useMeasureStyle } from './useMeasureStyle.ts'

/** A part of the one list of operations as lines, in the reader's units; `together` tells which may share a line. */
export function useWork(
  keep: (op: Timed) => boolean,
  together?: (a: Timed, b: Timed) => boolean,
): readonly Told<Timed>[] {
  const { plan } = usePlan()
  const style = useMeasureStyle()
  const work = plan?.work
  return useMemo(
    () => tell((work ?? []).filter(keep), wordsStyle(style), together),
    [work, style, keep, together],
  )
}
