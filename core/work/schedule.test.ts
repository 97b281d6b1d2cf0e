import { describe, expect, it } from 'vitest'
import { rateAt } from '../ageing/index.ts'
import { seeded } from '../testing/anyPiece.ts'
import {
  type Ageing,
  act,
  type Condition,
  metAt,
  type Operation,
  operation,
  orderOperations,
  scheduleOperations,
  spanMinutes,
} from './index.ts'

/** Initial set 240, final 360, f28 30, s 0.25: the usual concrete. */
const concrete = (degC = 20): Ageing => ({
  initialSet: 240,
  finalSet: 360,
  f28: 30,
  curve: { kind: 'law', f28: 30, s: 0.25, finalSet: 360 },
  course: { kind: 'constant', degC },
  lastWater: 0,
})
const op = (
  id: string,
  minutes: number,
  over: Partial<Operation> & { waitMinutes?: number } = {},
): Operation =>
  operation({ ...act('bridges-off', {}), id, station: 'pour', per: 'cast', minutes, ...over } as Parameters<
    typeof operation
  >[0])
const set = (setShare: number): Condition => ({ kind: 'set', of: 'initial', setShare })
const timesOf = (list: readonly Operation[], water: string, ageing = concrete()) =>
  Object.fromEntries(
    scheduleOperations(list, ageing, water).map((t) => [
      t.id,
      [t.startMinutes, t.endMinutes, t.latestMinutes],
    ]),
  )

describe('the schedule', () => {
  it.each<[string, readonly Operation[], Record<string, (number | null)[]>]>([
    [
      'what comes before ends with the water',
      [op('a', 10), op('b', 5, { needs: ['a'] }), op('water', 8)],
      {
        a: [-15, -5, null],
        b: [-5, 0, null],
        water: [0, 8, null],
      },
    ],
    [
      'a wait before the water is over by then',
      [op('bead', 20, { waitMinutes: 180 }), op('water', 8, { needs: ['bead'] })],
      {
        bead: [-200, -180, null],
        water: [0, 8, null],
      },
    ],
    [
      'other work is done while one waits',
      [
        op('glue', 10, { waitMinutes: 60 }),
        op('trim', 5, { needs: ['glue'] }),
        op('mark', 20),
        op('water', 1),
      ],
      { glue: [-75, -65, null], mark: [-65, -45, null], trim: [-5, 0, null], water: [0, 1, null] },
    ],
    [
      'one crew does two free things one after another',
      [op('water', 10), op('a', 5), op('b', 7)],
      {
        water: [0, 10, null],
        a: [10, 15, null],
        b: [15, 22, null],
      },
    ],
    [
      'a condition of the concrete holds it back, what is free goes on',
      [
        op('water', 10),
        op('float', 5, { needs: ['water'], notBefore: [set(0.35)] }),
        op('clean', 30, { needs: ['water'] }),
      ],
      { water: [0, 10, null], clean: [10, 40, null], float: [84, 89, null] },
    ],
    [
      'a window closes at the earliest of its ends',
      [op('water', 10, { notAfter: [set(0.9), set(0.5)] })],
      { water: [0, 10, 120] },
    ],
    [
      'what is left to itself ends when its condition is met, and holds up nothing but what needs it',
      [
        op('water', 10),
        op('damp', 0, { needs: ['water'], until: { kind: 'cured', strengthShare: 0.7, leastMinutes: 4320 } }),
        op('next', 5, { needs: ['water'] }),
      ],
      {
        water: [0, 10, null],
        damp: [10, expect.closeTo(6890, -2) as unknown as number, null],
        next: [10, 15, null],
      },
    ],
    [
      'what is never reached has no time, nor what needs it',
      [
        op('water', 10),
        op('turn', 5, { needs: ['water'], notBefore: [{ kind: 'strength', mpa: 90 }] }),
        op('sand', 5, { needs: ['turn'] }),
        op('log', 5, { needs: ['water'] }),
      ],
      { water: [0, 10, null], log: [10, 15, null], turn: [null, null, null], sand: [null, null, null] },
    ],
  ])('%s', (_, list, wanted) => expect(timesOf(list, 'water')).toEqual(wanted))

  it.each<[string, Condition, number]>([
    ['half the initial set', set(0.5), 120],
    ['final set', { kind: 'set', of: 'final', setShare: 1 }, 360],
    ['an age', { kind: 'aged', ageMinutes: 1440 }, 1440],
    // Line from 0.5 at 360 min to 30 exp(0.25 (1 - sqrt 28)) = 10.26 at a day: 5 MPa at 858 min.
    ['5 MPa', { kind: 'strength', mpa: 5 }, 858],
    ['damp three days at least', { kind: 'cured', strengthShare: 0.1, leastMinutes: 4320 }, 4320],
  ])('%s comes sooner in the warm and later in the cold, by the rate', (_, condition, at20) => {
    expect(metAt(condition, concrete())).toBeCloseTo(at20, -1)
    if (condition.kind === 'cured') return
    for (const degC of [5, 12, 31])
      expect(metAt(condition, concrete(degC))! * rateAt(degC)).toBeCloseTo(metAt(condition, concrete())!, 3)
  })

  it.each([1, 2, 3, 4, 5, 6])(
    'keeps every need and wait, and never does two things at once: seed %d',
    (seed) => {
      const random = seeded(seed)
      const n = 24
      const list = Array.from({ length: n }, (_, i) =>
        op(`o${i}`, 1 + Math.floor(random() * 30), {
          waitMinutes: random() < 0.3 ? Math.floor(random() * 200) : 0,
          needs: Array.from(
            { length: Math.floor(random() * 3) },
            () => `o${Math.floor(random() * n)}`,
          ).filter((id) => Number(id.slice(1)) < i),
          notBefore: i > n / 2 && random() < 0.3 ? [set(random())] : [],
        }),
      )
      const water = `o${n / 2}`
      const shuffled = list.slice(n / 2 + 1).sort(() => random() - 0.5)
      // What stands before the water in the list is done before it.
      const { operations } = orderOperations([...list.slice(0, n / 2 + 1), ...shuffled])
      const timed = scheduleOperations(operations, concrete(), water)
      const by = new Map(timed.map((t) => [t.id, t]))
      for (const t of timed) {
        for (const need of t.needs) {
          const before = by.get(need)!
          expect([
            t.id,
            need,
            t.startMinutes! >= before.endMinutes! + before.work.waitMinutes - 1e-9,
          ]).toEqual([t.id, need, true])
        }
        for (const c of t.notBefore)
          expect(t.startMinutes!).toBeGreaterThanOrEqual(metAt(c, concrete())! - 1e-9)
      }
      const inTime = [...timed].sort((a, b) => a.startMinutes! - b.startMinutes!)
      inTime.slice(1).forEach((t, i) => {
        expect(t.startMinutes!).toBeGreaterThanOrEqual(inTime[i]!.endMinutes! - 1e-9)
      })
      expect(by.get(water)!.startMinutes).toBeGreaterThanOrEqual(0)
      for (const o of list.slice(0, n / 2)) expect(by.get(o.id)!.endMinutes!).toBeLessThanOrEqual(1e-9)
    },
  )

  it('spans work and the waits that nothing fills', () => {
    expect(spanMinutes([op('a', 10, { waitMinutes: 60 }), op('b', 20), op('c', 5, { needs: ['a'] })])).toBe(
      75,
    )
    expect(spanMinutes([op('a', 10, { waitMinutes: 60 })])).toBe(70)
    expect(spanMinutes([])).toBe(0)
  })
})
