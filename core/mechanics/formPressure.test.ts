import { expect, it } from 'vitest'
import { pressureAt, screwPull } from './index.ts'

it.each([
  ['wrap', 45, 12.8],
  ['wrap', 100, 98.6],
  ['wrap', 150, 294],
  ['wrap', 200, 651],
  ['stand', 200, 512],
] as const)('%s, %d mm deep: %d N on a screw', (school, height, pull) => {
  const joint = { school, height, spacing: 150, baseThickness: 18, sideThickness: 18, freshKgPerM3: 2350 }
  expect(Math.abs(screwPull(joint) / pull - 1)).toBeLessThan(0.003)
})
it('is 13.83 kPa at 600 mm', () => expect(pressureAt(600, 2350)).toBeCloseTo(13.83, 2))
