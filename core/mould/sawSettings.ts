import type { CutRow } from './types.ts'

/** Fences and stops set within this are one setting, mm and degrees. */
const SAME = 0.05

export type Crosscut = {
  readonly lengthMm: number
  readonly bevelsDeg: CutRow['bevelsDeg']
  readonly mitresDeg: CutRow['mitresDeg']
  readonly count: number
  readonly rows: readonly CutRow[]
}
/** One setting of the fence: a board, a width, a tilt; and the stops that its strips are cut to length by. */
export type RipSetting = {
  readonly boardId: string
  readonly boardName: string
  readonly widthMm: number
  readonly edgeDeg: number
  readonly count: number
  readonly crosscuts: readonly Crosscut[]
}

/**
 * A cut list in the order in which a saw is set: board by board, the widest rip first, equal widths together whatever
 * they are for, then the lengths cut from them, the longest first so that a slip leaves something to use.
 */
export function sawSettings(rows: readonly CutRow[], moulds = 1): RipSetting[] {
  const boards = [...new Set(rows.map((r) => r.boardId))]
  return boards.flatMap((boardId) => {
    const own = rows.filter((r) => r.boardId === boardId)
    return groups(
      [...own].sort((a, b) => b.widthMm - a.widthMm || Math.abs(b.edgeDeg) - Math.abs(a.edgeDeg)),
      (a, b) => near(a.widthMm, b.widthMm) && near(Math.abs(a.edgeDeg), Math.abs(b.edgeDeg)),
    ).map(
      (rip): RipSetting => ({
        boardId,
        boardName: rip[0]!.boardName,
        widthMm: rip[0]!.widthMm,
        edgeDeg: Math.abs(rip[0]!.edgeDeg),
        count: countOf(rip, moulds),
        crosscuts: groups(
          [...rip].sort((a, b) => b.lengthMm - a.lengthMm),
          (a, b) => near(a.lengthMm, b.lengthMm) && sameEnds(a, b),
        ).map((cut) => ({
          lengthMm: cut[0]!.lengthMm,
          bevelsDeg: cut[0]!.bevelsDeg,
          mitresDeg: cut[0]!.mitresDeg,
          count: countOf(cut, moulds),
          rows: cut,
        })),
      }),
    )
  })
}

const near = (a: number, b: number): boolean => Math.abs(a - b) <= SAME
const countOf = (rows: readonly CutRow[], moulds: number): number =>
  rows.reduce((sum, r) => sum + r.count, 0) * moulds

function sameEnds(a: CutRow, b: CutRow): boolean {
  const pair = (p: readonly [number, number] | null) => p ?? [0, 0]
  return ([0, 1] as const).every(
    (k) =>
      near(pair(a.bevelsDeg)[k], pair(b.bevelsDeg)[k]) && near(pair(a.mitresDeg)[k], pair(b.mitresDeg)[k]),
  )
}

/** Rows in runs that are alike their first. */
function groups(rows: readonly CutRow[], alike: (a: CutRow, b: CutRow) => boolean): CutRow[][] {
  const found: CutRow[][] = []
  for (const row of rows) {
    const group = found.find((g) => alike(g[0]!, row))
    if (group) group.push(row)
    else found.push([row])
  }
  return found
}
