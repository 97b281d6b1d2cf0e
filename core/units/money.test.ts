import { expect, it } from 'vitest'
import { type Currency, formatMoney, moneyOrNone } from './index.ts'

const EURO: Currency = { sign: '€', side: 'before' }
const KR: Currency = { sign: 'kr', side: 'after' }
const FR: Currency = { sign: 'Fr', side: 'before' }

it.each<[number, Currency, string]>([
  [4.5, EURO, '€4.50'],
  [4.5, { sign: '€', side: 'after' }, '4.50\u00a0€'],
  [0, EURO, '€0.00'],
  [-0.001, EURO, '€0.00'],
  [-3.2, EURO, '-€3.20'],
  [999.99, null, '999.99'],
  [999.996, null, '1,000'],
  [1234.5, KR, '1,235\u00a0kr'],
  [12, FR, 'Fr\u00a012.00'],
  [1_234_567, null, '1,234,567'],
])('%s with %o is %s', (amount, currency, shown) => {
  expect(formatMoney(amount, currency)).toBe(shown)
})

it('says that there is no price, never 0', () => {
  expect([moneyOrNone(null, EURO), moneyOrNone(0, EURO)]).toEqual(['no price', '€0.00'])
})
