import { format, isValid, parseISO } from 'date-fns'

/** A day as it is said: `dayWords('2026-11-18')` is `18 Nov 2026`. What is no day is given back as it is. */
export function dayWords(iso: string): string {
  const day = parseISO(iso)
  return isValid(day) ? format(day, 'd MMM yyyy') : iso
}
