import { fireEvent, render, screen, waitFor } from '@testing-library/react'
import { expect, it } from 'vitest'
import { Hint } from './Hint.tsx'

it('says more of a control that is focused, and keeps the same control whether it has a text or not', async () => {
  let presses = 0
  const hinted = (text: string | undefined) => (
    <Hint text={text}>
      <button type="button" onClick={() => (presses += 1)}>
        undo
      </button>
    </Hint>
  )
  const { rerender } = render(hinted(undefined))
  const button = screen.getByRole('button')
  fireEvent.focus(button)
  expect(screen.queryByRole('tooltip')).toBeNull()
  fireEvent.blur(button)
  rerender(hinted('thickness 60'))
  expect(screen.getByRole('button')).toBe(button)
  fireEvent.focus(button)
  await waitFor(() => expect(screen.getByRole('tooltip').textContent).toBe('thickness 60'))
  fireEvent.click(button)
  rerender(hinted(undefined))
  expect([screen.getByRole('button') === button, presses]).toEqual([true, 1])
  expect(screen.queryByRole('tooltip')).toBeNull()
})
