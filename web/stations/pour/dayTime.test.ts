import { describe, expect, it } from 'vitest'
import { dayTime } from './dayTime.ts'

describe('the time of day of a pour', () => {
  it.each<[start: string, minutes: number, said: string, zone?: string]>([
    ['2026-05-30T09:00', 0, 'Sat 09:00'],
    ['2026-05-30T09:00', -16, 'Sat 08:44'],
    ['2026-05-30T09:00', -550, 'Fri 23:50'],
    ['2026-05-30T09:00', 24 * 60 + 5, 'Sun 09:05'],
    ['2026-05-30T23:50', 10, 'Sun 00:00'],
    ['2026-12-31T22:30', 120, 'Fri 00:30'],
    // 2028 has a 29 February
    ['2028-02-28T12:00', 24 * 60, 'Tue 12:00'],
    ['2026-05-30T09:00', 12.4, 'Sat 09:12'],
    ['2026-05-30T09:00', 12.5, 'Sat 09:13'],
    // Clocks go back in the night to the 25th of October, and forward in the night to the 29th of March.
    ['2026-10-24T20:00', 12 * 60, 'Sun 07:00', 'Europe/Berlin'],
    ['2026-03-28T20:00', 12 * 60, 'Sun 09:00', 'Europe/Berlin'],
    ['2026-10-31T20:00', 12 * 60, 'Sun 07:00', 'America/New_York'],
    ['2026-10-24T20:00', 12 * 60, 'Sun 08:00', 'Asia/Tokyo'],
    ['2026-05-30T09:00', 60, 'Sat 10:00', 'Nowhere/At all'],
  ])('%s and %s minutes is %s', (start, minutes, said, zone = 'UTC') => {
    expect(dayTime(start, zone, minutes)).toBe(said)
  })
})
