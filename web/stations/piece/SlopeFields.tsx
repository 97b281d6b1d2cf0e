import { showNumber } from '../../../core/units/index.ts'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { NumberField } from '../../ui/NumberField.tsx'

/** To a ten thousandth of a mm, as measures are typed. */
const tidy = (mm: number): number => Math.round(mm * 1e4) / 1e4

/** A lean told as its run over a height and as its angle, whichever is to hand; either sets the other. */
export function LeanFields({
  label,
  note,
  run,
  over,
  onRun,
}: {
  readonly label: string
  readonly note: string
  /** Signed, mm, over this height, mm. */
  readonly run: number
  readonly over: number
  readonly onRun: (run: number) => void
}) {
  const degrees = (Math.atan2(run, over) * 180) / Math.PI
  return (
    <>
      <MeasureField label={label} note={note} value={run} allowNegative onCommit={onRun} />
      <NumberField
        label="or as an angle"
        unit="°"
        value={degrees}
        min={-60}
        max={60}
        step={0.5}
        show={(n) => showNumber(n, 2)}
        onCommit={(n) => n !== null && onRun(tidy(Math.tan((n * Math.PI) / 180) * over))}
      />
    </>
  )
}

/** A fall told as a depth over its run and in percent; either sets the other. */
export function FallFields({
  fall,
  over,
  onFall,
}: {
  /** mm over this run, mm. */
  readonly fall: number
  readonly over: number
  readonly onFall: (fall: number) => void
}) {
  return (
    <>
      <MeasureField label="Falls by" note="over its run" value={fall} allowNegative onCommit={onFall} />
      <NumberField
        label="or in percent"
        unit="%"
        value={(fall / over) * 100}
        min={-50}
        max={50}
        step={0.5}
        show={(n) => showNumber(n, 2)}
        onCommit={(n) => n !== null && onFall(tidy((n / 100) * over))}
      />
    </>
  )
}
