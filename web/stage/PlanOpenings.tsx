import type { KeyboardEvent } from 'react'
import { boundLoop, type Point } from '../../core/geometry/index.ts'
import type { SlabPiece } from '../../core/job/index.ts'
import {
  moveOpening,
  type placeOpenings,
  reach,
  removeOpening,
  type resolvePlacing,
} from '../../core/piece/index.ts'
import { useAppDispatch, useChange } from '../state/store.ts'
import { selected } from '../state/viewSlice.ts'
import { arrowStep } from './keySteps.ts'
import { Label } from './PlanParts.tsx'
import { loopPath, shapeText } from './paths.ts'
import { SmallTarget } from './SmallTarget.tsx'
import { useLight } from './useLight.ts'
import type { PlanDrag } from './usePlanDrag.ts'

type Props = {
  readonly piece: SlabPiece
  readonly placing: ReturnType<typeof resolvePlacing>
  readonly openings: ReturnType<typeof placeOpenings>
  readonly chosen: string | null
  readonly poured: boolean
  readonly mirrored: boolean
  readonly scale: number
  readonly toScreen: (p: Point) => Point
  readonly fromScreen: (p: Point) => Point
  readonly drag: PlanDrag
  readonly localPoint: (event: { clientX: number; clientY: number }) => Point
  readonly text: (mm: number) => string
  /** One step of an arrow, mm. */
  readonly step: number
}

/** Narrower than this, px, an opening has its name above it. */
const NARROW = 90

/** The openings of a slab's plan, each with its name: pressed to be chosen, dragged, or moved by arrows. */
export function PlanOpenings({
  piece,
  placing,
  openings,
  chosen,
  poured,
  mirrored,
  scale,
  toScreen,
  fromScreen,
  drag,
  localPoint,
  text,
  step,
}: Props) {
  const dispatch = useAppDispatch()
  const change = useChange()
  const { lit, light } = useLight()
  const choose = (id: string) => dispatch(selected({ kind: 'opening', id }))
  const onKey = (event: KeyboardEvent, { id, name }: SlabPiece['openings'][number]) => {
    const by = arrowStep(event, step)
    const chosen = event.key === 'Enter' || event.key === ' '
    const gone = event.key === 'Delete' || event.key === 'Backspace'
    if (!by && !chosen && !gone) return
    event.preventDefault()
    if (by)
      drag.stepped(() => change(`move ${name}`, moveOpening(piece, id, [by[0] * (mirrored ? -1 : 1), by[1]])))
    else if (chosen) choose(id)
    else {
      change(`remove ${name}`, ...removeOpening(piece, id))
      dispatch(selected(null))
    }
  }
  return piece.openings.map((o) => {
    const own = openings.filter((p) => p.openingId === o.id)
    const middle = placing.middles.get(o.id)!
    const isChosen = chosen === o.id
    const sizeText = `${shapeText(o.shape, text)}${o.depth === null ? '' : `, ${text(o.depth)} deep`}${o.made === 'drilled' ? ', drilled later' : ''}`
    // The name of several equal ones stands at the one furthest up the drawing.
    const named = own.reduce((a, b) => (toScreen(b.centre)[1] < toScreen(a.centre)[1] - 1 ? b : a), own[0]!)
    const { min, max } = boundLoop(named.loop)
    const small = (max[0] - min[0]) * scale < NARROW
    const [x, y] = toScreen(named.centre)
    const labelAt: Point = small ? [x, y - ((max[1] - min[1]) / 2) * scale - 9] : [x, y]
    return (
      <g
        key={o.id}
        role="button"
        tabIndex={0}
        aria-label={`${o.name}, ${sizeText}, ${text(middle[0] - reach(o, 'u'))} from the left, ${text(middle[1] - reach(o, 'v'))} from the front`}
        aria-pressed={isChosen}
        data-opening={o.id}
        style={{ cursor: 'grab' }}
        onKeyDown={(e) => onKey(e, o)}
        onPointerDown={(e) => {
          const start = localPoint(e)
          const world = fromScreen(start)
          drag.start(e, {
            kind: 'opening',
            id: o.id,
            start,
            grab: [world[0] - middle[0], world[1] - middle[1]],
          })
        }}
        {...light(`opening/${o.id}`)}
      >
        {own.map((p) => (
          <path
            key={p.key}
            d={loopPath(p.loop, toScreen, scale, mirrored)}
            fill={poured || o.made === 'drilled' ? 'transparent' : 'var(--sheet)'}
            strokeDasharray={o.made === 'drilled' ? '7 4' : undefined}
            stroke={
              isChosen || lit(`opening/${o.id}`) || lit(`knockout/${p.key}`) ? 'var(--oxide)' : 'var(--ink)'
            }
            strokeWidth={isChosen ? 2.6 : 1.4}
          />
        ))}
        <SmallTarget rings={own.map((p) => p.loop.map((s) => s.from))} toScreen={toScreen} />
        {/* The chosen one is named on the bench; its dimensions stand here. */}
        {!isChosen && <Label at={labelAt} text={small ? o.name : `${o.name} ${sizeText}`} />}
      </g>
    )
  })
}
