/** How a job's money is written: its sign, before the figure or after it. Null writes the bare figure. */
export type Currency = { readonly sign: string; readonly side: 'before' | 'after' } | null

/** From here on money is told without its small coins. */
const WHOLE_FROM = 1000

/**
 * An amount of money as a person writes it: two decimals below 1,000, none from there on; a sign of letters stands
 * apart from the figure, any other close to it when before. `formatMoney(4.5, {sign: '€', side: 'before'})` is `€4.50`,
 * `formatMoney(1234.5, {sign: 'kr', side: 'after'})` is `1,235 kr`.
 */
export function formatMoney(amount: number, currency: Currency): string {
  const digits = Math.abs(amount) < WHOLE_FROM - 0.005 ? 2 : 0
  const shown = amount.toLocaleString('en', { minimumFractionDigits: digits, maximumFractionDigits: digits })
  const figure = shown.replace(/^-(?=[0.,]*$)/, '')
  if (!currency) return figure
  const { sign, side } = currency
  if (side === 'after') return `${figure}\u00a0${sign}`
  const gap = /\p{L}$/u.test(sign) ? '\u00a0' : ''
  return figure.startsWith('-') ? `-${sign}${gap}${figure.slice(1)}` : `${sign}${gap}${figure}`
}

/** An amount, or that nobody said what it costs: never a 0 that was not paid. */
export const moneyOrNone = (amount: number | null, currency: Currency): string =>
  amount === null ? 'no price' : formatMoney(amount, currency)
