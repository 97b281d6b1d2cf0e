import { describe, expect, it } from 'vitest'
import { type Finding, newTurned } from './job/index.ts'
import { leaveOut } from './leftOut.ts'
import { testInsert, testLetters } from './testing/testFeatures.ts'
import { testBasin, testJob, testSlab, testStock, testTaps } from './testing/testPiece.ts'

const stop = (
  about: readonly { kind: Finding['about'][number]['kind']; id: string }[],
  level: Finding['level'] = 'stop',
): Finding => ({
  code: 'any',
  level,
  station: 'piece',
  about: about.map((a) => ({ pieceId: 'top', ...a })),
  facts: {},
  remedies: [],
})
const piece = testSlab({ openings: [testBasin, testTaps], inserts: [testInsert], lettering: [testLetters] })
const left = (...findings: Finding[]) => leaveOut(testJob(piece), piece, findings)

describe('what cannot be is left out, and no more', () => {
  it.each<[string, Finding[], readonly string[] | null]>([
    ['an opening', [stop([{ kind: 'opening', id: testBasin.id }])], [testBasin.name]],
    [
      'of two over one another the later',
      [
        stop([
          { kind: 'opening', id: testBasin.id },
          { kind: 'opening', id: testTaps.id },
        ]),
      ],
      [testTaps.name],
    ],
    [
      'the same, told twice',
      [stop([{ kind: 'opening', id: testTaps.id }]), stop([{ kind: 'opening', id: testTaps.id }])],
      [testTaps.name],
    ],
    [
      'letters and an insert',
      [stop([{ kind: 'feature', id: 'l' }]), stop([{ kind: 'feature', id: 'i' }])],
      ['“No 7”', 'stud'],
    ],
    ['what only warns stays', [stop([{ kind: 'opening', id: testTaps.id }], 'warn')], []],
    ['a piece cannot be without a side', [stop([{ kind: 'side', id: 'front' }])], null],
    [
      'nor without a corner, whatever else',
      [stop([{ kind: 'opening', id: testTaps.id }]), stop([{ kind: 'corner', id: 'front left' }])],
      null,
    ],
    ['what is not there', [stop([{ kind: 'feature', id: 'gone' }])], null],
  ])('%s', (_, findings, names) => {
    const less = left(...findings)
    expect(less?.leftOut.map((l) => l.name) ?? null).toEqual(names)
    if (less?.piece.kind !== 'slab') return
    const ids = new Set(less.leftOut.map((l) => l.id))
    expect(less.piece.openings.map((o) => o.id)).toEqual(
      piece.openings.map((o) => o.id).filter((id) => !ids.has(id)),
    )
    expect(less.piece.inserts.length).toBe(ids.has('i') ? 0 : 1)
    expect(less.piece.lettering.length).toBe(ids.has('l') ? 0 : 1)
  })
  it('an opening placed by one that is left out keeps its place', () => {
    const taps = { ...testTaps, u: { rule: 'centredOn', opening: testBasin.id, offset: 0 } as const }
    const placed = testSlab({ openings: [testBasin, taps] })
    const less = leaveOut(testJob(placed), placed, [stop([{ kind: 'opening', id: testBasin.id }])])!
    expect(less.piece.kind === 'slab' && 'opening' in less.piece.openings[0]!.u).toBe(false)
  })
  it('of any other kind: an insert, but no opening', () => {
    const drum = {
      ...newTurned({ id: 'top', name: 'Drum', start: '2026-05-30T09:00', zone: 'UTC' }, testStock),
      inserts: [testInsert],
    }
    const less = (kind: 'opening' | 'feature', id: string) =>
      leaveOut(testJob(), drum, [stop([{ kind, id }])])
    expect(less('feature', 'i')!.piece.inserts).toEqual([])
    expect(less('opening', 'a')).toBeNull()
  })
})
