import { type PointerEvent, useRef, useState } from 'react'

/** A handle dragged one way: how far it is from where it was taken, px, and what to do when it is let go. */
export function useDrag(way: 'x' | 'y', onDrop: (byPx: number) => void) {
  const from = useRef<number | null>(null)
  const [by, setBy] = useState(0)
  const at = (e: PointerEvent) => (way === 'x' ? e.clientX : e.clientY)
  const end = (drop: boolean) => {
    if (from.current === null) return
    from.current = null
    setBy(0)
    if (drop) onDrop(by)
  }
  return {
    by,
    handle: {
      onPointerDown: (e: PointerEvent<Element>) => {
        e.currentTarget.setPointerCapture(e.pointerId)
        from.current = at(e)
      },
      onPointerMove: (e: PointerEvent<Element>) => {
        if (from.current !== null) setBy(at(e) - from.current)
      },
      onPointerUp: () => end(true),
      onPointerCancel: () => end(false),
    },
  }
}
