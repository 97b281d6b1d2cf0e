import { expect, type Page } from '@playwright/test'
import { bench, findings, openDemo, restingMiddle, station, test, type } from './app.ts'

/** Starts a piece from the wall of silhouettes. */
async function start(page: Page, what: string, name: string): Promise<void> {
  await page.getByRole('link', { name: '+ new piece' }).click()
  const main = page.getByRole('main')
  await main.getByRole('button', { name: what, exact: true }).click()
  await main.getByRole('textbox', { name: 'Name', exact: true }).fill(name)
  await page.getByRole('button', { name: 'Make this piece' }).click()
  await expect(page.getByRole('textbox', { name: 'Name of the piece' })).toHaveValue(name)
}
const litres = (page: Page, text: string) => expect(station(page, 'Piece')).toContainText(text)

/** One of each kind as a maker would type it; the volume by its closed form. */
const KINDS: readonly {
  readonly what: string
  readonly name: string
  readonly typed: readonly (readonly [field: string | RegExp, text: string])[]
  readonly litres: string
}[] = [
  // 0.9 × 0.5 × 0.06
  { what: 'Top', name: 'Slab by hand', typed: [['Thickness', '60']], litres: '27.0' },
  // pi/3 x 150 x (270^2 + 270 x 215 + 215^2)
  {
    what: 'Cone',
    name: 'Cone by hand',
    typed: [
      ['Diameter at the foot', '540'],
      ['Diameter at the top', '430'],
      [/^Height/, '150'],
    ],
    litres: '27.8',
  },
  // pi d^3 / 6
  {
    what: 'Sphere',
    name: 'Ball by hand',
    typed: [
      [/^Diameter/, '400'],
      [/^Flat foot/, '0'],
    ],
    litres: '33.5',
  },
  // (2/3) pi (200^3 - 170^3)
  {
    what: 'Bowl',
    name: 'Bowl by hand',
    typed: [
      [/^Height/, '200'],
      [/^Flat foot/, '0'],
      [/^Fullness/, '2'],
    ],
    litres: '6.46',
  },
  // the starting seat, 167.631 L at 500 wide, made 250 wide
  { what: 'Seat', name: 'Seat by hand', typed: [[/^Width/, '250']], litres: '83.8' },
  // 500 x 200 x 200 outside less (440 x 140) x 165 inside
  {
    what: 'Planter',
    name: 'Box by hand',
    typed: [
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
    litres: '9.8',
  },
  // pi x 97^2 x 120 with 3 mm of clearance round a 200 mm opening
  {
    what: 'Plug',
    name: 'Plug by hand',
    typed: [
      [/^Diameter/, '200'],
      [/^Clearance/, '3'],
      [/^Length/, '120'],
      [/^Taper/, '0'],
    ],
    litres: '3.55',
  },
]

test('one piece of each kind by hand, and its volume read from the line', async ({ page }) => {
  test.setTimeout(120_000)
  await openDemo(page)
  for (const kind of KINDS)
    await test.step(kind.name, async () => {
      await start(page, kind.what, kind.name)
      for (const [field, text] of kind.typed) await type(page, field, text)
      await litres(page, kind.litres)
      for (const name of ['Mould', 'Steel', 'Mix', 'Pour', 'Sheets']) {
        await station(page, name).click()
        await expect(page.getByRole('main')).toBeVisible()
      }
      await station(page, 'Piece').click()
    })
})

test('a basin in one with its slab, letters and a frame: features by hand', async ({ page }) => {
  await openDemo(page)
  await start(page, 'Basin in one', 'Basin by hand')
  await litres(page, '22.8')
  await start(page, 'Name plate', 'Plate by hand')
  await litres(page, '2.67')
  await start(page, 'Panel with frame', 'Panel by hand')
  await litres(page, '16.6')
})

const line = (x1: number, y1: number, x2: number, y2: number) =>
  `0\nLINE\n8\nedge\n10\n${x1}\n20\n${y1}\n11\n${x2}\n21\n${y2}\n`
const DXF = `0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n5\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n${line(0, 0, 80, 0)}${line(80, 0, 80, 40)}${line(80, 40, 0, 40)}${line(0, 40, 0, 0)}0\nCIRCLE\n8\nhole\n10\n40\n20\n20\n40\n10\n0\nENDSEC\n0\nEOF\n`

test('a corner of a drawn plan follows the hand, also past the plan’s own left', async ({ page }) => {
  await openDemo(page)
  await start(page, 'L-shaped top', 'L by hand')
  await page.getByRole('button', { name: 'as placed' }).click()
  const [x, y] = await restingMiddle(page, page.locator('[data-corner="1"]'))
  const before = await station(page, 'Piece').innerText()
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x - 20, y, { steps: 4 })
  await page.mouse.move(x - 40, y, { steps: 4 })
  // While it is held the drawn plan reaches to where the hand is.
  const drawnFromHand = async () => {
    const drawn = await page.getByTestId('plan-body').boundingBox()
    return Math.abs((drawn?.x ?? 0) - (x - 40))
  }
  await expect.poll(drawnFromHand).toBeLessThan(12)
  await page.mouse.up()
  await expect.poll(() => station(page, 'Piece').innerText()).not.toBe(before)
  await page.getByRole('button', { name: 'undo' }).first().click()
  await expect.poll(() => station(page, 'Piece').innerText()).toBe(before)
})

test('a DXF in centimetres with an opening becomes the plan', async ({ page }) => {
  await openDemo(page)
  await start(page, 'Top', 'Drawn elsewhere')
  await bench(page).getByText('Plan', { exact: true }).click()
  await bench(page)
    .getByLabel('Import a plan')
    .setInputFiles({ name: 'top.dxf', mimeType: 'image/vnd.dxf', buffer: Buffer.from(DXF) })
  await bench(page).getByRole('button', { name: 'Use this outline' }).click()
  // (0.8 x 0.4 - pi 0.1^2) x 45
  await litres(page, '13.0')
  await expect(page.getByTestId('plan').locator('[data-opening]')).toHaveCount(1)

  await test.step('an open drawing is refused in words and the plan stands', async () => {
    await bench(page)
      .getByLabel('Import a plan')
      .setInputFiles({
        name: 'open.dxf',
        mimeType: 'image/vnd.dxf',
        buffer: Buffer.from(`0\nSECTION\n2\nENTITIES\n${line(0, 0, 80, 0)}0\nENDSEC\n0\nEOF\n`),
      })
    await expect(bench(page).getByRole('alert')).toContainText(/clos/)
    await litres(page, '13.0')
  })
  await test.step('so is an SVG that carries a script, which never runs', async () => {
    await bench(page)
      .getByLabel('Import a plan')
      .setInputFiles({
        name: 'script.svg',
        mimeType: 'image/svg+xml',
        buffer: Buffer.from(
          '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="50mm" viewBox="0 0 100 50" onload="document.title=1"><script>document.title="ran"</script><rect width="100" height="50"/></svg>',
        ),
      })
    await expect(bench(page).getByRole('button', { name: 'Use this outline' })).toBeVisible()
    expect(await page.title()).not.toContain('ran')
  })
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

test('a mesh is read with its health: cut short, open, and whole', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('link', { name: '+ new piece' }).click()
  const main = page.getByRole('main')
  const read = (name: string, body: string | Buffer) =>
    main.getByLabel('Mesh file').setInputFiles({ name, mimeType: 'model/stl', buffer: Buffer.from(body) })
  await test.step('a file that claims four billion triangles is refused', async () => {
    const lie = Buffer.alloc(134)
    lie.writeUInt32LE(4_000_000_000, 80)
    await read('lie.stl', lie)
    await expect(main.getByRole('alert')).toContainText(/triangles|cut short/)
  })
  await test.step('a cube without its lid is closed, and told', async () => {
    await read('open.stl', cube(200, 5))
    const health = main.getByRole('region', { name: 'Health of the mesh' })
    await expect(health).toContainText('Open edges')
    await expect(health).toContainText('1 holes closed, 0 left')
    await expect(health).toContainText('8.00')
  })
  await test.step('a whole one becomes a piece', async () => {
    await read('cube.stl', cube(200, 6))
    const health = main.getByRole('region', { name: 'Health of the mesh' })
    await expect(health).toContainText('It closes')
    await expect(health.getByRole('combobox')).toHaveValue('mm')
    await health.getByRole('button', { name: 'Use this mesh' }).click()
    await litres(page, '8.0')
    await expect(findings(page)).toBeVisible()
  })
})

test('a weight is held by a chosen dimension, or the nearest is told', async ({ page }) => {
  await openDemo(page)
  await start(page, 'Drum', 'Weighed drum')
  await expect(station(page, 'Piece')).toContainText('kg')
  const before = await station(page, 'Piece').innerText()
  await bench(page).getByText('Hold a figure', { exact: true }).click()
  await bench(page).getByRole('combobox', { name: 'Hold the' }).selectOption('weight')
  await bench(page).getByRole('textbox', { name: 'At', exact: true }).fill('50')
  await bench(page).getByRole('combobox', { name: 'By its' }).selectOption({ label: 'height' })
  await bench(page).getByRole('button', { name: 'Find it' }).click()
  await bench(page).getByRole('button', { name: 'Use', exact: true }).click()
  await expect(station(page, 'Piece')).toContainText('50.0 kg')
  await page.getByRole('button', { name: 'undo' }).first().click()
  await expect.poll(() => station(page, 'Piece').innerText()).toBe(before)
  await type(page, 'At least', '400')
  await type(page, 'At most', '450')
  await bench(page).getByRole('button', { name: 'Find it' }).click()
  await expect(bench(page).getByRole('status')).toContainText('No size gives 50 kg. Nearest: 400')
  // What was found for another piece is told as such, and cannot be used.
  await bench(page)
    .getByRole('textbox', { name: /^Diameter/ })
    .fill('320')
  await bench(page)
    .getByRole('textbox', { name: /^Diameter/ })
    .press('Enter')
  await expect(bench(page)).toContainText('For the piece as it was')
  await expect(bench(page).getByRole('button', { name: 'Use', exact: true })).toHaveCount(0)
})

test('a run of pieces: an L along two walls, seams proposed and moved, each piece linked', async ({
  page,
}) => {
  await openDemo(page)
  await page.getByRole('link', { name: '+ new piece' }).click()
  await page.getByRole('button', { name: 'A run of pieces' }).click()
  await bench(page).getByRole('button', { name: 'Propose, clear of openings' }).click()
  await expect(bench(page).getByRole('textbox', { name: /^Seam 1/ })).toBeVisible()
  const rows = bench(page).getByRole('textbox', { name: /^Seam/ })
  const seams = await rows.count()
  const first = Number((await rows.first().inputValue()).replace(/\D/g, ''))
  await type(page, /^Seam 1/, String(first - 30))
  await bench(page).getByRole('button', { name: /^Make/ }).click()
  await expect(page.getByRole('textbox', { name: 'Name of the piece' })).toHaveValue(/1$/)
  expect(seams).toBeGreaterThan(0)
})
