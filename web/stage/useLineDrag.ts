import { type PointerEvent, type RefObject, useRef } from 'react'
import type { Point } from '../../core/geometry/index.ts'
import { useAppDispatch } from '../state/store.ts'
import { lineDragged } from '../state/viewSlice.ts'
import { dragLine } from './drags.ts'
import type { Line } from './sectionLine.ts'

/** Drags the section line where nothing else is dragged. */
export function useLineDrag(scale: number, box: RefObject<HTMLElement | null>) {
  const dispatch = useAppDispatch()
  const drag = useRef<{ end: 'from' | 'to' | 'both'; start: Point; line: Line } | null>(null)
  const at = (event: PointerEvent): Point => {
    const rect = box.current!.getBoundingClientRect()
    return [event.clientX - rect.left, event.clientY - rect.top]
  }
  return {
    start: (event: PointerEvent, end: 'from' | 'to' | 'both', line: Line) => {
      if (event.button !== 0) return
      event.currentTarget.setPointerCapture(event.pointerId)
      drag.current = { end, start: at(event), line }
    },
    move: (event: PointerEvent) => {
      const d = drag.current
      if (!d) return
      const now = at(event)
      dispatch(lineDragged(dragLine(d.line, d.end, [now[0] - d.start[0], now[1] - d.start[1]], scale)))
    },
    end: () => {
      drag.current = null
    },
  }
}
