import { useState } from 'react'
import type { RunningPour } from '../../../core/job/index.ts'
import { withReadings } from '../../../core/pour/index.ts'
import { type ReadTemperatures, readTemperatures } from '../../../core/readers/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { FileButton } from '../../ui/FileButton.tsx'

/** So long without a reading is told, minutes. */
const GAP = 360

/** What was made of a file, in words: nothing that was done to it is kept quiet. */
export const loggerWords = (read: ReadTemperatures): string[] => [
  `${read.readings.length} readings in °${read.unit}${read.unitGuessed ? ', by their figures' : ''}.`,
  ...(read.outOfOrderCount > 0 ? [`${read.outOfOrderCount} were out of order and are sorted.`] : []),
  ...(read.beforeWaterCount > 0
    ? [`${read.beforeWaterCount} from before the first water are left out.`]
    : []),
  ...(read.wildCount > 0 ? [`${read.wildCount} that cannot be of concrete are left out.`] : []),
  ...(read.thinnedFrom !== null ? [`Of ${read.thinnedFrom} every few are kept.`] : []),
  ...(read.gapMinutes > GAP
    ? [`For ${Math.round(read.gapMinutes / 60)} h nothing was read: it is drawn straight across.`]
    : []),
  ...(read.unreadCount > 0
    ? [
        `${read.unreadCount} ${read.unreadCount === 1 ? 'line says' : 'lines say'} nothing: ${read.unread.join(', ')}${read.unreadCount > read.unread.length ? ' and more' : ''}.`,
      ]
    : []),
]

/** Readings of a logger that lay in the concrete. */
export function LoggerFile({ running, water }: { running: RunningPour; water: string }) {
  const { piece } = usePlan()
  const change = useChange()
  const [wrong, setWrong] = useState<string | null>(null)
  const [told, setTold] = useState<readonly string[]>([])
  const take = async (file: File) => {
    const read = readTemperatures(await file.text(), water)
    if ('why' in read) {
      setWrong(read.why)
      setTold([])
      return
    }
    setWrong(null)
    setTold(loggerWords(read))
    change(`${read.readings.length} readings`, {
      type: 'pourPlanned',
      pieceId: piece.id,
      patch: { running: withReadings(running, read.readings) },
    })
  }
  return (
    <>
      <FileButton
        label="Readings of a logger"
        text="read a logger’s file"
        accept=".csv,.txt,text/csv,text/plain"
        reading={null}
        wrong={wrong}
        onFile={(file) => void take(file)}
        onCancel={() => undefined}
      />
      {told.length > 0 && <p role="status">{told.join(' ')}</p>}
    </>
  )
}
