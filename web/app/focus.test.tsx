import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { focusBench, focusIn, keepFocus } from './focus.ts'

let stop = () => {}
beforeEach(() => {
  stop = keepFocus(document)
})
afterEach(() => {
  stop()
  cleanup()
})
const focused = () => document.activeElement?.textContent ?? ''

describe('the focus', () => {
  it.each<[string, (first: boolean) => React.ReactNode, string, string]>([
    [
      'goes to the heading of the part in which it stood',
      (first) => (
        <aside>
          <h1>Log</h1>
          {first && <button type="button">remove</button>}
          <button type="button">add</button>
        </aside>
      ),
      'remove',
      'Log',
    ],
    [
      'goes to what can be pressed where the part has no heading',
      (first) => <div>{first ? <button type="button">one</button> : <button type="button">two</button>}</div>,
      'one',
      'two',
    ],
    [
      'goes further up where the whole part is gone',
      (first) => (
        <main>
          <h1>Piece</h1>
          {first && (
            <section>
              <h2>Opening</h2>
              <button type="button">delete</button>
            </section>
          )}
        </main>
      ),
      'delete',
      'Piece',
    ],
    [
      'stays where it is while that stands',
      (first) => (
        <div>
          <h1>Head</h1>
          <button type="button">keep</button>
          {first && <button type="button">other</button>}
        </div>
      ),
      'keep',
      'keep',
    ],
  ])('%s', async (_, page, from, to) => {
    const { rerender } = render(page(true))
    screen.getByRole('button', { name: from }).focus()
    rerender(page(false))
    await waitFor(() => expect(focused()).toBe(to))
  })
  it('waits for what names a page that is yet to come', async () => {
    const { rerender } = render(
      <main>
        <button type="button">make</button>
      </main>,
    )
    screen.getByRole('button').focus()
    rerender(<p key="next">Opening</p>)
    rerender(
      <aside key="then">
        <h1>Piece</h1>
      </aside>,
    )
    await waitFor(() => expect(focused()).toBe('Piece'))
  })
  it('is left alone once the watch has ended', async () => {
    stop()
    const { rerender } = render(
      <div>
        <h1>Head</h1>
        <button type="button">gone</button>
      </div>,
    )
    screen.getByRole('button').focus()
    rerender(
      <div>
        <h1>Head</h1>
      </div>,
    )
    await new Promise((go) => setTimeout(go, 20))
    expect(document.activeElement).toBe(document.body)
  })
  it('is taken to a part of the frame: its first control, or itself; to the stage where there is no plan', () => {
    render(
      <>
        <main id="stage" tabIndex={-1}>
          <button type="button">turn</button>
        </main>
        <section id="findings" tabIndex={-1}>
          nothing
        </section>
        <aside id="bench" tabIndex={-1}>
          <h1>Mix</h1>
          <input aria-label="bags" />
        </aside>
      </>,
    )
    focusIn('bench')
    expect(document.activeElement?.getAttribute('aria-label')).toBe('bags')
    focusIn('findings')
    expect(document.activeElement?.id).toBe('findings')
    focusIn('plan')
    expect(focused()).toBe('turn')
    focusBench()
    expect(focused()).toBe('Mix')
    fireEvent.blur(document.activeElement!)
  })
})
