import { applyChange, type Change, type Finding, type Job, type Piece } from './job/index.ts'
import { removeOpening } from './piece/index.ts'

/** What of a piece is not planned because it cannot be as it is; the rest is planned without it. */
export type LeftOut = { readonly kind: 'opening' | 'feature'; readonly id: string; readonly name: string }

/**
 * The piece without what its stops are about: of two openings over one another the later one, of an opening in the shell
 * of a basin the opening. null where a stop is about something that a piece cannot be without (its outline, a side).
 */
export function leaveOut(
  job: Job,
  piece: Piece,
  findings: readonly Finding[],
): { piece: Piece; leftOut: readonly LeftOut[] } | null {
  const stops = findings.filter((f) => f.level === 'stop')
  const leftOut = new Map<string, LeftOut>()
  let left = piece
  for (const { about } of stops) {
    const last = about.at(-1)
    if (!last || leftOut.has(`${last.kind}/${last.id}`)) continue
    const found = removal(left, last.kind, last.id)
    if (!found) return null
    leftOut.set(`${last.kind}/${last.id}`, found.what)
    const pieces = job.pieces.map((p) => (p.id === left.id ? left : p))
    left = found.changes
      .reduce(applyChange, { ...job, pieces: pieces.some((p) => p === left) ? pieces : [...pieces, left] })
      .pieces.find((p) => p.id === piece.id)!
  }
  return { piece: left, leftOut: [...leftOut.values()] }
}

function removal(
  piece: Piece,
  kind: string,
  id: string,
): { what: LeftOut; changes: readonly Change[] } | null {
  const pieceId = piece.id
  if (kind === 'opening' && piece.kind === 'slab') {
    const opening = piece.openings.find((o) => o.id === id)
    return (opening && { what: { kind, id, name: opening.name }, changes: removeOpening(piece, id) }) ?? null
  }
  if (kind !== 'feature') return null
  const what = (name: string): LeftOut => ({ kind, id, name })
  const taken = (list: 'drainers' | 'panels' | 'lettering' | 'inserts', name: string) => ({
    what: what(name),
    changes: [{ type: 'featureRemoved', pieceId, list, featureId: id } as const],
  })
  if (piece.kind === 'slab') {
    if (id === 'basin' && piece.basin)
      return {
        what: what('the basin'),
        changes: [{ type: 'shapeChanged', pieceId, patch: { basin: null } }],
      }
    for (const list of ['drainers', 'panels'] as const) {
      const item = piece[list].find((d) => d.id === id)
      if (item) return taken(list, item.name)
    }
  }
  const letters = piece.lettering.find((l) => l.id === id)
  if (letters) return taken('lettering', `“${letters.text.split('\n')[0]}”`)
  const insert = piece.inserts.find((i) => i.id === id)
  return insert ? taken('inserts', insert.name) : null
}
