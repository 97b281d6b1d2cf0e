import { cleanup } from '@testing-library/react'
import { afterAll } from 'vitest'

// A DOM without a screen scrolls nothing.
Element.prototype.scrollIntoView = () => {}

/** What React has begun it ends while there is a document still. */
afterAll(async () => {
  cleanup()
  await new Promise((done) => setTimeout(done, 50))
})
