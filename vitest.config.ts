import { availableParallelism } from 'node:os'
import { defineConfig } from 'vitest/config'

/**
 * Files of a worker share what they import: code that was loaded and warmed up once takes half the time. So a file
 * leaves nothing behind that another would see; those of the page share a document, and each clears it.
 */
const SHARED = {
  isolate: false,
  // Only what never ends fails by time: a machine may be slow.
  testTimeout: 600_000,
} as const

/** With a clock, files or a document of their own. */
const ALONE = ['web/ui/**/*.test.tsx', 'web/app/hands.test.tsx', 'web/shelf/pages.test.tsx']

/** What is kept and how a page starts: each with storage of its own from the first import on. */
const KEPT = ['web/{state,storage}/**/*.test.ts']

export default defineConfig({
  test: {
    maxWorkers: Math.max(2, availableParallelism()),
    projects: [
      {
        test: {
          ...SHARED,
          name: 'plain',
          include: ['{core,web,server,cli,scripts}/**/*.test.ts'],
          exclude: KEPT,
          environment: 'node',
        },
      },
      {
        test: {
          ...SHARED,
          isolate: true,
          name: 'kept',
          include: KEPT,
          environment: 'node',
        },
      },
      {
        test: {
          ...SHARED,
          name: 'page',
          include: ['web/**/*.test.tsx'],
          exclude: ALONE,
          environment: 'node',
          setupFiles: ['web/testing/dom.ts'],
        },
      },
      {
        test: {
          ...SHARED,
          isolate: true,
          name: 'alone',
          include: ALONE,
          environment: 'jsdom',
          setupFiles: ['web/testing/alone.ts'],
        },
      },
    ],
  },
})
