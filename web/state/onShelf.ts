import { z } from 'zod'
import { database } from './useAutosave.ts'

const ROW = 'on-shelf'
const amounts = z.record(z.string().max(400), z.number().min(0).max(1e6))
export type OnShelf = Readonly<Record<string, number>>

/** What lies on the shelf of this device, by what it is; nothing where it cannot be read. */
export async function readShelf(): Promise<OnShelf> {
  try {
    const read = amounts.safeParse((await database.settings.get(ROW))?.value ?? {})
    return read.success ? read.data : {}
  } catch {
    return {}
  }
}

export const keepShelf = (next: OnShelf): Promise<unknown> =>
  database.settings.put({ id: ROW, value: next }).catch(() => undefined)

/** The shelf without what was used up; what does not lie there is not missed. */
export const without = (held: OnShelf, taken: ReadonlyMap<string, number>): OnShelf =>
  Object.fromEntries(
    Object.entries(held).map(([key, n]) => [
      key,
      Math.max(0, Math.round((n - (taken.get(key) ?? 0)) * 1e6) / 1e6),
    ]),
  )

/** What a pour used goes from the shelf; what is left in the bag opened last stays there as part of one. */
export async function takeOffShelf(taken: ReadonlyMap<string, number>): Promise<void> {
  const held = await readShelf()
  if ([...taken.keys()].some((key) => (held[key] ?? 0) > 0)) await keepShelf(without(held, taken))
}
