import type { Explanation, Finding } from '../job/index.ts'

/** Sentences for the findings of this station. */
export function explainFinish({ code, facts: f }: Finding): Explanation | null {
  switch (code) {
    case 'sealer-missing':
      return { what: `No sealer ${f.row} in the stock`, why: 'Choose another, or add it to the job’s stock.' }
    case 'film-outdoors':
      return {
        what: `${f.sealer} is a film: it peels where water gets behind it`,
        why: 'In wet places and frost use a sealer that goes in and lets vapour out.',
        remedy: 'Use a penetrating sealer',
      }
    case 'wax-in-kitchen':
      return {
        what: `${f.sealer} alone stains under acid and oil`,
        why: 'Plan to renew it every few weeks in a kitchen, or choose a film or oil.',
      }
    default:
      return null
  }
}
