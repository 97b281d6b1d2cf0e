import { lazy, Suspense, useMemo } from 'react'
import { loopChords } from '../../../core/geometry/chords.ts'
import type { Point } from '../../../core/geometry/index.ts'
import { isWithin } from '../../../core/geometry/within.ts'
import type { SteelFigures, ThinCut } from '../../../core/steel/index.ts'
import { formatLength, lengthWithUnit } from '../../../core/units/index.ts'
import { Label } from '../../stage/PlanParts.tsx'
import { loopPath, ringPath } from '../../stage/paths.ts'
import { useSize } from '../../stage/useSize.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { pointedAt, thickTurned, thinPlaceCut } from '../../state/viewSlice.ts'
import { Turns } from '../../ui/Turns.tsx'
import { fitted } from './fitted.ts'
import { placeLabels } from './placeLabels.ts'
import { ThicknessCut } from './ThicknessCut.tsx'
import { fillOf } from './thicknessFill.ts'
import { type Along, contourLevels, flatView, INSIDE, thicknessBands } from './thicknessGrid.ts'

const ROOM = { x: 90, top: 54, bottom: 40 }
/** A piece as high as this against its plan is looked at from the front first. */
const TALL = 0.6

/** How thick the piece is: contours with their figures, and the balls that just fit at the thinnest places. */
export function ThicknessLens() {
  const { piece, plan, scene, looks, measuring, stopped, stopMeasuring, measure } = usePlan()
  const { attach, size } = useSize<HTMLDivElement>()
  const style = useMeasureStyle()
  const dispatch = useAppDispatch()
  const lit = useAppSelector((s) => s.view.lit)
  const steel = plan?.stations.steel
  const geometry = plan?.stations.piece?.geometry
  const tall = geometry ? geometry.height > TALL * Math.max(geometry.length, geometry.width) : false
  const { way: turned, place: chosen } = useAppSelector((s) => s.view.thick)
  const cuts = steel?.cuts ?? []
  const usual: Along = tall || piece.kind === 'swept' ? 'front' : 'down'
  const way: Way = turned === 'cut' && cuts.length === 0 ? usual : (turned ?? usual)
  const along: Along = way === 'cut' || way === 'solid' ? usual : way
  const onSolid = way === 'solid'
  const shown = Math.min(chosen, Math.max(0, cuts.length - 1))
  const cut = way === 'cut' ? cuts[shown] : undefined
  const map = steel?.thickness ?? null
  const wanted = steel?.figures.leastThicknessMm ?? 40
  const bounded = along === 'front' ? !!steel?.front : piece.kind === 'slab'
  const drawn = useMemo(() => {
    if (!map) return null
    const view = flatView(map, along)
    return { view, bands: thicknessBands(map, view, contourLevels(map.samples, wanted), bounded) }
  }, [map, along, wanted, bounded])
  const mm = (n: number) => formatLength(n, style)
  const at = drawn ? fitted(drawn.view.min, drawn.view.max, size, ROOM) : null
  const places = steel?.figures.thinPlaces ?? []
  const spots = places.map((p, i) => ({
    key: `place/${i}`,
    at: at ? at.to(along === 'down' ? [p.xMm, p.yMm] : [p.xMm, p.zMm]) : ([0, 0] as const),
    away: Math.max(3, (p.leastMm / 2) * (at?.scale ?? 1)),
    text: `${i + 1}: ${mm(p.leastMm)}`,
  }))
  // Labels of lines stand inside the piece.
  const outer =
    along === 'front'
      ? (steel?.front ?? null)
      : piece.kind === 'slab' && geometry
        ? [loopChords(geometry.outline).points]
        : null
  const contourTops = (drawn?.bands ?? []).flatMap(({ upToMm, rings }) => {
    const longest = [...rings].sort((a, b) => b.length - a.length)[0]
    if (upToMm === INSIDE || !longest || longest.length < 8 || !at) return []
    const inside = outer ? longest.filter((p) => outer.some((ring) => isWithin(p, ring))) : longest
    if (inside.length === 0) return []
    return [{ upToMm, at: at.to(inside.reduce((best, p) => (p[1] > best[1] ? p : best))) }]
  })
  const labels = placeLabels(
    [
      ...spots,
      ...contourTops.map((c) => ({ key: `level/${c.upToMm}`, at: c.at, away: 0, text: mm(c.upToMm) })),
    ],
    size,
  )
  // Of a slab the plan itself bounds what is drawn; of others it ends where no sample is near.
  const clip =
    along === 'down' && piece.kind === 'slab' && geometry && at
      ? [geometry.outline, ...geometry.openings.filter((o) => o.depth === null).map((o) => o.loop)]
          .map((loop) => loopPath(loop, at.to, at.scale, false))
          .join(' ')
      : null
  const front =
    along === 'front' && at ? (steel?.front?.map((r) => ringPath(r, at.to)).join(' ') ?? null) : null
  const bounds = clip ?? front
  const seen = along === 'down' ? scene?.seen.placed : undefined
  return (
    <div
      ref={attach}
      className={`relative h-full min-h-0 w-full overflow-hidden ${looks.steel}`}
      data-testid="lens"
    >
      <div className="absolute left-4 right-3 top-2 z-[1] flex items-center gap-4">
        <span className="view-name">
          How thick it is,{' '}
          {onSolid ? 'on its solid' : cut ? `cut ${CUT_WORDS[cut.seenFrom]}` : WAY_WORDS[along]}: wanted{' '}
          {lengthWithUnit(wanted, style)}
          {geometry?.voidFormer &&
            piece.voidFormer &&
            `; drawn without the void former, ${lengthWithUnit(piece.voidFormer.cover, style)} round it`}
        </span>
        <span className="flex-1" />
        <Turns
          label="Looked at"
          value={way}
          ways={[
            { value: 'down', name: 'from above' },
            { value: 'front', name: 'from the front' },
            ...(cuts.length > 0 ? [{ value: 'cut' as const, name: 'cut through' }] : []),
            { value: 'solid', name: 'on the solid' },
          ]}
          onTurn={(next) => dispatch(thickTurned(next))}
          className="flex items-center gap-3"
          item={(on) => `word label ${on ? 'font-bold' : 'text-soft'}`}
        />
      </div>
      {onSolid && map && (
        <Suspense fallback={null}>
          <ThicknessSolid map={map} places={places} wanted={wanted} size={size} />
        </Suspense>
      )}
      {cut && map && (
        <>
          {cuts.length > 1 && (
            <div className="absolute left-4 top-9 z-[1]">
              <Turns
                label="Cut through"
                value={String(shown)}
                ways={places.map((p, i) => ({ value: String(i), name: `${i + 1}: ${mm(p.leastMm)}` }))}
                onTurn={(i) => dispatch(thinPlaceCut(Number(i)))}
                className="flex flex-wrap items-center gap-x-3"
                item={(on) => `word label ${on ? 'font-bold' : 'text-soft'}`}
              />
            </div>
          )}
          <ThicknessCut
            map={map}
            cut={cut}
            ball={ballOf(places[shown]!, cut.seenFrom)}
            wanted={wanted}
            size={size}
            name={`${piece.name} cut through ${places[shown]!.between.join(' and ')}: ${mm(places[shown]!.leastMm)}`}
          />
        </>
      )}
      {!map && (
        <p className="label absolute left-4 top-10 text-soft" role="status">
          {!geometry?.recipe
            ? 'Nothing to measure while a finding stops the piece from being built.'
            : stopped
              ? 'Stopped: how thick it is, is not told. '
              : measuring === null
                ? 'Told once its solid is there.'
                : `Looking for how thick it is: ${Math.round(measuring * 100)}%. `}
          {geometry?.recipe && (stopped || measuring !== null) && (
            <button type="button" className="word" onClick={stopped ? measure : stopMeasuring}>
              {stopped ? 'measure it' : 'stop'}
            </button>
          )}
        </p>
      )}
      {drawn && at && !cut && !onSolid && size.width > 0 && (
        <svg
          width={size.width}
          height={size.height}
          role="img"
          aria-label={`Thickness of ${piece.name}: ${steel?.figures.thinPlaces
            .map((p, i) => `${i + 1}, ${mm(p.leastMm)}`)
            .join('; ')}`}
          className="absolute inset-0"
        >
          <defs>
            <pattern
              id="thin-hatch"
              width="7"
              height="7"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <line x1="0" y1="0" x2="0" y2="7" stroke="var(--oxide)" strokeWidth="2" />
            </pattern>
          </defs>
          {bounds && (
            <clipPath id="thick-plan">
              <path d={bounds} clipRule="evenodd" />
            </clipPath>
          )}
          <g clipPath={bounds ? 'url(#thick-plan)' : undefined}>
            {drawn.bands.map(({ upToMm, rings }) => (
              <path
                key={upToMm}
                d={rings.map((r) => ringPath(r, at.to)).join(' ')}
                fillRule="evenodd"
                fill={fillOf(upToMm, wanted)}
                stroke={upToMm === INSIDE ? 'none' : 'var(--ink)'}
                strokeWidth={upToMm === wanted ? 1.6 : 0.7}
              />
            ))}
          </g>
          {front && <path d={front} fill="none" stroke="var(--ink)" strokeWidth="1.2" />}
          {seen && <path d={seenPath(seen, at.to)} fill="none" stroke="var(--ink)" strokeWidth="0.8" />}
          {contourTops.map(({ upToMm }) => {
            const place = labels.get(`level/${upToMm}`)
            return place && <Label key={upToMm} at={place} text={mm(upToMm)} />
          })}
          {steel?.figures.thinPlaces.map((p, i) => {
            const [x, y] = at.to(along === 'down' ? [p.xMm, p.yMm] : [p.xMm, p.zMm])
            const r = Math.max(3, (p.leastMm / 2) * at.scale)
            const thin = p.wantedMm !== null && p.leastMm < p.wantedMm - 1e-6
            const key = `place/${i}`
            return (
              <g
                key={`${p.between.join()}${p.xMm},${p.yMm},${p.zMm}`}
                onPointerEnter={() => dispatch(pointedAt(key))}
                onPointerLeave={() => dispatch(pointedAt(null))}
              >
                <circle
                  cx={x}
                  cy={y}
                  r={r}
                  fill={thin ? 'url(#thin-hatch)' : 'none'}
                  stroke={thin ? 'var(--oxide)' : 'var(--ink)'}
                  strokeWidth={lit === key ? 3.5 : 1.6}
                />
                {labels.get(key) && (
                  <Label at={labels.get(key)!} text={`${i + 1}: ${mm(p.leastMm)}`} oxide={thin} />
                )}
              </g>
            )
          })}
        </svg>
      )}
    </div>
  )
}

type Way = Along | 'cut' | 'solid'
const ThicknessSolid = lazy(() => import('./ThicknessSolid.tsx'))
const WAY_WORDS = { down: 'from above', front: 'from the front' } as const
const CUT_WORDS = { front: 'from left to right', left: 'from front to back' } as const

/** The ball that just fits at a thin place, in the plane of its cut. */
const ballOf = (
  { xMm, yMm, zMm, leastMm, wantedMm }: SteelFigures['thinPlaces'][number],
  seenFrom: ThinCut['seenFrom'],
) => ({
  across: seenFrom === 'front' ? xMm : yMm,
  z: zMm,
  mm: leastMm,
  thin: wantedMm !== null && leastMm < wantedMm - 1e-6,
})

function seenPath(lines: Float32Array, to: (p: Point) => Point): string {
  const parts: string[] = []
  for (let i = 0; i < lines.length; i += 4) {
    const [a, b] = [to([lines[i]!, lines[i + 1]!]), to([lines[i + 2]!, lines[i + 3]!])]
    parts.push(`M${a[0].toFixed(1)} ${a[1].toFixed(1)}L${b[0].toFixed(1)} ${b[1].toFixed(1)}`)
  }
  return parts.join('')
}
