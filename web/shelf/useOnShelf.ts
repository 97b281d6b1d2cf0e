import { useEffect, useState } from 'react'
import { keepShelf, type OnShelf, readShelf } from '../state/onShelf.ts'

export type { OnShelf }

/** What lies on the shelf of this device, by what it is; kept as it is typed. Null until it is read. */
export function useOnShelf(): readonly [OnShelf | null, (next: OnShelf) => void] {
  const [held, setHeld] = useState<OnShelf | null>(null)
  useEffect(() => {
    let gone = false
    void readShelf().then((read) => {
      if (!gone) setHeld(read)
    })
    return () => {
      gone = true
    }
  }, [])
  const put = (next: OnShelf) => {
    setHeld(next)
    void keepShelf(next)
  }
  return [held, put]
}
