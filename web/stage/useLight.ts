import { useAppDispatch, useAppSelector } from '../state/store.ts'
import { pointedAt } from '../state/viewSlice.ts'

/** What is under the pointer, and the handlers that make a part of a drawing light in every view. */
export function useLight() {
  const held = useAppSelector((s) => s.view.lit)
  const dispatch = useAppDispatch()
  return {
    lit: (id: string): boolean => held === id,
    light: (id: string | null) => ({
      onPointerEnter: () => dispatch(pointedAt(id)),
      onPointerLeave: () => dispatch(pointedAt(null)),
    }),
  }
}
