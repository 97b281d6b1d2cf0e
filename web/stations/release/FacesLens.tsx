import { useCallback, useMemo } from 'react'
import type { DraftMap } from '../../../core/release/index.ts'
import { faceWords } from '../../../core/work/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { faceLetters, letterOfPart } from './faceLetters.ts'
import { type CastLabel, Legend, middleOf, TintedCast } from './TintedCast.tsx'

/** Fills in the order of the letters: earths and slates that stand apart in either theme. */
const FILLS = [
  'color-mix(in srgb, var(--board) 80%, var(--ink))',
  'color-mix(in srgb, var(--settled) 60%, var(--sheet))',
  'color-mix(in srgb, var(--oxide) 50%, var(--sheet))',
  'color-mix(in srgb, var(--soft) 55%, var(--sheet))',
  'color-mix(in srgb, var(--foam) 70%, var(--settled))',
  'color-mix(in srgb, var(--card) 70%, var(--oxide))',
] as const
const OPEN = 'var(--sheet)'
/** Cast in, or a face that is told of by no row: a bead of sealant. */
const OTHER = 'color-mix(in srgb, var(--concrete-mark) 30%, var(--sheet))'

/** What goes on each face of the mould, lettered on the cast it forms. */
export function FacesLens() {
  const { piece, plan } = usePlan()
  const agents = plan?.stations.release?.figures.agents
  const letters = useMemo(() => faceLetters(agents ?? []), [agents])
  const byPart = useCallback(
    (map: DraftMap) =>
      map.partIds.map((id) => {
        const own = letterOfPart(letters, id)
        return own ? letters.indexOf(own) : -1
      }),
    [letters],
  )
  const known = useMemo(() => new WeakMap<DraftMap, number[]>(), [])
  const letterAt = useCallback(
    (map: DraftMap, i: number): number => {
      const of = known.get(map) ?? byPart(map)
      known.set(map, of)
      const part = map.part[i]!
      return part < 0 ? -2 : of[part]!
    },
    [known, byPart],
  )
  const fillOf = useCallback(
    (map: DraftMap, i: number): string => {
      const n = letterAt(map, i)
      return n === -2 ? OPEN : n < 0 ? OTHER : FILLS[n % FILLS.length]!
    },
    [letterAt],
  )
  const labels = useCallback(
    (map: DraftMap): CastLabel[] =>
      letters.flatMap(({ letter }, n) => {
        const at = middleOf(map, (i) => letterAt(map, i) === n)
        return at ? [{ key: letter, at, text: letter, strong: false }] : []
      }),
    [letters, letterAt],
  )
  return (
    <TintedCast
      label={`What goes on the faces round ${piece.name}: ${letters.map((l) => `${l.letter}, ${faceWords(l.rows[0]!.face)}`).join('; ')}`}
      fillOf={fillOf}
      labels={labels}
    >
      <p className="view-name">
        The faces of the mould, on the cast they form; what goes on each is on the right
      </p>
      <Legend
        rows={[
          ...letters.map(({ letter, rows }, n) => ({
            key: letter,
            fill: FILLS[n % FILLS.length]!,
            name: (
              <>
                <strong>{letter}</strong> {faceWords(rows[0]!.face)}
              </>
            ),
          })),
          { key: 'other', fill: OTHER, name: 'a bead of sealant, or cast in' },
          { key: 'open', fill: OPEN, name: 'open in the pour' },
        ]}
      />
    </TintedCast>
  )
}
