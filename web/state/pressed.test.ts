import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { beforeClick, onceReleased, watchPresses } from './pressed.ts'

type Heard = (event: Partial<PointerEvent>) => void
/** Just enough of a page: whoever listens for an event. */
function page() {
  const listeners = new Map<string, Set<Heard>>()
  const of = (name: string) => listeners.get(name) ?? new Set<Heard>()
  return {
    addEventListener: (name: string, act: Heard) => listeners.set(name, of(name).add(act)),
    removeEventListener: (name: string, act: Heard) => of(name).delete(act),
    happens: (name: string, event: Partial<PointerEvent> = {}) => {
      for (const act of [...of(name)]) act(event)
    },
    heard: () => [...listeners.values()].reduce((sum, s) => sum + s.size, 0),
  }
}

/** A page that is watched, what was done on it, and what is asked of it. */
function watched() {
  const own = page()
  const done: string[] = []
  const stop = watchPresses(own as unknown as Window)
  return { ...own, done, stop, ask: (name: string) => onceReleased(() => done.push(name)) }
}

describe('what waits while a pointer is pressed', () => {
  beforeEach(() => {
    vi.useFakeTimers()
  })
  afterEach(() => {
    vi.useRealTimers()
  })
  it('is done at once while nothing is pressed', () => {
    const { done, stop, ask } = watched()
    ask('a')
    expect(done).toEqual(['a'])
    stop()
  })
  it.each(['pointerup', 'pointercancel', 'blur'])(
    'is done in order after %s, when the click is through',
    (end) => {
      const { done, stop, ask, happens } = watched()
      happens('pointerdown')
      for (const name of ['a', 'b']) ask(name)
      expect(done).toEqual([])
      happens(end)
      // The click comes now.
      done.push('click')
      vi.runAllTimers()
      ask('c')
      expect(done).toEqual(['click', 'a', 'b', 'c'])
      stop()
    },
  )
  it('is done before the click where that must find it done, but for a press on a drawing', () => {
    const { done, stop, ask, happens } = watched()
    const early = (name: string) => beforeClick(() => done.push(name))
    early('at once')
    happens('pointerdown')
    early('typed')
    ask('moved')
    expect(done).toEqual(['at once'])
    happens('pointerup')
    done.push('click')
    vi.runAllTimers()
    expect(done).toEqual(['at once', 'typed', 'click', 'moved'])
    happens('pointerdown', {
      target: { closest: (of: string) => of.includes('svg') } as unknown as EventTarget,
    })
    early('on a drawing')
    expect(done.at(-1)).toBe('on a drawing')
    stop()
  })
  it('waits for a press that lasts, and for the next one', () => {
    const { done, stop, ask, happens } = watched()
    happens('pointerdown')
    ask('a')
    vi.advanceTimersByTime(5000)
    expect(done).toEqual([])
    happens('pointerup')
    vi.runAllTimers()
    happens('pointerdown')
    ask('b')
    vi.runAllTimers()
    expect(done).toEqual(['a'])
    stop()
  })
  it('is done at the first move without a button, where the release was not seen', () => {
    const { done, stop, ask, happens } = watched()
    happens('pointerdown')
    ask('a')
    happens('pointermove', { buttons: 1 })
    vi.runAllTimers()
    expect(done).toEqual([])
    happens('pointermove', { buttons: 0 })
    vi.runAllTimers()
    expect(done).toEqual(['a'])
    stop()
  })
  it('loses nothing when nobody watches any more', () => {
    const { done, stop, ask, happens, heard } = watched()
    happens('pointerdown')
    ask('a')
    stop()
    expect([done, heard()]).toEqual([['a'], 0])
  })
})
