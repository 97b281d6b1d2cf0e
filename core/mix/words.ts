import type { FindingsIn, Remedy, Words } from '../job/index.ts'
import { showNumber } from '../units/index.ts'
import type { Band } from './consistency.ts'

/** Sentences for the findings of this station, each with the facts it is made of. */
export const MIX_WORDS = {
  'mix-missing': (_f: { row: string }) => ({
    what: 'The mix that was chosen is not in the stock',
    why: 'Weight, bags and times all follow from the mix. Choose another, or add it to the job’s stock.',
  }),
  'mixer-missing': (_f: { row: string }) => ({
    what: 'The mixer that was chosen is not in the stock',
    why: 'Batches follow from what the mixer takes.',
  }),
  'mixer-too-small': (f: { mixer: string; mixerLitres: number; yieldLitres: number }, { litres }) => ({
    what: `${f.mixer} takes ${litres(f.mixerLitres)}; half a bag makes ${litres(f.yieldLitres / 2)}`,
    why: 'Less than half a bag is hard to scale by eye: weigh it out, or use a larger mixer.',
    remedies: { weighed: 'Weigh it out', 'mixer-too-small': 'Use a larger mixer' },
  }),
  'yield-doubtful': (f: { mix: string; byBagKgPerM3: number; statedKgPerM3: number }, { of }) => ({
    what: `${f.mix}: bag and water over yield give ${of('density', f.byBagKgPerM3, 0)}, not ${of('density', f.statedKgPerM3, 0)}`,
    why: 'Yield, water or density on the bag is off by more than 3 percent. Check the bag before you buy.',
  }),
  'water-at-limit': (f: { f28Mpa: number; mediumMpa: number }, { mpa }) => ({
    what: `Water at the bag’s limit: ${mpa(f.f28Mpa)} at 28 days, ${mpa(f.mediumMpa)} with less`,
    why: 'All water beyond it weakens the piece and lets it shrink. Vibrate rather than add water.',
  }),
  'dose-missing': (_f: { row: string }) => ({
    what: 'A pigment or admixture that was chosen is not in the stock',
    why: 'What goes in is weighed by its row. Choose another, or leave it out.',
    remedy: 'Leave it out',
  }),
  'pigment-over': (f: { percent: number; mostPercent: number }) => ({
    what: `${showNumber(f.percent, 1)} percent of pigment by the cement: never over ${f.mostPercent}`,
    why: 'So fine a powder drinks the water and takes the place of cement: the face dusts, and is weak.',
    remedy: `Take ${f.mostPercent} percent in all`,
  }),
  'dose-high': (f: { dose: string; percent: number; mostPercent: number }) => ({
    what: `${showNumber(f.percent, 2)} percent of ${f.dose}: at most ${showNumber(f.mostPercent, 2)}`,
    why: 'More does no more good: it may delay the set, run, or weaken the face. The sheet decides.',
    remedy: `Take ${showNumber(f.mostPercent, 2)} percent`,
  }),
  'chloride-meets': (f: { dose: string; metal: 'yes' | 'no' }) => ({
    what: `${f.dose} never goes with ${f.metal === 'yes' ? 'steel, wire or another metal in the piece' : 'colour'}`,
    why:
      f.metal === 'yes'
        ? 'Chloride rusts what lies in the concrete, and the rust breaks it.'
        : 'It blooms white and blotches the colour.',
    remedy: 'Leave it out',
  }),
  'colour-differs': (f: { batches: number }) => ({
    what: `${f.batches} batches with pigment are not alike`,
    why: 'Water and pigment weighed exactly in equal batches, or the colour changes from one to the next.',
    remedy: 'Weigh out equal batches',
  }),
  'too-stiff': (
    f: { band: Band; least: Band; why: 'hole' | 'relief' | 'any' },
    { mpa },
    remedies: readonly Remedy[],
  ) => ({
    what: `${STANDS[f.band]}: this mould wants it at least ${STANDS_SHORT[f.least]}`,
    why:
      f.why === 'hole'
        ? 'Nobody reaches in to work it: what does not run by itself leaves hollows under every overhang.'
        : 'Stiff concrete bridges the letters and lines of a face and leaves them half filled.',
    remedies: runsSaid(remedies, mpa),
  }),
  'too-wet': (
    f: { band: Band; most: Band; why: 'packed' | 'stacked' | 'any' },
    { mpa },
    remedies: readonly Remedy[],
  ) => ({
    what: `${STANDS[f.band]}: this mould wants it no more than ${STANDS_SHORT[f.most]}`,
    why:
      f.why === 'packed'
        ? 'What runs finds every gap under the liner and washes the packing out.'
        : 'What is filled above pushes it out again under the upper form: it must stand by itself.',
    remedies: runsSaid(remedies, mpa),
  }),
} satisfies Words

/** How it stands in the cup, as a sentence begins, and in a word. */
const STANDS: Record<Band, string> = {
  packing: 'Mixed to be packed',
  placing: 'Mixed to be placed',
  flowing: 'Mixed to flow',
  levelling: 'Mixed to level itself',
}
const STANDS_SHORT: Record<Band, string> = {
  packing: 'to be packed',
  placing: 'to be placed',
  flowing: 'to flow',
  levelling: 'to level itself',
}

/** What makes it run, or stand, by the code of each. */
const runsSaid = (remedies: readonly Remedy[], mpa: (n: number) => string): Record<string, string> =>
  Object.fromEntries(
    remedies.map(({ code, facts: f }) => [
      code,
      code === 'plasticiser'
        ? `Put in ${f.dose}`
        : code === 'no-plasticiser'
          ? 'Leave out the plasticiser'
          : `${{ 'water-stiff': 'Take the least water', 'water-medium': 'Take the usual water', 'water-limit': 'Take the water up to the bag’s limit' }[code]}: ${mpa(Number(f.f28Mpa))} at 28 days`,
    ]),
  )

/** What this station finds: each code with its facts. */
export type MixFindings = FindingsIn<typeof MIX_WORDS>
