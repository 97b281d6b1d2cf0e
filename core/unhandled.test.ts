import { describe, expect, it } from 'vitest'
import { unhandled } from './unhandled.ts'

type Edge = { readonly kind: 'square' } | { readonly kind: 'bead'; readonly size: number }

/** Ends in `unhandled`: with a third kind of edge this file would not compile. */
function tool(edge: Edge, done: string[]): void {
  switch (edge.kind) {
    case 'square':
      done.push('none')
      break
    case 'bead':
      done.push(`bead ${edge.size}`)
      break
    default:
      unhandled(edge)
  }
}

describe('a case that was forgotten', () => {
  it('does not come up while data is what its type says', () => {
    const done: string[] = []
    for (const edge of [{ kind: 'square' }, { kind: 'bead', size: 6 }] as const) tool(edge, done)
    expect(done).toEqual(['none', 'bead 6'])
  })
  it('is a bug that says what it was, where data lies about its type', () => {
    expect(() => tool({ kind: 'ogee', size: 3 } as never, [])).toThrow(
      'not handled: {"kind":"ogee","size":3}',
    )
  })
})
