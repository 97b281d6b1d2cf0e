import { download } from '../../state/files.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'
import { localStart } from './dayTime.ts'

/** All windows of the pour as a file that any calendar takes. */
export function Calendar() {
  const { piece, plan, whole } = usePlan()
  const words = useWordsStyle()
  const pour = plan?.stations.pour
  if (!plan || !pour) return null
  const keep = async () => {
    const { writeCalendar } = await import('../../../core/sheets/writeCalendar.ts')
    const { running, start, zone } = piece.pour
    const text = writeCalendar({
      pieceId: piece.id,
      pieceName: piece.name,
      work: plan.work,
      water: localStart(running?.water ?? start, zone),
      words,
    })
    download(`${piece.name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}-pour.ics`, text, 'text/calendar')
  }
  return (
    // What is still guessed is not put into a calendar.
    <button type="button" className="word" disabled={!whole} onClick={() => void keep()}>
      windows as a calendar file
    </button>
  )
}
