import { useMemo } from 'react'
import type { Point } from '../../core/geometry/index.ts'
import { pouredLoop } from '../../core/piece/index.ts'
import { formatLength } from '../../core/units/index.ts'
import { usePlan } from '../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../state/store.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { lineDragged } from '../state/viewSlice.ts'
import { Dimension } from './Dimension.tsx'
import { HATCH_OF, Hatches } from './Hatches.tsx'
import { MouldParts, mouldBeyond, plansOf } from './MouldParts.tsx'
import { SectionLine, SectionMarks } from './PlanParts.tsx'
import { loopPath, ringPath } from './paths.ts'
import { planFrame } from './planFrame.ts'
import { usualLine } from './sectionLine.ts'
import { useLineDrag } from './useLineDrag.ts'
import { usePlanBox } from './usePlanBox.ts'
import { useSize } from './useSize.ts'

/** What is seen of a solid from above, in the attitude shown, with its section line and extents. */
export function SolidPlan() {
  const { piece, scene, solidFresh, plan } = usePlan()
  const { attach, element, size } = useSize<HTMLDivElement>()
  const view = useAppSelector((s) => s.view)
  const dispatch = useAppDispatch()
  const style = useMeasureStyle()
  const box = usePlanBox()
  const poured = view.attitude === 'poured'
  const parts = poured ? (plan?.stations.mould?.parts ?? []) : []
  const plans = plansOf(poured ? scene : null)
  const beyond = mouldBeyond(parts, box, plans)
  const frame = planFrame(piece, view.attitude, size, box, beyond)
  const { onScreen, scale } = frame
  const line = view.line ?? usualLine(piece, false, 'along', box)
  const drag = useLineDrag(frame.scale, element)
  const seen = scene?.seen[view.attitude]
  // biome-ignore lint/correctness/useExhaustiveDependencies: the frame follows from size and box
  const path = useMemo(() => {
    if (!seen) return ''
    const parts: string[] = []
    for (let i = 0; i < seen.length; i += 4) {
      const a = onScreen([seen[i]!, seen[i + 1]!])
      const b = onScreen([seen[i + 2]!, seen[i + 3]!])
      parts.push(`M${a[0].toFixed(1)} ${a[1].toFixed(1)}L${b[0].toFixed(1)} ${b[1].toFixed(1)}`)
    }
    return parts.join('')
  }, [seen, size.width, size.height, box.length, box.width, beyond])
  const text = (mm: number) => formatLength(mm, style)
  const [left, bottom] = onScreen([0, 0])
  const [right, top] = onScreen([box.length, box.width])
  const round = piece.kind === 'turned'
  const broken = plan !== null && plan.stations.piece?.geometry.recipe === null
  const above = beyond * scale + 18
  const wide = text(box.width).length * 4
  const away = Math.max(
    34,
    (Math.max(beyond, piece.mould.runPast) + 40) * scale + 34,
    // Clear of the section's mark, which stands at the mould's edge.
    beyond * scale + 30 + wide,
  )
  // Beside the mould, and whole inside the view however long the figure.
  const beside = Math.min(right + away, size.width - wide - 8)
  const geometry = plan?.stations.piece?.geometry
  const lies = piece.attitude.down === 'top' || piece.attitude.down === 'bottom'
  const flat = geometry && lies ? pouredLoop(geometry.outline, piece.attitude, geometry) : null
  return (
    <div ref={attach} className="relative h-full min-h-0 w-full overflow-hidden" data-testid="plan">
      <span className="view-name absolute left-4 top-2">
        Plan{view.attitude === 'poured' && !plan?.panels ? ', as it lies in the pour' : ', from above'}
      </span>
      {size.width > 0 && (
        <svg
          width={size.width}
          height={size.height}
          role="group"
          aria-label={`Plan of ${piece.name}, ${view.attitude === 'poured' ? 'as poured' : 'as placed'}`}
          onPointerMove={drag.move}
          onPointerUp={drag.end}
          onPointerCancel={drag.end}
          className={`absolute inset-0 touch-none select-none ${solidFresh && !broken ? '' : 'stale'}`}
        >
          <Hatches />
          {parts.length > 0 && <MouldParts parts={parts} plans={plans} onScreen={onScreen} scale={scale} />}
          {parts.length > 0 && (
            <path
              d={
                flat
                  ? loopPath(flat, onScreen, scale, false)
                  : (plans.get('piece') ?? []).map((ring) => ringPath(ring, onScreen)).join(' ')
              }
              fill={HATCH_OF.concrete}
              fillRule="evenodd"
              pointerEvents="none"
            />
          )}
          <path d={path} fill="none" stroke="var(--ink)" strokeWidth="1.1" strokeLinecap="round" />
          {round && (
            <CentreMarks at={onScreen([box.length / 2, box.width / 2])} reach={((right - left) / 2) * 1.08} />
          )}
          <SectionLine line={line} onScreen={onScreen} onDrag={(e, end) => drag.start(e, end, line)} />
          <SectionMarks
            line={line}
            reach={[box.length, box.width]}
            text={text}
            onScreen={onScreen}
            onDrag={(e, end) => drag.start(e, end, line)}
            onLine={(next) => dispatch(lineDragged(next))}
          />
          <Dimension
            from={[left, top - above]}
            to={[right, top - above]}
            text={`${round ? 'd ' : ''}${text(box.length)}`}
            name={round ? 'diameter' : 'length'}
          />
          {!round && (
            <Dimension from={[beside, bottom]} to={[beside, top]} text={text(box.width)} name="width" />
          )}
        </svg>
      )}
      {broken && (
        <p className="label absolute bottom-2 left-4 text-soft">
          A finding keeps this from being built: the last good one stays here.
        </p>
      )}
    </div>
  )
}

/** The crossed centre lines of what is round. */
function CentreMarks({ at: [x, y], reach }: { at: Point; reach: number }) {
  return (
    <path
      d={`M ${x - reach} ${y} H ${x + reach} M ${x} ${y - reach} V ${y + reach}`}
      stroke="var(--soft)"
      strokeWidth="0.8"
      strokeDasharray="12 3 2 3"
    />
  )
}
