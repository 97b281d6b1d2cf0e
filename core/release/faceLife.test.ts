import { describe, expect, it } from 'vitest'
import {
  BOARD_LIFE,
  type MouldFace,
  type MouldPart,
  type MouldStation,
  type Undoing,
} from '../mould/index.ts'
import { testStock } from '../testing/testPiece.ts'
import { faceLives } from './faceLife.ts'
import { lifeWords } from './words.ts'

const casts = (id: string) => BOARD_LIFE[testStock.boards.find((b) => b.id === id)!.material]
const [MELAMINE, MDF] = ['melamine-18', 'mdf-9']
const mould = (
  surface: MouldFace['surface'],
  boardIds: (string | null)[],
  code: Undoing['code'] = 'side-off',
) =>
  ({
    figures: {
      lifeCasts: 80,
      faces: [
        { face: 'sides', material: 'stuff', surface, areaM2: 1, partIds: boardIds.map((_, i) => `p${i}`) },
      ],
    },
    parts: boardIds.map((boardId, i) => ({ id: `p${i}`, boardId }) as MouldPart),
    off: boardIds.map((_, i) => ({ code, partIds: [`p${i}`] }) as unknown as Undoing),
  }) as unknown as Pick<MouldStation, 'figures' | 'parts' | 'off'>

describe('how long a face serves', () => {
  it.each<[string, ReturnType<typeof mould>, number, number, number]>([
    ['its board', mould('faced', [MELAMINE]), 1, casts(MELAMINE), 0],
    [
      'the weaker of two boards',
      mould('faced', [MELAMINE, MDF]),
      1,
      Math.min(casts(MELAMINE), casts(MDF)),
      0,
    ],
    ['rubber, as its mould', mould('rubber', [null]), 100, 80, 1],
    ['card once, whatever it is on', mould('card', [MELAMINE]), 3, 1, 2],
    ['what is broken off once', mould('coated', [null], 'break-foam'), 4, 1, 3],
    ['what is dug out once', mould('soaks', [null, null], 'dig-out'), 1, 1, 0],
    ['planned to its last cast it is not made anew', mould('rubber', [null]), 80, 80, 0],
  ])('%s', (_, station, planned, lasts, renewed) => {
    const [life] = faceLives(station, testStock, planned)
    expect([life!.lifeCasts, life!.renewedCount]).toEqual([lasts, renewed])
  })
  it('in words', () => {
    const words = (lifeCasts: number, renewedCount: number) =>
      lifeWords({ face: 'sides', material: '', lifeCasts, renewedCount })
    expect([words(5, 0), words(5, 1), words(1, 3)]).toEqual([
      'about 5 casts',
      'about 5 casts: made anew once',
      'one cast: made anew 3 times',
    ])
  })
})
