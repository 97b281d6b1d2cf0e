import { type RefCallback, useCallback, useRef, useState } from 'react'

/** The size of an element in px, followed as it changes; `attach` goes to its ref, `element` is it. */
export function useSize<T extends Element>(): {
  attach: RefCallback<T>
  element: { readonly current: T | null }
  size: { width: number; height: number }
} {
  const element = useRef<T | null>(null)
  const [size, setSize] = useState({ width: 0, height: 0 })
  const attach = useCallback((found: T | null) => {
    element.current = found
    if (!found) return
    const read = () => setSize({ width: found.clientWidth, height: found.clientHeight })
    read()
    const observer = new ResizeObserver(read)
    observer.observe(found)
    return () => observer.disconnect()
  }, [])
  return { attach, element, size }
}
