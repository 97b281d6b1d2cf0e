import type { Rehearsal } from '../../../core/pour/index.ts'
import type { Scale } from './DayAxis.tsx'
import type { Busy, DayRow } from './dayRows.ts'

const WHO: Record<DayRow['who'], string> = { mixer: 'mixer', hands: 'hands', left: 'left alone' }
const FILL: Record<DayRow['who'], string> = {
  mixer: 'var(--concrete)',
  hands: 'var(--ink)',
  left: 'var(--rubber)',
}
/** Height of a row, and of each line of names under the last, px. */
const [HIGH, TIER] = [28, 16]
const TIERS = 4
const LETTER = 6.8

/** How high all of it is drawn. */
export const ROWS_HIGH = 3 * HIGH + TIERS * TIER + 6

/** Who is busy when; over them, between when and when 90 of 100 rehearsals have all of it placed. */
export function Rows({
  scale: { x, stretch, width, left, right },
  rows,
  rehearsal,
  top,
}: {
  scale: Scale
  rows: readonly DayRow[]
  rehearsal: Rehearsal | null
  top: number
}) {
  const clip = (m: number) => Math.min(width - right, Math.max(left, x(m)))
  const seen = (row: DayRow) => row.busy.filter((b) => b.to > stretch.from && b.from < stretch.to)
  const hands = rows.at(-1)
  const under = top + rows.length * HIGH
  return (
    <g>
      {rows.map((row, i) => {
        const y = top + i * HIGH
        return (
          <g key={row.who}>
            <text x="16" y={y + 17} className="dim" fontSize="14" style={{ fill: 'var(--soft)' }}>
              {WHO[row.who]}
            </text>
            <line x1={left} x2={width - right} y1={y + 22} y2={y + 22} stroke="var(--hair)" />
            {seen(row).map((b) => {
              const [a, z] = [clip(b.from), clip(b.to)]
              const wide = Math.max(2, z - a)
              return (
                <g key={b.id}>
                  <title>{b.name}</title>
                  <rect x={a} width={wide - (wide > 4 ? 1 : 0)} y={y + 5} height="17" fill={FILL[row.who]} />
                  {row.who !== 'hands' && wide > b.name.length * LETTER + 8 && (
                    <text x={a + 4} y={y + 18} className="dim" fontSize="13">
                      {b.name}
                    </text>
                  )}
                </g>
              )
            })}
          </g>
        )
      })}
      {hands &&
        namesUnder(seen(hands), clip, width - right).map(({ b, at, tier, end }) => (
          <g key={b.id}>
            <line x1={at} x2={at} y1={under - 5} y2={under + tier * TIER + 8} stroke="var(--hair)" />
            <text
              x={end ? at - 3 : at + 3}
              y={under + tier * TIER + 9}
              textAnchor={end ? 'end' : 'start'}
              className="dim"
              fontSize="13"
            >
              {b.name}
            </text>
          </g>
        ))}
      {rehearsal && rehearsal.placedBy.lowMinutes < stretch.to && (
        <PlacedBy
          low={clip(rehearsal.placedBy.lowMinutes)}
          high={clip(rehearsal.placedBy.highMinutes)}
          y={top - 3}
          right={width - right}
        />
      )}
    </g>
  )
}

/** Names of what hands do, each where it comes first and has room under its bar. */
function namesUnder(
  busy: readonly Busy[],
  clip: (m: number) => number,
  right: number,
): { b: Busy; at: number; tier: number; end: boolean }[] {
  const ends = Array.from({ length: TIERS }, () => Number.NEGATIVE_INFINITY)
  const told = new Set<string>()
  return busy.flatMap((b) => {
    if (told.has(b.name)) return []
    const at = clip(b.from)
    const long = b.name.length * LETTER + 10
    // At the right end of the axis a name is written before its line.
    const end = at + long > right
    const tier = ends.findIndex((e) => e < (end ? at - long : at))
    if (tier < 0) return []
    ends[tier] = end ? at : at + long
    told.add(b.name)
    return [{ b, at, tier, end }]
  })
}

const ODDS = 'placed, in 90 of 100 rehearsals'

function PlacedBy({ low, high, y, right }: { low: number; high: number; y: number; right: number }) {
  const after = high + ODDS.length * LETTER < right
  return (
    <g>
      <title>{ODDS}</title>
      <path
        d={`M${low} ${y - 3}v6M${high} ${y - 3}v6M${low} ${y}H${high}`}
        stroke="var(--oxide)"
        strokeWidth="2"
        fill="none"
      />
      <text
        x={after ? high + 6 : low - 6}
        y={y + 4}
        textAnchor={after ? 'start' : 'end'}
        className="dim"
        fontSize="13"
        style={{ fill: 'var(--oxide)' }}
      >
        {ODDS}
      </text>
    </g>
  )
}
