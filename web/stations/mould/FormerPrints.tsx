import { MeasureField } from '../../ui/MeasureField.tsx'
import { Switch } from '../../ui/Switch.tsx'
import { PrinterPicks } from './PrinterPicks.tsx'
import { Prints } from './Prints.tsx'
import { BOX, useMould } from './useMould.ts'

/** Whether the formers of a box are shaped by hand or printed, and what they take to print. */
export function FormerPrints() {
  const { mould, station, choose, mm } = useMould(...BOX)
  const formers = station?.parts.filter((p) => p.source.of === 'feature' || p.source.of === 'ground') ?? []
  if (formers.length === 0) return null
  return (
    <>
      <Switch
        label="Print the formers"
        on={mould.formersPrinted}
        onSwitch={(formersPrinted) =>
          choose(formersPrinted ? 'formers printed' : 'formers shaped by hand', { formersPrinted })
        }
      />
      {mould.formersPrinted && (
        <>
          <PrinterPicks />
          <MeasureField
            label="Wall of a former"
            value={mould.shellWall}
            min={0.2}
            max={50}
            onCommit={(shellWall) => choose(`wall ${mm(shellWall)}`, { shellWall })}
          />
          <Prints />
        </>
      )}
    </>
  )
}
