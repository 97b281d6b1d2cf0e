import { vi } from 'vitest'

/** A DOM without a screen tells no sizes: whoever asks to hear of them hears nothing. */
export const noResizes = (): void => {
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  )
}
