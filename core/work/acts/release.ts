import type { WordsStyle } from '../../job/index.ts'
import { count, listed, type Named, type None, told } from './act.ts'

/** Where a face is, as it is said. */
const FACE_WORDS = {
  base: 'the base',
  sides: 'the sides',
  skins: 'the skins',
  'corner-edges': 'the corner blocks',
  'knockout-edges': 'the knockouts',
  tubes: 'the card of the knockouts',
  foam: 'the foam knockouts',
  plugs: 'the bought plugs',
  'hole-plugs': 'the plugs of the holes',
  bridges: 'the bridges, underneath',
  formers: 'the formers',
  'side-liners': 'the side liners',
  liner: 'the liner',
  chamfers: 'the chamfer fillets',
  core: 'the core',
  'upper-form': 'the upper form',
  inside: 'the inside',
  rubber: 'the rubber',
  separators: 'each separator on both faces',
  'tube-inside': 'the inside of the tube',
  ring: 'the inside of the ring',
} as const
export type FaceWord = keyof typeof FACE_WORDS
/** How sides that no screw holds come free of their base. */
const LET_GO = {
  none: 'Cut the glue and take out whatever holds the sides.',
  brads:
    'Drive a wedge between side and base from the outside, a little at each place in turn, until glue and brads let go; the edges tear.',
  'instant-glue':
    'A sharp knock on a block along each joint, from the inside of its lap outward, breaks the glue; the edges tear.',
  'hot-glue':
    'Run spirit (isopropyl alcohol) along the hot glue, wait a minute, lift it with a scraper. No flames near it.',
  tape: 'Slit the tape at each corner and along the foot.',
} as const

export const faceWords = (face: FaceWord): string => FACE_WORDS[face]

type Place = Readonly<Record<'xMm' | 'yMm' | 'zMm', number>>

const placed = (places: readonly Place[], mm: (n: number) => string): string =>
  `${places.map((p) => `${mm(Math.round(p.xMm))} from the left, ${mm(Math.round(p.yMm))} from the front, ${mm(Math.round(p.zMm))} up`).join('; ')}, from the corner of the cast as poured`

/** How an agent is put on. */
const PUT_ON = {
  'paste-wax': ['Wax', (n: number) => `${count(n, 'coat')}, left to haze, then buffed`],
  oil: ['Oil', () => 'a thin film, no pools'],
  'water-based': ['Spray', () => 'thin and even, left to dry'],
  'petroleum-jelly': ['Grease', () => 'a thin film, wiped out of every corner'],
  film: ['Brush a film on', (n: number) => `${count(n, 'coat')}, each dry before the next`],
  silicone: ['Brush', (n: number) => `${count(n, 'thin coat')}, brushed out`],
  'packing-tape': ['Tape', () => 'all over, laps pressed down'],
  lacquer: ['Coat', (n: number) => count(n, 'coat')],
  varnish: ['Coat', (n: number) => count(n, 'coat')],
  fuel: ['Coat', (n: number) => count(n, 'coat')],
  none: ['Leave', () => 'nothing on it'],
} as const satisfies Record<string, readonly [string, (coats: number) => string]>
type AgentWord = keyof typeof PUT_ON

/** What a pattern is of, and why it is closed. */
const PATTERNS = {
  wood: ['wooden pattern', 'dry wood only, for damp it swells and foams what cures on it'],
  print: ['printed pattern', 'its layer lines filled and sanded out first'],
  'resin-print': ['resin print', 'washed and cured to the end first'],
  foam: ['foam pattern', 'without solvent, which eats it'],
  plaster: ['plaster pattern', 'dried for days first'],
  rubber: ['rubber', ''],
} as const
const AGAINST = {
  polyurethane: 'Rubber copies every mark.',
  'tin-silicone': 'Rubber copies every mark.',
  'platinum-silicone':
    'Rubber copies every mark; of what it has not met before a test patch is cast first, and no sulphur, latex glove, sealant or tin-cured rubber comes near it.',
  shell: 'The shell copies every mark.',
} as const
const MADE_ON = {
  pattern: 'the pattern, into every corner',
  'cured-half':
    'the cured face of the first half, into its keys, for rubber bonds to rubber, and the pattern once more',
  'rubber-back': 'the back of the rubber under its jacket',
} as const

const held = (f: { massKg: number }, { kg }: WordsStyle): string =>
  f.massKg > 0 ? ` ${kg(f.massKg)} are turned.` : ''
/** Whether a way is neither upright nor level, degrees off upright. */
const leans = (deg: number): boolean => deg > 1 && deg < 89
type Turned = { readonly massKg: number }

/** What goes on the faces before the pour, and how the mould comes off after it. */
export const RELEASE_ACTS = {
  'seal-face': told(
    'seal the face',
    (f: { face: FaceWord; agent: string; coats: number; tape: boolean; edges: boolean; metal: boolean }) =>
      f.tape
        ? `Tape ${faceWords(f.face)} with ${f.agent}, ${f.edges ? 'every raw edge, over the top too' : 'all over, laps pressed down'}.`
        : `Seal ${faceWords(f.face)} with ${f.agent}, ${count(f.coats, 'coat')}: ${f.metal ? 'bare metal fizzes in wet concrete and leaves it rough' : 'raw it soaks and bonds'}. It must be hard right through before it is waxed.`,
  ),
  'release-face': told(
    'release',
    (f: { faces: readonly FaceWord[]; agent: string; coats: number; by: AgentWord }) =>
      `${PUT_ON[f.by][0]} ${listed(f.faces.map(faceWords))}: ${f.agent}, ${PUT_ON[f.by][1](f.coats)}.`,
  ),
  'film-face': told('a film of release', (f: { face: FaceWord }) =>
    f.face === 'rubber'
      ? 'Nothing on the rubber, or a light water-based release; a film of soapy water makes it last.'
      : `A thin film of release on ${faceWords(f.face)}, brushed into the texture, none in pools.`,
  ),
  'seal-pattern': told(
    'seal the pattern',
    (f: { of: keyof typeof PATTERNS; seal: string; coats: number; against: keyof typeof AGAINST }) =>
      `Seal the ${PATTERNS[f.of][0]} with ${f.seal}, ${count(f.coats, 'coat')}${f.coats > 1 ? ', rubbed down between' : ''}, hard right through: ${PATTERNS[f.of][1]}. ${AGAINST[f.against]}`,
  ),
  'release-making': told(
    'release what is cast on',
    (f: { making: 'pattern' | 'cured-half' | 'rubber-back'; agent: string; coats: number; by: AgentWord }) =>
      `${PUT_ON[f.by][0]} ${MADE_ON[f.making]}: ${f.agent}, ${PUT_ON[f.by][1](f.coats)}; wipe off what pools.`,
  ),
  'drill-vents': told(
    'drill the vents',
    (f: Named & { diameterMm: number; places: readonly Place[] }, { mm }) =>
      `Drill ${count(f.places.length, 'vent')} of ${mm(f.diameterMm)} through ${listed(f.names)}, ${f.places.length === 1 ? 'at the highest place of its pocket' : 'each at the highest place of its pocket'}: ${placed(f.places, mm)}. Wax the ${f.places.length === 1 ? 'hole' : 'holes'}, and stop ${f.places.length === 1 ? 'it' : 'each'} with putty when concrete shows.`,
  ),
  'cut-vents': told('cut the vents back', (f: { vents: number }) =>
    f.vents === 1
      ? 'Cut the nib of the vent off while it is green, and rub it flush.'
      : `Cut the ${f.vents} nibs of the vents off while they are green, and rub them flush.`,
  ),
  'drill-air-holes': told(
    'air holes',
    (f: Named & { holes: number; diameterMm: number; places: readonly Place[] }, { mm }) =>
      `Drill ${f.holes === 1 ? 'an air hole' : `${f.holes} air holes`} of ${mm(f.diameterMm)} through ${listed(f.names)}, where ${f.names.length === 1 ? 'it covers' : 'each covers'} the concrete, ${f.holes > f.places.length ? 'spread over it, the first' : 'in its middle'}: ${placed(f.places, mm)}. Closed all round, it holds like a sucker.`,
  ),
  'mark-ways': told(
    'mark how it goes',
    (f: { names: readonly string[]; ways: readonly string[]; byMm: number }, s) =>
      `While ${f.names.length === 1 ? 'it stands' : 'they stand'} right, mark ${listed(f.names)} outside with name, an arrow up and one to the front: put in ${f.ways.join(' or ')} ${f.names.length === 1 ? 'it goes' : 'each goes'} in too, and is off by about ${s.fine(f.byMm)}. A notch or a peg off the middle of one edge keeps ${f.names.length === 1 ? 'it' : 'them'} right.`,
  ),
  'tape-air-holes': told(
    'tape the air holes',
    (f: Named & { holes: number }) =>
      `Tape ${f.holes === 1 ? 'the air hole' : 'the air holes'} of ${listed(f.names)} over on the face, flat and tight.`,
  ),
  'check-no-bare-spot': told(
    'no bare spot?',
    (f: { faces: readonly FaceWord[]; agents: readonly string[] }) =>
      `No bare spot on ${listed(f.faces.map(faceWords))}, looked at in slanting light: ${listed(f.agents)} all over. What is bare there bonds to the concrete.`,
  ),
  'check-gripped': told(
    'waxed where gripped?',
    (f: Named) =>
      `Released right down into the corners: ${listed(f.names)}. The concrete grips ${f.names.length === 1 ? 'it' : 'them'} from two sides, and dry ${f.names.length === 1 ? 'it locks' : 'they lock'}.`,
  ),
  'check-vents': told('vents open?', (f: { vents: number }) =>
    f.vents === 1
      ? 'A wire goes right through the vent, and putty to stop it lies at hand.'
      : `A wire goes right through each of the ${f.vents} vents, and putty to stop them lies at hand.`,
  ),

  // Board box
  'lift-hung': told(
    'hung formers off',
    (f: Named) =>
      `Once the concrete stands by itself, lift off what hangs from the bridges, straight up: ${listed(f.names)}.`,
  ),
  'ease-knockouts': told(
    'ease the knockouts',
    (f: Named & { screwed: boolean }) =>
      `${f.screwed ? `From final set, take the screws out of ${listed(f.names)} from below` : `From final set, free ${listed(f.names)}`}; turn and ease ${f.names.length === 1 ? 'it until it moves; do not pull it' : 'each until it moves; do not pull one'} yet.`,
  ),
  'side-screws-out': told(
    'side screws out',
    (f: { screws: number }) => `Take out the screws of the sides, all ${f.screws}. Count them.`,
  ),
  'sides-let-go': told('let the sides go', (f: { by: keyof typeof LET_GO }) => LET_GO[f.by]),
  'side-off': told(
    'side off',
    (f: { name: string; runPast: boolean }) => `Side off: ${f.name}; ${lever(f.runPast)}.`,
    (all) => `Sides off in this order: ${all.map((f) => f.name).join(', ')}; ${lever(all[0]!.runPast)}.`,
  ),
  'side-lifted': told(
    'side lifted off',
    (f: { name: string }) =>
      `Slide ${f.name} straight up, tapped at both ends in turn: it does not come outward.`,
  ),
  'side-tilted': told(
    'side tilted off',
    (f: { name: string; first: 'head' | 'foot'; tiltDeg: number }) =>
      `Tilt ${f.name} off, its ${f.first === 'head' ? 'upper edge' : 'foot'} outward by about ${f.tiltDeg}°, then draw it away: straight out it catches.`,
  ),
  'skins-off': told('skins off', (f: Named & { ribs: boolean }) =>
    f.ribs
      ? `Prise the ribs off ${listed(f.names)}, then peel each skin away from one end.`
      : `Peel ${listed(f.names)} away from one end.`,
  ),
  'corners-off': told('corners off', (f: Named) => `Off with ${listed(f.names)}, outward from the corner.`),
  'turn-on-base': told(
    'turn it over',
    (f: Turned, s) =>
      `Turn the slab over with its base still on, onto battens across its length.${held(f, s)}`,
  ),
  'peel-base': told(
    'base off',
    (_: None) => 'Peel the base off from one short end, with a thin wedge at each corner.',
  ),
  'break-free': told(
    'off its base',
    (_: None) => 'Break the slab free of its base: wedge one end up, slide battens under, then lift.',
  ),
  'roll-liners-off': told(
    'liners off',
    (f: Named) => `Roll ${listed(f.names)} off from one end, slowly, out of the texture and not along it.`,
  ),
  'draw-formers': told(
    'formers out',
    (f: Named) =>
      `Draw the formers out of the face: ${listed(f.names)}. What is stuck is warmed or soaked, never levered.`,
  ),
  'draw-wedges': told(
    'wedges out',
    (f: Named & { down: boolean }) =>
      `Draw the ${f.names.length === 1 ? 'wedge' : 'wedges'} first, by a screw driven into each, ${f.down ? 'out of the face that was down' : 'out of the back'}: ${listed(f.names)}.`,
  ),
  'fold-halves': told(
    'halves out',
    (f: Named) => `Fold the halves inward and lift them out: ${listed(f.names)}.`,
  ),
  'draw-tubes': told(
    'tubes out',
    (f: Named) => `Cut the tape of ${listed(f.names)}, turn the card in on itself and draw it out.`,
  ),
  'dig-out': told('foam out', (f: Named) => `Dig ${listed(f.names)} out in pieces.`),
  'wide-end-out': told(
    'knockouts out',
    (f: Named & { down: boolean }) =>
      `${listed(f.names)}: out by the wide end, ${f.down ? 'which was down' : 'which was up'}; a tap on the narrow one.`,
  ),
  'press-out': told('knockouts out', (f: Named) =>
    f.names.length === 1 ? `Press ${f.names[0]} out.` : `Press the knockouts out: ${listed(f.names)}.`,
  ),
  'chamfers-off': told('chamfer fillets off', (f: Named) => `Pull off what is left: ${listed(f.names)}.`),

  // A liner on the base, a form on a form
  'lift-base-off-liner': told(
    'base off',
    (f: Turned, s) =>
      `Turn the panel over with base and liner, and lift the base off the liner.${held(f, s)}`,
  ),
  'liner-off': told(
    'liner off',
    (_: None) => 'Roll the liner off from one corner, slowly; never lift the panel out of it.',
  ),
  'bridges-off': told('bridges off', (_: None) => 'Bridges off.'),
  'ring-off': told('upper form off', (f: { of: 'boards' | 'layers' }) =>
    f.of === 'boards'
      ? 'Unscrew the ring at its corners, each board straight outward.'
      : 'Lift the ring of layers straight up off the shell.',
  ),
  'core-screws-out': told('core screws out', (_: None) => 'Take the screws of the core out from below.'),
  'ease-core-out': told(
    'core out',
    (f: { name: string }) => `Ease the ${f.name} out by its air hole, straight; rock nothing.`,
  ),

  // Card tube
  'slit-core': told(
    'close the core',
    (_: None) => 'Pull the tape off the slit of the core and turn it in on itself.',
  ),
  'core-out': told(
    'core out',
    (_: None) => 'Draw the core out along the axis; what is stuck is soaked and peeled.',
  ),
  'tube-off': told(
    'tube off',
    (f: { straps: boolean }) =>
      `${f.straps ? 'Straps off, cleats off' : 'Cleats off'}. Slit the tube from top to foot with a knife set to its wall, and peel it away: it never slides.`,
  ),
  'column-off-base': told(
    'off its base',
    (_: None) => 'Break it free of its base: tip it onto battens, never onto its edge.',
  ),

  // Rubber
  'box-side-off': told(
    'box side off',
    (f: { name: string }) => `Box ${f.name} off.`,
    (all) => `Box sides off in this order: ${all.map((f) => f.name).join(', ')}.`,
  ),
  'turn-in-rubber': told(
    'turn it over',
    (f: Turned, s) => `Turn rubber and cast over onto a padded board.${held(f, s)}`,
  ),
  'rubber-off': told(
    'rubber off',
    (_: None) =>
      'Lift the box base away. Work the rubber loose all round with the fingers, let air in, then roll it off the cast.',
  ),
  'upper-half-off': told(
    'upper half off',
    (_: None) => 'Loosen the upper half all round with the fingers and let air in, then peel it up.',
  ),
  'lower-half-off': told(
    'lower half off',
    (_: None) =>
      'Flex the lower half down off the cast; the cast is never pulled from it. Cut the sprue and the vents off while it is green.',
  ),
  'turn-in-jacket': told(
    'turn it over',
    (f: Turned, s) => `Turn it over onto a padded board, jacket and all.${held(f, s)}`,
  ),
  'jackets-off': told(
    'jacket off',
    (f: { pieces: number }) =>
      `Bolts out, jacket off${f.pieces > 1 ? ' piece by piece, outward of its seams' : ''}.`,
  ),
  'peel-rubber': told(
    'rubber peeled off',
    (_: None) => 'Peel the rubber back from its rim like a glove; never pull the cast out of it.',
  ),

  // Shells
  'upper-shell-off': told(
    'first shell off',
    (f: { name: string; level: boolean; leanDeg: number }) =>
      `Straps and clamps off, the ${f.name} straight ${f.level ? 'up' : leans(f.leanDeg) ? `off, ${Math.round(f.leanDeg)}° off upright` : 'back'}, rocked loose at its rim.`,
  ),
  'turn-in-shell': told(
    'turn it over',
    (f: { name: string; massKg: number }, s) =>
      `Turn the cast in its ${f.name} onto a padded board.${held(f, s)}`,
  ),
  'shell-off': told('shell off', (f: { name: string; level: boolean; leanDeg: number }) =>
    leans(f.leanDeg)
      ? `Draw the ${f.name} straight off the cast the other way; it is held by its top: it is heavy and round.`
      : f.level
        ? `Lift the ${f.name} off it; cut filling hole and vents back while it is green.`
        : `Draw the ${f.name} forward off the cast, which is held by its top: it is heavy and round.`,
  ),
  'printed-parts-off': told(
    'prints off',
    (f: { parts: number }) =>
      `Bolts and pins out, then ${count(f.parts, 'part')} off${f.parts > 1 ? ', each square to its seam' : ''}, a thin wedge in the flange, never against the concrete.`,
  ),
  'turn-in-print': told(
    'turn it over',
    (f: Turned, s) => `Turn it over in its print onto a padded board.${held(f, s)}`,
  ),
  'print-off': told('print off', (_: None) => 'Tap the floor of the print and lift it off, square.'),
  'print-half-off': told('half of the print off', (f: { first: boolean; level: boolean; leanDeg: number }) =>
    f.first
      ? `Bolts and pins out, then ${f.level ? 'the upper half straight up' : leans(f.leanDeg) ? `one half straight off, ${Math.round(f.leanDeg)}° off upright` : 'one half straight off, level'}, a thin wedge in the flange, never against the concrete.`
      : f.level
        ? 'Tap the lower half and lift it off, square.'
        : 'Draw the other half off the other way; the cast is held by its top.',
  ),
  'floor-off': told(
    'printed floor off',
    (_: None) => 'Lift the cast off the printed floor, one end first, and wash the floor.',
  ),

  // A bent ring
  'ring-peeled': told(
    'ring off',
    (_: None) => 'Straps and cleats off, slit the tape of the lap and peel the ring away from there.',
  ),

  // Planks
  'core-wedge-out': told(
    'wedge out',
    (f: { wedges: number }) =>
      `Take the screw out of ${f.wedges === 1 ? 'the wedge' : 'each wedge'} and draw it into the hollow, straight.`,
  ),
  'core-boards-in': told(
    'core folded in',
    (f: { cores: number }) =>
      `Slide the halves of the parted wall of ${f.cores === 1 ? 'the core' : 'each core'} towards each other and lift them out; then the walls beside it, the far wall, and what closes its end.`,
  ),
  'core-drawn': told(
    'core drawn',
    (f: { cores: number }) =>
      `Open the air hole and draw ${f.cores === 1 ? 'the core' : 'each core'} out whole, straight along its draft, a little at each end in turn; never prise against the wall.`,
  ),
  'turn-in-planks': told(
    'turn it over',
    (f: Turned, s) => `Turn it over with its base still on, onto a padded board.${held(f, s)}`,
  ),
  'planks-base-off': told('base off', (_: None) => 'Take the screws out of the base and lift it off.'),
  'plugs-out': told('plugs out', (f: Named) =>
    f.names.length === 1
      ? 'Turn the plug and press it out.'
      : `Turn and press out the plugs: ${listed(f.names)}.`,
  ),
  'inner-boards-up': told(
    'inner boards up',
    (f: Named) =>
      `Lift ${listed(f.names)} straight up as they hang together, tapped loose at both ends in turn.`,
  ),
  'inner-boards-out': told(
    'inner boards out',
    (f: Named) =>
      `Slide ${listed(f.names)} out endways, or ease the foot away first: at inside corners they are mitred into each other.`,
  ),

  // Layers, profiles
  'dig-core': told('hollow emptied', (f: { cores: number; foam: boolean }) =>
    f.foam
      ? `Take ${f.cores === 1 ? 'the core' : `the ${f.cores} cores`} out of the hollow first: saw into the foam, break it inward and dig it out, never prising against the wall.`
      : `Draw ${f.cores === 1 ? 'the core' : `the ${f.cores} cores`} out of the hollow first, straight, by the bridge it hung from.`,
  ),
  'dig-core-up': told(
    'core out',
    (_: None) =>
      'The hollow is open upward now: cut away the foam that was its floor, saw into the core, break it inward and dig it out, never prising against the wall.',
  ),
  'break-foam': told(
    'foam off',
    (_: None) =>
      'Foam is cut and broken away: saw down to within a finger of the cast at each corner, then prise the pieces outward.',
  ),
  'turn-in-block': told(
    'turn it over',
    (f: Turned, s) => `Turn block and cast over onto a padded board.${held(f, s)}`,
  ),
  'block-off': told(
    'block off',
    (_: None) => 'Tap the block loose all round and lift it off the cast, air in at the lowest corner.',
  ),
  'posts-off': told('posts off', (_: None) => 'Posts off: unscrew them from the ribs.'),
  'ribs-off': told('ribs off', (f: { ribs: number }) =>
    f.ribs === 1
      ? 'Rib off, lifted clear of the cast.'
      : 'Ribs off from the top, lifted clear of the cast one by one.',
  ),
  'peel-skin': told('skin peeled off', (f: { strips: number }) =>
    f.strips === 1 ? 'Peel the skin away from one edge.' : 'Peel each length of skin away from one edge.',
  ),
  'separators-out': told(
    'separators drawn',
    (f: { separators: number }) =>
      `Ease the blocks apart with wedges at the top and draw the ${f.separators === 1 ? 'separator' : 'separators'} up.`,
  ),
  'lift-block': told(
    'block lifted',
    (f: { name: string; massKg: number }, s) =>
      `Tip ${f.name} off the base onto battens by itself: ${s.kg(f.massKg)}.`,
    (all, s) =>
      `Tip the blocks off the base onto battens one by one: ${all.map((f) => `${f.name} ${s.kg(f.massKg)}`).join(', ')}.`,
  ),
  'straps-off': told('straps off', (_: None) => 'Straps off from the top.'),
  'dig-packing': told('fill dug out', (_: None) => 'Dig the fill away evenly all round, from the top.'),
  'tip-off-base': told('off its base', (_: None) => 'Tip the cast off its base onto battens.'),

  // A vessel
  'turn-in-vessel': told(
    'turn it over',
    (f: Turned, s) => `Turn it over on a padded board, the tape off its air hole.${held(f, s)}`,
  ),
  'vessel-off': told(
    'vessel off',
    (_: None) =>
      'Let air in, flex the rim all round and lift. If it holds, slit it from rim to floor on two sides.',
  ),

  'vessel-lifted': told(
    'vessel off',
    (_: None) =>
      'Weights and straps off, let air in under the rim all round, and lift it straight up off the cast.',
  ),
  'vessel-slit': told(
    'vessel cut off',
    (_: None) =>
      'Slit it from rim to foot on two sides with a hooked blade, no deeper than its wall, and peel it away.',
  ),
  'vessel-left-on': told(
    'vessel left on',
    (_: None) => 'Leave it on: trim its edge flush with the concrete. It is the skin of the piece now.',
  ),
  'lift-by-bag': told(
    'out by its bag',
    (_: None) => 'Let air in between bag and wall, lift the vessel off, and peel the bag out of its folds.',
  ),
  'upper-half-lifted': told(
    'upper half off',
    (_: None) => 'Straps and tape off, the upper half worked loose at its rim and lifted off.',
  ),

  'glue-up': told(
    'glue it up',
    (f: { panels: number; adhesive: string; floor: 'between' | 'under' }) =>
      `Glue the ${count(f.panels, 'panel')} together on a flat board, ${f.adhesive}, taped outside and squared by its diagonals; ${f.floor === 'between' ? 'walls round the floor first' : 'walls on the floor first'}.`,
  ),
}

const lever = (runPast: boolean): string =>
  runPast
    ? 'lever at the ends that run past, never against the concrete'
    : 'tap outward at both ends, never lever against the concrete'
