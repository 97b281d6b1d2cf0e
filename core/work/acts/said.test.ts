import { describe, expect, it } from 'vitest'
import { INCH, METRIC } from '../../testing/says.ts'
import { ACTS } from '../acts.ts'
import { type Act, act, type FactsOf, sayAct } from '../index.ts'

const moved = (told: Partial<FactsOf<'move-cast'>>): Act =>
  act('move-cast', {
    massKg: 40,
    liftPeople: 2,
    way: 'lump',
    blockCount: 2,
    flatMpa: 10,
    leastMpa: 10,
    fromMm: [100, 400],
    ...told,
  })

const compacted = (told: Partial<FactsOf<'compact'>>): FactsOf<'compact'> => ({
  tool: 'saw',
  by: 'open',
  from: 'corners',
  vents: 0,
  number: 1,
  liftCount: 1,
  litres: 40,
  workMinutes: 4.2,
  apartMm: 200,
  wet: false,
  ...told,
})

/** What each act says by its facts: one row a branch, with what must stand in it, and what must not. */
const ROWS: readonly (readonly [Act, RegExp, RegExp?])[] = [
  [
    act('drill-vents', {
      names: ['lid'],
      diameterMm: 6,
      places: [{ xMm: 260.4, yMm: 80, zMm: 150 }],
    }),
    /^Drill 1 vent of 6 mm through lid, at the highest place of its pocket: 260 mm from the left, 80 mm from the front, 150 mm up, .*stop it with putty/,
  ],
  [
    act('drill-vents', {
      names: ['a', 'b'],
      diameterMm: 6,
      places: [1, 2, 3].map((n) => ({ xMm: n, yMm: n, zMm: n })),
    }),
    /3 vents.*through a and b, each at.*3 mm up, .*the holes, and stop each/,
  ],
  [
    act('release-face', { faces: ['formers'], agent: 'jelly', coats: 1, by: 'petroleum-jelly' }),
    /^Grease the formers: jelly, a thin film, wiped out/,
  ],
  [
    act('release-face', { faces: ['base'], agent: 'PVA', coats: 2, by: 'film' }),
    /^Brush a film on the base: PVA, 2 coats, each dry/,
  ],
  [act('cut-vents', { vents: 1 }), /^Cut the nib of the vent off/],
  [act('cut-vents', { vents: 2 }), /the 2 nibs/],
  [
    act('bed-in-clay', { fromMm: 30, toMm: 30 }),
    /up to the parting line, 30 mm above the foot/,
    /square slid/,
  ],
  [
    act('bed-in-clay', { fromMm: 10, toMm: 60 }),
    /^Draw the parting line first: a square slid.*from 10 mm to 60 mm above the foot/,
  ],
  // Building: boards
  [act('cut-list', { pieces: 12 }), /set once for each width: 12 pieces\. Label/],
  [act('laminate', { names: ['basin knockout'] }), /^Laminate basin knockout: glue, clamp/],
  [act('laminate', { names: ['a', 'b', 'c'] }), /^Laminate a, b and c:/],
  [act('mark-plan', { mirrored: true }), /a mirror image/],
  [act('mark-plan', { mirrored: false }), /as it will stand, front towards you/, /mirror/],
  [
    act('fix-side', { name: 'front', screws: 5, from: 'side' }),
    /front to the base: 5 screws in pilot holes through it into the base’s edge/,
  ],
  [
    act('fix-side', { name: 'back', screws: 1, from: 'below' }),
    /back to the base: 1 screw in pilot holes up through the base/,
  ],
  [act('fix-side', { name: 'back', screws: 0, from: 'none' }), /^Fix back to the base; faced side in\.$/],
  [act('fix-side', { name: 'back', screws: 3, from: 'angled' }), /3 screws in pilot holes set at 45 degrees/],
  [act('fix-side', { name: 'back', screws: 0, from: 'brads' }), /glue on the edge.*held by brads/, /screw/],
  [act('fix-side', { name: 'back', screws: 0, from: 'hot-glue' }), /along the outside/, /screw/],
  [act('fix-side', { name: 'back', screws: 0, from: 'instant-glue' }), /it cannot be moved/, /screw/],
  [act('fix-side', { name: 'back', screws: 0, from: 'tape' }), /round the whole box/, /screw/],
  [act('brace-tops', { braces: 4, rows: 1 }), /^Brace the tops: 4 in all/, /mid height/],
  [act('brace-tops', { braces: 4, rows: 2 }), /a rail along it at mid height/],
  [act('stick-side-liners', { names: ['front liner'], fullMm: 2 }), /to its side, texture in, cut 2 mm full/],
  [act('stick-side-liners', { names: ['a', 'b'], fullMm: 2 }), /a and b to their sides/],
  [act('stick-formers', { names: ['letters'], mirrored: true }), /to the base, mirrored, sealed/],
  [act('stick-formers', { names: ['letters'], mirrored: false }), /to the base, sealed/, /mirrored/],
  [act('try-apron-backs', { names: ['front apron'] }), /its foot on the strike-off line/],
  [act('try-apron-backs', { names: ['a', 'b'] }), /their feet on the strike-off line/],
  // A knockout by each way of holding it: what floats is held from above, what is screwed is not
  [act('fix-knockout', { name: 'basin', how: 'split', wide: 'down' }), /wide end down, .*never the wedge/],
  [act('fix-knockout', { name: 'basin', how: 'split', wide: 'up' }), /wide end up/],
  [act('fix-knockout', { name: 'tap', how: 'tube', wide: 'up' }), /centring disc of tap .*card floats/],
  [
    act('fix-knockout', { name: 'tap', how: 'foam', wide: 'up' }),
    /hold it from above: foam floats/,
    /[Ss]crew/,
  ],
  [
    act('fix-knockout', { name: 'tap', how: 'glue', wide: 'up' }),
    /^Glue tap down .*before it sets/,
    /[Ss]crew/,
  ],
  [
    act('fix-knockout', { name: 'tap', how: 'weight', wide: 'up' }),
    /bridge that bears the weight/,
    /[Ss]crew/,
  ],
  [act('fix-knockout', { name: 'tap', how: 'screws', wide: 'up' }), /^Screw tap down from below/],
  [
    act('bead-round', { names: ['tap'], next: 'basin knockout' }),
    /Seal round tap now: basin knockout will stand/,
  ],
  [
    act('run-bead', { lengthM: 3.456, waxFirst: false }),
    /3\.5 m in all\. Leave it to cure in full before any wax/,
  ],
  [act('run-bead', { lengthM: 3.456, waxFirst: true }), /peels off the wax/, /before any wax/],
  [
    act('check-plan', { mirrored: true, screwed: true }),
    /no screw point through.*a mirror image of the piece/,
  ],
  [act('check-plan', { mirrored: false, screwed: false }), /as the piece will stand/, /screw|mirror/],
  [act('lay-liner', { backed: true, mirrored: true }), /foam backing, then the liner.*mirrored/],
  [
    act('lay-liner', { backed: false, mirrored: false }),
    /^Lay the liner, texture up, its run as the drawing has it/,
    /foam/,
  ],
  // Forms on forms, tubes, patterns
  [act('screw-core', { name: 'core', waste: true }), /over the waste’s disc/],
  [act('screw-core', { name: 'core', waste: false }), /from below; bead round its foot/, /waste/],
  [act('fix-tube-core', { bridged: true }), /hold its top by a bridge/, /floats/],
  [act('fix-tube-core', { bridged: false }), /screw it down: .*it floats/, /bridge/],
  [act('strap-tube', { turns: 1 }), /1 turn of filament tape/],
  [act('strap-tube', { turns: 4 }), /4 turns of filament tape/],
  [
    act('hold-pattern', { forceN: 28.6, by: 'screws', screws: 1, glueCm2: 0, weightKg: 0 }),
    /against 29 N of uplift: 1 screw from below/,
  ],
  [
    act('hold-pattern', { forceN: 28.6, by: 'glue', screws: 0, glueCm2: 5.1, weightKg: 0 }),
    /: 6 cm² of glue/,
    /screw/,
  ],
  [
    act('hold-pattern', { forceN: 28.6, by: 'weight', screws: 0, glueCm2: 0, weightKg: 2.92 }),
    /: 2\.9 kg on a bridge/,
    /glue/,
  ],
  [
    act('pour-rubber', { half: 'whole', rubber: 'silicone', kg: 2.5, aKg: 2, bKg: 0.5, potMinutes: 29.6 }),
    /^Weigh 2\.5 kg of silicone, A 2 kg and B 0\.5 kg; .*within 30 min/,
  ],
  [
    act('pour-rubber', { half: 'upper', rubber: 'silicone', kg: 2.5, aKg: 2, bKg: 0.5, potMinutes: 30 }),
    /^Upper half: weigh/,
  ],
  [
    act('pour-rubber', { half: 'lower', rubber: 'silicone', kg: 2.5, aKg: 2, bKg: 0.5, potMinutes: 30 }),
    /^Lower half: weigh/,
  ],
  [act('stand-rods', { vents: 0 }), /on the highest point\.$/],
  [act('stand-rods', { vents: 1 }), /and a thin one on the other top/],
  [act('stand-rods', { vents: 3 }), /and 3 thin ones, one on every other top/],
  [act('lay-jacket', { pieces: 1 }), /, in one\.$/],
  [act('lay-jacket', { pieces: 2 }), /2 pieces against a fence at each seam/],
  [act('drill-flanges', { pieces: 2, bolts: 8 }), /8 holes; number the pieces/],
  [act('drill-flanges', { pieces: 1, bolts: 0 }), /Mark where jacket and rubber meet/, /Drill/],
  // Shells, prints, layers, profiles
  [act('bed-for-joint', { level: true, curve: false }), /greatest section, level/],
  [act('bed-for-joint', { level: false, curve: false }), /through its middle, lay the pattern down/, /level/],
  [act('bed-for-joint', { level: true, curve: true }), /where it is widest/, /greatest section/],
  [act('open-shells', { vents: 0 }), /cut the filling hole\.$/],
  [act('open-shells', { vents: 2 }), /cut the filling hole and 2 vents/],
  [act('try-seams', { parts: 1 }), /light through the wall/, /seam/],
  [act('try-seams', { parts: 4 }), /each seam dry/],
  [act('fill-prints', { parts: 1 }), /where it shows\.$/],
  [act('fill-prints', { parts: 2 }), /on every seam face/],
  [act('cut-layers', { pieces: 5, layers: 5, sheet: 'XPS' }), /^Cut 5 layers of XPS .*floor up\.$/],
  [
    act('cut-layers', { pieces: 8, layers: 5, sheet: 'XPS' }),
    /^Cut 8 pieces of XPS .*joints lie off those under it/,
  ],
  [act('dowel-layers', { dowels: 8 }), /drill for the dowels/],
  [act('dowel-layers', { dowels: 0 }), /^Stack them dry, mark front and left/],
  [
    act('rout-hollow', { passes: 1, mirrored: true, layers: 1 }),
    /^Rout the hollow, 1 pass in all, each as listed; it lies mirrored/,
  ],
  [
    act('rout-hollow', { passes: 0, mirrored: false, layers: 3 }),
    /layer by layer before they are glued, pass by pass; it lies as the piece will stand/,
  ],
  [act('glue-layers', { layers: 1, dowels: 0 }), /Glue the 1 layer by their marks/],
  [act('glue-layers', { layers: 4, dowels: 8 }), /Glue the 4 layers on their dowels/],
  [act('coat-hollow', { foam: true }), /solvents eat foam/],
  [act('coat-hollow', { foam: false }), /sanded between/, /foam/],
  [act('anchor-cores', { cores: 1 }), /^The core stands loose/],
  [act('anchor-cores', { cores: 2 }), /^2 cores stand loose in the hollow: hang each/],
  [act('cut-ribs', { ribs: 1, outMm: 3 }), /3 mm outside it\.$/],
  [act('cut-ribs', { ribs: 4, outMm: 3 }), /template the other 3 from it/],
  [act('set-separators', { separators: 1 }), /^Stand the separator .*its foot/],
  [act('set-separators', { separators: 2 }), /^Stand the separators .*their feet/],
  [
    act('next-panel', { name: 'floor panel', pieces: 1, casts: 1 }),
    /One mould makes the floor panel: it is cast once/,
  ],
  [act('next-panel', { name: 'front and back panels', pieces: 2, casts: 2 }), /it is cast 2 times/],
  [
    act('next-panel', { name: 'end', pieces: 2, casts: 6 }),
    /^2 panels of one size, the end: one mould, cast 6 times/,
  ],

  // What goes on what a mould is made on
  [
    act('seal-pattern', { of: 'wood', seal: 'lacquer', coats: 2, against: 'polyurethane' }),
    /^Seal the wooden pattern with lacquer, .*foams what cures on it\. Rubber copies/,
    /sulphur|shell/,
  ],
  [
    act('seal-pattern', { of: 'foam', seal: 'varnish', coats: 1, against: 'platinum-silicone' }),
    /^Seal the foam pattern with varnish, .*without solvent.*no sulphur/,
  ],
  [
    act('seal-pattern', { of: 'plaster', seal: 'varnish', coats: 2, against: 'shell' }),
    /plaster pattern .*dried for days.*The shell copies/,
    /[Rr]ubber/,
  ],
  [
    act('release-making', { making: 'pattern', agent: 'silicone release', coats: 2, by: 'silicone' }),
    /^Brush the pattern, into every corner: silicone release, 2 thin coats, brushed out; wipe/,
  ],
  [
    act('release-making', { making: 'cured-half', agent: 'jelly', coats: 1, by: 'petroleum-jelly' }),
    /^Grease the cured face of the first half.*rubber bonds to rubber/,
  ],
  [
    act('release-making', { making: 'rubber-back', agent: 'wax', coats: 2, by: 'paste-wax' }),
    /^Wax the back of the rubber under its jacket/,
  ],
  // What goes on faces
  [
    act('seal-face', { face: 'base', agent: 'lacquer', coats: 1, tape: false, edges: false, metal: false }),
    /^Seal the base with lacquer, 1 coat: .*hard right through/,
  ],
  [
    act('seal-face', { face: 'ring', agent: 'lacquer', coats: 2, tape: false, edges: false, metal: true }),
    /inside of the ring with lacquer, 2 coats: bare metal/,
    /soaks/,
  ],
  [
    act('seal-face', {
      face: 'knockout-edges',
      agent: 'tape',
      coats: 1,
      tape: true,
      edges: true,
      metal: false,
    }),
    /^Tape the knockouts with tape, every raw edge/,
  ],
  [
    act('seal-face', { face: 'foam', agent: 'tape', coats: 1, tape: true, edges: false, metal: false }),
    /all over, laps pressed down/,
    /edge/,
  ],
  [
    act('release-face', { faces: ['base', 'sides'], agent: 'wax', coats: 2, by: 'paste-wax' }),
    /^Wax the base and the sides: wax, 2 coats, left to haze, then buffed/,
  ],
  [
    act('release-face', { faces: ['inside'], agent: 'oil', coats: 1, by: 'oil' }),
    /^Oil the inside: oil, a thin film/,
    /haze/,
  ],
  [act('film-face', { face: 'rubber' }), /Nothing on the rubber/],
  [act('film-face', { face: 'liner' }), /thin film of release on the liner/, /rubber/],
  [
    act('mark-ways', { names: ['core'], ways: ['upside down'], byMm: 1.8 }),
    /^While it stands right, mark core outside.*put in upside down it goes in too.*keeps it right/,
  ],
  [
    act('mark-ways', { names: ['core', 'block'], ways: ['upside down', 'half round'], byMm: 1.8 }),
    /they stand.*upside down or half round each goes in too, and is off by about 1.8 mm/,
  ],
  [
    act('drill-air-holes', {
      names: ['core'],
      holes: 1,
      diameterMm: 6,
      places: [{ xMm: 120, yMm: 80, zMm: 40 }],
    }),
    /^Drill an air hole of 6 mm through core, where it covers/,
  ],
  [
    act('drill-air-holes', {
      names: ['core', 'shell'],
      holes: 3,
      diameterMm: 6,
      places: [
        { xMm: 120, yMm: 80, zMm: 40 },
        { xMm: 0, yMm: 0, zMm: 0 },
      ],
    }),
    /^Drill 3 air holes of 6 mm through core and shell, where each covers/,
  ],
  [act('tape-air-holes', { names: ['core'], holes: 1 }), /^Tape the air hole of core over/],
  [
    act('check-no-bare-spot', { faces: ['inside', 'core'], agents: ['wax'] }),
    /^No bare spot on the inside and the core, .*: wax all over/,
  ],
  [act('check-gripped', { names: ['core'] }), /corners: core\. .* grips it .*dry it locks/],
  [act('check-gripped', { names: ['a', 'b'] }), /corners: a and b\. .* grips them .*dry they lock/],
  [act('check-vents', { vents: 1 }), /^A wire goes right through the vent/],
  [act('check-vents', { vents: 3 }), /each of the 3 vents/],
  // Taking it off
  [
    act('ease-knockouts', { names: ['basin'], screwed: true }),
    /take the screws out of basin from below; turn and ease it until it moves; do not pull it yet/,
  ],
  [
    act('ease-knockouts', { names: ['a', 'b'], screwed: false }),
    /free a and b; turn and ease each until it moves; do not pull one yet/,
    /screw/,
  ],
  [act('side-screws-out', { screws: 18 }), /all 18\. Count them/],
  [act('sides-let-go', { by: 'none' }), /^Cut the glue/, /screws/],
  [act('sides-let-go', { by: 'brads' }), /Drive a wedge.*from the outside/],
  [act('sides-let-go', { by: 'instant-glue' }), /sharp knock/],
  [act('sides-let-go', { by: 'hot-glue' }), /spirit.*No flames/],
  [act('sides-let-go', { by: 'tape' }), /^Slit the tape/],
  [act('side-off', { name: 'front', runPast: true }), /lever at the ends that run past/],
  [act('side-off', { name: 'front', runPast: false }), /tap outward at both ends, never lever/],
  [act('skins-off', { names: ['ring skin'], ribs: true }), /^Prise the ribs off ring skin/],
  [act('skins-off', { names: ['ring skin'], ribs: false }), /^Peel ring skin away/, /ribs/],
  [act('turn-on-base', { massKg: 41.6 }), /42 kg are turned/],
  [act('turn-on-base', { massKg: 0 }), /across its length\.$/, /kg/],
  [
    act('draw-wedges', { names: ['w'], down: true }),
    /^Draw the wedge first.*out of the face that was down: w/,
  ],
  [
    act('draw-wedges', { names: ['w', 'x'], down: false }),
    /^Draw the wedges first.*out of the back: w and x/,
  ],
  [act('wide-end-out', { names: ['k'], down: true }), /which was down/],
  [act('wide-end-out', { names: ['k'], down: false }), /which was up/],
  [act('press-out', { names: ['k'] }), /^Press k out\.$/],
  [act('press-out', { names: ['k', 'l'] }), /^Press the knockouts out: k and l/],
  [act('tube-off', { straps: true }), /^Straps off, cleats off\./],
  [act('tube-off', { straps: false }), /^Cleats off\./, /Straps/],
  [act('jackets-off', { pieces: 2 }), /piece by piece, outward of its seams/],
  [act('upper-shell-off', { name: 'upper shell', level: true, leanDeg: 0 }), /the upper shell straight up/],
  [act('upper-shell-off', { name: 'far shell', level: false, leanDeg: 35 }), /straight off, 35° off upright/],
  [act('shell-off', { name: 'near shell', level: false, leanDeg: 35 }), /off the cast the other way/, /Lift/],
  [
    act('upper-shell-off', { name: 'front shell', level: false, leanDeg: 90 }),
    /the front shell straight back/,
    /up/,
  ],
  [
    act('shell-off', { name: 'lower shell', level: true, leanDeg: 0 }),
    /^Lift the lower shell off it; cut filling hole/,
  ],
  [
    act('shell-off', { name: 'back shell', level: false, leanDeg: 90 }),
    /held by its top: it is heavy and round/,
    /Lift/,
  ],
  [
    act('print-half-off', { first: true, level: true, leanDeg: 0 }),
    /then the upper half straight up, a thin/,
  ],
  [
    act('print-half-off', { first: true, level: false, leanDeg: 30 }),
    /one half straight off, 30° off upright/,
  ],
  [act('print-half-off', { first: true, level: false, leanDeg: 90 }), /one half straight off, level/, /°/],
  [act('print-half-off', { first: false, level: true, leanDeg: 0 }), /^Tap the lower half and lift/],
  [act('print-half-off', { first: false, level: false, leanDeg: 90 }), /held by its top/, /lower/],
  [act('printed-parts-off', { parts: 1 }), /then 1 part off, a thin wedge/, /each/],
  [act('printed-parts-off', { parts: 4 }), /then 4 parts off, each square to its seam/],
  [act('dig-core', { cores: 1, foam: true }), /^Take the core out of the hollow first: saw/],
  [act('dig-core', { cores: 3, foam: false }), /^Draw the 3 cores out of the hollow first, straight/, /saw/],
  [act('ribs-off', { ribs: 3 }), /from the top/],
  [act('peel-skin', { strips: 3 }), /each length of skin/],
  [act('separators-out', { separators: 2 }), /draw the separators up/],
  [
    act('lift-block', { name: 'block 1', massKg: 83.4 }),
    /Tip block 1 off the base onto battens by itself: 83 kg/,
  ],
  [
    act('glue-up', { panels: 6, adhesive: 'epoxy', floor: 'between' }),
    /Glue the 6 panels .*walls round the floor first/,
  ],
  [act('glue-up', { panels: 5, adhesive: 'epoxy', floor: 'under' }), /walls on the floor first/],

  // The day
  [act('check-level', { on: 'sand', open: true }), /Plumb and firm in its bed, its open side level/],
  [act('check-level', { on: 'sand', open: false }), /^Plumb and firm in its bed\.$/],
  [act('check-level', { on: 'table', open: true }), /^Level both ways/],
  [
    act('check-held', { parts: ['basin knockout'], joints: true }),
    /^Held fast: basin knockout\. Every joint tight/,
  ],
  [act('check-held', { parts: [], joints: false }), /^Nothing in it can move\.$/],
  [act('check-released', { agents: ['wax'], film: false }), /clean and released: wax/],
  [act('check-released', { agents: [], film: true }), /their film thin and even/],
  [act('check-released', { agents: [], film: false }), /nothing goes on them/],
  [
    act('mix-batch', {
      number: 1,
      batches: 1,
      bags: 0.5,
      weighedKg: 0,
      waterLitres: 1.5,
      heldBackLitres: 0.15,
      fibreKg: 0,
      doses: [],
      parts: [],
      coat: 'all',
    }),
    /^Mix: half a bag, 1\.5 L water, 0\.15 L of it held back/,
    /Into the water/,
  ],
  [
    act('mix-batch', {
      number: 1,
      batches: 1,
      bags: 1,
      weighedKg: 0,
      waterLitres: 3,
      heldBackLitres: 0.3,
      fibreKg: 0,
      doses: [
        { name: 'red oxide pigment', amountKg: 0.1275 },
        { name: 'plasticiser', amountKg: 0.021 },
      ],
      parts: [],
      coat: 'all',
    }),
    /Into the water first, weighed exactly: 0\.128 kg of red oxide pigment and 0\.0210? kg of plasticiser\./,
  ],
  [
    act('slurry-face', { cementKg: 0.692, waterLitres: 0.277, slurryMm: 0.5, skinMinutes: 20 }),
    /^Stir 0\.69 kg of cement into 0\.28 L of water and brush it over the show face, 0\.5 mm thick, no pools\..*5 to 20 minutes/,
  ],
  [
    act('mix-batch', {
      number: 1,
      batches: 1,
      bags: 0.1,
      weighedKg: 9.05,
      waterLitres: 0.54,
      heldBackLitres: 0.05,
      fibreKg: 0,
      doses: [],
      parts: [
        { kind: 'sand', kg: 2.8, litres: 2, vessels: 0.4 },
        { kind: 'cement', kg: 1.35, litres: 1, vessels: 0.2 },
      ],
      coat: 'all',
    }),
    /^Mix: 2\.8 kg of sand, 0\.4 of the vessel and 1\.35 kg of cement, 0\.2 of the vessel, 0\.54 L water/,
    /bag/,
  ],
  [
    act('mix-batch', {
      number: 2,
      batches: 3,
      bags: 2,
      weighedKg: 0,
      waterLitres: 6,
      heldBackLitres: 0.6,
      fibreKg: 0,
      doses: [],
      parts: [],
      coat: 'all',
    }),
    /^Batch 2: 2 bags/,
  ],
  [
    act('mix-batch', {
      number: 1,
      batches: 1,
      bags: 1,
      weighedKg: 0,
      waterLitres: 3,
      heldBackLitres: 0.3,
      fibreKg: 0.0072,
      doses: [],
      parts: [],
      coat: 'all',
    }),
    /Last 0\.007 kg of fibre, strewn in/,
  ],
  [
    act('mix-batch', {
      number: 1,
      batches: 1,
      bags: 0.163,
      weighedKg: 4.07,
      waterLitres: 0.489,
      heldBackLitres: 0.049,
      fibreKg: 0,
      doses: [],
      parts: [],
      coat: 'all',
    }),
    /^Mix: 4\.07 kg of the mix, the bag turned over first.*0\.49 L water/,
    /bag,/,
  ],
  [
    act('place-batch', { number: 1, batches: 1, litres: 20.25, by: 'open', part: 'all', fillMm: 0 }),
    /^Place it, 20\.3 L\.$/,
  ],
  [
    act('place-batch', { number: 1, batches: 1, litres: 9, by: 'open', part: 'under', fillMm: 18.5 }),
    /^Place it until the fill is 19 mm deep, about 9 L, struck level; keep the rest back\.$/,
  ],
  [
    act('lay-mesh', { fillMm: 18, coverMm: 15, bars: 1 }),
    /lies flat\. 1 bar is tied on to it where the plan shows\.$/,
  ],
  [act('lay-mesh', { fillMm: 18, coverMm: 15, bars: 3 }), /3 bars are tied on/],
  [
    act('mix-batch', {
      number: 1,
      batches: 2,
      bags: 0.5,
      weighedKg: 0,
      waterLitres: 1.6,
      heldBackLitres: 0.16,
      fibreKg: 0,
      doses: [],
      parts: [],
      coat: 'face',
    }),
    /^Batch 1, for the face coat: half a bag/,
  ],
  [
    act('place-face', { number: 1, litres: 2, faceMm: 3, by: 'sprayed' }),
    /^Spray batch 1 over every face, 2 L, 3 mm thick, from/,
  ],
  [
    act('lay-out-bearers', { fromMm: [236, 945], end: 'left' }),
    /^Lay two softwood bearers out .* 236 mm and 945 mm from its left end/,
    /9 5.16" and 37 3.16" from its left end/,
  ],
  [act('lay-out-bearers', { fromMm: [128, 492], end: 'either' }), /each 128 mm from an end/],
  [moved({ way: 'edge', flatMpa: 10 }), /^Move it on edge or flat: 40 kg, 2 people\./],
  [moved({ way: 'edge', flatMpa: 14.2 }), /on edge, flat only from 15 MPa: /],
  [moved({ way: 'edge', flatMpa: 0 }), /on edge, never flat: /],
  [
    moved({ way: 'bar', massKg: 12, liftPeople: 1 }),
    /straps or bearers 100 mm and 400 mm .*12 kg, one person/,
  ],
  [moved({ way: 'post' }), /^Move it standing, strapped to a trolley/],
  [moved({ way: 'blocks', liftPeople: null }), /^Move the 2 blocks one by one, .*not by hand: hoist/],
  [moved({ way: 'lump' }), /^Move it on straps round its thickest part/],
  [
    act('set-in-ground', {
      massKg: 75,
      liftPeople: 3,
      holeMm: 500,
      holeDepthMm: 290,
      depthMm: 190,
      bedLitres: 20,
      concreteLitres: 26,
    }),
    /^Dig a hole 500 mm across and 290 mm deep.* 20 L of gravel .*75 kg, 3 people, 190 mm of it below ground; plumb .*two props .*26 L of concrete/,
    /ft³ of gravel/,
  ],
  [act('place-face', { number: 1, litres: 2, faceMm: 3, by: 'brushed' }), /^Brush .*twice over edges/],
  [act('place-face', { number: 1, litres: 2, faceMm: 3, by: 'poured' }), /^Pour .*tilted/],
  [act('wait-face', {}), /no longer lifts to a finger/],
  [act('roll-coats', { goes: 1 }), /no air is left; thicken/],
  [act('roll-coats', { goes: 3 }), /each of its 3 goes/],
  [
    act('press-mat', { fillMm: 18.5, coverMm: 15, bars: 0, mesh: true }),
    /^Press the mesh into the full form until it lies 19 mm above the base/,
  ],
  [
    act('press-mat', { fillMm: 18, coverMm: 15, bars: 2, mesh: false }),
    /^Press the bars into the full form until they lie/,
  ],
  [act('hang-mat', { fillMm: 18, coverMm: 15, bars: 0, mesh: true }), /^Hang the mesh on wires/],
  [act('hang-mat', { fillMm: 18, coverMm: 15, bars: 2, mesh: false }), /^Hang the bars on wires/],
  [act('lay-bars', { fillMm: 18, bars: 2 }), /^Lay 2 bars on the fill, 18 mm deep/],
  [
    act('chair-mat', { fillMm: 18, coverMm: 15, bars: 0, mesh: true, chairs: 6 }),
    /^Stand the mesh on 6 mortar chairs, 18 mm above the base/,
  ],
  [
    act('chair-mat', { fillMm: 18, coverMm: 15, bars: 2, mesh: false, chairs: 1 }),
    /^Stand the bars on 1 mortar chair,/,
  ],
  [
    act('bend-strips', { strips: [{ lengthMm: 960, cutWidthMm: 290, liesMm: 150 }] }),
    /^Cut 1 strip of mesh for the apron, 960 mm by 290 mm, and bend it square over an edge 150 mm in/,
  ],
  [
    act('bend-strips', {
      strips: [
        { lengthMm: 960, cutWidthMm: 290, liesMm: 150 },
        { lengthMm: 560, cutWidthMm: 290, liesMm: 150 },
      ],
    }),
    /^Cut 2 strips of mesh for the aprons, 960 mm by 290 mm and 560 mm by 290 mm, and bend each/,
  ],
  [act('bend-bars', { bars: 4, bentCount: 0 }), /^Cut 4 bars to the bending list: gloves/],
  [act('bend-bars', { bars: 4, bentCount: 2 }), /, and bend those that it says/],
  [act('push-bar', { bars: 1, coverMm: 30, fillMm: 0 }), /^Push the bar in by hand .* 30 mm under the fill/],
  [act('push-bar', { bars: 2, coverMm: 30, fillMm: 0 }), /^Push the 2 bars in/],
  [act('stand-cage', { of: 'bar', coverMm: 15 }), /^Hang the bar in the mould, 15 mm clear of its end/],
  [act('stand-cage', { of: 'hoops', coverMm: 15 }), /^Tie the hoops/],
  [act('stand-cage', { of: 'cage', coverMm: 15 }), /^Tie the cage at every crossing/],
  [
    act('tie-void', { coverMm: 60, holdForceN: 90, straps: 2, drainMm: 12 }),
    /2 straps over it .*A tube of 12 mm/,
  ],
  [act('tie-void', { coverMm: 60, holdForceN: 90, straps: 2, drainMm: 0 }), /Sealed all round/],
  [
    act('place-batch', { number: 2, batches: 2, litres: 11, by: 'open', part: 'over', fillMm: 18.5 }),
    /^Place the rest of batch 2 over the steel at once, 11 L\.$/,
  ],
  [
    act('place-batch', { number: 2, batches: 3, litres: 18, by: 'hole', part: 'all', fillMm: 0 }),
    /^Place batch 2, 18 L, by the filling hole/,
  ],
  [
    act('compact', compacted({})),
    /^Hold a bladeless reciprocating saw .* from corners and arrises inward .* about 4 min\.$/,
  ],
  [act('compact', compacted({ from: 'edge', tool: 'rod' })), /^Rod it .* from the edge inward/],
  [
    act('compact', compacted({ tool: 'poker', number: 2, liftCount: 3 })),
    /^Lift 2 of 3, 40 L: poker in quickly .* every 200 mm/,
  ],
  [
    act('compact', compacted({ tool: 'mallet', wet: true })),
    /rubber mallet .* no longer: a wet mix parts\.$/,
  ],
  [
    act('compact', compacted({ by: 'hole', tool: 'mallet' })),
    /^Tap and turn .* no more bubbles come from the hole, about/,
    /vent|corner/,
  ],
  [act('compact', compacted({ by: 'hole', tool: 'saw' })), /saw to its flanges/],
  [act('compact', compacted({ by: 'hole', tool: 'mallet', vents: 2 })), /plug each vent as it runs full/],
  [
    act('screed', { along: 'sides', clear: ['the knockout tops'] }),
    /^Screed to the sides; clear the knockout tops/,
  ],
  [act('screed', { along: 'rim', clear: [] }), /^Strike off level with the rim\.$/, /sides/],
  [act('screed', { along: 'bridges', clear: [] }), /from bridge to bridge/],
  [act('cover', { open: true }), /with film, down round every edge/],
  [act('cover', { open: false }), /Film over the filling hole/, /edge/],
  // Finishing
  [
    act('drill-openings', { names: ['tap hole 1', 'tap hole 2'], bitsMm: [35], sawn: [] }),
    /^Drill tap hole 1 and tap hole 2 with a diamond core bit, 35 mm across/,
    /Saw/,
  ],
  [
    act('drill-openings', { names: ['pipe', 'tap'], bitsMm: [35, 60], sawn: ['hatch'] }),
    /with diamond core bits, 35 mm and 60 mm across, .*Saw hatch along a guide between holes drilled in its corners/,
  ],
  [
    act('drill-openings', { names: [], bitsMm: [], sawn: ['a', 'b'] }),
    /^Saw a and b .*their corners/,
    /Drill /,
  ],
  [
    act('side-tilted', { name: 'left', first: 'head', tiltDeg: 11 }),
    /^Tilt left off, its upper edge outward by about 11°/,
  ],
  [act('side-tilted', { name: 'left', first: 'foot', tiltDeg: 4 }), /its foot outward by about 4°/],
  [act('side-lifted', { name: 'notch left' }), /^Slide notch left straight up.*does not come outward/],
  [act('ease-arrises', { fins: true }), /Take off fins/],
  [act('ease-arrises', { fins: false }), /^Ease sharp arrises/, /fins/],
  [act('smooth-seam', { seams: 2 }), /Dress the seams that the mould’s joints left/],
  [act('sand', { wet: true }), /220 then 400/],
  [act('sand', { wet: false }), /lightly, 220, /, /400/],
  [act('coat', { sealer: 'Oil', number: 1, coats: 1 }), /^Oil, 1 coat\.$/],
  [act('coat', { sealer: 'Oil', number: 1, coats: 3 }), /^Oil, coat 1 of 3\.$/],
  [act('coat', { sealer: 'Oil', number: 2, coats: 3 }), /coat 2 of 3, across the last/],
]

describe('what an act says', () => {
  it.each(
    ROWS.map(([told, says, not]): [string, Act, RegExp, RegExp?] => [
      `${told.code} ${JSON.stringify(told.facts)}`,
      told,
      says,
      not,
    ]),
  )('%s', (_, told, says, not) => {
    const text = sayAct(told, METRIC)
    expect(text).toMatch(says)
    if (not) expect(text).not.toMatch(not)
  })
  it('is a whole sentence with a full stop, whatever its facts and units', () => {
    for (const [told] of ROWS)
      for (const style of [METRIC, INCH]) {
        const text = sayAct(told, style)
        expect([told.code, text]).toEqual([told.code, expect.stringMatching(/^[A-Z\d].*[.!]$/)])
        expect([told.code, text]).toEqual([
          told.code,
          expect.not.stringMatching(/undefined|NaN|\[object|\. \.|,,| {2}/),
        ])
      }
  })
  it('is told here for most acts that have something to tell', () => {
    const told = new Set(ROWS.map(([a]) => a.code))
    const silent = Object.entries(ACTS).filter(
      ([code, { say }]) => say.length > 0 && !told.has(code as never),
    )
    // Those left take names alone, or no facts.
    for (const [code, { say }] of silent)
      expect([code, (say as (f: unknown, s: typeof METRIC) => string)(EVERY, METRIC)]).toEqual([
        code,
        expect.stringMatching(/^[A-Z\d].*\.$/),
      ])
  })
})

/** Facts enough for any act that is not told above. */
const EVERY = {
  names: ['a', 'b'],
  name: 'front shell',
  screws: 4,
  braces: 2,
  wrapMm: 3,
  fullMm: 2,
  material: 'fibreglass',
  parts: 2,
  bolts: 6,
  straps: 2,
  keys: 4,
  coats: 3,
  kgEach: 0.4,
  partingMm: 60,
  strips: 2,
  filling: 'sand',
  layers: 3,
  waterKg: 7.5,
  holeMm: 3,
  number: 2,
  rodMm: 25,
  fillMm: 20,
  coverMm: 15,
  dentMm: 1,
  waterLitres: 6,
  massKg: 12,
  next: 'b',
  pieces: 2,
  casts: 2,
}
