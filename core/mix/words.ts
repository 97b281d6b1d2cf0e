import type { Explanation, Finding } from '../job/index.ts'

/** Sentences for the findings of this station. */
export function explainMix({ code, facts: f }: Finding): Explanation | null {
  switch (code) {
    case 'mix-missing':
      return {
        what: `No mix ${f.row} in the stock`,
        why: 'Weight, bags and times all follow from the mix. Choose another, or add it to the job’s stock.',
      }
    case 'mixer-missing':
      return { what: `No mixer ${f.row} in the stock`, why: 'Batches follow from what the mixer takes.' }
    case 'mixer-too-small':
      return {
        what: `${f.mixer} takes ${f.mixerLitres} L; half a bag makes ${Number(f.yieldLitres) / 2} L`,
        why: 'Less than half a bag is hard to scale by eye: weigh it, or use a larger mixer.',
        remedy: 'Use a larger mixer',
      }
    case 'yield-doubtful':
      return {
        what: `${f.mix}: bag and water over yield give ${Math.round(Number(f.byBagKgPerM3))} kg/m3, not ${Math.round(Number(f.statedKgPerM3))}`,
        why: 'Yield, water or density on the bag is off by more than 3 percent. Check the bag before you buy.',
      }
    case 'water-at-limit':
      return {
        what: `Water at the bag’s limit: ${f.f28Mpa} MPa at 28 days, ${f.mediumMpa} with less`,
        why: 'Every litre more weakens the piece and lets it shrink. Vibrate rather than add water.',
      }
    default:
      return null
  }
}
