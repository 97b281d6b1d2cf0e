import { cleanup, fireEvent, screen, within } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import type { Piece } from '../../core/job/index.ts'
import { type PiecePlan, planPiece } from '../../core/plan.ts'
import { store } from '../state/store.ts'
import { type Selection, selected } from '../state/viewSlice.ts'
import { chooseFrom } from '../testing/lists.ts'
import { demo, kernel, show, viewOf } from '../testing/stillPage.tsx'
import { SCREENS } from './stations.ts'

const plans = new Map<string, PiecePlan>()
afterEach(cleanup)

type Station = keyof typeof SCREENS
/** A station's bench of a piece, something on it chosen; what is changed on it goes to the document. */
async function open(pieceId: string, selection: Selection, station: Station): Promise<HTMLElement> {
  const piece = demo.pieces.find((p) => p.id === pieceId)!
  const plan = plans.get(pieceId) ?? planPiece(kernel, demo, piece, { quick: true })
  plans.set(pieceId, plan)
  store.dispatch(selected(selection))
  return show(SCREENS[station].bench, viewOf(demo, piece, plan))
}
const now = (id: string): Piece => store.getState().job.job!.pieces.find((p) => p.id === id)!
/** What stands at a path of a piece: names and numbers, or the id of a list's item. */
const at = (piece: unknown, path: string): unknown =>
  path.split('.').reduce((value: unknown, key) => {
    if (Array.isArray(value)) return value.find((item) => item.id === key) ?? value[Number(key)]
    return (value as Record<string, unknown> | undefined)?.[key]
  }, piece)

type How = 'type' | 'choose' | 'press' | 'radio' | 'check'
function hand(of: HTMLElement, how: How, label: string | RegExp, value: string): void {
  const by = within(of)
  switch (how) {
    case 'type': {
      const input = by.getByRole('textbox', { name: label, hidden: true })
      fireEvent.change(input, { target: { value } })
      fireEvent.keyDown(input, { key: 'Enter' })
      fireEvent.blur(input)
      return
    }
    case 'choose': {
      chooseFrom(by.getByRole('combobox', { name: label, hidden: true }), value)
      return
    }
    case 'radio':
      fireEvent.click(by.getByRole('radio', { name: label, hidden: true }))
      return
    case 'check':
      fireEvent.click(by.getByRole('checkbox', { name: label, hidden: true }))
      return
    case 'press':
      fireEvent.click(by.getByRole('button', { name: label, hidden: true }))
  }
}

type Row = readonly [
  piece: string,
  selection: Selection,
  station: Station,
  how: How,
  label: string | RegExp,
  value: string,
  path: string,
  expected: unknown,
]
const opening = (id: string): Selection => ({ kind: 'opening', id })
const side = (id: string): Selection => ({ kind: 'side', id })
const grooves: Selection = { kind: 'drainers', id: 'grooves' }
const fall: Selection = { kind: 'drainers', id: 'fall' }
const field: Selection = { kind: 'panels', id: 'field' }
const frame: Selection = { kind: 'panels', id: 'frame' }
const word: Selection = { kind: 'lettering', id: 'word' }
const eye: Selection = { kind: 'inserts', id: 'eye' }
const part: Selection = { kind: 'separators', id: 'part' }
const hole: Selection = { kind: 'sideHoles', id: 'overflow' }
const basin: Selection = { kind: 'basin', id: 'basin' }

const ROWS: readonly Row[] = [
  // A slab, its sides, openings and features
  ['wash-top', null, 'piece', 'type', 'Thickness', '50', 'thickness', 50],
  ['eyepiece-shelf', null, 'piece', 'type', /^Length/, '1210', 'outline.length', 1210],
  ['wash-top', null, 'piece', 'choose', 'Exposure', 'outdoors, frost', 'exposure', 'outdoors'],
  ['wash-top', null, 'piece', 'type', 'How many', '3', 'quantity', 3],
  ['wash-top', side('back'), 'piece', 'type', /^Taper/, '4', 'sides.back.taper', 4],
  ['wash-top', side('back'), 'piece', 'type', 'or as an angle', '45', 'sides.back.taper', 45],
  ['wash-top', side('back'), 'piece', 'type', 'or as an angle', '-3', 'sides.back.taper', -2.3584],
  ['wash-top', side('back'), 'piece', 'type', /^Textured liner/, '3', 'sides.back.liner', 3],
  ['wash-top', side('back'), 'piece', 'check', 'Seam with another piece', '', 'sides.back.seam', true],
  ['wash-top', opening('basin'), 'piece', 'type', 'Walls lean in', '3', 'openings.basin.draftDeg', 3],
  ['wash-top', opening('basin'), 'piece', 'type', 'Turned', '15', 'openings.basin.turnDeg', 15],
  ['wash-top', grooves, 'piece', 'type', 'Length', '180', 'drainers.grooves.length', 180],
  ['wash-top', grooves, 'piece', 'type', 'Grooves', '4', 'drainers.grooves.count', 4],
  ['wash-top', grooves, 'piece', 'type', /^Apart/, '25', 'drainers.grooves.pitch', 25],
  ['wash-top', grooves, 'piece', 'type', 'Depth at the low end', '6', 'drainers.grooves.deep', 6],
  ['wash-top', grooves, 'piece', 'type', /^Falls by/, '4', 'drainers.grooves.deep', 6],
  ['wash-top', grooves, 'piece', 'type', 'or in percent', '2', 'drainers.grooves.deep', 6.6],
  ['window-sill', fall, 'piece', 'type', 'or in percent', '5', 'drainers.fall.deep', 10.5],
  ['wash-top', grooves, 'piece', 'type', 'Middle, from the left', '-40', 'drainers.grooves.u', -40],
  ['window-sill', fall, 'piece', 'type', 'Corner radius', '8', 'drainers.fall.radius', 8],
  ['window-sill', fall, 'piece', 'type', 'Depth at the high end', '1', 'drainers.fall.shallow', 1],
  ['hearth-panel', field, 'piece', 'type', /^Raised by/, '-4', 'panels.field.rise', -4],
  ['hearth-panel', field, 'piece', 'type', 'Slope of its sides', '12', 'panels.field.draftDeg', 12],
  ['hearth-panel', frame, 'piece', 'type', 'Height', '9', 'panels.frame.height', 9],
  ['hearth-panel', frame, 'piece', 'check', 'Cut into the face', '', 'panels.frame.sunk', true],
  ['hearth-panel', word, 'piece', 'type', 'Height of a capital', '44', 'lettering.word.height', 44],
  ['hearth-panel', word, 'piece', 'type', /^Raised by/, '-2', 'lettering.word.depth', -2],
  ['hearth-panel', word, 'piece', 'type', 'Spacing', '10', 'lettering.word.spacing', 10],
  ['hearth-panel', word, 'piece', 'type', 'Turned', '90', 'lettering.word.turnDeg', 90],
  ['hearth-panel', word, 'piece', 'type', 'Off the middle, up', '-30', 'lettering.word.v', -30],
  ['plate-trough', basin, 'piece', 'type', /^Depth/, '140', 'basin.depth', 140],
  ['plate-trough', basin, 'piece', 'type', 'Draft of the core', '5', 'basin.draftDeg', 5],
  ['plate-trough', basin, 'piece', 'type', 'Thickness round and under', '45', 'basin.shell', 45],
  ['plate-trough', basin, 'piece', 'type', /^Waste, diameter/, '0', 'basin.waste', 0],
  ['rope-weight', eye, 'piece', 'type', 'Diameter', '14', 'inserts.eye.diameter', 14],
  ['rope-weight', eye, 'piece', 'type', 'Stands out of the face', '30', 'inserts.eye.past', 30],
  // Other kinds
  ['stargazing-seat', null, 'piece', 'type', /^Width/, '520', 'width', 520],
  ['stargazing-seat', part, 'piece', 'type', 'Along, at mid height', '340', 'separators.part.at', 340],
  ['stargazing-seat', part, 'piece', 'type', 'Thickness of the separator', '6', 'separators.part.gap', 6],
  ['stargazing-seat', part, 'piece', 'type', 'Leans', '-8', 'separators.part.leanDeg', -8],
  ['terrace-planter', null, 'piece', 'type', 'Floor', '48', 'floor', 48],
  ['terrace-planter', null, 'piece', 'type', /^Taper/, '12', 'taper', 12],
  ['terrace-planter', null, 'piece', 'type', 'or as an angle', '2', 'taper', 11.1746],
  ['terrace-planter', hole, 'piece', 'type', 'Above the foot', '90', 'sideHoles.overflow.v', 90],
  ['terrace-planter', hole, 'piece', 'radio', /^left/, '', 'sideHoles.overflow.side', 'left'],
  ['hatch-cover', null, 'piece', 'type', /^Clearance/, '4', 'clearance', 4],
  ['hatch-cover', null, 'piece', 'type', 'Taper', '3', 'taperDeg', 3],
  ['flue-cap', null, 'piece', 'type', 'Wall', '38', 'wall', 38],
  // Every other station
  ['wash-top', null, 'steel', 'radio', /^none/, '', 'steel.kind', 'none'],
  ['wash-top', null, 'steel', 'radio', /^on chairs/, '', 'steel.placed', 'chairs'],
  ['wash-top', null, 'steel', 'type', /^Cover/, '25', 'steel.cover', 25],
  ['wash-top', null, 'mix', 'type', 'Waste', '14', 'mix.wastePercent', 14],
  ['wash-top', null, 'mix', 'choose', 'Mixed in', '12 L bucket and drill', 'mix.mixer', 'bucket-12'],
  ['wash-top', null, 'finish', 'choose', 'Sealer', 'penetrating oil', 'finish.sealer', 'penetrating-oil'],
  ['wash-top', null, 'finish', 'radio', 'as cast', '', 'finish.sanding', 'as-cast'],
  ['wash-top', null, 'mould', 'type', /^Run-past/, '25', 'mould.runPast', 25],
  ['wash-top', null, 'mould', 'radio', /^stand/, '', 'mould.school', 'stand'],
  ['pier-drum', null, 'mould', 'choose', 'Tube', 'card tube, 250 mm inside', 'mould.tube', 'tube-250'],
]

describe('what a hand does on a bench goes to the document, there and nowhere else', () => {
  it.each(ROWS.map((row): [string, Row] => [`${row[0]}, ${row[2]}: ${row[4]} ${row[5]}`, row]))(
    '%s',
    async (_, [piece, selection, station, how, label, value, path, expected]) => {
      const before = demo.pieces.find((p) => p.id === piece)!
      expect([path, at(before, path)]).not.toEqual([path, expected])
      hand(await open(piece, selection, station), how, label, value)
      expect([path, at(now(piece), path)]).toEqual([path, expected])
      const { past, job } = store.getState().job
      expect(past.length).toBe(1)
      // One place of one piece has changed, and the step says what.
      expect(past[0]!.label.length).toBeGreaterThan(2)
      expect(job!.pieces.filter((p) => p.id !== piece)).toEqual(demo.pieces.filter((p) => p.id !== piece))
      expect(
        past[0]!.redo.every(
          (patch) => patch.path.slice(0, 2).join() === `pieces,${demo.pieces.indexOf(before)}`,
        ),
      ).toBe(true)
    },
  )
  it('goes back to the piece, or takes the part away', async () => {
    for (const [piece, selection, list] of [
      ['wash-top', grooves, 'drainers'],
      ['hearth-panel', word, 'lettering'],
      ['rope-weight', eye, 'inserts'],
      ['stargazing-seat', part, 'separators'],
      ['terrace-planter', hole, 'sideHoles'],
    ] as const) {
      const shown = await open(piece, selection, 'piece')
      fireEvent.click(within(shown).getByRole('button', { name: /^[Rr]emove/, hidden: true }))
      const left = at(now(piece), list) as readonly { id: string }[]
      expect([list, left.some((item) => item.id === selection!.id)]).toEqual([list, false])
      expect(store.getState().view.selection).toBeNull()
      cleanup()
    }
    const shown = await open('wash-top', grooves, 'piece')
    fireEvent.click(within(shown).getByRole('button', { name: /back to the piece/, hidden: true }))
    expect(store.getState().view.selection).toBeNull()
    expect(screen.queryByText('could not be shown')).toBeNull()
  })
})
