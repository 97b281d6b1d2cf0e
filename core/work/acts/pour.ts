import { exactDecimals } from '../../units/index.ts'
import { count, listed, type None, told } from './act.ts'

/** What a mix by parts is measured out of. */
const PARTS = { cement: 'cement', sand: 'sand', stone: 'stone', polymer: 'polymer' } as const
/** So many vessels, to a twentieth. */
const exactly = (n: number): string => String(Math.round(n * 20) / 20)

/** What is done on the day: checks, batches, steel, the open face, cure. */
export const POUR_ACTS = {
  'check-level': told('level?', (f: { on: 'table' | 'sand'; open: boolean }) =>
    f.on === 'sand'
      ? `Plumb and firm in its bed${f.open ? ', its open side level' : ''}.`
      : 'Level both ways, and nothing rocks.',
  ),
  'check-held': told(
    'all fast?',
    (f: { parts: readonly string[]; joints: boolean }) =>
      `${f.parts.length > 0 ? `Held fast: ${listed(f.parts)}. ` : ''}${f.joints ? 'Every joint tight, everything that holds it home.' : 'Nothing in it can move.'}`,
  ),
  'check-released': told('released?', (f: { agents: readonly string[]; film: boolean }) =>
    f.agents.length > 0
      ? `Faces clean and released: ${listed(f.agents)}; nothing pools in a corner.`
      : f.film
        ? 'Faces clean, their film thin and even.'
        : 'Faces clean; nothing goes on them.',
  ),
  'check-ready': told(
    'all to hand?',
    (f: { waterLitres: number }, s) =>
      `${s.liquid(f.waterLitres)} of water weighed out in all, tools wetted, gloves, eyes and respirator on.`,
  ),
  'mix-batch': told(
    'mix',
    (
      f: {
        number: number
        batches: number
        bags: number
        /** Of the bag, where it is weighed out; 0 where bags are emptied. */
        weighedKg: number
        waterLitres: number
        heldBackLitres: number
        fibreKg: number
        /** Weighed out, and stirred into the water first. */
        doses: readonly { readonly name: string; readonly amountKg: number }[]
        /** Of a recipe by parts: each by mass, by volume and by the vessel it is measured in. */
        parts: readonly {
          readonly kind: keyof typeof PARTS
          readonly kg: number
          readonly litres: number
          readonly vessels: number
        }[]
        coat: 'all' | 'face' | 'back'
      },
      s,
    ) =>
      `${f.batches > 1 ? `Batch ${f.number}` : 'Mix'}${f.coat === 'all' ? '' : `, for the ${f.coat} coat`}: ${f.parts.length > 0 ? listed(f.parts.map((p) => `${s.kg(p.kg, 2)} of ${PARTS[p.kind]}, ${exactly(p.vessels)} of the vessel`)) : f.weighedKg > 0 ? `${s.kg(f.weighedKg, 2)} of the mix, the bag turned over first so that it is even` : count(f.bags, 'bag')}, ${s.liquid(f.waterLitres)} water, ${s.liquid(f.heldBackLitres)} of it held back until it shows its need.${f.doses.length > 0 ? ` Into the water first, weighed exactly: ${listed(f.doses.map((d) => `${s.kg(d.amountKg, exactDecimals(d.amountKg))} of ${d.name}`))}.` : ''}${f.fibreKg > 0 ? ` Last ${s.kg(f.fibreKg, f.fibreKg < 1 ? 3 : 2)} of fibre, strewn in and mixed for a minute, no longer; the bag’s own word wins.` : ''}`,
  ),
  'slurry-face': told(
    'slurry on the face',
    (
      f: {
        cementKg: number
        waterLitres: number
        slurryMm: number
        skinMinutes: number
      },
      s,
    ) =>
      `Stir ${s.kg(f.cementKg, 2)} of cement into ${s.liquid(f.waterLitres)} of water and brush it over the show face, ${s.fine(f.slurryMm)} thick, no pools. The concrete goes on while it is wet: it dries dull in 5 to ${f.skinMinutes} minutes.`,
  ),
  'place-batch': told(
    'place',
    (
      f: {
        number: number
        batches: number
        litres: number
        by: 'open' | 'hole'
        /** Of a batch that the mat parts: what goes under it, and what over it. */
        part: 'all' | 'under' | 'over'
        fillMm: number
      },
      s,
    ) => {
      const what = f.batches > 1 ? `batch ${f.number}` : 'it'
      if (f.part === 'under')
        return `Place ${what} until the fill is ${s.mm(Math.round(f.fillMm))} deep, about ${s.litres(f.litres)}, struck level; keep the rest back.`
      if (f.part === 'over') return `Place the rest of ${what} over the steel at once, ${s.litres(f.litres)}.`
      return `Place ${what}, ${s.litres(f.litres)}${f.by === 'hole' ? ', by the filling hole in a thin stream, the mould rocked so that air leaves' : ''}.`
    },
  ),
  'place-face': told(
    'face coat',
    (f: { number: number; litres: number; faceMm: number; by: 'sprayed' | 'brushed' | 'poured' }, s) =>
      `${f.by === 'sprayed' ? 'Spray' : f.by === 'brushed' ? 'Brush' : 'Pour'} batch ${f.number} over every face, ${s.litres(f.litres)}, ${s.fine(f.faceMm)} thick${f.by === 'brushed' ? ', twice over edges and corners, where it is weaker' : f.by === 'poured' ? ', tilted until it has run into every corner' : ', from the corners inward, no runs'}.`,
  ),
  'wait-face': told(
    'let the face stiffen',
    (_: None) =>
      'Wait until the face no longer lifts to a finger; it must still be damp when the back goes on.',
  ),
  'roll-coats': told(
    'roll the back',
    (f: { goes: number }) =>
      `Roll the back with a serrated roller until no fibre stands up and no air is left${f.goes > 1 ? `, each of its ${f.goes} goes before the next` : ''}; thicken it along every edge.`,
  ),
  'join-lift': told(
    'join',
    (f: { number: number; rodMm: number }, s) =>
      `Join batch ${f.number} to what is there: rod ${s.mm(f.rodMm)} into it, and work along every side by hand.`,
  ),
  'lay-mesh': told(
    'lay the mesh',
    (f: { fillMm: number; coverMm: number; bars: number }, s) =>
      `Lay the mesh on the fill, ${s.mm(Math.round(f.fillMm))} deep, wires ${s.mm(f.coverMm)} from every side, and press it until it lies flat.${f.bars > 0 ? ` ${count(f.bars, 'bar')} ${f.bars === 1 ? 'is' : 'are'} tied on to it where the plan shows.` : ''}`,
  ),
  'lay-bars': told(
    'lay the bars',
    (f: { fillMm: number; bars: number }, s) =>
      `Lay ${count(f.bars, 'bar')} on the fill, ${s.mm(Math.round(f.fillMm))} deep, where the plan shows, and press them in until they lie flat.`,
  ),
  'press-mat': told(
    'press the steel in',
    (f: { fillMm: number; coverMm: number; bars: number; mesh: boolean }, s) =>
      `Press the ${f.mesh ? 'mesh' : 'bars'} into the full form until ${f.mesh ? 'it lies' : 'they lie'} ${s.mm(Math.round(f.fillMm))} above the base, ${s.mm(f.coverMm)} from every side, with a gauge at three places; work the surface shut over every wire.`,
  ),
  'hang-mat': told(
    'hang the steel',
    (f: { fillMm: number; coverMm: number; bars: number; mesh: boolean }, s) =>
      `Hang the ${f.mesh ? 'mesh' : 'bars'} on wires from battens across the form, ${s.mm(Math.round(f.fillMm))} above the base and ${s.mm(f.coverMm)} from every side; nothing of it touches the face. Wires are cut below the surface when it stiffens.`,
  ),
  'chair-mat': told(
    'steel on chairs',
    (f: { fillMm: number; coverMm: number; bars: number; mesh: boolean; chairs: number }, s) =>
      `Stand the ${f.mesh ? 'mesh' : 'bars'} on ${count(f.chairs, 'mortar chair')}, ${s.mm(Math.round(f.fillMm))} above the base and ${s.mm(f.coverMm)} from every side, each tied to it; place the fill beside them, never on the steel.`,
  ),
  'bend-strips': told(
    'bend strips of mesh',
    (f: { strips: readonly { lengthMm: number; cutWidthMm: number; liesMm: number }[] }, s) =>
      `Cut ${count(f.strips.length, 'strip')} of mesh for the ${f.strips.length === 1 ? 'apron' : 'aprons'}, ${listed(f.strips.map((p) => `${s.mm(p.lengthMm)} by ${s.mm(p.cutWidthMm)}`))}, and bend ${f.strips.length === 1 ? 'it' : 'each'} square over an edge ${listed([...new Set(f.strips.map((p) => s.mm(p.liesMm)))])} in: that leg is tied to the mat, the other goes into the apron. Gloves and glasses.`,
  ),
  'bend-bars': told(
    'cut and bend the bars',
    (f: { bars: number; bentCount: number }) =>
      `Cut ${count(f.bars, 'bar')} to the bending list${f.bentCount > 0 ? ', and bend those that it says round a pin of four diameters' : ''}: gloves and glasses, caps on the ends.`,
  ),
  'tie-void': told(
    'tie down the former',
    (f: { coverMm: number; holdForceN: number; straps: number; drainMm: number }, s) =>
      `Glue the void former up and cut it to size, wrap it in film, and tie it down on spacers, ${s.mm(f.coverMm)} clear of every face: ${count(f.straps, 'strap')} over it to what stands under the form or lies across it, ${s.newtons(f.holdForceN)} in all.${f.drainMm > 0 ? ` A tube of ${s.mm(f.drainMm)} from its lowest point, as it will stand, to the face: water that gets in must get out.` : ' Sealed all round: what water gets in stays, and frost splits it.'}`,
  ),
  'stand-cage': told('set the steel in', (f: { of: 'cage' | 'hoops' | 'bar'; coverMm: number }, s) =>
    f.of === 'bar'
      ? `Hang the bar in the mould, ${s.mm(f.coverMm)} clear of its end, so that it stays in the middle while it fills.`
      : f.of === 'hoops'
        ? `Tie the hoops to a few upright wires and hang them in the mould, ${s.mm(f.coverMm)} clear of every face.`
        : `Tie the cage at every crossing and set it in the mould on spacers, ${s.mm(f.coverMm)} clear of every face; nothing of it may touch a core.`,
  ),
  'push-bar': told(
    'push the bar in',
    (f: { bars: number; coverMm: number; fillMm: number }, s) =>
      `Push ${f.bars === 1 ? 'the bar' : `the ${f.bars} bars`} in by hand from the open end, down the middle and plumb, until the top lies ${s.mm(f.coverMm)} under the fill; a gauge on two sides at every third of the way. Rod round it, so that the paste closes on it.`,
  ),
  compact: told(
    'compact',
    (
      f: {
        tool: 'rod' | 'mallet' | 'bench' | 'saw' | 'poker'
        by: 'open' | 'hole'
        from: 'corners' | 'edge'
        vents: number
        /** Which lift, of how many. */
        number: number
        liftCount: number
        litres: number
        workMinutes: number
        /** How far apart a poker goes in. */
        apartMm: number
        /** Whether it runs, and parts when it is worked long. */
        wet: boolean
      },
      s,
    ) => {
      const where = f.liftCount > 1 ? `Lift ${f.number} of ${f.liftCount}, ${s.litres(f.litres)}: ` : ''
      const from = f.from === 'corners' ? 'corners and arrises' : 'the edge'
      const how =
        f.by === 'hole'
          ? `${TOOLS_SHUT[f.tool]} until no more bubbles come${f.vents > 0 ? ' from the hole and the vents; plug each vent as it runs full' : ' from the hole'}`
          : f.tool === 'poker'
            ? `poker in quickly and out slowly from ${from} inward, every ${s.mm(f.apartMm)}, clear of steel and form, until large bubbles cease`
            : `${TOOLS_OPEN[f.tool]} from ${from} inward until large bubbles cease`
      const text = `${where}${how}, about ${Math.max(1, Math.round(f.workMinutes))} min${f.wet ? ', no longer: a wet mix parts' : ''}.`
      return text[0]!.toUpperCase() + text.slice(1)
    },
  ),
  screed: told(
    'strike off',
    (f: { along: 'sides' | 'rim' | 'bridges'; clear: readonly string[] }) =>
      `${f.along === 'sides' ? 'Screed to the sides' : f.along === 'bridges' ? 'Strike off with a board from bridge to bridge' : 'Strike off level with the rim'}${f.clear.length > 0 ? `; clear ${listed(f.clear)}` : ''}.`,
  ),
  'shape-back': told(
    'shape what is open',
    (_: None) =>
      'Round the open end by hand to the drawing, with a gauge cut to it; no face lies there to strike off.',
  ),
  'top-up': told(
    'top up',
    (_: None) => 'Fill the funnel again as it settles, until it stands; pull the funnel before it sets.',
  ),
  'tool-edges': told('tool the edges', (_: None) => 'Run the edging tool along the open edges.'),
  'let-stiffen': told(
    'let it stiffen',
    (_: None) =>
      'Let the slab stiffen until it holds a thumbprint before anything is filled above it: too soon, and it slumps out under the form.',
  ),
  'fill-upper': told(
    'fill the upper form',
    (f: { crown: boolean }) =>
      `Roughen the slab inside the ring and fill the shell through it, rodded into the slab.${f.crown ? ' Round the crown above it by hand, with a gauge cut to the shell.' : ''}`,
  ),
  'fill-aprons': told(
    'fill the aprons',
    (_: None) =>
      'Set the apron backs on their bridges, roughen the slab under them and fill the aprons, rodded into it.',
  ),
  float: told('float', (_: None) => 'Sheen gone: float the open face.'),
  trowel: told(
    'trowel',
    (f: { dentMm: number }, s) =>
      `Hard trowel the open face when a thumb dents it less than ${s.fine(f.dentMm)}.`,
  ),
  cover: told('cover', (f: { open: boolean }) =>
    f.open ? 'Cover it with film, down round every edge.' : 'Film over the filling hole; leave it closed.',
  ),
  'keep-damp': told(
    'keep damp',
    (_: None) => 'Keep it damp and covered, equal air on both faces once it is out.',
  ),
  uncover: told('uncover', (_: None) => 'Damp curing is over: uncover it, and let both faces dry alike.'),
}

/** How each tool works an open form, and one that is filled through a hole. */
const TOOLS_OPEN = {
  rod: 'rod it with a bar or a gloved hand',
  mallet: 'strike the mould with a rubber mallet',
  bench: 'bounce the bench, an end lifted a finger high and let drop, and work it by hand',
  saw: 'hold a bladeless reciprocating saw to the form and move it on',
} as const
const TOOLS_SHUT = {
  rod: 'tap and turn it all over',
  poker: 'tap and turn it all over',
  mallet: 'tap and turn it all over',
  bench: 'bounce the bench under it and turn it',
  saw: 'hold a bladeless reciprocating saw to its flanges, all round,',
} as const
