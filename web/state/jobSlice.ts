import { createSlice, type PayloadAction } from '@reduxjs/toolkit'
import { applyChange, applyPatches, type Change, diffTrees, type Job } from '../../core/job/index.ts'
import type { JobRow, UndoStep } from '../storage/database.ts'
import { pieceChanged, stepWords } from './stepWords.ts'

/** Steps that can be undone. */
export const UNDO_LIMIT = 200

export type SaveState =
  | { readonly kind: 'saved'; readonly at: number | null }
  | { readonly kind: 'unsaved' }
  | { readonly kind: 'behind' }
  | { readonly kind: 'failed'; readonly why: string }

export type JobState = {
  readonly job: Job | null
  readonly past: readonly UndoStep[]
  readonly future: readonly UndoStep[]
  /** The revision this tab last saw saved. */
  readonly revision: number
  readonly save: SaveState
  /** Raised with every change to the document, for the workers. */
  readonly edit: number
  /** What the last step was, so that it can be told. */
  readonly told: { readonly text: string; readonly undo: boolean } | null
}

const initialState: JobState = {
  job: null,
  past: [],
  future: [],
  revision: 0,
  save: { kind: 'saved', at: null },
  edit: 0,
  told: null,
}

export const jobSlice = createSlice({
  name: 'job',
  initialState: initialState as JobState,
  reducers: {
    jobOpened: (state, { payload }: PayloadAction<JobRow>): JobState => ({
      ...initialState,
      job: payload.job,
      past: payload.past,
      future: payload.future,
      revision: payload.revision,
      save: { kind: 'saved', at: payload.savedAt },
      edit: (state as JobState).edit + 1,
    }),
    jobClosed: (state): JobState => ({ ...initialState, edit: (state as JobState).edit + 1 }),
    jobChanged: (
      draft,
      { payload }: PayloadAction<{ label: string; changes: readonly Change[]; run?: string }>,
    ): JobState => {
      const state = draft as JobState
      if (!state.job) return state
      const job = payload.changes.reduce(applyChange, state.job)
      if (diffTrees(state.job, job).length === 0) return state
      // A run of steps is undone as one: it begins where its first step began.
      const last = state.past.at(-1)
      const goesOn = payload.run !== undefined && last?.run === payload.run && state.future.length === 0
      const from = goesOn ? applyPatches(state.job, last!.undo) : state.job
      const redo = diffTrees(from, job)
      const step: UndoStep = {
        label: payload.label,
        undo: diffTrees(job, from),
        redo,
        ...pieceChanged(payload.changes),
        ...(payload.run !== undefined && { run: payload.run }),
      }
      const past = goesOn ? state.past.slice(0, -1) : state.past
      return {
        ...state,
        job,
        past: redo.length === 0 ? past : [...past, step].slice(-UNDO_LIMIT),
        future: [],
        save: { kind: 'unsaved' },
        edit: state.edit + 1,
        told: { text: payload.label, undo: true },
      }
    },
    undone: (draft): JobState => {
      const state = draft as JobState
      const step = state.past.at(-1)
      if (!state.job || !step) return state
      return {
        ...state,
        job: applyPatches(state.job, step.undo),
        past: state.past.slice(0, -1),
        future: [...state.future, step],
        save: { kind: 'unsaved' },
        edit: state.edit + 1,
        told: { text: `undone: ${stepWords(state.job, step)}`, undo: false },
      }
    },
    redone: (draft): JobState => {
      const state = draft as JobState
      const step = state.future.at(-1)
      if (!state.job || !step) return state
      return {
        ...state,
        job: applyPatches(state.job, step.redo),
        past: [...state.past, step],
        future: state.future.slice(0, -1),
        save: { kind: 'unsaved' },
        edit: state.edit + 1,
        told: { text: `again: ${stepWords(state.job, step, false)}`, undo: true },
      }
    },
    saveEnded: (
      draft,
      { payload }: PayloadAction<{ edit: number; revision: number; save: SaveState }>,
    ): JobState => {
      const state = draft as JobState
      const { edit, revision, save } = payload
      if (save.kind !== 'saved') return { ...state, save }
      return { ...state, revision, save: edit === state.edit ? save : { kind: 'unsaved' } }
    },
    tellingEnded: (draft): JobState => ({ ...(draft as JobState), told: null }),
  },
})

export const { jobOpened, jobClosed, jobChanged, undone, redone, saveEnded, tellingEnded } = jobSlice.actions
