import { writeJob } from '../../../core/job/index.ts'
import { showNumber } from '../../../core/units/index.ts'
import { download, downloadJob } from '../../state/files.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch, useChange } from '../../state/store.ts'
import { sheetPrinted } from '../../state/viewSlice.ts'
import { Choice, Row } from '../../ui/Choice.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'
import { usePaper } from './usePaper.ts'

export function SheetsBench() {
  const words = useWordsStyle()
  const { job, piece, fresh } = usePlan()
  const { reply, why, working } = usePaper('sheet')
  const pdf = reply?.pdf
  const change = useChange()
  const dispatch = useAppDispatch()
  const name = `${piece.name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}-shop-sheet.pdf`
  const keep = () => {
    if (!pdf) return
    download(name, pdf.slice().buffer, 'application/pdf')
    dispatch(sheetPrinted())
  }
  const print = () => {
    if (!pdf) return
    const url = URL.createObjectURL(new Blob([pdf.slice().buffer], { type: 'application/pdf' }))
    window.open(url, '_blank')
    dispatch(sheetPrinted())
  }
  const byteCount = writeJob(job).length
  return (
    <>
      <h1>Sheets</h1>
      <p>What you carry to the bench: black on white, to scale.</p>
      <Choice
        label="Paper"
        value={job.settings.paper}
        options={[
          { value: 'A4', name: 'A4' },
          { value: 'Letter', name: 'Letter' },
        ]}
        onChoose={(paper) => change(`paper ${paper}`, { type: 'settingsChanged', patch: { paper } })}
      />
      <h2>Shop sheet</h2>
      {why && (
        <p role="alert" className="text-oxide!">
          {why}
        </p>
      )}
      <div className={`flex flex-wrap gap-2 pt-2 ${working || !fresh ? 'stale' : ''}`}>
        <button type="button" className="act act-oxide" disabled={!pdf || working} onClick={print}>
          Print the shop sheet
        </button>
        <button type="button" className="act" disabled={!pdf || working} onClick={keep}>
          Keep it as PDF
        </button>
      </div>
      <p className="pt-2">Print at actual size and check the {words.sold('100 mm', '4"')} bar with a rule.</p>
      <h2>Job file</h2>
      <Row label="All pieces, stock and log" unit="kB">
        {showNumber(byteCount / 1000, 0)}
      </Row>
      <button type="button" className="act mt-2" onClick={() => void downloadJob(job)}>
        Export the job file
      </button>
    </>
  )
}
