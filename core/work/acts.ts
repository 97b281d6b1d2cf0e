import { BUILD_ACTS } from './acts/build.ts'
import { FINISH_ACTS } from './acts/finish.ts'
import { MOVE_ACTS } from './acts/move.ts'
import { POUR_ACTS } from './acts/pour.ts'
import { RELEASE_ACTS } from './acts/release.ts'

/** Every kind of act with its sentence: to add one, a line in the file of its station. */
export const ACTS = { ...BUILD_ACTS, ...RELEASE_ACTS, ...POUR_ACTS, ...MOVE_ACTS, ...FINISH_ACTS }

export type ActCode = keyof typeof ACTS
export type FactsOf<C extends ActCode> = Parameters<(typeof ACTS)[C]['say']>[0]
/** What is done, as data: which act, and what its sentence needs to know. */
export type Act = { [C in ActCode]: { readonly code: C; readonly facts: FactsOf<C> } }[ActCode]

/** An act whose code and facts belong together. */
export const act = <C extends ActCode>(code: C, facts: FactsOf<C>): Act => ({ code, facts }) as Act
