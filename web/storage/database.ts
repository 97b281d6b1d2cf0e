import Dexie, { type EntityTable } from 'dexie'
import type { Job, Patch } from '../../core/job/index.ts'
import type { Stock } from '../../core/stock/index.ts'

/** One step that can be undone: the patches both ways, and what it was called. */
export type UndoStep = {
  readonly label: string
  /** The piece that it changes, where it changes one. */
  readonly pieceId?: string
  /** Steps of one run that follow one another are undone together. */
  readonly run?: string
  readonly undo: readonly Patch[]
  readonly redo: readonly Patch[]
}

export type JobRow = {
  readonly id: string
  readonly name: string
  /** Raised at each save; a tab that is behind does not overwrite. */
  readonly revision: number
  readonly savedAt: number
  readonly job: Job
  readonly past: readonly UndoStep[]
  readonly future: readonly UndoStep[]
}

/** `version` is that of the documents its rows fit; shelves kept before it was told have none. */
export type ShelfRow = { readonly id: 'shelf'; readonly version?: number; readonly stock: Stock }
/** An imported mesh, kept under the hash of its content; its box starts at the origin, in the file's own unit. */
export type FileRow = {
  readonly id: string
  readonly name: string
  readonly positions: Float32Array
  readonly triangles: Uint32Array
}
export type SettingRow = { readonly id: string; readonly value: unknown }

export type HollowDatabase = Dexie & {
  jobs: EntityTable<JobRow, 'id'>
  shelf: EntityTable<ShelfRow, 'id'>
  settings: EntityTable<SettingRow, 'id'>
  files: EntityTable<FileRow, 'id'>
}

export function openDatabase(name = 'steady-hollow'): HollowDatabase {
  const database = new Dexie(name) as HollowDatabase
  database.version(1).stores({ jobs: 'id, savedAt', shelf: 'id', settings: 'id' })
  database.version(2).stores({ files: 'id' })
  return database
}
