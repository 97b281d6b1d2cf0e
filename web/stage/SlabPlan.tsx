import { type ComponentProps, useEffect, useMemo, useState } from 'react'
import { boundLoop, type Loop, loopChords, type Point } from '../../core/geometry/index.ts'
import { boxChoiceOf, type SlabPiece, type StationName, storedPath } from '../../core/job/index.ts'
import { planOf } from '../../core/mould/index.ts'
import {
  holdFonts,
  outlineEdges,
  outlineLoop,
  outlinePath,
  outlineSize,
  outlineStart,
  placeOpenings,
  resizedOutline,
  resolvePlacing,
  sideNamesOf,
} from '../../core/piece/index.ts'
import { formatLength, shopStep } from '../../core/units/index.ts'
import { usePlan } from '../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector, useChange } from '../state/store.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { lineDragged, pointedAt, selected } from '../state/viewSlice.ts'
import { MeasureField } from '../ui/MeasureField.tsx'
import { BowLines } from './BowLines.tsx'
import { Dimension } from './Dimension.tsx'
import { HATCH_OF, Hatches } from './Hatches.tsx'
import { isBoxPart, MouldParts, mouldBeyond, plansOf, standsBeside } from './MouldParts.tsx'
import { OwnBars } from './OwnBars.tsx'
import { PathHandles } from './PathHandles.tsx'
import { PlanBars } from './PlanBars.tsx'
import { PlanFeatures, WIDE_LISTS } from './PlanFeatures.tsx'
import { Guides, NarrowLands } from './PlanMarks.tsx'
import { freeNamePlace, PlanName } from './PlanName.tsx'
import { PlanOpenings } from './PlanOpenings.tsx'
import { EdgeLines, OpeningDimensions, SectionLine, SectionMarks } from './PlanParts.tsx'
import { PlanSides } from './PlanSides.tsx'
import { PlanWires } from './PlanWires.tsx'
import { loopPath, ringPath } from './paths.ts'
import { planFeatures } from './planFeatures.ts'
import { planFrame, sideShown, type ViewSide } from './planFrame.ts'
import { planTarget } from './planTarget.ts'
import { usualLine } from './sectionLine.ts'
import { usePlanDrag } from './usePlanDrag.ts'
import { useSize } from './useSize.ts'

type Editing = { readonly what: 'length' | 'width' | ViewSide; readonly at: Point; readonly value: number }

/** Whether a strip runs up the drawing: its boards are hatched that way. */
function standsUpright(loop: Loop): boolean {
  const { min, max } = boundLoop(loop)
  return max[1] - min[1] > max[0] - min[0]
}

/** The plan of a slab and its mould seen from above, edited in place. Front at the bottom in either attitude. */
export function SlabPlan({ piece, station }: { piece: SlabPiece; station: StationName }) {
  const { plan, scene, preview } = usePlan()
  const { attach, element: box, size } = useSize<HTMLDivElement>()
  const view = useAppSelector((s) => s.view)
  const dispatch = useAppDispatch()
  const change = useChange()
  const style = useMeasureStyle()
  const [editing, setEditing] = useState<Editing | null>(null)

  const poured = view.attitude === 'poured'
  const { length, width } = outlineSize(piece.outline)
  const mouldParts = poured ? (plan?.stations.mould?.parts ?? []) : []
  // The frame is that of the piece in the document, so that it holds still while a side is pulled.
  const found = useAppSelector((s) => s.job.job)!.pieces.find((p) => p.id === piece.id)
  const kept = found?.kind === 'slab' ? found : piece
  const plans = plansOf(poured ? scene : null)
  const under = mouldParts.filter((p) => !isBoxPart(p))
  const frame = planFrame(
    kept,
    view.attitude,
    size,
    undefined,
    mouldBeyond(
      under,
      { length, width },
      new Map(under.flatMap((p) => (plans.has(p.id) ? [[p.id, plans.get(p.id)!]] : []))),
    ),
  )
  const { scale, mirrored, margin, onScreen, fromScreen } = frame
  const shown = ([x, y]: Point): Point => (mirrored ? [length - x, y] : [x, y])
  // A plan starts at its own lower left: while a corner is dragged it is drawn where the hand put it.
  const [handled, setHandled] = useState(false)
  const start: Point = handled ? outlineStart(piece.outline) : [0, 0]
  const toScreen = (p: Point): Point =>
    handled ? frame.toScreen([p[0] + start[0], p[1] + start[1]]) : onScreen(shown(p))
  const localPoint = (event: { clientX: number; clientY: number }): Point => {
    const rect = box.current!.getBoundingClientRect()
    return [event.clientX - rect.left, event.clientY - rect.top]
  }
  planTarget.current = (clientX, clientY) => {
    const rect = box.current?.getBoundingClientRect()
    if (!rect || clientX < rect.left || clientX > rect.right || clientY < rect.top || clientY > rect.bottom)
      return null
    return fromScreen([clientX - rect.left, clientY - rect.top])
  }

  const placing = useMemo(() => resolvePlacing(piece), [piece])
  const openings = useMemo(() => placeOpenings(piece, placing), [piece, placing])
  const outline = useMemo(() => outlineLoop(piece.outline), [piece.outline])
  const edges = useMemo(
    () => outlineEdges(outlinePath(piece.outline), sideNamesOf(piece.outline)),
    [piece.outline],
  )
  const [fontsHeld, setFontsHeld] = useState(0)
  const fonts = piece.lettering.map((l) => l.font).join('|')
  useEffect(() => {
    if (fonts) void holdFonts(fonts.split('|')).then(() => setFontsHeld((n) => n + 1))
  }, [fonts])
  // biome-ignore lint/correctness/useExhaustiveDependencies: letters are drawn again when their font has come
  const features = useMemo(() => planFeatures(piece), [piece, fontsHeld])
  // Handles are those of the piece in the document, so that a corner does not run away under the hand.
  const shiftedCorners = useMemo(() => outlinePath(kept.outline), [kept.outline])
  const line = view.line ?? usualLine(piece, mirrored, 'along')
  const text = (mm: number) => formatLength(mm, style)
  const drag = usePlanDrag(kept, frame, style, localPoint)

  const lit = (id: string) => view.lit === id
  const light = (id: string | null) => ({
    onPointerEnter: () => dispatch(pointedAt(id)),
    onPointerLeave: () => dispatch(pointedAt(null)),
  })
  const chosen =
    view.selection?.kind === 'opening' ? piece.openings.find((o) => o.id === view.selection?.id) : undefined
  const dragLine: ComponentProps<typeof SectionMarks>['onDrag'] = (e, end) =>
    drag.start(e, { kind: 'line', end, start: localPoint(e), line })
  const edit = (what: Editing['what'], value: number, at: Point) => setEditing({ what, value, at })
  const commitEdit = (mm: number) => {
    if (!editing) return
    const { what } = editing
    if (what === 'length' || what === 'width')
      change(`${what} ${text(mm)}`, {
        type: 'outlineChanged',
        pieceId: piece.id,
        outline: resizedOutline(piece.outline, { [what]: mm }),
      })
    else if (chosen) {
      const side = sideShown(what, mirrored)
      const axis = side === 'left' || side === 'right' ? 'u' : 'v'
      const rule = side === 'left' || side === 'front' ? 'fromStart' : 'fromEnd'
      change(`${chosen.name} ${text(mm)} from the ${side}`, {
        type: 'openingChanged',
        pieceId: piece.id,
        openingId: chosen.id,
        patch: { [axis]: { rule, distance: mm } },
      })
    }
  }

  const above = margin * scale + 18
  const away = Math.max(margin * scale + 16, (piece.mould.runPast + 40) * scale + 34)
  const [left, bottom] = onScreen([0, 0])
  const [right, top] = onScreen([length, width])
  const narrow = (plan?.findings ?? []).filter((f) => f.code === 'land-narrow')
  const lands =
    narrow.length > 0
      ? (plan?.stations.steel?.figures.lands ?? []).filter((l) =>
          narrow.some((f) => Math.abs(Number(f.facts.landMm) - l.leastMm) < 0.6),
        )
      : []

  const namePlace = freeNamePlace(piece.name, {
    ring: loopChords(outline).points.map(toScreen),
    taken: [
      ...openings.map((o) => loopChords(o.loop).points),
      ...features.filter((f) => !WIDE_LISTS.has(f.list)).map((f) => f.rings.flat()),
      ...lands.map((l): Point[] => [
        [l.fromXMm, l.fromYMm],
        [l.toXMm, l.toYMm],
      ]),
    ].map((points) => points.map(toScreen)),
  })

  return (
    <div ref={attach} className="relative h-full min-h-0 w-full overflow-hidden" data-testid="plan">
      <span className="view-name absolute left-4 top-2">Plan</span>
      {size.width > 0 && (
        <svg
          width={size.width}
          height={size.height}
          role="group"
          aria-label={`Plan of ${piece.name}, ${poured ? 'as poured' : 'as placed'}`}
          onFocusCapture={drag.newRun}
          onPointerMove={drag.move}
          onPointerUp={drag.end}
          onPointerCancel={drag.end}
          className="absolute inset-0 touch-none select-none"
        >
          <Hatches />
          {mouldParts
            .filter((p) => p.role === 'base' && boxChoiceOf(piece.mould).school !== 'wrap')
            .map(
              (p) =>
                planOf(p) && (
                  <path
                    key={p.id}
                    d={loopPath(planOf(p)!, onScreen, scale, false)}
                    fill="var(--board)"
                    stroke="var(--ink)"
                    strokeWidth="0.8"
                    {...light(p.id)}
                  />
                ),
            )}
          {under.length > 0 && <MouldParts parts={under} plans={plans} onScreen={onScreen} scale={scale} />}
          <path
            data-testid="plan-body"
            d={[outline, ...openings.filter((o) => o.made === 'cast').map((o) => o.loop)]
              .map((l) => loopPath(l, toScreen, scale, mirrored))
              .join(' ')}
            fillRule="evenodd"
            fill={HATCH_OF.concrete}
            stroke="var(--ink)"
            strokeWidth="1.6"
          />
          <PlanName name={piece.name} mirrored={mirrored} at={namePlace} />
          <EdgeLines piece={piece} toScreen={toScreen} />
          {station !== 'piece' && <PlanWires toScreen={toScreen} thin={station !== 'steel'} />}
          {station !== 'piece' && <PlanBars toScreen={toScreen} scale={scale} thin={station !== 'steel'} />}
          {station === 'steel' && <OwnBars toScreen={toScreen} fromScreen={fromScreen} />}
          {mouldParts.map((p) => {
            if (p.role === 'base' || !isBoxPart(p)) return null
            const outline = planOf(p)
            const seen = outline || !standsBeside(p) ? [] : (plans.get(p.id) ?? [])
            if (!outline && seen.length === 0) return null
            const upright = p.role === 'strip' && outline !== null && standsUpright(outline)
            return (
              <path
                key={p.id}
                d={
                  outline
                    ? loopPath(outline, onScreen, scale, false)
                    : seen.map((r) => ringPath(r, onScreen)).join(' ')
                }
                fillRule="evenodd"
                fill={p.role === 'wrap' ? HATCH_OF.foam : upright ? 'url(#hatch-board-up)' : HATCH_OF.board}
                stroke={lit(p.id) ? 'var(--oxide)' : 'var(--ink)'}
                strokeWidth={lit(p.id) ? 2.4 : 1}
                {...light(p.id)}
              />
            )
          })}
          {station === 'mould' && poured && plan?.stations.mould && (
            <BowLines mould={plan.stations.mould} onScreen={onScreen} scale={scale} />
          )}
          <PlanSides
            piece={piece}
            outline={outline}
            edges={edges}
            frame={frame}
            toScreen={toScreen}
            drag={drag}
            localPoint={localPoint}
          />
          <PlanFeatures
            features={features.filter((f) => WIDE_LISTS.has(f.list))}
            toScreen={toScreen}
            drag={drag}
            localPoint={localPoint}
            text={text}
          />
          <SectionLine line={line} onScreen={onScreen} onDrag={dragLine} />
          <PlanFeatures
            features={features.filter((f) => !WIDE_LISTS.has(f.list))}
            toScreen={toScreen}
            drag={drag}
            localPoint={localPoint}
            text={text}
          />
          <PlanOpenings
            piece={piece}
            placing={placing}
            openings={openings}
            chosen={chosen?.id ?? null}
            poured={poured}
            mirrored={mirrored}
            scale={scale}
            toScreen={toScreen}
            fromScreen={fromScreen}
            drag={drag}
            localPoint={localPoint}
            text={text}
            step={shopStep(style)}
          />
          {station === 'piece' && piece.outline.kind === 'polygon' && (
            <PathHandles
              corners={shiftedCorners}
              toScreen={frame.toScreen}
              fromScreen={fromScreen}
              localPoint={localPoint}
              step={shopStep(style)}
              selected={view.selection?.kind === 'corner' ? view.selection.id : null}
              onSelect={(id) => dispatch(selected({ kind: 'corner', id }))}
              onPreview={(corners) => {
                setHandled(corners !== null)
                preview(
                  corners && [
                    {
                      type: 'outlineChanged',
                      pieceId: piece.id,
                      outline: { kind: 'polygon', corners: storedPath(corners) },
                    },
                  ],
                )
              }}
              onCommit={(corners, label) =>
                change(label, {
                  type: 'outlineChanged',
                  pieceId: piece.id,
                  outline: { kind: 'polygon', corners: storedPath(corners) },
                })
              }
            />
          )}
          <SectionMarks
            line={line}
            reach={[length, width]}
            text={text}
            onScreen={onScreen}
            onDrag={dragLine}
            onLine={(next) => dispatch(lineDragged(next))}
          />
          <Guides guides={drag.guides} length={length} width={width} toScreen={toScreen} />
          <NarrowLands lands={lands} toScreen={toScreen} text={text} />
          <Dimension
            from={[left, top - above]}
            to={[right, top - above]}
            text={text(length)}
            name="length"
            onEdit={() => edit('length', length, [(left + right) / 2, top - above])}
          />
          <Dimension
            from={[right + away, bottom]}
            to={[right + away, top]}
            text={text(width)}
            name="width"
            onEdit={() => edit('width', width, [right + away - 30, (top + bottom) / 2])}
          />
          {chosen && (
            <OpeningDimensions
              piece={piece}
              openingId={chosen.id}
              name={chosen.name}
              middle={shown(placing.middles.get(chosen.id)!)}
              onScreen={onScreen}
              text={text}
              onEdit={edit}
              mirrored={mirrored}
            />
          )}
          <text x={left - 4} y={size.height - 8} className="view-name" fill="var(--soft)">
            front
          </text>
        </svg>
      )}
      {editing && (
        <div
          className="absolute z-10 -translate-x-1/2 -translate-y-1/2 border border-ink bg-sheet px-2 py-1"
          style={{
            left: Math.max(70, Math.min(size.width - 70, editing.at[0])),
            top: Math.max(24, Math.min(size.height - 24, editing.at[1])),
          }}
        >
          <MeasureField
            bare
            autoFocus
            label={`${editing.what === 'length' || editing.what === 'width' ? editing.what : `${chosen?.name} from the ${editing.what}`}`}
            value={editing.value}
            min={editing.what === 'length' || editing.what === 'width' ? 1 : -100000}
            allowNegative={editing.what !== 'length' && editing.what !== 'width'}
            onCommit={commitEdit}
            onDone={() => setEditing(null)}
          />
        </div>
      )}
    </div>
  )
}
