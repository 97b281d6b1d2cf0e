import type { FindingsIn, Words } from '../job/index.ts'

/** Sentences for the findings of this station, each with the facts it is made of. */
export const FINISH_WORDS = {
  'sealer-missing': (_f: { row: string }) => ({
    what: 'The sealer that was chosen is not in the stock',
    why: 'Choose another, or add it to the job’s stock.',
  }),
  'film-outdoors': (f: { sealer: string; exposure: string }) => ({
    what: `${f.sealer} is a film: it peels where water gets behind it`,
    why: 'In wet places and frost use a sealer that goes in and lets vapour out.',
    remedy: 'Use a penetrating sealer',
  }),
  'wax-in-kitchen': (f: { sealer: string }) => ({
    what: `${f.sealer} alone stains under acid and oil`,
    why: 'Plan to renew it every few weeks in a kitchen, or choose a film or oil.',
  }),
} satisfies Words

/** What this station finds: each code with its facts. */
export type FinishFindings = FindingsIn<typeof FINISH_WORDS>
