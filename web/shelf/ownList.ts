import { useEffect, useRef, useState } from 'react'
import { z } from 'zod'
import { database } from '../state/useAutosave.ts'

/** A list of one's own as it stands on the page: kept on the device, under no job. */
const ownListSchema = z.object({
  of: z.enum(['sheets', 'bars']),
  sheetsText: z.string().max(100_000),
  barsText: z.string().max(100_000),
  /** The row of stock; one that the job does not hold is taken for its first. */
  board: z.string(),
  stockLength: z.number().positive().max(100_000),
  kerf: z.number().min(0).max(20),
  trim: z.number().min(0).max(200),
  turnParts: z.boolean(),
})
export type OwnListForm = z.infer<typeof ownListSchema>

const ROW = 'own-list'
const EMPTY: OwnListForm = {
  of: 'sheets',
  sheetsText: '',
  barsText: '',
  board: '',
  stockLength: 6000,
  kerf: 3,
  trim: 10,
  turnParts: true,
}
/** How long typing rests before it is kept, ms. */
const REST = 300

/** The list and how it is changed; null until what was kept is read. What cannot be kept stays on the page. */
export function useOwnList(): [OwnListForm | null, (patch: Partial<OwnListForm>) => void] {
  const [form, setForm] = useState<OwnListForm | null>(null)
  const changed = useRef(false)
  useEffect(() => {
    let gone = false
    database.settings
      .get(ROW)
      .then((row) => ownListSchema.safeParse(row?.value))
      .catch(() => null)
      .then((read) => {
        if (!gone) setForm(read?.success ? read.data : EMPTY)
      })
    return () => {
      gone = true
    }
  }, [])
  useEffect(() => {
    if (!form || !changed.current) return
    const keep = () => void database.settings.put({ id: ROW, value: form }).catch(() => {})
    const waiting = setTimeout(keep, REST)
    return () => {
      clearTimeout(waiting)
      keep()
    }
  }, [form])
  return [
    form,
    (patch) => {
      changed.current = true
      setForm((old) => old && { ...old, ...patch })
    },
  ]
}
