import { type ReactNode, useEffect, useMemo } from 'react'
import type { DraftMap } from '../../../core/release/index.ts'
import { rgbOf } from '../../stage/rgbOf.ts'
import { useSize } from '../../stage/useSize.ts'
import { useSolidScene } from '../../stage/useSolidScene.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../../state/store.ts'
import { pointedAt } from '../../state/viewSlice.ts'
import { placeLabels } from '../steel/placeLabels.ts'

export type CastLabel = {
  readonly key: string
  /** As poured. */
  readonly at: readonly [number, number, number]
  readonly text: string
  readonly strong: boolean
}

/** The cast as its mould sees it: each piece of its surface in a fill of its own, with labels, turned by hand. */
export function TintedCast({
  label,
  fillOf,
  labels,
  children,
}: {
  label: string
  /** The fill of a piece of surface, as a colour of the style sheet. */
  fillOf: (map: DraftMap, piece: number) => string
  labels: (map: DraftMap) => readonly CastLabel[]
  children: ReactNode
}) {
  const { plan, scene, looks, whole, examining, stopped, stopMeasuring, measure } = usePlan()
  const { theme, attitude } = useAppSelector((s) => s.view)
  const dispatch = useAppDispatch()
  const { attach, size } = useSize<HTMLDivElement>()
  const { canvas, solid, drawn } = useSolidScene(size, (id) => dispatch(pointedAt(id)))
  const map = plan?.stations.release?.draft ?? null
  const own = useMemo(
    () => scene && { ...scene, parts: scene.parts.filter((p) => p.role === 'piece') },
    [scene],
  )
  // biome-ignore lint/correctness/useExhaustiveDependencies: the colours are read again when the theme turns
  const colours = useMemo(() => map && coloursOf(map, fillOf), [map, fillOf, theme])
  useEffect(() => {
    if (!own || !solid.current) return
    solid.current.show(own)
  }, [own, solid])
  useEffect(() => {
    if (!own || !solid.current) return
    solid.current.dress({ attitude, lit: null, apart: false, theme })
    solid.current.tint(map && colours ? { positions: map.positions, colours } : null)
  }, [own, map, colours, theme, attitude, solid])
  const wishes = useMemo(() => (map ? labels(map) : []), [map, labels])
  const placed = placeLabels(
    drawn > 0
      ? wishes.flatMap(({ key, at, text }) => {
          const seen = solid.current?.seenAt(at)
          return seen ? [{ key, at: seen, away: 0, text }] : []
        })
      : [],
    size,
  )
  return (
    <div
      className={`grid h-full min-h-0 w-full grid-cols-[minmax(150px,230px)_minmax(0,1fr)] ${whole ? looks.release : 'stale'}`}
      data-testid="lens"
    >
      <div className="min-h-0 overflow-auto px-4 pt-2">
        {map ? (
          children
        ) : (
          <p className="label text-soft" role="status">
            {stopped
              ? 'Stopped: how it comes out is not told. '
              : examining !== null
                ? `Looking for how it comes out: ${Math.round(examining * 100)}%. `
                : plan?.guessed.mould
                  ? 'The mould is being built as solids; its faces are told from them.'
                  : 'Its faces are told from the solids of its mould, which are not there.'}
            {(stopped || examining !== null) && (
              <button type="button" className="word" onClick={stopped ? measure : stopMeasuring}>
                {stopped ? 'look at it' : 'stop'}
              </button>
            )}
          </p>
        )}
      </div>
      <div ref={attach} className="relative min-h-0 min-w-0 overflow-hidden">
        <canvas ref={canvas} className="absolute inset-0 h-full w-full" role="img" aria-label={label} />
        {map &&
          wishes.map(({ key, text, strong }) => {
            const seen = placed.get(key)
            return seen ? (
              <span
                key={key}
                className={`label pointer-events-none absolute -translate-x-1/2 -translate-y-1/2 bg-sheet px-1 text-[14px] ${strong ? 'font-bold text-oxide' : ''}`}
                style={{ left: seen[0], top: seen[1] }}
              >
                {text}
              </span>
            ) : null
          })}
      </div>
    </div>
  )
}

/** What the fills of a drawing mean. */
export function Legend({
  rows,
}: {
  rows: readonly { readonly key: string; readonly fill: string; readonly name: ReactNode }[]
}) {
  return (
    <ul className="label mt-3 flex flex-col gap-1 text-[15px] leading-tight">
      {rows.map(({ key, fill, name }) => (
        <li key={key} className="flex items-start gap-2">
          <span
            aria-hidden
            className="mt-[2px] inline-block size-[14px] flex-none border border-ink"
            style={{ background: fill }}
          />
          <span>{name}</span>
        </li>
      ))}
    </ul>
  )
}

/** Three corners a piece, each in its fill. */
function coloursOf(map: DraftMap, fillOf: (map: DraftMap, piece: number) => string): Float32Array {
  const known = new Map<string, readonly [number, number, number]>()
  const colours = new Float32Array(map.positions.length)
  map.part.forEach((_, i) => {
    const fill = fillOf(map, i)
    const rgb = known.get(fill) ?? rgbOf(fill)
    known.set(fill, rgb)
    for (let k = 0; k < 9; k += 1) colours[9 * i + k] = rgb[k % 3]!
  })
  return colours
}

/** The middle of the largest of some pieces of surface; null of none. */
export function middleOf(map: DraftMap, of: (piece: number) => boolean): CastLabel['at'] | null {
  let [best, most] = [-1, 0]
  map.part.forEach((_, i) => {
    if (!of(i)) return
    const area = areaOf(map.positions, i)
    if (area > most) [best, most] = [i, area]
  })
  if (best < 0) return null
  const p = map.positions.subarray(9 * best, 9 * best + 9)
  return [0, 1, 2].map((k) => (p[k]! + p[k + 3]! + p[k + 6]!) / 3) as unknown as CastLabel['at']
}

function areaOf(p: Float32Array, i: number): number {
  const at = 9 * i
  const [ux, uy, uz] = [p[at + 3]! - p[at]!, p[at + 4]! - p[at + 1]!, p[at + 5]! - p[at + 2]!]
  const [vx, vy, vz] = [p[at + 6]! - p[at]!, p[at + 7]! - p[at + 1]!, p[at + 8]! - p[at + 2]!]
  return Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx) / 2
}
