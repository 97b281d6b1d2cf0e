import { count, listed, type Named, type None, told } from './act.ts'

/** What is done once for each mould, from bare stock to what can be waxed and filled. */
/** How a side is held to its base. */
const FIXED = {
  side: ' through it into the base’s edge, placed as listed',
  below: ' up through the base, placed as listed',
  angled:
    ' set at 45 degrees through its foot, in from the outside so that no point comes through, placed as listed',
  none: '',
  brads: ': glue on the edge, pressed home and held by brads; no glue inside',
  'instant-glue': ': glue on one edge, activator on the other, set right at once: it cannot be moved',
  'hot-glue': ': a fillet of hot glue all along the outside, on clean dry faces',
  tape: ' with tape under its foot and across each corner, then round the whole box, pulled tight',
} as const

export const BUILD_ACTS = {
  // Boards
  'cut-list': told(
    'cut',
    (f: { pieces: number }) =>
      `Cut the list, the saw set once for each width: ${count(f.pieces, 'piece')}. Label each on its back.`,
  ),
  'saw-leaning': told(
    'saw the leaning sides',
    (f: Named) =>
      `Saw ${listed(f.names)} with the blade tilted for the edges first, then each end by its two angles: the blade’s tilt and the swing across the face. Try both on waste, and mark which face is in before the saw is set.`,
  ),
  laminate: told(
    'laminate',
    (f: Named) => `Laminate ${listed(f.names)}: glue, clamp, leave an hour; then trim to size.`,
  ),
  'drill-air': told(
    'air holes',
    (f: Named) =>
      `Drill a thin air hole right through ${listed(f.names)}, waxed shut for the pour, and drive two screws into the top of each for handles: without air it holds like a sucker.`,
  ),
  'mark-plan': told('mark the plan', (f: { mirrored: boolean }) =>
    f.mirrored
      ? 'Mark the plan on the faced side of the base as the mould lies: a mirror image, the piece’s left on your right. Check it against the drawing, front towards you.'
      : 'Mark the plan on the faced side of the base as it will stand, front towards you.',
  ),
  'lay-on-bearers': told(
    'on bearers',
    (_: None) =>
      'Lay the base on two bearers at least as high as a hand with a screwdriver: its screws go in from below, and must come out from below.',
  ),
  'fix-side': told(
    'fix a side',
    (f: { name: string; screws: number; from: keyof typeof FIXED }) =>
      `Fix ${f.name} to the base${f.screws === 0 ? '' : `: ${count(f.screws, 'screw')} in pilot holes`}${FIXED[f.from]}; faced side in.`,
  ),
  'screw-corners': told(
    'screw the corners',
    (f: { screws: number }) => `A screw at each corner, ${f.screws} in all.`,
  ),
  'bend-skins-to-ribs': told(
    'bend the skins',
    (f: Named) =>
      `Screw the ribs to base and sides, then bend ${listed(f.names)} into them and tack to each rib.`,
  ),
  'glue-in-corners': told('corner blocks', (f: Named) => `Glue in ${listed(f.names)}.`),
  'stick-chamfers': told(
    'chamfer fillets',
    (f: Named) => `Stick the fillets and strips of the edges in: ${listed(f.names)}.`,
  ),
  'stick-side-liners': told(
    'side liners',
    (f: Named & { fullMm: number }, s) =>
      `Stick ${listed(f.names)} to ${f.names.length === 1 ? 'its side' : 'their sides'}, texture in, cut ${s.mm(f.fullMm)} full and pressed home; mitre where two meet.`,
  ),
  'glue-up-formers': told(
    'glue up formers',
    (f: Named) => `Glue up ${listed(f.names)} on a flat board, fill the joints and sand them flush.`,
  ),
  'stick-formers': told(
    'formers on the base',
    (f: Named & { mirrored: boolean }) =>
      `Stick ${listed(f.names)} to the base${f.mirrored ? ', mirrored' : ''}, sealed at every edge.`,
  ),
  'hang-formers': told(
    'hang formers',
    (f: Named) => `Hang ${listed(f.names)} from a bridge across the sides, at its depth.`,
  ),
  'try-apron-backs': told(
    'apron backs',
    (f: Named) =>
      `Screw ${listed(f.names)} to bridges across the sides, ${f.names.length === 1 ? 'its foot' : 'their feet'} on the strike-off line, try the whole in place, and lift it off again: it is set while the slab stiffens.`,
  ),
  'wrap-knockout': told(
    'wrap',
    (f: { name: string; wrapMm: number }, s) =>
      `Wrap ${f.name} all round with ${s.fine(f.wrapMm)} of foam or tape, its joint butted, before it is fixed.`,
  ),
  'fix-knockout': told(
    'fix a knockout',
    (f: {
      name: string
      how: 'split' | 'tube' | 'foam' | 'glue' | 'weight' | 'screws'
      wide: 'down' | 'up'
    }) =>
      f.how === 'split'
        ? `Stand both halves and the wedge of ${f.name} on their mark, wide end ${f.wide}, taped round as one; screw the halves down from below, never the wedge. Grease the wedge.`
        : f.how === 'tube'
          ? `Screw the centring disc of ${f.name} to its mark, slip the slit and taped tube over it, and weigh or strap it down: card floats.`
          : f.how === 'foam'
            ? `Stick ${f.name} down on its mark with spray adhesive and hold it from above: foam floats.`
            : f.how === 'glue'
              ? `Glue ${f.name} down on its mark, as much glue as listed; measure it from two sides again before it sets.`
              : f.how === 'weight'
                ? `Seal ${f.name} down on its mark under a bridge that bears the weight listed; measure it from two sides again.`
                : `Screw ${f.name} down from below on its mark; measure it from two sides again.`,
  ),
  'bead-round': told(
    'seal round',
    (f: Named & { next: string }) =>
      `Seal round ${listed(f.names)} now: ${f.next} will stand too near to reach it.`,
  ),
  'run-bead': told(
    'run the bead',
    (f: { lengthM: number; waxFirst: boolean }, s) =>
      `Run and tool the sealant in every joint that is left, ${s.metres(f.lengthM)} in all. ${f.waxFirst ? 'What is wiped away peels off the wax. Leave it to cure in full.' : 'Leave it to cure in full before any wax: solvents soften it.'}`,
  ),
  'brace-tops': told('brace the tops', (f: { braces: number; rows: number }) =>
    f.rows === 1
      ? `Brace the tops: ${f.braces} in all, before it is filled.`
      : `Brace the sides: ${f.braces} in all, each holding its side at the top and a rail along it at mid height, before it is filled.`,
  ),
  'check-plan': told(
    'look it over',
    (f: { mirrored: boolean; screwed: boolean }) =>
      `Last look at the mould: ${f.screwed ? 'no screw point through, ' : ''}every size against the drawing, the plan ${f.mirrored ? 'a mirror image of the piece' : 'as the piece will stand'}.`,
  ),
  'lay-liner': told(
    'lay the liner',
    (f: { backed: boolean; mirrored: boolean }) =>
      `${f.backed ? 'Lay the foam backing, then' : 'Lay'} the liner, texture up, its run ${f.mirrored ? 'mirrored: check it against the drawing' : 'as the drawing has it'}; press it home at every side.`,
  ),

  // A bent ring
  'cut-ring': told(
    'cut the ring',
    (f: { strips: number; overlapMm: number }, s) =>
      `Cut the sheet for the ring, ${f.strips === 1 ? 'one length' : `${f.strips} equal lengths`}, ends square, and draw the overlap of ${s.mm(f.overlapMm)} on ${f.strips === 1 ? 'one end' : 'one end of each'}; cut base and cleats.`,
  ),
  'mark-circle': told(
    'mark the circle',
    (_: None) => 'Draw the circle of the piece on the faced side of the base, and its middle.',
  ),
  'bend-ring': told(
    'bend the ring',
    (f: { strips: number; overlapMm: number }, s) =>
      `Bend the sheet round, ${f.strips === 1 ? 'its end lapped' : 'each end lapped over the next'} ${s.mm(f.overlapMm)} on the outside, and tape every lap over its whole height, inside too where a line may show. Try its diameter two ways on the circle.`,
  ),
  'fix-ring-cleats': told(
    'cleats',
    (f: { cleats: number }) =>
      `Stand the ring on its circle and screw ${count(f.cleats, 'cleat')} to the base round it, each just touching.`,
  ),

  // Planks
  'saw-drawn': told(
    'saw the drawn boards',
    (f: Named) =>
      `Draw the inside outline of ${listed(f.names)} on the faced side and the outside one on the back, and saw from line to line, the blade tilted for each edge. Try every bevel on waste.`,
  ),
  'box-core': told(
    'box the core',
    (f: { core: string; boards: number; wedge: boolean }) =>
      `Put the ${f.core} together on the bench, faced side out, ${count(f.boards, 'board')}, screwed from inside${f.wedge ? '; the wedge goes in last, greased, flush, held by one screw' : ', its joints tight: it is drawn out whole'}. Drill an air hole through its closed end and tape it over.`,
  ),
  'fix-core-box': told('fix the core', (f: { core: string; hung: boolean }) =>
    f.hung
      ? `Screw the ${f.core} to the bridges, its open side level with the fill line; it is hung in, and weighed down, once the boards round it stand.`
      : `Screw the ${f.core} down on its mark by blocks in its inside corners; measure it from two sides again.`,
  ),
  'fix-plank': told(
    'fix a board',
    (f: { name: string; screws: number }) =>
      `Fix the ${f.name}, faced side in${f.screws > 0 ? `: ${count(f.screws, 'screw')} in pilot holes, placed as listed` : ''}.`,
  ),
  'hang-boards': told(
    'hang the inner boards',
    (f: Named & { screws: number }) =>
      `Put ${listed(f.names)} together on the bench where they meet, faced side to the concrete, and hang them between the boards that stand, at their marks: ${count(f.screws, 'screw')} in pilot holes, placed as listed.`,
  ),
  'screw-battens': told(
    'battens',
    (f: { battens: number }) => `Screw on ${count(f.battens, 'batten')}, on edge, from foot to top.`,
  ),
  'stand-plugs': told(
    'plugs',
    (f: { plugs: number }) =>
      `Wrap and grease ${f.plugs === 1 ? 'the plug' : `the ${f.plugs} plugs`} and fix ${f.plugs === 1 ? 'it' : 'each'} on its mark, both ends tight to the boards.`,
  ),

  // A second form on the first
  'build-core': told(
    'build the core',
    (f: { name: string }) =>
      `Build the ${f.name} up in layers, shape it to its draft, fill, coat, and leave it hard right through.`,
  ),
  'check-core': told(
    'look the core over',
    (f: { name: string }) =>
      `Wash the bought ${f.name}, look it over for nicks, and measure its mouth and depth against the drawing: the basin becomes what it is.`,
  ),
  'screw-core': told(
    'fix the core',
    (f: { name: string; waste: boolean }) =>
      `Screw the ${f.name} to the base from below${f.waste ? ', over the waste’s disc' : ''}; bead round its foot.`,
  ),
  'make-ring': told(
    'make the ring',
    (f: { of: 'boards' | 'layers'; falls: boolean }) =>
      `${f.of === 'boards' ? 'Screw the four leaning boards into a ring' : `Saw each layer out to its outlines, glue them up in order, and smooth the inside to the shell${f.falls ? '; saw the top to the fall of the basin’s floor' : ''}`}; try it over the core with a gauge of the shell’s thickness at eight places.`,
  ),
  'hang-ring': told(
    'hang the ring',
    (_: None) =>
      'Hang the ring from bridges across the rim at the slab’s thickness, screwed to the box: it must not rest on fresh concrete, nor rise.',
  ),

  // Card tube
  'cut-tube': told(
    'cut the tube',
    (_: None) =>
      'Cut the tube to height, square, with a sheet of paper wrapped round it for a line; cut base and cleats.',
  ),
  'tape-tube-foot': told(
    'tape the foot',
    (_: None) =>
      'Tape the outside of the tube’s foot against damp: wet card swells. Line it with film where the spiral must not show, the seam lapped.',
  ),
  'mark-tube': told('mark the base', (_: None) => 'Draw the tube’s outside on the base, and its middle.'),
  'fix-tube-core': told(
    'fix the core',
    (f: { bridged: boolean }) =>
      `Slit the core lengthways, tape it closed, cap its ends, and fix it upright on the middle by a disc that fits inside; ${f.bridged ? 'hold its top by a bridge' : 'screw it down: the floor is cast over it, and it floats'}.`,
  ),
  'stand-tube': told(
    'stand the tube',
    (_: None) => 'Stand the tube on its line and screw the cleats to the base round it.',
  ),
  'bead-tube-foot': told(
    'bead the foot',
    (_: None) => 'Run a bead round its foot outside, and inside where a rounded edge is wanted.',
  ),
  'strap-tube': told(
    'strap it',
    (f: { turns: number }) =>
      `Strap it: ${count(f.turns, 'turn')} of filament tape from the foot up, spaced as listed.`,
  ),
  'stay-top': told(
    'stay its top',
    (_: None) => 'Stay its top to something that does not move: it is top-heavy as it fills.',
  ),

  // Patterns and rubber
  'cut-box': told('cut the box', (_: None) => 'Cut the box and fix its base flat and level.'),
  'hold-pattern': told(
    'fix the pattern',
    (
      f: {
        forceN: number
        by: 'screws' | 'glue' | 'weight'
        screws: number
        glueCm2: number
        weightKg: number
      },
      s,
    ) =>
      `Fix the pattern down, its open face on the base, against ${s.newtons(f.forceN)} of uplift: ${f.by === 'glue' ? `${s.of('patch', Math.ceil(f.glueCm2), 0)} of glue` : f.by === 'weight' ? `${s.kg(f.weightKg, 1)} on a bridge` : `${count(f.screws, 'screw')} from below`}.`,
  ),
  'box-pattern': told('box it', (_: None) => 'Box it, faced side in, the same wall all round.'),
  'seal-box': told(
    'seal the box',
    (_: None) => 'Seal every joint with hot glue or clay that the rubber bears: it finds a pinhole.',
  ),
  'pour-rubber': told(
    'pour the rubber',
    (
      f: {
        half: 'whole' | 'upper' | 'lower'
        rubber: string
        kg: number
        aKg: number
        bKg: number
        potMinutes: number
      },
      s,
    ) =>
      `${f.half === 'whole' ? 'Weigh' : `${f.half === 'upper' ? 'Upper' : 'Lower'} half: weigh`} ${s.kg(f.kg, 2)} of ${f.rubber}, A ${s.kg(f.aKg, 2)} and B ${s.kg(f.bKg, 2)}; mix, and pour a thin stream into the lowest corner within ${Math.round(f.potMinutes)} min.`,
  ),
  'open-block': told(
    'open the box',
    (_: None) =>
      'Open the box, lift the block off the pattern, trim its flash, and put it back into its box the other way up: the hollow is the mould.',
  ),
  'bed-in-clay': told(
    'bed in clay',
    (f: { fromMm: number; toMm: number }, s) =>
      `${f.fromMm === f.toMm ? '' : 'Draw the parting line first: a square slid round the pattern touches it where it is widest. '}Bed the pattern in soft clay inside the box, its foot on a block, clay smooth and square to it up to the parting line, ${f.fromMm === f.toMm ? s.mm(f.fromMm) : `from ${s.mm(f.fromMm)} to ${s.mm(f.toMm)}`} above the foot.`,
  ),
  'press-keys': told(
    'press the keys',
    (f: { keys: number }) =>
      `Press ${count(f.keys, 'ball')} halfway into the clay in the middle of the wall, for keys.`,
  ),
  'stand-rods': told(
    'stand the rods',
    (f: { vents: number }) =>
      `Stand a rod for the filling hole on the highest point${f.vents > 0 ? ` and ${f.vents === 1 ? 'a thin one on the other top' : `${f.vents} thin ones, one on every other top`}` : ''}.`,
  ),
  'clay-off': told(
    'clay off',
    (_: None) =>
      'Turn the box over, take base and clay away, leave the pattern in its half. Wash the last clay off; dry it.',
  ),
  'part-halves': told(
    'part the halves',
    (_: None) =>
      'Open the box, part the halves from one corner, take the pattern out. Put the mould back into its box to fill it, strapped round, the filling hole up.',
  ),
  'stand-pattern': told(
    'stand the pattern',
    (_: None) => 'Stand it on a waxed board, its open face down, fixed; the rubber’s rim lies on this board.',
  ),
  'brush-coats': told(
    'brush the rubber',
    (f: { coats: number; kgEach: number }, s) =>
      `Brush on ${count(f.coats, 'coat')}, ${s.kg(f.kgEach, 2)} each; fill undercuts with thickened rubber until a stiff jacket will draw off it.`,
  ),
  'lay-jacket': told(
    'lay up the jacket',
    (f: { pieces: number }) =>
      `Lay up the jacket over the cured rubber, ${f.pieces === 1 ? 'in one' : `${f.pieces} pieces against a fence at each seam, each flange waxed before the next`}.`,
  ),
  'drill-flanges': told('drill the flanges', (f: { pieces: number; bolts: number }) =>
    f.bolts > 0
      ? `Drill the flanges while it is closed, ${count(f.bolts, 'hole')}; number the pieces.`
      : 'Mark where jacket and rubber meet before they are parted.',
  ),
  'jacket-and-rubber-back': told(
    'rubber into its jacket',
    (_: None) =>
      'Jacket off, rubber peeled off the pattern; back into the jacket, open face up, dusted so that it sits.',
  ),

  // Shells
  'bed-for-joint': told('bed the pattern', (f: { level: boolean; curve: boolean }) =>
    f.curve
      ? 'Draw the joint round the pattern where it is widest, seen along the way the shells come apart, and bed it in clay up to that line, the clay square out of it; press keys into the clay.'
      : f.level
        ? 'Draw the joint round the pattern at its greatest section, level, and bed it in clay up to that line; press keys into the clay.'
        : 'Draw the joint round the pattern through its middle, lay the pattern down, and bed it in clay up to that line; press keys into the clay.',
  ),
  'lay-up-shell': told(
    'first shell',
    (f: { name: string; material: string }) =>
      `Lay up the ${f.name} in ${f.material} over the pattern and out onto the clay for its flange.`,
  ),
  'lay-up-second': told(
    'second shell',
    (f: { name: string }) => `Turn it over, clay off, wax the flange, and lay up the ${f.name} against it.`,
  ),
  'open-shells': told(
    'holes and flanges',
    (f: { vents: number }) =>
      `Drill both flanges together, open them, take the pattern out, and cut the filling hole${f.vents > 0 ? ` and ${count(f.vents, 'vent')}` : ''}.`,
  ),
  'close-shells': told(
    'close the shells',
    (f: { straps: number }) =>
      `Close it on a bead of clay or sealant, clamp the flanges, and put on ${count(f.straps, 'strap')}. Stand it upright in sand.`,
  ),
  print: told(
    'print',
    (f: { parts: number }) =>
      `Print ${count(f.parts, 'part')}, walls full, ${f.parts === 1 ? 'as its file lies' : 'each as its file lies'}.`,
  ),
  'try-seams': told('try the seams', (f: { parts: number }) =>
    f.parts === 1
      ? 'Trim strings and brim, look for light through the wall.'
      : 'Trim strings and brims, try each seam dry: no light through it.',
  ),
  'fill-prints': told(
    'fill and sand',
    (f: { parts: number }) =>
      `Fill and sand the inside where it shows${f.parts === 1 ? '' : '; a thin film of sealant or petroleum jelly on every seam face'}.`,
  ),
  'bolt-flanges': told(
    'bolt the flanges',
    (f: { bolts: number; pins: number }) =>
      `${f.pins > 0 ? `Push ${count(f.pins, 'pin')} through, then bolt` : 'Bolt'} the flanges, ${f.bolts} in all, a little at a time and crosswise.`,
  ),
  'bed-in-sand': told(
    'bed in sand',
    (_: None) => 'Bed the foot in sand or a frame so that it stands plumb and is backed as it fills.',
  ),

  // Layers
  'cut-layers': told(
    'cut the layers',
    (f: { pieces: number; layers: number; sheet: string }) =>
      `Cut ${f.pieces > f.layers ? count(f.pieces, 'piece') : count(f.layers, 'layer')} of ${f.sheet} to size, square, and number them from the floor up${f.pieces > f.layers ? '; a layer’s joints lie off those under it' : ''}.`,
  ),
  'dowel-layers': told(
    'dowel the layers',
    (f: { dowels: number }) =>
      `Stack them dry, ${f.dowels > 0 ? 'drill for the dowels through each pair, and mark' : 'mark'} front and left on every one.`,
  ),
  'rout-hollow': told(
    'rout the hollow',
    (f: { passes: number; mirrored: boolean; layers: number }) =>
      `Rout the hollow${f.layers > 1 ? ' layer by layer before they are glued' : ''}, ${f.passes > 0 ? `${count(f.passes, 'pass', 'passes')} in all, each as listed` : 'pass by pass'}; ${f.mirrored ? 'it lies mirrored' : 'it lies as the piece will stand'}.`,
  ),
  'glue-layers': told(
    'glue the layers',
    (f: { layers: number; dowels: number }) =>
      `Glue the ${count(f.layers, 'layer')} ${f.dowels > 0 ? 'on their dowels' : 'by their marks'}, from the floor up, clamped or weighted flat.`,
  ),
  'sand-hollow': told('sand and fill', (_: None) => 'Sand the ridges, fill what is low, sand again.'),
  'coat-hollow': told('coat the hollow', (f: { foam: boolean }) =>
    f.foam
      ? 'Coat twice, water-based: solvents eat foam. It must be hard right through before wax.'
      : 'Coat twice, sanded between; it must be hard right through before wax.',
  ),
  'check-hollow': told(
    'measure the hollow',
    (_: None) => 'Check depth and width of the hollow at three places against the drawing.',
  ),
  'anchor-cores': told(
    'anchor the cores',
    (f: { cores: number }) =>
      `${f.cores === 1 ? 'The core stands loose in the hollow: hang it' : `${f.cores} cores stand loose in the hollow: hang each`} from a bridge at its depth and hold it down: foam floats.`,
  ),

  // Profiles
  'cut-ribs': told(
    'cut the ribs',
    (f: { ribs: number; outMm: number }, s) =>
      `Cut one rib to the profile, the skin’s ${s.fine(f.outMm)} outside it${f.ribs > 1 ? `, and template the other ${f.ribs - 1} from it with a flush bit. Number them from the base up` : ''}.`,
  ),
  'stack-ribs': told(
    'stand the ribs',
    (_: None) =>
      'Screw the first rib to the base, then rib by rib to the posts, each plumbed over the first.',
  ),
  'bend-skin': told(
    'bend the skin',
    (f: { strips: number }) =>
      `Bend ${f.strips === 1 ? 'the skin' : 'each length of skin'} into its ribs and tack it to every one; butt the joints, none on a curve.`,
  ),
  'tape-skin-joints': told(
    'tape the joints',
    (_: None) => 'Tape the skin’s joints behind; fill and dress them inside.',
  ),
  'bead-skin-foot': told('bead the foot', (_: None) => 'Bead round the foot of the skin on the base.'),
  'stay-ribs': told(
    'stay the ribs',
    (_: None) => 'Strap or stay the ribs across the open sides before it is filled.',
  ),
  'set-separators': told('set the separators', (f: { separators: number }) =>
    f.separators === 1
      ? 'Stand the separator between cleats outside the skin, and bead its foot and both upright edges.'
      : 'Stand the separators between cleats outside the skin, and bead their feet and upright edges.',
  ),
  'cut-gauge': told(
    'cut box and gauge',
    (_: None) => 'Cut the box and one board to the profile: a gauge for the liner at foot and top.',
  ),
  'stand-box': told(
    'stand the box',
    (f: { straps: number }) => `Stand the box on its base and put on the ${count(f.straps, 'strap')}.`,
  ),
  'draw-profile': told(
    'draw the profile',
    (_: None) =>
      'Draw the profile on the base, the liner’s thickness outside it; tack a lath along the outside of the line.',
  ),
  'stand-skin': told(
    'stand the liner',
    (_: None) => 'Stand the liner on its line, held at the top by the gauge and by sticks across its inside.',
  ),
  pack: told(
    'pack it round',
    (f: { filling: string; layers: number }) =>
      `Pack ${f.filling} in ${count(f.layers, 'layer')}, the same height all round, ramming away from the liner; measure the width at every layer.`,
  ),
  'seal-skin': told(
    'seal the liner',
    (_: None) => 'Tape the liner’s joints from inside, bead round its foot; sticks out.',
  ),
  'measure-profile': told(
    'measure the profile',
    (_: None) => 'Measure the profile at foot, middle and top against the gauge.',
  ),

  // A vessel to hand
  'look-inside': told(
    'look inside',
    (_: None) =>
      'Look inside against the light: raised lines, a date stamp, scratches and the injection point all print.',
  ),
  'mark-fill': told(
    'mark the level',
    (f: { waterKg: number }, s) =>
      `Weigh ${s.kg(f.waterKg, 2)} of water into it and mark the level inside; pour it out and dry it.`,
  ),
  'drill-floor': told(
    'air hole',
    (f: { holeMm: number }, s) =>
      `Drill a ${s.mm(f.holeMm)} hole through the middle of the floor and tape it outside: air in here lets the cast go.`,
  ),
  'stand-vessel': told(
    'stand it level',
    (_: None) => 'Stand it level on sand, in a box or a larger bucket if its wall is soft.',
  ),

  'line-with-bag': told(
    'line with a bag',
    (_: None) =>
      'Open a thick bag inside it, press it into the corners with a handful of the mix, turn it down over the rim and tie it outside; lay its folds one way.',
  ),
  'cut-floor-out': told(
    'cut the floor out',
    (_: None) =>
      'Saw its floor out just above it, level all round, and dress the edge: it is filled through there.',
  ),
  'stand-rim-down': told(
    'stand it rim down',
    (_: None) =>
      'Stand it rim down on the base on a bead of sealant, clean on its outside, and weigh or strap it down by what is listed: the fill lifts it.',
  ),
  'cut-fill-hole': told(
    'cut the filling hole',
    (f: { holeMm: number }, s) =>
      `Cut a hole of ${s.mm(f.holeMm)} in the crown of one half, and drill ${s.mm(6)} beside it for air.`,
  ),
  'join-halves': told(
    'join the halves',
    (_: None) =>
      'Run a bead round the rim of the lower half, set the other on rim to rim, tape the joint all round, and strap both over crown and foot two ways.',
  ),

  // A box of panels
  'next-panel': told('each panel', (f: { name: string; pieces: number; casts: number }) =>
    f.casts === f.pieces
      ? `One mould makes the ${f.name}: it is cast ${f.casts === 1 ? 'once' : `${f.casts} times`}.`
      : `${count(f.pieces, 'panel')} of one size, the ${f.name}: one mould, cast ${f.casts} times.`,
  ),
}
