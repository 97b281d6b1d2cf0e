import { describe, expect, it } from 'vitest'
import {
  attitudeShown,
  lineDragged,
  partsMoved,
  pieceShown,
  pointedAt,
  selected,
  sheetPrinted,
  shortcutsSwitched,
  themeRead,
  themeTurned,
  turnedOver,
  type ViewState,
  viewSlice,
} from './viewSlice.ts'

const { reducer } = viewSlice
type Event = Parameters<typeof reducer>[1]
const stateAfter = (...events: Event[]): ViewState =>
  events.reduce(reducer, reducer(undefined, { type: 'begin' }))
const line = { from: [0, 10], to: [900, 10] } as const
const basin = { kind: 'opening', id: 'basin' } as const

describe('what is looked at', () => {
  it('begins by day, as poured, with nothing chosen', () => {
    expect(stateAfter()).toMatchObject({
      theme: 'day',
      attitude: 'poured',
      selection: null,
      line: null,
      lit: null,
      apart: false,
      shortcuts: true,
    })
  })
  it.each<[string, Event[], Partial<ViewState>]>([
    ['day and night', [themeTurned()], { theme: 'night' }],
    ['day again', [themeTurned(), themeTurned()], { theme: 'day' }],
    ['as it was last chosen', [themeRead('night')], { theme: 'night' }],
    ['turned over', [turnedOver()], { attitude: 'placed' }],
    ['turned over twice', [turnedOver(), turnedOver()], { attitude: 'poured' }],
    ['shown as it will stand', [attitudeShown('placed')], { attitude: 'placed' }],
    ['an opening chosen', [selected(basin)], { selection: basin }],
    ['and let go', [selected(basin), selected(null)], { selection: null }],
    ['lit', [pointedAt('opening/basin')], { lit: 'opening/basin' }],
    ['parts apart', [partsMoved()], { apart: true }],
    ['keys off', [shortcutsSwitched()], { shortcuts: false }],
    ['printed', [sheetPrinted(), sheetPrinted()], { printed: 2 }],
    ['a section line where it was dragged', [lineDragged(line)], { line }],
  ])('%s', (_, events, expected) => {
    expect(stateAfter(...events)).toMatchObject(expected)
  })
  it('lets a section line go with the attitude it was drawn in, and keeps it in the same', () => {
    expect(stateAfter(lineDragged(line), turnedOver()).line).toBeNull()
    expect(stateAfter(lineDragged(line), attitudeShown('placed')).line).toBeNull()
    expect(stateAfter(lineDragged(line), attitudeShown('poured')).line).toEqual(line)
  })
  it('forgets what was chosen on one piece when another is shown, not how it is looked at', () => {
    const state = stateAfter(
      selected(basin),
      lineDragged(line),
      pointedAt('x'),
      turnedOver(),
      themeTurned(),
      pieceShown(),
    )
    expect(state).toMatchObject({
      selection: null,
      line: null,
      lit: null,
      attitude: 'placed',
      theme: 'night',
    })
  })
  it('is the same state where nothing changes, so that nothing is drawn again', () => {
    const lit = stateAfter(pointedAt('x'))
    expect(reducer(lit, pointedAt('x'))).toBe(lit)
  })
})
