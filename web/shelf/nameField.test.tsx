import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { FaultBoundary } from '../ui/FaultBoundary.tsx'
import { NameField } from './NameField.tsx'

afterEach(cleanup)

describe('a name that is typed over where it stands', () => {
  const shown = (value = 'basin') => {
    const named = vi.fn()
    render(<NameField label="Name of the opening" value={value} onName={named} />)
    const field = screen.getByRole<HTMLInputElement>('textbox', { name: 'Name of the opening' })
    const type = (text: string) => {
      fireEvent.change(field, { target: { value: text } })
      fireEvent.blur(field)
    }
    return { named, field, type }
  }
  it.each<[typed: string, name: string | null]>([
    ['sink', 'sink'],
    ['  sink  ', 'sink'],
    ['', null],
    ['    ', null],
    // The same again is no change.
    ['basin', null],
    [' basin ', null],
    ['x'.repeat(200), 'x'.repeat(120)],
  ])('takes “%s”', (typed, name) => {
    const { named, field, type } = shown()
    type(typed)
    expect(named.mock.calls).toEqual(name === null ? [] : [[name]])
    // What is shown is what it is called, until that has changed.
    expect(field.value).toBe('basin')
  })
  it('keeps what is being typed until it is left', () => {
    const { named, field } = shown()
    fireEvent.change(field, { target: { value: 'si' } })
    expect([field.value, named.mock.calls.length]).toEqual(['si', 0])
    fireEvent.blur(field)
    expect(named).toHaveBeenCalledExactlyOnceWith('si')
  })
})

it('stands beside a fence that has nothing to say while all is well', () => {
  render(
    <FaultBoundary what="The bench" of="one">
      <NameField label="Name" value="basin" onName={() => {}} />
    </FaultBoundary>,
  )
  expect(screen.queryByRole('alert')).toBeNull()
  expect(screen.getByRole('textbox', { name: 'Name' })).toBeTruthy()
})
