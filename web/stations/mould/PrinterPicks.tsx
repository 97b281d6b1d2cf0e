import { Pick } from '../../ui/Choice.tsx'
import { BOX, useMould } from './useMould.ts'

/** What is printed on, and of what. */
export function PrinterPicks() {
  const { mould, job, choose } = useMould('printed', ...BOX)
  return (
    <>
      <Pick
        label="Printer"
        value={mould.printer}
        options={job.stock.printers}
        onChoose={(printer) => choose('printer', { printer })}
      />
      <Pick
        label="Filament"
        value={mould.filament}
        options={job.stock.filaments}
        onChoose={(filament) => choose('filament', { filament })}
      />
    </>
  )
}
