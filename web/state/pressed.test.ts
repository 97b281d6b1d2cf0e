import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { onceReleased, watchPresses } from './pressed.ts'

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

describe('what waits while a pointer is pressed', () => {
  beforeEach(() => {
    vi.useFakeTimers()
  })
  afterEach(() => {
    vi.useRealTimers()
  })
  it('is done at once while nothing is pressed', () => {
    const done: string[] = []
    const stop = watchPresses(page() as unknown as Window)
    onceReleased(() => done.push('a'))
    expect(done).toEqual(['a'])
    stop()
  })
  it.each(['pointerup', 'pointercancel', 'blur'])(
    'is done in order after %s, when the click is through',
    (end) => {
      const done: string[] = []
      const own = page()
      const stop = watchPresses(own as unknown as Window)
      own.happens('pointerdown')
      for (const name of ['a', 'b']) onceReleased(() => done.push(name))
      expect(done).toEqual([])
      own.happens(end)
      // The click comes now.
      done.push('click')
      vi.runAllTimers()
      onceReleased(() => done.push('c'))
      expect(done).toEqual(['click', 'a', 'b', 'c'])
      stop()
    },
  )
  it('waits for a press that lasts, and for the next one', () => {
    const done: string[] = []
    const own = page()
    const stop = watchPresses(own as unknown as Window)
    own.happens('pointerdown')
    onceReleased(() => done.push('a'))
    vi.advanceTimersByTime(5000)
    expect(done).toEqual([])
    own.happens('pointerup')
    vi.runAllTimers()
    own.happens('pointerdown')
    onceReleased(() => done.push('b'))
    vi.runAllTimers()
    expect(done).toEqual(['a'])
    stop()
  })
  it('is done at the first move without a button, where the release was not seen', () => {
    const done: string[] = []
    const own = page()
    const stop = watchPresses(own as unknown as Window)
    own.happens('pointerdown')
    onceReleased(() => done.push('a'))
    own.happens('pointermove', { buttons: 1 })
    vi.runAllTimers()
    expect(done).toEqual([])
    own.happens('pointermove', { buttons: 0 })
    vi.runAllTimers()
    expect(done).toEqual(['a'])
    stop()
  })
  it('loses nothing when nobody watches any more', () => {
    const done: string[] = []
    const own = page()
    const stop = watchPresses(own as unknown as Window)
    own.happens('pointerdown')
    onceReleased(() => done.push('a'))
    stop()
    expect([done, own.heard()]).toEqual([['a'], 0])
  })
})
