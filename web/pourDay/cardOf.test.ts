import { beforeAll, describe, expect, it } from 'vitest'
import { planPiece } from '../../core/plan.ts'
import { type Next, nextOf, partsOf } from '../../core/pour/index.ts'
import { METRIC } from '../../core/testing/says.ts'
import { testKernel } from '../../core/testing/testKernel.ts'
import { testJob, testSlab } from '../../core/testing/testPiece.ts'
import { cardOf, spanWords } from './cardOf.ts'

it.each([
  [-3, '0 min'],
  [0.2, '1 min'],
  [119, '119 min'],
  [121, '2 h 1 min'],
  [60 * 49, '2 d 1 h'],
])('%d minutes are %s', (minutes, said) => expect(spanWords(minutes)).toBe(said))

describe('what stands on the screen', () => {
  let plan: ReturnType<typeof planPiece>
  beforeAll(async () => {
    const piece = testSlab()
    plan = planPiece(await testKernel(), testJob(piece), piece)
  })
  const pour = () => plan.stations.pour!
  const op = (code: string) => pour().work.find((o) => o.code === code)!
  const batch = () => plan.stations.mix!.figures.batches[0]!
  const part = (what: string) => partsOf(batch(), 'mix', true).find((p) => p.what === what)!
  const card = (next: Next, minutes = 0, over = {}) =>
    cardOf({
      next,
      pour: pour(),
      minutes,
      words: METRIC,
      start: '2026-05-30T09:00:00',
      zone: 'Europe/Vienna',
      mixer: 'tub',
      running: true,
      logged: false,
      ...over,
    })

  it.each<[string, () => Next, number, RegExp, { done: string | null; notYet: string | null }]>([
    [
      'water to weigh',
      () => ({ kind: 'weigh', op: op('mix-batch'), part: part('water'), number: 1 }),
      0,
      /kg Weigh the water into the tub/,
      { done: 'weighed', notYet: 'not yet' },
    ],
    [
      'powder, the clock',
      () => ({ kind: 'wet', op: op('mix-batch'), part: part('powder'), number: 1 }),
      0,
      /clock of this batch/,
      { done: 'it goes in', notYet: 'not yet' },
    ],
    [
      'mixing that goes on',
      () => ({ kind: 'do', op: op('mix-batch'), begun: 0 }),
      2,
      /\d min more/,
      { done: 'done', notYet: null },
    ],
    [
      'mixed long enough',
      () => ({ kind: 'do', op: op('mix-batch'), begun: 0 }),
      60,
      /long enough/,
      { done: 'done', notYet: null },
    ],
    [
      'placing',
      () => ({ kind: 'do', op: op('place-batch'), begun: null }),
      10,
      /Place/,
      { done: 'done', notYet: 'not yet' },
    ],
    [
      'an eye’s wait',
      () => ({ kind: 'wait', op: op('cover'), untilMinutes: 84, may: true }),
      20,
      /64 min About Sat 10:24; an eye/,
      { done: 'done already', notYet: null },
    ],
    [
      'a wait for strength',
      () => ({
        kind: 'wait',
        op: op('strip-side') ?? pour().work.findLast((o) => o.notBefore.length > 0)!,
        untilMinutes: 1600,
        may: false,
      }),
      700,
      /Not before Sun/,
      { done: null, notYet: null },
    ],
    [
      'what is never strong',
      () => ({ kind: 'never', op: op('cover') }),
      0,
      /never becomes possible/,
      { done: null, notYet: null },
    ],
    ['the end', () => ({ kind: 'over' }), 0, /becomes the record/, { done: 'log this pour', notYet: null }],
  ])('%s', (_, next, minutes, said, { done, notYet }) => {
    const { head, figure, text, ...own } = card(next(), minutes)
    expect([head, figure, text].filter(Boolean).join(' ')).toMatch(said)
    expect([own.done, own.notYet]).toEqual([done, notYet])
  })

  it('a window shrinks and then is told as missed', () => {
    const place = op('place-batch')
    const shares = [8, 40, 100].map((m) => card({ kind: 'do', op: place, begun: null }, m).window!.share)
    expect(shares.toSorted((a, b) => b - a)).toEqual(shares)
    const late = card({ kind: 'do', op: place, begun: null }, place.latestMinutes! + 12)
    expect([late.window, late.alarm]).toEqual([
      { leftMinutes: 0, share: 0 },
      'It should have been done 12 min ago.',
    ])
  })

  it('what goes wrong meanwhile is told beside what is done, and no more once all is over', () => {
    const trouble = 'It stiffens'
    const place: Next = { kind: 'do', op: op('place-batch'), begun: null }
    expect(card(place, 10, { trouble }).alarm).toBe(trouble)
    expect(card({ kind: 'over' }, 10, { trouble }).alarm).toBeNull()
    // What is late itself comes first.
    expect(card(place, 100_000, { trouble }).alarm).toMatch(/should have been done/)
  })

  it('says what stops the pour, and what is logged', () => {
    const check = pour().work.find((o) => o.tick !== null)!
    expect(card({ kind: 'check', check: { operation: check, stops: true, ticked: false } }).alarm).toMatch(
      /waits/,
    )
    expect(card({ kind: 'over' }, 0, { running: false, logged: true })).toMatchObject({
      head: 'logged',
      done: 'next cast',
    })
    expect(card({ kind: 'over' }, 0, { running: false }).done).toBeNull()
  })

  it('is what is asked for', () => {
    const next = nextOf({
      work: pour().work,
      checks: [],
      batches: plan.stations.mix!.figures.batches,
      mixName: 'mix',
      weighed: true,
      running: null,
      ageing: pour().ageing,
      now: 0,
    })
    expect(card(next)).toMatchObject({ head: expect.stringMatching(/water/), done: 'weighed' })
  })
})
