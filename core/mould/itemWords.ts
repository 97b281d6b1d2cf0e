import type { NoFacts, WordsStyle } from '../job/index.ts'
import { formatInches, showNumber } from '../units/index.ts'

/** A figure or a thing bought, as it stands in a list: its name, and what to know about it. */
export type SaidItem = { readonly name: string; readonly note?: string }

/** A thickness or diameter of the trade, 0.5 mm at the finest: it keeps its own unit. */
const size = (mm: number): string => `${Math.round(mm * 2) / 2}`
const casts = (n: number): string => `${n} ${n === 1 ? 'cast' : 'casts'}`

/** Threads that go through the same holes where inches are sold. */
const INCH_THREADS: Readonly<Record<string, string>> = { M4: 'No. 8-32', M6: '1/4-20', M8: '5/16-18' }
/** Lengths of screws sold by the inch, in inches. */
const INCH_SCREWS = [5 / 8, 3 / 4, 1, 1.25, 1.625, 2, 2.5, 3, 3.5, 4, 5, 6, 8]
/** The longest that is no more than a hair over the length asked for: a point stops 4 mm short of a face. */
const inchScrew = (mm: number): string => {
  const inches = INCH_SCREWS.filter((l) => l * 25.4 <= mm + 1.5).at(-1) ?? INCH_SCREWS[0]!
  return formatInches(inches * 25.4, 8)
}
const quarterUp = (mm: number): string => formatInches(Math.ceil(mm / 6.35 - 1e-9) * 6.35, 4)

type Pots = {
  readonly row: string
  readonly aKg: number
  readonly aLitres: number
  readonly bKg: number
  readonly bLitres: number
  readonly potMinutes: number
  readonly casts: number
}
const pots = (f: Pots, out: string, { kg, liquid }: WordsStyle): SaidItem => ({
  name: f.row,
  note: `A ${kg(f.aKg, 2)} (${liquid(f.aLitres)}), B ${kg(f.bKg, 2)} (${liquid(f.bLitres)}); pot life ${f.potMinutes} min, ${out}${casts(f.casts)}`,
})

/** What a maker sets a mould out by: each figure with the facts it is told with. */
const SETTING_OUT = {
  'ring-length': (f: { overlapMm: number; strips: number }, { mm }) => ({
    name: 'Sheet round it',
    note: `${f.strips === 1 ? 'in one' : `in ${f.strips} lengths`}, ${mm(f.overlapMm)} of overlap ${f.strips === 1 ? 'in it' : 'in each'}`,
  }),
  'ring-cleats': () => ({ name: 'Cleats round its foot' }),
  planks: (f: { laps: number; mitres: number }) => ({
    name: 'Boards',
    note: `${f.laps} ${f.laps === 1 ? 'joint' : 'joints'} lapped, ${f.mitres} mitred`,
  }),
  battens: () => ({ name: 'Battens', note: 'on edge behind the boards, upright' }),
  'core-box': (f: { deepMm: number; draftDeg: number }, { mm }) => ({
    name: 'Core keeps out',
    note: `${mm(f.deepMm)} deep, ${f.draftDeg} degrees of draft`,
  }),
  ribs: (f: { board: string }) => ({ name: 'Ribs', note: `${f.board}; closest at the foot` }),
  'widest-between-ribs': () => ({ name: 'Widest between ribs' }),
  'skin-developed': () => ({ name: 'Skin, developed' }),
  'skin-strips': (f: { joints: number }) => ({
    name: 'Lengths of skin',
    note: `${f.joints} upright ${f.joints === 1 ? 'joint' : 'joints'}, taped behind`,
  }),
  separators: () => ({
    name: 'Separators',
    note: 'waxed on both faces, from base to top; fill both sides level',
  }),
  plastic: () => ({ name: 'Plastic', note: 'walls printed full, supports not counted' }),
  filament: () => ({ name: 'Filament' }),
  printing: (f: { idlePercent: number }) => ({
    name: 'Printing',
    note: `an estimate: the printer’s own flow, and ${f.idlePercent} percent beside`,
  }),
  'flange-bolts': (f: { size: string }, { sold }) => ({
    name: 'Bolts',
    note: `${sold(f.size, INCH_THREADS[f.size] ?? f.size)} through the flanges, pins between them`,
  }),
  'layer-block': (f: { row: string }) => ({ name: 'Block', note: `layers of ${f.row}` }),
  'glue-faces': () => ({ name: 'Faces to glue' }),
  dowels: (f: { diameterMm: number; each: number }, { mm }) => ({
    name: 'Dowels',
    note: `${mm(f.diameterMm)}, ${f.each} a joint, clear of the hollow`,
  }),
  'no-dowels': (f: { marginMm: number }, { mm }) => ({
    name: 'Dowels',
    note: `none: ${mm(f.marginMm)} of margin is wanted for them`,
  }),
  filler: () => ({ name: 'Filler' }),
  'layer-coat': () => ({ name: 'Coat', note: 'two coats, water-based on foam' }),
  'router-passes': () => ({ name: 'Router passes' }),
  'router-ridge': () => ({ name: 'Ridge left to sand', note: 'the highest between two passes' }),
  'packed-fill': (f: { packing: string }) => ({ name: `Packed ${f.packing}` }),
  'loose-fill': (f: { times: number }) => ({ name: 'Loose, to bring', note: `${f.times} times as much` }),
  'packing-weighs': () => ({ name: 'It weighs' }),
  'layers-to-ram': (f: { eachMm: number }, { mm }) => ({
    name: 'Layers to ram',
    note: `${mm(f.eachMm)} each, both sides of the liner kept level`,
  }),
  'liner-developed': () => ({ name: 'Liner, developed' }),
  'box-straps': (_: NoFacts, { sold }) => ({
    name: 'Straps round the box',
    note: `${sold('50 mm', '2"')} filament tape, closest at the foot`,
  }),
  'parting-height': (f: { level: boolean }) => ({
    name: 'Parting above the foot',
    note: f.level
      ? 'level, at the greatest section: bed the pattern in clay to here'
      : 'at its lowest, along where the pattern is widest all round',
  }),
  'parting-rise': () => ({ name: 'Parting at its highest', note: 'above the foot' }),
  keys: () => ({
    name: 'Keys',
    note: 'balls about half as thick as the wall, pressed halfway into the clay',
  }),
  'filling-hole': () => ({ name: 'Filling hole', note: 'at the highest point, a funnel over it' }),
  'shell-filling-hole': (f: { headMm: number }, { mm }) => ({
    name: 'Filling hole',
    note: `at the highest point; a funnel ${mm(f.headMm)} high over it`,
  }),
  'air-holes': (f: { diameterMm: number }, { mm }) => ({
    name: 'Air holes',
    note: `${mm(f.diameterMm)}, one at every other top`,
  }),
  vents: (f: { diameterMm: number }, { mm }) => ({
    name: 'Vents',
    note: `${mm(f.diameterMm)}, one at every other top; plug each as it runs full`,
  }),
  'liner-sheet': (f: { thicknessMm: number; overMm: number }, { mm }) => ({
    name: 'Liner',
    note: `cut ${mm(f.overMm)} full each way, pressed in; ${mm(f.thicknessMm)}`,
  }),
  'liner-weighs': () => ({ name: 'Liner weighs' }),
  'sides-wider': () => ({ name: 'Side boards are wider by', note: 'they reach down past liner and backing' }),
  'curved-joint': (f: { leanDeg: number }) => ({
    name: 'Joint at its lowest',
    note: `along where the cast is widest all round, ${awayWords(f.leanDeg)}`,
  }),
  'curved-joint-to': (f: { leanDeg: number }) => ({
    name: 'Joint at its highest',
    note: f.leanDeg < 1 ? 'above the foot' : 'from the near end, along the way they come apart',
  }),
  'level-joint': () => ({ name: 'Joint above the foot', note: 'level, at the greatest section' }),
  'upright-joint': () => ({
    name: 'Upright joint, from the front',
    note: 'through the middle: a level one would lock',
  }),
  'shell-lift': () => ({ name: 'Lift of the upper shell', note: 'when the funnel stands full' }),
  'shell-push': () => ({ name: 'Push on each shell', note: 'when the funnel stands full' }),
  'shell-straps': (_: NoFacts, { sold }) => ({
    name: 'Straps round both',
    note: `${sold('50 mm', '2"')} filament tape, each its turn, both legs counted`,
  }),
  clamps: () => ({ name: 'Clamps or bolts round the joint' }),
  formers: () => ({
    name: 'Formers',
    note: 'of sealed board, foam or print, each checked against the drawing as it lies',
  }),
  'formers-fill': () => ({ name: 'They fill' }),
  'bowl-core': (f: { shellMm: number }, { mm }) => ({
    name: 'Core',
    note: `a bowl, followed by the upper form; the shell is ${mm(f.shellMm)} under the floor and at the middle of each side`,
  }),
  'basin-core': (f: { draftDeg: number; shellMm: number }, { mm }) => ({
    name: 'Core',
    note: `draft ${f.draftDeg}°, followed by the upper form, so that the shell is ${mm(f.shellMm)} all round`,
  }),
  'upper-form-stands': () => ({ name: 'Upper form stands', note: 'above the slab’s back' }),
  'upper-form-lift': () => ({ name: 'Lift of the upper form', note: 'it leans over the fill' }),
  'back-left-open': () => ({ name: 'Slab’s back left open' }),
  'vessel-holds': () => ({ name: 'It holds', note: 'to the rim' }),
  'vessel-fill': () => ({ name: 'Filled to the piece’s height' }),
  'vessel-water': () => ({
    name: 'Water to check it by',
    note: 'weigh the vessel empty, then filled to that height',
  }),
  'vessel-draft': (f: { wantedDeg: number }) => ({
    name: 'Least draft',
    note: `${f.wantedDeg}° and more slides out`,
  }),
  'vessel-grows': () => ({ name: 'Its wall grows', note: 'at the foot, when it is full' }),
  coats: () => ({ name: 'Coats', note: 'the first thin and worked into the detail, the next thickened' }),
  'rubber-a-coat': () => ({ name: 'Rubber a coat', note: 'each on the last while that is tacky' }),
  thickener: () => ({ name: 'Thickener' }),
  'block-would-take': () => ({ name: 'A poured block would take' }),
  jacket: (f: { row: string; wallMm: number }, { mm }) => ({
    name: 'Jacket',
    note: `pieces of ${f.row}, ${mm(f.wallMm)}`,
  }),
  'jacket-bolts': () => ({ name: 'Bolts', note: 'through the jacket’s flanges' }),
} satisfies ItemWords

/** What is bought beside boards, or laid up and weighed out: most by the name of its row of the stock. */
const BOUGHT = {
  'rubber-poured': (f: Pots & { outHours: number }, s) => pots(f, `out after ${f.outHours} h, `, s),
  'rubber-brushed': (f: Pots, s) => pots(f, '', s),
  'filament-spool': (f: { row: string; metres: number }, { metres }) => ({
    name: f.row,
    note: metres(f.metres, 0),
  }),
  'filament-formers': (f: { row: string; metres: number }, { metres }) => ({
    name: f.row,
    note: `${metres(f.metres, 0)} for the formers`,
  }),
  'packing-fill': (f: { row: string; stonesMm: number }, { mm }) => ({
    name: f.row,
    note: `loose; no stones over ${mm(f.stonesMm)}; it is used again`,
  }),
  'liner-bought': (f: { row: string; lengthMm: number; widthMm: number; casts: number }, { mm }) => ({
    name: f.row,
    note: `bought, ${mm(f.lengthMm)} × ${mm(f.widthMm)}, ${casts(f.casts)}. Measure the one to hand: it sets the depth of the box`,
  }),
  'jacket-stuff': (f: { row: string }) => ({ name: f.row, note: 'a tenth for what sticks to tools' }),
  'shell-of': (f: { row: string; wallMm: number; casts: number }, { mm }) => ({
    name: f.row,
    note: `at ${mm(f.wallMm)}, flanges not counted; ${casts(f.casts)}`,
  }),
  plug: (f: { row: string; casts: number }) => ({
    name: f.row,
    note: `bought; ${casts(f.casts)}, out by its wide end. Measure the one to hand before the opening is drawn`,
  }),
  'tube-knockout': (f: { row: string }) => ({
    name: f.row,
    note: 'cut square, slit down one side before it is taped: it folds inward to come out',
  }),
  'foam-knockout': (f: { row: string; opening: string }) => ({
    name: `${f.row} for ${f.opening}`,
    note: 'taped all over; it is dug out and lasts one cast',
  }),
  'form-tube': (f: { row: string }) => ({
    name: f.row,
    note: 'inside waxed or lined, outside kept dry; slit to strip, one cast each',
  }),
  'core-of-stock': (f: { row: string; wrapMm: number }, { fine }) => ({
    name: `${f.row}, for the core`,
    note: `slit lengthways and taped, so that it closes in on itself${f.wrapMm >= 0.25 ? `; wrapped ${fine(f.wrapMm)} all round to its hollow` : ''}`,
  }),
  'core-tube': (f: { outsideMm: number }, { mm }) => ({
    name: `card tube ${mm(f.outsideMm)} outside, for the core`,
    note: 'slit lengthways and taped, so that it closes in on itself and comes out',
  }),
  vessel: (f: { row: string; casts: number }) => ({
    name: f.row,
    note: `${casts(f.casts)}, or one if it is cut off`,
  }),
  'other-vessel': (f: { row: string; footMm: number; rimMm: number; heightMm: number }, { mm }) => ({
    name: f.row,
    note: `${mm(f.footMm)} to ${mm(f.rimMm)} over ${mm(f.heightMm)}`,
  }),
} satisfies ItemWords

/** What is bought by the piece to put a mould together; a thread, a screw and a tape are called by their size. */
const HARDWARE = {
  screws: (f: { diameterMm: number; lengthMm: number; count: number }, { sold }) => ({
    name: `screws ${sold(`${size(f.diameterMm)} × ${size(f.lengthMm)}`, `No. 8 × ${inchScrew(f.lengthMm)}`)}`,
    note: `${f.count} and spares; pilot holes, heads flush`,
  }),
  sealant: (f: { row: string }) => ({ name: f.row }),
  'packing-tape': (_: NoFacts, { sold }) => ({ name: `packing tape, ${sold('50 mm', '2"')}` }),
  'filament-tape': (_: NoFacts, { sold }) => ({ name: `filament tape, ${sold('50 mm', '2"')}` }),
  'wood-glue': () => ({ name: 'wood glue', note: 'both faces wetted, clamped an hour' }),
  'glue-under': (f: { part: string }) => ({
    name: `hot glue or adhesive under ${f.part}`,
    note: 'on clean sealed board, set right through before it is filled',
  }),
  'bolts-and-nuts': (
    f: { thread: string; lengthMm: number; where: 'flanges' | 'jacket' | 'joint' },
    { sold },
  ) => ({
    name: `${sold(`${f.thread} × ${size(f.lengthMm)}`, `${INCH_THREADS[f.thread] ?? f.thread} × ${quarterUp(f.lengthMm)}`)} bolts, nuts and washers`,
    note: {
      flanges: 'through the flanges',
      jacket: 'through the jacket’s flanges',
      joint: 'round the joint',
    }[f.where],
  }),
  'seam-pins': (f: { diameterMm: number; lengthMm: number }, { sold }) => ({
    name: `pins ${sold(`${size(f.diameterMm)} × ${size(f.lengthMm)}`, `${formatInches(f.diameterMm, 32)} × ${quarterUp(f.lengthMm)}`)}`,
    note: 'through the flanges beside the bolts; drawn before the seam opens',
  }),
  bag: (f: { acrossMm: number }, { mm }) => ({
    name: `thick bag, ${mm(f.acrossMm)} across laid flat`,
    note: 'one a cast',
  }),
  'core-caps': (f: { diameterMm: number }, { mm }) => ({
    name: `caps or discs for a tube ${mm(f.diameterMm)} across`,
    note: 'one in each end of the core, taped over',
  }),
  'hole-plugs': (f: { diameterMm: number; lengthMm: number }, { mm }) => ({
    name: `Dowel, pipe or card tube, ${mm(f.diameterMm)} across`,
    note: `cut ${mm(f.lengthMm)} long, both ends trimmed to the boards, wrapped and greased`,
  }),
  'dowel-rods': (f: { diameterMm: number; lengthMm: number; each: number }, { sold }) => ({
    name: `dowels ${sold(`${size(f.diameterMm)} × ${size(f.lengthMm)}`, `${formatInches(f.diameterMm, 8)} × ${quarterUp(f.lengthMm)}`)}`,
    note: `${f.each} a joint`,
  }),
  brads: (f: { lengthMm: number }, { sold }) => ({
    name: `brads ${sold(size(f.lengthMm), quarterUp(f.lengthMm))}`,
    note: 'into the glue while it is wet',
  }),
  'joint-adhesive': () => ({
    name: 'wood glue or construction adhesive, joints',
    note: 'on edges wiped clean of dust',
  }),
  'instant-glue': () => ({
    name: 'instant glue and activator, joints',
    note: 'glue on one edge, activator on the other',
  }),
  'hot-glue-sticks': () => ({ name: 'hot glue sticks', note: 'a fillet along the outside, never inside' }),
  'side-tape': (f: { rounds: number }, { sold }) => ({
    name: `packing tape, ${sold('50 mm', '2"')}, round the sides`,
    note: `${f.rounds} rounds, pulled tight, and across each corner`,
  }),
  'foam-adhesive': () => ({ name: 'foam adhesive', note: 'free of solvent' }),
  'block-glue': () => ({ name: 'wood glue' }),
  'filler-bought': () => ({ name: 'filler' }),
  'coat-bought': () => ({ name: 'coat', note: 'two coats' }),
} satisfies ItemWords

/** What things are bought or weighed out by. */
export type ItemUnit = 'kg' | 'L' | 'm' | 'cm2' | 'piece' | 'sheet' | 'cartridge' | 'turn' | 'set'

type ItemWords = Readonly<Record<string, (facts: never, style: WordsStyle) => SaidItem>>
type FactsOf<W extends ItemWords> = {
  readonly [C in keyof W & string]: Parameters<W[C]> extends [infer F, ...unknown[]]
    ? F
    : Readonly<Record<string, never>>
}
type ItemIn<W extends ItemWords> = {
  readonly [C in keyof W & string]: { readonly code: C; readonly facts: FactsOf<W>[C] }
}[keyof W & string]

const awayWords = (leanDeg: number): string =>
  leanDeg < 1
    ? 'the shells drawn up and down'
    : leanDeg > 89
      ? 'the shells drawn apart level'
      : `the shells drawn apart ${Math.round(leanDeg)}° off upright`

/** What a line of a list is about, and what it is told with. */
export type SettingOut = ItemIn<typeof SETTING_OUT>
export type Bought = ItemIn<typeof BOUGHT>
export type Fixing = ItemIn<typeof HARDWARE>
export type Item = SettingOut | Bought | Fixing

/** Every line that can stand in a list of a mould, by its code. */
export const ITEM_WORDS = { ...SETTING_OUT, ...BOUGHT, ...HARDWARE }

const QUANTITIES = { kg: 'mass', L: 'liquid', m: 'run', cm2: 'patch' } as const
const COUNTED: Readonly<
  Record<Exclude<ItemUnit, keyof typeof QUANTITIES>, readonly [one: string, many: string]>
> = {
  piece: ['piece', 'pieces'],
  sheet: ['sheet', 'sheets'],
  cartridge: ['cartridge', 'cartridges'],
  turn: ['turn', 'turns'],
  set: ['set', 'sets'],
}

/** How much of it: `1 cartridge`, `0.05 m`, `12 pieces`. */
export const amountWords = (amount: number, unit: ItemUnit, style: WordsStyle): string =>
  unit in QUANTITIES
    ? style.of(QUANTITIES[unit as keyof typeof QUANTITIES], amount, 2)
    : `${showNumber(amount, 2)} ${COUNTED[unit as keyof typeof COUNTED][amount === 1 ? 0 : 1]}`

/** A line of a list in the units of the reader. */
export const sayItem = ({ code, facts }: Item, style: WordsStyle): SaidItem =>
  (ITEM_WORDS[code] as (facts: unknown, style: WordsStyle) => SaidItem)(facts, style)
