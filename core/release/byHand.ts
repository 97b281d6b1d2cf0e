import type { ActCode } from '../work/index.ts'

/** What to have in hand for a step, and what it may do to one. */
export type ByHand = { readonly tool: string; readonly caution: string }

const TURN: ByHand = {
  tool: 'battens or a padded board, ready where it will lie',
  caution: 'Agree who calls the turn. Hands clear of the edge it turns on, nobody under it.',
}
const WEDGES: ByHand = {
  tool: 'two thin wedges, opposite, between mould parts; a mallet',
  caution: 'Never lever on the concrete.',
}
const PEEL: ByHand = { tool: 'fingers; a blunt plastic scraper', caution: '' }
const DRIVER: ByHand = { tool: 'driver', caution: '' }
const KNIFE: ByHand = {
  tool: 'hooked knife set to the wall',
  caution: 'Cut away from the hand that holds it; gloves.',
}
const DIG: ByHand = { tool: 'saw, old chisel, scraper', caution: 'Goggles; foam dust and chips fly.' }

/** By what the act is; what is not named needs hands alone. */
const BY_HAND: Partial<Readonly<Record<ActCode, ByHand>>> = {
  'ease-knockouts': { tool: 'driver, a bar through the grips', caution: '' },
  'side-screws-out': DRIVER,
  'core-screws-out': DRIVER,
  'planks-base-off': { tool: 'driver, two thin wedges', caution: 'Never lever on the concrete.' },
  'side-off': WEDGES,
  'side-lifted': WEDGES,
  'side-tilted': WEDGES,
  'box-side-off': WEDGES,
  'corners-off': WEDGES,
  'skins-off': WEDGES,
  'peel-base': WEDGES,
  'break-free': WEDGES,
  'upper-shell-off': WEDGES,
  'shell-off': WEDGES,
  'printed-parts-off': {
    tool: 'spanner, thin wedges in the flange',
    caution: 'Never lever on the concrete.',
  },
  'print-off': { tool: 'mallet', caution: '' },
  'print-half-off': { tool: 'thin wedge, mallet', caution: 'Never lever on the concrete.' },
  'jackets-off': { tool: 'spanner', caution: '' },
  'block-off': { tool: 'mallet; a little air', caution: 'Eyes covered while air is blown in.' },
  'draw-wedges': { tool: 'driver, a screw in each wedge', caution: '' },
  'core-wedge-out': { tool: 'driver, a screw in the wedge', caution: '' },
  'core-drawn': { tool: 'two clamps for grips', caution: 'Never prise against the wall.' },
  'draw-formers': { tool: 'warm water, a thin scraper', caution: 'Never lever on the face.' },
  'roll-liners-off': PEEL,
  'liner-off': PEEL,
  'lift-base-off-liner': TURN,
  'rubber-off': PEEL,
  'upper-half-off': PEEL,
  'lower-half-off': PEEL,
  'peel-rubber': PEEL,
  'peel-skin': PEEL,
  'chamfers-off': PEEL,
  'draw-tubes': { tool: 'knife, pliers', caution: '' },
  'tube-off': KNIFE,
  'ring-peeled': KNIFE,
  'vessel-slit': KNIFE,
  'core-out': { tool: 'water, pliers', caution: '' },
  'dig-out': DIG,
  'dig-core': DIG,
  'dig-core-up': DIG,
  'break-foam': DIG,
  'dig-packing': { tool: 'shovel', caution: '' },
  'press-out': { tool: 'a block and a mallet', caution: 'Mind the rim of the opening.' },
  'wide-end-out': { tool: 'a block and a mallet', caution: 'Mind the rim of the opening.' },
  'plugs-out': { tool: 'pliers, a block and a mallet', caution: '' },
  'cut-vents': { tool: 'old chisel, rubbing stone', caution: 'Goggles; alkali burns: gloves.' },
  'turn-on-base': TURN,
  'turn-in-rubber': TURN,
  'turn-in-jacket': TURN,
  'turn-in-shell': TURN,
  'turn-in-print': TURN,
  'turn-in-planks': TURN,
  'turn-in-block': TURN,
  'turn-in-vessel': TURN,
  'lift-block': {
    tool: 'battens, a bar',
    caution: 'Feet and fingers clear of the edge it tips on.',
  },
  'tip-off-base': { tool: 'battens', caution: 'Feet and fingers clear of the edge it tips on.' },
  'column-off-base': { tool: 'battens', caution: 'Feet and fingers clear of the edge it tips on.' },
}

/** What a step needs in hand, and its caution; empty where hands do. */
export const byHand = (code: ActCode): ByHand => BY_HAND[code] ?? { tool: '', caution: '' }
