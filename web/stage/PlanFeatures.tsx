import type { KeyboardEvent } from 'react'
import type { Point } from '../../core/geometry/index.ts'
import { shopStep } from '../../core/units/index.ts'
import { useAppDispatch, useAppSelector } from '../state/store.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { selected } from '../state/viewSlice.ts'
import { arrowStep } from './keySteps.ts'
import { ringPath } from './paths.ts'
import type { Feature } from './planFeatures.ts'
import { SmallTarget } from './SmallTarget.tsx'
import { useLight } from './useLight.ts'
import type { PlanDrag } from './usePlanDrag.ts'

/** Features so wide that others stand within them: drawn below the section line. */
export const WIDE_LISTS: ReadonlySet<Feature['list']> = new Set(['panels', 'basin'])

/** Drainers, panels, letters, inserts and the basin of a slab's plan: pressed to be chosen, dragged or moved by arrows. */
export function PlanFeatures({
  features,
  toScreen,
  drag,
  localPoint,
  text,
}: {
  features: readonly Feature[]
  toScreen: (p: Point) => Point
  drag: PlanDrag
  localPoint: (event: { clientX: number; clientY: number }) => Point
  text: (mm: number) => string
}) {
  const selection = useAppSelector((s) => s.view.selection)
  const dispatch = useAppDispatch()
  const style = useMeasureStyle()
  const { lit } = useLight()
  const choose = (f: Feature) => dispatch(selected({ kind: f.list, id: f.id }))
  const onKey = (event: KeyboardEvent, f: Feature) => {
    const by = f.movable ? arrowStep(event, shopStep(style)) : null
    const chosen = event.key === 'Enter' || event.key === ' '
    const gone = event.key === 'Delete' || event.key === 'Backspace'
    if (!by && !chosen && !gone) return
    event.preventDefault()
    if (by) drag.nudgeFeature(f, by)
    else if (chosen) choose(f)
    else drag.removeFeature(f)
  }
  return features.map((f) => {
    const chosen = selection?.kind === f.list && selection.id === f.id
    return (
      <g
        key={`${f.list}|${f.id}`}
        role="button"
        tabIndex={0}
        aria-label={`${f.name}, ${text(f.at[0])} from the left, ${text(f.at[1])} from the front`}
        aria-pressed={chosen}
        data-feature={f.id}
        style={{ cursor: f.movable ? 'grab' : 'pointer' }}
        onKeyDown={(e) => onKey(e, f)}
        onPointerDown={(e) =>
          f.movable ? drag.start(e, { kind: 'feature', feature: f, start: localPoint(e) }) : choose(f)
        }
      >
        <path
          d={f.rings.map((ring) => ringPath(ring, toScreen)).join(' ')}
          fillRule="evenodd"
          fill={f.fill ? 'var(--concrete-mark)' : 'transparent'}
          fillOpacity={f.list === 'lettering' ? 1 : 0.35}
          stroke={chosen || lit(`${f.list}/${f.id}`) ? 'var(--oxide)' : 'var(--ink)'}
          strokeWidth={chosen ? 2.4 : f.list === 'lettering' ? 0.6 : 1.1}
          strokeLinejoin="round"
        />
        {/* What is small on the screen is pressed by the ground it stands on. */}
        <SmallTarget rings={f.rings} toScreen={toScreen} />
      </g>
    )
  })
}
