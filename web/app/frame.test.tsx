import { act, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { store } from '../state/store.ts'
import { shortcutsSwitched } from '../state/viewSlice.ts'
import {
  bench,
  demo,
  findings,
  go,
  openAt,
  press,
  says,
  settled,
  station,
  type,
  undo,
} from '../testing/livePage.tsx'

const key = (name: string, over: Partial<KeyboardEventInit> = {}, target: Element = document.body) =>
  fireEvent.keyDown(target, { key: name, ...over })
const heading = () => within(bench()).getByRole('heading', { level: 1 }).textContent
const job = () => store.getState().job.job!
const thickness = () => (job().pieces[0] as { thickness: number }).thickness

describe('keys of the whole page', () => {
  it('go to a station, but not while something is typed, nor when they are switched off', async () => {
    await openAt('wash-top')
    key('2')
    await waitFor(() => expect(heading()).toBe('Mould'))
    key('9')
    await waitFor(() => expect(heading()).toBe('Sheets'))
    key('1')
    await waitFor(() => expect(heading()).toBe('Piece'))
    const field = within(bench()).getByRole('textbox', { name: 'Thickness' })
    key('5', {}, field)
    key('5', { ctrlKey: true })
    expect(heading()).toBe('Piece')
    key('?')
    const sheet = await screen.findByRole('dialog')
    expect(sheet.textContent).toContain('turn the piece over')
    fireEvent.click(within(sheet).getByRole('checkbox'))
    fireEvent.keyDown(sheet, { key: 'Escape' })
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull())
    key('3')
    key('t')
    expect([heading(), store.getState().view.attitude]).toEqual(['Piece', 'poured'])
    act(() => void store.dispatch(shortcutsSwitched()))
    key('t')
    await waitFor(() => expect(store.getState().view.attitude).toBe('placed'))
    expect(document.body.textContent).toContain('show face up, as it will stand')
    key('T')
  })

  it.each<[string, () => HTMLElement]>([
    ['the field that was typed in', () => within(bench()).getByRole('textbox', { name: 'Thickness' })],
    ['a list', () => within(bench()).getAllByRole('combobox')[0]!],
    ['the page', () => document.body],
  ])('undo from %s', async (_, from) => {
    await openAt('wash-top')
    await type('Thickness', '60')
    expect(thickness()).toBe(60)
    key('z', { ctrlKey: true }, from())
    expect(thickness()).toBe(45)
    key('Z', { ctrlKey: true, shiftKey: true }, from())
    expect(thickness()).toBe(60)
  })
  it('leave undo to a field while something is typed in it', async () => {
    await openAt('wash-top')
    await type('Thickness', '60')
    const field = within(bench()).getByRole('textbox', { name: 'Thickness' })
    fireEvent.change(field, { target: { value: '6' } })
    key('z', { ctrlKey: true }, field)
    expect(thickness()).toBe(60)
    key('Escape', {}, field)
    key('z', { ctrlKey: true }, field)
    expect(thickness()).toBe(45)
  })
  it('undo and do again, a step at a time, and say what it was', async () => {
    await openAt('wash-top')
    await type('Thickness', '50')
    await type('Thickness', '60')
    key('z', { ctrlKey: true })
    expect(thickness()).toBe(50)
    await says(() => document.body, /undone: Wash top, thickness 60; 50 again/)
    key('Z', { ctrlKey: true, shiftKey: true })
    expect(thickness()).toBe(60)
    key('z', { metaKey: true })
    key('z', { metaKey: true })
    expect(thickness()).toBe(45)
    // Nothing is left to undo.
    key('z', { ctrlKey: true })
    expect(thickness()).toBe(45)
    const button = (name: string) => screen.getByRole<HTMLButtonElement>('button', { name })
    await waitFor(() => expect([button('undo').disabled, button('redo').disabled]).toEqual([true, false]))
  })

  it('steps by arrows in one field are one step; undone from elsewhere it goes back to its piece', async () => {
    await openAt('wash-top')
    const field = within(bench()).getByRole('textbox', { name: 'Thickness' })
    fireEvent.focus(field)
    for (let i = 0; i < 4; i += 1) key('ArrowUp', {}, field)
    expect(thickness()).toBe(49)
    const name = () => screen.getByRole<HTMLInputElement>('textbox', { name: 'Name of the piece' }).value
    fireEvent.click(screen.getByRole('link', { name: /^Stair tread/ }))
    await waitFor(() => expect(name()).toBe('Stair tread'))
    key('z', { ctrlKey: true })
    expect(thickness()).toBe(45)
    await waitFor(() => expect(name()).toBe('Wash top'))
    await says(() => document.body, /undone: Wash top, thickness 49; 45 again/)
  })
  it('new findings are told to a reader, and no longer than they are so', async () => {
    await openAt('stair-tread')
    const told = () => document.querySelector('[role="log"]')!.textContent
    // Once all of it is worked out and proven.
    await waitFor(() =>
      expect(within(findings()).getByRole<HTMLButtonElement>('button', { name: /^Plan/ }).disabled).toBe(
        false,
      ),
    )
    await type('Radius front left', '700')
    await waitFor(() => expect(told()).toMatch(/^stops the pour: Corner front left has a radius of 700 mm/))
    key('z', { ctrlKey: true })
    // The note that a stop had kept away is the news then.
    await waitFor(() => expect(told()).not.toMatch(/Corner front left/))
  })

  it('find a station, a piece and a part by a word of it', async () => {
    await openAt('wash-top')
    for (const [words, arrives] of [
      ['station pour', () => expect(heading()).toBe('Pour')],
      [
        'terrace',
        () =>
          expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Name of the piece' }).value).toBe(
            'Terrace planter',
          ),
      ],
    ] as const) {
      key('/')
      const box = await screen.findByRole('combobox', { name: 'Find' })
      fireEvent.change(box, { target: { value: words } })
      fireEvent.keyDown(box, { key: 'Enter' })
      await waitFor(arrives)
    }
    key('/')
    const box = await screen.findByRole('combobox', { name: 'Find' })
    fireEvent.change(box, { target: { value: 'nothing of the kind' } })
    fireEvent.keyDown(box, { key: 'Enter' })
    expect(screen.getByRole('combobox', { name: 'Find' })).toBeTruthy()
    fireEvent.keyDown(screen.getByRole('dialog'), { key: 'Escape' })
  })
})

describe('the row of the job', () => {
  it('changes units of every figure, in one step that can be undone', async () => {
    await openAt('stair-tread')
    const before = bench().textContent
    await press(/^Units/, document.body)
    await settled()
    expect(job().settings.units).toBe('inch')
    await waitFor(() => expect(bench().textContent).not.toBe(before))
    expect(within(bench()).getByRole<HTMLInputElement>('textbox', { name: 'Thickness' }).value).toMatch(/"$/)
    await press('undo', document.body)
    await waitFor(() => expect(bench().textContent).toBe(before))
  })

  it('turns day to night, on the page itself', async () => {
    await openAt('wash-top')
    await waitFor(() => expect(document.documentElement.dataset.theme).toBe('day'))
    await press('night', document.body)
    expect(document.documentElement.dataset.theme).toBe('night')
    await press('day', document.body)
    expect(document.documentElement.dataset.theme).toBe('day')
  })

  it('leads to the neighbours at the station one is at', async () => {
    await openAt('wash-top', 'mix')
    const row = screen.getByRole('navigation', { name: 'Pieces' })
    const links = within(row).getAllByRole<HTMLAnchorElement>('link')
    expect(links[0]!.getAttribute('aria-current')).toBe('true')
    expect(links.slice(0, 6).map((l) => l.getAttribute('href'))).toEqual(
      demo.pieces.slice(0, 6).map((p) => `/job/${demo.id}/${p.id}/mix`),
    )
    fireEvent.click(links[1]!)
    await waitFor(() => expect(heading()).toBe('Mix'))
    await settled()
    expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Name of the piece' }).value).toBe(
      demo.pieces[1]!.name,
    )
  })
})

/** What is told of the last step stands in its own place in the head of the findings, and moves nothing. */
const lines = () => findings().querySelector('ul')!

describe('the stage and what was found', () => {
  it('shows nothing new while a pointer is pressed, and all of it once that is released', async () => {
    await openAt('wash-top')
    const before = [station('piece').textContent, lines().textContent]
    fireEvent.pointerDown(document.body)
    await type('Thickness', '60')
    // Figures would be there long before.
    await new Promise((go) => setTimeout(go, 1500))
    expect([station('piece').textContent, lines().textContent]).toEqual(before)
    expect(thickness()).toBe(60)
    fireEvent.pointerUp(document.body)
    await settled()
    expect(station('piece').textContent).not.toBe(before[0])
  })
  it('shows the piece as poured and as placed, with its parts together or apart', async () => {
    await openAt('wash-top', 'mould')
    const button = (name: string) => screen.getByRole<HTMLButtonElement>('button', { name })
    const turn = (name: string) => screen.getByRole('radio', { name })
    expect(turn('as poured').getAttribute('aria-checked')).toBe('true')
    expect(document.body.textContent).toContain('the plan is a mirror image')
    fireEvent.click(button('parts apart'))
    expect(store.getState().view.apart).toBe(true)
    fireEvent.click(turn('as placed'))
    await waitFor(() => expect(button('parts together').disabled).toBe(true))
    fireEvent.click(turn('as poured'))
    fireEvent.click(button('parts together'))
    expect(store.getState().view.apart).toBe(false)
  })

  it('takes a name where it stands, and keeps the old one for an empty one', async () => {
    await openAt('wash-top')
    const name = () => screen.getByRole<HTMLInputElement>('textbox', { name: 'Name of the piece' })
    for (const [typed, kept] of [
      ['  Wash stand  ', 'Wash stand'],
      ['   ', 'Wash stand'],
      ['x'.repeat(200), 'x'.repeat(120)],
    ] as const) {
      fireEvent.change(name(), { target: { value: typed } })
      fireEvent.blur(name())
      await waitFor(() => expect(job().pieces[0]!.name).toBe(kept))
    }
  })

  it('tells three findings, then all, each with its reason and the way to its station', async () => {
    await openAt('wash-top')
    const lines = () => within(findings()).getAllByRole('listitem')
    expect(lines().length).toBe(3)
    fireEvent.click(within(findings()).getByRole('button', { name: /more$/ }))
    const all = lines().length
    expect(all).toBeGreaterThan(3)
    const [first] = lines()
    const told = within(first!).getAllByRole('button')[0]!
    expect(told.getAttribute('aria-expanded')).toBe('false')
    fireEvent.click(told)
    expect(told.getAttribute('aria-expanded')).toBe('true')
    fireEvent.pointerEnter(first!)
    fireEvent.click(within(first!).getByRole('link'))
    await waitFor(() => expect(heading()).not.toBe('Piece'))
    fireEvent.click(within(findings()).getByRole('button', { name: 'fewer' }))
    expect(lines().length).toBe(3)
  })

  it('marks each station by the worst that was found there, in words too', async () => {
    await openAt('stair-tread')
    await says(() => station('steel'), 'settled')
    await type('Thickness', '20')
    await says(() => station('steel'), 'stops the pour')
    await go('Steel')
    await says(findings, /wants \d+ mm/)
    await undo()
    await says(() => station('steel'), 'settled')
  })
})
