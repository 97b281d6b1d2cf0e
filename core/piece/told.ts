import type { SideId, WordsStyle } from '../job/index.ts'
import { sideWords } from './slab/outlineLoop.ts'

/** Why a face is best down in the pour. */
const REASONS = {
  'seat-from-above': 'the mould gives the show face; the seat is formed from above',
  'taper-lets-go': 'the wide end is down, so that the taper lets it go',
  'wide-end-down': 'the wide end is down, so that it lifts out of its form',
  'foot-down': 'its foot is down',
  'basin-core-stands': 'the basin core stands on the base and the shell is filled over it',
  'apron-rises': 'the apron rises from the base and is filled last',
  'stands-tall': 'it is tall: it stands as it will stand, and its top is floated',
  'show-face': 'the mould gives the show face',
  'on-its-end': 'on its end: the profile is drawn on the base and the sides bend round it',
  'rim-down': 'rim down over its core: the floor is floated and no air is caught inside',
  'flat-face-down': 'its flat face lies on the base',
  'over-core': 'over its core: the floor is filled last',
  'on-its-foot': 'it stands on its foot and is filled from above',
  'panels-flat': 'its panels are cast flat, one by one',
  'upside-down': 'upside down over its core: the floor is floated, draft lets both forms go',
} as const

export type AttitudeReason = keyof typeof REASONS
export const reasonWords = (reason: AttitudeReason): string => REASONS[reason]

/** What a kind tells besides: lengths (play of what fits, a timber cap to mark out, lines to glue), and what they take. */
export type PieceNote = LengthNote | AdhesiveNote

/** Adhesive of all glue lines, a tenth more than they hold, and cartridges of 300 mL. */
export type AdhesiveNote = {
  readonly code: 'panel-adhesive'
  readonly volumeLitres: number
  readonly cartridges: number
}
type LengthNote = { readonly valueMm: number } & (
  | { readonly code: 'play-least' | 'play-far' }
  | { readonly code: 'cap-length' | 'cap-width' | 'cap-diagonal' | 'cap-other-diagonal' }
  | { readonly code: 'cap-side'; readonly side: SideId }
  | { readonly code: 'glue-corners'; readonly widthMm: number }
  | { readonly code: 'glue-floor' | 'glue-dividers' }
)

/** How much of it, in the reader's units. */
export const noteValue = (note: PieceNote, { mm, liquid }: WordsStyle): string =>
  'valueMm' in note ? mm(note.valueMm) : liquid(note.volumeLitres)

/** What a note is called: `timber cap, front`. */
export function noteWords(note: PieceNote, { mm }: WordsStyle): string {
  switch (note.code) {
    case 'play-least':
      return 'least play, each side'
    case 'play-far':
      return 'play at the far end'
    case 'cap-length':
      return 'timber cap, length'
    case 'cap-width':
      return 'timber cap, width'
    case 'cap-diagonal':
      return 'timber cap, one diagonal'
    case 'cap-other-diagonal':
      return 'timber cap, the other'
    case 'cap-side':
      return `timber cap, ${sideWords(note.side)}`
    case 'glue-corners':
      return `corner glue lines, ${mm(note.widthMm)} wide`
    case 'glue-floor':
      return 'glue line round the floor'
    case 'glue-dividers':
      return 'glue lines of the dividers'
    case 'panel-adhesive':
      return `adhesive, about ${note.cartridges} ${note.cartridges === 1 ? 'cartridge' : 'cartridges'}`
  }
}
