import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { expect, it } from 'vitest'
import { store } from '../../state/store.ts'
import {
  bench,
  choose,
  cure,
  findings,
  give,
  go,
  openAt,
  press,
  says,
  saysNo,
  settled,
  start,
  station,
  type,
  undo,
} from '../../testing/livePage.tsx'

const litres = (text: string) => says(() => station('piece'), `Piece${text}`)
const field = (name: string | RegExp) => within(bench()).getByRole<HTMLInputElement>('textbox', { name })

/** One of each kind as a maker would type it; the volume by its closed form. */
const KINDS: readonly (readonly [
  what: string,
  typed: readonly (readonly [field: string | RegExp, text: string])[],
  litres: string,
  source: string,
])[] = [
  ['Top', [['Thickness', '60']], '27', '0.9 × 0.5 × 0.06'],
  [
    'Cone',
    [
      ['Diameter at the foot', '540'],
      ['Diameter at the top', '430'],
      [/^Height/, '150'],
    ],
    '27.8',
    'pi/3 x 150 x (270^2 + 270 x 215 + 215^2)',
  ],
  [
    'Sphere',
    [
      [/^Diameter/, '400'],
      [/^Flat foot/, '0'],
    ],
    '33.5',
    'pi d^3 / 6',
  ],
  [
    'Bowl',
    [
      [/^Height/, '200'],
      [/^Flat foot/, '0'],
      [/^Fullness/, '2'],
    ],
    '9.68',
    '(2/3) pi (200^3 - 150^3), less 0.05 percent of chords',
  ],
  ['Seat', [[/^Width/, '250']], '83.8', 'the starting seat, 167.631 L at 500 wide, made 250 wide'],
  [
    'Planter',
    [
      [/^Length/, '500'],
      [/^Width/, '200'],
      [/^Height/, '200'],
      [/^Taper/, '0'],
      ['Corner radius', '0'],
      ['Inside radius', '0'],
      [/^Wall/, '30'],
      [/^Floor/, '35'],
      [/^Draft/, '0'],
    ],
    '9.8',
    '500 x 200 x 200 outside less (440 x 140) x 165 inside',
  ],
  [
    'Plug',
    [
      [/^Diameter/, '200'],
      [/^Clearance/, '3'],
      [/^Length/, '120'],
      [/^Taper/, '0'],
    ],
    '3.5',
    'pi x 97^2 x 120 with 3 mm of clearance round a 200 mm opening',
  ],
  ['Basin in one', [], '22.8', 'its slab, less its opening, with the walls and floor of the basin'],
  ['Name plate', [], '2.67', 'its plate less the letters'],
  ['Panel with frame', [], '16.6', 'its panel with the frame raised'],
]

it.each(KINDS)(
  '%s by hand: its volume on the line, and the mould it begins with',
  async (what, typed, volume) => {
    await openAt('stair-tread')
    await start(what, `${what} by hand`)
    for (const [name, text] of typed) await type(name, text)
    await litres(volume)
    await go('Mould')
    await settled()
    expect(screen.queryByText(/could not be shown|Not worked out/)).toBeNull()
    expect(station('mould').textContent).not.toContain('stops the pour')
  },
)

it('inches: typed, shown, and cut in fractions; face up, off centre, mixed boards', async () => {
  await openAt('stair-tread')
  fireEvent.click(screen.getByRole('button', { name: /^Units/ }))
  await start('Top', 'Inch top', ['36', '20 1/4', '1 3/4'])
  expect(field('Thickness').value).toBe('1 3/4"')
  fireEvent.click(await within(bench()).findByRole('button', { name: '+ basin' }), { detail: 0 })
  await type(/^Left to right/, '-2 1/2')
  await press('back to the piece')
  await choose('Face down', /^underside/)
  await says(() => screen.getByRole('main'), 'nothing is mirrored')
  await choose('Front', 'bead r')
  await says(findings, 'tooled by hand')
  await go('Mould')
  await choose('Sides', '12 mm melamine')
  await says(bench, '36" × 20 1/4"')
  await says(bench, '36 15/16"')
})

it('a wrong entry says what is wrong, where, and changes nothing', async () => {
  await openAt('wash-top')
  for (const [typed, why] of [
    ['12 kg', '“kg” is not a unit of length'],
    ['abc', '“abc” was not understood'],
    ['0', 'At least 1'],
    ['10 - 20', 'cannot be less than zero'],
    ['1,5', 'Write decimals with a point'],
  ] as const) {
    await type(/^Length/, typed)
    expect([typed, within(bench()).getByRole('alert').textContent]).toEqual([
      typed,
      expect.stringContaining(why),
    ])
    expect(station('piece').textContent).toContain('20.5')
  }
  fireEvent.keyDown(field(/^Length/), { key: 'Escape' })
  expect(field(/^Length/).value).toBe('1180')
  await type(/^Length/, '1200 - 2*18')
  await waitFor(() => expect(field(/^Length/).value).toBe('1164'))
})

it('a conflict is a finding with its remedy, and the rest of the line stands', async () => {
  await openAt('stair-tread')
  await start('Top', 'Plain top', ['1180', '520', '45'])
  await type('Radius front left', '700')
  await says(findings, 'Corner front left has a radius of 700 mm')
  await says(() => station('piece'), 'stops the pour')
  expect(station('mix').textContent).toContain('bag')
  await cure(/Make radii at most/)
  await saysNo(findings, 'has a radius of')
})

it('an opening drawn round a fixture, its rim, and a row front to back', async () => {
  await openAt('wash-top')
  const opening = (id: string) => document.querySelector(`[data-testid="plan"] [data-opening="${id}"]`)!
  fireEvent.keyDown(opening('basin'), { key: 'Enter' })
  await type(/^Clearance/, '8')
  await waitFor(() => expect(opening('basin').getAttribute('aria-label')).toMatch(/^basin, 426 × 306 r 48/))
  await press('give the opening’s own size')
  await waitFor(() => expect(field('Length').value).toBe('426'))
  await settled()
  const volume = station('piece').textContent
  await choose('Top rim', 'chamfer')
  await type('Top rim chamfer size', '20')
  await waitFor(() => expect(station('piece').textContent).not.toBe(volume))
  await press('back to the piece')
  fireEvent.keyDown(opening('waste'), { key: 'Enter' })
  await press('row', bench(), 'radio')
  await type('How many', '2')
  await press('front to back', bench(), 'radio')
  await waitFor(() => expect(opening('waste').querySelectorAll('path').length).toBe(2))
})

it('a weight is held by a chosen dimension, or the nearest is told', async () => {
  await openAt('stair-tread')
  await start('Drum', 'Weighed drum')
  const before = station('piece').textContent
  await choose('Hold the', 'weight')
  fireEvent.change(field('At'), { target: { value: '50' } })
  await choose('By its', 'height')
  await press('Find it')
  await press('Use')
  await says(() => station('piece'), '50 kg')
  await undo()
  await waitFor(() => expect(station('piece').textContent).toBe(before))
  await type('At least', '400')
  await type('At most', '450')
  await press('Find it')
  await says(bench, 'No size gives 50 kg. Nearest: 400')
  // A set becomes pieces that share all else, the bore with it.
  await type(/^Bore/, '60')
  await type('At least', '50')
  await type('At most', '900')
  fireEvent.change(field('At'), { target: { value: '20, 40' } })
  await press('Find it')
  await press('Make these 2 pieces')
  const made = store.getState().job.job!.pieces.slice(-2)
  expect(made.map((p) => [p.name, p.kind === 'turned' && p.bore])).toEqual([
    ['Weighed drum, 20 kg', 60],
    ['Weighed drum, 40 kg', 60],
  ])
  const heights = made.map((p) => (p.kind === 'turned' && 'height' in p.turned ? p.turned.height : 0))
  expect(heights[1]! / heights[0]!).toBeCloseTo(2, 2)
  await press('Find it')
  // What was found for another piece is told as such, and cannot be used.
  await type(/^Diameter/, '320')
  await says(bench, 'For the piece as it was')
  expect(within(bench()).queryByRole('button', { name: 'Use' })).toBeNull()
})

const line = (x1: number, y1: number, x2: number, y2: number) =>
  `0\nLINE\n8\nedge\n10\n${x1}\n20\n${y1}\n11\n${x2}\n21\n${y2}\n`
const drawing = (body: string, header = '') =>
  `0\nSECTION\n2\nENTITIES\n${body}0\nENDSEC\n0\nEOF\n`.replace(/^/, header)
const IN_CM = '0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n5\n0\nENDSEC\n'
const PLATE = `${line(0, 0, 80, 0)}${line(80, 0, 80, 40)}${line(80, 40, 0, 40)}${line(0, 40, 0, 0)}0\nCIRCLE\n8\nhole\n10\n40\n20\n20\n40\n10\n`

it('a DXF in centimetres with an opening becomes the plan; an open one is refused; a script never runs', async () => {
  await openAt('stair-tread')
  await start('Top', 'Drawn elsewhere')
  await give('Import a plan', 'top.dxf', drawing(PLATE, IN_CM))
  await press('Use this outline')
  // (0.8 x 0.4 - pi 0.1^2) x 45
  await litres('13')
  expect(document.querySelectorAll('[data-testid="plan"] [data-opening]').length).toBe(1)
  // A field takes an outline with its islands: sunk 8 mm, sloped 15 degrees, it takes a litre or two off the 13.
  await press('+ field')
  await give(
    'Import its outline',
    'field.svg',
    '<svg xmlns="http://www.w3.org/2000/svg" width="300mm" height="100mm" viewBox="0 0 300 100"><rect width="300" height="100"/><rect x="100" y="40" width="50" height="20"/></svg>',
  )
  await press('Use this outline')
  await says(bench, 'One island is left out of it.')
  // 12.99 less what of (300 x 100 less 50 x 20) x 8 does not lie over the hole in the middle.
  await litres('12.9')
  await press('back to the piece')
  await give('Import a plan', 'open.dxf', drawing(line(0, 0, 80, 0)))
  await says(() => within(bench()).getByRole('alert'), /clos/)
  await litres('12.9')
  await give(
    'Import a plan',
    'script.svg',
    '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="50mm" viewBox="0 0 100 50" onload="document.title=1"><script>document.title="ran"</script><rect width="100" height="50"/></svg>',
  )
  await within(bench()).findByRole('button', { name: 'Use this outline' })
  expect(document.title).not.toContain('ran')
})

it('a planter in use: what it weighs filled, on each foot, and its push, by what fills it', async () => {
  await openAt('terrace-planter')
  await choose('Filled with', 'soil')
  const row = (name: RegExp) => within(bench()).getByText(name).closest('.row')!.textContent!
  const figure = (name: RegExp) => Number(row(name).match(/[\d.]+(?= ?(kg|kPa))/)![0])
  await waitFor(() => expect(row(/^Filled it weighs/)).toMatch(/kg/))
  const [filled, push] = [figure(/^Filled it weighs/), figure(/^Push on its walls/)]
  await type('Feet under it', '4')
  await waitFor(() => expect(figure(/^On each foot/)).toBe(Math.round(filled / 4)))
  await choose('Filled with', 'water')
  await waitFor(() => expect(figure(/^Filled it weighs/)).toBeLessThan(filled))
  // As a liquid: 1000 beside 1400 kg/m3.
  expect(figure(/^Push on its walls/) / push).toBeCloseTo(1 / 1.4, 1)
  await choose('Filled with', 'not asked')
  await waitFor(() => expect(within(bench()).queryByText(/^Filled it weighs/)).toBeNull())
})
