import { expect, it } from 'vitest'
import { readTemperatures } from '../../../core/readers/index.ts'
import { without } from '../../state/onShelf.ts'
import { loggerWords } from './LoggerFile.tsx'

it.each<[string, RegExp, RegExp]>([
  ['h,C\n0,18\n1,19\n', /^2 readings in °C\.$/, /by their/],
  ['0,68\n1,70\n', /2 readings in °F, by their figures/, /order/],
  ['h,C\n2,18\n1,19\n', /1 were out of order/, /left out/],
  ['h,C\n-1,18\n1,19\n', /1 from before the first water/, /order/],
  ['h,C\n0,18\n1,400\n', /1 that cannot be of concrete/, /order/],
  ['h,C\n0,18\n9,18\nx,y\n', /For 9 h nothing was read.*1 line says nothing: 4\./, /lines/],
])('a logger’s file %j is told of as it was taken', (text, said, unsaid) => {
  const read = readTemperatures(text, '2026-05-30T09:00:00')
  if ('why' in read) throw new Error(read.why)
  const words = loggerWords(read).join(' ')
  expect(words).toMatch(said)
  expect(words).not.toMatch(unsaid)
})

it('what a pour used goes from the shelf, and no further than it lies there', () =>
  expect(
    without(
      { a: 4, b: 0.2, c: 7 },
      new Map([
        ['a', 1.4],
        ['b', 0.5],
        ['d', 2],
      ]),
    ),
  ).toEqual({ a: 2.6, b: 0, c: 7 }))
