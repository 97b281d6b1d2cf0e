import { describe, expect, it } from 'vitest'
import type { StationName } from './job/index.ts'
import { type Explanation, explainBy } from './job/index.ts'
import { INCH, METRIC } from './testing/says.ts'
import { WORDS } from './words.ts'

const said = (station: StationName, code: string, facts: object, style = METRIC): Explanation => {
  const words = explainBy(WORDS[station], { code, facts: facts as never, remedies: [] }, style)
  if (!words) throw new Error(`no words for ${code}`)
  return words
}
const all = ({ what, why, remedy }: Explanation): string => `${what}. ${why} [${remedy ?? ''}]`

/** What a finding says by its facts: one row a branch, with what must stand in it, and what must not. */
const ROWS: readonly (readonly [StationName, code: string, facts: object, RegExp, RegExp?])[] = [
  ['piece', 'outline-crosses', { how: 'crosses', xMm: 12, yMm: 40 }, /runs over itself near 12 mm, 40 mm/],
  ['piece', 'outline-crosses', { how: 'has no inside', xMm: 0, yMm: 0 }, /has no inside/, /near/],
  ['piece', 'island-thin', { text: 'O', count: 1, leastMm: 4 }, /has 1 island thinner than 4 mm/],
  ['piece', 'island-thin', { text: 'AO', count: 2, leastMm: 4 }, /has 2 islands thinner/],
  ['piece', 'islands', { text: 'O', count: 1 }, /has 1 loose island\./],
  ['piece', 'islands', { text: 'BO', count: 3 }, /has 3 loose islands\./],
  [
    'piece',
    'insert-cover',
    { insert: 'pipe', coverMm: 8, to: 'front side', wantedMm: 15 },
    /8 mm of cover to the front side\. Under 15 mm/,
    /side\//,
  ],
  ['steel', 'bars-not-here', { which: 'rails cage' }, /No place for bars beside openings and a cage/],
  ['steel', 'rails-bare', { count: 1, coverMm: 15, diameterMm: 8 }, /^A narrow land takes no bar of 8 mm/],
  ['steel', 'rails-bare', { count: 2, coverMm: 15, diameterMm: 8 }, /^2 narrow lands take/],
  ['steel', 'corners-bare', { count: 1, coverMm: 15, diameterMm: 8 }, /^An inside corner takes no bar/],
  ['steel', 'corners-bare', { count: 3, coverMm: 15, diameterMm: 8 }, /^3 inside corners take/],
  ['steel', 'corner-bars-short', { count: 1, heldMm: 320 }, /^A corner bar ends less than 320 mm/],
  ['steel', 'corner-bars-short', { count: 2, heldMm: 320 }, /^2 corner bar ends stop/],
  ['steel', 'bars-lap', { count: 1, lapMm: 320, lengthMm: 3000 }, /^A bar is longer than the 3000 mm/],
  ['steel', 'bars-lap', { count: 4, lapMm: 320, lengthMm: 3000 }, /^4 bars are longer/],
  ['piece', 'drains-badly', { feature: 'drainer', fallPercent: 0.8 }, /drainer falls 0\.8 percent/],

  [
    'mould',
    'panels-missing',
    { missing: 1, panels: 6, moulds: 1 },
    /^One of its panels is no piece .*in one mould.*\[Make it a piece\]/,
  ],
  [
    'mould',
    'panels-missing',
    { missing: 3, panels: 6, moulds: 4 },
    /^3 of its panels are no piece .*in 4 moulds.*\[Make 3 pieces of them\]/,
  ],
  ['mould', 'panels-differ', { differing: 1, panels: 6, moulds: 4 }, /^A panel is no longer/],
  ['mould', 'panels-differ', { differing: 2, panels: 6, moulds: 4 }, /^2 panels are no longer/],
  ['mould', 'cast-as-panels', { panels: 6, moulds: 4 }, /Glued up of 6 panels, cast flat in 4 moulds/],
  ['mould', 'not-in-mould', { count: 1, features: 'the pipe' }, /No part in this mould forms the pipe yet/],
  [
    'mould',
    'not-in-mould',
    { count: 2, features: 'pipe and stud' },
    /forms 2 of the features yet.*: pipe and stud\./,
  ],
  [
    'mould',
    'no-bought-knockout',
    { opening: 'tap', draftDeg: 2, nearest: 'plug d 40', deepMm: 45 },
    /The nearest: plug d 40.*\[Make the opening as plug d 40\]/,
  ],
  [
    'mould',
    'no-bought-knockout',
    { opening: 'tap', draftDeg: 2, nearest: '', deepMm: 45 },
    /None is round or rectangular and at least 45 mm high/,
    /nearest/i,
  ],
  [
    'mould',
    'buying-beats-making',
    { plug: 'plug', opening: 'tap', casts: 100, price: 9, hours: 1.5 },
    /100 casts for 9\.00 and saves about 1\.5 h/,
  ],
  [
    'mould',
    'buying-beats-making',
    { plug: 'plug', opening: 'tap', casts: 100, price: 0, hours: 1.5 },
    /100 casts and saves/,
    /for 0/,
  ],
  [
    'mould',
    'no-tube-knockout',
    { opening: 'tap', diameterMm: 90, nearestMm: 84, mostWrapMm: 12 },
    /No card tube in stock for tap, 90 mm across.*the nearest is 84 mm outside/,
  ],
  [
    'mould',
    'no-tube-knockout',
    { opening: 'sink', diameterMm: 0, nearestMm: 0, mostWrapMm: 12 },
    /sink is not round and straight/,
    /nearest/,
  ],
  [
    'mould',
    'table-not-level',
    { fallMm: 4, twistMm: 3, extraKg: 0.9, mostMm: 4 },
    /falls 4 mm under the mould and is twisted 3 mm.*0\.9 kg more/,
  ],
  [
    'mould',
    'table-not-level',
    { fallMm: 4, twistMm: 0.5, extraKg: 0.9, mostMm: 4 },
    /falls 4 mm under the mould\./,
    /twisted/,
  ],
  [
    'mould',
    'tube-differs',
    { tube: 'tube 250', insideMm: 250, diameterMm: 300, fitting: 'tube 300', nearestMm: 300 },
    /casts 250 mm, not 300 mm\. tube 300 fits\. \[Take tube 300\]/,
  ],
  [
    'mould',
    'tube-differs',
    { tube: 'tube 250', insideMm: 250, diameterMm: 275, fitting: '', nearestMm: 300 },
    /no tube in stock casts this diameter\. \[Make the piece 300 mm across, as the nearest tube\]/,
  ],
  [
    'mould',
    'bend-too-tight',
    {
      part: 'ring',
      skin: 'hardboard',
      leastMm: 300,
      radiusMm: 210,
      wettedMm: 200,
      kerfDepthMm: 1.5,
      kerfSpacingMm: 12,
      other: 'vinyl',
    },
    /bends to 300 mm, not 210 mm.*After a night in water it goes to 200 mm.*kerf its back 1\.5 mm deep every 12 mm.*vinyl goes round it/,
  ],
  [
    'mould',
    'bend-too-tight',
    {
      part: 'ring',
      skin: 'hardboard',
      leastMm: 300,
      radiusMm: 20,
      wettedMm: 0,
      kerfDepthMm: 0,
      kerfSpacingMm: 0,
      other: '',
    },
    /No sheet in stock goes round it/,
    /water|kerf its/,
  ],
  [
    'mould',
    'separator-no-sheet',
    { gapMm: 5, sheet: 'XPS', sheetMm: 6 },
    /The nearest is XPS, 6 mm\. \[Part the blocks by 6 mm\]/,
  ],
  [
    'mould',
    'separator-no-sheet',
    { gapMm: 5, sheet: '', sheetMm: 0 },
    /Add the sheet it is cut from to the stock/,
    /nearest/,
  ],
  [
    'mould',
    'side-bows',
    {
      side: 'front',
      bowMm: 2.4,
      sides: 3,
      limitMm: 1,
      alongMm: 450,
      aboveBaseMm: 300,
      braceSpacingMm: 400,
      rows: 1,
      board: '',
    },
    /front side bows 2\.4 mm under the fill, and 2 more bow too much.*braces or ties across.*\[Brace the tops every 400 mm\]/,
  ],
  [
    'mould',
    'side-bows',
    {
      side: 'front',
      bowMm: 2.4,
      sides: 1,
      limitMm: 1,
      alongMm: 450,
      aboveBaseMm: 150,
      braceSpacingMm: 0,
      rows: 0,
      board: '',
    },
    /under the fill\..*No board in stock.*designed by someone qualified/,
    /more bow/,
  ],
  [
    'mould',
    'side-bows',
    {
      side: 'front',
      bowMm: 2.4,
      sides: 1,
      limitMm: 1,
      alongMm: 450,
      aboveBaseMm: 150,
      braceSpacingMm: 300,
      rows: 2,
      board: '',
    },
    /each holds a rail along the side at mid height.*\[Brace at top and mid height every 300 mm\]/,
  ],
  [
    'mould',
    'side-bows',
    {
      side: 'front',
      bowMm: 2.4,
      sides: 1,
      limitMm: 1,
      alongMm: 450,
      aboveBaseMm: 150,
      braceSpacingMm: 300,
      rows: 1,
      board: 'stiff ply',
    },
    /wants a stiffer board, stiff ply, its top held.*\[Sides of stiff ply, braced at the top every 300 mm\]/,
  ],
  [
    'mould',
    'hold-the-top',
    { depthMm: 160, pressureKPa: 4, by: 'glue' },
    /the glue along the base cannot.*opens the joint/,
    /screw/,
  ],
  [
    'piece',
    'filled-weight',
    { filledKg: 140, fill: 'soil', groundKPa: 7.6 },
    /Filled with soil it weighs about 140 kg.*7\.6 kPa.*balcony/,
  ],
  [
    'piece',
    'frost-bursts',
    { leanDeg: 1.24, wantedDeg: 3, fill: 'water' },
    /^Water that freezes.*leans out 1\.2°: from about 3°.*\[Line it with soft board\]/,
  ],
  ['piece', 'frost-bursts', { leanDeg: 0, wantedDeg: 3, fill: 'soil' }, /^Wet soil that freezes/],
  ['piece', 'no-feet', { drains: 1 }, /^Its drain stands shut.*\[Stand it on four feet\]/],
  ['piece', 'no-feet', { drains: 2 }, /^Its drains stand shut/],
  [
    'piece',
    'drains-few',
    { drains: 1, wanted: 4, floorM2: 0.5, eachM2: 0.15 },
    /^1 drain for a floor of 0\.5 m².*serves about 0\.15 m².*\[Make 4 drains\]/,
  ],
  [
    'mould',
    'rubber-undercut',
    { undercutMm: 20, takesMm: 4, shore: 70, softest: 'soft one' },
    /stands 20 mm out.*Shore A 70.*gives 4 mm.*softer rubber or a thicker wall.*\[Use soft one\]/,
  ],
  [
    'mould',
    'rubber-undercut',
    { undercutMm: 20, takesMm: 4, shore: 10, softest: '' },
    /another attitude, or brushed rubber/,
  ],
  ['mould', 'coats-thick', { coatMm: 6, mostMm: 4, coats: 6 }, /Coats of 6 mm each.*\[Brush 6 coats\]/],
  [
    'mould',
    'fixing-holds-little',
    { fixing: 'hot glue', depthMm: 100, deepestMm: 60, instead: 'screws' },
    /^Hot glue alone on sides 100 mm deep.*up to 60 mm.*\[Screw the sides\]/,
  ],
  [
    'mould',
    'fixing-holds-little',
    { fixing: 'tape', depthMm: 100, deepestMm: 40, instead: 'angled' },
    /^Tape alone.*\[Screw the sides at an angle\]/,
  ],
  [
    'mould',
    'edge-splits',
    { board: 'thin ply', thicknessMm: 9, leastMm: 12 },
    /edge of thin ply split.*\[Screw at an angle\]/,
  ],
  [
    'mould',
    'undercut-locks',
    { awayMm: 30, heightMm: 0, instead: 'rubber' },
    /it locks 30 mm out from its joint.*\[Brush it in rubber instead\]/,
  ],
  [
    'mould',
    'undercut-locks',
    { awayMm: 0, heightMm: 80 },
    /it locks 80 mm up.*\[Part it into another number of shells\]/,
  ],
  [
    'mould',
    'undercut-locks',
    { awayMm: 0, heightMm: 80, instead: 'curve' },
    /\[Part it in two along where it is widest all round\]/,
  ],
  ['mould', 'pull-locks', { leanDeg: 0, lockedCm2: 12 }, /^Drawn apart up and down, two halves hold 12 cm/],
  ['mould', 'pull-locks', { leanDeg: 30, lockedCm2: 12 }, /30° off upright.*\[Have the way found\]/],
  ['mould', 'pull-locks', { leanDeg: 90, lockedCm2: 12 }, /apart level, as chosen/],
  ['mould', 'no-curved-joint', {}, /^No curve parts these shells in two.*\[Part them straight\]/],
  ['release', 'jacket-undercut', { part: 'jacket 1', more: 0, byMm: 6 }, /^jacket 1 would catch.*by 6 mm/],
  [
    'mix',
    'pigment-over',
    { percent: 12, mostPercent: 10 },
    /^12 percent of pigment by the cement: never over 10/,
  ],
  ['mix', 'dose-high', { dose: 'red', percent: 8, mostPercent: 6 }, /^8 percent of red: at most 6.*\[Take 6/],
  ['mix', 'chloride-meets', { dose: 'chloride', metal: 'yes' }, /never goes with steel.*rusts/],
  ['mix', 'chloride-meets', { dose: 'chloride', metal: 'no' }, /never goes with colour.*blooms/],
  ['mix', 'colour-differs', { batches: 3 }, /^3 batches with pigment are not alike.*\[Weigh out equal/],
  [
    'mix',
    'too-stiff',
    { band: 'placing', least: 'flowing', why: 'hole' },
    /^Mixed to be placed: this mould wants it at least to flow.*Nobody reaches in/,
  ],
  ['mix', 'too-stiff', { band: 'packing', least: 'placing', why: 'relief' }, /bridges the letters/],
  [
    'mix',
    'too-wet',
    { band: 'flowing', most: 'placing', why: 'packed' },
    /no more than to be placed.*washes/,
  ],
  ['mix', 'too-wet', { band: 'levelling', most: 'placing', why: 'stacked' }, /under the upper form/],
  ['pour', 'compacts-badly', { tool: 'poker', why: 'no-reach', pokerMm: 25 }, /through a hole.*a poker/],
  ['pour', 'compacts-badly', { tool: 'poker', why: 'too-narrow', pokerMm: 25 }, /poker of 25 mm has no room/],
  ['pour', 'compacts-badly', { tool: 'saw', why: 'shaken-apart', pokerMm: 25 }, /does not stand a bladeless/],
  [
    'pour',
    'compacts-badly',
    { tool: 'saw', why: 'parts', pokerMm: 25 },
    /levels itself.*stone and sand sink/,
  ],
  ['pour', 'compacts-badly', { tool: 'none', why: 'left-loose', pokerMm: 25 }, /^Nothing is planned/],
  [
    'pour',
    'cold-joint-likely',
    { percent: 12.4, lowPercent: 11, highPercent: 14 },
    /^In 12 of 100 rehearsals a batch meets concrete that has set/,
  ],
  [
    'pour',
    'time-likely-short',
    { percent: 31, lowPercent: 29, highPercent: 33 },
    /^In 31 of 100 rehearsals it has/,
  ],
  [
    'pour',
    'mix-likely-short',
    { percent: 6.25, lowPercent: 5, highPercent: 7.5 },
    /^In 6\.3 of 100 .* fill the form/,
  ],
  [
    'pour',
    'falls-at-night',
    { step: 'float', stepCount: 3, firstMinutes: 700, dayMinutes: 1279.6 },
    /^Outside working hours: float at 21:19, and 2 more/,
  ],
  [
    'pour',
    'falls-at-night',
    { step: 'float', stepCount: 1, firstMinutes: 1, dayMinutes: 65 },
    /float at 01:05\./,
  ],
  ['mould', 'core-floats', { cores: 1 }, /^A core stands loose/],
  ['mould', 'core-floats', { cores: 2 }, /^2 cores stand loose/],
  ['mould', 'bed-too-small', { parts: 1, bedMm: 250, flangeMm: 20 }, /^1 part on a bed of 250 mm/],
  ['mould', 'bed-too-small', { parts: 40, bedMm: 250, flangeMm: 20 }, /^40 parts on a bed/],
  [
    'mould',
    'vessel-fits',
    { vessel: 'bucket', differsMm: 0.4, price: 4, hours: 3 },
    /Within 0\.4 mm across, all the way up, for 4\.00, and nothing to build: about 3 h/,
  ],
  [
    'mould',
    'vessel-fits',
    { vessel: 'bucket', differsMm: 0.4, price: 0, hours: 3 },
    /all the way up, and nothing/,
    /for 0/,
  ],

  [
    'steel',
    'land-narrow',
    { opening: 'tap', count: 2, landMm: 22, to: 'basin', thicknessMm: 45, long: 'bridge', wantedMm: 25 },
    /^2 taps stand 22 mm from the basin, 45 mm thick here\. It cracks there first: half/,
  ],
  [
    'steel',
    'land-narrow',
    { opening: 'basin', count: 1, landMm: 40, to: 'front edge', thicknessMm: 45, long: 'rail', wantedMm: 50 },
    /^Basin stands 40 mm from the front edge.*A long rail/,
  ],

  [
    'release',
    'knockout-locks',
    { knockouts: 1, depthMm: 45, draftDegrees: 2, wrapMm: 3 },
    /^A rigid knockout 45 mm deep.*Give it 2 degrees.*\[Wrap them in 3 mm foam\]/,
  ],
  [
    'release',
    'knockout-locks',
    { knockouts: 2, depthMm: 45, draftDegrees: 2, wrapMm: 3 },
    /^2 rigid knockouts/,
  ],

  [
    'mix',
    'mixer-too-small',
    { mixer: 'bowl', mixerLitres: 4, yieldLitres: 12 },
    /bowl takes 4 L; half a bag makes 6 L/,
  ],
  [
    'mix',
    'yield-doubtful',
    { mix: 'mix', byBagKgPerM3: 2333.3, statedKgPerM3: 2500 },
    /give 2333 kg\/m³, not 2500/,
  ],

  ['pour', 'core-hot', { coreDegC: 74.6, mostDegC: 70 }, /grows to about 75 °C as it sets, over 70 °C/],
  ['pour', 'core-apart', { coreDegC: 60, faceDegC: 33, apartDegC: 20 }, /about 60 °C, its face to 33 °C/],
  [
    'pour',
    'print-softens',
    { coreDegC: 55, softensDegC: 50, filament: 'PLA' },
    /about 55 °C as it sets; PLA gives from 50 °C/,
  ],
  [
    'pour',
    'sets-before-placed',
    { placedMinutes: 90, setMinutes: 35, mix: 'fast mix' },
    /Concrete lies open for 90 min; fast mix sets in 35 min/,
  ],
  [
    'pour',
    'longer-than-working-time',
    { placedMinutes: 150, workingMinutes: 120 },
    /takes 2\.5 h; it works for 2 h/,
  ],
  [
    'pour',
    'dries-fast',
    { rateKgPerM2H: 1.234, do: 'cover it', limitKgPerM2H: 1 },
    /loses 1\.23 kg\/m² an hour: cover it\. Above 1/,
  ],
  [
    'pour',
    'done-late',
    { step: 'join', stepCount: 3, lateMinutes: 12.3, joint: 'yes', mix: 'fast mix' },
    /^“join” comes 12 min after its window has closed, one of 3.*fast mix under it no longer joins.*cold joint/,
  ],
  [
    'pour',
    'done-late',
    { step: 'place', stepCount: 1, lateMinutes: 0.3, joint: 'no', mix: 'fast mix' },
    /^“place” comes 1 min after.*stiffer/,
    /one of|joint/,
  ],
  ['pour', 'slurry-nowhere', { why: 'hole' }, /^Nobody reaches the faces/],
  ['pour', 'slurry-nowhere', { why: 'up' }, /show face is open/],
  ['pour', 'slurry-nowhere', { why: 'face' }, /cannot be told/],
  ['pour', 'slurry-nowhere', { why: 'coats' }, /face coat of its own/],
  [
    'pour',
    'slurry-thick',
    { slurryMm: 2, leastMm: 0.3, mostMm: 1 },
    /^Slurry 2 mm thick: 0\.3 mm to 1 mm is right/,
  ],
  [
    'pour',
    'mould-warmth',
    { mouldDegC: 2, leastDegC: 5, mostDegC: 40, cold: 'yes' },
    /mould is at 2 °C; it wants 5 °C at least.*Bring it in/,
  ],
  [
    'pour',
    'mould-warmth',
    { mouldDegC: 52, leastDegC: 5, mostDegC: 40, cold: 'no' },
    /mould is at 52 °C; above 40 °C it is cooled/,
    /Bring/,
  ],
  ['pour', 'mix-hot', { concreteDegC: 38, mostDegC: 35 }, /placed at 38 °C; 35 °C is the most/],
  [
    'pour',
    'lift-by-machine',
    { massKg: 240.4, people: 2, limitKg: 33.5, aHeadKg: 120, mostAHeadKg: 25, turns: 'no' },
    /^240 kg to lift: not by hand/,
    /turned/,
  ],
  [
    'pour',
    'lift-by-machine',
    { massKg: 240.4, people: 2, limitKg: 33.5, aHeadKg: 120, mostAHeadKg: 25, turns: 'yes' },
    /^240 kg to lift as it is turned over/,
  ],
  [
    'pour',
    'lift-too-few',
    { massKg: 63, people: 2, wanted: 3, limitKg: 33.5, aHeadKg: 31.5, mostAHeadKg: 25, turns: 'no' },
    /32 kg a head for 2\. Up to 25 kg a head can be planned\. 3 people, a trolley.*\[Plan for 3 people\]/,
  ],
  [
    'pour',
    'lift-too-few',
    { massKg: 38, people: 1, wanted: 0, limitKg: 25, aHeadKg: 38, mostAHeadKg: 25, turns: 'no' },
    /a head for one\. .*Use a trolley, an A-frame or a hoist/,
  ],
  [
    'pour',
    'lift-by-plan',
    { massKg: 46, people: 2, limitKg: 33.5, aHeadKg: 23, mostAHeadKg: 25, turns: 'no' },
    /2 who lift together every day should stay under 33\.5 kg\. Once, and planned/,
  ],
  [
    'pour',
    'lift-by-plan',
    { massKg: 46, people: 1, limitKg: 25, aHeadKg: 46, mostAHeadKg: 25, turns: 'no' },
    /Whoever lifts every day should stay under 25 kg\./,
  ],

  [
    'log',
    'next-time',
    { said: 'wax twice.', on: '2026-05-12' },
    /^Last time you wrote: wax twice\. From the pour of 12 May 2026\./,
    /twice\.\./,
  ],
]

describe('what a finding says', () => {
  it.each(
    ROWS.map(([station, code, facts, says, not]): [string, Explanation, RegExp, RegExp?] => [
      `${code} ${JSON.stringify(facts)}`,
      said(station, code, facts),
      says,
      not,
    ]),
  )('%s', (_, words, says, not) => {
    expect(all(words)).toMatch(says)
    if (not) expect(all(words)).not.toMatch(not)
  })
  it('has no millimetres left where the job is in inches, but in what a thing is called', () => {
    for (const [station, code, facts] of ROWS)
      expect([code, all(said(station, code, facts, INCH))]).toEqual([
        code,
        expect.not.stringMatching(/\d mm\b/),
      ])
  })
  it('names nothing by its id: rows that are not in stock, faces that are not there, fonts that are not held', () => {
    const ids = {
      row: 'row-7x',
      face: 'side/face-7x',
      font: 'font-7x',
      for: 'the base',
      text: 'No 7',
      insert: 'stud',
    }
    const told = Object.entries(WORDS).flatMap(([station, words]) =>
      Object.keys(words)
        .filter((code) => /-missing$|no-face|no-font/.test(code) && code !== 'panels-missing')
        .map((code) => [code, all(said(station as StationName, code, { ...ids, letters: 'Q' }))] as const),
    )
    expect(told.length).toBeGreaterThan(14)
    for (const [code, text] of told)
      expect([code, text]).toEqual([code, expect.not.stringMatching(/7x|undefined/)])
  })
  it('says a reason that ends, under a line that does not', () => {
    for (const [station, code, facts] of ROWS) {
      const { what, why } = said(station, code, facts)
      expect([code, what, why]).toEqual([
        code,
        expect.not.stringMatching(/[.]$/),
        expect.stringMatching(/[.]$/),
      ])
      expect([code, `${what} ${why}`]).toEqual([
        code,
        expect.not.stringMatching(/undefined|NaN|\[object| {2}/),
      ])
    }
  })
})
