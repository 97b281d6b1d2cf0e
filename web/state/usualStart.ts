import { addDays, format } from 'date-fns'

/** Tomorrow at nine, as a start is written, and this machine's zone. */
export function usualStart(): { start: string; zone: string } {
  return {
    start: format(addDays(new Date(), 1), "yyyy-MM-dd'T'09:00"),
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC',
  }
}
