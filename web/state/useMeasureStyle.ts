import { useMemo } from 'react'
import type { MeasureStyle } from '../../core/units/index.ts'
import { useAppSelector } from './store.ts'

/** How this job's reader writes lengths: the same record until one of its choices changes. */
export const useMeasureStyle = (): MeasureStyle => {
  const units = useAppSelector((s) => s.job.job?.settings.units ?? 'mm')
  const inchDenominator = useAppSelector((s) => s.job.job?.settings.inchDenominator ?? 16)
  return useMemo(() => ({ units, inchDenominator }), [units, inchDenominator])
}
