const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat']

/** Weekday and time of day so many minutes after a local start: `Sat 09:24`. */
export function dayTime(start: string, minutes: number): string {
  const at = new Date(`${start}:00Z`)
  at.setUTCMinutes(at.getUTCMinutes() + Math.round(minutes))
  return `${DAYS[at.getUTCDay()]} ${String(at.getUTCHours()).padStart(2, '0')}:${String(at.getUTCMinutes()).padStart(2, '0')}`
}
