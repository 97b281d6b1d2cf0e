import { useCallback } from 'react'
import type { DraftMap } from '../../../core/release/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { type CastLabel, Legend, middleOf, TintedCast } from './TintedCast.tsx'

/** Steps of draft, from what runs into the cast up; the last holds for all that is steeper. */
const STEPS = [
  { key: 'locked', below: -0.02, fill: 'var(--oxide)', name: 'runs into the cast' },
  { key: 'none', below: 1, fill: 'color-mix(in srgb, var(--oxide) 55%, var(--sheet))', name: 'under 1°' },
  { key: 'little', below: 3, fill: 'color-mix(in srgb, var(--oxide) 25%, var(--sheet))', name: '1° to 3°' },
  {
    key: 'some',
    below: 30,
    fill: 'color-mix(in srgb, var(--settled) 45%, var(--sheet))',
    name: '3° to 30°',
  },
  { key: 'square', below: Infinity, fill: 'var(--settled)', name: '30° and more' },
] as const
const SOFT = 'color-mix(in srgb, var(--concrete-mark) 45%, var(--sheet))'
const OPEN = 'var(--sheet)'

const fillOf = (map: DraftMap, i: number): string => {
  const deg = map.degrees[i]!
  if (Number.isNaN(deg)) return OPEN
  if (!map.rigid[map.part[i]!]) return SOFT
  return STEPS.find((s) => deg < s.below)!.fill
}
/** Parts named on the drawing at most. */
const NAMED = 8

/** How each face of the cast stands to the way its part of the mould leaves by. */
export function DraftLens() {
  const { piece, plan } = usePlan()
  const rows = plan?.stations.release?.figures.drafts
  const parts = plan?.stations.mould?.parts
  const labels = useCallback(
    (map: DraftMap): CastLabel[] => {
      const told = (rows ?? [])
        .filter((r) => r.rigid && (r.shortMm2 > 0 || r.lockedMm2 > 0))
        .sort((a, b) => b.lockedMm2 - a.lockedMm2 || b.shortMm2 - a.shortMm2)
        .slice(0, NAMED)
      return told.flatMap((r): CastLabel[] => {
        const n = map.partIds.indexOf(r.partId)
        const at = middleOf(map, (i) => map.part[i] === n && map.degrees[i]! < Math.max(r.wantedDeg, 0.02))
        const name = parts?.find((p) => p.id === r.partId)?.name ?? r.partId
        return at
          ? [
              {
                key: r.partId,
                at,
                text: `${name}: ${r.lockedMm2 > 0 ? 'locked' : `${(r.leastDeg ?? 0).toFixed(1)}°, ${r.wantedDeg}° wanted`}`,
                strong: true,
              },
            ]
          : []
      })
    },
    [rows, parts],
  )
  return (
    <TintedCast
      label={`Draft of the mould on ${piece.name}: ${spoken(rows)}`}
      fillOf={fillOf}
      labels={labels}
    >
      <p className="view-name">Between each face and the way its part leaves by</p>
      <Legend
        rows={[
          ...STEPS,
          { key: 'soft', fill: SOFT, name: 'peels, bends or breaks out' },
          { key: 'open', fill: OPEN, name: 'open, or cast in' },
        ]}
      />
    </TintedCast>
  )
}

type Rows =
  | readonly { readonly rigid: boolean; readonly shortMm2: number; readonly lockedMm2: number }[]
  | undefined

const spoken = (rows: Rows): string => {
  const rigid = (rows ?? []).filter((r) => r.rigid)
  const locked = rigid.filter((r) => r.lockedMm2 > 0).length
  const short = rigid.filter((r) => r.shortMm2 > 0).length
  return `${rigid.length} rigid parts, ${locked} locked, ${short} with less than is wanted`
}
