import { useEffect, useState } from 'react'

/** The time of this device, ms, once a second. */
export function useNow(): number {
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    const each = setInterval(() => setNow(Date.now()), 1000)
    return () => clearInterval(each)
  }, [])
  return now
}
