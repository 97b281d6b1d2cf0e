import { useEffect } from 'react'

/** Keeps the screen lit while the page is shown, where the platform lets it; asked again when the page comes back. */
export function useAwake(): void {
  useEffect(() => {
    let held: WakeLockSentinel | null = null
    let gone = false
    const hold = () => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return
      navigator.wakeLock
        .request('screen')
        .then((lock) => {
          if (gone) void lock.release()
          else held = lock
        })
        // Not allowed, or low on power: the device goes dark as it does.
        .catch(() => undefined)
    }
    hold()
    document.addEventListener('visibilitychange', hold)
    return () => {
      gone = true
      document.removeEventListener('visibilitychange', hold)
      void held?.release().catch(() => undefined)
    }
  }, [])
}
