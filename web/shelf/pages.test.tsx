import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { expect, it } from 'vitest'
import demoText from '../../demo/kestrel-rise.hollow.json?raw'
import { store } from '../state/store.ts'
import {
  bench,
  choose,
  demo,
  findings,
  give,
  go,
  openAt,
  press,
  says,
  saysNo,
  settled,
  station,
  type,
  undo,
  unfold,
} from '../testing/livePage.tsx'

const link = async (name: string | RegExp) => fireEvent.click(await screen.findByRole('link', { name }))
/** The stock is a long page: its parts are found by their label, which is quick. */
const region = (label: string) => document.querySelector<HTMLElement>(`section[aria-label="${label}"]`)!
const openStock = async () => {
  await link('stock')
  await screen.findByText('Stock of this job')
  return document.querySelector<HTMLElement>('main')!
}
const back = async () => {
  fireEvent.click(screen.getByText(/^back to /))
  await settled()
}

it('the job’s own stock overrides: a true thickness, a price, a missing board', async () => {
  await openAt('wash-top')
  await openStock()
  const board = region('18 mm melamine')
  await type('True thickness', '17.6', board)
  await type('Price of a sheet', '', board)
  await says(() => region('Differences from the shelf'), '18 mm melamine, thickness: 17.6, on the shelf 18')
  fireEvent.click(screen.getByText('Keep this stock for new jobs'))
  await says(() => document.body, /Kept/)
  await back()
  await go('Mould')
  await says(bench, '1295 × 62.5')
  await says(bench, 'No price for these boards')
  await openStock()
  await press('remove 18 mm melamine', region('18 mm melamine'))
  await back()
  await says(findings, 'The board that was chosen for the sides is not in the stock')
  await undo()
  await saysNo(findings, 'not in the stock')
})

it('stock from a list: good rows are taken and used, bad ones named by line', async () => {
  await openAt('stair-tread')
  const main = await openStock()
  await give(
    'Stock list',
    'yard.csv',
    'list,name,thickness,inside,length,width,price\nboards,board from the yard,17.6,,2750,1830,52\nboards,too thin,-1,,,,\ntubes,tube from the yard,,302,2000,,17\n',
    main,
  )
  await says(() => main, '2 rows taken.')
  await says(() => main, 'line 3: thickness')
  fireEvent.click(screen.getByText(/^Card tubes/))
  await waitFor(() => expect(region('tube from the yard')).not.toBeNull())
  await type(/^Price of a tube/, '19', region('tube from the yard'))
  await back()
  unfold(await screen.findByRole('button', { name: /^all \d+ pieces/ }))
  fireEvent.click(await screen.findByRole('menuitem', { name: 'Stair tread' }))
  await settled()
  await go('Mould')
  await choose('Sides', 'board from the yard')
  await says(bench, 'board from the yard')
  await press(/^Sawn: keep/)
  await says(() => document.body, /Boards: \d sheets? and \d off-cuts?/)
})

it('bad job files are refused with what and where; the open job is untouched', async () => {
  await openAt('wash-top')
  const before = screen.getByRole('navigation', { name: 'The line' }).textContent
  await link(/all jobs/)
  await screen.findByRole('heading', { name: 'Jobs' })
  const main = screen.getByRole('main')
  for (const [name, text, why] of [
    ['text.json', 'hello', 'it is not JSON'],
    ['newer.json', demoText.replace(/"version": \d+/, '"version": 99'), 'version 99'],
    ['lacks.json', demoText.replace('"thickness": 45,', ''), 'pieces[0].thickness'],
    ['nan.json', demoText.replace('"thickness": 45', '"thickness": NaN'), 'it is not JSON'],
    ['huge.json', demoText.replace('"thickness": 45', '"thickness": 1e300'), 'pieces[0].thickness'],
    ['method.json', demoText.replace('"method": "board-box"', '"method": "spun"'), 'mould'],
    ['cut.json', demoText.slice(0, demoText.length / 2), 'it is not JSON'],
  ] as const) {
    await give('Import a job file', name, text, main)
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain(`${name} was not imported`))
    expect([name, screen.getByRole('alert').textContent]).toEqual([name, expect.stringContaining(why)])
  }
  await press('Kestrel Rise', main)
  await settled()
  await waitFor(() => expect(screen.getByRole('navigation', { name: 'The line' }).textContent).toBe(before))
})

it('a job of many pieces: neighbours in the row, the rest by name; a piece removed comes back by undo', async () => {
  const [top] = demo.pieces
  const pieces = Array.from({ length: 22 }, (_, i) => ({ ...top!, id: `piece-${i}`, name: `Slab ${i + 1}` }))
  await openAt('piece-0', 'piece', { ...demo, id: 'many', name: 'Many', pieces } as typeof demo)
  const menu = async () => {
    unfold(screen.getByRole('button', { name: 'all 22 pieces' }))
    return screen.findByRole('menuitem', { name: 'Slab 20' })
  }
  fireEvent.click(await menu())
  await waitFor(() =>
    expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Name of the piece' }).value).toBe(
      'Slab 20',
    ),
  )
  expect(
    within(screen.getByRole('navigation', { name: 'Pieces' })).getByRole('link', { name: 'Slab 20' }),
  ).toBeTruthy()
  await settled()
  await press('Remove this piece')
  await undo()
  await screen.findByRole('button', { name: 'all 22 pieces' })
  expect(await menu()).toBeTruthy()
})

it('a mesh is read with its health: one that claims too much, one without its lid, and a whole one', async () => {
  await openAt('stair-tread')
  await link('+ new piece')
  await screen.findByRole('heading', { name: 'New piece' })
  const main = screen.getByRole('main')
  const lie = new Uint8Array(134)
  new DataView(lie.buffer).setUint32(80, 4_000_000_000, true)
  await give('Mesh file', 'lie.stl', lie, main)
  await says(() => within(main).getByRole('alert'), /triangles|cut short/)
  const health = () => within(main).getByRole('region', { name: 'Health of the mesh' })
  await give('Mesh file', 'open.stl', cube(200, 5), main)
  for (const words of ['Open edges', '1 hole closed, none left', '8']) await says(health, words)
  await give('Mesh file', 'cube.stl', cube(200, 6), main)
  await says(health, 'It closes')
  // Each unit with the size and weight it would have.
  const unit = (name: RegExp) => within(health()).getByRole('radio', { name })
  expect(unit(/^millimetres.*200 × 200 × 200.*18 kg/).getAttribute('aria-checked')).toBe('true')
  expect(unit(/^inches.*5080 × 5080 × 5080/).getAttribute('aria-checked')).toBe('false')
  fireEvent.click(unit(/^centimetres/))
  await says(health, '8000')
  fireEvent.click(unit(/^millimetres/))
  await press('Use this mesh', health())
  await waitFor(() =>
    expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Name of the piece' }).value).toBe('cube'),
  )
})

/** A cube of text facets; `faces` of its six are there. */
function cube(size: number, faces: number): string {
  const c = [0, 1, 2, 3, 4, 5, 6, 7].map((i) => [i & 1, (i >> 1) & 1, (i >> 2) & 1].map((k) => k * size))
  const quads = [
    [0, 2, 3, 1],
    [4, 5, 7, 6],
    [0, 1, 5, 4],
    [1, 3, 7, 5],
    [3, 2, 6, 7],
    [2, 0, 4, 6],
  ].slice(0, faces)
  const facet = (abc: number[]) =>
    `facet normal 0 0 0\nouter loop\n${abc.map((i) => `vertex ${c[i]!.join(' ')}`).join('\n')}\nendloop\nendfacet`
  return `solid cube\n${quads.flatMap(([a, b, d, e]) => [facet([a!, b!, d!]), facet([a!, d!, e!])]).join('\n')}\nendsolid\n`
}

it('a run of pieces: an L along two walls, seams proposed and moved, each piece linked', async () => {
  await openAt('stair-tread')
  await link('+ new piece')
  await screen.findByRole('heading', { name: 'New piece' })
  await press('A run of pieces', screen.getByRole('main'))
  await press('Propose, clear of openings')
  const first = await within(bench()).findByRole<HTMLInputElement>('textbox', { name: /^Seam 1/ })
  const at = Number(first.value.replace(/\D/g, ''))
  await type(/^Seam 1/, String(at - 30))
  await waitFor(() =>
    expect(within(bench()).getByRole<HTMLInputElement>('textbox', { name: /^Seam 1/ }).value).toBe(
      String(at - 30),
    ),
  )
  await press(/^Make/)
  await waitFor(() =>
    expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Name of the piece' }).value).toMatch(/1$/),
  )
})

it('a job is renamed, duplicated, and deleted after a question, and comes back by undo', async () => {
  await openAt('wash-top')
  fireEvent.change(screen.getByRole('textbox', { name: 'Name of the piece' }), { target: { value: 'Top' } })
  fireEvent.blur(screen.getByRole('textbox', { name: 'Name of the piece' }))
  await link(/all jobs/)
  const main = await screen.findByRole('main')
  await within(main).findByRole('button', { name: 'Rename Kestrel Rise' })
  await press('Rename Kestrel Rise', main)
  const field = within(main).getByRole('textbox', { name: 'New name of Kestrel Rise' })
  fireEvent.change(field, { target: { value: 'Heron Rise' } })
  fireEvent.keyDown(field, { key: 'Enter' })
  fireEvent.blur(field)
  await within(main).findByRole('button', { name: 'Heron Rise' })
  await press('Duplicate Heron Rise', main)
  await within(main).findByRole('button', { name: 'Heron Rise (copy)' })
  await press('Delete Heron Rise (copy)', main)
  fireEvent.click(await screen.findByRole('button', { name: 'Delete the job' }))
  await says(() => main, /Heron Rise \(copy\) is deleted/)
  expect(within(main).queryByRole('button', { name: 'Heron Rise (copy)' })).toBeNull()
  await press('undo', main)
  await within(main).findByRole('button', { name: 'Heron Rise (copy)' })
  // The open job goes by its new name.
  await press('Heron Rise', main)
  await settled()
  expect(screen.getByRole('link', { name: 'Job Heron Rise, all jobs' })).toBeTruthy()
})

it('a row of stock that is removed is told with undo beside it, and comes back by it or by its keys', async () => {
  await openAt('wash-top', 'mix')
  const main = await openStock()
  const held = () => store.getState().job.job!.stock.boards.map((b) => b.id)
  const before = held()
  await press('remove 16 mm melamine', main)
  expect(held()).toEqual(before.filter((id) => id !== 'melamine-16'))
  await says(() => main, 'remove 16 mm melamine')
  await press('undo', main)
  expect(held()).toEqual(before)
  await press('remove 16 mm melamine', main)
  fireEvent.keyDown(document.body, { key: 'z', ctrlKey: true })
  expect(held()).toEqual(before)
  fireEvent.keyDown(document.body, { key: 'z', ctrlKey: true, shiftKey: true })
  expect(held()).not.toContain('melamine-16')
})

it('money is written with the job’s own sign, before or after, wherever it stands', async () => {
  await openAt('wash-top', 'mix')
  const cost = () => within(bench()).getByText('Cost').closest('.row')!.textContent!
  const bare = cost().replace('Cost', '')
  expect(bare).toMatch(/^\d+\.\d\d$/)
  await link('stock')
  const sign = await screen.findByRole('textbox', { name: 'Sign of your money' })
  fireEvent.change(sign, { target: { value: '  ¤ ' } })
  fireEvent.keyDown(sign, { key: 'Enter' })
  await press(/^24\.50.¤$/, screen.getByRole('main'), 'radio')
  await link(/^back to/)
  await waitFor(() => expect(cost()).toBe(`Cost${bare}\u00a0¤`))
  await says(() => station('mix'), `${bare}\u00a0¤`)
  await link('stock')
  fireEvent.change(await screen.findByRole('textbox', { name: 'Sign of your money' }), {
    target: { value: '' },
  })
  fireEvent.blur(screen.getByRole('textbox', { name: 'Sign of your money' }))
  await link(/^back to/)
  await waitFor(() => expect(cost()).toBe(`Cost${bare}`))
})

it('a new piece: the start is drawn in the sizes typed, units are chosen there, a copy of it stands beside it', async () => {
  await openAt('stair-tread')
  await link('+ new piece')
  await screen.findByRole('heading', { name: 'New piece' })
  const main = screen.getByRole('main')
  const drawn = () =>
    within(main).getByRole('radio', { name: 'Top' }).querySelector('path')!.getAttribute('d')
  const before = drawn()
  await type(/^Length/, '1500', main)
  await waitFor(() => expect(drawn()).not.toBe(before))
  await press(/^US/, main, 'radio')
  expect(within(main).getByRole<HTMLInputElement>('textbox', { name: /^Length/ }).value).toMatch(/"$/)
  await press('Make this piece', main)
  await settled()
  await press('Duplicate this piece')
  const name = () => screen.getByRole<HTMLInputElement>('textbox', { name: 'Name of the piece' }).value
  await waitFor(() => expect(name()).toBe('Top 2'))
  await settled()
})
