import { useCallback, useEffect, useState } from 'react'
import type { PullWay } from '../../../core/mould/index.ts'
import type { DraftMap } from '../../../core/release/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useWordsStyle } from '../../ui/Quantity.tsx'
import { leanWords } from '../leanWords.ts'
import { PullDial } from './PullDial.tsx'
import { type CastLabel, Legend, middleOf, TintedCast } from './TintedCast.tsx'
import { type TriedPull, usePullTrial } from './usePullTrial.ts'

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
/** The same of two halves that are drawn apart along a way that is tried. */
const fillTried = ({ degrees, locked }: TriedPull, i: number): string => {
  const deg = degrees[i]!
  if (Number.isNaN(deg)) return OPEN
  return locked?.[i] ? STEPS[0].fill : STEPS.find((s) => s.key !== 'locked' && deg < s.below)!.fill
}
/** Parts named on the drawing at most. */
const NAMED = 8

/** How each face of the cast stands to the way its part of the mould leaves by. */
export function DraftLens() {
  const { piece, plan } = usePlan()
  const words = useWordsStyle()
  const map = plan?.stations.release?.draft ?? null
  const pulls = plan?.stations.release?.figures.pulls ?? null
  /** The way that was chosen for the mould, if any. */
  const chosen = 'pull' in piece.mould ? piece.mould.pull : null
  const [way, setWay] = useState<PullWay | null>(null)
  const tried = usePullTrial(map, pulls ? way : null)
  // biome-ignore lint/correctness/useExhaustiveDependencies: another piece begins as its mould stands
  useEffect(() => setWay(null), [piece.id])
  const rows = plan?.stations.release?.figures.drafts
  const parts = plan?.stations.mould?.parts
  const labels = useCallback(
    (map: DraftMap): CastLabel[] => {
      // Of a way that is tried no part is there to be named.
      if (way) return []
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
    [rows, parts, way],
  )
  const fill = useCallback(
    (of: DraftMap, i: number) => (tried ? fillTried(tried, i) : fillOf(of, i)),
    [tried],
  )
  return (
    <TintedCast label={`Draft of the mould on ${piece.name}: ${spoken(rows)}`} fillOf={fill} labels={labels}>
      <p className="view-name">
        {tried
          ? 'Two halves drawn apart as the dial points'
          : 'Between each face and the way its part leaves by'}
      </p>
      {pulls && pulls.best.length > 0 && (
        <div className="mt-2">
          <PullDial value={way ?? chosen ?? pulls.best[0]!} best={pulls.best} onTurn={setWay} />
          <p className="label mt-2 min-h-[38px] text-[15px] leading-tight" role="status">
            {way
              ? `${leanWords(way)}: ${
                  tried?.lockedMm2 == null
                    ? 'looking'
                    : tried.lockedMm2 < 100
                      ? 'nothing locked'
                      : `about ${words.of('patch', tried.lockedMm2 / 100, 0)} locked`
                }`
              : 'Turn the dial to try a way; a cross is one that was found.'}
          </p>
          {way && (
            <p className="flex flex-wrap gap-x-3">
              <PartThisWay way={way} />
              <button type="button" className="word label" onClick={() => setWay(null)}>
                as the mould stands
              </button>
            </p>
          )}
        </div>
      )}
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

/** Takes a way that was tried for the mould, where it is one of two stiff halves. */
function PartThisWay({ way }: { way: PullWay }) {
  const { piece } = usePlan()
  const change = useChange()
  const { method } = piece.mould
  if (method !== 'closed' && method !== 'printed' && method !== 'brushed') return null
  return (
    <button
      type="button"
      className="word label"
      onClick={() =>
        change('part it this way', {
          type: 'mouldChosen',
          pieceId: piece.id,
          patch: { pull: way, ...(method !== 'closed' && { seam: 'curve', shells: 2 }) },
        })
      }
    >
      part it this way
    </button>
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
