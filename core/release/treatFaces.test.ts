import { describe, expect, it } from 'vitest'
import type { MouldFace, Surface } from '../mould/index.ts'
import type { Agent } from '../stock/index.ts'
import { testStock } from '../testing/testPiece.ts'
import { treatFaces } from './treatFaces.ts'

const of = (kind: Agent['kind']) => testStock.agents.find((a) => a.kind === kind)!
const [wax, oil, tape, lacquer] = [of('paste-wax'), of('oil'), of('packing-tape'), of('lacquer')]
const face = (surface: Surface, over: Partial<MouldFace> = {}): MouldFace => ({
  face: 'base',
  surface,
  material: '',
  partIds: ['base'],
  areaM2: 0.5,
  ...over,
})
const treat = (surface: Surface, agents: { face?: Agent; seal?: Agent; leftOut?: boolean } = {}) =>
  treatFaces([face(surface)], testStock, {
    face: agents.face ?? wax,
    seal: agents.seal ?? lacquer,
    leftOut: agents.leftOut ? 'a trial' : null,
  }).map((r) => [r.use, r.agentKind])

describe('what goes on a face', () => {
  it.each<[Surface, (readonly [string, string])[]]>([
    ['faced', [['release', 'paste-wax']]],
    [
      'raw',
      [
        ['seal', 'lacquer'],
        ['release', 'paste-wax'],
      ],
    ],
    [
      'raw edge',
      [
        ['seal', 'lacquer'],
        ['release', 'paste-wax'],
      ],
    ],
    ['wrapped', [['seal', 'lacquer']]],
    ['card', [['release', 'paste-wax']]],
    ['coated', [['release', 'paste-wax']]],
    [
      'soaks',
      [
        ['seal', 'lacquer'],
        ['release', 'paste-wax'],
      ],
    ],
    [
      'bare metal',
      [
        ['seal', 'lacquer'],
        ['release', 'paste-wax'],
      ],
    ],
    ['film', [['none', 'none']]],
    ['smooth', [['release', 'paste-wax']]],
    ['printed', [['release', 'paste-wax']]],
    ['rubber', [['film', 'none']]],
    ['texture', [['film', 'none']]],
    // Foam bears no solvent: it is taped whatever seals the rest
    ['taped foam', [['seal', 'packing-tape']]],
  ])('%s: %j', (surface, rows) => {
    expect(treat(surface)).toEqual(rows)
  })
  it.each<[string, Surface, Parameters<typeof treat>[1], (readonly [string, string])[]]>([
    ['a taped edge lets go by itself', 'raw edge', { seal: tape }, [['seal', 'packing-tape']]],
    [
      'a taped board is waxed over its tape',
      'raw',
      { seal: tape },
      [
        ['seal', 'packing-tape'],
        ['release', 'paste-wax'],
      ],
    ],
    [
      'a shell is curved: it is never taped',
      'soaks',
      { seal: tape },
      [
        ['seal', 'lacquer'],
        ['release', 'paste-wax'],
      ],
    ],
    ['oil where oil was chosen', 'faced', { face: oil }, [['release', 'oil']]],
    ['nothing where release is left out', 'faced', { leftOut: true }, [['none', 'none']]],
    [
      'raw board is sealed all the same, and that nothing goes over it is told',
      'raw',
      { leftOut: true },
      [
        ['seal', 'lacquer'],
        ['none', 'none'],
      ],
    ],
    ['a film is no release: it stays', 'rubber', { leftOut: true }, [['film', 'none']]],
  ])('%s', (_, surface, agents, rows) => {
    expect(treat(surface, agents)).toEqual(rows)
  })
  it('takes as much as its coats cover, waits for each and for the last to be ready, and costs that', () => {
    const [row] = treatFaces([face('faced', { areaM2: 1.7 })], testStock, {
      face: wax,
      seal: lacquer,
      leftOut: null,
    })
    expect(row!.amount).toBeCloseTo((1.7 * wax.coats) / wax.coverM2PerUnit, 9)
    expect(row!.waitMinutes).toBe(wax.coats * wax.waitMinutes + wax.readyMinutes)
    expect(row!.cost).toBeCloseTo(row!.amount * wax.price!, 9)
    const [free] = treatFaces([face('faced')], testStock, {
      face: { ...wax, price: null },
      seal: lacquer,
      leftOut: null,
    })
    expect(free!.cost).toBeNull()
  })
  it('tells faces in the order they are given, and one that is missing its agent has none', () => {
    const rows = treatFaces([face('rubber', { face: 'rubber' }), face('raw'), face('faced')], testStock, {
      face: undefined,
      seal: undefined,
      leftOut: null,
    })
    expect(rows.map((r) => [r.face, r.use])).toEqual([
      ['rubber', 'film'],
      ['base', 'none'],
      ['base', 'none'],
    ])
  })
})
