import { useMemo } from 'react'
import { METRIC_UNITS, type ReaderStyle } from '../../core/units/index.ts'
import { useAppSelector } from './store.ts'

/** How this job's reader writes lengths and money: the same record until one of its choices changes. */
export const useMeasureStyle = (): ReaderStyle => {
  const units = useAppSelector((s) => s.job.job?.settings.units ?? 'mm')
  const inchDenominator = useAppSelector((s) => s.job.job?.settings.inchDenominator ?? 16)
  const currency = useAppSelector((s) => s.job.job?.settings.currency ?? null)
  const others = useAppSelector((s) => s.job.job?.settings.others ?? METRIC_UNITS)
  return useMemo(
    () => ({ units, inchDenominator, others, currency }),
    [units, inchDenominator, others, currency],
  )
}
