import { fireEvent, within } from '@testing-library/react'

/** What is chosen in a list. */
export const chosenIn = (list: HTMLElement): string => list.textContent ?? ''

/** Chooses from a list as by keys, by what the choice is called; fails with what there is where it has none of the name. */
export function chooseFrom(list: HTMLElement, option: string | RegExp): void {
  fireEvent.keyDown(list, { key: 'Enter' })
  const options = within(document.body).getAllByRole('option', { hidden: true })
  const found = options.find((o) =>
    option instanceof RegExp ? option.test(o.textContent ?? '') : o.textContent === option,
  )
  if (!found) throw new Error(`no ${option} among ${options.map((o) => o.textContent).join(', ')}`)
  fireEvent.keyDown(found, { key: 'Enter' })
}
