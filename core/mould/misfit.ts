import type { SideId } from '../job/index.ts'

/** What makes a side more than an upright board. */
export type Shaped = 'leans' | 'lined' | 'apron'
const SHAPED: Readonly<Record<Shaped, string>> = {
  leans: 'leans',
  lined: 'is lined',
  apron: 'has an apron',
}

type Told = { readonly side: string; readonly shaped: string }

/** Why a method does not form a piece, in a few words. */
const WORDS = {
  'kind/turned': () => 'it is turned',
  'kind/swept': () => 'it follows a side profile',
  'kind/box': () => 'it is a box over a core',
  'kind/imported': () => 'it was read from a file',
  'kind/fitted': () => 'it has a seat or a skirt',
  'not-round': () => 'it is not round',
  'not-round-column': () => 'it is not a round column',
  'not-upright-cylinder': () => 'its outside is not an upright cylinder',
  'lies-in-pour': () => 'it lies in the pour',
  'on-its-side': () => 'it is poured on its side',
  'not-face-down': () => 'it is not poured show face down',
  'no-profile': () => 'it does not follow one profile',
  'profile-not-flat': () => 'its profile does not lie flat in the pour',
  'more-than-outline': () => 'more is formed in it than its outline',
  'edges-shaped': () => 'its edges are shaped',
  'side-not-plain': ({ side }: Told) => `its ${side} side is not a plain one`,
  'drawn-side': () => 'its plan has a freely drawn side',
  'folded-curve': () => 'a curved side meets its neighbour at an inside corner',
  'basin-below': () => 'its basin hangs below',
  'no-basin': () => 'no basin hangs below it',
  'work-on-open-face': () => 'work stands out of the face that lies open',
  'work-beside-edges': () => 'work stands out of its face beside shaped edges',
  'work-beside-apron': () => 'work stands out of its underside beside an apron',
  'letters-on-sides': () => 'letters are on its sides',
  'letters-need-formers': () => 'its letters want formers',
  'cut-into-blocks': () => 'separators cut it into blocks',
  'profile-not-straight': () => 'its profile is curved or rounded',
  'corners-rounded': () => 'its corners are rounded',
  'round-fit': () => 'what it fits is round',
  'lies-flat': () => 'it is a slab and lies flat',
  'openings-cut-liner': () => 'openings would cut the liner',
  'sides-not-plain': () => 'its sides lean, are lined or have an apron',
  'outline-not-straight': () => 'its outline is not all straight',
  'leans-beside-apron': ({ side }: Told) => `its ${side} side leans beside an apron`,
  'curved-and-shaped': ({ side, shaped }: Told) => `its curved ${side} side ${shaped}`,
  'shaped-beside-curve': ({ side, shaped }: Told) => `its ${side} side ${shaped} beside a curved one`,
  'shaped-beside-inside': ({ side, shaped }: Told) =>
    `its ${side} side ${shaped} beside a rounded inside corner`,
  'shaped-beside-bend': ({ side, shaped }: Told) =>
    `its ${side} side ${shaped} beside a corner that is bent round: choose blocks for rounded corners`,
}

/** Why a method does not form a piece: which side stands in its way, and what that side has, where one does. */
export type Misfit = {
  readonly misfit: keyof typeof WORDS
  readonly side: SideId | ''
  readonly shaped: Shaped | ''
}

export const misfit = (
  misfit: Misfit['misfit'],
  side: Misfit['side'] = '',
  shaped: Misfit['shaped'] = '',
): Misfit => ({ misfit, side, shaped })

/** In a few words: `its left side leans beside an apron`. */
export const misfitWords = ({ misfit, side, shaped }: Misfit): string =>
  WORDS[misfit]({ side, shaped: shaped && SHAPED[shaped] })
