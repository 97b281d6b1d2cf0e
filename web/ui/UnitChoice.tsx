import { useAppSelector, useChange } from '../state/store.ts'
import { Choice } from './Choice.tsx'

/** Whether lengths of this job are read and written in millimetres or in inches. */
export function UnitChoice() {
  const units = useAppSelector((s) => s.job.job?.settings.units ?? 'mm')
  const change = useChange()
  return (
    <Choice
      label="Units"
      hideLabel
      value={units}
      options={[
        { value: 'mm', name: 'millimetres' },
        { value: 'inch', name: 'inches' },
      ]}
      onChoose={(next) => change(`units to ${next}`, { type: 'settingsChanged', patch: { units: next } })}
    />
  )
}
