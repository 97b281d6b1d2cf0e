import type { AgentRow } from '../../../core/release/index.ts'

/** What goes on the faces, one letter for each face of the mould: a seal and the agent over it share theirs. */
export type FaceLetter = {
  readonly letter: string
  readonly rows: readonly AgentRow[]
  readonly kind: 'release' | 'sealed' | 'film' | 'none'
}

export function faceLetters(agents: readonly AgentRow[]): FaceLetter[] {
  const keys = [...new Set(agents.map((a) => `${a.face}|${a.surface}`))]
  return keys.map((key, i) => {
    const rows = agents.filter((a) => `${a.face}|${a.surface}` === key)
    const uses = new Set(rows.map((r) => r.use))
    return {
      letter: i < 26 ? String.fromCharCode(65 + i) : `A${String.fromCharCode(65 + (i - 26))}`,
      rows,
      kind: uses.has('release')
        ? uses.has('seal')
          ? 'sealed'
          : 'release'
        : uses.has('film')
          ? 'film'
          : 'none',
    }
  })
}

/** The letter of a part's broad face: of a part with raw edges beside, not theirs. */
export function letterOfPart(letters: readonly FaceLetter[], partId: string): FaceLetter | null {
  const own = letters.filter((l) => l.rows.some((r) => r.partIds.includes(partId)))
  return own.find((l) => l.rows[0]!.surface !== 'raw edge') ?? own[0] ?? null
}
