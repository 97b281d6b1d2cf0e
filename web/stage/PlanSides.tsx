import type { Loop, Point } from '../../core/geometry/index.ts'
import type { SlabPiece } from '../../core/job/index.ts'
import { nameOfSide, type outlineEdges, outlineSize, SIDES } from '../../core/piece/index.ts'
import { useAppSelector } from '../state/store.ts'
import { openPath } from './paths.ts'
import { type PlanFrame, sideEnds, type ViewSide } from './planFrame.ts'
import { useLight } from './useLight.ts'
import type { PlanDrag } from './usePlanDrag.ts'

type Props = {
  readonly piece: SlabPiece
  readonly outline: Loop
  readonly edges: ReturnType<typeof outlineEdges>
  readonly frame: Pick<PlanFrame, 'scale' | 'mirrored'>
  readonly toScreen: (p: Point) => Point
  readonly drag: PlanDrag
  readonly localPoint: (event: { clientX: number; clientY: number }) => Point
}

/** The sides of a slab's plan: pressed to be chosen, dragged to make it longer or wider. */
export function PlanSides({ piece, outline, edges, frame, toScreen, drag, localPoint }: Props) {
  const selection = useAppSelector((s) => s.view.selection)
  const { lit, light } = useLight()
  const { length, width } = outlineSize(piece.outline)
  const colour = (name: string, id: string) =>
    lit(name) || (selection?.kind === 'side' && selection.id === id) ? 'var(--oxide)' : 'transparent'
  if (piece.outline.kind === 'rectangle')
    return (SIDES as readonly ViewSide[]).map((side) => {
      const [a, b] = sideEnds(side, length, width).map(toScreen) as [Point, Point]
      const upright = side === 'left' || side === 'right'
      return (
        <line
          key={side}
          x1={a[0]}
          y1={a[1]}
          x2={b[0]}
          y2={b[1]}
          stroke={colour(`side/${side}`, side)}
          strokeWidth="9"
          strokeOpacity="0.55"
          style={{ cursor: upright ? 'ew-resize' : 'ns-resize' }}
          data-side={side}
          {...light(`side/${side}`)}
          onPointerDown={(e) => drag.start(e, { kind: 'side', side, start: localPoint(e) })}
        />
      )
    })
  return outline
    .filter((s) => edges.get(s.name)?.of === 'side')
    .map((segment, i) => {
      const { id } = edges.get(segment.name)!
      return (
        <path
          key={`${segment.name}|${i}`}
          d={openPath(segment, toScreen, frame.scale, frame.mirrored)}
          fill="none"
          stroke={colour(segment.name, id)}
          strokeWidth="9"
          strokeOpacity="0.55"
          style={{ cursor: 'move' }}
          data-side={id}
          {...light(segment.name)}
          onPointerDown={(e) => drag.start(e, { kind: 'polygonSide', id, start: localPoint(e) })}
        >
          <title>{`side ${nameOfSide(piece.outline, id)}`}</title>
        </path>
      )
    })
}
