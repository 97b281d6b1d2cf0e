import { useEffect, useState } from 'react'
import { z } from 'zod'
import { database } from '../state/useAutosave.ts'

const ROW = 'on-shelf'
const amounts = z.record(z.string().max(400), z.number().min(0).max(1e6))
export type OnShelf = Readonly<Record<string, number>>

/** What lies on the shelf of this device, by what it is; kept as it is typed. Null until it is read. */
export function useOnShelf(): readonly [OnShelf | null, (next: OnShelf) => void] {
  const [held, setHeld] = useState<OnShelf | null>(null)
  useEffect(() => {
    let gone = false
    database.settings
      .get(ROW)
      .then((row) => amounts.safeParse(row?.value ?? {}))
      .then((read) => {
        if (!gone) setHeld(read.success ? read.data : {})
      })
      .catch(() => {
        if (!gone) setHeld({})
      })
    return () => {
      gone = true
    }
  }, [])
  const put = (next: OnShelf) => {
    setHeld(next)
    void database.settings.put({ id: ROW, value: next }).catch(() => undefined)
  }
  return [held, put]
}
