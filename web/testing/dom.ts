// The database's library looks for storage when it is first loaded, and never again.
import 'fake-indexeddb/auto'
import { afterAll, vi } from 'vitest'
import { builtinEnvironments } from 'vitest/runtime'

/** One document for all files of a worker, never taken down: loading React and a DOM once saves half the time. */
if (typeof document === 'undefined') await builtinEnvironments.jsdom.setup(globalThis, {})
// A DOM without a screen scrolls nothing.
Element.prototype.scrollIntoView = () => {}
const { cleanup } = await import('@testing-library/react')
const { IDBFactory } = await import('fake-indexeddb')

/** The next file finds an empty document and storage, and modules of its own: no state of this one. */
afterAll(() => {
  cleanup()
  document.body.replaceChildren()
  localStorage.clear()
  globalThis.indexedDB = new IDBFactory()
  vi.resetModules()
})
