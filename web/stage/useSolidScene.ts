import { type RefObject, useEffect, useRef, useState } from 'react'
import { openSolidScene, type SolidScene } from './solidScene.ts'

/**
 * A solid view on a canvas as large as it is given room, closed with the component; `solid` is null where the page has no
 * graphics. `drawn` counts frames, so that what stands over it follows.
 */
export function useSolidScene(
  size: { readonly width: number; readonly height: number },
  onPoint: (id: string | null) => void = () => {},
): {
  readonly canvas: RefObject<HTMLCanvasElement | null>
  readonly solid: RefObject<SolidScene | null>
  readonly drawn: number
} {
  const canvas = useRef<HTMLCanvasElement>(null)
  const solid = useRef<SolidScene | null>(null)
  const pointed = useRef(onPoint)
  pointed.current = onPoint
  const [drawn, setDrawn] = useState(0)
  useEffect(() => {
    if (!canvas.current) return
    try {
      solid.current = openSolidScene(
        canvas.current,
        (id) => pointed.current(id),
        () => setDrawn((n) => n + 1),
      )
    } catch {
      solid.current = null
    }
    return () => {
      solid.current?.close()
      solid.current = null
    }
  }, [])
  useEffect(() => {
    if (size.width > 0) solid.current?.resize(size.width, size.height)
  }, [size])
  return { canvas, solid, drawn }
}
