import { expect, it } from 'vitest'
import { dayWords } from './index.ts'

it.each([
  ['2026-11-18', '18 Nov 2026'],
  ['2026-03-01T09:00', '1 Mar 2026'],
  ['2024-02-29', '29 Feb 2024'],
  ['2026-02-30', '2026-02-30'],
  ['soon', 'soon'],
])('%s is %s', (iso, words) => {
  expect(dayWords(iso)).toBe(words)
})
