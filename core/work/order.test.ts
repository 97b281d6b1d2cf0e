import { describe, expect, it } from 'vitest'
import { act, type Operation, operation, orderOperations } from './index.ts'

/** `b<a,c>d`: b needs a and c, and leads d. */
const op = (told: string): Operation => {
  const [, id, needs, leads] = /^(\w+)(?:<([\w,]+))?(?:>([\w,]+))?$/.exec(told)!
  return operation({
    ...act('bridges-off', {}),
    id: id!,
    station: 'mould',
    per: 'mould',
    needs: needs?.split(',') ?? [],
    leads: leads?.split(',') ?? [],
  })
}

describe('the order of operations', () => {
  it.each<[string, string, string, string]>([
    ['nothing', '', '', ''],
    ['as given where nothing is asked', 'a b c', 'a b c', ''],
    ['what is needed first', 'b<a a', 'a b', ''],
    ['the earliest in the list of what is free', 'd<a c a b', 'c a d b', ''],
    ['what leads another goes before it', 'b a>b', 'a b', ''],
    ['leading and needing together', 'x<w w y>x z>w', 'y z w x', ''],
    ['a need that is in no list counts as done', 'b<gone a', 'b a', ''],
    ['a diamond', 'd<b,c b<a c<a a', 'a b c d', ''],
    ['what needs itself needs nothing', 'a<a b', 'a b', ''],
    ['a ring comes last and is named', 'a<b b<a c', 'c a b', 'a b'],
    ['what waits for a ring is named with it', 'a<b b<a c<a d', 'd a b c', 'a b c'],
  ])('%s', (_, given, wanted, ring) => {
    const list = given === '' ? [] : given.split(' ').map(op)
    const { operations, circle } = orderOperations(list)
    expect([operations.map((o) => o.id).join(' '), circle.join(' ')]).toEqual([wanted, ring])
  })
})
