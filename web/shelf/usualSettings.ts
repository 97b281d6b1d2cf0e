import type { Settings } from '../../core/job/index.ts'
import { shopUnits } from '../../core/units/index.ts'
import { store } from '../state/store.ts'
import { database } from '../state/useAutosave.ts'
import { loadJob } from '../storage/jobStore.ts'

/** Where inches are what a shop measures in. */
const IN_INCHES = /^en-(US|LR)$|^my\b/

/**
 * What a new job is set to: the units, paper, people and prices of the job last worked on; in a shop that has none, by
 * the language of the device.
 */
export async function usualSettings(plain: Settings, newest: string | null): Promise<Settings> {
  const open = store.getState().job.job
  const last = open ?? (newest ? (await loadJob(database, newest).catch(() => undefined))?.job : undefined)
  if (last) return last.settings
  const inches = IN_INCHES.test(globalThis.navigator?.language ?? '')
  return inches ? { ...plain, ...shopUnits('inch'), paper: 'Letter' } : plain
}
