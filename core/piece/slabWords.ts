import type { Words } from '../job/index.ts'

/** What the buttons say that get an opening or a feature out of the way. */
const clearing = (what: string) => ({
  'move-free': `Move ${what} into the largest free room`,
  'take-out': `Take ${what} out`,
})

/** Sentences for what is found of slabs: plan, edges, openings, features, the basin below. */
export const SLAB_WORDS = {
  'corner-radius': (f: { corner: string; radiusMm: number; mostMm: number; fitsMm: number }, { mm }) => ({
    what: `Corner ${f.corner} has a radius of ${mm(f.radiusMm)}; there is room for ${mm(f.mostMm)}`,
    why: 'Two radii along one side cannot add up to more than the side.',
    remedy: `Make radii at most ${mm(f.fitsMm)}`,
  }),
  'edge-too-deep': (f: { side: string; edgeMm: number; thicknessMm: number; fitsMm: number }, { mm }) => ({
    what: `The ${f.side} edges take ${mm(f.edgeMm)} of a ${mm(f.thicknessMm)} thickness`,
    why: 'Top and bottom edges meet inside the piece.',
    remedy: `Make them at most ${mm(f.fitsMm)}`,
  }),
  'edges-meet': (f: { face: string; side: string }) => ({
    what: `Nothing is left of the ${f.face}${f.side === '' ? '' : ` at the ${f.side}`}: its edges, tapers or liners meet`,
    why: 'What the sides lose on both ends, or across the plan, is more than there is. Make them smaller.',
  }),
  'opening-radius': (f: { opening: string; radiusMm: number; mostMm: number }, { mm }) => ({
    what: `${f.opening} has a corner radius of ${mm(f.radiusMm)}; its size allows ${mm(f.mostMm)}`,
    why: 'A radius cannot be more than half the shorter side.',
    remedy: 'Take the largest that fits',
  }),
  'rim-too-deep': (f: { opening: string; edgeMm: number; thicknessMm: number }, { mm }) => ({
    what: `The rim of ${f.opening} takes ${mm(f.edgeMm)} of a ${mm(f.thicknessMm)} thickness`,
    why: 'Its top and bottom edges meet inside the piece.',
    remedy: 'Make the rim square',
  }),
  'placing-lost': (f: { opening: string; onto: string; axis: string }) => ({
    what: `${f.opening} is placed by ${f.onto}, which is not there`,
    why: 'A placing rule needs the opening it measures from.',
    remedy: 'Place it in the middle',
  }),
  'placing-circular': (f: { opening: string; onto: string }) => ({
    what: `${f.opening} and ${f.onto} are placed by each other`,
    why: 'A placing rule must end at a side of the piece.',
    remedy: `Place ${f.opening} in the middle`,
  }),
  'opening-outside': (f: { opening: string; side: string; beyondMm: number }) => ({
    what: `${f.opening} lies outside the piece, beyond the ${f.side}`,
    why: 'An opening must lie inside the outline.',
    remedies: clearing(f.opening),
  }),
  'opening-across': (f: { opening: string; side: string; beyondMm: number }, { mm }) => ({
    what: `${f.opening} runs across the outline at the ${f.side}, by ${mm(f.beyondMm)}`,
    why: 'It would cut the piece open at the side. Move it inward, or make a notch of it in the outline.',
    remedies: clearing(f.opening),
  }),
  'opening-touches': (f: { opening: string; side: string; beyondMm: number }) => ({
    what: `${f.opening} touches the outline at the ${f.side}`,
    why: 'Nothing would be left between it and the side. Move it inward, or make a notch of it in the outline.',
    remedies: clearing(f.opening),
  }),
  'openings-overlap': (f: { opening: string; other: string; sharedMm2: number }) => ({
    what: `${f.opening} and ${f.other} overlap`,
    why: 'Their knockouts would stand in the same place.',
    remedies: clearing(f.other),
  }),
  'features-overlap': (f: { feature: string; other: string; sharedMm2: number }) => ({
    what: `${f.feature} and ${f.other} lie over one another`,
    why: 'What forms them would stand in the same place in the mould: one is cut round the other, and the joint prints.',
    remedies: clearing(f.feature),
  }),
  'drilled-blind': (f: { opening: string }) => ({
    what: `${f.opening} does not go through: a core bit leaves its core standing`,
    why: 'The core is broken out and the floor ground flat by hand. Cast in, it costs a knockout.',
    remedies: { 'cast-in': `Cast ${f.opening} in` },
  }),
  'drilled-not-round': (f: { opening: string }) => ({
    what: `${f.opening} is not round: it is sawn between holes drilled in its corners`,
    why: 'A saw overruns each corner, and a diamond blade wants a straight guide and water. Cast in, its corners are clean.',
    remedies: { 'cast-in': `Cast ${f.opening} in` },
  }),
  'drilled-plain': (f: { opening: string }) => ({
    what: `${f.opening} comes out of the drill straight and sharp`,
    why: 'A bit leaves neither leaning walls nor an eased rim: ease the rim by hand.',
    remedies: { plain: 'Draw it straight, with a square rim' },
  }),
  'drilled-near-edge': (f: { opening: string; to: string; landMm: number; leastMm: number }, { mm }) => ({
    what: `${f.opening} is drilled ${mm(f.landMm)} from ${f.to === '' ? 'an edge' : f.to}`,
    why: `A bit breaks out where less than ${mm(f.leastMm)} stands beside it. Cast it in, or move it inward.`,
    remedies: {
      'cast-in': `Cast ${f.opening} in`,
      'move-free': `Move ${f.opening} into the largest free room`,
    },
  }),
  'outline-crosses': (f: { how: string; xMm: number; yMm: number }, { mm }) => ({
    what:
      f.how === 'crosses'
        ? `The outline runs over itself near ${mm(f.xMm)}, ${mm(f.yMm)}`
        : 'The outline has no inside',
    why: 'A plan is one closed line, walked anticlockwise, that never meets itself. Move or remove a corner there.',
  }),
  'radius-on-curve': (f: { corner: string; radiusMm: number }, { mm }) => ({
    what: `The corner ${f.corner} keeps no radius of ${mm(f.radiusMm)}: a side there is curved`,
    why: 'Radii are rounded between straight sides. Draw the curve into the side, or straighten it.',
  }),
  'apron-fills': (f: { side: string; thicknessMm: number; acrossMm: number }, { mm }) => ({
    what: `The apron at ${f.side} is ${mm(f.thicknessMm)} thick, the slab ${mm(f.acrossMm)} across`,
    why: 'An apron thicker than the slab is wide leaves no underside.',
    remedy: 'Leave the apron out',
  }),
  'taper-flat': (f: { side: string; taperMm: number; thicknessMm: number }, { mm }) => ({
    what: `The ${f.side} side leans ${mm(f.taperMm)} over a thickness of ${mm(f.thicknessMm)}`,
    why: 'That is a feather edge: it breaks at the first knock. A chamfer of less run keeps its arris.',
  }),
  'opening-crosses': (f: { opening: string }) => ({
    what: `The outline of ${f.opening} runs over itself`,
    why: 'Redraw it as one closed line, anticlockwise.',
  }),
  'recess-through': (f: { opening: string; depthMm: number; thicknessMm: number }, { mm }) => ({
    what: `${f.opening} is ${mm(f.depthMm)} deep in ${mm(f.thicknessMm)}`,
    why: 'A recess as deep as the slab is an opening.',
    remedy: 'Let it go right through',
  }),
  'opening-closes': (f: { opening: string; draftDeg: number }) => ({
    what: `${f.opening} closes on its way through at ${f.draftDeg} degrees`,
    why: 'Its walls meet before the other face. Give it less draft or more size.',
    remedies: {
      straighten: 'Make its walls straight',
      square: 'Make its rim square',
      ...clearing(f.opening),
    },
  }),
  'rim-over-edge': (f: { opening: string }) => ({
    what: `The rim of ${f.opening} runs over the edge of the piece`,
    why: 'Both edges would take the same concrete. Make the rim smaller or move the opening.',
    remedies: { square: 'Make its rim square', ...clearing(f.opening) },
  }),
  'feature-outside': (f: { feature: string }) => ({
    what: `${f.feature} runs over the outline`,
    why: 'It must lie inside the plan of the piece.',
    remedies: clearing(f.feature),
  }),
  'feature-through': (f: { feature: string; depthMm: number; thicknessMm: number }, { mm }) => ({
    what: `${f.feature} is ${mm(f.depthMm)} deep in ${mm(f.thicknessMm)}`,
    why: 'It would cut the slab through.',
    remedies: { shallower: 'Make it half the thickness deep', ...clearing(f.feature) },
  }),
  'drains-badly': (f: { feature: string; fallPercent: number }) => ({
    what: `${f.feature} falls ${f.fallPercent} percent`,
    why: 'Water stands on less than 1 percent; 2 is usual.',
  }),
  'panel-closes': (f: { feature: string }) => ({
    what: `${f.feature} does not fit into its own field`,
    why: 'Its margin or its trim is wider than half of what is there.',
    remedies: clearing(f.feature),
  }),
  'panel-flat': (f: { feature: string }) => ({
    what: `${f.feature} is neither raised nor sunk`,
    why: 'Give it a rise, or less than zero to sink it.',
  }),
  'trim-empty': (f: { feature: string }) => ({
    what: `${f.feature} has no section yet`,
    why: 'Import a section for its trim, or choose one of ours.',
    remedies: { 'own-trim': 'Take one of ours', ...clearing(f.feature) },
  }),
  'drip-left-out': (f: { side: string; why: string }) => ({
    what: `No drip groove under ${f.side}: ${f.why}`,
    why: 'A groove is cut along straight sides, clear of both corners.',
  }),
  'basin-closes': (f: { draftDeg: number; acrossMm: number }, { mm }) => ({
    what: `A draft of ${f.draftDeg} degrees closes the basin before its floor`,
    why: `The walls meet across ${mm(f.acrossMm)}. Less draft or less depth.`,
  }),
  'basin-radius': (f: { radiusMm: number; mostMm: number }, { mm }) => ({
    what: `The basin’s corner radius is ${mm(f.radiusMm)}; ${mm(f.mostMm)} fits`,
    why: 'A radius is at most half the shorter side.',
    remedy: 'Take the largest that fits',
  }),
  'basin-shallow': (f: { depthMm: number }, { mm }) => ({
    what: `A basin ${mm(f.depthMm)} deep`,
    why: 'That is a recess: give it depth, or draw it as one.',
  }),
  'basin-outside': (f: { shellMm: number }, { mm }) => ({
    what: `The basin’s shell of ${mm(f.shellMm)} runs over the edge of the slab`,
    why: 'Shell and slab must meet all round. Move it inward, or make it smaller.',
    remedies: { ...clearing('the basin'), 'move-free': 'Move the basin inward' },
  }),
  'opening-in-shell': (f: { opening: string; shellMm: number }) => ({
    what: `${f.opening} stands in the basin or its shell`,
    why: 'It would open the shell. Move it clear by the shell’s thickness.',
    remedies: clearing(f.opening),
  }),
  'waste-too-wide': (f: { wasteMm: number; acrossMm: number }, { mm }) => ({
    what: `The waste is ${mm(f.wasteMm)} in a floor of ${mm(f.acrossMm)}`,
    why: 'Nothing of the floor is left.',
    remedy: 'Make the waste half as wide as the floor',
  }),
  'basin-core-locks': (f: { draftDeg: number; wantedDeg: number }) => ({
    what: `The basin core has ${f.draftDeg} degrees of draft`,
    why: `A long core wants ${f.wantedDeg} degrees, or it locks as the concrete shrinks onto it.`,
  }),
} satisfies Words
